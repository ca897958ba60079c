"""The weeks as a drawing: days across, hands and waits down, the days that were promised as flags below.

Straight in px of its paper, y down. A hand's work on one job is a block like a rail laid on the bench, mitred at both
ends, hatched by what is in hand.
"""

import datetime as dt
from collections.abc import Iterator, Sequence

from shadbo.core.build.assembly import Dot, Hatch
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.ink import ACCENT, FILLS, INK, SOFT, Stroke
from shadbo.core.drawing.marks import Circle, Fit, Group, Paper, Path, Sheet2D, Text
from shadbo.core.drawing.svg import write_svg
from shadbo.core.schedule.days import BESIDE, FLAG, LEFT, PAPER, Days
from shadbo.core.schedule.hours import Hand
from shadbo.core.schedule.outline import moment
from shadbo.core.schedule.reasons import chain
from shadbo.core.schedule.said import day_said, time_said
from shadbo.core.schedule.schedule import Schedule
from shadbo.core.schedule.views import promise_of
from shadbo.core.schedule.work import Spell, blocks, work_of
from shadbo.core.shop.calendar import WEEK
from shadbo.core.steps.step import Stuff

TOP, ROW, BLOCK = 34.0, 56.0, 34.0
LANE, MOST_LANES = 24.0, 7
MITRE, NARROW = 4.0, 20.0
FLAG_ROW = 20.0
"""From one row of flags to the next."""
LINE = "#d8d0bc"
STOP, CAUTION = "#9c1c1c", "#7a4a00"
HATCHES: dict[Stuff, Hatch] = {"piece": "textile", "wood": "wood", "paper": "mat", "glass": "glass"}
MOST_SIGNS = 10
LONG_WAIT = 120
"""Minutes of a wait that is drawn."""


def draw_weeks(s: Schedule) -> str:
    """The weeks as SVG. What belongs to a job carries its number as ``data-key``."""
    days = Days(s)
    waits = _lanes(list(_waits(s, days)))
    low = TOP + 20 + ROW * max(len(s.house.hands), 1)
    flags = low + LANE * (1 + max(1, min(len({n for n, _ in waits}), MOST_LANES)))
    promised = list(_flags(s, days))
    bottom = flags + max(62.0, FLAG_ROW * (1 + max((f.row for f in promised), default=0)) + 2)
    paper = Paper(PAPER.name, PAPER.width, bottom + 10, PAPER.keep)
    groups = [
        *_grid(s, days, bottom),
        *(g for n, hand in enumerate(s.house.hands) for g in _row(s, days, hand, TOP + 20 + ROW * n)),
        *_waiting(waits, low),
        *_promised(s, promised, flags, bottom),
        *_now(s, days, bottom),
    ]
    sheet = Sheet2D(paper, Fit(1, 0, 0), groups, " ".join(_sentences(s)))
    return write_svg(sheet, f"The work of {len(days.columns)} days")


def _label(at: Dot, text: str, **more: object) -> Text:
    return Text(at, text, **{"size": 15.0, "colour": INK, **more})  # type: ignore[arg-type]


def _grid(s: Schedule, days: Days, bottom: float) -> Iterator[Group]:
    marks: list[Path | Circle | Text] = []
    for c in days.columns:
        marks.append(Path(((c.x, 4), (c.x, bottom)), Stroke(LINE, 1.2)))
        today = c.day == s.today
        said = f"{WEEK[c.day.weekday()]} {c.day.day}"
        marks.append(_label((c.x + 5, 18), said, size=16.0, colour=ACCENT if today else INK, bold=today))
    marks.append(Path(((LEFT, 26), (PAPER.width, 26)), Stroke(INK, 1.2)))
    yield Group("", "grid", tuple(marks))


def _now(s: Schedule, days: Days, bottom: float) -> Iterator[Group]:
    x = days.x(s.now)
    line = Path(((x, 27), (x, bottom)), Stroke(ACCENT, 1.8))
    yield Group("", "now", (line, _label((x + 4, bottom - 2), "now", size=13.0, colour=ACCENT)))


def _row(s: Schedule, days: Days, hand: Hand, y: float) -> Iterator[Group]:
    name: list[Path | Circle | Text] = [_label((0, y + 21), short(hand.name), bold=True, size=16.0)]
    if hand.learning:
        name.append(_label((0, y + 36), "learning", size=13.0, colour=SOFT))
    yield Group("", "hand", tuple(name))
    for block in blocks(work_of(s, hand.id)):
        if block[0].start < days.columns[-1].end if days.columns else False:
            yield _block(s, days, block, y)


def short(name: str) -> str:
    """The first of somebody's names, as far as there is room.

    >>> short("Hedda Sorrel"), short("Maximilianus")
    ('Hedda', 'Maximilia…')
    """
    first = name.split()[0] if name.split() else name
    return first if len(first) <= MOST_SIGNS else f"{first[: MOST_SIGNS - 1]}…"


def _block(s: Schedule, days: Days, block: Sequence[Spell], y: float) -> Group:
    left, right = days.x(block[0].start), days.x(block[-1].end)
    right = max(right, left + 5)
    tasks = s.cases[block[0].job].outline.tasks
    by_stuff: dict[Stuff, int] = {}
    for p in block:
        stuff = tasks[p.task].stuff
        by_stuff[stuff] = by_stuff.get(stuff, 0) + p.end - p.start
    stuff = max(by_stuff, key=lambda k: (by_stuff[k], k))
    mitre = min(MITRE, (right - left) / 3)
    ring = ((left, y), (right, y), (right - mitre, y + BLOCK), (left + mitre, y + BLOCK))
    hatch = HATCHES[stuff]
    marks: list[Path | Circle | Text] = [
        Path(ring, Stroke(INK, 1.2), True, hatch if FILLS[hatch].path else "", FILLS[hatch].tone)
    ]
    job = block[0].job
    if right - left >= NARROW:
        marks.append(_label(((left + right) / 2, y + 22), str(job), size=14.5, anchor="middle", halo=True))
    return Group(str(job), "block", tuple(marks))


@dataclass(frozen=True, slots=True)
class Wait:
    """A wait of a job between two places across."""

    left: float
    right: float
    job: int
    says: str


def _waits(s: Schedule, days: Days) -> Iterator[Wait]:
    """Waits that make a job's day, and that are long enough to be seen."""
    for number in s.order:
        links = [x for x in chain(s, number) if x.kind == "wait"]
        for link in links:
            if (link.end - link.start) < dt.timedelta(minutes=LONG_WAIT):
                continue
            left, right = (days.x(round(t.timestamp() / 60)) for t in (link.start, link.end))
            if left < PAPER.width - 60 and days.columns:
                ends = day_said(link.end.astimezone(s.house.calendar.clock).date(), s.today)
                until = f" until {ends}" if link.end - link.start > dt.timedelta(days=2) else ""
                yield Wait(left, max(right, left + 8), number, f"{number} {link.says}{until}")


def _lanes(waits: list[Wait]) -> list[tuple[int, Wait]]:
    """Each wait on the first lane where it and its words meet no other; what finds none is left out."""
    ends: list[float] = []
    out: list[tuple[int, Wait]] = []
    for wait in sorted(waits, key=lambda w: (w.left, w.job)):
        reach = max(wait.right, wait.left + 6 + 6.2 * len(wait.says)) + 8
        n = next((i for i, end in enumerate(ends) if end <= wait.left), len(ends))
        if n >= MOST_LANES:
            continue
        if n == len(ends):
            ends.append(0.0)
        ends[n] = reach
        out.append((n, wait))
    return out


def _waiting(waits: Sequence[tuple[int, Wait]], top: float) -> Iterator[Group]:
    yield Group(
        "",
        "hand",
        (
            _label((0, top + 18), "Waiting", bold=True, size=16.0),
            _label((0, top + 33), "by itself", size=13.0, colour=SOFT),
        ),
    )
    for lane, w in waits:
        y = top + 18 + LANE * lane
        dashed, solid = Stroke(SOFT, 1.1, "4 3"), Stroke(SOFT, 1.1)
        start = min(w.left, PAPER.width - 6.2 * len(w.says) - 8)
        marks: tuple[Path | Circle | Text, ...] = (
            Path(((w.left, y), (w.right, y)), dashed),
            Path(((w.left, y - 3), (w.left, y + 4)), solid),
            Path(((w.right, y - 3), (w.right, y + 4)), solid),
            _label((start + 5, y - 4), w.says, size=13.5, colour="#4c493f"),
        )
        yield Group(str(w.job), "wait", marks)


@dataclass(frozen=True, slots=True)
class Flag:
    """The flag of a job: where its left edge stands, and in which row."""

    left: float
    row: int
    job: int


def _flags(s: Schedule, days: Days) -> Iterator[Flag]:
    """A flag for each job at the end of the day that it is promised for, or of today where that is gone.

    Each stands in the first row where it covers no other, so that those of one day stand one above the other.
    """
    ends: list[float] = []
    due = ((days.of(max(c.due, s.today)), c.due, n) for n, c in s.cases.items() if c.due is not None)
    for x, _, job in sorted((x, day, n) for x, day, n in due if x is not None):
        left = x - FLAG - BESIDE
        row = next((n for n, end in enumerate(ends) if end <= left), len(ends))
        ends[row : row + 1] = [left + FLAG]
        yield Flag(left - 3 * (row % 3), row, job)


def _promised(s: Schedule, flags: Sequence[Flag], y: float, bottom: float) -> Iterator[Group]:
    yield Group("", "hand", (_label((0, y + 17), "Promised", bold=True, size=16.0),))
    for flag in flags:
        kind = promise_of(s, flag.job)
        tone = {"late": STOP, "close": CAUTION}.get(kind, "#fcfbf5")
        colour = "#ffffff" if kind in ("late", "close") else SOFT if kind == "not planned" else INK
        left, top = flag.left, y + FLAG_ROW * flag.row
        right = left + FLAG
        ring = ((left, top), (right, top), (right - 5, top + 9), (right, top + 18), (left, top + 18))
        edge = Stroke(SOFT, 1.0, "3 2") if kind == "not planned" else Stroke(INK, 1.0)
        yield Group(
            str(flag.job),
            "flag",
            (
                Path(((left, top), (left, bottom)), Stroke(INK, 1.0)),
                Path(ring, edge, True, "", tone),
                _label((left + 4, top + 14), str(flag.job), size=14.5, colour=colour),
            ),
        )


def _sentences(s: Schedule) -> Iterator[str]:
    """The drawing in words, for who does not see it."""
    calendar = s.house.calendar
    for hand in s.house.hands:
        mine = work_of(s, hand.id)
        last = time_said(moment(mine[-1].start), s.today, calendar) if mine else ""
        yield f"{hand.name}: {len(mine)} steps, the last {last}." if mine else f"{hand.name}: nothing to do."
    late = [str(n) for n in s.cases if promise_of(s, n) == "late"]
    if late:
        yield f"Late: {', '.join(late)}."
