"""Materials of the workshop's stock, as values that a job copies when it uses them."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.shop.values import Colour, Id, Line, Millimetres, Positive, Value
from shadbo.core.words.sold import screw_size, shank_mm

Price = Annotated[float, Field(ge=0, le=100_000, allow_inf_nan=False)]
Species = Literal["softwood", "hardwood", "plywood", "mdf", "hardboard", "foam board", "felt", "cork"]

DENSITY_KG_PER_M3: dict[Species, float] = {
    "softwood": 450,
    "hardwood": 650,
    "plywood": 550,
    "mdf": 750,
    "hardboard": 900,
    "foam board": 120,
    "felt": 200,
    "cork": 240,
}
"""Usual densities, common practice, no source. Foam board from 0.60 kg/m² at 5 mm."""

SPECIFIC_GRAVITY: dict[Species, float] = {"softwood": 0.42, "hardwood": 0.60, "plywood": 0.50, "mdf": 0.60}
"""Oven-dry weight on volume at 12 % moisture, for screw withdrawal: usual values, common practice."""


class FloaterProfile(Value):
    """An L-shaped moulding: a wall that stands up, and the ledge that the canvas is screwed to."""

    id: Id
    name: Line
    wall_mm: Positive
    inside_depth_mm: Positive
    ledge_mm: Positive
    ledge_thick_mm: Positive
    species: Species = "softwood"
    stick_mm: Positive = 2900
    price_per_m: Price = 0
    colour: Colour | None = None


class PlainStock(Value):
    """Square-edged stock for floaters built in the shop."""

    id: Id
    name: Line
    face_mm: Positive
    height_mm: Positive
    species: Species = "softwood"
    stick_mm: Positive = 2400
    price_per_m: Price = 0
    colour: Colour | None = None


class PadStock(Value):
    """Sheet or strip that is cut into pads between ledge and canvas."""

    id: Id
    name: Line
    thick_mm: Positive
    species: Species
    price_per_m2: Price = 0


class Screw(Value):
    """A wood screw with countersunk head."""

    id: Id
    name: Line
    length_mm: Positive
    diameter_mm: Positive
    price: Price = 0


USUAL_MM, USUAL_GAUGE = 4.0, 8
"""Thickness of a wood screw of the usual kind, in millimetres and by its gauge."""


def usual_screw(length_mm: float, by_gauge: bool = False) -> Screw:
    """A wood screw of the usual thickness, where none of that length lies in the drawers."""
    thick = shank_mm(USUAL_GAUGE) if by_gauge else USUAL_MM
    size = screw_size(thick, length_mm)
    name = f"wood screw {size.inch if by_gauge else size.mm}"
    return Screw(id="wood-screw", name=name, length_mm=max(length_mm, 1), diameter_mm=round(thick, 3))


HangerKind = Literal["wire", "straps", "cleat", "plate", "strips", "ledge", "cord", "slanted hole"]


FOOTPRINT_MM: dict[HangerKind, tuple[float, float]] = {
    "wire": (12, 26),
    "straps": (14, 44),
    "plate": (40, 9),
    "cleat": (100, 30),
    "slanted hole": (6, 6),
}
"""Usual width and height of a hanger on the frame's back: common practice, no source."""


class Hanger(Value):
    """Hanging hardware. ``rating_kg`` is the maker's: as picture weight for a pair, or as load on one.

    ``wide_mm`` and ``high_mm`` are what it covers of the frame's back; 0 where nobody measured it, then the usual.
    """

    id: Id
    name: Line
    kind: HangerKind
    rating_kg: Annotated[float, Field(gt=0, le=1000)]
    rating_is: Literal["picture weight", "load on one"] = "load on one"
    hook_above_mm: Millimetres = 0
    stands_out_mm: Millimetres = 0
    screws: Annotated[int, Field(ge=1, le=20)] = 1
    screw_mm: Positive = 12
    screw_diameter_mm: Positive = 3
    length_mm: Millimetres = 0
    wide_mm: Millimetres = 0
    high_mm: Millimetres = 0
    price: Price = 0

    @property
    def footprint_mm(self) -> tuple[float, float]:
        """What it covers of the frame's back, width and height."""
        wide, high = FOOTPRINT_MM.get(self.kind, (10, 10))
        return self.wide_mm or self.length_mm or wide, self.high_mm or high


class Wire(Value):
    """Hanging wire or cable; its rating is the load it is sold for, in kilograms hung straight down."""

    id: Id
    name: Line
    rating_kg: Annotated[float, Field(gt=0, le=1000)]
    price_per_m: Price = 0
