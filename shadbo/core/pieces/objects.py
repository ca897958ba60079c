"""Things that are not flat: garments, flags, badges, keepsakes; and the plates and photographs that go with them."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from shadbo.core.shop.values import Id, Length, Line, Reading, Value

Share = Annotated[float, Field(ge=0, le=1)]
Spot = tuple[Share, Share]


class Trace(Value):
    """An outline picked on a photograph: all points are shares of its width and height, from the top left.

    ``corners`` are the piece's own: top left, top right, bottom right, bottom left.
    """

    photo: Annotated[int, Field(ge=1)]
    corners: Annotated[tuple[Spot, ...], Field(min_length=4, max_length=4)]
    points: Annotated[tuple[Spot, ...], Field(min_length=3, max_length=40)]


class Zone(Value):
    """Where no steam, pin or adhesive may go: a rectangle from its left and top edges, or traced."""

    id: Id
    what: Line = "autograph"
    left: Length = Length(mm=0)
    top: Length = Length(mm=0)
    width: Length = Length(mm=60)
    height: Length = Length(mm=30)
    trace: Trace | None = None

    @model_validator(mode="after")
    def _has_area(self) -> "Zone":
        if self.trace is None and (self.width.mm <= 0 or self.height.mm <= 0):
            raise ValueError("a zone needs a width and a height above nothing")
        return self


class Sized(Value):
    """A thing of one width and one height, as it is to be displayed."""

    width: Reading | None = None
    height: Reading | None = None


class Garment(Sized):
    """A shirt or jacket as displayed; ``thickness`` is read with the inner form in it."""

    kind: Literal["garment"] = "garment"
    body_width: Reading | None = None
    thickness: Reading | None = None
    sleeves: Literal["none", "spread", "folded"] = "folded"


class Flag(Sized):
    """A flag, banner or quilt: the size that is seen, the cloth laid flat, one layer of it."""

    kind: Literal["flag"] = "flag"
    sort: Literal["flag", "banner", "quilt"] = "banner"
    flat_width: Reading | None = None
    flat_height: Reading | None = None
    cloth: Reading | None = None
    country: Line = ""


class Badge(Sized):
    """A badge, pin, medal or patch. ``pin_off``: how far the pin sits from the visible centre, and to which side."""

    kind: Literal["badge"] = "badge"
    sort: Literal["badge", "pin", "medal", "patch"] = "badge"
    shape: Literal["round", "rectangle"] = "round"
    relief: Reading | None = None
    back_relief: Reading | None = None
    pin_off: Reading | None = None
    pin_side: Literal["above", "below", "left", "right"] = "above"
    pin_width: Reading | None = None


class Keepsake(Sized):
    """A tool, figurine or model by its bounding box. ``centre_up``: centre of gravity above its lowest point."""

    kind: Literal["keepsake"] = "keepsake"
    depth: Reading | None = None
    base_depth: Reading | None = None
    centre_up: Reading | None = None
    stands: bool = False
    touch: Line = ""


class Plate(Sized):
    """A photograph, certificate, nameplate or letter that is shown with other pieces."""

    kind: Literal["plate"] = "plate"
    sort: Literal["photograph", "certificate", "nameplate", "letter"] = "photograph"
    thickness: Reading | None = None
    caption_of: Id | None = None
    lead_days: Annotated[int, Field(ge=0, le=365)] | None = None
