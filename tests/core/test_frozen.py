"""Values of the core are never written into, though Python itself would let them be."""

import gc
import subprocess
import sys
import weakref

from shadbo.core.assess import assess
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop

REFUSING = """
import dataclasses
import shadbo.core.dataclass as ours

ours.dataclass = dataclasses.dataclass

from shadbo.core.advise import advise
from shadbo.core.drawing.board import draw, views_of
from shadbo.core.record.record import record
from shadbo.core.sheet.sheet import AsBuilt
from shadbo.core.stations import stations
from shadbo.core.steps import steps
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop

try:
    AsBuilt(10.0, 0.5, "rule").mm = 11.0
except dataclasses.FrozenInstanceError:
    print("refuses")
for n, job in enumerate(demo_jobs()):
    plan = advise(job, demo_shop())
    stations(plan), steps(plan), record(plan)
    for view in views_of(plan):
        draw(plan, view, "in" if n % 2 else "mm")
print("planned")
"""


def test_no_value_is_written_into_by_all_that_a_job_goes_through():
    run = subprocess.run([sys.executable, "-c", REFUSING], capture_output=True, text=True, timeout=300)
    assert run.stdout.split() == ["refuses", "planned"], run.stderr


def test_a_plan_goes_at_once_when_nobody_has_it():
    """Without the collector, which would walk all that a server has made to find what goes together."""
    gc.disable()
    try:
        for job in demo_jobs():
            plan = assess(job, demo_shop())
            sheet = weakref.ref(plan.desk.sheet)
            del plan
            assert sheet() is None, job.title
    finally:
        gc.enable()
