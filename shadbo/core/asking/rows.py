"""Short ways of asking: a row for each kind of answer."""

from collections.abc import Iterable
from dataclasses import replace

from shadbo.core.asking.questions import Choice, Question, QuestionKind
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.findings import StationName
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.values import Length, Reading
from shadbo.core.words.lengths import Both, inch_text, metric_text, texts
from shadbo.core.words.words import both, say

EMPTY = Both("", "")


def exact(mm: float) -> Both:
    """A length as it was read or decided, without a unit and not rounded to the shop's mark."""
    return Both(metric_text(mm, places=2), inch_text(mm, 64))


def reading_row(
    desk: Desk, at: str, label: str, reading: Reading | None, key: str, needed: bool = False, note: Both | str = ""
) -> Question:
    """A measurement to take, with its tool."""
    return Question(
        id=at,
        kind="reading",
        label=label[:1].upper() + label[1:],
        at=at,
        value=exact(reading.mm) if reading else None,
        typed=reading.typed if reading else "",
        decided=reading is not None,
        tool=reading.tool if reading else "tape",
        note=(both(note) if isinstance(note, str) else note) if note else None,
        key=key,
        tape=key,
        needed=needed and reading is None,
        step_mm=desk.mark.mm,
    )


def length_row(
    desk: Desk,
    at: str,
    label: str,
    decided: Length | None,
    planned: Quantity | None,
    note: str = "",
    tape: str = "",
) -> Question:
    """A length that the framer may decide; what the plan takes stands there until then."""
    value = (
        exact(decided.mm)
        if decided
        else texts(planned.value, desk.mark, planned.way)
        if planned is not None
        else None
    )
    source = (planned.source or None) if planned is not None else None
    return Question(
        id=at,
        kind="length",
        label=label,
        at=at,
        value=value,
        typed=decided.typed if decided else "",
        decided=decided is not None,
        note=both(note or ("decided" if decided else source or "the plan's")),
        key=planned.key if planned is not None else "",
        tape=tape or (planned.key if planned is not None else ""),
        step_mm=desk.mark.mm,
    )


def pin_row(desk: Desk, key: str, label: str = "") -> Question:
    """The real size of a cut or made thing, beside what was planned."""
    q = desk.sheet[key]
    pin = desk.job.pins.get(key)
    planned = q.planned if q.planned is not None else q
    note = say(desk.mark, "{} planned", texts(planned.value, desk.mark, q.way)) if pin else both("as planned")
    return Question(
        id=f"pins/{key}",
        kind="pin",
        label=label or (q.label or key),
        at=f"pins/{key}",
        value=exact(pin.mm) if pin else texts(q.value, desk.mark, q.way),
        typed=pin.typed if pin else "",
        decided=pin is not None,
        tool=pin.tool if pin else "rule",
        note=note,
        key=key,
        tape=key,
        step_mm=desk.mark.mm,
    )


def told(label: str, value: Both | str, key: str = "", note: Both | str = "") -> Question:
    """Something the plan says, to read and not to fill in."""
    return Question(
        id=f"told:{label}:{key}",
        kind="told",
        label=label,
        value=both(value) if isinstance(value, str) else value,
        note=(both(note) if isinstance(note, str) else note) if note else None,
        key=key,
        tape=key,
    )


def told_only(text: str) -> Question:
    """A sentence where there is nothing to ask."""
    return Question(id="told:only", kind="told", label=text)


def folded(id_: str, label: str, says: Both | str, rows: Iterable[Question]) -> list[Question]:
    """Rows that stand folded under one line, which says what they come to; nothing where there are none."""
    inside = [replace(q, fold=f"fold:{id_}", aside=True) for q in rows]
    if not inside:
        return []
    value = both(says) if isinstance(says, str) else says
    return [Question(id=f"fold:{id_}", kind="fold", label=label, value=value), *inside]


def beside(rows: Iterable[Question]) -> list[Question]:
    """Rows out of the way of Enter: there for whoever wants them."""
    return [replace(q, aside=True) for q in rows]


def way(label: str, station: StationName) -> Question:
    """A way to another station, to its first field."""
    return Question(id=f"way:{station}", kind="way", label=label, goes=station)


def care(text: str) -> Question:
    """A caution for the step that follows."""
    return Question(id=f"care:{text[:40]}", kind="care", label=text)


def text_row(at: str, label: str, value: str, kind: QuestionKind = "text", note: str = "") -> Question:
    """A line or a paragraph of words."""
    return Question(
        id=at,
        kind=kind,
        label=label,
        at=at,
        value=both(value) if value else None,
        typed=value,
        decided=bool(value),
        note=both(note) if note else None,
    )


def choice_row(
    at: str,
    label: str,
    choices: Iterable[Choice],
    decided: bool,
    note: str | Both = "",
    key: str = "",
    menu: bool = False,
) -> Question:
    """A few answers side by side, or many in a menu."""
    return Question(
        id=at,
        kind="menu" if menu else "choice",
        label=label,
        at=at,
        decided=decided,
        choices=tuple(choices),
        note=(both(note) if isinstance(note, str) else note) if note else None,
        key=key,
        tape=key,
    )


def act(id_: str, label: str, *edits: Edit) -> Question:
    """A button that makes edits."""
    return Question(id=f"act:{id_}", kind="act", label=label, edits=edits)
