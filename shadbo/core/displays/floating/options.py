"""Choices that every floater shares."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.displays.rabbeted.options import Joint
from shadbo.core.shop.values import Length, Value, within

Face = Literal["recessed", "flush", "proud"]


class FloatingOptions(Value):
    """Gap, face position and screws. ``face_by`` is how far recessed or proud; holes count from the corner."""

    gap: Annotated[Length, within(0, 300)] | None = None
    face: Face | None = None
    face_by: Annotated[Length, within(0, 200)] | None = None
    screw_mm: Annotated[float, Field(gt=0, le=200)] | None = None
    screw_from_corner: Annotated[Length, within(5, 5000)] | None = None
    screws_apart: Annotated[Length, within(20, 3000)] | None = None
    joint: Joint | None = None


FLOATING_LEVERS = ("gap", "face", "face_by", "screw_mm", "screw_from_corner", "screws_apart", "joint")
