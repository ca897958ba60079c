"""Choices of the open frame with pegs."""

from typing import Annotated, Literal

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.rabbeted.options import Joint
from shadbo.core.shop.boards import Dowel
from shadbo.core.shop.materials import PlainStock
from shadbo.core.shop.values import Length, Reading, Value, within

Bore = Annotated[Reading, within(0.5, 60)]


class PegOptions(Value):
    """An open frame: the object hangs in the opening on dowels from the rails."""

    stock: PlainStock | None = None
    gap: Annotated[Length, within(0, 1000)] | None = None
    dowel: Dowel | None = None
    pegs: Literal[2, 3, 4] | None = None
    drill: Bore | None = None
    peg_read: Bore | None = None
    joint: Joint | None = None


HOME = Home("pegs", "open frame", PegOptions)
LEVERS = HOME.levers("gap", "dowel", "pegs", "joint", "drill", "peg_read", profile="stock")
