"""Floater: the canvas stands inside an L-shaped frame with an even gap, screwed from behind through the ledge."""

from shadbo.core.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask
from shadbo.core.displays.floated import Body, canvas_of, face_of, float_canvas, gap_of, is_canvas, reading_asks
from shadbo.core.displays.floater_questions import floater_questions
from shadbo.core.displays.floater_stock import held_against
from shadbo.core.findings import StationName
from shadbo.core.materials import FloaterProfile
from shadbo.core.pieces import Piece
from shadbo.core.questions import Question
from shadbo.core.sums.floater import face_position, pad_made, pads_for
from shadbo.core.units import MM

AT = "options/floater"
LEVERS = ("profile", "gap", "face", "face_by", "pads", "screw_mm", "screw_from_corner", "screws_apart")
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
    gathers = False

    def suits(self, piece: Piece) -> bool:
        """Canvases on bars."""
        return is_canvas(piece)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings without which there is no frame."""
        return reading_asks(desk)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Moulding, gap, face position, pads and screws."""
        return floater_questions(desk, assembly)

    def build(self, desk: Desk) -> Assembly:
        """The profile sets the depth; pads set the face."""
        s, p, options = desk.sheet, desk.practice, desk.job.options.floater
        canvas = canvas_of(desk)
        gap, face = gap_of(desk, options, canvas), face_of(desk, options)
        size = (canvas.width.value, canvas.height.value)
        held = held_against(desk.stock, canvas.depth.value, face.value, gap.value, size, p, desk.mark)
        best = held[0].profile if held else FALLBACK
        profile = options.profile or (best if isinstance(best, FloaterProfile) else FALLBACK)
        source = f"{profile.name}" + ("" if options.profile else ", the plan's choice")
        wall = s.choose("profile.wall", "wall of the profile", profile.wall_mm, MM, source)
        ledge = s.choose("profile.ledge", "ledge, from the wall", profile.ledge_mm, MM, source)
        ledge_thick = s.choose("profile.ledge_thick", "ledge, thickness", profile.ledge_thick_mm, MM, source)
        listed = s.choose("profile.inside_depth", "inside depth, as listed", profile.inside_depth_mm, MM, source)
        inside_depth = s.made("frame.inside_depth", "inside depth of the frame", listed)
        wanted = face_position(s, inside_depth, face, canvas.depth)
        pads = (
            options.pads
            if options.pads is not None
            else pads_for(wanted.value, desk.stock.pads, p.pad_layers, p.face_off_mm)
        )
        pad = pad_made(s, wanted, pads, 0.2)
        made = s.made("face.made", "face behind the frame's front edge", inside_depth - canvas.depth - pad)
        body = Body(profile, held, wall, ledge, ledge_thick, inside_depth, pad, pads, made)
        return float_canvas(desk, options, canvas, gap, body, {n: f"{AT}/{n}" for n in LEVERS})
