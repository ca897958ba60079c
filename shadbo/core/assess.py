"""assess(job, shop): one pass from the job to its plan. Remedies are only proposed here."""

from shadbo.core.checks import CHECKS
from shadbo.core.checks.view import Look
from shadbo.core.desk import Desk
from shadbo.core.displays.own_frame import frame_asks
from shadbo.core.displays.registry import display_of, replaced
from shadbo.core.findings import CannotPlan, by_weight
from shadbo.core.hang.bodies import hung_by
from shadbo.core.hang.cost import material_price
from shadbo.core.hang.hanging import plan_hanging
from shadbo.core.hang.wall import wall_load
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.sheet.units import KG
from shadbo.core.shop.shop import Shop
from shadbo.core.solids.space import Space
from shadbo.core.sums.weight import screws_kg

BROKEN = (ArithmeticError, AssertionError, AttributeError, LookupError, TypeError, ValueError)


def assess(job: Job, shop: Shop) -> Plan:
    """The plan of a job in a shop. A function of values: the same two give the same plan anywhere.

    Raises CannotPlan where the sums themselves fail: the job is as it was, and is told so.
    """
    try:
        return _assess(job, shop)
    except BROKEN as bad:
        raise CannotPlan(f"{type(bad).__name__}: {bad}") from bad


def _assess(job: Job, shop: Shop) -> Plan:
    display = display_of(job)
    desk = Desk.lay(job, shop, display.levers, display.gathers, display.frames != "none")
    asks = (*display.asks(desk), *frame_asks(desk, display.frames))
    said = replaced(job, display)
    if asks:
        return Plan(desk, display, asks, None, None, said)
    assembly = display.build(desk)
    masses = [part.mass for part in assembly.parts if part.mass is not None]
    total = masses[0]
    for mass in masses[1:]:
        total = total + mass
    steel = sum(
        screws_kg(len(j.fixings), j.diameter_mm, j.length.value)
        for j in assembly.joins
        if j.length is not None and not j.part
    )
    if steel > 0:
        screws = desk.sheet.decide("steel, by number, diameter and length", steel, KG)
        total = total + desk.sheet.let("mass.fixings", "screws", screws)
    weight = desk.sheet.let("weight.total", "weight of frame and piece", total)
    hang = plan_hanging(desk, assembly, weight)
    wall_load(desk, hang)
    material_price(desk, assembly, hang)
    behind, hung = hung_by(assembly, hang)
    space, ties = Space((*assembly.bodies, *behind)), (*assembly.ties, *hung)
    look = Look(desk=desk, assembly=assembly, hang=hang, space=space, ties=ties)
    findings = [finding for check in CHECKS for finding in check(look)]
    return Plan(desk, display, (), assembly, hang, tuple(by_weight([*said, *findings])))
