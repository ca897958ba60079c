"""Lessons: what the shop's habits are said to be, what its jobs say they are, and how sure that is."""

from collections.abc import Callable, Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.learned.drawn import dots
from shadbo.core.learned.robust import Spread, reach, spread
from shadbo.core.learned.samples import Sample
from shadbo.core.settings.table import STAGE_SAID
from shadbo.core.settings.values import KNOWN, number_of, says
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.stages import Stage
from shadbo.core.words.words import both

FEW_JOBS = 8
"""Fewer jobs than this say too little: common practice, no source."""
SAME = 0.05
"""A habit within a twentieth of what the jobs say is right as it is."""


@dataclass(frozen=True, slots=True)
class Lesson:
    """One habit: as it is set, as the jobs say, in how many jobs, within what spread.

    ``name`` is the setting that it would change, empty where it is only told; ``typed`` what would be typed there.
    ``enough`` where there are jobs enough; ``differs`` where the jobs say another value than is set.
    """

    id: str
    label: str
    name: str
    now: Both
    found: Both
    typed: str
    was: float
    jobs: int
    count: int
    spread: Both
    says: Both
    enough: bool
    differs: bool
    picture: str


@dataclass(frozen=True, slots=True)
class _Question:
    """A habit and how it is learned: which values of a job, what they come to, and what that means in words."""

    id: str
    name: str
    label: str
    values: Callable[[Sample, Practice], Sequence[float]]
    comes_to: Callable[[Sequence[float]], float]
    told: Callable[[Shop, Spread, float], Both]
    millimetres: bool = True


def lessons(samples: Sequence[Sample], shop: Shop, system: System) -> tuple[Lesson, ...]:
    """All that can be learned of these jobs."""
    return tuple(_lesson(q, samples, shop, system) for q in QUESTIONS)


def _lesson(q: _Question, samples: Sequence[Sample], shop: Shop, system: System) -> Lesson:
    by_job = [told for x in samples if (told := tuple(q.values(x, shop.practice)))]
    values = [v for told in by_job for v in told]
    jobs, setting, mark = len(by_job), KNOWN.get(q.name), shop.the_mark()
    now = number_of(shop.practice, q.name) if setting is not None else 0.0
    enough = jobs >= FEW_JOBS and len(values) >= FEW_JOBS
    set_to = says(setting, now, mark) if setting is not None else both("")
    if not enough:
        few = both(f"too few: {jobs} of {FEW_JOBS} jobs so far")
        none = both("")
        return Lesson(q.id, q.label, q.name, set_to, none, "", now, jobs, len(values), none, few, False, False, "")
    found, of = q.comes_to(values), spread(values)
    half = tuple(_value(q, x) for x in (of.low, of.high))
    low, high = half
    shown = Both(f"half of them from {low.mm} to {high.mm}", f"half of them from {low.inch} to {high.inch}")
    marks = ((now, "set"), (found, "found")) if setting is not None else ((of.median, "middle"),)
    return Lesson(
        q.id,
        q.label,
        q.name,
        set_to,
        says(setting, found, mark) if setting is not None else _value(q, found),
        f"{found:.2f} mm" if q.millimetres else f"{found:.3g}",
        now,
        jobs,
        len(values),
        shown,
        q.told(shop, of, found),
        True,
        setting is not None and abs(found - now) > SAME * max(abs(now), 1e-9),
        dots(values, marks, q.millimetres, system),
    )


def _value(q: _Question, x: float) -> Both:
    return fine(x) if q.millimetres else both(f"{x:.2f}")


def fine(mm: float) -> Both:
    """A small length finer than any rule: hundredths of a millimetre, thousandths of an inch.

    >>> fine(-0.254).mm, fine(-0.254).inch
    ('−0.25 mm', '−0.010 in')
    """
    sign = "−" if mm < 0 else ""
    return Both(f"{sign}{abs(mm):.2f} mm", f"{sign}{abs(mm) / 25.4:.3f} in")


def _fine(words: str, *values: float) -> Both:
    told = [fine(v) for v in values]
    return Both(words.format(*(t.mm for t in told)), words.format(*(t.inch for t in told)))


def _pace(x: Sample, practice: Practice) -> tuple[float, ...]:
    """A job's minutes over the usual ones, all its steps together; what was done twice is left out."""
    once = [t for t in x.timed if not t.again]
    usual = sum(t.usual * practice.stage_times(t.stage) for t in once)
    return (sum(t.took for t in once) / usual,) if usual else ()


def _of_stage(stage: Stage) -> Callable[[Sample, Practice], tuple[float, ...]]:
    """The same for one stage, besides the pace of all work as it is set: steps as long as their sizes make them."""

    def values(x: Sample, practice: Practice) -> tuple[float, ...]:
        once = [t for t in x.timed if t.stage == stage and not t.again]
        usual = sum(t.usual * practice.pace_times for t in once)
        return (sum(t.took for t in once) / usual,) if usual else ()

    return values


def _middle(values: Sequence[float]) -> float:
    return spread(values).median


def _told_pace(_: Shop, of: Spread, found: float) -> Both:
    word = "longer" if found > 1 else "shorter"
    return both(f"it takes {abs(found - 1):.0%} {word} than is reckoned with".replace("%", " %"))


def _told_rails(_: Shop, of: Spread, found: float) -> Both:
    within = "nine rails of ten are within {} of what was planned"
    if abs(of.median) < of.sigma / 2:
        return _fine(within, found)
    word = "long" if of.median > 0 else "short"
    return _fine(f"{within}; the middle one is {{}} too {word}: set the stop", found, abs(of.median))


def _told_frame(_: Shop, of: Spread, found: float) -> Both:
    word = "wider" if of.median > 0 else "narrower"
    words = f"nine readings of ten are within {{}} of what the rails give, the middle one {{}} {word}"
    return _fine(words, found, abs(of.median))


def _told_orders(_: Shop, of: Spread, found: float) -> Both:
    return both(f"what is ordered comes after {found:g} working days, as a rule")


def _told_folds(_: Shop, of: Spread, found: float) -> Both:
    return _fine("one layer of cloth comes to {}, so that a canvas grows by {} over its bars", found, 6 * found)


def _told_kerf(_: Shop, of: Spread, found: float) -> Both:
    return _fine("the saw takes {} at a cut, square to the blade", found)


def _told_sheets(_: Shop, of: Spread, found: float) -> Both:
    return _fine("nine sizes of ten that come are within {} of the order", found)


def _told_spoiled(_: Shop, of: Spread, found: float) -> Both:
    return both(f"of a hundred steps {100 * found:.1f} are done again")


def _spoiled(x: Sample, _: Practice) -> tuple[float, ...]:
    made = [t for t in x.timed if t.stage in ("frame", "boards", "mount", "fit")]
    return (sum(t.again for t in made) / len(made),) if made else ()


def _mean(values: Sequence[float]) -> float:
    return sum(values) / len(values)


QUESTIONS = (
    _Question("pace", "pace_times", "How long work takes", _pace, _middle, _told_pace, millimetres=False),
    _Question("saw", "cut_tolerance_mm", "How the saw cuts", lambda x, _: x.rails, reach, _told_rails),
    _Question("joints", "joint_tolerance_mm", "How frames come out", lambda x, _: x.frame, reach, _told_frame),
    _Question("orders", "order_days", "How long orders take", lambda x, _: x.orders, _middle, _told_orders, False),
    _Question("folds", "canvas_cloth_mm", "How thick cloth folds", lambda x, _: x.folds, _middle, _told_folds),
    _Question("kerf", "kerf_mm", "What the saw takes", lambda x, _: x.kerfs, _middle, _told_kerf),
    _Question("sheets", "", "How ordered sheets come", lambda x, _: x.sheets, reach, _told_sheets),
    _Question("spoiled", "", "What is done again", _spoiled, _mean, _told_spoiled, millimetres=False),
    *(
        _Question(f"pace.{s}", f"{s}_times", f"How long {said} takes", _of_stage(s), _middle, _told_pace, False)
        for s, said in STAGE_SAID.items()
    ),
)
