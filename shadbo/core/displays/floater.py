"""Floater: the canvas stands inside an L-shaped frame with an even gap, screwed from behind through the ledge."""

from shadbo.core.assembly import Assembly, BackRail, Join, Part
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask
from shadbo.core.displays.floater_parts import pad_strips, rails
from shadbo.core.displays.floater_questions import floater_questions
from shadbo.core.displays.floater_screws import place_screws, screw_length
from shadbo.core.displays.floater_stock import held_against
from shadbo.core.displays.floater_views import FloaterSums, callouts, dimensions, faces, layers, sections
from shadbo.core.findings import StationName
from shadbo.core.hanging import hanger_down
from shadbo.core.job import FloaterOptions
from shadbo.core.materials import FloaterProfile
from shadbo.core.pieces import Piece
from shadbo.core.quantity import Quantity
from shadbo.core.questions import Question
from shadbo.core.sums.canvas import NEEDED, READINGS, CanvasSums, canvas_sums
from shadbo.core.sums.floater import face_position, pad_made, pads_for, screw_line
from shadbo.core.sums.square import Opening, place
from shadbo.core.sums.weight import solid
from shadbo.core.units import MM

AT = "options/floater"
FALLBACK = FloaterProfile(
    id="plain-floater",
    name="floater, no stock listed",
    wall_mm=9,
    inside_depth_mm=46,
    ledge_mm=25,
    ledge_thick_mm=10,
)


class Floater:
    """The L-profile floater."""

    kind = "floater"
    name = "Floater"

    def suits(self, piece: Piece) -> bool:
        """Stretched canvases, and nothing else yet."""
        return piece.detail.kind == "stretched canvas"

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings without which there is no frame."""
        at = f"pieces/{desk.piece.id}/detail"
        missing = (name for name in NEEDED if getattr(desk.piece.detail, name) is None)
        return [Ask(f"{at}/{name}", READINGS[name]) for name in missing]

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Moulding, gap, face position, pads and screws."""
        return floater_questions(desk, assembly)

    def build(self, desk: Desk) -> Assembly:
        """Sizes, then depth, then screws; the order of the sums is the order of the bench."""
        s, options = desk.sheet, desk.job.options.floater
        canvas = canvas_sums(desk, desk.piece.detail, desk.piece.weight_kg)
        gap = _gap(desk, options, canvas)
        face = _face(desk, options)
        held = held_against(
            desk.stock,
            canvas.depth.value,
            face.value,
            gap.value,
            (canvas.width.value, canvas.height.value),
            desk.practice,
        )
        profile = options.profile or (held[0].profile if held else FALLBACK)
        source = f"{profile.name}" + ("" if options.profile else ", the plan's choice")
        wall = s.choose("profile.wall", "wall of the profile", profile.wall_mm, MM, source)
        ledge = s.choose("profile.ledge", "ledge, from the wall", profile.ledge_mm, MM, source)
        ledge_thick = s.choose("profile.ledge_thick", "ledge, thickness", profile.ledge_thick_mm, MM, source)
        listed = s.choose("profile.inside_depth", "inside depth, as listed", profile.inside_depth_mm, MM, source)
        inside_depth = s.made("frame.inside_depth", "inside depth of the frame", listed)

        width, outside_w = _frame_axis(desk, "width", canvas.width, gap, wall)
        height, outside_h = _frame_axis(desk, "height", canvas.height, gap, wall)
        opening = Opening(*width, *height)
        placed = place(s, canvas.shape, opening)
        least = s.let("gap.least", "least gap", s.pick("smallest", *placed.all()), way="down")
        most = s.let("gap.most", "widest gap", s.pick("largest", *placed.all()), way="down")
        for axis, sides in (("width", ("left", "right")), ("height", ("top", "bottom"))):
            for side in sides:
                ends = [q for word, q in placed.gaps[side].items() if word != "middle"]
                s.let(f"shim.{side}", f"shim, {side} side", (ends[0] + ends[1]) / 2, f"gap along the {axis}")

        wanted = face_position(s, inside_depth, face, canvas.depth)
        pads = (
            options.pads
            if options.pads is not None
            else pads_for(wanted.value, desk.stock.pads, desk.practice.pad_layers, desk.practice.face_off_mm)
        )
        pad = pad_made(s, wanted, pads, 0.2)
        face_made = s.made("face.made", "face behind the frame's front edge", inside_depth - canvas.depth - pad)
        s.let("gap.spread", "widest less least gap", most - least)

        mean_gap = s.let(
            "gap.mean",
            "gap over the screw line",
            (placed.gaps["left"]["middle"] + placed.gaps["right"]["middle"]) / 2,
        )
        line = screw_line(s, wall, ledge, mean_gap, canvas.bar_face, 1.0)
        s.let(
            "ledge.spare",
            "ledge beyond gap and grip",
            ledge - gap - s.number(desk.practice.ledge_beyond_gap_mm, MM),
        )
        length, in_bar, _ = screw_length(desk, options.screw_mm, ledge_thick, pad, canvas.depth)
        down = hanger_down(desk, outside_h)
        fixings, outs = place_screws(
            desk,
            desk.piece.detail,
            options,
            outside_w,
            outside_h,
            wall.value + mean_gap.value,
            line.line,
            down.value,
        )
        sums = FloaterSums(
            desk,
            canvas,
            opening,
            placed,
            outside_w,
            outside_h,
            wall,
            ledge,
            ledge_thick,
            inside_depth,
            gap,
            pad,
            pads,
            face_made,
            line.line,
            length,
            in_bar,
            fixings,
        )
        rail_section, bar_section, pad_section, screw_section = sections(sums)
        rail_faces, canvas_face, bar_faces, brace_faces = faces(sums)
        around = s.let("rail.total", "rails, all four, long point", 2 * s["rail.width"] + 2 * s["rail.height"])
        area = wall * (inside_depth + ledge_thick) + ledge * ledge_thick
        frame_mass = s.let(
            "frame.mass",
            "frame, estimated",
            solid(s, profile.species, area, around - 4 * wall),
            "section area and length",
        )
        screw = next((x for x in desk.stock.screws if abs(x.length_mm - length.value) < 0.01), None)
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
                face=(canvas_face,),
                seen_from=("front",),
                key="canvas.width",
            ),
            Part(
                "bar",
                "bar",
                "stretcher bar",
                "stretcher",
                section=bar_section,
                face=bar_faces,
                seen_from=("back",),
                key="canvas.depth",
            ),
            Part("brace", "brace", "brace", "stretcher", face=brace_faces, seen_from=("back",), key="canvas.mass"),
            *rails(sums, profile, rail_section, rail_faces, frame_mass),
            *pad_strips(sums, pad_section),
        ]
        join = Join(
            "screws",
            "screws through the ledge",
            screw.name if screw else f"wood screw {length.value:g}",
            ("rail", "bar"),
            fixings,
            length,
            screw.diameter_mm if screw else 4.0,
            line.line,
            screw_section,
            (
                "drill the ledge through and countersink it",
                "pilot the bar 0.7 × the screw's diameter, never through",
            ),
            "screw.length",
        )
        return Assembly(
            outside_w,
            outside_h,
            s.let("frame.depth", "depth of the frame", inside_depth + ledge_thick),
            (opening.middle_width, opening.middle_height),
            BackRail(profile.species, wall, inside_depth + ledge_thick, ledge, ledge_thick),
            False,
            tuple(parts),
            (join,),
            layers(sums),
            dimensions(sums),
            callouts(sums),
            "right rail, cut through",
            _levers(),
            profile,
            held,
            outs,
        )


def _gap(desk: Desk, options: FloaterOptions, canvas: CanvasSums) -> Quantity:
    s = desk.sheet
    if options.gap is not None:
        return desk.choose("gap.wanted", "gap, wanted", options.gap, 0, "")
    rows = [(step.up_to_mm, step.mm) for step in desk.practice.floater_gaps]
    longer = s.pick("largest", canvas.width, canvas.height)
    return s.let("gap.wanted", "gap, wanted", s.step(longer, rows, MM), "by the longer side")


def _face(desk: Desk, options: FloaterOptions) -> Quantity:
    """Recessed counts behind the front edge (+), proud in front of it (−)."""
    s, p = desk.sheet, desk.practice
    school = options.face or "recessed"
    source = "decided for this job" if options.face_by and school != "flush" else "practice of the shop"
    by = options.face_by.mm if options.face_by else p.recess_mm if school == "recessed" else p.proud_mm
    value = {"recessed": by, "flush": 0.0, "proud": -by}[school]
    return s.choose("face.wanted", f"face, wanted {school}", value, MM, source)


def _frame_axis(
    desk: Desk, axis: str, size: Quantity, gap: Quantity, wall: Quantity
) -> tuple[tuple[Quantity, Quantity, Quantity], Quantity]:
    """Wanted inside, the rail to cut, the inside that comes of it at both ends and the middle, the outside."""
    s, p = desk.sheet, desk.practice
    wanted = s.let(f"inside.{axis}", f"inside {axis}, wanted", size + 2 * gap, way="up")
    rail = s.cut(f"rail.{axis}", f"rail, outside {axis}, long point", wanted + 2 * wall, "up", p.cut_tolerance_mm)
    middle_word, ends = "middle", ("top", "bottom") if axis == "width" else ("left", "right")
    middle = s.made(
        f"frame.inside_{axis}.middle", f"inside {axis}, {middle_word}", rail - 2 * wall, p.joint_tolerance_mm
    )
    first, last = (s.made(f"frame.inside_{axis}.{e}", f"inside {axis}, {e}", middle) for e in ends)
    outside = s.made(f"frame.outside_{axis}", f"outside {axis}", middle + 2 * wall, way="up")
    return (first, middle, last), outside


def _levers() -> dict[str, str]:
    names = ("profile", "gap", "face", "face_by", "pads", "screw_mm", "screw_from_corner", "screws_apart")
    return {name: f"{AT}/{name}" for name in names}
