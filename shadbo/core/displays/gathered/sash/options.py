"""Choices of the sash display, and what the tape says of the sash."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.decisions.levers import Home
from shadbo.core.decisions.mount_id import MountId
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.values import Length, Reading, Value, within

Clear = Annotated[Reading, within(20, 10_000)]


class Sash(Value):
    """What the tape says of an old sash."""

    daylight_width: Clear | None = None
    daylight_height: Clear | None = None
    outside_width: Clear | None = None
    outside_height: Clear | None = None
    thickness: Annotated[Reading, within(5, 500)] | None = None
    rebate: Annotated[Reading, within(1, 500)] | None = None
    glass: Annotated[Reading, within(0.5, 60)] | None = None
    painted: Literal["old paint", "stripped or new"] = "old paint"


class SashOptions(Value):
    """An old window sash as frame: textile wrapped round a card core behind its glass."""

    sash: Sash = Sash()
    hidden: Annotated[Length, within(0, 400)] | None = None
    layers: Annotated[int, Field(ge=1, le=64)] | None = None
    core: SheetStock | None = None
    card: SheetStock | None = None
    card_over: Annotated[Length, within(0, 300)] | None = None
    screw_mm: Annotated[float, Field(gt=0, le=100)] | None = None
    mount: MountId | None = None


HOME = Home("sash", "sash", SashOptions)
LEVERS = HOME.levers("hidden", "core", "card", "card_over", "layers", "screw_mm")
