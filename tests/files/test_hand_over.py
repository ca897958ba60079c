"""The care sheet and the certificate: what goes with a frame to its owner."""

import pytest

from shadbo.core.assess import assess
from shadbo.core.drawing.tiles import PAGES
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.hand_over import care_html, care_sheet, certificate, certificate_html, light_of
from shadbo.files.papers import papers_of

SHOP = demo_shop()
PLANS = {job.title: assess(job, SHOP) for job in demo_jobs()}


@pytest.mark.parametrize("title", PLANS)
def test_every_build_has_words_for_its_owner(title):
    plan = PLANS[title]
    names = {p.name for p in papers_of(plan, "mm")}
    assert (plan.assembly is not None) == ({"care.pdf", "certificate.pdf"} <= names)
    care = care_html(plan, "mm", 101)
    for words in ("Light", "Cleaning", "Handling", "Netloft Framing", "job 101"):
        assert words in care
    assert "None" not in care + certificate_html(plan, "mm", 101)


@pytest.mark.parametrize(
    ("title", "words"),
    [("Oyster beds, pastel", "50 lux"), ("Slipway at low water", "200 lux"), ("Shipwright's jack plane", "no harm"),
     ("Shirt of the winning eight", "50 lux")],
)  # fmt: skip
def test_light_by_the_piece_that_bears_least(title, words):
    """CIE 157:2004, from memory: 50 lux for textiles and dyed paper, 200 for oil paintings."""
    assert words in light_of(PLANS[title])


def test_both_are_pages_in_both_systems():
    plan = PLANS["Kelp gatherers"]
    for made in (care_sheet(plan, PAGES["a4"], "mm", 105), certificate(plan, PAGES["letter"], "in", 105)):
        assert made.startswith(b"%PDF")
    metric, inch = (certificate_html(plan, system, 105) for system in ("mm", "in"))
    assert " mm</td>" in metric
    assert " in</td>" in inch
    assert " mm</td>" not in inch
