"""The eight stations of a job, in the order of work: each with its answer and its questions."""

from collections.abc import Callable
from dataclasses import replace

from shadbo.core.asking.questions import Question, Station, StationMark
from shadbo.core.asking.rows import told_only, way
from shadbo.core.displays.registry import DISPLAYS
from shadbo.core.findings import RANK, StationName
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Severity
from shadbo.core.stations import answers, hang, measure, outside, receive
from shadbo.core.stations.prepare import prepare_rows
from shadbo.core.words.glossary import meanings_in

TITLES: dict[StationName, tuple[str, str, str, str]] = {
    "receive": (
        "Receive",
        "The piece comes in",
        "Whose it is, what it is, what must never happen to it.",
        "front",
    ),
    "measure": (
        "Measure",
        "What the tape says",
        "Front to you, top edge up. Enter goes round with the tape, = is ditto; t r c e: tape, rule, caliper, eye.",
        "tape",
    ),
    "display": ("Display", "What shows it", "Each is planned; picking one keeps what the others had.", "edge"),
    "sizes": ("Sizes", "Round the piece", "What is to be seen round it sets the frame.", "front"),
    "depth": ("Depth", "Front to back", "What lies behind what, and what fills the rest.", "edge"),
    "mount": ("Mount", "What holds it", "Chosen by what may be done to the piece.", "back"),
    "parts": (
        "Frame & parts",
        "To cut and to make",
        "Cut to these; then write down what was really made.",
        "parts",
    ),
    "hang": ("Close & hang", "Onto the wall", "Hardware for the weight, and the height of the hook.", "back"),
}


WAITS = "This waits for the readings at {}."
"""Said by a station that can ask nothing before the piece is measured."""


def stations(plan: Plan, only: str = "") -> tuple[Station, ...]:
    """All eight stations as they stand for a plan; with ``only``, the questions of that one alone."""
    desk = plan.desk
    own = plan.display.questions(desk, plan.assembly) if only not in ("receive", "measure") else {}
    shared: dict[StationName, Callable[[], list[Question]]] = {
        "receive": lambda: receive.questions(desk),
        "measure": lambda: measure.questions(desk),
        "display": lambda: measure.display_questions(desk, DISPLAYS, plan.display),
        "mount": lambda: prepare_rows(desk) if plan.assembly is not None else [],
        "hang": lambda: hang.questions(plan),
    }
    out = []
    for name, (label, title, lead, view) in TITLES.items():
        answer, second = answers.answer(plan, name)
        questions: tuple[Question, ...] = ()
        if only in ("", name):
            questions = (*(shared[name]() if name in shared else ()), *own.get(name, ()))
            questions += tuple(outside.questions(plan)) if name == "parts" else ()
        if only in ("", name) and not questions:
            to: StationName = plan.asks[0].station if plan.asks else "measure"
            questions = (told_only(WAITS.format(TITLES[to][0])), way("Go to the readings", to))
        questions = _out_of_the_way(questions, name)
        if name == "mount" and plan.assembly is not None and plan.assembly.spots:
            view = "holes"
        said = meanings_in((lead, *(text for q in questions for text in _texts(q))))
        out.append(Station(name, label, title, lead, answer, second, view, questions, _mark(plan, name), said))
    return tuple(out)


ON_THE_WAY: dict[StationName, int] = {"display": 2, "sizes": 2, "depth": 1, "mount": 0, "parts": 0, "hang": 0}
"""How many fields of a station Enter stops at, of those that the plan fills by itself."""
FIELDS = ("text", "note", "date", "reading", "length", "weight", "number", "choice", "menu", "pin", "compare")


def _out_of_the_way(questions: tuple[Question, ...], name: StationName) -> tuple[Question, ...]:
    """Enter stops where something is to be said; what the plan chooses, and what the bench writes down, it passes."""
    left, out = ON_THE_WAY.get(name, len(questions)), []
    for q in questions:
        if q.kind not in FIELDS or q.aside or q.needed:
            out.append(q)
            continue
        free = any(c.to is None for c in q.choices) and not q.decided
        chosen = free and (q.kind == "menu" or (q.kind == "choice" and name != "display"))
        passes = q.kind == "pin" or chosen or left <= 0
        left -= not passes
        out.append(replace(q, aside=True) if passes else q)
    return tuple(out)


def _texts(q: Question) -> tuple[str, ...]:
    """What a row says in words."""
    return (q.label, *(x.mm for x in (q.value, q.note) if x is not None), *(c.label for c in q.choices))


def _mark(plan: Plan, name: StationName) -> StationMark:
    if any(ask.station == name for ask in plan.asks):
        return "asks"
    if plan.assembly is None:
        return "open"
    here = [f.severity for f in plan.findings if f.station == name]
    worst: Severity = max(here, key=RANK.__getitem__, default="fine")
    return "fine" if worst == "note" else worst
