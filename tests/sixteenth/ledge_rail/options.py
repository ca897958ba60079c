"""Choices of the grooved ledge rail."""

from typing import Annotated

from shadbo.core.decisions.levers import Home
from shadbo.core.shop.materials import PlainStock
from shadbo.core.shop.values import Length, Value, within


class LedgeRailOptions(Value):
    """Stock of the rail, and how far it reaches beyond the panel on each side."""

    stock: PlainStock | None = None
    margin: Annotated[Length, within(0, 500)] | None = None


HOME = Home("ledge_rail", "ledge rail", LedgeRailOptions)
LEVERS = HOME.levers("margin", profile="stock")
