"""Bands of tape across the back of a puzzle: how many, one beside the other."""

from shadbo.core.build.assembly import Part
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


def band_parts(desk: Desk, count: int, width: Quantity) -> tuple[Part, ...]:
    """The bands as they come off the roll: as long as the puzzle is wide."""
    tape = desk.known(TAPES, "puzzle-tape", None) or next(iter(desk.stock.tapes_of("puzzle tape")), TAPE)
    price = width.value / 1000 * tape.price
    return (Part("bands", "clip", tape.name, "paper", count, width, key="tape.width", fetched="across the back",
                 price=price),)  # fmt: skip
