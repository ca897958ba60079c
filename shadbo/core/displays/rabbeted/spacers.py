"""What keeps the glazing off: strips of one height or two, one on the other, or walls lined with board."""

from collections.abc import Sequence

from shadbo.core.decisions.levers import Lever
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.slabs import HATCH, Slab, second_of
from shadbo.core.sheet.quantity import DUST
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import SheetStock, SpacerStock
from shadbo.core.shop.kept import SPACERS
from shadbo.core.sums.piles import piles

MOST_STRIPS = 6
"""So many strips are glued one on the other: common practice, no source."""


def spacer_slabs(desk: Desk, needed_mm: float, id_: str = "spacer") -> list[Slab]:
    """Strips stacked to the air that is wanted, of one height or of two; none when none is wanted.

    The least overshoot, then the fewest strips; only what is decided, or kept with the job, where that is known.
    """
    if needed_mm <= DUST:
        return []
    roles = (id_, second_of(id_))
    known = [desk.known(SPACERS, roles[0], desk.levers.spacer), desk.known(SPACERS, roles[1], None)]
    if desk.levers.spacer is not None and desk.levers.spacer.of(desk.job) is not None:
        known[1] = None
    kept = [(role, x) for role, x in zip(roles, known, strict=True) if x is not None]
    stock = [x for _, x in kept] or _narrowest(desk.stock.spacers)
    if not stock:
        return []
    pile = min(
        piles(tuple([x.height_mm for x in stock]), needed_mm, "up", MOST_STRIPS),
        key=lambda p: (round(p.high_mm, 6), p.count, len(p.many)),
    )
    named = [role for role, _ in kept] or roles
    out = []
    for at, (i, n) in enumerate(pile.many):
        role = named[i] if kept else roles[at]
        out.append(_strips(desk, role, desk.levers.spacer if role == id_ else None, stock[i], n))
    return out


def _strips(desk: Desk, id_: str, lever: Lever[SpacerStock] | None, planned: SpacerStock, many: int) -> Slab:
    """Strips of one height, one on the other."""
    s = desk.sheet
    strip = desk.take(SPACERS, id_, lever, lambda: planned)
    one = s.choose(f"{id_}.strip", "spacer strip, height", strip.height_mm, MM, strip.name)
    n = s.let(f"{id_}.count", "strips, one on the other", s.decide("least overshoot", many, ONE))
    s.choose(f"{id_}.thick", "spacer strip, width seen from the front", strip.thick_mm, MM, strip.name)
    thick = s.let(f"stack.{id_}", "spacer", one * n, strip.name)
    name = strip.name if many == 1 else f"{many} × {strip.name}"
    return Slab(
        id_, name, "spacer", thick, "spacer", ring_mm=strip.thick_mm,
        ring_price_per_m=strip.price_per_m * many, count=many, one=strip.name,
    )  # fmt: skip


def _narrowest(stock: Sequence[SpacerStock]) -> list[SpacerStock]:
    """Of each height the narrowest strip, then the cheapest."""
    best: dict[float, SpacerStock] = {}
    for x in sorted(stock, key=lambda x: (x.thick_mm, x.price_per_m)):
        best.setdefault(x.height_mm, x)
    return list(best.values())


def liner_slab(desk: Desk, sheet: SheetStock, needed_mm: float, id_: str = "spacer") -> Slab | None:
    """Walls lined with strips of board that stand on edge: they keep the glazing off, and show inside."""
    s = desk.sheet
    if needed_mm <= DUST:
        return None
    high = s.cut(f"stack.{id_}", "lined wall, height", s.number(needed_mm, MM), "up", desk.practice.cut_tolerance_mm)
    s.choose(f"{id_}.thick", "lined wall, thickness", sheet.thick_mm, MM, sheet.name)
    price = high.value / 1000 * sheet.price_per_m2
    name = f"walls lined with {sheet.name}"
    return Slab(id_, name, "spacer", high, HATCH[sheet.kind], ring_mm=sheet.thick_mm, ring_price_per_m=price)
