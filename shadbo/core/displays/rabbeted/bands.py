"""Bands of tape across the back of a puzzle: how many, one beside the other."""

from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import Tape
from shadbo.core.shop.kept import TAPES
from shadbo.core.sums.border import tape_bands

TAPE = Tape(id="puzzle-tape", name="puzzle tape, none listed", kind="puzzle tape", rating_kg=1, width_mm=48)
OVERLAP_MM = 5.0


def bands_of(desk: Desk, height: Quantity) -> int:
    """ceil((height − overlap) ÷ (tape − overlap)), with the tape that the drawers have."""
    tapes = desk.stock.tapes_of("puzzle tape") or [TAPE]
    tape = desk.take(TAPES, "puzzle-tape", None, lambda: tapes[0])
    wide = desk.sheet.choose("tape.width", "tape for the back, width", tape.width_mm, MM, "stock").value
    return tape_bands(height.value, wide, OVERLAP_MM)
