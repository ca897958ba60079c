"""Ways of hanging that are not for everything: wire, adhesive strips, short screws."""

import pytest

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.demo.jobs import demo_jobs
from tests.flat import SHOP, detail, job, plan

JOBS = {j.title: j for j in demo_jobs()}


def codes(p, severity: str) -> list[str]:
    return [f.code for f in p.findings if f.severity == severity]


@pytest.mark.parametrize("title", JOBS)
def test_the_plan_itself_never_hangs_what_is_unsafe(title: str):
    p = plan(JOBS[title])
    hang, a, practice = p.hang, p.assembly, p.desk.practice
    if hang.kind == "wire":
        assert a.depth.value <= practice.wire_deepest_mm
        assert not (a.glazed and hang.weight.value > practice.wire_glazed_most_kg)
    if hang.kind == "strips":
        assert not a.glazed
        assert hang.weight.value <= practice.strips_most_kg
        assert a.long_side_mm <= practice.strips_most_mm
    if hang.hanger is not None and "hang.shallow" not in codes(p, "stop"):
        assert hang.screw_mm >= 4 * hang.hanger.screw_diameter_mm - 1e-9


def test_a_wire_that_was_decided_on_a_deep_box_stops_and_straps_mend_it():
    wired = change(JOBS["Pilot cutter, lit"], [Edit(at="hanging/kind", to="wire")], SHOP)
    assert "hang.kind" in codes(wired.plan, "stop")
    finding = next(f for f in wired.plan.findings if f.code == "hang.kind")
    assert [p.label.mm for p in finding.proposals]
    mended = change(wired.job, finding.proposals[0].edits, SHOP)
    assert "hang.kind" not in codes(mended.plan, "stop")


@pytest.mark.parametrize(
    ("w", "h", "weight", "stops"), [(400, 300, 1.0, False), (700, 300, 1.0, True), (400, 300, 3.4, True)]
)
def test_adhesive_strips_are_for_what_is_small_and_light(w: float, h: float, weight: float, stops: bool):
    the_job = job("backed", detail("puzzle", w, h, 2), {"backed": {"hung": "strips"}}, weight_kg=weight)
    hung = change(the_job, [Edit(at="hanging/kind", to="strips")], SHOP).plan
    assert hung.hang.kind == "strips", "decided is decided"
    assert ("hang.kind" in codes(hung, "stop")) == stops
    free = change(the_job, [Edit(at="options/backed/hung")], SHOP).plan
    assert (free.hang.kind == "ledge") == stops, "left to itself the plan sets it on a ledge"


def test_a_hanger_is_taken_whose_screws_find_four_diameters():
    p = plan(JOBS["Regatta in a squall"])
    assert p.hang.screw_mm >= 4 * p.hang.hanger.screw_diameter_mm
    few = SHOP.model_copy(
        update={
            "stock": SHOP.stock.model_copy(
                update={"hangers": tuple(h for h in SHOP.stock.hangers if h.screw_diameter_mm > 2.5)}
            )
        }
    )
    short = change(JOBS["Regatta in a squall"], [], few).plan
    assert "hang.edge" in codes(short, "stop"), "its ledge is too thin, and its wall too narrow"
