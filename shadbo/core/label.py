"""What the label on a frame's back says: what it is, who made it, of what it is built, how it is kept."""

from shadbo.core.build.closing import glazing_kinds
from shadbo.core.dataclass import dataclass
from shadbo.core.plan import Plan

ROLES = ("rail", "glazing", "mat", "board", "backing")
CARE = {
    "glass": "Glass: wipe with a dry or barely damp cloth; never spray onto it.",
    "acrylic": "Acrylic: a soft damp cloth, no ammonia, no paper towel: it scratches.",
    "": "No glazing: a soft dry brush, and touch nothing else.",
}
KEEP = "Out of sun and damp, off stoves and outside walls. Lift it by both sides, never by its wire or top rail."
BACKS = {
    "sealed paper": "The back is sealed: leave it so.",
    "vented paper": "The back breathes through its vent: leave that open.",
}


@dataclass(frozen=True, slots=True)
class Label:
    """Lines of a label; ``made_of`` and ``held_by`` name materials as the list does."""

    title: str
    makers: tuple[str, ...]
    made_of: tuple[str, ...]
    held_by: tuple[str, ...]
    care: tuple[str, ...]


def label_of(plan: Plan) -> Label:
    """The label of a plan; without its build, while readings are missing, only what the piece is."""
    job, a = plan.desk.job, plan.assembly
    makers = tuple(dict.fromkeys(p.maker for p in job.pieces if p.maker))
    if a is None:
        return Label(job.title, makers, (), (), (KEEP,))
    names = [p.sheet.name if p.sheet is not None else p.called for role in ROLES for p in a.by_role(role)]
    moulding = a.moulding.name if a.moulding is not None else ""
    finish = f", {job.finish}" if job.finish and moulding else ""
    made_of = [f"{moulding}{finish}"] if moulding else []
    made_of += [x for x in names if not moulding or moulding not in x]
    kinds = sorted(glazing_kinds(a)) or ([] if a.glazed else [""])
    care = [CARE[k] for k in kinds if k in CARE]
    back = BACKS.get(a.back or "", "")
    held = tuple(dict.fromkeys(m.taken.mount.id for m in a.mounts))
    return Label(job.title, makers, tuple(dict.fromkeys(made_of)), held, tuple(x for x in (*care, back, KEEP) if x))
