"""Freezing: a job's first pin fixes the shop's practice and copies the materials that the plan chose.

From then on a change in the shop cannot silently change a half-cut job.
"""

from shadbo.core.assess import assess
from shadbo.core.edits import Edit
from shadbo.core.job import Job
from shadbo.core.shop import Shop


def freezing_edits(before: Job | None, after: Job, shop: Shop) -> list[Edit]:
    """Edits to add when ``after`` has the job's first pins; none otherwise."""
    if not after.pins or after.practice is not None or (before is not None and before.pins):
        return []
    edits = [Edit(at="practice", to=shop.practice.model_dump(mode="json"))]
    plan = assess(after, shop)
    if plan.assembly is None:
        return edits
    lever = plan.assembly.levers.get("profile")
    if lever and plan.assembly.moulding is not None:
        edits.append(Edit(at=lever, to=plan.assembly.moulding.model_dump(mode="json")))
    pads = plan.assembly.levers.get("pads")
    if pads and plan.assembly.by_role("pad") and pads.endswith("/pads"):
        names = [p.name.removeprefix("pad, ") for p in plan.assembly.by_role("pad") if p.key == "pad.across"]
        counts = {p.name.removeprefix("pad, "): p.count // 2 for p in plan.assembly.by_role("pad")}
        stock = {p.name: p for p in shop.stock.pads}
        layers = [
            stock[n].model_dump(mode="json") for n in dict.fromkeys(names) for _ in range(counts[n]) if n in stock
        ]
        if layers:
            edits.append(Edit(at=pads, to=layers))
    return edits
