"""A frame that exists: bought, sent in with its piece, or joined already; described by what the tape says of it."""

from typing import Annotated, Literal, Self

from pydantic import model_validator

from shadbo.core.shop.materials import Species
from shadbo.core.shop.values import Reading, Value, within

Span = Annotated[Reading, within(20, 12_000)]
Small = Annotated[Reading, within(0.5, 1000)]
NAME = "the frame that exists"


class OwnFrame(Value):
    """Its section and its sizes, seen from behind where the package goes in; nothing of it is ordered.

    ``face`` is the moulding's width from the front, ``lip`` what stands over the package, ``rabbet`` how deep it is
    behind the lip, ``height`` the whole moulding from front to back. Of a floater ``face`` is the wall, ``rabbet``
    the inside depth down to its ledge, ``ledge`` and ``ledge_thick`` the ledge itself. Widths and heights are the
    clear inside behind the lip (a floater: between its walls), read at both ends and the middle.
    """

    face: Small | None = None
    lip: Small | None = None
    rabbet: Small | None = None
    height: Small | None = None
    ledge: Small | None = None
    ledge_thick: Small | None = None
    width_top: Span | None = None
    width_middle: Span | None = None
    width_bottom: Span | None = None
    height_left: Span | None = None
    height_middle: Span | None = None
    height_right: Span | None = None
    outside_width: Span | None = None
    outside_height: Span | None = None
    species: Species = "softwood"
    hanger: Literal["none", "on its rails", "on a part left out"] = "none"
    hanger_kind: Literal["wire", "straps", "plate"] = "straps"
    hanger_down: Annotated[Reading, within(2, 10_000)] | None = None

    @model_validator(mode="after")
    def _possible(self) -> Self:
        if self.face is not None and self.lip is not None and self.lip.mm >= self.face.mm - 1:
            raise ValueError(f"a lip of {self.lip.typed} on a face of {self.face.typed} leaves no wall behind it")
        if self.rabbet is not None and self.height is not None and self.rabbet.mm >= self.height.mm:
            raise ValueError(f"a rabbet of {self.rabbet.typed} is as deep as the frame ({self.height.typed})")
        return self

    def pins(self) -> dict[str, Reading]:
        """Its sizes as what was made, by the key of their line."""
        places = {
            "frame.inside_width.top": self.width_top,
            "frame.inside_width.middle": self.width_middle,
            "frame.inside_width.bottom": self.width_bottom,
            "frame.inside_height.left": self.height_left,
            "frame.inside_height.middle": self.height_middle,
            "frame.inside_height.right": self.height_right,
            "frame.outside_width": self.outside_width,
            "frame.outside_height": self.outside_height,
        }
        return {key: reading for key, reading in places.items() if reading is not None}
