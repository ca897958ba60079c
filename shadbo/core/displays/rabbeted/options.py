"""Choices that every rabbeted frame shares, and those of a package behind glazing."""

from typing import Annotated, Literal

from shadbo.core.decisions.mount_id import MountId
from shadbo.core.shop.boards import Moulding, SheetStock, SpacerStock
from shadbo.core.shop.values import Length, Value, within

Joint = Literal["glue", "biscuits", "splines", "corner plates"]


Outside = Annotated[Length, within(40, 6000)]


class FrameOptions(Value):
    """What every rabbeted frame asks. An outside that is given holds, and what is inside follows it."""

    profile: Moulding | None = None
    allowance: Annotated[Length, within(0, 60)] | None = None
    extension: Annotated[Length, within(0, 300)] | None = None
    strainer: bool | None = None
    back: Literal["sealed paper", "vented paper", "tape"] | None = None
    joint: Joint | None = None
    mount: MountId | None = None
    outside_width: Outside | None = None
    outside_height: Outside | None = None


class GlazedOptions(FrameOptions):
    """A package behind glazing."""

    glazing: SheetStock | None = None
    contact: bool | None = None
    spacer: SpacerStock | None = None
    spacer_held: Literal["by friction", "adhesive strip"] | None = None
    board: SheetStock | None = None
    backing: SheetStock | None = None


FRAME_LEVERS = (
    "profile",
    "allowance",
    "extension",
    "strainer",
    "back",
    "mount",
    "joint",
    "outside_width",
    "outside_height",
)
GLAZED_LEVERS = (*FRAME_LEVERS, "glazing", "contact", "spacer", "spacer_held", "board", "backing")
