"""Floater: the canvas stands inside an L-shaped frame with an even gap, screwed from behind through the ledge."""

from collections.abc import Sequence

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.displays.base import FrameForm
from shadbo.core.displays.floating.floated import (
    canvas_of,
    face_of,
    float_canvas,
    gap_of,
    is_canvas,
)
from shadbo.core.displays.floating.floater.options import HOME, LEVERS
from shadbo.core.displays.floating.floater.stock import body_in, held_against
from shadbo.core.displays.floating.rows import floater_questions
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Piece
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.kept import FLOATER_PROFILES, PADS
from shadbo.core.shop.materials import FloaterProfile, PadStock
from shadbo.core.sums.floater import pads_for

FALLBACK = FloaterProfile(
    id="plain-floater",
    name="floater, no stock listed",
    wall_mm=9,
    inside_depth_mm=46,
    ledge_mm=25,
    ledge_thick_mm=10,
)


class Floater(OnePiece):
    """The L-profile floater."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "ledge"
    name = "Floater"
    takes = "canvases on bars, or to be put on bars"

    def suits(self, piece: Piece) -> bool:
        """Canvases on bars."""
        return is_canvas(piece)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Moulding, gap, face position, pads and screws."""
        return floater_questions(desk, assembly)

    def build(self, desk: Desk) -> Assembly:
        """The profile sets the depth; pads set the face."""
        p, options = desk.practice, HOME.of(desk.job)
        canvas = canvas_of(desk)
        gap, face = gap_of(desk, options, canvas), face_of(desk, options)
        own = desk.own_frame.floater() if desk.own_frame is not None else None
        held = () if own is not None else held_against(desk, canvas, face, gap)
        best = held[0].profile if held else FALLBACK
        planned = best if isinstance(best, FloaterProfile) else FALLBACK
        profile = own or desk.take(FLOATER_PROFILES, "profile", LEVERS.profile, lambda: planned)
        source = profile.name + ("" if options.profile or own else ", the plan's choice")

        def pads_of(wanted: Quantity) -> Sequence[PadStock]:
            return desk.take(
                PADS,
                "pads",
                LEVERS.pads,
                lambda: pads_for(wanted.value, desk.stock.pads, p.pad_layers, p.face_off_mm),
            )

        body, _ = body_in(desk, profile, held, canvas, face, pads_of, source)
        return float_canvas(desk, options, canvas, gap, body)


DISPLAY = Floater()
