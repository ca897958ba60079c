"""Choices of the jersey box."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.decisions.levers import Home
from shadbo.core.decisions.mount_id import MountsById
from shadbo.core.displays.gathered.options import Layout
from shadbo.core.displays.rabbeted.options import GLAZED_LEVERS, GlazedOptions
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.values import Id, Length, within

Seat = Literal["opening", "window", "window in a notch", "notch", "on the mat"]
Corner = Literal["bottom left", "bottom right", "top left", "top right"]


class JerseyOptions(GlazedOptions):
    """A garment behind one large stepped opening, with windows, notches and a plate."""

    mat: SheetStock | None = None
    inner_mat: SheetStock | None = None
    double: bool | None = None
    border: Annotated[Length, within(0, 2000)] | None = None
    margin: Annotated[Length, within(0, 1000)] | None = None
    reveal: Annotated[Length, within(0, 100)] | None = None
    overlap: Annotated[Length, within(0, 300)] | None = None
    strip: Annotated[Length, within(0, 500)] | None = None
    notch_room: Annotated[Length, within(0, 300)] | None = None
    windows: Literal["beside", "below"] | None = None
    seats: Annotated[dict[Id, Seat], Field(max_length=60)] = Field(default_factory=dict)
    corners: Annotated[dict[Id, Corner], Field(max_length=60)] = Field(default_factory=dict)
    layout: Layout = Layout()
    mounts: MountsById = Field(default_factory=dict)


HOME = Home("jersey_box", "jersey box", JerseyOptions)
LEVERS = HOME.levers(
    *GLAZED_LEVERS,
    "mat",
    "inner_mat",
    "border",
    "margin",
    "reveal",
    "overlap",
    "strip",
    "notch_room",
    "windows",
)
