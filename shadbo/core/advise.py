"""advise(job, shop): the plan, with every remedy tried by planning again with it."""

from collections.abc import Sequence
from dataclasses import replace

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.effects import between, cost, said
from shadbo.core.findings import RANK, Finding, Proposal, Remedy
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop

BUDGET = 24
SHOWN = 3


def advise(job: Job, shop: Shop) -> Plan:
    """Like assess, with up to three remedies a finding: those that lower it and raise nothing to its level."""
    plan = assess(job, shop)
    left = BUDGET
    findings = []
    tried = Tried(plan.desk.job, shop)
    for finding in plan.findings:
        remedies: list[Remedy] = []
        for proposal in sorted(finding.proposals, key=lambda p: p.effort):
            if left == 0 or _enough(remedies, proposal):
                break
            left -= 1
            remedy = attempt(plan, finding, proposal, tried)
            if remedy is not None:
                remedies.append(remedy)
        remedies.sort(key=lambda r: (r.proposal.effort, r.price))
        findings.append(finding.with_remedies(tuple(remedies[:SHOWN])))
    return plan.with_findings(tuple(findings))


def _enough(found: list[Remedy], after: Proposal) -> bool:
    """Whether all that are shown are found: those that come after take more effort than any of them."""
    return len(found) >= SHOWN and sorted(r.proposal.effort for r in found)[SHOWN - 1] < after.effort


class Tried:
    """A job planned with other edits: what several findings propose alike is planned once."""

    def __init__(self, job: Job, shop: Shop) -> None:
        self.job, self.shop = job, shop
        self._plans: dict[str, Plan | None] = {}

    def plan(self, edits: Sequence[Edit]) -> Plan | None:
        """The plan with them; None where they are refused, or their sums fail."""
        key = repr([(e.at, e.to) for e in edits])
        if key not in self._plans:
            try:
                self._plans[key] = change(self.job, edits, self.shop).plan
            except BadEdit:
                self._plans[key] = None
        return self._plans[key]


def attempt(plan: Plan, finding: Finding, proposal: Proposal, tried: Tried) -> Remedy | None:
    """Plan again with the proposal; None when it does not help or harms elsewhere."""
    after = tried.plan(proposal.edits)
    if after is None:
        return None
    rank = RANK[finding.severity]

    def ranks(p: Plan) -> dict[tuple[str, str], int]:
        return {(f.code, f.place): RANK[f.severity] for f in p.findings}

    before_ranks, after_ranks = ranks(plan), ranks(after)
    if after.asks or after_ranks.get((finding.code, finding.place), -1) >= rank:
        return None
    if any(r >= rank and r > before_ranks.get(which, -1) for which, r in after_ranks.items()):
        return None
    told = between(plan, after)
    named = proposal.label.mm == told.moulding
    changes = said(replace(told, moulding="") if named else told, plan, next(iter(finding.keys), ""))
    return Remedy(proposal, changes, cost(told, tried.shop.currency), told.effects, told.price)
