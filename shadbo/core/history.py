"""What a change did, in words: which row, what stood there before, and what stands there after."""

from collections.abc import Mapping, Sequence
from typing import Any

from shadbo.core.asking.questions import Question
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.lengths import Both, inch_text, metric_text
from shadbo.core.words.words import both

MOST_SIGNS = 80
MOST_TOLD = 12
KEPT = ("practice", "mark", "materials/")
"""Where the first cut of a job writes down what it is made of and by which practice, all at once."""


@dataclass(frozen=True, slots=True)
class Change:
    """One row that was changed. ``before`` or ``after`` is None where nothing was decided there."""

    label: str
    before: Both | None
    after: Both | None


@dataclass(frozen=True, slots=True)
class Told:
    """What one revision changed; ``more`` counts the changes that are not told one by one."""

    changes: tuple[Change, ...]
    more: int


def rows_of(plan: Plan) -> dict[str, Question]:
    """The rows of a plan by the places that they write to."""
    return {q.at: q for station in stations(plan) for q in station.questions if q.at}


def told(edits: Sequence[Edit], inverse: Sequence[Edit], rows: Mapping[str, Question]) -> Told:
    """What edits did, by the edits that would take them back, which are in the other order."""
    found = []
    pairs = list(zip(edits, reversed(inverse), strict=False))
    first_cut = any(edit.at == "practice" for edit, _ in pairs)
    kept = [edit for edit, _ in pairs if first_cut and edit.at.startswith(KEPT)]
    for edit, back in pairs:
        if edit in kept:
            continue
        row = rows.get(edit.at)
        change = Change(_label(edit.at, rows), _said(back.to, row), _said(edit.to, row))
        if change.before != change.after:
            found.append(change)
    if kept:
        n = len(kept)
        found.append(Change("Kept from the racks as it is now", None, both(f"{n} thing{'s' if n > 1 else ''}")))
    return Told(tuple(found[:MOST_TOLD]), max(0, len(found) - MOST_TOLD))


def _label(at: str, rows: Mapping[str, Question]) -> str:
    """The row's own label; of what has no row by now, the name of the field."""
    parts = at.split("/")
    for n in range(len(parts), 0, -1):
        row = rows.get("/".join(parts[:n]))
        if row is not None and row.label:
            return row.label
    return parts[-1].replace("_", " ").replace(".", ", ")


def _said(value: Any, row: Question | None) -> Both | None:  # noqa: ANN401
    """A value as the screen says it: lengths in both systems, choices by their labels, the rest in short.

    >>> _said({"mm": 9.5, "typed": "9.5"}, None)
    Both(mm='9.5 mm', inch='3/8 in')
    """
    if value is None:
        return None
    picked = next((c.label for c in row.choices if c.to == value), None) if row is not None else None
    if picked:
        return both(picked)
    if isinstance(value, bool):
        return both("yes" if value else "no")
    if isinstance(value, dict):
        return _thing(value)
    if isinstance(value, list):
        return both("none" if not value else "one" if len(value) == 1 else f"{len(value)} of them")
    return both(f"“{value[:MOST_SIGNS]}”" if isinstance(value, str) else f"{value:g}")


def _thing(value: dict[str, Any]) -> Both:
    mm = value.get("mm")
    if isinstance(mm, int | float):
        return Both(f"{metric_text(mm, places=2)} mm", f"{inch_text(mm, 64)} in")
    kg = value.get("kg")
    if isinstance(kg, int | float):
        return both(f"{kg:g} kg")
    return both(str(value.get("name") or value.get("kind") or "as it was set")[:MOST_SIGNS])
