"""Choices of the layered light box."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.decisions.levers import Home
from shadbo.core.decisions.mount_id import MountsById
from shadbo.core.displays.gathered.options import Layout
from shadbo.core.displays.rabbeted.options import FRAME_LEVERS, FrameOptions
from shadbo.core.shapes.artwork import Artwork
from shadbo.core.shop.boards import LampStrip, SheetStock, Supply
from shadbo.core.shop.materials import PlainStock
from shadbo.core.shop.values import Length, Line, within


class LightOptions(FrameOptions):
    """A layered box with lamps: each layer on its own step."""

    stock: PlainStock | None = None
    glazing: SheetStock | None = None
    middle: SheetStock | None = None
    backing: SheetStock | None = None
    margin: Annotated[Length, within(0, 1000)] | None = None
    letters: Annotated[Line, Field(max_length=24)] = ""
    letter_height: Annotated[Length, within(5, 2000)] | None = None
    artwork: Artwork | None = None
    artwork_width: Annotated[Length, within(5, 5000)] | None = None
    islands: Literal["bridges", "translucent sheet", "left as they are"] | None = None
    bridge: Annotated[Length, within(0.5, 100)] | None = None
    step: Annotated[Length, within(0.5, 100)] | None = None
    lamp: LampStrip | None = None
    rows_apart: Annotated[Length, within(5, 2000)] | None = None
    light_void: Annotated[Length, within(1, 1000)] | None = None
    supply: Supply | None = None
    cable: Literal["bottom", "left", "right", "top"] | None = None
    access: Literal["screwed back", "hinged back"] | None = None
    layout: Layout = Layout()
    mounts: MountsById = Field(default_factory=dict)


HOME = Home("light_box", "light box", LightOptions)
LEVERS = HOME.levers(
    *(name for name in FRAME_LEVERS if name not in ("profile", "strainer")),
    "margin",
    "islands",
    "bridge",
    "letter_height",
    "artwork_width",
    "artwork",
    "step",
    "light_void",
    "rows_apart",
    "supply",
    "lamp",
    "middle",
    "backing",
    "glazing",
    profile="stock",
    gap="layout/gap",
    layout_width="layout/width",
    layout_height="layout/height",
)
