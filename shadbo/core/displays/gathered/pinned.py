"""The board that a garment is pinned to: soft, and thick enough for pins that go in aslant."""

from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.slabs import cheapest
from shadbo.core.pieces.objects import Garment
from shadbo.core.shop.boards import PINS_NEED_MM, SheetStock
from shadbo.core.sums.items import Item


def mount_board(desk: Desk, items: tuple[Item, ...], size_mm: tuple[float, float]) -> SheetStock:
    """Foam board that pins hold in where a garment is shown; else the usual boards."""
    if any(isinstance(x.piece.detail, Garment) for x in items):
        foam = [x for x in desk.stock.sheets_of("foam board") if x.holds(*size_mm) and x.safe is not False]
        thick = [x for x in foam if x.thick_mm >= PINS_NEED_MM]
        if foam:
            return thick[0] if thick else max(foam, key=lambda x: x.thick_mm)
    return cheapest(desk, size_mm, "foam board", "mat")
