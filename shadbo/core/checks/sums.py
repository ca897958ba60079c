"""Sums that have no answer: a size of nothing where something is divided, more of one thing than a frame has."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.words.words import both


def no_answer(look: Look) -> Iterator[Finding]:
    """The first step of the sums that has no answer, and the readings and wishes that it comes from."""
    if not look.desk.sheet.broken:
        return
    broken = look.desk.sheet.broken[0]
    names = [n for q in broken.of for n in _named(q)]
    labels = list(dict.fromkeys(q.label for q in names if q.key))
    yield Finding(
        "sum.broken",
        "stop",
        "sizes",
        both("These sizes give no answer"),
        both(f"{broken.says}: {', '.join(labels[:4]) or 'look at the sizes that are nothing or far too large'}"),
        keys=tuple(dict.fromkeys(q.key for q in names))[:4],
        by_hand=both("Look at what was typed there: a size of nothing, or one far too large or too small."),
        root=True,
    )


def _named(q: Quantity) -> list[Quantity]:
    """The nearest named lines behind a quantity."""
    if q.key:
        return [q]
    return [n for a in q.args for n in _named(a)]
