"""Choices of the needlework frame."""

from typing import Annotated

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.rabbeted.options import GLAZED_LEVERS, GlazedOptions
from shadbo.core.shop.values import Length, within


class NeedleworkOptions(GlazedOptions):
    """Textile drawn over a board; ``border`` is what is to be seen round the design."""

    border: Annotated[Length, within(0, 2000)] | None = None


HOME = Home("needlework", "needlework frame", NeedleworkOptions)
LEVERS = HOME.levers(*GLAZED_LEVERS, "border")
