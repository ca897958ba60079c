"""Screws under the names that they are sold by, against the published table of gauges."""

import pytest

from shadbo.core.assess import assess
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.words.sold import INCH_LENGTHS_MM, gauge, screw_size, shank_mm
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop

ASME_B18_6_1 = {0: 0.060, 2: 0.086, 4: 0.112, 6: 0.138, 8: 0.164, 10: 0.190, 12: 0.216, 14: 0.242}
"""Basic shank of wood screws by their number, in inches: ASME B18.6.1, table 1, from memory."""


@pytest.mark.parametrize(("number", "inch"), ASME_B18_6_1.items())
def test_a_gauge_has_its_published_shank(number: int, inch: float):
    assert shank_mm(number) == pytest.approx(inch * 25.4, abs=1e-9)
    assert gauge(inch * 25.4) == number


def test_sizes_are_said_as_they_are_sold():
    assert screw_size(4, 30).mm == "4 × 30"
    assert [screw_size(shank_mm(8), x).inch for x in INCH_LENGTHS_MM[:5]] == [
        "no. 8 × 1/2 in",
        "no. 8 × 5/8 in",
        "no. 8 × 3/4 in",
        "no. 8 × 1 in",
        "no. 8 × 1 1/4 in",
    ]


def test_an_inch_shop_with_empty_drawers_takes_screws_by_gauge_and_inch():
    shop = demo_shop()
    shop = shop.model_copy(update={"mark": "1/16 in", "stock": shop.stock.model_copy(update={"screws": ()})})
    plan = assess(demo_jobs()[1], shop)
    (row,) = [r for r in cut_list(plan) if r.name.startswith("wood screw")]
    assert row.name == "wood screw no. 8 × 1 in"
    assert row.length_mm == pytest.approx(25.4)
    metric = assess(demo_jobs()[1], shop.model_copy(update={"mark": "0.5 mm"}))
    assert "wood screw 4 × 25" in {r.name for r in cut_list(metric)}
