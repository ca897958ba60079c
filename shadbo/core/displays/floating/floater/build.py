"""Floater: the canvas stands inside an L-shaped frame with an even gap, screwed from behind through the ledge."""

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask
from shadbo.core.displays.floating.floated import (
    Body,
    canvas_of,
    face_of,
    float_canvas,
    gap_of,
    is_canvas,
    reading_asks,
)
from shadbo.core.displays.floating.floater.options import HOME, LEVERS
from shadbo.core.displays.floating.floater.stock import held_against
from shadbo.core.displays.floating.rows import floater_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Piece
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import FLOATER_PROFILES, PADS
from shadbo.core.shop.materials import FloaterProfile
from shadbo.core.sums.floater import face_position, pad_made, pads_for

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

    home = HOME
    levers = LEVERS
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
        s, p, options = desk.sheet, desk.practice, HOME.of(desk.job)
        canvas = canvas_of(desk)
        gap, face = gap_of(desk, options, canvas), face_of(desk, options)
        size = (canvas.width.value, canvas.height.value)
        held = held_against(desk.stock, canvas.depth.value, face.value, gap.value, size, p, desk.mark)
        best = held[0].profile if held else FALLBACK
        planned = best if isinstance(best, FloaterProfile) else FALLBACK
        profile = desk.take(FLOATER_PROFILES, "profile", LEVERS.profile, lambda: planned)
        source = f"{profile.name}" + ("" if options.profile else ", the plan's choice")
        wall = s.choose("profile.wall", "wall of the profile", profile.wall_mm, MM, source)
        ledge = s.choose("profile.ledge", "ledge, from the wall", profile.ledge_mm, MM, source)
        ledge_thick = s.choose("profile.ledge_thick", "ledge, thickness", profile.ledge_thick_mm, MM, source)
        listed = s.choose("profile.inside_depth", "inside depth, as listed", profile.inside_depth_mm, MM, source)
        inside_depth = s.made("frame.inside_depth", "inside depth of the frame", listed)
        wanted = face_position(s, inside_depth, face, canvas.depth)
        pads = desk.take(
            PADS,
            "pads",
            LEVERS.pads,
            lambda: pads_for(wanted.value, desk.stock.pads, p.pad_layers, p.face_off_mm),
        )
        pad = pad_made(s, wanted, pads, 0.2)
        made = s.made("face.made", "face behind the frame's front edge", inside_depth - canvas.depth - pad)
        body = Body(profile, held, wall, ledge, ledge_thick, inside_depth, pad, pads, made)
        return float_canvas(desk, options, canvas, gap, body)


DISPLAY = Floater()
