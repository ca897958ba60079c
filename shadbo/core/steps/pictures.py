"""Photographs that a step says were taken: whether any is kept that can be of it."""

import datetime as dt
from collections.abc import Sequence

from shadbo.core.plan import Plan
from shadbo.core.steps.step import Step

TAKE_ONE = "take one at Receive, or at “not as planned”"
SAME_DAY = dt.timedelta(hours=12)
"""A photograph is of the finished piece where it was taken not long before its last step ended."""


def missing(plan: Plan, step: Step, pictures: Sequence[dt.datetime]) -> str:
    """What is to be said of a step's photographs; nothing where one is there.

    As it came any will do; as it leaves, one that was taken in since the step before was done.
    """
    if not pictures:
        return f"no photograph is kept with it: {TAKE_ONE}"
    if step.stage != "close":
        return ""
    mine = plan.desk.job.work.get(step.id)
    ends = [d.ended for id_, d in plan.desk.job.work.items() if d.ended is not None and id_ != step.id]
    before = [at for at in ends if mine is None or mine.ended is None or at <= mine.ended]
    if not before or max(pictures) >= max(before) - SAME_DAY:
        return ""
    return f"none that is kept was taken since it is finished: {TAKE_ONE}"
