"""Edits: the only way a job changes. Typing, pins, remedies, undo and revisions are all lists of them.

``at`` names a place by field names and ids, never by list index: ``pieces/piece/detail/depth``. ``to`` is the
new value; None takes the value away, so that the plan decides again.
"""

import copy
import datetime as dt
from collections.abc import Iterable, Iterator, Sequence
from typing import Any

from pydantic import ValidationError

from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.job.job import Job
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.shop.boards import TAGS
from shadbo.core.shop.values import STORED
from shadbo.core.words.amounts import NotAnAmount, parse_kg, parse_money
from shadbo.core.words.days import NotADay, parse_day
from shadbo.core.words.lengths import NotALength, System, metric_text, parse
from shadbo.core.words.refusals import refusal
from shadbo.core.words.signs import is_whole

Data = dict[str, Any]


DAYS = ("due", "received", "handed_over")
"""Fields of a job that are days."""
SUMS = ("agreed", "insured")
"""Fields of a job that are sums of money."""


def as_typed(edits: Iterable[Edit], system: System, today: dt.date | None = None) -> list[Edit]:
    """Edits with every ``{"typed": …}`` length read into millimetres, every day and weight that is said as one.

    A bare number is in the length's own ``system`` where it names one, else in the one given. Without ``today`` days
    are written out in full.
    """
    out = []
    for e in edits:
        if e.at in DAYS and isinstance(e.to, str) and today is not None:
            to: Any = _read_day(e, system, today)
        elif e.at in SUMS and isinstance(e.to, str):
            to = _read_money(e)
        elif e.at.endswith("/weight_kg") and isinstance(e.to, str):
            to = _read_weight(e, system)
        else:
            to = _read_lengths(e.to, e.at, system)
        out.append(Edit(at=e.at, to=to))
    return out


def _read_day(edit: Edit, system: System, today: dt.date) -> str:
    try:
        return parse_day(edit.to, today, system == "in").isoformat()
    except NotADay as bad:
        raise BadEdit(edit.at, str(bad), edit.to) from None


def _read_money(edit: Edit) -> float:
    try:
        return parse_money(edit.to)
    except NotAnAmount as bad:
        raise BadEdit(edit.at, str(bad), edit.to) from None


def _read_weight(edit: Edit, system: System) -> float:
    try:
        return round(parse_kg(edit.to, system == "in"), 6)
    except NotAnAmount as bad:
        raise BadEdit(edit.at, str(bad), edit.to) from None


def _read_lengths(value: Any, at: str, system: System) -> Any:  # noqa: ANN401
    if isinstance(value, list):
        return [_read_lengths(v, at, system) for v in value]
    if not isinstance(value, dict):
        return value
    if isinstance(value.get("typed"), str) and "mm" not in value:
        kept = {k: v for k, v in value.items() if k != "system"}
        own = value.get("system", system)
        try:
            return {**kept, "mm": parse(value["typed"], own if own in ("mm", "in") else system)}
        except NotALength as bad:
            raise BadEdit(at, str(bad), value["typed"]) from None
    return {k: _read_lengths(v, f"{at}/{k}", system) for k, v in value.items()}


def length(mm: float) -> dict[str, object]:
    """A length as an edit writes it."""
    return {"mm": round(mm, 3), "typed": f"{metric_text(mm, places=2)} mm"}


def apply(job: Job, edits: Sequence[Edit]) -> tuple[Job, list[Edit]]:
    """The edited job, and the edits that would undo it. Raises BadEdit; the job given is not touched."""
    return apply_to(job.as_written(), edits)


def apply_to(data: Data, edits: Sequence[Edit]) -> tuple[Job, list[Edit]]:
    """The same on a job's own document, which is changed in place: read and checked once, after the edits.

    A value that was kept before its field had a bound stays as long as no edit touches it.
    """
    inverse: list[Edit] = []
    for edit in edits:
        inverse.insert(0, Edit(at=edit.at, to=_set(data, edit)))
    try:
        return read_job(data), inverse
    except BadEdit as bad:
        if any(_meets(bad.at, edit.at) for edit in edits):
            raise
        return read_job(data, STORED), inverse


def _set(data: Data, edit: Edit) -> Any:  # noqa: ANN401
    *way, last = edit.at.split("/")
    if way == [] and last in ("format", "version"):
        raise BadEdit(edit.at, "the format's own marks do not change")
    here: Any = data
    for name in way:
        here = _enter(here, name, edit)
    new = copy.deepcopy(edit.to)
    if isinstance(here, list):
        return _set_item(here, last, new, edit)
    before = here.get(last)
    if new is None:
        here.pop(last, None)
    else:
        here[last] = new
    return before


def _enter(here: Any, name: str, edit: Edit) -> Any:  # noqa: ANN401
    if isinstance(here, list):
        for item in here:
            if item.get("id") == name:
                return item
        raise BadEdit(edit.at, f"there is nothing with the id “{name}”")
    if here.get(name) is None:
        here[name] = [] if name in _LISTS else {}
    if not isinstance(here[name], dict | list):
        raise BadEdit(edit.at, f"“{name}” holds a single value; nothing stands below it")
    return here[name]


_LISTS = ("pieces", "braces", "edge_marks", "zones", "places")


def _set_item(items: list[Any], id_: str, new: Any, edit: Edit) -> Any:  # noqa: ANN401
    at = next((i for i, item in enumerate(items) if item.get("id") == id_), None)
    before = items[at] if at is not None else None
    if new is None:
        if at is not None:
            items.pop(at)
        return before
    if not isinstance(new, dict) or new.get("id", id_) != id_:
        raise BadEdit(edit.at, f"expected the fields of “{id_}”", new)
    if at is None:
        items.append({**new, "id": id_})
    else:
        items[at] = {**new, "id": id_}
    return before


def read_job(data: object, context: str = "") -> Job:
    """A job from plain data; BadEdit names the first wrong place, what was found and what was expected.

    ``context`` is ``STORED`` for a job that was kept before its fields had the bounds that they have now.
    """
    try:
        return Job.model_validate(data, context=context or None)
    except ValidationError as bad:
        first = bad.errors(include_url=False)[0]
        message = refusal(first)
        raise BadEdit(_path(first["loc"], data), message, _brief(first["input"])) from None
    except UnicodeEncodeError:
        where = next((at for at, text in _texts("", data) if not is_whole(text)), "")
        raise BadEdit(where, "half of a pair of signs cannot be kept") from None


def _texts(at: str, value: object) -> Iterator[tuple[str, str]]:
    """Every text of plain data with its place; a field's name stands at the place of what holds it."""
    if isinstance(value, str):
        yield at, value
    elif isinstance(value, dict):
        for name, inside in value.items():
            yield at, str(name)
            yield from _texts(f"{at}/{name}".removeprefix("/"), inside)
    elif isinstance(value, list):
        for n, inside in enumerate(value):
            name = inside.get("id", n) if isinstance(inside, dict) else n
            yield from _texts(f"{at}/{name}".removeprefix("/"), inside)


def _path(loc: tuple[int | str, ...], data: object) -> str:
    names: list[str] = []
    here: Any = data
    for part in loc:
        if isinstance(here, list | tuple) and isinstance(part, int) and part < len(here):
            here = here[part]
            names.append(str(here.get("id", part)) if isinstance(here, dict) else str(part))
        elif isinstance(here, dict) and part not in here and (part in KINDS or part in TAGS):
            continue  # the union's own tag is no place in the job
        else:
            here = here.get(part) if isinstance(here, dict) else None
            names.append(str(part))
    return "/".join(names) or "job"


def _brief(found: object) -> object:
    return found if isinstance(found, str | int | float | bool | None) else f"a {type(found).__name__}"


def clashes(ours: Iterable[Edit], theirs: Iterable[Edit]) -> list[str]:
    """Places that both lists change: the same place, or one inside the other."""
    their_places = [e.at for e in theirs]
    return [e.at for e in ours if any(_meets(e.at, place) for place in their_places)]


def _meets(a: str, b: str) -> bool:
    return a == b or a.startswith(b + "/") or b.startswith(a + "/")
