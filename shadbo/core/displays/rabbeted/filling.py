"""Boards that fill what is left of a rabbet's depth, and packers that keep a void behind a board."""

from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.slabs import BACKING, HATCH, Slab
from shadbo.core.sheet.quantity import DUST
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import SheetKind, SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.words.words import Mm, both, say

MOST_FILLERS = 14
FILLING: tuple[SheetKind, ...] = ("foam board", "backing", "corrugated plastic")


def void_slab(desk: Desk, needed_mm: float, id_: str, note: str) -> Slab | None:
    """Packers that keep a void behind a board: boards stacked as a ring and cut out where something stands back."""
    s = desk.sheet
    if needed_mm <= DUST:
        return None

    def nearest() -> SheetStock:
        boards = [x for x in desk.stock.sheets_of(*FILLING) if x.safe]
        return min(boards, key=lambda x: (-(-needed_mm // x.thick_mm) * x.thick_mm, x.thick_mm), default=BACKING)

    sheet = desk.take(SHEETS, id_, None, nearest)
    n = max(1, -(-int(needed_mm * 1000) // int(sheet.thick_mm * 1000)))
    s.choose(f"{id_}.one", "packer board", sheet.thick_mm, MM, sheet.name)
    count = s.let(f"{id_}.count", "packer boards", s.decide("as many as the void needs", n, ONE))
    thick = s.let(f"stack.{id_}", "packers behind the board", s[f"{id_}.one"] * count, sheet.name)
    stack = sheet.model_copy(update={"thick_mm": sheet.thick_mm * n, "price_per_m2": sheet.price_per_m2 * n})
    return Slab(id_, sheet.name, "packer", thick, HATCH[sheet.kind], stack, ring_mm=24.0, count=n, note=note)


def filler_slab(desk: Desk, spare_mm: float, ring_mm: float, least_mm: float) -> Slab | None:
    """Boards that fill the spare depth, so that nothing rattles: the stack that comes nearest from below.

    ``ring_mm``: only strips so wide, where one sees through what is framed; 0 for whole boards.
    """
    if spare_mm <= least_mm + DUST:
        return None
    boards = [x for x in desk.stock.sheets if x.kind in FILLING and x.safe and x.thick_mm <= spare_mm + DUST]
    known = desk.known(SHEETS, "filler", None)
    if not boards and known is None:
        return None

    def score(sheet: SheetStock) -> tuple[float, int, float]:
        n = min(int((spare_mm + DUST) // sheet.thick_mm), MOST_FILLERS)
        left = spare_mm - n * sheet.thick_mm
        return (0.0 if left <= least_mm + DUST else left, n, sheet.price_per_m2 * n)

    sheet = desk.take(SHEETS, "filler", None, lambda: min(boards, key=score))
    n = min(int((spare_mm + DUST) // sheet.thick_mm), MOST_FILLERS)
    if n < 1:
        return None
    s = desk.sheet
    one = s.choose("filler.one", "filler board", sheet.thick_mm, MM, sheet.name)
    count = s.let("filler.count", "filler boards", s.decide("as many as go in", n, ONE))
    thick = s.let("stack.filler", "filler", one * count, sheet.name)
    stack = sheet.model_copy(update={"thick_mm": sheet.thick_mm * n, "price_per_m2": sheet.price_per_m2 * n})
    note = (
        say(desk.mark, "a ring {} wide, cut as strips: it stays under the lip", Mm(ring_mm, "down"))
        if ring_mm
        else both("")
    ).pick(desk.mark.system)
    return Slab("filler", sheet.name, "packer", thick, HATCH[sheet.kind], stack, ring_mm=ring_mm, count=n, note=note)
