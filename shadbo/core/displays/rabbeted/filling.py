"""Boards that fill what is left of a rabbet's depth, and packers that keep a void behind a board."""

from collections.abc import Callable, Sequence

from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.slabs import BACKING, HATCH, Slab, second_of
from shadbo.core.sheet.quantity import DUST
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import SheetKind, SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.sums.piles import Pile, Rounding, piles
from shadbo.core.words.words import Mm, both, say

MOST_FILLERS = 14
FILLING: tuple[SheetKind, ...] = ("foam board", "backing", "corrugated plastic")
Piled = list[tuple[str, SheetStock, int]]
Rank = Callable[[Pile], tuple[float, ...]]


def piled(
    desk: Desk, id_: str, boards: Sequence[SheetStock], goal_mm: float, rounding: Rounding, rank: Rank
) -> Piled:
    """Boards of one kind or two for a height: under which role each is kept, which, how many.

    ``rank`` orders piles; the least is taken, and of several the cheapest. Boards that are kept with the job are the
    only ones then.
    """
    roles = (id_, second_of(id_))
    kept = [(role, x) for role in roles if (x := desk.known(SHEETS, role, None)) is not None]
    stock = [x for _, x in kept] or list(boards)

    def cost(pile: Pile) -> float:
        return sum([n * stock[i].price_per_m2 for i, n in pile.many])

    found = piles(tuple([x.thick_mm for x in stock]), goal_mm, rounding, MOST_FILLERS)
    if not found:
        return []
    ranks = [rank(p) for p in found]
    least = min(ranks)
    best = min([p for p, r in zip(found, ranks, strict=True) if r == least], key=cost)
    out: Piled = []
    for at, (i, n) in enumerate(best.many):
        role = kept[i][0] if kept else roles[at]
        planned = stock[i]
        out.append((role, desk.take(SHEETS, role, None, lambda planned=planned: planned), n))  # type: ignore[misc]
    return out


def stacked(sheet: SheetStock, many: int) -> SheetStock:
    """So many boards as one."""
    return sheet.model_copy(update={"thick_mm": sheet.thick_mm * many, "price_per_m2": sheet.price_per_m2 * many})


def void_slabs(desk: Desk, needed_mm: float, id_: str, note: str) -> list[Slab]:
    """Packers that keep a void behind a board: boards stacked as a ring and cut out where something stands back."""
    s = desk.sheet
    if needed_mm <= DUST:
        return []
    boards = [x for x in desk.stock.sheets_of(*FILLING) if x.safe] or [BACKING]
    out = []
    for role, sheet, n in piled(
        desk, id_, boards, needed_mm, "up", lambda p: (round(p.high_mm, 3), len(p.many), p.count)
    ):
        s.choose(f"{role}.one", "packer board", sheet.thick_mm, MM, sheet.name)
        count = s.let(f"{role}.count", "packer boards", s.decide("as many as the void needs", n, ONE))
        thick = s.let(f"stack.{role}", "packers behind the board", s[f"{role}.one"] * count, sheet.name)
        out.append(Slab(role, sheet.name, "packer", thick, HATCH[sheet.kind], stacked(sheet, n), ring_mm=24.0,
                        count=n, note=note))  # fmt: skip
    return out


def filler_slabs(desk: Desk, spare_mm: float, ring_mm: float, least_mm: float) -> list[Slab]:
    """Boards that fill the spare depth, so that nothing rattles: the stack that comes nearest from below.

    ``ring_mm``: only strips so wide, where one sees through what is framed; 0 for whole boards.
    """
    if spare_mm <= least_mm + DUST:
        return []
    boards = [x for x in desk.stock.sheets if x.kind in FILLING and x.safe and x.thick_mm <= spare_mm + DUST]
    if not boards and desk.known(SHEETS, "filler", None) is None:
        return []

    def rank(p: Pile) -> tuple[float, ...]:
        left = spare_mm - p.high_mm
        return (0.0 if left <= least_mm + DUST else left, len(p.many), p.count)

    s = desk.sheet
    note = (
        say(desk.mark, "a ring {} wide, cut as strips: it stays under the lip", Mm(ring_mm, "down"))
        if ring_mm
        else both("")
    ).pick(desk.mark.system)
    out = []
    for role, sheet, n in piled(desk, "filler", boards, spare_mm + DUST, "down", rank):
        one = s.choose(f"{role}.one", "filler board", sheet.thick_mm, MM, sheet.name)
        count = s.let(f"{role}.count", "filler boards", s.decide("as many as go in", n, ONE))
        thick = s.let(f"stack.{role}", "filler", one * count, sheet.name)
        out.append(Slab(role, sheet.name, "packer", thick, HATCH[sheet.kind], stacked(sheet, n), ring_mm=ring_mm,
                        count=n, note=note))  # fmt: skip
    return out
