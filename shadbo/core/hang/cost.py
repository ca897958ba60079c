"""Material price of an assembly: the figure that remedies are compared by."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.build.uses import joint_uses, uses
from shadbo.core.desk import Desk
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MONEY, unit

PER_MM = unit(money=1, mm=-1)


def material_price(desk: Desk, assembly: Assembly, hang: HangPlan) -> Quantity:
    """Moulding by the length to order, pads by area, screws, hangers and what corners take by the piece."""
    s = desk.sheet
    total = s.number(0, MONEY)
    if assembly.moulding is not None and "rail.order" in s:
        total = total + s["rail.order"] * s.number(assembly.moulding.price_per_m / 1000, PER_MM)
    total = total + s.number(sum(part.price * part.count for part in assembly.parts), MONEY)
    used = (*uses(s, assembly), *joint_uses(assembly))
    total = total + s.number(sum(use.price for use in used), MONEY)
    for join in assembly.joins:
        total = total + s.number(len(join.fixings) * join.price, MONEY)
    if hang.strip is not None:
        total = total + s.number(len(hang.places) * hang.strip.price, MONEY)
    if hang.hanger is not None:
        total = total + s.number(hang.hanger.price * (len(hang.places) or 1), MONEY)
    if hang.wire is not None and hang.wire_length is not None:
        total = total + hang.wire_length * s.number(hang.wire.price_per_m / 1000, PER_MM)
    return s.let("price.materials", "materials", total)
