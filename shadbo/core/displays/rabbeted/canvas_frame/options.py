"""Choices of a canvas in a rabbeted frame."""

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.rabbeted.options import FRAME_LEVERS, FrameOptions


class CanvasFrameOptions(FrameOptions):
    """A canvas in a rabbeted frame, without glazing."""


HOME = Home("canvas_frame", "canvas frame", CanvasFrameOptions)
LEVERS = HOME.levers(*FRAME_LEVERS)
