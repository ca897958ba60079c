"""How far the demo's jobs have come at the bench: five of them on their way, two not as planned."""

import datetime as dt
from dataclasses import dataclass

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.core.steps import steps
from shadbo.core.steps.step import Step


@dataclass(frozen=True, slots=True)
class Past:
    """A step that was done: by whom, how long before now it ended, how long it took (min), what went otherwise."""

    step: str
    who: str
    ago: float
    took: float
    note: str = ""
    remade: int = 0


HEDDA, PIRAN, JORY, MABYN = "Hedda Sorrel", "Piran Oake", "Jory Lusk", "Mabyn Thrale"
DAY = 1440.0
SHEDS = (
    Past("receive", HEDDA, 9 * DAY, 9),
    Past("plan", HEDDA, 8 * DAY, 6),
    Past("ready.piece", JORY, 5 * DAY, 12),
    Past("cut.rails", JORY, 5 * DAY - 30, 34, "the stop slipped: one long rail came out short, cut again", 1),
    Past("slot", JORY, 5 * DAY - 60, 14),
    Past("join", JORY, 5 * DAY - 80, 16),
    Past("unclamp", JORY, 4 * DAY, 5),
    Past("finish", JORY, 4 * DAY - 20, 11),
    Past("measure.frame", HEDDA, 3 * DAY, 6),
)
KELP = (
    Past("receive", HEDDA, 3 * DAY, 8),
    Past("plan", HEDDA, 3 * DAY - 20, 5),
    Past("ready.piece", MABYN, 90, 9),
    Past("cut.rails", PIRAN, 60, 21),
    Past("join", PIRAN, 20, 13),
)
OYSTERS = (
    Past("receive", HEDDA, 6 * DAY, 10),
    Past("plan", HEDDA, 6 * DAY - 30, 5),
    Past("ready.piece", MABYN, 5 * DAY, 7),
    Past("cut.rails", JORY, 4 * DAY, 20),
    Past("join", JORY, 4 * DAY - 30, 12),
    Past("unclamp", JORY, 3 * DAY, 4),
    Past("finish", JORY, 3 * DAY - 10, 9),
    Past("measure.frame", HEDDA, 2 * DAY, 5),
    Past("cut.glazing", HEDDA, 2 * DAY - 30, 9),
    Past("cut.mat", HEDDA, 2 * DAY - 50, 10),
    Past("window.mat", HEDDA, 2 * DAY - 70, 13, "an overcut at one corner; burnished, it does not show"),
    Past("window.mat_inner", HEDDA, 2 * DAY - 90, 11),
    Past("cut.board", HEDDA, 2 * DAY - 110, 8),
    Past("mount.piece", MABYN, 300, 14),
)
SHIRT = (
    Past("receive", HEDDA, 8 * DAY, 12),
    Past("order.plate", HEDDA, 8 * DAY - 30, 5),
    Past("plan", HEDDA, 7 * DAY, 8),
    Past("dye.piece", MABYN, 6 * DAY, 6),
    Past("flatten.piece", MABYN, 6 * DAY - 40, 22),
)
CUTTER = (
    Past("receive", HEDDA, 5 * DAY, 8),
    Past("plan", HEDDA, 5 * DAY - 20, 6),
    Past("ready.piece", MABYN, 2 * DAY, 6),
    Past("mill", PIRAN, 2 * DAY - 60, 31),
)
SO_FAR = {
    "Allotment sheds, August": SHEDS,
    "Kelp gatherers": KELP,
    "Oyster beds, pastel": OYSTERS,
    "Shirt of the winning eight": SHIRT,
    "Pilot cutter, lit": CUTTER,
}


def so_far(job: Job, shop: Shop, now: dt.datetime) -> list[Edit]:
    """Edits that say what was done of a job before now; none for one that is not begun."""
    past = SO_FAR.get(job.title, ())
    by_id = {step.id: step for step in steps(assess(job, shop))} if past else {}
    return [Edit(at=f"work/{p.step}", to=_done(p, by_id[p.step], now)) for p in past]


def _done(past: Past, step: Step, now: dt.datetime) -> dict[str, object]:
    ended = now - dt.timedelta(minutes=past.ago)
    began = ended - dt.timedelta(minutes=past.took)
    answers = {check.id: "yes" for check in step.checks}
    told: dict[str, object] = {"began": began.isoformat(), "ended": ended.isoformat(), "who": past.who}
    told["answers"] = answers
    if past.note:
        told["note"] = past.note
    if past.remade:
        told["remade"] = past.remade
    return told
