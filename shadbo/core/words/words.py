"""Sentences with lengths in them, in both systems at once."""

from dataclasses import dataclass

from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Way
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, KG, KG_PER_POUND, MM, MM2, MONEY, N_PER_MM, N
from shadbo.core.words.lengths import MM_PER_INCH, Both, Mark, inch_text, metric_text, texts


@dataclass(frozen=True, slots=True)
class Mm:
    """A bare length in millimetres for a sentence, and the way it may be rounded."""

    mm: float
    way: Way = "nearest"


Sayable = Quantity | Mm | Both | str | int | float


def both(text: str) -> Both:
    """The same text in both systems."""
    return Both(text, text)


def length(mm: float, mark: Mark, way: Way = "nearest") -> Both:
    """A length with its unit."""
    t = texts(mm, mark, way)
    return Both(f"{t.mm} mm", f"{t.inch} in")


def way(mm: float) -> Both:
    """A long way, such as a blade goes, in metres and in feet."""
    return Both(f"{mm / 1000:.2f} m", f"{mm / (12 * MM_PER_INCH):.1f} ft")


def given(q: Quantity) -> bool:
    """Whether a number was read or chosen as it is, so that no mark may round it."""
    return q.kind in ("read", "choose") or (q.kind == "let" and q.op == "=" and given(q.args[0]))


def value_text(q: Quantity, mark: Mark, more: int = 0) -> Both:
    """A quantity as people write it, with its unit, in both systems; masses and forces with ``more`` places."""
    if q.unit == MM:
        t = length(q.value, mark, q.way)
        return Both(f"{metric_text(q.value, places=2)} mm", t.inch) if given(q) else t
    if q.unit == KG:
        places = (2 if q.value < 10 else 1) + more
        return Both(f"{q.value:.{places}f} kg", f"{q.value / KG_PER_POUND:.{1 + more}f} lb")
    if q.unit == N:
        pounds = q.value / (KG_PER_POUND * GRAVITY_N_PER_KG)
        places = (1 if abs(q.value) < 10 else 0) + more
        return Both(f"{q.value:.{places}f} N", f"{pounds:.{places}f} lbf")
    if q.unit == MM2:
        return Both(f"{q.value / 1e6:.3f} m²", f"{q.value / 25.4**2:.0f} in²")
    if q.unit == N_PER_MM:
        return Both(f"{q.value:.3g} N/mm", f"{q.value * 25.4 / (KG_PER_POUND * GRAVITY_N_PER_KG):.2g} lbf/in")
    if q.unit == MONEY:
        return both(f"{q.value:.2f}")
    return both(f"{q.value:.4g}")


MOST_PLACES = 4


def unlike(one: Quantity, other: Quantity, mark: Mark) -> tuple[Both, Both]:
    """Two quantities of one unit, with as many places as tell them apart; lengths as the mark has them."""
    for more in range(MOST_PLACES):
        first, second = value_text(one, mark, more), value_text(other, mark, more)
        if first.mm != second.mm and first.inch != second.inch:
            break
    return first, second


def drill_text(mm: float) -> Both:
    """A drill by its diameter: tenths of a millimetre, or 64ths of an inch."""
    return Both(f"{mm:.1f} mm", f"{inch_text(mm, 64)} in")


def number_text(q: Quantity, mark: Mark) -> Both:
    """A quantity without its unit, for drawings and sums."""
    if q.unit == MM:
        t = texts(q.value, mark, q.way)
        return Both(metric_text(q.value, places=2), t.inch) if given(q) else t
    t = value_text(q, mark)
    return Both(t.mm.split(" ")[0], t.inch.split(" ")[0])


def sizes(mark: Mark, *qs: Quantity) -> Both:
    """Width × height, or more, without a unit."""
    t = [texts(q.value, mark, q.way) for q in qs]
    return Both(" × ".join(x.mm for x in t), " × ".join(x.inch for x in t))


def say(mark: Mark, sentence: str, *values: Sayable) -> Both:
    """Fill ``{}`` places of a sentence; quantities and ``Mm`` come out with their units."""

    def said(v: Sayable) -> Both:
        if isinstance(v, Both):
            return v
        if isinstance(v, Mm):
            return length(v.mm, mark, v.way)
        if isinstance(v, Quantity):
            return value_text(v, mark)
        return both(f"{v:g}" if isinstance(v, float) else str(v))

    parts = [said(v) for v in values]
    return Both(sentence.format(*(p.mm for p in parts)), sentence.format(*(p.inch for p in parts)))
