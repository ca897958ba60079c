"""Dimensions of a quantity, as powers of the base units that the sheet of sums knows.

Kilograms and newtons stay apart: weight becomes force only through standard gravity, which is a
sourced constant in N/kg.
"""

from functools import cache

BASE = ("mm", "kg", "N", "K", "min", "money")
Unit = tuple[int, ...]


def unit(**powers: int) -> Unit:
    """A unit from powers of the base units, e.g. ``unit(kg=1, mm=-2)``."""
    return tuple(powers.get(base, 0) for base in BASE)


ONE = unit()
MM = unit(mm=1)
MM2 = unit(mm=2)
MM3 = unit(mm=3)
KG = unit(kg=1)
N = unit(N=1)
KG_PER_MM2 = unit(kg=1, mm=-2)
KG_PER_MM3 = unit(kg=1, mm=-3)
N_PER_KG = unit(N=1, kg=-1)
MONEY = unit(money=1)
N_PER_MM = unit(N=1, mm=-1)


GRAVITY_N_PER_KG = 9.80665
"""Standard acceleration of free fall (3rd CGPM, 1901; ISO 80000-3)."""
KG_PER_POUND = 0.45359237
"""Exactly (1959 agreement)."""


@cache
def combine(a: Unit, b: Unit, sign: int) -> Unit:
    """The unit of a product (sign 1) or of a quotient (sign −1)."""
    return tuple(x + sign * y for x, y in zip(a, b, strict=True))


@cache
def unit_name(u: Unit) -> str:
    """The unit as people write it: ``mm``, ``kg/mm²``, or nothing for a plain number."""
    small = str.maketrans("0123456789", "⁰¹²³⁴⁵⁶⁷⁸⁹")

    def part(base: str, power: int) -> str:
        return base if power == 1 else base + str(power).translate(small)

    over = [part(b, p) for b, p in zip(BASE, u, strict=True) if p > 0]
    under = [part(b, -p) for b, p in zip(BASE, u, strict=True) if p < 0]
    top = "·".join(over)
    if not under:
        return top
    return f"{top or '1'}/{'·'.join(under)}"
