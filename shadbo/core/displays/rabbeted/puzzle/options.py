"""Choices of the puzzle frame."""

from typing import Annotated

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.rabbeted.options import GLAZED_LEVERS, GlazedOptions
from shadbo.core.shop.values import Length, within


class PuzzleOptions(GlazedOptions):
    """A puzzle on its board, with a visible margin or none."""

    margin: Annotated[Length, within(0, 1000)] | None = None


HOME = Home("puzzle", "puzzle frame", PuzzleOptions)
LEVERS = HOME.levers(*GLAZED_LEVERS, "margin")
