"""Sag of glazing, against Timoshenko & Woinowsky-Krieger and against Navier's series."""

import math

import pytest

from shadbo.core.sums.plate import alpha, sag_mm, small_sag_mm

TABLE_8 = {
    1: 0.00406,
    1.2: 0.00564,
    1.4: 0.00705,
    1.5: 0.00772,
    1.6: 0.00830,
    1.8: 0.00931,
    2: 0.01013,
    3: 0.01223,
    4: 0.01282,
}
"""Theory of Plates and Shells, table 8, ν = 0.3: from memory; Navier's series below agrees to half a per cent."""


def navier(ratio: float, terms: int = 41) -> float:
    """w_max · D / (q · b⁴) of a simply supported plate by Navier's double sine series."""
    total = 0.0
    for m in range(1, terms, 2):
        for n in range(1, terms, 2):
            sign = math.sin(m * math.pi / 2) * math.sin(n * math.pi / 2)
            total += sign / (m * n * ((m / ratio) ** 2 + n**2) ** 2)
    return 16 / math.pi**6 * total


@pytest.mark.parametrize(("ratio", "coefficient"), TABLE_8.items())
def test_the_table(ratio: float, coefficient: float):
    assert alpha(ratio) == coefficient
    assert navier(ratio) == pytest.approx(coefficient, rel=0.005)


@pytest.mark.parametrize("ratio", [1.1, 1.3, 1.7, 2.5, 4, 5])
def test_between_the_rows(ratio: float):
    assert alpha(ratio) == pytest.approx(navier(ratio), rel=0.03)


WORKED = [
    ("acrylic", 600, 900, 3, 4.20, 3.04),
    ("glass", 600, 900, 2.5, 0.64, 0.62),
    ("acrylic", 1000, 1300, 3, 26.8, 7.9),
    ("acrylic", 1000, 1300, 4.5, 11.9, 6.7),
    ("acrylic", 1000, 1300, 6, 6.7, 5.3),
]
STIFF = {"acrylic": (3200, 0.37, 1190), "glass": (70_000, 0.22, 2500)}
"""Usual values of sheet goods; densities of EN 572-1 and ISO 7823-1."""


@pytest.mark.parametrize(("kind", "w", "h", "thick", "small", "large"), WORKED)
def test_worked_sheets(kind, w, h, thick, small, large):
    """By the table and the one-term formula for large sag; worked by hand."""
    assert small_sag_mm(w, h, thick, *STIFF[kind]) == pytest.approx(small, rel=0.012)
    sag = sag_mm(w, h, thick, kind)
    if kind == "acrylic":
        assert sag == pytest.approx(large, rel=0.02)
    else:
        assert small * 0.96 < sag <= small * 1.01, "under half of the thickness the plate is linear"
