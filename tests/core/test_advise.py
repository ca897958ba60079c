import pytest

from shadbo.core import advise as advising
from shadbo.core.advise import BUDGET, SHOWN, advise
from shadbo.core.assess import assess
from shadbo.core.findings import RANK
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.demo.jobs import allotment, demo_jobs, harbour, lifeboat, regatta
from shadbo.demo.shop import demo_shop

SHOP = demo_shop()


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_a_remedy_never_makes_it_worse(the_job: Job):
    plan = advise(the_job, SHOP)
    for finding in plan.findings:
        assert len(finding.remedies) <= SHOWN
        labels = [r.proposal.label.mm for r in finding.remedies]
        assert len(set(labels)) == len(labels)
        for remedy in finding.remedies:
            after = assess(apply(the_job, remedy.proposal.edits)[0], SHOP)
            new = {(f.code, f.place) for f in after.findings} - {(f.code, f.place) for f in plan.findings}
            worse = [
                f for f in after.findings if (f.code, f.place) in new and RANK[f.severity] >= RANK[finding.severity]
            ]
            assert worse == []


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_it_stays_within_its_budget(the_job: Job, monkeypatch: pytest.MonkeyPatch):
    tried = []

    def counting(job: Job, shop):
        tried.append(job)
        return assess(job, shop)

    monkeypatch.setattr(advising, "assess", counting)
    advise(the_job, SHOP)
    assert len(tried) <= BUDGET + 1


def test_the_demo_jobs_are_what_they_are_for():
    assert advise(harbour(), SHOP).worst == "fine"
    proud = advise(lifeboat(), SHOP)
    assert (proud.worst, proud.findings[0].code) == ("stop", "face.cannot")
    assert [r.proposal.label.mm for r in proud.findings[0].remedies] == [
        "Accept proud 12 mm",
        "Mole 68",
        "Quay 54 oak",
    ]
    racked = advise(regatta(), SHOP)
    assert racked.findings[0].code == "gap.uneven"
    assert racked.findings[0].remedies
    assert "canvas.rack" in racked.desk.sheet
    cut = advise(allotment(), SHOP)
    assert cut.state == "made"
    assert cut.findings[0].code == "gap.uneven"


def test_differences_name_what_changes():
    plan = advise(lifeboat(), SHOP)
    deeper = plan.findings[0].remedies[1]
    changed = {e.key: (e.before.mm, e.after.mm) for e in deeper.effects}
    assert changed["frame.inside_depth"] == ("32 mm", "68 mm")
    assert changed["face.made"] == ("−12 mm", "3 mm")
    assert "canvas.depth" not in changed
    assert deeper.price > 0
