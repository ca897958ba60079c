"""Every demo job plans to the numbers that are written down."""

import json

import pytest

from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.golden_plans import path_of, told

JOBS = demo_jobs()


@pytest.mark.parametrize("n", range(1, len(JOBS) + 1))
def test_the_plan_is_as_written_down(n: int):
    assert told(JOBS[n - 1], demo_shop()) == json.loads(path_of(n).read_text())


def test_no_plan_is_written_down_that_is_no_job_any_more():
    assert len(list(path_of(1).parent.glob("demo-*.json"))) == len(JOBS)
