"""Pads and screws from stock, against trying everything."""

from itertools import combinations_with_replacement

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.displays.floating.floater.stock import held_against, suitability
from shadbo.core.shop.materials import FloaterProfile, PadStock
from shadbo.core.shop.shop import Practice, Stock
from shadbo.core.sums.floater import pads_for, shortest_screw
from shadbo.core.words.lengths import Mark
from tests.making import DEEP, HANGERS, PADS, SHALLOW, WORKED

MARK = Mark.named("0.5 mm")
LENGTHS = Practice().screw_lengths_mm


def off(stack, wanted: float) -> float:
    over = sum(p.thick_mm for p in stack) - wanted
    return -over if over <= 1e-6 else over + 1


@given(
    st.floats(0.1, 60),
    st.lists(st.sampled_from([0.5, 1, 2, 3, 5, 6, 9, 12, 18]), min_size=1, max_size=6, unique=True),
)
def test_no_other_stack_comes_nearer(wanted: float, thicknesses: list[float]):
    stock = [PadStock(id=f"p{i}", name=str(t), thick_mm=t, species="felt") for i, t in enumerate(thicknesses)]
    ours = pads_for(wanted, stock, 3, 1.0)
    every = [s for n in range(4) for s in combinations_with_replacement(stock, n)]
    best = min(off(s, wanted) for s in every)
    assert off(ours, wanted) == pytest.approx(best, abs=2e-3)


def test_fewest_layers_then_the_cheapest():
    assert [p.thick_mm for p in pads_for(5, PADS, 3, 1.0)] == [5]
    cheap = PadStock(id="cheap", name="cheap 5", thick_mm=5, species="cork", price_per_m2=0.5)
    assert pads_for(5, (*PADS, cheap), 3, 1.0) == (cheap,)
    assert pads_for(0, PADS, 3, 1.0) == pads_for(-3, PADS, 3, 1.0) == ()


@given(st.integers(100, 500).map(lambda n: n / 10), st.integers(0, 100).map(lambda n: n / 10))
def test_the_shortest_screw_that_fits(least: float, room: float):
    chosen, fits = shortest_screw(least, least + room, LENGTHS)
    between = [x for x in LENGTHS if least - 1e-6 <= x <= least + room + 1e-6]
    assert fits == bool(between)
    assert chosen == (min(between) if between else min((x for x in LENGTHS if x >= least), default=max(LENGTHS)))


@given(st.floats(15, 70), st.floats(-5, 6), st.floats(3, 14))
def test_a_profile_is_called_fit_only_when_everything_holds(depth: float, face: float, gap: float):
    p = Practice()
    for profile in (WORKED, SHALLOW, DEEP):
        s = suitability(profile, depth, face, gap, (400, 600), PADS, p, MARK)
        pad = profile.inside_depth_mm - face - depth
        if not s.fits:
            continue
        assert profile.inside_depth_mm - face - depth >= -1e-6
        assert profile.ledge_mm >= gap + 12 - 1e-6
        made = sum(x.thick_mm for x in pads_for(pad, PADS, 3, 1.0))
        base = profile.ledge_thick_mm + made
        assert any(x - base + 1e-6 >= 12 and x - base <= min(20, depth - 5) + 1e-6 for x in LENGTHS)


@given(st.floats(15, 90))
def test_what_fits_stands_before_what_does_not(depth: float):
    stock = Stock(floater_profiles=(SHALLOW, DEEP, WORKED), pads=PADS)
    held = held_against(stock, depth, 3, 6, (400, 600), Practice(), MARK)
    assert [h.fits for h in held] == sorted((h.fits for h in held), reverse=True)
    prices = [h.price for h in held if h.fits]
    assert prices == sorted(prices)


def test_a_hanger_is_the_cheapest_that_is_enough():
    stock = Stock(hangers=HANGERS)
    assert stock.hanger("plate", 1.5, 1.5, 4).id == "plate"
    assert stock.hanger("straps", 20, 10, 4).id == "strap"
    assert stock.hanger("plate", 50, 50, 4).id == "plate", "the strongest there is, for the check to speak about"
    assert stock.hanger("cleat", 1, 1, 4) is None
    assert Stock().wire(1, 4) is None


def test_price_follows_the_ordering_estimate():
    profile = FloaterProfile(
        id="p", name="p", wall_mm=10, inside_depth_mm=46, ledge_mm=25, ledge_thick_mm=6, price_per_m=10
    )
    s = suitability(profile, 38, 3, 5, (400, 600), PADS, Practice(), MARK)
    outside = 2 * (400 + 600) + 8 * (5 + 10)
    assert s.price == pytest.approx((outside + 8 * 10) / 100)
