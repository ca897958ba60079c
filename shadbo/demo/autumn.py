"""The jobs of the autumn, finished: made up by a seeded generator, with minutes, readings and what went otherwise.

The invented shop saws a little long, joins a little wide, and takes longer at the bench than the usual minutes say.
"""

import datetime as dt
import math
import random
from collections.abc import Iterator
from dataclasses import dataclass

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.floating.floater.options import FloaterOptions
from shadbo.core.displays.rabbeted.window_mat.options import MatOptions
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Hanging, Job
from shadbo.core.job.options import Options
from shadbo.core.pieces.pieces import Detail, Paper, Puzzle, StretchedCanvas
from shadbo.core.plan import Plan
from shadbo.core.schedule.hours import stretches
from shadbo.core.schedule.outline import moment
from shadbo.core.shop.shop import Shop
from shadbo.core.steps import steps
from shadbo.core.steps.progress import planned_mm
from shadbo.core.steps.step import Check, Step
from shadbo.core.sums.order import MITRES
from shadbo.core.words.stages import Stage
from shadbo.demo.at_work import HEDDA, JORY, MABYN, PIRAN
from shadbo.demo.making import around, job, r
from shadbo.demo.shop import PROFILES

SEED = 61
WEEKS = 13
PACE: dict[Stage, float] = {
    "receive": 1.0,
    "prepare": 1.1,
    "frame": 1.3,
    "boards": 1.15,
    "mount": 1.2,
    "fit": 1.25,
    "close": 1.0,
    "leave": 0.9,
}
"""How much longer a stage takes here than the usual minutes."""
HANDS: dict[Stage, tuple[str, ...]] = {
    "frame": (PIRAN, JORY),
    "boards": (MABYN, HEDDA),
    "mount": (MABYN,),
    "fit": (MABYN, PIRAN),
}
TOO_LONG_MM, TOO_WIDE_MM, SPREAD_MM = 0.25, 0.4, 0.22
MORE_KERF_MM = 0.5
SPOILED = 0.045
WRONGS = (
    "the mitre would not close; the fence was off, cut again",
    "a chip out of the face at the long point, cut again",
    "the blade wandered in the corner; a new sheet",
    "a speck under the pane after closing, opened once more",
    "cut to the wrong side of the line",
)
PIECES: tuple[tuple[str, str, str, str, float, float], ...] = (
    ("Mussel rope", "Maren Tolv", "slip 4, Skerrow", "canvas", 420, 300),
    ("Gig shed, winter", "Skerrow rowing club", "Tomas Hale", "canvas", 610, 405),
    ("Late leeks", "Skerrow allotment society", "Bea Nordahl", "canvas", 500, 500),
    ("Ebb at the steps", "Ilka Bram", "Quay row 9", "canvas", 760, 510),
    ("Two buoys", "Maren Tolv", "slip 4, Skerrow", "canvas", 300, 300),
    ("Rope walk", "R. Osk", "the old chandlery", "canvas", 900, 600),
    ("Pilot's chart, 1934", "Skerrow lifeboat crew", "the boathouse", "paper", 560, 420),
    ("Prize list, sculls", "Skerrow rowing club", "Tomas Hale", "paper", 297, 420),
    ("Fog signal, etching", "Ilka Bram", "Quay row 9", "paper", 240, 180),
    ("School harbour map", "Skerrow school", "the office", "paper", 700, 500),
    ("Seed packets, proof", "Skerrow allotment society", "Bea Nordahl", "paper", 420, 297),
    ("Gulls, linocut", "R. Osk", "the old chandlery", "paper", 350, 350),
    ("Letter of thanks", "Skerrow lifeboat crew", "the boathouse", "paper", 210, 297),
    ("Net menders", "Ilka Bram", "Quay row 9", "paper", 480, 330),
    ("Ferry in port, 500 pieces", "Skerrow school", "the office", "puzzle", 490, 360),
    ("Herring quay, 1000 pieces", "Bea Nordahl", "allotment 12", "puzzle", 690, 490),
    ("Slack water", "Maren Tolv", "slip 4, Skerrow", "canvas", 550, 380),
    ("Ticket of the first regatta", "Skerrow rowing club", "Tomas Hale", "paper", 148, 105),
)


@dataclass(frozen=True, slots=True)
class Finished:
    """A job as it came in, and the edits that say what was done of it."""

    job: Job
    edits: tuple[Edit, ...]


def autumn(shop: Shop, now: dt.datetime) -> Iterator[Finished]:
    """Every job of the quarter before now, each handed over."""
    dice = random.Random(SEED)
    for n, (title, owner, contact, kind, w, h) in enumerate(PIECES):
        came = (now - dt.timedelta(weeks=WEEKS * (1 - n / len(PIECES)), days=dice.randint(0, 3))).date()
        made = _as_it_came(
            title, owner, contact, kind, (w + dice.uniform(-4, 4), h + dice.uniform(-4, 4)), came, dice
        )
        yield Finished(made, tuple(_worked(made, shop, came, dice)))


def _as_it_came(
    title: str, owner: str, contact: str, kind: str, size: tuple[float, float], came: dt.date, dice: random.Random
) -> Job:
    w, h = (round(x * 2) / 2 for x in size)
    off = (round(dice.uniform(-1, 1) * 2) / 2, round(dice.uniform(-1, 1) * 2) / 2)
    detail: Detail
    display, options = "window mat", Options(window_mat=MatOptions(double=dice.random() < 0.3))
    if kind == "canvas":
        detail = StretchedCanvas(**around(w, h, *off), depth=r(dice.choice((19, 20, 38))), bar_face=r(40))
        fits = PROFILES[2] if detail.depth is not None and detail.depth.mm > 30 else PROFILES[0]
        display, options = "floater", Options(floater=FloaterOptions(profile=fits))
    elif kind == "puzzle":
        detail, display, options = (
            Puzzle(**around(w, h), thickness=r(2, "caliper"), state="taped"),
            "puzzle frame",
            Options(),
        )
    else:
        detail = Paper(**around(w, h), thickness=r(0.3, "caliper"), sort="print")
    due = came + dt.timedelta(days=21)
    found = job(
        title, owner, contact, (came.month, came.day), (due.month, due.day), detail, display=display, options=options
    )
    return found.model_copy(update={"received": came, "due": due, "hanging": Hanging(place="as it was")})


def _worked(made: Job, shop: Shop, came: dt.date, dice: random.Random) -> Iterator[Edit]:
    """Every step done, in hours that the shop is open, its sizes read as they came out."""
    at = _Hours(shop, came)
    plan, known = assess(made, shop), made
    for step_id in [s.id for s in steps(plan)]:
        step = next((s for s in steps(plan) if s.id == step_id), None)
        if step is None or plan.worst == "stop":
            continue
        edits = list(_done(step, plan, at, dice))
        after = apply(known, edits)[0]
        if any(e.at.startswith("pins/") for e in edits):
            read = assess(after, shop)
            if read.worst == "stop":  # what cannot be is not what was read
                edits = [e for e in edits if not e.at.startswith("pins/")]
                after, read = apply(known, edits)[0], plan
            plan = read
        known = after
        yield from edits
    yield Edit(at="handed_over", to=at.now.date().isoformat())


class _Hours:
    """A clock that runs while the shop is open, and over the waits."""

    def __init__(self, shop: Shop, first: dt.date) -> None:
        self._parts = [(moment(a), moment(b)) for a, b in stretches(shop.calendar, first, 120)]
        self.now = self._parts[0][0]

    def work(self, minutes: float) -> tuple[dt.datetime, dt.datetime]:
        """So many minutes in one stretch, from now or the next hour of opening on."""
        for a, b in self._parts:
            begin = max(a, self.now)
            if b - begin >= dt.timedelta(minutes=minutes):
                self.now = begin + dt.timedelta(minutes=minutes)
                return begin, self.now
        raise AssertionError("a quarter has hours enough")

    def wait(self, until: dt.datetime) -> None:
        """Nothing of this job before then."""
        self.now = max(self.now, until)


def _done(step: Step, plan: Plan, at: _Hours, dice: random.Random) -> Iterator[Edit]:
    spoiled = dice.random() < SPOILED * 2 and any(m.thing.kind in ("part", "opened", "joined") for m in step.makes)
    minutes = step.minutes * PACE[step.stage] * math.exp(dice.gauss(0, 0.22)) * (1.8 if spoiled else 1)
    began, ended = at.work(min(max(minutes, 1), 200))
    told: dict[str, object] = {"began": began.isoformat(), "ended": ended.isoformat()}
    at_front = step.stage in ("receive", "close", "leave")
    told["who"] = HEDDA if at_front else dice.choice(HANDS.get(step.stage, (JORY, MABYN)))
    if any(c.signed for c in step.checks):
        told["taken_by"] = plan.desk.job.owner.name
    told["answers"] = {c.id: "yes" for c in step.checks if not c.signed and c.wanted is None}
    if spoiled:
        told |= {"remade": 1, "note": dice.choice(WRONGS)}
    sizes = {c.id: _read(c, dice) for c in step.checks if c.wanted is not None and not c.key}
    if sizes:
        told["sizes"] = sizes
    yield from (Edit(at=f"pins/{c.key}", to=_read(c, dice)) for c in step.checks if c.key and c.wanted is not None)
    yield Edit(at=f"work/{step.id}", to=told)
    for made in step.makes:
        at.wait(made.usable(ended, plan.desk.shop.calendar))


def _read(check: Check, dice: random.Random) -> dict[str, object]:
    """A size as it came out: rails long, frames wide, the rest about right."""
    assert check.wanted is not None
    rail, frame = check.key.startswith("rail."), check.key.startswith("frame.")
    drift = TOO_WIDE_MM if frame else TOO_LONG_MM if rail else -SPREAD_MM
    spread = SPREAD_MM if rail or frame else SPREAD_MM / 3
    if check.book:  # what is left of a stick: by so much less as the saw takes more
        drift, spread = -MORE_KERF_MM * MITRES * math.sqrt(2), 2.0
    mm = round((planned_mm(check.wanted) + drift + dice.gauss(0, spread)) * 10) / 10
    return {"mm": mm, "typed": f"{mm:g}", "tool": "tape" if check.key.startswith("frame.") else "rule"}


def shifted(job: Job, weeks: int) -> Job:
    """The same job so many weeks later."""
    later = {k: d + dt.timedelta(weeks=weeks) for k in ("received", "due") if (d := getattr(job, k)) is not None}
    return job.model_copy(update=later)


def weeks_since(day: dt.date, now: dt.datetime) -> int:
    """Whole weeks from a day to now, none before it."""
    return max((now.date() - day).days // 7, 0)
