"""Lengths as people say and read them.

A person types what the tape says: ``30 1/2``, ``30-1/2"``, ``30½``, ``2' 6 1/2"``, ``30.5 in``, ``775``,
``775 mm``, ``77.5 cm``. Lengths are kept in millimetres; one inch is 25.4 mm exactly (1959 agreement;
ISO 80000-3). They are shown rounded to a mark, and rounding has a direction.
"""

import math
import re
import unicodedata
from fractions import Fraction
from functools import cache, lru_cache
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Way
from shadbo.core.sheet.sheet import to_mark

MM_PER_INCH = 25.4
LONGEST_MM = 20_000.0
System = Literal["mm", "in"]

_MARKS: dict[str, tuple[System, float]] = {
    "1/16 in": ("in", MM_PER_INCH / 16),
    "1/32 in": ("in", MM_PER_INCH / 32),
    "1/64 in": ("in", MM_PER_INCH / 64),
    "1 mm": ("mm", 1.0),
    "0.5 mm": ("mm", 0.5),
    "0.1 mm": ("mm", 0.1),
}
MarkName = Literal["1/16 in", "1/32 in", "1/64 in", "1 mm", "0.5 mm", "0.1 mm"]
FINER: dict[str, MarkName] = {
    "1/16 in": "1/32 in",
    "1/32 in": "1/64 in",
    "1 mm": "0.5 mm",
    "0.5 mm": "0.1 mm",
}
"""The next finer mark of a tape or rule."""


@dataclass(frozen=True, slots=True, eq=False)
class Mark:
    """The smallest division that the workshop cuts to. There is one of each: by it what was said is found again."""

    name: str
    system: System
    mm: float

    @staticmethod
    @cache
    def named(name: str) -> "Mark":
        """The mark of that name; KeyError when there is none."""
        return Mark(name, *_MARKS[name])


class NotALength(ValueError):
    """What was typed cannot be read as a length; the message says what would be."""


_FOOT = r"(?P<feet>\d+(?:\.\d+)?)\s*(?:'|ft|feet|foot)"
_NUMBER = r"(?:(?P<whole>\d+)(?:\s*-\s*|\s+))?(?P<num>\d+)\s*/\s*(?P<den>\d+)|(?P<dec>\d+(?:\.\d*)?|\.\d+)"
_UNIT = r"(?P<unit>mm|cm|m|\"|''|inches|inch|in)?"
_PATTERN = re.compile(rf"(?:{_FOOT}\s*(?:-\s*)?)?(?:(?:{_NUMBER})\s*{_UNIT})?\.?", re.IGNORECASE)
_MM_PER = {"mm": 1.0, "cm": 10.0, "m": 1000.0}
_EXAMPLES = "write it like 412, 41.2 cm, 16 1/4 or 2' 6 1/2\""


def parse(typed: str, system: System) -> float:
    """Millimetres from what the tape says. A bare number is in ``system``; a fraction is always inches.

    Raises NotALength with a message fit to stand at the field.
    """
    text = _plain(typed)
    if not text:
        raise NotALength("nothing is typed yet")
    if text.startswith(("-", "−")):
        raise NotALength("a length cannot be less than nothing")
    if re.fullmatch(r"\d+,\d{3}", text):
        raise NotALength(f"is {text} a decimal or thousands? write it with a point, or without the comma")
    text = re.sub(r"(?<=\d),(?=\d)", ".", text)
    match = _PATTERN.fullmatch(text)
    if match is None or not (match["feet"] or match["num"] or match["dec"]):
        raise NotALength(f"“{typed.strip()}” is not a length: {_EXAMPLES}")
    mm = _millimetres(match, system)
    if not math.isfinite(mm) or mm > LONGEST_MM:
        raise NotALength(f"that is over {LONGEST_MM / 1000:g} m: check the unit")
    return mm


def _plain(typed: str) -> str:
    """Unicode fractions, primes and quotes reduced to plain digits, slashes and marks."""
    out: list[str] = []
    for char in typed.strip():
        name = unicodedata.name(char, "")
        if name.startswith("VULGAR FRACTION"):
            out.append(" " + unicodedata.normalize("NFKC", char).replace("\N{FRACTION SLASH}", "/"))
        elif char in "\N{FRACTION SLASH}\N{DIVISION SLASH}":
            out.append("/")
        elif char in "’‘′":
            out.append("'")
        elif char in "”“″":
            out.append('"')
        elif char in "‐‑–":
            out.append("-")
        elif char.isspace():
            out.append(" ")
        else:
            out.append(char)
    return "".join(out).strip()


def _millimetres(match: re.Match[str], system: System) -> float:
    feet = float(match["feet"]) if match["feet"] else 0.0
    unit = (match["unit"] or "").lower()
    if feet and unit in _MM_PER:
        raise NotALength("feet and millimetres in one length: write the one or the other")
    if match["num"]:
        num, den = int(match["num"]), int(match["den"])
        if den == 0 or num >= den:
            raise NotALength(f"{num}/{den} is not a fraction of an inch: the upper number must be the smaller")
        if unit in _MM_PER:
            raise NotALength(f"a fraction of a {unit}? write millimetres with a point")
        return feet * 12 * MM_PER_INCH + float(int(match["whole"] or 0) + Fraction(num, den)) * MM_PER_INCH
    number = float(match["dec"]) if match["dec"] else 0.0
    if unit in _MM_PER:
        return number * _MM_PER[unit]
    if unit or feet or system == "in":
        return (feet * 12 + number) * MM_PER_INCH
    return number


def metric_text(mm: float, mark: Mark | None = None, way: Way = "nearest", places: int = 1) -> str:
    """Millimetres as digits, without the unit: to the mark where one is given, else to ``places``."""
    value = to_mark(abs(mm), mark.mm, _mirrored(way, mm)) if mark and mark.system == "mm" else abs(mm)
    text = f"{value:.{places}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return f"−{text}" if mm < 0 and text != "0" else text


def inch_text(mm: float, denominator: int = 16, way: Way = "nearest") -> str:
    """Inches as a whole number and a reduced fraction, without the unit: ``16 1/4``, ``3/8``, ``0``."""
    parts = round(to_mark(abs(mm) / MM_PER_INCH * denominator, 1, _mirrored(way, mm)))
    whole, rest = divmod(parts, denominator)
    fraction = str(Fraction(rest, denominator)) if rest else ""
    text = " ".join(t for t in (str(whole) if whole else "", fraction) if t) or "0"
    return f"−{text}" if mm < 0 and text != "0" else text


def _mirrored(way: Way, mm: float) -> Way:
    if mm >= 0 or way == "nearest":
        return way
    return "down" if way == "up" else "up"


@dataclass(frozen=True, slots=True)
class Both:
    """One text in both systems."""

    mm: str
    inch: str

    def pick(self, system: System) -> str:
        """The text in that system."""
        return self.mm if system == "mm" else self.inch


def on_half_a_mark(mm: float, mark: Mark) -> bool:
    """Whether a length lies halfway between two marks, as half of a difference does.

    It is shown so: rounded, the two halves beside a piece would no longer add up to what they were halved of.

    >>> on_half_a_mark(5.75, Mark.named("0.5 mm")), on_half_a_mark(5.7, Mark.named("0.5 mm"))
    (True, False)
    """
    return abs(math.remainder(mm / mark.mm - 0.5, 1)) < HALF_DUST


HALF_DUST = 1e-6
"""Float dust of marks."""


@lru_cache(maxsize=16_384)
def texts(mm: float, mark: Mark, way: Way = "nearest") -> Both:
    """A length in both systems, without units: the workshop's own to its mark, or half of one; the other as near.

    >>> texts(5.75, Mark.named("0.5 mm")).mm, texts(7.14375, Mark.named("1/16 in"), "down").inch
    ('5.75', '9/32')
    """
    metric = mark.system == "mm"
    parts = 2 if on_half_a_mark(mm, mark) else 1
    if metric:
        millimetres = metric_text(mm, places=2) if parts == 2 else metric_text(mm, mark, way)
        inches = inch_text(mm, 32, way)
    else:
        millimetres = metric_text(mm)
        inches = inch_text(mm, round(MM_PER_INCH / mark.mm) * parts, way)
    if abs(mm) > LEAST_SHOWN_MM:
        millimetres = metric_text(mm, places=2) if millimetres == "0" else millimetres
        inches = _fine_inches(mm) if inches == "0" else inches
    return Both(millimetres, inches)


LEAST_SHOWN_MM = 0.005
"""What is smaller than this is shown as nothing."""


def _fine_inches(mm: float) -> str:
    """A small length in 64ths, or in thousandths where it is less than one of them: never rounded to nothing."""
    fine = inch_text(mm, 64)
    if fine != "0":
        return fine
    text = f"{abs(mm) / MM_PER_INCH:.4f}".rstrip("0")
    return f"−{text}" if mm < 0 else text
