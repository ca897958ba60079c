"""Strainers and hangers: parts that take depth, weigh and cost, and screws that stand in wood that is there."""

import math

import pytest
from hypothesis import given, settings
from shapely import Polygon

from shadbo.core.decisions.edit import Edit
from shadbo.core.plan import Plan
from shadbo.core.shop.materials import Hanger
from shadbo.core.sums.hang import lateral
from shadbo.demo.jobs import demo_jobs
from tests.core.test_any_piece import jobs
from tests.flat import SHOP, detail, job, plan, sashed, value
from tests.making import codes

FRAMED = [j for j in demo_jobs() if plan(j).desk.levers.strainer is not None]


def strained(p: Plan) -> Plan:
    return plan(p.desk.job, p.desk.levers.strainer.set(True))


@pytest.mark.parametrize("the_job", FRAMED, ids=lambda j: j.title)
def test_a_strainer_is_a_layer_that_takes_depth_weighs_and_costs(the_job):
    bare = plan(the_job)
    p = strained(bare)
    bars = [x for x in p.assembly.parts if x.id.startswith("strainer-")]
    assert [x.count for x in bars] == [2, 2]
    assert {x.length.value for x in bars} == {value(p, "strainer.width"), value(p, "strainer.height")}
    inside = [value(p, f"fit.rabbet_{a}") for a in ("width", "height")]
    assert [x.length.value for x in bars] == pytest.approx([q - 1 for q in inside], abs=0.5)
    assert value(p, "depth.package") == pytest.approx(value(bare, "depth.package") + value(p, "strainer.thick"))
    assert sum(x.mass.value for x in bars if x.mass is not None) == value(p, "mass.strainer") > 0
    assert sum(x.price for x in bars) > 0
    assert min(len(j.fixings) for j in p.assembly.joins if j.id == "strainer") >= 8
    assert not [j for j in p.assembly.joins if j.id == "points"], "what is screwed on behind needs no points"
    bodies = [b for b in p.assembly.bodies if b.id.startswith("strainer-")]
    volume = sum(b.volume_mm3 for b in bodies)
    assert value(p, "mass.strainer") == pytest.approx(volume * 450e-9, rel=1e-6)


def test_a_strainer_deeper_than_what_is_left_is_a_stop_and_a_deeper_rabbet_mends_it():
    shallow = next(f for f in SHOP.stock.frames if f.rabbet_mm == 13).model_dump(mode="json")
    start = job("window mat", "paper", {"window_mat": {"profile": shallow}})
    p = strained(plan(start))
    assert codes(p)["depth.deep"] == "stop"
    deep = plan(p.desk.job, p.desk.levers.profile.set(None))
    assert "depth.deep" not in codes(deep), "left to itself, the plan knows that the strainer needs room"


def test_a_strainer_shares_the_load_of_the_bottom_rail():
    start = job("window mat", detail("paper", 1400, 900, 0.3), worth="everyday")
    bare, p = plan(start), strained(plan(start))
    load = value(bare, "rail.sag") * value(bare, "rail.inertia") / value(bare, "package.load")
    again = value(p, "rail.sag") * value(p, "rail.inertia_strained") / value(p, "package.load")
    assert again == pytest.approx(load, rel=0.05)
    bar = value(p, "strainer.thick") * value(p, "strainer.bar") ** 3 / 12
    assert value(p, "rail.inertia_strained") == pytest.approx(value(p, "rail.inertia") + bar)


@settings(max_examples=60, deadline=None)
@given(jobs())
def test_a_hanger_sits_on_wood_or_the_plan_says_that_it_does_not(the_job):
    p = plan(the_job)
    if p.hang is None or p.hang.hanger is None or p.assembly.back_rail is None:
        return
    said, hanger, rail = codes(p), p.hang.hanger, p.assembly.back_rail
    back = rail.wall.value + rail.ledge.value
    on_level = p.hang.kind in ("plate", "cleat", "slanted hole") or (
        p.assembly.see_through and p.hang.inwards.value > back
    )
    across = (p.hang.down if on_level else p.hang.inwards).value
    beside = min(across, back - across)
    if rail.glued:
        beside = min(beside, abs(across - rail.wall.value))
    if beside < 1.5 * hanger.screw_diameter_mm - 1e-6:
        assert {"hang.edge", "hang.shallow"} & set(said)
    if 0 < p.hang.screw_mm < 4 * hanger.screw_diameter_mm - 1e-6:
        assert said["hang.shallow"] == "stop"
    assert p.hang.screw_mm in {0.0, hanger.screw_mm, *(x.length_mm for x in SHOP.stock.screws)}
    wide, high = hanger.footprint_mm
    reach = (high if on_level else wide) / 2
    if max(reach - across, across + reach - back) > 0.6 and p.assembly.see_through:
        assert {"hang.over", "hang.edge"} & set(said)


def test_a_hanger_keeps_off_the_glue_line_of_a_strip():
    p = plan(next(j for j in demo_jobs() if j.display == "plain floater"))
    rail = p.assembly.back_rail
    assert rail.glued
    assert abs(p.hang.inwards.value - rail.wall.value) >= 1.5 * p.hang.hanger.screw_diameter_mm


def test_a_plate_hangs_on_the_middle_of_whatever_rail_there_is():
    for the_job in (job("window mat", "paper"), job("needlework frame", "needlework")):
        p = plan(the_job, Edit(at="hanging/kind", to="plate"))
        assert value(p, "hang.from_top") == pytest.approx(p.assembly.back_rail.wall.value / 2, abs=0.5)


def test_screws_across_by_the_table():
    """K · D² at seven diameters, in proportion down to four: Wood Handbook, chapter 8, from memory."""
    assert lateral(0.35, 4, 28) == pytest.approx(23.2 * 16)
    assert lateral(0.45, 4, 40) == pytest.approx(29.8 * 16)
    assert lateral(0.50, 3, 12) == pytest.approx(35.9 * 9 * 4 / 7)
    assert lateral(0.50, 3, 11.9) == 0


def test_what_a_single_fine_screw_cannot_carry_across_stops():
    weak = Hanger(id="weak", name="one fine screw", kind="straps", rating_kg=90, screw_mm=12, screw_diameter_mm=2)
    heavy = job("window mat", detail("paper", 900, 600, 0.3), worth="everyday", weight_kg=9)
    p = plan(heavy, Edit(at="hanging/kind", to="straps"), Edit(at="hanging/hanger", to=weak.model_dump(mode="json")))
    assert codes(p)["hang.across"] == "stop"
    strong = weak.model_copy(update={"screws": 4, "screw_diameter_mm": 3.0})
    assert "hang.across" not in codes(plan(p.desk.job, Edit(at="hanging/hanger", to=strong.model_dump(mode="json"))))


def test_a_wire_that_bends_slight_rails_is_not_the_plans_own_choice_and_stops_where_decided():
    """One load on a beam of two hinges: F·a²·b² / (3·E·I·L), statics; F the wire's pull along the level."""
    slight = next(f for f in SHOP.stock.frames if f.rabbet_mm == 13).model_copy(
        update={"face_mm": 10.0, "lip_mm": 4.0}
    )
    options = {"window_mat": {"profile": slight.model_dump(mode="json")}}
    start = job("window mat", detail("paper", 500, 900, 0.3), options, worth="everyday", weight_kg=1.6)
    p = plan(start, Edit(at="hanging/kind", to="wire"))
    a, long = value(p, "hang.down"), value(p, "frame.outside_height")
    level = value(p, "hang.load") / 2 / math.tan(math.radians(p.hang.angle_deg))
    bent = level * a**2 * (long - a) ** 2 / (3 * 9000 * value(p, "rail.inertia") * long)
    assert value(p, "wire.bends") == pytest.approx(bent, rel=1e-6)
    assert bent > 1.5
    assert codes(p)["wire.bends"] == "stop"
    assert plan(start).hang.kind == "straps"
    stiff = plan(p.desk.job, p.desk.levers.strainer.set(True), p.desk.levers.profile.set(None))
    assert "wire.bends" not in codes(stiff)


def test_a_strainer_is_refused_where_one_sees_through_and_where_no_screw_reaches_it():
    seen = plan(job("two-pane float", "plant", {"panes": {"strainer": True}}))
    assert codes(seen)["strainer.seen"] == "stop"
    wide = SHOP.stock.frames[0].model_copy(update={"face_mm": 90.0, "lip_mm": 6.0}).model_dump(mode="json")
    far = plan(job("window mat", "paper", {"window_mat": {"strainer": True, "profile": wide}}))
    assert value(far, "strainer.screw") < value(far, "strainer.screw_least")
    assert codes(far)["strainer.screw"] == "stop"
    assert "strainer.screw" not in codes(plan(job("window mat", "paper", {"window_mat": {"strainer": True}})))


def test_where_a_hanger_sits_is_obeyed_where_one_sees_through_too():
    p = plan(job("two-pane float", "plant"), Edit(at="hanging/down", to={"mm": 77, "typed": "77"}))
    assert value(p, "hang.top") == 77
    assert p.hang.places[0][1] == pytest.approx(value(p, "frame.outside_height") / 2 - 77)


def test_a_strap_on_a_sash_lies_beside_its_card():
    p = plan(sashed())
    card = next(b for b in p.assembly.bodies if b.id == "card")
    for b in p.bodies:
        if b.part == "hanger":
            assert not Polygon(b.prisms[0].ring).intersects(Polygon(card.prisms[0].ring).buffer(-0.5))


def test_a_cleat_that_would_lie_on_the_canvas_stops():
    """The canvas ends behind its frame, and the rail is narrower than the cleat is high."""
    shallow = next(f for f in SHOP.stock.frames if f.rabbet_mm == 13).model_dump(mode="json")
    start = job("canvas frame", "canvas", {"canvas_frame": {"profile": shallow}}, weight_kg=2)
    wire, cleat = plan(start), plan(start, Edit(at="hanging/kind", to="cleat"))
    assert not [f for f in wire.findings if f.code == "solid.clash"]
    found = next(f for f in cleat.findings if f.code == "solid.clash")
    assert "cleat" in found.title.mm
