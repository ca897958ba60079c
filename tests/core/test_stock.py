"""Pads and screws from stock, against trying everything."""

from itertools import combinations_with_replacement

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.decisions.edit import Edit
from shadbo.core.shop.materials import FloaterProfile, Hanger, PadStock, Wire
from shadbo.core.shop.shop import Practice
from shadbo.core.shop.stock import Stock
from shadbo.core.sums.floater import pads_for, shortest_screw
from tests import flat
from tests.making import DEEP, PADS, SHALLOW, WORKED, canvas, codes, job, length, plan, shop

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


def held(profile_or_all, depth: float, face: float = 3, gap: float = 6) -> tuple:
    """Mouldings held against a canvas of 400 × 600, as the plan holds them."""
    profiles = profile_or_all if isinstance(profile_or_all, tuple) else (profile_or_all,)
    wishes = [Edit(at="options/floater/gap", to={"mm": gap})]
    school = "proud" if face < 0 else "recessed"
    wishes += [Edit(at="options/floater/face", to=school), length("options/floater/face_by", abs(face))]
    return plan(job(canvas(w=400, h=600, depth=depth)), shop(*profiles), *wishes).assembly.mouldings


@given(st.floats(15, 70), st.floats(-5, 6), st.floats(3, 14))
def test_a_profile_is_called_fit_only_when_everything_holds(depth: float, face: float, gap: float):
    depth, face, gap = round(depth, 2), round(face, 2), round(gap, 2)
    for profile in (WORKED, SHALLOW, DEEP):
        s = held(profile, depth, face, gap)[0]
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
    all_ = held((SHALLOW, DEEP, WORKED), round(depth, 2))
    assert [h.fits for h in all_] == sorted((h.fits for h in all_), reverse=True)
    prices = [h.price for h in all_ if h.fits]
    assert prices == sorted(prices)


def hung(kind: str, kg: float) -> str | None:
    hanger = plan(job(weight_kg=kg), shop(), Edit(at="hanging/kind", to=kind)).hang.hanger
    return hanger.id if hanger else None


def test_a_hanger_is_the_cheapest_that_is_enough():
    assert hung("plate", 1.5) == "plate"
    assert hung("straps", 20) == "strap"
    assert hung("plate", 50) == "plate", "the strongest there is, for the check to speak about"
    assert hung("cleat", 1) is None
    assert Stock().wire(1, 4) is None


RINGS = tuple(
    Hanger(id=f"ring-{kg}", name=f"ring {kg}", kind="wire", rating_kg=kg, price=kg / 10, stands_out_mm=5)
    for kg in (8, 12, 18, 24, 30, 45, 60, 90)
)


@given(st.integers(200, 900), st.integers(200, 900), st.floats(0.3, 6.0))
def test_the_chosen_ring_is_one_that_its_own_check_accepts_where_there_is_one(w: int, h: int, kg: float):
    """The ring is chosen by the pull that the plan itself works out, where the ring sits in this frame."""
    rings = shop().model_copy(update={"stock": shop().stock.model_copy(update={"hangers": RINGS, "wires": (WIRE,)})})
    p = plan(job(canvas(w=w, h=h), weight_kg=round(kg, 2)), rings, Edit(at="hanging/kind", to="wire"))
    enough = [r for r in RINGS if r.rating_kg / p.desk.practice.hardware_factor >= p.hang.each_kg - 1e-9]
    assert p.hang.hanger == (enough[0] if enough else RINGS[-1])
    assert ("hang.weak" in codes(p)) == (not enough)


WIRE = Wire(id="cable", name="cable", rating_kg=200)


def test_a_small_floater_takes_the_ring_that_holds_it():
    """300 × 425, 2.25 kg: the span is from ring to ring, over the ledge, and not from wall to wall."""
    stock = shop().stock.model_copy(update={"hangers": RINGS, "wires": (WIRE,)})
    for kg in (2.0, 2.25, 2.5, 3.0):
        p = plan(job(canvas(w=300, h=425), weight_kg=kg), shop().model_copy(update={"stock": stock}))
        assert "hang.weak" not in codes(p)


def test_a_package_read_by_eye_is_given_its_room_when_the_moulding_is_chosen():
    """The lip is judged with the allowance that the plan takes, reading error and all."""
    by_eye = {n: {"mm": mm, "tool": "eye"} for n, mm in (("width_top", 300), ("width_bottom", 300),
              ("height_left", 400), ("height_right", 400))}  # fmt: skip
    sheet = {"kind": "paper", **by_eye, "thickness": {"mm": 0.3, "tool": "caliper"}}
    p = flat.plan(flat.job("window mat", sheet, {"window_mat": {"shows": "image"}}))
    room = max(flat.value(p, f"fit.allowance_{a}") for a in ("width", "height"))
    assert room >= max(p.desk.sheet[f"mat.{a}"].worst for a in ("width", "height")) - 1e-6
    for moulding in p.assembly.mouldings:
        if moulding.fits:
            assert moulding.profile.lip_mm - room >= p.desk.practice.hold_caution_mm - 1e-6


def test_price_follows_the_ordering_estimate():
    profile = FloaterProfile(
        id="p", name="p", wall_mm=10, inside_depth_mm=46, ledge_mm=25, ledge_thick_mm=6, price_per_m=10
    )
    s = held(profile, 38, 3, 5)[0]
    outside = 2 * (400 + 600) + 8 * (5 + 10)
    assert s.price == pytest.approx((outside + 8 * 10) / 100)
