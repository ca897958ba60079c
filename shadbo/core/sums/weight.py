"""Weight from what a part is made of: density by volume, or mass by area."""

from shadbo.core.materials import DENSITY_KG_PER_M3, Species
from shadbo.core.quantity import Quantity
from shadbo.core.sheet import Sheet
from shadbo.core.units import KG_PER_MM2, KG_PER_MM3

AREA_KG_PER_M2 = {"canvas with paint": 0.6}
"""Usual masses by area, common practice, no source."""


def solid(sheet: Sheet, species: Species, *sides: Quantity) -> Quantity:
    """Mass in kg of a body: three lengths, or an area and a length, times the species' density."""
    volume = sides[0]
    for side in sides[1:]:
        volume = volume * side
    return volume * sheet.number(DENSITY_KG_PER_M3[species] * 1e-9, KG_PER_MM3)


def skin(sheet: Sheet, what: str, area: Quantity) -> Quantity:
    """Mass in kg of a sheet by its area."""
    return area * sheet.number(AREA_KG_PER_M2[what] * 1e-6, KG_PER_MM2)
