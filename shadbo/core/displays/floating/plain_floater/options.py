"""Choices of the floater from plain stock."""

from typing import Annotated, Literal

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.floating.options import FLOATING_LEVERS, FloatingOptions
from shadbo.core.shop.materials import PlainStock
from shadbo.core.shop.values import Length, within


class PlainFloaterOptions(FloatingOptions):
    """A floater from square-edged rails: support strips are glued inside, two top strips may be bevelled."""

    stock: PlainStock | None = None
    strip_width: Annotated[Length, within(5, 300)] | None = None
    bevelled: bool | None = None
    glued: Literal["before mitring", "after joining"] | None = None


HOME = Home("plain_floater", "plain floater", PlainFloaterOptions)
LEVERS = HOME.levers(*FLOATING_LEVERS, "strip_width", profile="stock")
