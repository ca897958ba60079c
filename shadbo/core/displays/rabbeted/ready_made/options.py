"""Choices of the adapted ready-made frame, and what the tape says of it."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.decisions.levers import Home
from shadbo.core.decisions.mount_id import MountId
from shadbo.core.shop.boards import SheetStock, SpacerStock
from shadbo.core.shop.values import Length, Reading, Value, within

Clear = Annotated[Reading, within(20, 10_000)]


class BoughtFrame(Value):
    """What the tape says of a frame that was bought ready made."""

    aperture_width: Clear | None = None
    aperture_height: Clear | None = None
    outside_width: Clear | None = None
    outside_height: Clear | None = None
    depth: Annotated[Reading, within(2, 1000)] | None = None
    lip: Annotated[Reading, within(0.5, 200)] | None = None
    glass: Annotated[Reading, within(0.5, 60)] | None = None
    package: Annotated[Reading, within(0.5, 1000)] | None = None
    price: Annotated[float, Field(ge=0, le=100_000)] | None = None
    hanger_on: Literal["top rail", "back panel", "stand"] = "back panel"


class ReadyMadeOptions(Value):
    """An existing deep frame, adapted: its glass used or left out, its inner board cut down, packers added."""

    frame: BoughtFrame = BoughtFrame()
    glass: Literal["used", "left out"] | None = None
    border: Annotated[Length, within(0, 2000)] | None = None
    board: SheetStock | None = None
    spacer: SpacerStock | None = None
    mount: MountId | None = None
    packers: bool | None = None


HOME = Home("ready_made", "ready-made box", ReadyMadeOptions)
LEVERS = HOME.levers("glass", "board", "spacer", "mount", "packers")
