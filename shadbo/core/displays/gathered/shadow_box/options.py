"""Choices of the shadow box."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.decisions.levers import Home
from shadbo.core.decisions.mount_id import MountsById
from shadbo.core.displays.gathered.options import Layout
from shadbo.core.displays.rabbeted.options import GLAZED_LEVERS, GlazedOptions
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.values import Length, within


class BoxOptions(GlazedOptions):
    """A shadow box: pieces on a board set back behind glazing."""

    margin: Annotated[Length, within(0, 1000)] | None = None
    lining: Literal["spacers", "lined walls"] | None = None
    liner: SheetStock | None = None
    layout: Layout = Layout()
    mounts: MountsById = Field(default_factory=dict)


HOME = Home("shadow_box", "shadow box", BoxOptions)
LEVERS = HOME.levers(
    *GLAZED_LEVERS,
    "margin",
    "lining",
    "liner",
    gap="layout/gap",
    layout_width="layout/width",
    layout_height="layout/height",
)
