"""Strips under the spacers of a piece that does not reach them: else nothing lies between spacer and board."""

import itertools
from collections.abc import Mapping, Sequence

from shadbo.core.build.assembly import Part
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.filling import FILLING
from shadbo.core.displays.rabbeted.slabs import HATCH, Slab
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.solids.body import Body, strips_round
from shadbo.core.solids.held import LYING_MM
from shadbo.core.sums.weight import by_area
from shadbo.core.words.words import say

ROLE = "under_spacer"
GIVES_MM = 1.0
"""The board behind gives by as much over a thicker strip: common practice, no source."""


def under_spacer(
    desk: Desk, size: tuple[Quantity, Quantity], slabs: Sequence[Slab], begins: Mapping[str, float]
) -> tuple[list[Part], list[Body]]:
    """Strips of board as thick as the piece, as wide as the ring in front of it; none where the piece reaches that.

    ``size`` is the package's. A piece up to 0.5 mm thick lets the ring lie on its board.
    """
    pair = next(((a, b) for a, b in itertools.pairwise(slabs) if b.role == "piece"), None)
    if pair is None:
        return [], []
    ring, piece = pair
    sheet = _needed(desk, size, ring, piece)
    if sheet is None:
        return [], []
    s = desk.sheet
    many = s.decide("as thick as the piece", _count(sheet, piece.thick.value), ONE)
    n = s.let(f"{ROLE}.count", "boards under the spacer", many)
    one = s.choose(f"{ROLE}.one", "board under the spacer", sheet.thick_mm, MM, sheet.name)
    wide = s.choose(f"{ROLE}.wide", "strips under the spacer, width", ring.ring_mm, MM, ring.name)
    cut = desk.practice.cut_tolerance_mm
    across = s.cut(f"{ROLE}.across", "strips under the spacer, top and bottom", size[0], "down", cut)
    upright = s.cut(f"{ROLE}.upright", "strips under the spacer, sides", size[1] - 2 * wide, "down", cut)
    area = 2 * wide * (across + upright) * n
    mass = s.let(f"mass.{ROLE}", "strips under the spacer, mass", by_area(s, sheet.kg_per_m2, area))
    count = 4 * int(n.value)
    note = say(desk.mark, "half of them {}, half {}: as thick as the piece", across, upright)
    part = Part(
        ROLE, "packer", f"strips under the spacer: {sheet.name}", HATCH[sheet.kind], count, across, wide, one,
        mass=mass, key=f"{ROLE}.across", to_cut=True, note=note.pick(desk.mark.system),
        price=area.value / 1e6 * sheet.price_per_m2 / count,
    )  # fmt: skip
    z = begins[piece.id]
    thick = min(one.value * n.value, piece.thick.value)
    bodies = strips_round(
        (size[0].value, size[1].value), wide.value, across.value, upright.value, (z, z + thick),
        HATCH[sheet.kind], part.name, (ROLE, ROLE), ROLE,
    )  # fmt: skip
    return [part], bodies


def _needed(desk: Desk, size: tuple[Quantity, Quantity], ring: Slab, piece: Slab) -> SheetStock | None:
    """The board whose stack comes nearest to the piece's thickness; None where no strips are needed."""
    if ring.ring_mm <= 0 or ring.role == "mat" or piece.wrapped or piece.size is None:
        return None
    thick = piece.thick.value
    reaches = any(q.value > full.value - 2 * ring.ring_mm for q, full in zip(piece.size, size, strict=True))
    if reaches or thick <= LYING_MM:
        return None
    boards = desk.stock.sheets_of("mat", *FILLING)
    if not boards and desk.known(SHEETS, ROLE, None) is None:
        return None

    def off(sheet: SheetStock) -> tuple[float, float]:
        return abs(_count(sheet, thick) * sheet.thick_mm - thick), sheet.price_per_m2

    best = desk.take(SHEETS, ROLE, None, lambda: min(boards, key=off))
    over = _count(best, thick) * best.thick_mm - thick
    return best if -LYING_MM <= over <= GIVES_MM else None


def _count(sheet: SheetStock, thick_mm: float) -> int:
    return max(1, round(thick_mm / sheet.thick_mm))
