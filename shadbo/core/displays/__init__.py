"""The displays. Adding one is a file here and a line in this list."""

from shadbo.core.displays.backed import Backed
from shadbo.core.displays.base import Ask, Display
from shadbo.core.displays.canvas_frame import CanvasFrame
from shadbo.core.displays.floater import Floater
from shadbo.core.displays.jersey_box import JerseyBox
from shadbo.core.displays.light_box import LightBox
from shadbo.core.displays.needlework_frame import NeedleworkFrame
from shadbo.core.displays.open_frame import OpenFrame
from shadbo.core.displays.panes import TwoPanes
from shadbo.core.displays.plain_floater import PlainFloater
from shadbo.core.displays.poster_rails import PosterRails
from shadbo.core.displays.puzzle_frame import PuzzleFrame
from shadbo.core.displays.ready_made import ReadyMade
from shadbo.core.displays.sash import SashDisplay
from shadbo.core.displays.shadow_box import ShadowBox
from shadbo.core.displays.window_mat import WindowMat
from shadbo.core.job import Job

DISPLAYS: tuple[Display, ...] = (
    Floater(),
    PlainFloater(),
    CanvasFrame(),
    WindowMat(),
    PuzzleFrame(),
    NeedleworkFrame(),
    TwoPanes(),
    ReadyMade(),
    Backed(),
    PosterRails(),
    ShadowBox(),
    JerseyBox(),
    SashDisplay(),
    LightBox(),
    OpenFrame(),
)


def display_of(job: Job) -> Display:
    """The display that the job has chosen; the first that suits the piece when that one does not."""
    piece = job.pieces[0]
    chosen = next(d for d in DISPLAYS if d.kind == job.display)
    return chosen if chosen.suits(piece) else next(d for d in DISPLAYS if d.suits(piece))


__all__ = ["DISPLAYS", "Ask", "Display", "display_of"]
