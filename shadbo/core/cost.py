"""Material price of an assembly: the figure that remedies are compared by."""

from shadbo.core.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.hanging import HangPlan
from shadbo.core.quantity import Quantity
from shadbo.core.units import MONEY, unit

PER_MM = unit(money=1, mm=-1)
PER_MM2 = unit(money=1, mm=-2)


def material_price(desk: Desk, assembly: Assembly, hang: HangPlan) -> Quantity:
    """Moulding by the length to order, pads by area, screws and hangers by the piece."""
    s = desk.sheet
    total = s.number(0, MONEY)
    if assembly.moulding is not None and "rail.total" in s:
        order = s.let(
            "rail.order",
            "moulding to order",
            s["rail.total"] + 8 * s["profile.wall"],
            "2 · (w + h) + 8 · face",
            "up",
        )
        total = total + order * s.number(assembly.moulding.price_per_m / 1000, PER_MM)
    prices = {p.name: p.price_per_m2 for p in desk.stock.pads}
    for part in assembly.by_role("pad"):
        if part.length is not None and part.width is not None:
            each = prices.get(part.name.removeprefix("pad, "), 0.0)
            total = total + part.length * part.width * float(part.count) * s.number(each / 1e6, PER_MM2)
    screws = {x.name: x.price for x in desk.stock.screws}
    for join in assembly.joins:
        total = total + s.number(len(join.fixings) * screws.get(join.item, 0.0), MONEY)
    if hang.hanger is not None:
        total = total + s.number(hang.hanger.price * len(hang.places), MONEY)
    if hang.wire is not None and hang.wire_length is not None:
        total = total + hang.wire_length * s.number(hang.wire.price_per_m / 1000, PER_MM)
    return s.let("price.materials", "materials", total)
