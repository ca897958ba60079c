"""What the rack shows of a job, as columns beside its document, and which state of the shop it was planned with."""

import hashlib

from sqlalchemy import ColumnElement, and_, or_

from shadbo.core.job.job import Job
from shadbo.core.job.sought import sought
from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop
from shadbo.store.models import JobRow


def shop_mark(shop: Shop) -> str:
    """A short mark of all that a plan takes from the shop: practice, stock, mark, hours; not who works there."""
    return hashlib.sha256(shop.model_dump_json(exclude={"crew"}).encode()).hexdigest()[:16]


TOLD_AT_ONCE = 60
"""Jobs that one look at the rack plans again at most: it takes some milliseconds each."""


def left_behind(shop: Shop) -> tuple[ColumnElement[bool], ...]:
    """Jobs that another shop was planned with, or none yet; what is handed over or off the rack is left alone."""
    open_ = and_(JobRow.state != "handed over", JobRow.shelf.in_(("rack", "pattern")))
    return JobRow.planned_with != shop_mark(shop), or_(JobRow.planned_with == "", open_)


def tell(row: JobRow, job: Job, plan: Plan | None, shop: Shop) -> None:
    """What a job is found by; state and worst finding of its plan, None where it cannot be planned."""
    row.sought = sought(job, row.id)
    first = plan.findings[0].title if plan is not None and plan.findings else None
    row.state, row.worst = (plan.state, plan.worst) if plan is not None else ("to solve", "stop")
    row.says = {"mm": first.mm if first else "", "inch": first.inch if first else ""}
    if plan is None:
        row.says = dict.fromkeys(("mm", "inch"), "Cannot be planned as it stands")
    row.planned_with = shop_mark(shop)
