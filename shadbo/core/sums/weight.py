"""Weight from what a part is made of: density by volume, or mass by area."""

import math
from collections.abc import Iterable

from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import KG, KG_PER_MM2, KG_PER_MM3, MM2, MM3
from shadbo.core.shop.materials import DENSITY_KG_PER_M3, Species
from shadbo.core.solids.body import Body

AREA_KG_PER_M2 = {
    "canvas with paint": 0.6,
    "paper": 0.2,
    "puzzle": 1.4,
    "needlework": 0.3,
    "quilted cloth": 0.3,
    "woven cloth": 0.3,
    "beaded canvas": 1.8,
    "pressed plant": 0.15,
    "kraft paper": 0.08,
}
"""Usual masses by area, common practice, no source."""
PANEL_KG_PER_M3 = {"canvas board": 700.0, "hardboard": 900.0, "mdf": 750.0, "plywood": 550.0}
"""Usual densities of painted panels, common practice, no source."""


SPACER_KG_PER_M3 = 500.0
"""Plastic profile, foam and card on edge: common practice, no source."""
STEEL_KG_PER_M3 = 7850.0
THREAD_SHARE = 0.7
"""What a screw's thread leaves of its full cylinder: common practice, no source."""


def screws_kg(count: int, diameter_mm: float, length_mm: float) -> float:
    """Mass in kg of steel screws: a cylinder of 7850 kg/m³ less what its thread leaves out.

    >>> round(screws_kg(100, 4, 35), 3)
    0.242
    """
    return count * math.pi / 4 * diameter_mm**2 * length_mm * STEEL_KG_PER_M3 * 1e-9 * THREAD_SHARE


SCALE_KG = 0.02
"""Half-width of the shop's scale: common practice, no source."""


def weighed(sheet: Sheet, key: str, label: str, kg: float) -> Quantity:
    """A mass in kg as the scale read it."""
    return sheet.read(key, label, kg, KG, SCALE_KG, "scale")


def solid(sheet: Sheet, species: Species, *sides: Quantity) -> Quantity:
    """Mass in kg of a body: three lengths, or an area and a length, times the species' density."""
    return of_density(sheet, DENSITY_KG_PER_M3[species], *sides)


def of_density(sheet: Sheet, kg_per_m3: float, *sides: Quantity) -> Quantity:
    """Mass in kg of a body of any density."""
    volume = sides[0]
    for side in sides[1:]:
        volume = volume * side
    return volume * sheet.number(kg_per_m3 * 1e-9, KG_PER_MM3)


def of_bodies(sheet: Sheet, species: Species, bodies: Iterable[Body]) -> Quantity:
    """Mass in kg of things as they stand: their volume, corners counted once, times the species' density."""
    volume = sum(b.volume_mm3 for b in bodies)
    return solid(sheet, species, sheet.decide("volume of the rails, as drawn", volume, MM3))


def skin(sheet: Sheet, what: str, area: Quantity) -> Quantity:
    """Mass in kg of a sheet by its area."""
    return by_area(sheet, AREA_KG_PER_M2[what], area)


def area_of(sheet: Sheet, width: Quantity, height: Quantity) -> Quantity:
    """Area of a sheet; nothing where one of its sizes came out below nothing, which is a stop elsewhere."""
    if min(width.value, height.value) < 0:
        return sheet.decide("nothing is left of it", 0.0, MM2, width, height)
    return width * height


def by_area(sheet: Sheet, kg_per_m2: float, area: Quantity) -> Quantity:
    """Mass in kg of a sheet whose mass by area is known."""
    return area * sheet.number(kg_per_m2 * 1e-6, KG_PER_MM2)
