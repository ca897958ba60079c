"""Choices of the floater."""

from shadbo.core.decisions.levers import Home
from shadbo.core.displays.floating.options import FLOATING_LEVERS, FloatingOptions
from shadbo.core.shop.materials import FloaterProfile, PadStock


class FloaterOptions(FloatingOptions):
    """Choices for the floater: its moulding, and the pads that set the face."""

    profile: FloaterProfile | None = None
    pads: tuple[PadStock, ...] | None = None


HOME = Home("floater", "floater", FloaterOptions)
LEVERS = HOME.levers(*FLOATING_LEVERS, "profile", "pads")
