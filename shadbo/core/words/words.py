"""Sentences with lengths in them, in both systems at once."""

from functools import lru_cache

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity, Way
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, KG, KG_PER_POUND, MM, MM2, MONEY, N_PER_MM, N
from shadbo.core.words.lengths import MM_PER_INCH, Both, Mark, System, inch_text, metric_text, texts


@dataclass(frozen=True, slots=True)
class Mm:
    """A bare length in millimetres for a sentence, and the way it may be rounded."""

    mm: float
    way: Way = "nearest"


Sayable = Quantity | Mm | Both | str | int | float


@dataclass(frozen=True, slots=True)
class Sentence:
    """A sentence and what goes into its ``{}`` places, said where somebody reads it."""

    text: str
    values: tuple[Sayable, ...] = ()

    def said(self, mark: Mark) -> Both:
        """Its words, lengths to the mark."""
        return say(mark, self.text, *self.values)


def both(text: str) -> Both:
    """The same text in both systems."""
    return Both(text, text)


@lru_cache(maxsize=4096)
def length(mm: float, mark: Mark, way: Way = "nearest") -> Both:
    """A length with its unit."""
    t = texts(mm, mark, way)
    return Both(f"{t.mm} mm", f"{t.inch} in")


def size_text(mm: float, mark: Mark, system: System) -> str:
    """A size of a list as digits: millimetres as they are, inches to the mark, never nothing.

    >>> size_text(442.5, Mark.named("0.5 mm"), "mm"), size_text(651.0, Mark.named("1/16 in"), "in")
    ('442.5', '25 5/8')
    """
    if system == "mm":
        return metric_text(mm, places=2)
    marks = (mark, *(Mark.named(n) for n in ("1/16 in", "1/64 in")))
    return next((t for m in marks if (t := texts(mm, m).inch) != "0"), f"{mm / MM_PER_INCH:.3f}")


def way(mm: float) -> Both:
    """A long way, such as a blade goes, in metres and in feet."""
    return Both(f"{mm / 1000:.2f} m", f"{mm / (12 * MM_PER_INCH):.1f} ft")


STOCK_MARK = Mark.named("1/64 in")
CUT_FROM_MM = 400


def stocked(mm: float, mark: Mark) -> Both:
    """A size of what is sold, in millimetres to the hundredth; in inches finer than what is cut, but for sheets.

    >>> stocked(18.5, Mark.named("1/16 in")).inch, stocked(1220, Mark.named("1/16 in")).inch
    ('47/64 in', '48 1/16 in')
    """
    t = texts(mm, STOCK_MARK if mm < CUT_FROM_MM else mark)
    return Both(f"{metric_text(mm, places=2)} mm", f"{t.inch} in")


def mass_text(kg: float) -> Both:
    """A weight as a maker writes it, in kilograms and in pounds."""
    return Both(f"{kg:g} kg", f"{kg / KG_PER_POUND:.4g} lb")


def mass_told(kg: float, more: int = 0) -> Both:
    """A weight as a scale would have it, with ``more`` places: grams under 100 g, ounces under a pound.

    >>> mass_told(2.25).inch, mass_told(0.018), mass_told(0.3).inch
    ('5.0 lb', Both(mm='18 g', inch='0.6 oz'), '10.6 oz')
    """
    pounds, grams = kg / KG_PER_POUND, kg * 1000
    metric = (
        f"{kg:.{(2 if kg < 10 else 1) + more}f} kg" if grams >= 99.5 or kg <= 0 else f"{_not_nothing(grams, more)} g"
    )
    imperial = f"{pounds:.{1 + more}f} lb" if pounds >= 1 or kg <= 0 else f"{_not_nothing(16 * pounds, 1 + more)} oz"
    return Both(metric, imperial)


def _not_nothing(value: float, places: int) -> str:
    """A number with so many places; with two digits that count where it would round to nothing."""
    text = f"{value:.{places}f}"
    return text if float(text) else f"{value:.2g}"


def given(q: Quantity) -> bool:
    """Whether a number was read or chosen as it is, so that no mark may round it."""
    return q.kind in ("read", "choose") or (q.kind == "let" and q.op == "=" and given(q.args[0]))


def value_text(q: Quantity, mark: Mark, more: int = 0) -> Both:
    """A quantity as people write it, with its unit, in both systems; masses and forces with ``more`` places."""
    if q.unit == MM:
        t = length(q.value, mark, q.way)
        return Both(f"{metric_text(q.value, places=2)} mm", t.inch) if given(q) else t
    if q.unit == KG:
        return mass_told(q.value, more)
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


def give_or_take(q: Quantity) -> Both:
    """How far a number may be off, in its unit, finer than any mark."""
    half = q.likely
    if q.unit == MM:
        return Both(f"{metric_text(half, places=2)} mm", f"{half / MM_PER_INCH:.3f} in")
    return mass_text(half) if q.unit == KG else both(f"{half:.2f}")


def number_text(q: Quantity, mark: Mark) -> Both:
    """A quantity without its unit, for drawings and sums."""
    if q.unit == MM:
        t = texts(q.value, mark, q.way)
        return Both(metric_text(q.value, places=2), t.inch) if given(q) else t
    if q.unit == KG:  # a sum keeps to one unit: kilograms, pounds
        return Both(f"{q.value:.3g}", f"{q.value / KG_PER_POUND:.3g}")
    t = value_text(q, mark)
    return Both(t.mm.split(" ")[0], t.inch.split(" ")[0])


def sizes(mark: Mark, *qs: Quantity) -> Both:
    """Width × height, or more, without a unit."""
    t = [texts(q.value, mark, q.way) for q in qs]
    return Both(" × ".join(x.mm for x in t), " × ".join(x.inch for x in t))


def _said(v: Sayable, mark: Mark) -> Both:
    if isinstance(v, Both):
        return v
    if isinstance(v, Mm):
        return length(v.mm, mark, v.way)
    if isinstance(v, Quantity):
        return value_text(v, mark)
    return both(f"{v:g}" if isinstance(v, float) else str(v))


def say(mark: Mark, sentence: str, *values: Sayable) -> Both:
    """Fill ``{}`` places of a sentence; quantities and ``Mm`` come out with their units."""
    parts = [_said(v, mark) for v in values]
    return Both(sentence.format(*[p.mm for p in parts]), sentence.format(*[p.inch for p in parts]))
