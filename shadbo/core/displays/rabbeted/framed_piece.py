"""A flat piece on its board behind glazing, with or without a border that is seen: puzzle, needlework, panel."""

from dataclasses import replace

from shadbo.core.build.assembly import Hatch, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.flat_front import place_in, placed_ring, seen
from shadbo.core.displays.rabbeted.frame import Frame, Size, allowance, frame_round, profile_for
from shadbo.core.displays.rabbeted.options import FrameOptions, GlazedOptions
from shadbo.core.displays.rabbeted.slabs import (
    Slab,
    air_needed,
    depth_needed,
    first_sheet,
    glazing_for,
    piece_slab,
    slab,
    spare_depth,
    together,
)
from shadbo.core.displays.rabbeted.spacers import spacer_slabs
from shadbo.core.displays.rabbeted.strainer import strainer_slab
from shadbo.core.pieces.facts import Told
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import FrameProfile, SheetKind, SheetStock
from shadbo.core.sums.flat import FlatSums
from shadbo.core.sums.square import Placement


def bordered(
    desk: Desk,
    of: tuple[Quantity, Quantity],
    options: FrameOptions,
    border: tuple[Quantity, Quantity],
    profile: FrameProfile,
    acrylic: bool,
) -> tuple[Quantity, Quantity]:
    """Package wanted so that the border is seen all round inside the lip."""
    s, out = desk.sheet, []
    for axis, size, by in (("width", of[0], border[0]), ("height", of[1], border[1])):
        target = size + 2 * by + s.number(2 * profile.lip_mm, MM)
        room = 0.0
        for _ in range(4):  # the allowance grows with the package, by two thousandths: this settles at once
            package = target - s.number(room, MM)
            room = allowance(desk.on_trial(), options.allowance, axis, package, acrylic)[0].value
        cover = s.choose(
            f"border.cover_{axis}",
            f"rim under the lip, {axis}",
            profile.lip_mm - room / 2,
            MM,
            "lip less half of the allowance",
        )
        out.append(s.let(f"package.wanted_{axis}", f"package, {axis} wanted", size + 2 * by + 2 * cover))
    return out[0], out[1]


def framed(
    desk: Desk,
    flat: FlatSums,
    options: FrameOptions,
    border: tuple[Quantity, Quantity],
    slabs: list[Slab],
    rough: Size,
    acrylic: bool,
) -> tuple[list[Slab], Frame]:
    """Frame round a package with a border that is seen: moulding first, since its lip says how much it covers."""
    slabs = [*slabs, *strainer_slab(desk, options)]
    depth = depth_needed(desk, slabs).value
    chosen = profile_for(desk, options, rough, depth, acrylic)
    bare = border[0].value <= 0 and border[1].value <= 0
    size = (flat.width, flat.height)
    wanted = size if bare else bordered(desk, size, options, border, chosen[0], acrylic)
    frame = frame_round(desk, options, wanted, depth, acrylic, chosen=chosen)
    spare_depth(desk, frame.rabbet_depth)
    return slabs, frame


def rough_size(desk: Desk, flat: FlatSums, border_mm: float) -> Size:
    """About the size of the package, before the moulding is known."""
    more = 2 * border_mm + 24 if border_mm > 0 else 0.0
    wide = desk.set_excess_mm("width", flat.width.value) + more
    high = desk.set_excess_mm("height", flat.height.value) + more
    return flat.width + desk.sheet.number(wide, MM), flat.height + desk.sheet.number(high, MM)


def in_mm(size: Size) -> tuple[float, float]:
    """A size as plain numbers, for choosing sheets."""
    return size[0].value, size[1].value


def layers_of(
    desk: Desk,
    options: GlazedOptions,
    told: Told,
    flat: FlatSums,
    size_mm: tuple[float, float],
    air_mm: float,
    behind: tuple[Slab, ...] = (),
    board_kinds: tuple[SheetKind, ...] = ("foam board", "mat"),
) -> tuple[list[Slab], SheetStock]:
    """Glazing, air, piece, what is behind it, board, backing; and the glazing that was taken."""
    kind = desk.piece.detail.kind
    least = desk.practice.air_loose_mm if told["loose_surface"] else air_mm
    glazing = glazing_for(desk, told, size_mm, least)
    needed = air_needed(desk, told, size_mm, glazing, air_mm, bool(options.contact))
    slabs = [slab(desk, "glazing", glazing.name, "glazing", glazing)]
    spacers = spacer_slabs(desk, needed.value)
    slabs += spacers
    if spacers:
        desk.sheet.let("air.made", "air in front of the piece", together(spacers))
    board = first_sheet(desk, "board", desk.levers.board, size_mm, *board_kinds)
    backing = first_sheet(
        desk, "backing", desk.levers.backing, size_mm, "backing", "foam board", "corrugated plastic"
    )
    size = (flat.width, flat.height)
    slabs.append(piece_slab(desk, kind, KINDS[kind].hatch, flat.thick, size, flat.mass))
    slabs += behind
    slabs.append(slab(desk, "board", board.name, "board", board))
    slabs.append(slab(desk, "backing", backing.name, "backing", backing))
    return slabs, glazing


def front_of(
    desk: Desk,
    flat: FlatSums,
    placed: Placement | None,
    field: Hatch,
    behind: str = "board",
    both_sides: bool = False,
) -> list[Part]:
    """What shows inside the lip, which lies ``behind``, and the piece placed in it as evenly as it goes.

    Where the piece itself lies behind, as cloth that is wrapped round its board, its design is marked on it.
    """
    hatch = KINDS[desk.piece.detail.kind].hatch
    ring = () if placed is None else placed_ring(flat, placed)
    picture = Pictured.of(desk.piece, ring or centred(flat.width.value, flat.height.value))
    design = ring if behind == "piece" else ()
    parts = [
        seen("field", field, behind, "package.width"),
        seen("piece", hatch, "piece", "piece.width", picture=picture, ring=design),
    ]
    return [replace(p, seen_from=("front", "back")) for p in parts] if both_sides else parts


def place_seen(desk: Desk, flat: FlatSums) -> Placement:
    """Placement of the piece in what the lip leaves open."""
    s = desk.sheet
    return place_in(desk, flat, s["frame.sight_width"], s["frame.sight_height"])
