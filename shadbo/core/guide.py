"""A first job that leads through: what to do now, why, and where; each thing is done when the job says so."""

from collections.abc import Callable, Mapping
from dataclasses import fields
from typing import Any

from shadbo.core.asking.questions import Question
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.levers import Lever, Levers
from shadbo.core.findings import StationName
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, Sayable, both, say

TRIED_MM = (612.0, 611.0, 459.0, 460.0, 19.0, 42.0)
"""A canvas to try it with: top, bottom, left, right, depth, width of its bars."""


@dataclass(frozen=True, slots=True)
class Lead:
    """One thing to do: the ``n``-th of ``of``, where it is done, and whether that is at the bench."""

    n: int
    of: int
    says: Both
    why: Both
    station: StationName
    at: str
    bench: bool = False


@dataclass(frozen=True, slots=True)
class _Seen:
    """A plan with what can be answered at each of its stations."""

    plan: Plan
    rows: Mapping[StationName, tuple[Question, ...]]

    @property
    def job(self) -> Job:
        return self.plan.desk.job


def _seen(plan: Plan) -> _Seen:
    kinds = ("choice", "menu", "length", "pin")
    return _Seen(plan, {s.name: tuple(q for q in s.questions if q.at and q.kind in kinds) for s in stations(plan)})


@dataclass(frozen=True, slots=True)
class _Thing:
    """``at`` is where it is done, empty where this build has nothing of the kind; ``done`` is asked of the job."""

    station: StationName
    says: str
    why: str
    at: Callable[[_Seen], str]
    done: Callable[[_Seen], bool]
    values: tuple[Sayable, ...] = ()
    bench: bool = False


def _to_decide(station: StationName) -> Callable[[_Seen], str]:
    """Where the first decision of a station is taken."""

    def at(seen: _Seen) -> str:
        levers = {x.at for x in _levers(seen)}
        return next((q.at for q in seen.rows[station] if q.at in levers), "")

    return at


def _decided(station: StationName) -> Callable[[_Seen], bool]:
    """Whether some decision of a station is taken."""

    def done(seen: _Seen) -> bool:
        here = {q.at for q in seen.rows[station]}
        return any(x.of(seen.job) is not None for x in _levers(seen) if x.at in here)

    return done


def _levers(seen: _Seen) -> list[Lever[Any]]:
    there = (getattr(seen.plan.desk.levers, f.name) for f in fields(Levers))
    return [x for x in there if x is not None]


PINNED_AT: tuple[StationName, ...] = ("parts", "depth", "sizes", "mount", "hang")


def _pin(seen: _Seen) -> str:
    """Where the first thing that is made is written down as it came out."""
    return next((q.at for s in PINNED_AT for q in seen.rows[s] if q.kind == "pin"), "")


def _open_reading(seen: _Seen) -> str:
    return next((ask.at for ask in seen.plan.asks), f"pieces/{seen.plan.desk.piece.id}/detail")


THINGS: tuple[_Thing, ...] = (
    _Thing(
        "receive",
        "Write down whose it is: for a first try, your own name.",
        "Everything about a piece hangs on its job from the moment it is handed in.",
        lambda _: "owner/name",
        lambda p: bool(p.job.owner.name),
    ),
    _Thing(
        "measure",
        "Read the piece: type what the tape says at each field and press Enter. To try it with a canvas: "
        "{} along the top, {} along the bottom, {} left, {} right, {} deep, bars {} wide.",
        "Both widths and both heights: hardly anything is square, and the frame is made to the larger.",
        _open_reading,
        lambda p: not p.plan.asks,
        tuple(map(Mm, TRIED_MM)),
    ),
    _Thing(
        "sizes",
        "Decide a size here, and watch the frame follow in the drawing.",
        "What you leave open the plan chooses by your shop's habits; what you decide is kept.",
        _to_decide("sizes"),
        _decided("sizes"),
    ),
    _Thing(
        "depth",
        "Decide something of its depth: the ladder under the drawing adds up what lies behind the front edge.",
        "A package deeper than its frame is the dearest slip there is: it is found here, before a cut.",
        _to_decide("depth"),
        _decided("depth"),
    ),
    _Thing(
        "hang",
        "Say how high its middle is to hang; the height of the hook follows.",
        "The hook is told from the floor, with the wire's drop taken off.",
        lambda _: "hanging/eye",
        lambda p: p.job.hanging.eye is not None,
    ),
    _Thing(
        "parts",
        "Cut the first part by the list, measure it, and write down what it really came to.",
        "From here on the plan follows what was made: the rest is cut to that, the materials are kept.",
        _pin,
        lambda p: bool(p.job.pins),
    ),
    _Thing(
        "parts",
        "Go to the bench: it leads through the work one step at a time, and takes the readings back.",
        "Drying times ring, checks are asked once, and nothing is closed before someone looked from the front.",
        lambda _: "bench",
        lambda p: bool(p.job.work),
        bench=True,
    ),
)


def lead(plan: Plan) -> Lead | None:
    """The first thing that is not done yet; None where the job does not lead, or all is done."""
    if not plan.desk.job.guided:
        return None
    seen = _seen(plan)
    for n, thing in enumerate(THINGS, 1):
        if thing.done(seen):
            continue
        at = thing.at(seen)
        if not at:  # nothing of the kind in this build
            continue
        station = next((s for s, rows in seen.rows.items() if any(q.at == at for q in rows)), thing.station)
        says = say(plan.desk.mark, thing.says, *thing.values)
        return Lead(n, len(THINGS), says, both(thing.why), station, at, thing.bench)
    return None
