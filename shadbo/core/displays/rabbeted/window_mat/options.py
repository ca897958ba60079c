"""Choices of the window mat."""

from typing import Annotated, Literal

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.rabbeted.options import GLAZED_LEVERS, GlazedOptions
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.values import Length, within

Border = Annotated[Length, within(0, 2000)]


class MatOptions(GlazedOptions):
    """A window mat over flat paper, single or double."""

    mat: SheetStock | None = None
    inner_mat: SheetStock | None = None
    double: bool | None = None
    border: Border | None = None
    borders: Literal["equal", "weighted"] | None = None
    border_top: Border | None = None
    border_right: Border | None = None
    border_bottom: Border | None = None
    border_left: Border | None = None
    shows: Literal["image", "whole sheet", "no mat"] | None = None
    stands_off: bool | None = None
    overlap: Annotated[Length, within(0, 500)] | None = None
    margin: Annotated[Length, within(0, 1000)] | None = None
    reveal: Annotated[Length, within(0, 100)] | None = None


HOME = Home("window_mat", "window mat", MatOptions)
LEVERS = HOME.levers(
    *GLAZED_LEVERS,
    "border",
    "border_top",
    "border_right",
    "border_bottom",
    "border_left",
    "mat",
    "inner_mat",
    "overlap",
    "margin",
    "shows",
)
