"""Choices of poster rails."""

from shadbo.core.decisions.levers import Home
from shadbo.core.shop.boards import PosterRail
from shadbo.core.shop.values import Value


class PosterRailOptions(Value):
    """Rails along the top, and the bottom where wanted."""

    rail: PosterRail | None = None
    bottom: bool | None = None


HOME = Home("poster_rails", "poster rails", PosterRailOptions)
LEVERS = HOME.levers("rail", "bottom")
