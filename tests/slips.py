"""A slip that a framer makes: the job that has it, what is found, and whether one click mends it."""

from dataclasses import dataclass, field

from shadbo.core.advise import advise
from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import RANK, Finding
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from tests.flat import SHOP
from tests.making import codes


@dataclass
class Slip:
    code: str
    severity: str
    job: Job
    edits: list[Edit] = field(default_factory=list)
    mended: bool = True
    shop: Shop = SHOP


def found_and_mended(slip: Slip) -> Finding:
    """Assert that the slip is found with its severity, said in whole sentences, and mended by every remedy shown."""
    the_job, _ = apply(slip.job, slip.edits)
    found = next((f for f in advise(the_job, slip.shop).findings if f.code == slip.code), None)
    assert found is not None, codes(assess(the_job, slip.shop))
    assert found.severity == slip.severity, found.title
    for said in (found.title, found.detail):
        assert said.mm
        assert "{" not in said.mm + said.inch
    if not slip.mended:
        assert found.by_hand is not None
        return found
    assert found.remedies, "one click mends it"
    for remedy in found.remedies:
        after = assess(apply(the_job, list(remedy.proposal.edits))[0], slip.shop)
        same = [f for f in after.findings if (f.code, f.place) == (found.code, found.place)]
        assert all(RANK[f.severity] < RANK[found.severity] for f in same)
    return found
