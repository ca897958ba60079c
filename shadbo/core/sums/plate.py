"""Sag of a sheet of glazing that lies flat, held at its rim."""

import math
from itertools import pairwise

from shadbo.core.sheet.units import GRAVITY_N_PER_KG
from shadbo.core.shop.boards import SheetKind

TABLE = (
    (1.0, 0.00406),
    (1.2, 0.00564),
    (1.4, 0.00705),
    (1.5, 0.00772),
    (1.6, 0.00830),
    (1.8, 0.00931),
    (2.0, 0.01013),
    (3.0, 0.01223),
    (4.0, 0.01282),
    (5.0, 0.01297),
    (1e9, 0.01302),
)
"""Longer over shorter side, and α: Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells, table 8."""
STIFF: dict[SheetKind, tuple[float, float, float]] = {
    "acrylic": (3200.0, 0.37, 1190.0),
    "glass": (70_000.0, 0.22, 2500.0),
}
"""E in MPa, Poisson's ratio, kg/m³: usual values; acrylic creeps to half of its E in storage."""


def alpha(ratio: float) -> float:
    """Coefficient of an evenly loaded, simply supported plate, by the ratio of its sides (1 or more)."""
    ratio = max(ratio, 1.0)
    for (r0, a0), (r1, a1) in pairwise(TABLE):
        if ratio <= r1:
            if r1 > 100:  # towards the long strip
                return a0 + (a1 - a0) * (1 - 5 / ratio)
            return a0 + (a1 - a0) * (ratio - r0) / (r1 - r0)
    return TABLE[-1][1]


def small_sag_mm(width_mm: float, height_mm: float, thick_mm: float, e: float, nu: float, kg_m3: float) -> float:
    """w₀ = α·q·b⁴ / D under its own weight, while it is small against the thickness."""
    b, a = sorted((width_mm, height_mm))
    q = kg_m3 * 1e-9 * GRAVITY_N_PER_KG * thick_mm
    d = e * thick_mm**3 / (12 * (1 - nu**2))
    return alpha(a / b) * q * b**4 / d


def sag_mm(width_mm: float, height_mm: float, thick_mm: float, kind: SheetKind, stored: bool = False) -> float:
    """Sag in the middle; past half the thickness w + C·w³/t² = w₀, a one-term approximation.

    C = 0.75·(1−ν²)·(A⁴+B⁴)/(A²+B²)² with A = 1/b, B = 1/a. Kinds without a stiffness do not sag here: 0.
    """
    if kind not in STIFF:
        return 0.0
    e, nu, density = STIFF[kind]
    if stored and kind == "acrylic":
        e /= 2
    w0 = small_sag_mm(width_mm, height_mm, thick_mm, e, nu, density)
    if w0 <= thick_mm / 2:
        return w0
    b, a = sorted((width_mm, height_mm))
    ia, ib = 1 / b, 1 / a
    c = 0.75 * (1 - nu**2) * (ia**4 + ib**4) / (ia**2 + ib**2) ** 2
    return cubic_root(c / thick_mm**2, w0)


def cubic_root(c: float, w0: float) -> float:
    """The one real w of w + c·w³ = w₀, for c > 0: in closed form, through the hyperbolic sine of a third.

    >>> round(cubic_root(1.0, 10.0), 6)
    2.0
    """
    return 2 / math.sqrt(3 * c) * math.sinh(math.asinh(1.5 * w0 * math.sqrt(3 * c)) / 3)
