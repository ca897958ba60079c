"""What every floater shares: an even gap, the best placement, screws from behind, and the views of it all."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Assembly, Join, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.build.setting import BackRail, Margins, Room, Suitability
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.floating.answers import answers
from shadbo.core.displays.floating.bodies import floater_bodies, floater_rails
from shadbo.core.displays.floating.options import FloatingOptions
from shadbo.core.displays.floating.parts import pad_strips, pad_width, rails, strip_lengths
from shadbo.core.displays.floating.screws import place_screws, screw_length
from shadbo.core.displays.floating.stretched import braces, stretching_parts
from shadbo.core.displays.floating.views import FloaterSums, callouts, dimensions, layers, outline_of
from shadbo.core.displays.rabbeted.joints import PlateSeat, joint_lines
from shadbo.core.hang.hanging import hanger_down
from shadbo.core.pieces.pieces import LooseCanvas, Piece, StretchedCanvas
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import SCREWS, role
from shadbo.core.shop.materials import FloaterProfile, PadStock, PlainStock
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.canvas import CanvasSums, canvas_sums
from shadbo.core.sums.fit import made_inside
from shadbo.core.sums.floater import ledge_spare, screw_line
from shadbo.core.sums.order import rail_order
from shadbo.core.sums.square import Opening, place
from shadbo.core.sums.weight import of_bodies


@dataclass(frozen=True, slots=True)
class Body:
    """The frame's edge as its display makes it: wall, ledge, depth, and what the canvas lies on."""

    profile: FloaterProfile | PlainStock
    held: tuple[Suitability, ...]
    wall: Quantity
    ledge: Quantity
    ledge_thick: Quantity
    inside_depth: Quantity
    pad: Quantity
    pads: Sequence[PadStock]
    face: Quantity
    strips_mitred: bool = False
    bevel: Quantity | None = None


def is_canvas(piece: Piece) -> bool:
    """Canvases on their bars, or to be put on bars."""
    return isinstance(piece.detail, StretchedCanvas | LooseCanvas)


def canvas_of(desk: Desk) -> CanvasSums:
    """The canvas on the sheet; TypeError when the piece is none."""
    detail = desk.piece.detail
    if not isinstance(detail, StretchedCanvas | LooseCanvas):
        raise TypeError(f"a {detail.kind} is not a canvas")
    return canvas_sums(desk, detail, desk.piece.weight_kg)


def gap_of(desk: Desk, options: FloatingOptions, canvas: CanvasSums) -> Quantity:
    """The gap wanted: decided, or by the longer side."""
    s = desk.sheet
    if options.gap is not None:
        return desk.choose("gap.wanted", "gap, wanted", options.gap, 0, "")
    rows = [(step.up_to_mm, step.mm) for step in desk.practice.floater_gaps]
    longer = s.pick("largest", canvas.width, canvas.height)
    return s.let("gap.wanted", "gap, wanted", s.step(longer, rows, MM), "by the longer side")


def face_of(desk: Desk, options: FloatingOptions) -> Quantity:
    """Recessed counts behind the front edge (+), proud in front of it (−)."""
    s, p = desk.sheet, desk.practice
    school = options.face or "recessed"
    source = "decided for this job" if options.face_by and school != "flush" else "practice of the shop"
    by = options.face_by.mm if options.face_by else p.recess_mm if school == "recessed" else p.proud_mm
    value = {"recessed": by, "flush": 0.0, "proud": -by}[school]
    return s.choose("face.wanted", f"face, wanted {school}", value, MM, source)


def float_canvas(desk: Desk, options: FloatingOptions, canvas: CanvasSums, gap: Quantity, body: Body) -> Assembly:
    """Frame, placement, screws and views round a canvas; the order of the sums is the order of the bench."""
    s, wall, ledge = desk.sheet, body.wall, body.ledge
    width, outside_w = _frame_axis(desk, "width", canvas.width, gap, wall)
    height, outside_h = _frame_axis(desk, "height", canvas.height, gap, wall)
    opening = Opening(*width, *height)
    placed = place(s, canvas.shape, opening)
    least = s.let("gap.least", "least gap", s.pick("smallest", *placed.all()), way="down")
    most = s.let("gap.most", "widest gap", s.pick("largest", *placed.all()), way="down")
    for axis, sides in (("width", ("left", "right")), ("height", ("top", "bottom"))):
        for side in sides:
            narrow = s.pick("smallest", *placed.gaps[side].values())
            s.let(f"shim.{side}", f"shim, {side} side", narrow, f"least gap along the {axis}", "down")
    s.let("gap.spread", "widest less least gap", most - least)
    sides_gap = (placed.gaps["left"]["middle"] + placed.gaps["right"]["middle"]) / 2
    mean_gap = s.let("gap.mean", "gap over the screw line", sides_gap)
    bearing = ledge if body.bevel is None else ledge - body.bevel
    line = screw_line(s, wall, bearing, mean_gap, canvas.bar_face, 1.0)
    ledge_spare(s, bearing, gap, desk.practice.ledge_beyond_gap_mm)
    screw_sums = screw_length(desk, options.screw_mm, body.ledge_thick, body.pad, canvas.depth)
    length, in_bar = screw_sums.length, screw_sums.in_bar
    down = hanger_down(desk, outside_h)
    offset = wall.value + mean_gap.value
    fixings, outs = place_screws(desk, canvas, options, outside_w, outside_h, offset, line.line, down.value)
    strip = pad_width(desk, ledge, gap) if body.pads else None
    sums = FloaterSums(
        desk,
        canvas,
        opening,
        placed,
        outside_w,
        outside_h,
        wall,
        ledge,
        body.ledge_thick,
        body.inside_depth,
        gap,
        body.pad,
        body.pads,
        body.face,
        line.line,
        length,
        in_bar,
        fixings,
        isinstance(body.profile, PlainStock),
        strip,
        body.strips_mitred,
    )
    if desk.own_frame is None:
        plain = isinstance(body.profile, PlainStock)
        rail_order(s, s["rail.width"], s["rail.height"], wall, desk.practice.kerf_mm, turned=plain)
    if sums.square:
        strip_lengths(sums)
    rail_bodies = floater_rails(sums, f"rail, {body.profile.name}")
    wood = of_bodies(s, body.profile.species, rail_bodies)
    frame_mass = s.let("frame.mass", "frame, estimated", wood, "volume of its rails")
    screw = desk.take(SCREWS, role("screw", f"{length.value:g}"), None, lambda: desk.screw(length.value))
    parts = [
        Part(
            "canvas",
            "piece",
            "canvas",
            "cloth",
            1,
            canvas.width,
            canvas.height,
            canvas.depth,
            mass=canvas.mass,
            seen_from=("front",),
            key="canvas.width",
            picture=Pictured.of(desk.piece, outline_of(sums)),
        ),
        Part(
            "bar",
            "bar",
            "stretcher bar",
            "stretcher",
            seen_from=("back",),
            key="canvas.depth",
        ),
        *braces(len(canvas.braces)),
        *rails(sums, body.profile, frame_mass),
        *pad_strips(sums),
        *stretching_parts(desk),
    ]
    steps = (
        "drill the ledge through and countersink it",
        "pilot the bar, never through",
    )
    join = Join(
        "screws",
        "screws through the ledge",
        screw.name,
        ("rail", "bar"),
        fixings,
        length,
        screw.diameter_mm,
        line.line,
        steps,
        "screw.length",
        price=screw.price,
        pulls=True,
        wood="softwood",
    )
    depth = s.let("frame.depth", "depth of the frame", body.inside_depth + body.ledge_thick)
    long = max(outside_w.value, outside_h.value)
    behind = PlateSeat(wall + ledge, body.ledge_thick)
    joint = joint_lines(desk, options.joint, wall, s.number(0, MM), depth, long, canvas.mass.value, behind)
    bodies, ties = floater_bodies(sums, rail_bodies, screw.diameter_mm)
    return Assembly(
        outside_w,
        outside_h,
        depth,
        BackRail(body.profile.species, wall, depth, ledge, body.ledge_thick, sums.square),
        tuple(parts),
        (join,),
        layers(sums),
        dimensions(sums),
        callouts(sums),
        "right rail, cut through",
        Saw(wall.value + sums.side_gap.value + canvas.bar_face.value),
        answers(desk),
        Room(0, body.inside_depth.value, "frame.inside_depth", "inside depth"),
        Margins("gap", wall.value, "gap"),
        moulding=body.profile,
        mouldings=body.held,
        keep_outs=outs,
        least_gap_at=placed.least_at(),
        pads=tuple(body.pads),
        joint=joint,
        bodies=bodies,
        ties=ties,
        goes_in="set the canvas with its shims and fasten it",
        effort="screws out, and the canvas comes back as it was",
    )


def _frame_axis(
    desk: Desk, axis: str, size: Quantity, gap: Quantity, wall: Quantity
) -> tuple[tuple[Quantity, Quantity, Quantity], Quantity]:
    """Wanted inside, the rail to cut, the inside that comes of it at both ends and the middle, the outside."""
    s, p = desk.sheet, desk.practice
    governing = desk.largest_of_set(axis, size, size)
    wanted = s.let(f"inside.{axis}", f"inside {axis}, wanted", governing + 2 * gap, way="up")
    planned = wanted
    if desk.own_frame is None:
        rail = s.cut(f"rail.{axis}", f"rail, outside {axis}, long point", wanted + 2 * wall, "up", p.cut_tolerance_mm)
        planned = rail - 2 * wall
    first, middle, last = made_inside(s, axis, "inside", planned, p.joint_tolerance_mm)
    outside = s.made(f"frame.outside_{axis}", f"outside {axis}", middle + 2 * wall, way="up")
    return (first, middle, last), outside
