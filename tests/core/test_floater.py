"""The floater's sums: worked numbers first, then what must hold for any canvas."""

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.decisions.edit import Edit
from shadbo.core.words.lengths import Mark, MarkName, texts
from shadbo.core.words.working import working
from tests.making import DEEP, PADS, SHALLOW, WORKED, canvas, codes, job, length, pin, plan, reading, shop


def value(p, key: str) -> float:
    return p.desk.sheet[key].value


def test_the_worked_floater_comes_out_exactly():
    p = plan()
    expected = {
        "inside.width": 424,
        "inside.height": 625,
        "rail.width": 442,
        "rail.height": 643,
        "rail.total": 2170,
        "pad.made": 5,
        "face.made": 3,
        "gap.least": 6,
        "screw.line": 24.5,
        "screw.length": 25,
        "screw.in_bar": 14,
    }
    assert {key: value(p, key) for key in expected} == pytest.approx(expected)
    assert codes(p) == {}
    assert p.state == "to cut"


@pytest.mark.parametrize(
    ("key", "says"),
    [
        ("inside.width", "412 + ( 2 × 6 )"),
        ("rail.width", "up to the mark ( 424 + ( 2 × 9 ) )"),
        ("pad.wanted", "( 46 − 3 ) − 38"),
        ("rail.total", "( 2 × 442 ) + ( 2 × 643 )"),
        ("screw.in_bar", "( 25 − 6 ) − 5"),
    ],
)
def test_and_with_its_working(key: str, says: str):
    p = plan()
    tokens = working(p.desk.sheet[key], p.desk.mark)
    assert " ".join(t.text.mm for t in tokens) == says


@pytest.mark.parametrize(("side", "gap"), [(300, 5), (400, 5), (401, 6), (900, 6), (1200, 10), (1800, 12)])
def test_the_gap_follows_the_longer_side(side: float, gap: float):
    assert value(plan(job(canvas(w=300, h=side))), "gap.wanted") == gap


@pytest.mark.parametrize(("school", "pad"), [("recessed", 5), ("flush", 8), ("proud", 11)])
def test_three_schools_of_face_position(school: str, pad: float):
    p = plan(job(), None, Edit(at="options/floater/face", to=school))
    assert value(p, "pad.wanted") == pad
    assert value(p, "pad.made") == pad


@given(st.integers(16, 40), st.integers(1, 30))
def test_a_deeper_canvas_never_needs_a_thicker_pad(depth: int, more: int):
    thin = job(canvas(depth=depth))
    thick = job(canvas(depth=depth + more))
    a, b = (plan(j, shop(DEEP)) for j in (thin, thick))
    assert value(b, "pad.wanted") <= value(a, "pad.wanted")


@given(
    st.floats(150, 1600),
    st.floats(150, 1600),
    st.floats(16, 45),
    st.sampled_from(["0.5 mm", "1 mm", "1/16 in", "1/32 in"]),
)
def test_rounding_never_makes_a_gap_smaller_than_wanted(w: float, h: float, depth: float, mark: str):
    p = plan(job(canvas(w=w, h=h, depth=depth)), shop(DEEP, mark=mark))
    assert value(p, "gap.least") >= value(p, "gap.wanted") - 1e-6
    assert value(p, "rail.width") >= value(p, "canvas.width") + 2 * value(p, "gap.wanted") + 2 * DEEP.wall_mm - 1e-6
    grid = p.desk.mark.mm
    assert value(p, "rail.width") / grid == pytest.approx(round(value(p, "rail.width") / grid), abs=1e-6)


@given(st.floats(200, 1500), st.floats(200, 1500), st.floats(17, 60))
def test_screws_hold_the_bar_and_spare_the_cloth_or_it_is_said(w: float, h: float, depth: float):
    p = plan(job(canvas(w=w, h=h, depth=depth)), shop(WORKED, SHALLOW, DEEP))
    if not {"screw.short", "screw.long", "face.cannot"} & set(codes(p)):
        assert value(p, "screw.in_bar") >= 12 - 1e-6
        assert value(p, "screw.to_cloth") >= 5 - 1e-6
        assert value(p, "screw.in_bar") <= 20 + 1e-6


@given(st.floats(0, 4), st.floats(-2, 2))
def test_the_gap_on_both_sides_adds_up_to_what_the_frame_leaves(taper: float, waist: float):
    detail = canvas(w=500, width_bottom=reading(500 - taper), width_middle=reading(500 - taper / 2 + waist))
    p = plan(job(detail))
    for end in ("top", "middle", "bottom"):
        both = value(p, f"gap.left.{end}") + value(p, f"gap.right.{end}")
        left = value(p, f"frame.inside_width.{end}") - value(p, f"canvas.width_{end}")
        assert both == pytest.approx(left, abs=0.02)


def test_a_frame_that_exists_gets_shims_from_its_measured_inside():
    pins = [pin("frame.inside_width.middle", 426), pin("frame.inside_height.middle", 628)]
    p = plan(job(), None, *pins)
    assert value(p, "shim.left") == pytest.approx(7)
    assert value(p, "shim.top") == pytest.approx(7.5)
    assert value(p, "frame.outside_width") == 444
    assert p.state == "made"
    assert value(p, "rail.width") == 442, "the wish stays what it was: nothing propagates upstream"


def test_a_racked_canvas_is_turned_to_the_evenest_gap():
    racked = canvas(w=700, h=500, diagonal_up=reading(862), diagonal_down=reading(858.5))
    p = plan(job(racked))
    assert value(p, "canvas.rack") == pytest.approx(2.151, abs=0.001)
    gaps = [value(p, k) for k in p.desk.sheet.named if k.startswith("gap.") and k.count(".") == 2]
    unturned = value(p, "canvas.rack") / 2
    assert max(gaps) - min(gaps) < 2 * unturned, "turning shares the rack between the sides"


def test_pads_come_from_stock_and_the_face_is_taken_from_them():
    p = plan(job(canvas(depth=33.6)))
    assert value(p, "pad.wanted") == pytest.approx(9.4)
    assert value(p, "pad.made") == 9
    assert value(p, "face.made") == pytest.approx(3.4)
    chosen = plan(job(), None, Edit(at="options/floater/pads", to=[PADS[0].model_dump()]))
    assert value(chosen, "face.made") == pytest.approx(7)
    assert codes(chosen)["face.off"] == "caution"


def test_screws_keep_clear_of_keys_braces_and_hangers():
    detail = canvas(w=900, h=600).model_copy(
        update={"braces": canvas(braces=[{"id": "b", "at": {"mm": 300}}]).braces}
    )
    p = plan(job(detail))
    top = sorted(f.along.value for j in p.assembly.joins for f in j.fixings if f.side == "top")
    wall_and_gap = 9 + 6
    brace = p.desk.sheet["frame.outside_width"].value - (wall_and_gap + 300)
    assert all(abs(x - brace) >= 25 - 1 for x in top)
    assert top[0] >= wall_and_gap + 45 + 30
    assert max(b - a for a, b in pairwise(top)) <= 351
    left = [f.along.value for j in p.assembly.joins for f in j.fixings if f.side == "left"]
    assert all(abs(x - value(p, "hang.down")) >= 24 for x in left)


def test_the_plan_takes_the_cheapest_moulding_that_works():
    p = plan(job(canvas(depth=21)), shop(DEEP, WORKED, SHALLOW))
    held = {s.profile.id: s for s in p.assembly.mouldings}
    assert held["shallow"].fits
    assert p.assembly.moulding.id == "shallow"
    assert not held["shallow"].faults


def test_the_same_job_and_shop_give_the_same_plan():
    one, two = plan(job(), shop()), plan(job(), shop())
    assert {k: q.value for k, q in one.desk.sheet.named.items()} == {
        k: q.value for k, q in two.desk.sheet.named.items()
    }


def test_without_readings_it_asks_and_invents_nothing():
    p = plan(job(canvas().model_copy(update={"depth": None, "width_top": None})))
    assert [a.label for a in p.asks] == ["width along the top", "depth, bar and cloth"]
    assert p.assembly is None
    assert p.state == "to measure"


def test_weighed_counts_before_estimated():
    assert value(plan(job(weight_kg=4.2)), "canvas.mass") == 4.2
    assert 0.5 < value(plan(), "canvas.mass") < 3


def test_moving_one_mark_moves_the_plan_by_no_more_than_the_sum_allows():
    a, b = (plan(job(), None, length("options/floater/gap", g)) for g in (6, 6.5))
    assert value(b, "rail.width") - value(a, "rail.width") == 1
    assert value(b, "rail.total") - value(a, "rail.total") == 4


def test_holes_count_from_the_left_as_seen_from_behind():
    detail = canvas(w=900, h=600, braces=[{"id": "b", "at": {"mm": 300}}])
    p = plan(job(detail))
    for fixing in (f for f in p.assembly.joins[0].fixings if f.side in ("top", "bottom")):
        left_from_behind = p.desk.sheet["frame.outside_width"].value / 2
        assert fixing.at[0] == pytest.approx(left_from_behind - fixing.along.value)
    for fixing in (f for f in p.assembly.joins[0].fixings if f.side in ("left", "right")):
        assert fixing.at[1] == pytest.approx(p.desk.sheet["frame.outside_height"].value / 2 - fixing.along.value)


@given(
    st.floats(300, 900), st.floats(300, 900), st.floats(-4, 4), st.floats(-4, 4), st.floats(-2, 2),
)  # fmt: skip
def test_shims_always_go_in(w: float, h: float, taper: float, skew: float, bow: float):
    """A shim is the least gap along its side, rounded down: at no place is it thicker than the room there."""
    detail = canvas(w=round(w, 1), h=round(h, 1)).model_copy(
        update={"width_bottom": reading(round(w + taper, 1)), "height_right": reading(round(h + skew, 1))}
    )
    start = job(detail)
    inside = value(plan(start), "frame.inside_width.middle")
    p = plan(start, None, pin("frame.inside_width.middle", round(inside + bow, 1)))
    s = p.desk.sheet
    for side, ends in (("left", ("top", "middle", "bottom")), ("top", ("left", "middle", "right"))):
        for end in ends:
            key = f"gap.{side}.{end}"
            if key in s:
                assert s[f"shim.{side}"].value <= s[key].value + 1e-6


@pytest.mark.parametrize(("mm", "metric", "inch"), [
    (0.2, "0.2", "1/64"), (0.1, "0.1", "0.0039"), (0.04, "0.04", "0.0016"), (0.0, "0", "0"), (-0.2, "−0.2", "−1/64"),
])  # fmt: skip
def test_small_sizes_never_round_to_nothing(mm: float, metric: str, inch: str):
    marks: tuple[MarkName, ...] = ("0.5 mm", "1/16 in")
    for name in marks:
        said = texts(mm, Mark.named(name))
        assert (said.mm, said.inch) == (metric, inch)
