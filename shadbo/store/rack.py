"""What the rack shows of a job, as columns beside its document, and which state of the shop it was planned with."""

import hashlib

from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop
from shadbo.store.models import JobRow


def shop_mark(shop: Shop) -> str:
    """A short mark of all that a plan takes from the shop: practice, stock, mark."""
    return hashlib.sha256(shop.model_dump_json().encode()).hexdigest()[:16]


def tell(row: JobRow, plan: Plan | None, shop: Shop) -> None:
    """State and worst finding of a plan; None is a job that cannot be planned."""
    first = plan.findings[0].title if plan is not None and plan.findings else None
    row.state, row.worst = (plan.state, plan.worst) if plan is not None else ("to solve", "stop")
    row.says = {"mm": first.mm if first else "", "inch": first.inch if first else ""}
    if plan is None:
        row.says = dict.fromkeys(("mm", "inch"), "Cannot be planned as it stands")
    row.planned_with = shop_mark(shop)
