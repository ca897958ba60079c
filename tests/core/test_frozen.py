"""Values of the core are never written into, though Python itself would let them be."""

import subprocess
import sys

REFUSING = """
import dataclasses
import shadbo.core.dataclass as ours

ours.dataclass = dataclasses.dataclass

from shadbo.core.advise import advise
from shadbo.core.drawing.board import draw, views_of
from shadbo.core.record.record import record
from shadbo.core.sheet.name import Name
from shadbo.core.stations import stations
from shadbo.core.steps import steps
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop

try:
    Name("key", "label").key = "another"
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
