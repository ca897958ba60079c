"""The stock in words, in both systems, with prices; the cut list of every display."""

import pytest

from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock import Stock
from shadbo.core.shop.stock_kinds import STOCK_KINDS
from shadbo.core.shop.stock_words import racks
from tests.core.test_displays import BUILT
from tests.flat import SHOP


def test_every_rack_says_sizes_in_both_systems_and_its_price():
    found = racks(SHOP)
    assert [r.title for r in found] == [d.title for d in STOCK_KINDS]
    mouldings = {line.name: line for line in found[0].lines}
    beacon = mouldings["Beacon 45 ash"]
    assert beacon.says.mm == "face 45 mm, height 62 mm, rabbet 54 mm, lip 10 mm"
    assert " in" in beacon.says.inch
    assert beacon.price.mm == "€ 14.50 / m"
    assert beacon.price.inch == "€ 4.42 / ft"
    colours = [line.colour for r in found if r.title == "Sheets" for line in r.lines]
    assert any(c.startswith("#") for c in colours)


def test_an_empty_shop_has_racks_to_fill():
    assert [r.lines for r in racks(Shop(stock=Stock()))] == [()] * len(STOCK_KINDS)


@pytest.mark.parametrize("name", BUILT)
def test_the_cut_list_has_every_part_to_cut_with_its_size(name: str):
    p = BUILT[name]
    rows = cut_list(p)
    wanted = [part for part in p.assembly.parts if part.to_cut and part.length is not None]
    parts = [r for r in rows if r.kind == "part"]
    assert len(parts) == len(wanted)
    for row in parts:
        assert row.count > 0
        assert row.length_mm is not None
        assert row.length_mm > 0
        assert row.name
        assert row.material
