"""A habit that is a list of lengths, such as those that screws are sold in: said, read, kept in sense."""

import re

from shadbo.core.settings.table import Setting
from shadbo.core.shop.shop import Practice
from shadbo.core.words.lengths import Both, Mark, System, parse
from shadbo.core.words.words import size_text

Lengths = tuple[float, ...]
LEAST_MM, MOST_MM = 4.0, 300.0
"""No screw of a frame is shorter or longer: common practice, no source."""
MOST_LENGTHS = 40
LISTS: tuple[Setting, ...] = (
    Setting("screw_lengths_mm", "mount", "Screws are sold in lengths of", "lengths", "canvas", "screw.length"),
)
_BETWEEN = re.compile(r"\s*;\s*|\s*,\s+")


def lengths_of(practice: Practice, name: str) -> Lengths:
    """The list as the practice has it, mm."""
    return tuple(float(mm) for mm in getattr(practice, name))


def lengths_said(lengths_mm: Lengths, mark: Mark) -> Both:
    """A list in both systems; the usual one by the inch is the one that an inch shop buys.

    >>> lengths_said((12, 16.5), Mark.named("0.5 mm")).mm
    '12, 16.5 mm'
    """
    by_inch = Practice(screw_lengths_mm=lengths_mm).screws_sold_mm(by_inch=True)
    inches = ", ".join(size_text(mm, mark, "in") for mm in by_inch)
    return Both(f"{', '.join(size_text(mm, mark, 'mm') for mm in lengths_mm)} mm", f"{inches} in")


def lengths_read(typed: str, system: System) -> Lengths:
    """A list as it is typed, with a comma and a space or a semicolon between; mm, in order. Raises NotALength.

    >>> lengths_read("16, 12; 1 in", "mm")
    (12.0, 16.0, 25.4)
    """
    bare = typed.strip().removesuffix(system).strip(" ,;")
    read = (parse(x, system) for x in _BETWEEN.split(bare))
    return tuple(sorted(set(read)))


def lengths_sense(lengths_mm: Lengths) -> bool:
    """Whether it is a list of screws that a frame may have."""
    return 1 <= len(lengths_mm) <= MOST_LENGTHS and lengths_mm[0] >= LEAST_MM and lengths_mm[-1] <= MOST_MM
