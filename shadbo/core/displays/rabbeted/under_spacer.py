"""What lies beside a piece in its own depth: its sink, or strips under the spacers that it does not reach."""

import itertools
from collections.abc import Mapping, Sequence

from shadbo.core.build.assembly import Part
from shadbo.core.build.marked import Window
from shadbo.core.build.mounts import MountPlan
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.filling import FILLING, Piled, piled
from shadbo.core.displays.rabbeted.slabs import HATCH, Slab
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.solids.body import Body, Prism, strips_round
from shadbo.core.solids.held import LYING_MM
from shadbo.core.sums.piles import Pile
from shadbo.core.sums.weight import by_area
from shadbo.core.words.words import say

ROLE, SINK = "under_spacer", "sink"
GIVES_MM = 1.0
"""The board behind gives by as much over a thicker strip: common practice, no source."""


@dataclass(frozen=True, slots=True)
class Beside:
    """Parts and bodies beside a piece, and the opening that is cut for it."""

    parts: tuple[Part, ...] = ()
    bodies: tuple[Body, ...] = ()
    windows: tuple[Window, ...] = ()


def beside_piece(
    desk: Desk,
    size: tuple[Quantity, Quantity],
    slabs: Sequence[Slab],
    begins: Mapping[str, float],
    mount: MountPlan | None,
) -> Beside:
    """The sink of a piece that lies in one, else the strips under its spacer; ``size`` is the package's."""
    if mount is not None and mount.taken.mount.id == "sink":
        return _sink(desk, size, slabs, begins)
    parts, bodies = under_spacer(desk, size, slabs, begins)
    return Beside(tuple(parts), tuple(bodies))


def _sink(desk: Desk, size: tuple[Quantity, Quantity], slabs: Sequence[Slab], begins: Mapping[str, float]) -> Beside:
    """Boards as deep as the piece, with an opening a little larger than its outline: recess = outline + 1 mm."""
    piece = next((x for x in slabs if x.role == "piece"), None)
    if piece is None or piece.size is None or piece.wrapped:
        return Beside()
    thick = piece.thick.value
    boards = [x for x in desk.stock.sheets_of("mat", *FILLING) if x.safe]
    if not boards and desk.known(SHEETS, SINK, None) is None:
        return Beside()

    def off(sheet: SheetStock) -> tuple[float, float]:
        return abs(_count(sheet, thick) * sheet.thick_mm - thick), sheet.price_per_m2

    s = desk.sheet
    sheet = desk.take(SHEETS, SINK, None, lambda: min(boards, key=off))
    n = s.let("sink.count", "boards of the sink", s.decide("as deep as the piece", _count(sheet, thick), ONE))
    one = s.choose("sink.one", "board of the sink", sheet.thick_mm, MM, sheet.name)
    more = s.number(desk.practice.sink_beyond_mm, MM)
    cut = desk.practice.cut_tolerance_mm
    w, h = (
        s.cut(f"sink.{axis}", f"sink, opening, {axis}", of + more, "up", cut)
        for axis, of in zip(("width", "height"), piece.size, strict=True)
    )
    deep = s.let("sink.deep", "sink, deep", one * n, sheet.name)
    left = size[0] * size[1] - w * h
    area = s.pick("largest", left, s.number(0, left.unit))
    mass = s.let("mass.sink", "sink, mass", by_area(s, sheet.kg_per_m2, area * n.value))
    hole = centred(w.value, h.value)
    part = Part(
        SINK, "board", f"sink: {sheet.name}", HATCH[sheet.kind], int(n.value), *size, one, mass=mass,
        key="sink.deep", to_cut=True, sheet=sheet,
        price=size[0].value * size[1].value / 1e6 * sheet.price_per_m2,
        note=say(desk.mark, "opening {} × {}, over the outline by {}", w, h, more).pick(desk.mark.system),
    )  # fmt: skip
    z = begins[piece.id]
    ring = centred(size[0].value, size[1].value)
    body = Body(SINK, part.name, part.hatch, (Prism(ring, z, z + min(deep.value, thick), (hole,)),), SINK)
    return Beside(
        (part,), (body,), (Window(SINK, "the sink", hole, SINK, bevelled=False, key="sink.width", sizes=(w, h)),)
    )


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
    s = desk.sheet
    parts: list[Part] = []
    bodies: list[Body] = []
    z = begins[piece.id]
    ends = z + piece.thick.value
    for role, sheet, many in _needed(desk, size, ring, piece):
        n = s.let(f"{role}.count", "boards under the spacer", s.decide("as thick as the piece", many, ONE))
        one = s.choose(f"{role}.one", "board under the spacer", sheet.thick_mm, MM, sheet.name)
        wide = s.choose(f"{role}.wide", "strips under the spacer, width", ring.ring_mm, MM, ring.name)
        cut = desk.practice.cut_tolerance_mm
        across = s.cut(f"{role}.across", "strips under the spacer, top and bottom", size[0], "down", cut)
        upright = s.cut(f"{role}.upright", "strips under the spacer, sides", size[1] - 2 * wide, "down", cut)
        area = 2 * wide * (across + upright) * n
        mass = s.let(f"mass.{role}", "strips under the spacer, mass", by_area(s, sheet.kg_per_m2, area))
        count = 4 * int(n.value)
        note = say(desk.mark, "half of them {}, half {}: as thick as the piece", across, upright)
        part = Part(
            role, "packer", f"strips under the spacer: {sheet.name}", HATCH[sheet.kind], count, across, wide, one,
            mass=mass, key=f"{role}.across", to_cut=True, note=note.pick(desk.mark.system),
            price=area.value / 1e6 * sheet.price_per_m2 / count,
        )  # fmt: skip
        parts.append(part)
        back = min(z + one.value * n.value, ends)
        bodies += strips_round(
            (size[0].value, size[1].value), wide.value, across.value, upright.value, (z, back),
            HATCH[sheet.kind], part.name, (role, role), role,
        )  # fmt: skip
        z = back
    return parts, bodies


def _needed(desk: Desk, size: tuple[Quantity, Quantity], ring: Slab, piece: Slab) -> Piled:
    """The boards whose pile comes nearest to the piece's thickness; none where no strips are needed."""
    if ring.ring_mm <= 0 or ring.role == "mat" or piece.wrapped or piece.size is None:
        return []
    thick = piece.thick.value
    reaches = any(q.value > full.value - 2 * ring.ring_mm for q, full in zip(piece.size, size, strict=True))
    if reaches or thick <= LYING_MM:
        return []
    boards = [x for x in desk.stock.sheets_of("mat", *FILLING) if x.safe]
    if not boards and desk.known(SHEETS, ROLE, None) is None:
        return []

    def rank(p: Pile) -> tuple[float, ...]:
        over = p.high_mm - thick
        fits = -LYING_MM <= over <= GIVES_MM
        return (0.0 if fits else 1.0, len(p.many), abs(over))

    found = piled(desk, ROLE, boards, thick, "nearest", rank)
    over = sum(sheet.thick_mm * n for _, sheet, n in found) - thick
    return found if -LYING_MM <= over <= GIVES_MM else []


def _count(sheet: SheetStock, thick_mm: float) -> int:
    return max(1, round(thick_mm / sheet.thick_mm))
