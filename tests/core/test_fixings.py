"""What fixings pass through: screws and dowels reach what they hold, and nothing that they must not touch."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon

from shadbo.core.decisions.edit import Edit
from shadbo.core.shapes.rings import centred
from shadbo.core.solids.bites import bites, screws_through
from shadbo.core.solids.body import Body, Prism, Step, rails_round
from tests.core.test_box_slips import pegged
from tests.flat import job, plan, sashed, value
from tests.making import WORKED, canvas, codes
from tests.making import job as floater
from tests.making import plan as floated

RAILS = rails_round((400, 300), (Step(340, 240, 0, 30),), "wood", "rail")
GLASS = Body("glass", "glass", "glass", (Prism(centred(340, 240), 2, 4),), "glass")
CARD = Body("card", "card", "backing", (Prism(centred(390, 290), 30, 33),), "card")


def test_a_screw_reaches_what_it_holds_or_the_judge_says_which_it_misses():
    good = screws_through("s", "screw", [(-185, 0), (185, 0)], 4, (13, 33), ("rail", "card"))
    assert bites([*RAILS, CARD, *good]) == []
    beside = screws_through("s", "screw", [(-160, 0), (185, 0)], 4, (13, 33), ("rail", "card"))
    assert [(x.fixing.id, x.other, x.misses) for x in bites([*RAILS, CARD, *beside])] == [("s-1", "rail", True)]
    short = screws_through("s", "screw", [(-185, 0)], 4, (30, 33), ("rail", "card"))
    assert [x.other for x in bites([*RAILS, CARD, *short])] == ["rail"]


def test_a_screw_into_glass_is_told_by_how_far():
    into = screws_through("s", "screw", [(0, 0)], 4, (1, 33), ("card",))
    assert [(x.other, x.by_mm, x.misses) for x in bites([*RAILS, GLASS, CARD, *into])] == [("glass", 2, False)]


@given(
    st.floats(-195, 195), st.floats(-145, 145), st.floats(1, 6), st.floats(0, 40), st.floats(2, 60),
)  # fmt: skip
def test_bites_agree_with_an_independent_reckoning(x: float, y: float, d: float, front: float, long: float):
    screw = screws_through("s", "screw", [(x, y)], d, (front, front + long), ("rail",))
    ring = Polygon(centred(d, d)).buffer(0)
    square = Polygon([(x + a, y + b) for a, b in ring.exterior.coords])
    wood = Polygon(centred(400, 300), [centred(340, 240)])
    deep = min(front + long, 30) - front
    missed = [b for b in bites([*RAILS, *screw]) if b.misses]
    if deep < 0.9 or square.intersection(wood).area < 0.05 * d * d:
        assert missed
    if deep > 1.1 and any(Polygon(r.prisms[0].ring).contains(square) for r in RAILS):
        assert not missed


def test_a_floaters_screws_stand_in_ledge_and_bar():
    p = floated(floater())
    screws = [b for b in p.assembly.bodies if b.bites]
    assert len(screws) == value(p, "screw.count")
    assert "solid.bite" not in codes(p)
    narrow = WORKED.model_copy(update={"ledge_mm": 8.0})
    off = floated(
        floater(canvas(bar=20)), None, Edit(at="options/floater/profile", to=narrow.model_dump(mode="json"))
    )
    assert {"solid.bite", "screw.line", "gap.ledge"} & set(codes(off))


def test_the_card_of_a_sash_is_screwed_all_round_and_clear_of_the_pane():
    p = plan(sashed())
    join = next(j for j in p.assembly.joins if j.id == "card-screws")
    assert {f.side for f in join.fixings} == {"top", "right", "bottom", "left"}
    assert len(join.fixings) == value(p, "card.screw_count") >= 8
    assert join.length.value == value(p, "card.screw")
    slot = value(p, "sash.slot")
    w, h = (value(p, f"sash.daylight_{a}") / 2 + slot for a in ("width", "height"))
    outside = [float(value(p, f"frame.outside_{a}")) / 2 for a in ("width", "height")]
    for f in join.fixings:
        x, y = abs(f.at[0]), abs(f.at[1])
        assert x > w or y > h, "beside the slot of the glass"
        half, at = (outside[0], -f.at[0]) if f.side in ("top", "bottom") else (outside[1], f.at[1])
        if f.side in ("top", "bottom"):
            assert min(abs(f.along.value - half - at), abs(f.along.value - half + at)) < 1e-6
        else:
            assert f.along.value == pytest.approx(half - at)
    assert "solid.bite" not in codes(p)


def test_cloth_lies_once_before_the_core_and_three_times_behind_its_corners():
    p = plan(sashed(layers=2))
    assert value(p, "stack.cloth") == pytest.approx(0.9 * 2 * 4)
    bodies = {b.id: b for b in p.assembly.bodies}
    assert bodies["core"].front_mm - bodies["piece"].front_mm == pytest.approx(0.9 * 2)


def test_a_sash_weighs_by_its_own_rails_and_its_packers_cost():
    """Rails by the volume of the bodies, 450 kg/m³: common practice, no source; glass 2.5 kg/m² and mm, EN 572-1."""
    p = plan(sashed())
    rails = sum([b.volume_mm3 for b in p.assembly.bodies if b.id.startswith("rail-")])
    pane_mm2 = (486 + 2 * value(p, "sash.slot")) * (652 + 2 * value(p, "sash.slot"))
    assert value(p, "frame.mass") == pytest.approx(rails * 450e-9 + pane_mm2 * 3 * 2.5e-6, rel=1e-9)
    packer = next(x for x in p.assembly.parts if x.id == "filler")
    assert packer.mass.value > 0
    assert packer.price > 0
    assert packer.sheet is not None


def test_cloth_that_does_not_cover_the_daylight_or_cannot_be_turned_stops():
    small = {"kind": "flag", **{k: {"mm": v, "typed": str(v), "tool": "rule"} for k, v in
             {"width": 470, "height": 662, "flat_width": 880, "flat_height": 1210, "cloth": 0.9}.items()}}  # fmt: skip
    assert codes(plan(sashed(small)))["cloth.small"] == "stop"
    tight = {**small, "width": {"mm": 496, "typed": "496", "tool": "rule"},
             "flat_width": {"mm": 510, "typed": "510", "tool": "rule"}}  # fmt: skip
    found = [f for f in plan(sashed(tight)).findings if f.code == "cloth.small"]
    assert [f.place for f in found] == ["width"]
    assert "cloth.small" not in codes(plan(sashed()))


def test_a_room_as_deep_as_its_sash_is_a_wrong_reading():
    p = plan(sashed(sash={"rebate": 38}))
    assert codes(p)["sash.deep"] == "stop"


def test_a_needlework_board_follows_the_cloth_that_was_read():
    """Board = package − 2 · cloth; its fixings keep under the lip when all slides over."""
    detail = {"kind": "needlework", **{k: {"mm": v, "typed": str(v), "tool": "rule"} for k, v in
              {"width_top": 240, "width_bottom": 240, "height_left": 300, "height_right": 300, "thickness": 2.5,
               "margin_top": 90, "margin_right": 90, "margin_bottom": 90, "margin_left": 90}.items()}}  # fmt: skip
    p = plan(job("needlework frame", detail))
    for axis in ("width", "height"):
        assert value(p, f"board.{axis}") == pytest.approx(value(p, f"package.{axis}") - 5, abs=0.5)
    assert value(p, "stack.folds") == 5, "two layers of 2.5 behind the board"
    assert value(p, "mount.line") == pytest.approx(value(p, "fit.worst_hold") - 2.5 - 1)


def test_a_dowel_is_judged_by_what_it_stands_in():
    p = plan(pegged(gap={"mm": 10}))
    assert "solid.bite" not in codes(p)
    dowels = [b for b in p.assembly.bodies if b.bites]
    others = [b for b in p.assembly.bodies if not b.bites and b.id != "item"]
    assert {x.other for x in bites([*others, *dowels])} == {"item"}
