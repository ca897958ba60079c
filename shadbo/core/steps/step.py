"""One step of the work: what it makes of what, how, with what, and what is looked at before it counts as done."""

import datetime as dt
from typing import Literal

from shadbo.core.build.assembly import ViewName
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.calendar import Calendar
from shadbo.core.words.lengths import Both
from shadbo.core.words.stages import Stage

Stuff = Literal["piece", "wood", "paper", "glass"]
"""What is in hand: where the bench must be clean in another way."""
ThingKind = Literal[
    "here",
    "settled",
    "ready",
    "part",
    "slotted",
    "three sides",
    "joined",
    "unclamped",
    "strong",
    "finished",
    "measured",
    "ordered",
    "marked",
    "opened",
    "mounted",
    "clean",
    "tried",
    "laid",
    "looked",
    "fixed",
    "covered",
    "hung",
    "labelled",
    "checked",
    "pictured",
    "packed",
    "gone",
]


PaperName = Literal[
    "work-sheet.pdf",
    "ticket.pdf",
    "label.pdf",
    "care.pdf",
    "certificate.pdf",
    "templates.pdf",
    "mats.pdf",
    "order.pdf",
    "cut.dxf",
]
PAPER_TITLES: dict[PaperName, str] = {
    "work-sheet.pdf": "Work sheet",
    "ticket.pdf": "Job ticket",
    "label.pdf": "Label for the back",
    "care.pdf": "Care sheet",
    "certificate.pdf": "Certificate",
    "templates.pdf": "Templates, full size",
    "mats.pdf": "Mat cutting sheet",
    "order.pdf": "Order",
    "cut.dxf": "Cutting file, DXF",
}
"""Papers that steps work by, and what they are called wherever they stand."""


@dataclass(frozen=True, slots=True)
class Thing:
    """A state of the work that one step brings about and others need; of one part, join or piece by its id."""

    kind: ThingKind
    id: str = ""


@dataclass(frozen=True, slots=True)
class Made:
    """What a step makes, and how long after its end it can be used: ``why`` says what happens in that time.

    ``early`` says what comes of using it sooner. ``days`` are working days, which count by the shop's calendar;
    ``after_min`` is then about what they take. ``clamped``: a set of clamps is on it until somebody goes on with it.
    """

    thing: Thing
    after_min: float = 0.0
    why: str = ""
    early: str = ""
    days: float = 0.0
    clamped: bool = False

    def usable(self, ended: dt.datetime, calendar: Calendar) -> dt.datetime:
        """From when it can be used, by the time at which its step ended."""
        if self.days:
            return calendar.after_working_days(ended, self.days)
        return ended + dt.timedelta(minutes=self.after_min)


@dataclass(frozen=True, slots=True)
class Fetched:
    """So many of one thing for a step, of one size where it has any."""

    count: int
    name: str
    size: Both


@dataclass(frozen=True, slots=True)
class Check:
    """Something to look at or to measure before a step counts as done.

    A size is read against ``wanted``, give or take ``within_mm``. With a ``key`` it is the real size of that line,
    and the plan follows it; without one the reading stays with the step. ``beyond`` says what follows where it is
    out. ``signed``: somebody writes their name; ``pictured``: photographs are kept with the job.
    ``book``: it is for the book alone, and may be left out.
    """

    id: str
    words: str
    wanted: Quantity | None = None
    within_mm: float = 0.0
    key: str = ""
    beyond: str = ""
    signed: bool = False
    pictured: bool = False
    book: bool = False


@dataclass(frozen=True, slots=True)
class Step:
    """One operation at the bench. ``says`` is one sentence, ``how`` what to mind, in the order of doing.

    ``makes`` and ``needs`` give the order. ``view`` is its drawing, ``lit`` the lines that stand out in it, ``drawn``
    the parts that it shows alone; ``sizes`` are what the plan asks of it. ``minutes`` are those of one person;
    ``people`` how many it takes. ``stops`` keeps it from being done. ``papers`` are what it works by or hands on;
    ``closes``: no check may be open before it. ``ends_with`` are edits of the job that go with its end.
    """

    id: str
    stage: Stage
    says: str
    makes: tuple[Made, ...]
    needs: tuple[Thing, ...] = ()
    how: tuple[Both, ...] = ()
    view: ViewName = "front"
    lit: tuple[str, ...] = ()
    drawn: tuple[str, ...] = ()
    sizes: tuple[Quantity, ...] = ()
    stuff: Stuff = "wood"
    tools: tuple[str, ...] = ()
    fetched: tuple[Fetched, ...] = ()
    minutes: float = 5.0
    people: int = 1
    cautions: tuple[str, ...] = ()
    checks: tuple[Check, ...] = ()
    stops: str = ""
    papers: tuple[PaperName, ...] = ()
    closes: bool = False
    ends_with: tuple[Edit, ...] = ()
