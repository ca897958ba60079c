"""Movement with the season: moisture of wood, its swelling across the grain, growth of acrylic and glass."""

from collections.abc import Callable

ACRYLIC_PER_K = 70e-6
ACRYLIC_PER_RH = 3e-5
"""Expansion of acrylic by kelvin, and by per cent of humidity, common practice."""

TANGENTIAL: dict[str, tuple[float, float]] = {
    "red oak": (0.00158, 0.00369),
    "white oak": (0.00180, 0.00365),
    "black walnut": (0.00190, 0.00274),
    "sugar maple": (0.00165, 0.00353),
    "black cherry": (0.00126, 0.00248),
    "yellow-poplar": (0.00158, 0.00289),
    "white ash": (0.00169, 0.00274),
    "basswood": (0.00230, 0.00330),
    "eastern white pine": (0.00071, 0.00212),
}
"""Radial and tangential change by per cent of moisture (Wood Handbook, table 13-5; from memory)."""
SPECIES_AS = {"softwood": "eastern white pine", "hardwood": "white ash"}


def moisture_percent(celsius: float, rh_percent: float) -> float:
    """Moisture that wood comes to rest at, in per cent.

    Hailwood–Horrobin equation, Wood Handbook (FPL-GTR-282) equation 4-5, temperature in °C.
    """
    h = min(max(rh_percent, 0.0), 99.9) / 100
    w = 349 + 1.29 * celsius + 0.0135 * celsius**2
    k = 0.805 + 0.000736 * celsius - 0.00000273 * celsius**2
    k1 = 6.27 - 0.00938 * celsius - 0.000303 * celsius**2
    k2 = 1.91 + 0.0407 * celsius - 0.000293 * celsius**2
    kh = k * h
    first = kh / (1 - kh)
    second = (k1 * kh + 2 * k1 * k2 * kh**2) / (1 + k1 * kh + k1 * k2 * kh**2)
    return 1800 / w * (first + second)


def swelling_mm(width_mm: float, per_percent: float, from_percent: float, to_percent: float) -> float:
    """Change of a width across the grain: D · C · ΔM (Wood Handbook ch. 13, valid from 6 to 14 % moisture).

    Millimetres; ``per_percent`` is the change by per cent of moisture.

    >>> round(swelling_mm(40, 0.00369, 7, 11), 3)
    0.59
    """
    low, high = (min(max(m, 6.0), 14.0) for m in (from_percent, to_percent))
    return width_mm * per_percent * (high - low)


def growth_mm(length_mm: float, kelvin: float, rh_percent: float) -> float:
    """Growth of an acrylic sheet: L · (70·10⁻⁶ · ΔT + 3·10⁻⁵ · ΔRH).

    ``length_mm`` in mm, ``kelvin`` and ``rh_percent`` are changes.

    >>> round(growth_mm(1000, 10, 25), 2)
    1.45
    """
    return length_mm * (ACRYLIC_PER_K * kelvin + ACRYLIC_PER_RH * rh_percent)


def acrylic_growth(kelvin: float, rh_percent: float) -> Callable[[float], float]:
    """Growth as a function of length alone, for the sheet of sums."""
    return lambda length_mm: growth_mm(length_mm, kelvin, rh_percent)


SEASONS: tuple[tuple[str, float, float], ...] = (
    ("dry winter", 18, 30),
    ("winter", 19, 38),
    ("spring", 20, 45),
    ("as made", 20, 50),
    ("early summer", 22, 55),
    ("summer", 24, 62),
    ("damp summer", 25, 70),
)
"""Seven stops of a year indoors: name, °C, per cent of humidity. Common practice, no source."""
