"""How several pieces stand in one frame."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.shop.values import Id, Length, Value, within

Rule = Literal["row", "column", "grid", "symmetric", "around"]


class Place(Value):
    """Where a piece was put by hand: its outline from the left and the top edge of what is seen."""

    id: Id
    left: Length
    top: Length


class Layout(Value):
    """How several pieces stand in one frame. ``width`` and ``height`` are of the field that is seen."""

    rule: Rule | None = None
    columns: Annotated[int, Field(ge=1, le=60)] | None = None
    gap: Annotated[Length, within(0, 1000)] | None = None
    centre: Literal["geometric", "optical"] | None = None
    captions: bool | None = None
    width: Annotated[Length, within(5, 12_000)] | None = None
    height: Annotated[Length, within(5, 12_000)] | None = None
    places: Annotated[tuple[Place, ...], Field(max_length=60)] = ()
