"""Choices of the frameless backed piece."""

from typing import Annotated, Literal

from shadbo.core.decisions.levers import Home
from shadbo.core.decisions.mount_id import MountId
from shadbo.core.shop.boards import SheetStock, Tape
from shadbo.core.shop.values import Length, Value, within


class BackedOptions(Value):
    """Stiff backing glued on, hung with strips or set on a ledge."""

    backing: SheetStock | None = None
    inset: Annotated[Length, within(0, 600)] | None = None
    mount: MountId | None = None
    hung: Literal["strips", "ledge"] | None = None
    strip: Tape | None = None


HOME = Home("backed", "backed", BackedOptions)
LEVERS = HOME.levers("backing", "inset", "mount", "hung")
