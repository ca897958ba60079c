"""Things that are not flat: garments, flags, badges, keepsakes; and the plates and photographs that go with them."""

from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from shadbo.core.shapes.perspective import is_view_of_a_rectangle
from shadbo.core.shop.values import Id, Length, Line, Reading, Value, within


def _seen_square(corners: tuple[tuple[float, float], ...]) -> tuple[tuple[float, float], ...]:
    if not is_view_of_a_rectangle(corners):
        raise ValueError("the four corners go round: top left, top right, bottom right, bottom left")
    return corners


Share = Annotated[float, Field(ge=0, le=1)]
Spot = tuple[Share, Share]
Corners = Annotated[tuple[Spot, ...], Field(min_length=4, max_length=4), AfterValidator(_seen_square)]
"""The corners of what is seen: top left, top right, bottom right, bottom left."""
PhotoId = Annotated[int, Field(ge=1)]
WHOLE: tuple[Spot, ...] = ((0, 0), (1, 0), (1, 1), (0, 1))


class Picture(Value):
    """The photograph that shows a piece from the front, and where its corners lie on it."""

    photo: PhotoId
    corners: Corners = WHOLE


class Trace(Value):
    """An outline picked on a photograph: all points are shares of its width and height, from the top left.

    ``corners`` are the piece's own: top left, top right, bottom right, bottom left.
    """

    photo: PhotoId
    corners: Corners
    points: Annotated[tuple[Spot, ...], Field(min_length=3, max_length=40)]


class Zone(Value):
    """Where no steam, pin or adhesive may go: a rectangle from its left and top edges, or traced."""

    id: Id
    what: Line = "autograph"
    left: Length = Length(mm=0)
    top: Length = Length(mm=0)
    width: Annotated[Length, within(1, 12_000)] = Length(mm=60)
    height: Annotated[Length, within(1, 12_000)] = Length(mm=30)
    trace: Trace | None = None


class Sized(Value):
    """A thing of one width and one height, as it is to be displayed."""

    width: Annotated[Reading, within(2, 12_000)] | None = None
    height: Annotated[Reading, within(2, 12_000)] | None = None


class Garment(Sized):
    """A shirt or jacket as displayed; ``thickness`` is read with the inner form in it."""

    kind: Literal["garment"] = "garment"
    body_width: Annotated[Reading, within(10, 4000)] | None = None
    thickness: Annotated[Reading, within(0.2, 300)] | None = None
    sleeves: Literal["none", "spread", "folded"] = "folded"


class Flag(Sized):
    """A flag, banner or quilt: the size that is seen, the cloth laid flat, one layer of it."""

    kind: Literal["flag"] = "flag"
    sort: Literal["flag", "banner", "quilt"] = "banner"
    flat_width: Annotated[Reading, within(10, 12_000)] | None = None
    flat_height: Annotated[Reading, within(10, 12_000)] | None = None
    cloth: Annotated[Reading, within(0.02, 150)] | None = None
    country: Line = ""


class Badge(Sized):
    """A badge, pin, medal or patch. ``pin_off``: how far the pin sits from the visible centre, and to which side."""

    kind: Literal["badge"] = "badge"
    sort: Literal["badge", "pin", "medal", "patch"] = "badge"
    shape: Literal["round", "rectangle"] = "round"
    relief: Annotated[Reading, within(0.1, 300)] | None = None
    back_relief: Annotated[Reading, within(0.1, 300)] | None = None
    pin_off: Annotated[Reading, within(0.1, 500)] | None = None
    pin_side: Literal["above", "below", "left", "right"] = "above"
    pin_width: Annotated[Reading, within(0.2, 150)] | None = None


class Keepsake(Sized):
    """A tool, figurine or model by its bounding box. ``centre_up``: centre of gravity above its lowest point."""

    kind: Literal["keepsake"] = "keepsake"
    depth: Annotated[Reading, within(0.2, 1500)] | None = None
    base_depth: Annotated[Reading, within(0.2, 1500)] | None = None
    centre_up: Annotated[Reading, within(0.2, 12_000)] | None = None
    stands: bool = False
    touch: Line = ""


class Plate(Sized):
    """A photograph, certificate, nameplate or letter that is shown with other pieces."""

    kind: Literal["plate"] = "plate"
    sort: Literal["photograph", "certificate", "nameplate", "letter"] = "photograph"
    thickness: Annotated[Reading, within(0.02, 150)] | None = None
    caption_of: Id | None = None
    lead_days: Annotated[int, Field(ge=0, le=365)] | None = None
