"""What fixings pass through: screws and dowels reach what they hold, and nothing that they must not touch."""

import io
import math
from dataclasses import replace

import dxfgrabber
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon

from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.decisions.edit import Edit
from shadbo.core.shapes.rings import centred, rect
from shadbo.core.solids.bites import bites, screws_through
from shadbo.core.solids.body import Body, Prism
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.solids.space import Space
from shadbo.core.sums import joints
from shadbo.files.dxf import as_dxf
from tests.core.test_box_slips import lit, pegged
from tests.flat import job, plan, sashed, sized, value
from tests.making import WORKED, canvas, codes
from tests.making import job as floater
from tests.making import plan as floated

RAILS = rails_round((400, 300), (Step(340, 240, 0, 30),), "wood", "rail")
GLASS = Body("glass", "glass", "glass", (Prism(centred(340, 240), 2, 4),), "glass")
CARD = Body("card", "card", "backing", (Prism(centred(390, 290), 30, 33),), "card")


def test_a_screw_reaches_what_it_holds_or_the_judge_says_which_it_misses():
    good = screws_through("s", "screw", [(-185, 0), (185, 0)], 4, (13, 33), ("rail", "card"))
    assert bites(Space([*RAILS, CARD, *good])) == []
    beside = screws_through("s", "screw", [(-160, 0), (185, 0)], 4, (13, 33), ("rail", "card"))
    assert [(x.fixing.id, x.other, x.misses) for x in bites(Space([*RAILS, CARD, *beside]))] == [
        ("s-1", "rail", True)
    ]
    short = screws_through("s", "screw", [(-185, 0)], 4, (30, 33), ("rail", "card"))
    assert [x.other for x in bites(Space([*RAILS, CARD, *short]))] == ["rail"]


def test_a_screw_into_glass_is_told_by_how_far():
    into = screws_through("s", "screw", [(0, 0)], 4, (1, 33), ("card",))
    assert [(x.other, x.by_mm, x.misses) for x in bites(Space([*RAILS, GLASS, CARD, *into]))] == [("glass", 2, False)]


def test_a_screw_through_a_hole_of_a_pane_does_not_touch_it():
    drilled = Body("pane", "pane", "glass", (Prism(centred(340, 240), 2, 4, (rect(-6, -6, 6, 6),)),), "pane")
    slanted = replace(drilled, prisms=(replace(drilled.prisms[0], holes=(((0, -9), (9, 0), (0, 9), (-9, 0)),)),))
    for pane in (drilled, slanted):
        through = screws_through("s", "screw", [(0, 0)], 4, (1, 33), ("card",))
        assert bites(Space([*RAILS, pane, CARD, *through])) == []
        beside = screws_through("s", "screw", [(12, 0)], 4, (1, 33), ("card",))
        assert [x.other for x in bites(Space([*RAILS, pane, CARD, *beside]))] == ["pane"]


@given(st.floats(-6.5, 6.5), st.floats(2, 20), st.booleans())
def test_a_dowel_holds_in_what_its_middle_line_goes_into_and_only_grazes_what_is_beside_it(
    off: float, thick: float, upright: bool
):
    if abs(off) < 0.01:
        return
    r = thick / 2
    held = Body("item", "item", "wood", (Prism(rect(0, -40, 60, 0), 0, 30),), "item")
    ring = rect(-30, off - r, 25, off + r)  # its middle line lies so far above the upper edge of what it is to hold
    turned = [tuple((y, x) for x, y in reversed(r)) for r in (held.prisms[0].ring, ring)]
    if upright:
        held = replace(held, prisms=(replace(held.prisms[0], ring=turned[0]),))
        ring = turned[1]
    dowel = Body("peg", "dowel", "metal", (Prism(ring, 15 - r / 10, 15 + r / 10),), "peg", bites=True, into=("item",))
    assert bool(bites(Space([held, dowel]))) == (off > 0)


@given(
    st.floats(-195, 195), st.floats(-145, 145), st.floats(1, 6), st.floats(0, 40), st.floats(2, 60),
)  # fmt: skip
def test_bites_agree_with_an_independent_reckoning(x: float, y: float, d: float, front: float, long: float):
    screw = screws_through("s", "screw", [(x, y)], d, (front, front + long), ("rail",))
    ring = Polygon(centred(d, d)).buffer(0)
    square = Polygon([(x + a, y + b) for a, b in ring.exterior.coords])
    wood = Polygon(centred(400, 300), [centred(340, 240)])
    deep = min(front + long, 30) - front
    missed = [b for b in bites(Space([*RAILS, *screw])) if b.misses]
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
    rails = math.fsum(b.volume_mm3 for b in p.assembly.bodies if b.id.startswith("rail-"))
    pane_mm2 = (486 + 2 * value(p, "sash.slot")) * (652 + 2 * value(p, "sash.slot"))
    assert value(p, "frame.mass") == pytest.approx(rails * 450e-9 + pane_mm2 * 3 * 2.5e-6, rel=1e-9)
    packer = next(x for x in p.assembly.parts if x.id == "filler")
    assert packer.mass.value > 0
    assert packer.price > 0
    assert packer.sheet is not None


def test_cloth_that_does_not_cover_the_daylight_or_cannot_be_turned_stops():
    small = sized("flag", 470, 662, flat_width=880, flat_height=1210, cloth=0.9)
    assert codes(plan(sashed(small)))["cloth.small"] == "stop"
    tight = sized("flag", 496, 662, flat_width=510, flat_height=1210, cloth=0.9)
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
    assert {x.other for x in bites(Space([*others, *dowels]))} == {"item"}


def test_a_light_box_hangs_on_the_wall_behind_its_last_step_and_weighs_what_is_left_of_its_rails():
    p = plan(lit())
    deepest = value(p, "profile.face") - value(p, "profile.lip") - 2 * value(p, "step.width")
    assert p.assembly.back_rail.wall.value == pytest.approx(deepest)
    assert value(p, "hang.in") < deepest
    rails = math.fsum(b.volume_mm3 for b in p.assembly.bodies if b.id.startswith("rail-"))
    assert value(p, "frame.mass") == pytest.approx(rails * 450e-9)


def test_lamps_and_supply_are_on_the_list_and_in_the_price():
    p = plan(lit())
    rows = {row.part: row for row in cut_list(p)}
    assert (rows["lamps"].count, rows["lamps"].length_mm) == (value(p, "lamp.rows"), value(p, "lamp.each"))
    assert rows["supply"].kind == "hardware"
    parts = {x.id: x for x in p.assembly.parts}
    assert value(p, "price.materials") > parts["lamps"].price * parts["lamps"].count + parts["supply"].price > 0


def test_marks_stand_on_the_board_that_is_drilled():
    """The model's supports go into the middle board, which is wider than the glass by a step on each side."""
    p = plan(lit())
    assert [q.key for q in p.assembly.board] == ["middle.width", "middle.height"]
    doc = dxfgrabber.read(io.StringIO(as_dxf(p)))
    board = [e for e in doc.entities if e.layer == "BOARD"][-1]
    xs, ys = [q[0] for q in board.points], [q[1] for q in board.points]
    assert max(xs) - min(xs) == pytest.approx(value(p, "middle.width"))
    assert max(ys) - min(ys) == pytest.approx(value(p, "middle.height"))
    holes = [e for e in doc.entities if e.layer == "HOLES" and e.center[0] > min(xs)]
    tops = sorted(round(max(ys) - e.center[1], 3) for e in holes)
    told = sorted(value(p, f"item.piece.support{n}_top") for n in (1, 2, 3))
    assert tops[: len(told)] == pytest.approx(told, abs=0.5) or tops[-len(told) :] == pytest.approx(told, abs=0.5)


def test_what_stands_in_a_light_box_stands_on_its_rail():
    p = plan(lit())
    foot = min(y for _, y in p.assembly.shown[0].ring)
    assert foot == pytest.approx(-value(p, "fit.rabbet_height") / 2)


def test_a_translucent_sheet_takes_depth_and_carries_what_falls_out():
    bare, p = plan(lit()), plan(lit(islands="translucent sheet"))
    assert value(p, "depth.package") == pytest.approx(value(bare, "depth.package") + value(p, "stack.diffuser"))
    assert {j.id for j in p.assembly.joins} >= {"points-glazing", "points-diffuser", "back-screws"}
    assert "solid.loose" not in codes(p)


@pytest.mark.parametrize("face", [18, 22, 28, 38, 44, 46, 55, 90])
def test_a_biscuit_comes_out_nowhere(face: float):
    """The slot as a segment of its length and depth, perpendicular to the mitre: 4 mm of wood to either face."""
    biscuit = joints.biscuit_for(face)
    if biscuit is None:
        return
    long, at = joints.mitre(face), joints.slot_middle(biscuit)
    for along, deep in ((at, biscuit.slot), (at - biscuit.length / 2, 0.0), (at + biscuit.length / 2, 0.0)):
        assert (along - deep) / math.sqrt(2) >= 4 - 1e-9
        assert (long - along) / math.sqrt(2) >= 4 - 1e-9
    assert joints.biscuit_count(long, biscuit) >= 1
