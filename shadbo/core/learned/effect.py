"""What a changed habit does to jobs that are not begun: which are planned otherwise, and how long they take."""

from collections.abc import Mapping, Sequence

from shadbo.core.change import planned
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.dataclass import dataclass
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.schedule.said import lasts
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.steps import steps


@dataclass(frozen=True, slots=True)
class Effect:
    """So many jobs are not begun; these are cut or judged otherwise; minutes of all of them before and after.

    ``begun`` jobs keep the habits that they were begun by.
    """

    not_begun: int
    begun: int
    otherwise: tuple[int, ...]
    minutes: float
    minutes_then: float
    says: str


def effect(jobs: Mapping[int, Job], shop: Shop, practice: Practice) -> Effect:
    """Each job planned with the shop's habits and with others."""
    then = shop.model_copy(update={"practice": practice})
    otherwise, before, after, fresh = [], 0.0, 0.0, 0
    for number, job in jobs.items():
        if job.begun:
            continue
        fresh += 1
        old, new = planned(job, shop), planned(job, then)
        if old is None or new is None:
            otherwise += [number] if (old is None) != (new is None) else []
            continue
        before += sum(s.minutes for s in steps(old))
        after += sum(s.minutes for s in steps(new))
        if _seen(old) != _seen(new):
            otherwise.append(number)
    says = _said(fresh, len(jobs) - fresh, otherwise, before, after)
    return Effect(fresh, len(jobs) - fresh, tuple(otherwise), round(before, 1), round(after, 1), says)


def _said(fresh: int, begun: int, otherwise: Sequence[int], before: float, after: float) -> str:
    if otherwise:
        told = f"{len(otherwise)} of them would be cut or judged otherwise: {', '.join(map(str, otherwise))}"
    else:
        told = "none of them would be cut or judged otherwise"
    time = f"; their work goes from {lasts(before)} to {lasts(after)}" if abs(before - after) > 1 else ""
    return f"{fresh} open jobs are not begun; {told}{time}. {begun} are begun, and stay as they are."


def _seen(plan: Plan) -> tuple[object, ...]:
    """What a framer sees of a plan: what is cut, and what is said."""
    return tuple(cut_list(plan)), tuple((f.code, f.severity, f.title.mm) for f in plan.findings)
