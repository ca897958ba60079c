"""Which mat is taken, and which may be sent to the cutter."""

from shadbo.core.cutting.mat_lines import Mat, mats_of
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.desk import Desk
from shadbo.core.plan import Plan
from shadbo.core.shop.boards import SheetStock


def taking(desk: Desk, mat: SheetStock) -> tuple[tuple[Edit, ...], tuple[Edit, ...]]:
    """Edits that take a mat as the outer one, and as the inner one; none where the display has no such mat."""
    outer, inner = desk.levers.mat, desk.levers.inner_mat
    return (
        (outer.set(mat),) if outer is not None else (),
        (inner.set(mat),) if inner is not None else (),
    )


def to_cut(plan: Plan, sheet: str) -> Mat:
    """The mat of that name, fit to be sent to a machine. BadEdit says why not."""
    mat = next((m for m in mats_of(plan) if m.id == sheet), None)
    if mat is None:
        raise BadEdit("sheet", "this plan has no such mat", sheet)
    if plan.worst == "stop":
        raise BadEdit("sheet", f"not cut while something stops the job: {plan.findings[0].title.mm}", sheet)
    return mat
