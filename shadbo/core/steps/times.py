"""How long work takes one person, in minutes, by its kind and size: common practice, no source."""

from typing import Literal

WorkKind = Literal[
    "receive",
    "read the plan",
    "make ready",
    "steam",
    "cut cloth",
    "stretch",
    "mill",
    "saw",
    "slot",
    "drill",
    "join",
    "finish",
    "measure",
    "order",
    "cut glass",
    "cut board",
    "cut window",
    "cut strip",
    "mark",
    "mount",
    "clean",
    "lay in",
    "look",
    "fix",
    "cover",
    "hang",
    "label",
    "photograph",
    "pack",
]
TIMES: dict[WorkKind, tuple[float, float, float, float]] = {
    "receive": (8, 0, 0, 0),
    "read the plan": (5, 0, 0, 0),
    "make ready": (5, 0, 10, 0),
    "steam": (5, 0, 25, 0),
    "cut cloth": (6, 1, 0, 0),
    "stretch": (10, 0, 0, 0.5),
    "mill": (15, 6, 0, 0),
    "saw": (8, 1, 0, 2),
    "slot": (4, 0, 0, 2),
    "drill": (4, 0, 0, 3),
    "join": (10, 1, 0, 2),
    "finish": (10, 4, 0, 0),
    "measure": (4, 0, 0, 0),
    "order": (5, 0, 0, 0),
    "cut glass": (6, 0, 4, 0),
    "cut board": (3, 0, 3, 2),
    "cut window": (5, 0, 0, 4),
    "cut strip": (4, 0, 0, 1),
    "mark": (4, 0, 0, 0.3),
    "mount": (6, 0, 5, 0.3),
    "clean": (5, 0, 8, 0),
    "lay in": (6, 0, 4, 0),
    "look": (4, 0, 0, 0),
    "fix": (3, 0, 0, 0.7),
    "cover": (6, 1, 0, 0),
    "hang": (5, 0, 0, 2),
    "label": (4, 0, 0, 0),
    "photograph": (5, 0, 0, 0),
    "pack": (8, 0, 6, 0),
}
"""To begin with, for each metre, each square metre, and each thing."""


def minutes(kind: WorkKind, metres: float = 0.0, square: float = 0.0, each: float = 0.0) -> float:
    """Usual minutes of one person.

    >>> minutes("fix", each=12)
    11.4
    """
    first, metre, area, one = TIMES[kind]
    return round(first + metre * metres + area * square + one * each, 1)
