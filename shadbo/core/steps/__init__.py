"""The work at the bench, step by step, from what a plan is built of.

No display has a list of its own: each step comes of a part, a join, a mount or a facet, names what it makes and
what it needs, and the order follows from that.
"""

from dataclasses import replace

from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Practice
from shadbo.core.steps.arriving import arriving, before_readings
from shadbo.core.steps.fitting import fitting
from shadbo.core.steps.framing import framing
from shadbo.core.steps.leaving import leaving
from shadbo.core.steps.mounting import mounting
from shadbo.core.steps.order import in_order
from shadbo.core.steps.pegging import pegging
from shadbo.core.steps.preparing import preparing
from shadbo.core.steps.sheets import sheets
from shadbo.core.steps.site import site_of
from shadbo.core.steps.step import Step


def steps(plan: Plan) -> tuple[Step, ...]:
    """All steps of a plan in an order that can be done; before it is measured only those that lead there."""
    site = site_of(plan)
    if site is None:
        return in_order(tuple(before_readings(plan)))
    rules = (arriving, preparing, framing, pegging, sheets, mounting, fitting, leaving)
    return in_order(tuple(_paced(step, site.practice) for rule in rules for step in rule(site)))


def _paced(step: Step, practice: Practice) -> Step:
    """A step at the shop's own pace for its stage."""
    times = practice.stage_times(step.stage)
    return step if times == 1 else replace(step, minutes=round(step.minutes * times, 1))
