"""A frame that exists: bought, sent in with its piece, or joined already; described by what the tape says of it."""

from typing import Annotated, Literal, Self

from pydantic import model_validator

from shadbo.core.shop.boards import LEAST_WALL_MM, FrameProfile, SheetStock
from shadbo.core.shop.materials import FloaterProfile, HangerKind, Species
from shadbo.core.shop.values import Reading, Value, within

Span = Annotated[Reading, within(20, 12_000)]
Small = Annotated[Reading, within(0.5, 1000)]
Pane = Annotated[Reading, within(0.5, 20)]
FRONT_MM = 8.0
"""What a moulding has in front of its rabbet, where nobody has read its whole depth: common practice, no source."""
ID, NAME = "own-frame", "the frame that exists"
OWN_SPAN = {"width_mm": 12_000.0, "height_mm": 12_000.0}
"""A glass that came out of a frame is as large as that frame."""


class OwnFrame(Value):
    """Its section and its sizes, seen from behind where the package goes in; nothing of it is ordered.

    ``face`` is the moulding's width from the front, ``lip`` what stands over the package, ``rabbet`` how deep it is
    behind the lip, ``height`` the whole moulding from front to back, reckoned from the rabbet where it is not read.
    A floater has ``wall``, ``inside_depth`` down to its ledge, ``ledge`` and ``ledge_thick``. Widths and heights are
    the clear inside behind the lip (a floater: between its walls), read at both ends and the middle. ``glass`` is how
    thick its own glass is, where that goes in again. ``used`` is False while a frame is made after all: what
    was read stays.
    """

    used: bool = True
    face: Small | None = None
    lip: Small | None = None
    rabbet: Small | None = None
    height: Small | None = None
    wall: Small | None = None
    inside_depth: Small | None = None
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
    glass: Pane | None = None
    species: Species = "softwood"
    hanger: Literal["none", "on its rails", "on a part left out"] = "none"
    hanger_kind: Literal["wire", "straps", "plate"] = "straps"
    hanger_down: Annotated[Reading, within(2, 10_000)] | None = None

    @model_validator(mode="after")
    def _possible(self) -> Self:
        if self.face is not None and self.lip is not None and self.lip.mm >= self.face.mm - LEAST_WALL_MM:
            raise ValueError(f"a lip of {self.lip.typed} on a face of {self.face.typed} leaves no wall behind it")
        if self.rabbet is not None and self.height is not None and self.rabbet.mm >= self.height.mm:
            raise ValueError(f"a rabbet of {self.rabbet.typed} is as deep as the frame ({self.height.typed})")
        return self

    @property
    def hangs(self) -> HangerKind | None:
        """How it hangs by hangers of its own; None where they are lost, or there never were any."""
        return self.hanger_kind if self.hanger == "on its rails" else None

    def moulding(self) -> FrameProfile:
        """Its section as a rabbeted moulding; nothing of it has a price. Needs face, lip and rabbet."""
        return FrameProfile(
            id=ID,
            name=NAME,
            face_mm=_read(self.face),
            height_mm=self.height.mm if self.height is not None else _read(self.rabbet) + FRONT_MM,
            rabbet_mm=_read(self.rabbet),
            lip_mm=_read(self.lip),
            species=self.species,
        )

    def glazing(self) -> SheetStock | None:
        """Its own glass, where it goes in again: nothing of it is cut or paid; None where new glazing is taken."""
        if self.glass is None:
            return None
        return SheetStock(id=ID, name="its own glass", kind="glass", thick_mm=self.glass.mm, **OWN_SPAN)

    def floater(self) -> FloaterProfile:
        """Its section as a floater's. Needs its four readings."""
        return FloaterProfile(
            id=ID,
            name=NAME,
            wall_mm=_read(self.wall),
            inside_depth_mm=_read(self.inside_depth),
            ledge_mm=_read(self.ledge),
            ledge_thick_mm=_read(self.ledge_thick),
            species=self.species,
        )

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


def _read(reading: Reading | None) -> float:
    """A reading without which nothing is planned: it was asked for before."""
    assert reading is not None
    return reading.mm
