"""Choices of every display. Each keeps its own, so switching back loses nothing."""

from shadbo.core.box_options import BoxOptions, JerseyOptions, LightOptions, PegOptions, SashOptions
from shadbo.core.flat_options import (
    BackedOptions,
    CanvasFrameOptions,
    FloaterOptions,
    MatOptions,
    NeedleworkOptions,
    PanesOptions,
    PlainFloaterOptions,
    PosterRailOptions,
    PuzzleOptions,
    ReadyMadeOptions,
)
from shadbo.core.values import Value


class Options(Value):
    """Options of every display that was tried; switching back loses nothing."""

    floater: FloaterOptions = FloaterOptions()
    canvas_frame: CanvasFrameOptions = CanvasFrameOptions()
    plain_floater: PlainFloaterOptions = PlainFloaterOptions()
    window_mat: MatOptions = MatOptions()
    shadow_box: BoxOptions = BoxOptions()
    jersey_box: JerseyOptions = JerseyOptions()
    light_box: LightOptions = LightOptions()
    ready_made: ReadyMadeOptions = ReadyMadeOptions()
    panes: PanesOptions = PanesOptions()
    sash: SashOptions = SashOptions()
    pegs: PegOptions = PegOptions()
    needlework: NeedleworkOptions = NeedleworkOptions()
    puzzle: PuzzleOptions = PuzzleOptions()
    backed: BackedOptions = BackedOptions()
    poster_rails: PosterRailOptions = PosterRailOptions()
