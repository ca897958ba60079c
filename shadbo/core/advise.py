"""advise(job, shop): the plan, with every remedy tried by planning again with it."""

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import BadEdit
from shadbo.core.findings import RANK, CannotPlan, Effect, Finding, Proposal, Remedy
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, length, value_text

BUDGET = 24
SHOWN = 3
TELLING = {
    "rail.total": "rails",
    "face.made": "face",
    "pad.made": "pad",
    "screw.length": "screw",
    "gap.least": "least gap",
    "fit.worst_hold": "hold",
    "depth.left": "depth over",
    "brace.bow_width": "bow",
    "brace.bow_height": "bow",
    "stretch.spare_width": "cloth over",
    "stretch.spare_height": "cloth over",
    "border.least": "border",
    "hang.hook": "hook",
}
"""Lines that say best what a remedy changes, in the order in which they are looked for."""


def advise(job: Job, shop: Shop) -> Plan:
    """Like assess, with up to three remedies a finding: those that lower it and raise nothing to its level."""
    plan = assess(job, shop)
    left = BUDGET
    findings = []
    for finding in plan.findings:
        remedies = []
        for proposal in sorted(finding.proposals, key=lambda p: p.effort):
            if left == 0:
                break
            left -= 1
            remedy = attempt(plan, finding, proposal, shop)
            if remedy is not None:
                remedies.append(remedy)
        remedies.sort(key=lambda r: (r.proposal.effort, r.price))
        findings.append(finding.with_remedies(tuple(remedies[:SHOWN])))
    return plan.with_findings(tuple(findings))


def attempt(plan: Plan, finding: Finding, proposal: Proposal, shop: Shop) -> Remedy | None:
    """Plan again with the proposal; None when it does not help or harms elsewhere."""
    try:
        job, _ = apply(plan.desk.job, proposal.edits)
        after = assess(job, shop)
    except (BadEdit, CannotPlan):
        return None
    rank = RANK[finding.severity]

    def ranks(p: Plan) -> dict[tuple[str, str], int]:
        return {(f.code, f.place): RANK[f.severity] for f in p.findings}

    before_ranks, after_ranks = ranks(plan), ranks(after)
    if after.asks or after_ranks.get((finding.code, finding.place), -1) >= rank:
        return None
    if any(r >= rank and r > before_ranks.get(which, -1) for which, r in after_ranks.items()):
        return None
    effects = differences(plan, after)
    old, new = plan.desk.sheet, after.desk.sheet
    price = round(new["price.materials"].value - old["price.materials"].value, 2)
    longer_mm = new["rail.total"].value - old["rail.total"].value if "rail.total" in new else 0.0
    return Remedy(proposal, _says(effects, longer_mm, price, shop), effects, price)


def differences(before: Plan, after: Plan) -> tuple[Effect, ...]:
    """Lines of the sheet whose value changed, by at least what a framer would see."""
    out = []
    for key, q in after.desk.sheet.named.items():
        was = before.desk.sheet.named.get(key)
        if was is not None and abs(was.value - q.value) > 1e-3:
            mark = after.desk.mark
            out.append(Effect(key, q.name.label if q.name else key, value_text(was, mark), value_text(q, mark)))
    return tuple(out)


def _says(effects: tuple[Effect, ...], longer_mm: float, price: float, shop: Shop) -> Both:
    cost = "no cost" if abs(price) < 0.005 else f"{'+' if price > 0 else '−'} {shop.currency} {abs(price):.2f}"
    changed = {e.key: e for e in effects}
    first = next((changed[key] for key in TELLING if key in changed), None)
    if first is None:
        return both(f"nothing else changes · {cost}")
    if first.key == "rail.total":
        text = length(abs(longer_mm), shop.the_mark())
        sign = "+" if longer_mm > 0 else "−"
        return Both(f"rails {sign} {text.mm} · {cost}", f"rails {sign} {text.inch} · {cost}")
    name = TELLING[first.key]
    return Both(
        f"{name} {first.before.mm} → {first.after.mm} · {cost}",
        f"{name} {first.before.inch} → {first.after.inch} · {cost}",
    )
