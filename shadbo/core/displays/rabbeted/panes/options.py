"""Choices of the two-pane float."""

from typing import Annotated

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.rabbeted.options import FRAME_LEVERS, FrameOptions
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.values import Length, within


class PanesOptions(FrameOptions):
    """The piece between two panes with clear border all round."""

    pane: SheetStock | None = None
    border: Annotated[Length, within(0, 2000)] | None = None
    second_frame: bool | None = None
    opening_width: Annotated[Length, within(10, 10_000)] | None = None
    opening_height: Annotated[Length, within(10, 10_000)] | None = None


HOME = Home("panes", "two-pane float", PanesOptions)
LEVERS = HOME.levers(*FRAME_LEVERS, "pane", "border", "second_frame", "opening_width", "opening_height")
