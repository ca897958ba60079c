"""Sheet goods, frame mouldings, clips, tapes, spacers and poster rails, as values that a job copies."""

from typing import Annotated, Literal

from pydantic import Discriminator, Field, Tag, model_validator

from shadbo.core.shop.materials import Price, Species
from shadbo.core.shop.values import Colour, Id, Line, Positive, Value

SheetKind = Literal["glass", "acrylic", "mat", "foam board", "backing", "hardboard", "mdf", "corrugated plastic"]
KG_PER_M2_MM: dict[SheetKind, float] = {
    "glass": 2.5,
    "acrylic": 1.19,
    "mat": 0.95 / 1.4,
    "foam board": 0.075,
    "backing": 0.6,
    "hardboard": 0.9,
    "mdf": 0.75,
    "corrugated plastic": 0.175,
}
"""Mass by area and millimetre: glass EN 572-1, acrylic ISO 7823-1, the others common practice, no source."""
FACINGS_KG_PER_M2: dict[SheetKind, float] = {"foam board": 0.225}
"""What the facings of a sheet weigh, whatever is between: 3 mm 0.45, 5 mm 0.60; common practice, no source."""
PINS_NEED_MM = 5.0
"""Foam board in which slanted pins hold: common practice, no source."""
ACID_FREE: dict[SheetKind, bool] = {"glass": True, "acrylic": True, "hardboard": False, "mdf": False}
"""Kinds of which it is known: wood fibre boards are not; of mats, foam and card each sheet says it by itself."""
BRITTLE: tuple[SheetKind, ...] = ("glass", "acrylic")


class SheetStock(Value):
    """A sheet as it is bought: glazing, mat board, mount board, backing.

    ``lead_days``: it is ordered cut to size, and comes after so many working days; None where it is cut here.
    """

    id: Id
    name: Line
    kind: SheetKind
    thick_mm: Positive
    width_mm: Positive = 813
    height_mm: Positive = 1016
    price_per_m2: Price = 0
    coated: bool = False
    acid_free: bool | None = None
    colour: Colour | None = None
    lead_days: Annotated[int, Field(ge=0, le=365)] | None = None

    @property
    def safe(self) -> bool | None:
        """Whether it is acid-free: as it was said of this sheet, else as its kind is; None where nobody knows."""
        return ACID_FREE.get(self.kind) if self.acid_free is None else self.acid_free

    @property
    def kg_per_m2(self) -> float:
        """Mass by area."""
        return self.stacked_kg_per_m2(1)

    def stacked_kg_per_m2(self, count: int) -> float:
        """Mass by area of that many boards that are as thick as this one together, each with its facings."""
        return count * FACINGS_KG_PER_M2.get(self.kind, 0.0) + KG_PER_M2_MM[self.kind] * self.thick_mm

    @property
    def glazing(self) -> bool:
        """Whether one sees through it."""
        return self.kind in BRITTLE

    def holds(self, width_mm: float, height_mm: float) -> bool:
        """Whether one sheet is large enough, either way round."""
        short, long = sorted((width_mm, height_mm))
        small, large = sorted((self.width_mm, self.height_mm))
        return short <= small + 1e-6 and long <= large + 1e-6


LEAST_WALL_MM = 3.0
"""What of a moulding's face stays beside its rabbet at the least."""


class FrameProfile(Value):
    """A rabbeted moulding: face width, total height, rabbet depth from behind, lip over the package."""

    id: Id
    name: Line
    face_mm: Positive
    height_mm: Positive
    rabbet_mm: Positive
    lip_mm: Positive
    species: Species = "softwood"
    stick_mm: Positive = 2900
    price_per_m: Price = 0
    colour: Colour | None = None

    @model_validator(mode="after")
    def _lip_inside_face(self) -> "FrameProfile":
        if self.lip_mm >= self.face_mm - LEAST_WALL_MM:
            raise ValueError(
                f"a lip of {self.lip_mm:g} mm on a face of {self.face_mm:g} mm leaves no wall behind it; "
                f"it can be at most {self.face_mm - LEAST_WALL_MM:g} mm"
            )
        if self.rabbet_mm >= self.height_mm:
            raise ValueError(
                f"a rabbet of {self.rabbet_mm:g} mm is as deep as the moulding is high ({self.height_mm:g} mm)"
            )
        return self

    @property
    def front_mm(self) -> float:
        """Thickness of the lip: where the package starts, behind the frame's front edge."""
        return self.height_mm - self.rabbet_mm

    @property
    def back_wall_mm(self) -> float:
        """Width of the wall beside the rabbet."""
        return self.face_mm - self.lip_mm


class MilledProfile(FrameProfile):
    """A moulding that is still to be made: square-edged stock with a rabbet milled into it."""

    milled: Literal[True]


TAGS = ("moulding to mill", "moulding of the rack")
"""What tells the two apart where a job has the one or the other."""


def _made(value: object) -> str:
    milled = value.get("milled") if isinstance(value, dict) else isinstance(value, MilledProfile)
    return TAGS[0] if milled else TAGS[1]


Moulding = Annotated[
    Annotated[MilledProfile, Tag(TAGS[0])] | Annotated[FrameProfile, Tag(TAGS[1])], Discriminator(_made)
]
"""A rabbeted moulding as a job has it."""


class Clip(Value):
    """An offset clip; ``offset_mm`` is the step that it bridges."""

    id: Id
    name: Line
    offset_mm: Annotated[float, Field(ge=0, le=60)]
    rating_kg: Annotated[float, Field(gt=0, le=100)]
    screw_mm: Positive = 12
    price: Price = 0


TapeKind = Literal[
    "linen hinge",
    "double-sided",
    "puzzle tape",
    "wall strip",
    "corner",
    "barb",
    "thread",
    "spray",
    "pin",
    "clasp",
    "tie",
    "bracket",
    "textile tape",
]


class Tape(Value):
    """A thing that holds by sticking or by many small ties: rated and priced a piece, or by its run.

    By the run: ``rating_kg`` is what 100 mm of it carry, ``price`` what a metre costs.
    """

    id: Id
    name: Line
    kind: TapeKind
    rating_kg: Annotated[float, Field(gt=0, le=200)]
    by_length: bool = False
    width_mm: Positive = 25
    price: Price = 0


class SpacerStock(Value):
    """Strip that keeps glazing off: ``height_mm`` is the air it makes, ``thick_mm`` is seen from the front."""

    id: Id
    name: Line
    height_mm: Positive
    thick_mm: Positive
    price_per_m: Price = 0


class PosterRail(Value):
    """A rail along a poster's edge. ``hides_mm`` of the sheet's height goes into it."""

    id: Id
    name: Line
    holds_by: Literal["clamp", "magnet"]
    length_mm: Positive
    height_mm: Positive
    depth_mm: Positive
    hides_mm: Positive
    mass_kg: Annotated[float, Field(gt=0, le=20)]
    rating_kg: Annotated[float, Field(gt=0, le=50)]
    price: Price = 0


class LampStrip(Value):
    """A strip of lamps: how far apart they stand, what a metre draws, what it can be cut to."""

    id: Id
    name: Line
    pitch_mm: Positive
    w_per_m: Annotated[float, Field(gt=0, le=100)]
    cut_mm: Positive = 50
    volts: Annotated[float, Field(gt=0, le=60)] = 12
    price_per_m: Price = 0


class Supply(Value):
    """A listed low-voltage supply that stands outside the box."""

    id: Id
    name: Line
    watts: Annotated[float, Field(gt=0, le=1000)]
    volts: Annotated[float, Field(gt=0, le=60)] = 12
    plug_mm: Positive = 8
    price: Price = 0


class CornerPiece(Value):
    """What a corner takes besides glue, bought by the piece; slips for splines are sawn from offcuts."""

    id: Id
    name: Line
    kind: Literal["biscuit no. 0", "biscuit no. 10", "biscuit no. 20", "corner plate"]
    price: Price = 0


class Dowel(Value):
    """A round peg, by its diameter."""

    id: Id
    name: Line
    diameter_mm: Positive
    length_mm: Positive = 1000
    price_per_m: Price = 0
