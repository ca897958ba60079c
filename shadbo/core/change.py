"""change(job, edits, shop): the one way in which a job changes.

The first real size that is written down keeps the shop's practice, its mark and every material that the plan
uses in the job itself. From then on nothing that the shop changes later can move that job.
"""

from collections.abc import Sequence

from shadbo.core.assess import assess
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.decisions.levers import written
from shadbo.core.findings import CannotPlan
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop
from shadbo.core.steps import steps
from shadbo.core.steps.leaving import REASON_AT
from shadbo.core.steps.progress import used_by


@dataclass(frozen=True, slots=True)
class Changed:
    """The job after a change, all edits that made it, those that undo it, and the plan that was made of it."""

    job: Job
    edits: tuple[Edit, ...]
    inverse: tuple[Edit, ...]
    plan: Plan | None


def change(job: Job, edits: Sequence[Edit], shop: Shop) -> Changed:
    """Apply edits, keep what the job is made of once something of it is cut. Raises BadEdit; ``job`` is not touched.

    A material that is kept is let go where an edit asks the plan to choose it anew.
    """
    refuse_closed(job, edits)
    after, inverse = apply(job, edits)
    done, undone = list(edits), list(inverse)
    plan = planned(after, shop)
    freed = _let_go(edits, plan)
    if freed:
        after, back = apply(after, freed)
        done, undone = [*done, *freed], [*back, *undone]
        plan = planned(after, shop)
    kept = [*keeping(after, shop, plan), *_used(job, after, plan)]
    if kept:
        after, back = apply(after, kept)
        done, undone = [*done, *kept], [*back, *undone]
        plan = planned(after, shop)
    return Changed(after, tuple(done), tuple(undone), plan)


def planned(job: Job, shop: Shop) -> Plan | None:
    """The plan of a job; None where the sums themselves fail, so that nothing typed is lost by it."""
    try:
        return assess(job, shop)
    except CannotPlan:
        return None


def with_materials(job: Job, shop: Shop) -> tuple[Job, Plan | None]:
    """A job that comes in from elsewhere, with what it is made of, where something of it is cut already."""
    plan = planned(job, shop)
    kept = keeping(job, shop, plan)
    if not kept:
        return job, plan
    job, _ = apply(job, kept)
    return job, planned(job, shop)


def keeping(job: Job, shop: Shop, plan: Plan | None) -> list[Edit]:
    """Edits that copy practice, mark and materials into a job of which something is cut; none before that."""
    if not job.begun or plan is None:
        return []
    edits = []
    if job.practice is None:
        edits.append(Edit(at="practice", to=written(shop.practice)))
    if job.mark is None:
        edits.append(Edit(at="mark", to=shop.mark))
    kept = written(job.materials)
    for taken in plan.desk.taken:
        if taken.role not in kept[taken.drawer]:
            edits.append(Edit(at=f"materials/{taken.drawer}/{taken.role}", to=written(taken.item)))
            kept[taken.drawer][taken.role] = taken.item
    return edits


def refuse_closed(job: Job, edits: Sequence[Edit]) -> None:
    """BadEdit for a job that was handed over, unless the same edits reopen it and say why."""
    reopens = any(e.at == "handed_over" for e in edits)
    says_why = any(e.at == REASON_AT and isinstance(e.to, str) and e.to.strip() for e in edits)
    if job.closed and not (reopens and says_why):
        raise BadEdit(edits[0].at if edits else "job", "it has been handed over: reopen it at the bench, and say why")


def _used(before: Job, after: Job, plan: Plan | None) -> list[Edit]:
    """The sizes that steps were done by, for those that are done by this change."""
    ended = {id_: done.ended for id_, done in after.work.items() if done.ended is not None and not done.used}
    new = [id_ for id_, at in ended.items() if id_ not in before.work or before.work[id_].ended != at]
    if not new or plan is None:
        return []
    by_id = {step.id: step for step in steps(plan)}
    found = [(id_, used_by(by_id[id_])) for id_ in new if id_ in by_id]
    return [Edit(at=f"work/{id_}/used", to=used) for id_, used in found if used]


def _let_go(edits: Sequence[Edit], plan: Plan | None) -> list[Edit]:
    """Materials that the framer gives back to the plan: the rail is cut again, or another sheet is fetched."""
    freed = {e.at for e in edits if e.to is None}
    if plan is None or not freed:
        return []
    kept = written(plan.desk.job.materials)
    return [
        Edit(at=f"materials/{t.drawer}/{t.role}")
        for t in plan.desk.taken
        if t.decided_at in freed and t.role in kept[t.drawer]
    ]
