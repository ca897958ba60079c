"""Boxes and objects by their worked numbers: depth, voids, stepped mats, sashes, pegs, lamps, holes, pins, joints."""

import itertools
import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon

from shadbo.core.advise import advise
from shadbo.core.assess import assess
from shadbo.core.build.uses import uses
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.decisions.edit import Edit
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of, holds
from shadbo.core.stations import stations
from shadbo.core.sums import joints
from shadbo.core.sums.lamps import rows_of, watts
from shadbo.core.sums.pegs import hole_depth, stress_mpa
from tests.core.test_box_slips import BADGE, MODEL, SHIRT, TOOL, jersey, lit, pair, pegged
from tests.flat import SHOP, detail, gathered, plan, r, sashed, sized, value
from tests.making import length, pin

MEDAL = sized("badge", 38, 92, sort="medal", relief=14, back_relief=6, pin_off=40)
PHOTO = sized("plate", 180, 130, thickness=0.3)


def slab_of(p: Plan, name: str) -> tuple[float, float]:
    layer = next(x for x in p.assembly.layers if x.name == name)
    return layer.start_mm, layer.end_mm


def test_air_is_relief_and_clearance_of_the_one_that_stands_out_farthest():
    """Relief 14 and 6 mm of clearance before an object: 20 mm; a photograph asks for 3 mm only."""
    p = plan(gathered("shadow box", {"detail": MEDAL}, {"detail": PHOTO}))
    assert value(p, "air.needed") == 20
    assert value(p, "item.piece-2.air") == pytest.approx(3.3)
    assert value(p, "air.made") >= 20
    assert value(p, "air.left") == value(p, "air.made") - 14


def test_a_void_takes_what_stands_back_and_two_millimetres_more():
    p = plan(gathered("shadow box", {"detail": BADGE}, {"detail": MEDAL}))
    assert value(p, "void.needed") == 9
    board, filler = slab_of(p, "board"), slab_of(p, "filler")
    assert filler[0] == board[1]
    assert filler[1] - filler[0] >= 9
    flat = plan(gathered("shadow box", {"detail": PHOTO}))
    assert "void.needed" not in flat.desk.sheet


def test_spacers_stack_with_the_least_overshoot_and_lined_walls_hide_them():
    deep = {"detail": sized("keepsake", 120, 80, depth=30)}
    stacked = plan(gathered("shadow box", deep))
    lined = plan(gathered("shadow box", deep, options={"shadow_box": {"lining": "lined walls"}}))
    assert value(stacked, "air.made") >= value(stacked, "air.needed") == 36
    assert value(stacked, "air.made") - 36 < min(s.height_mm for s in stacked.desk.stock.spacers)
    assert value(lined, "air.made") == pytest.approx(36, abs=0.5)
    assert any("walls lined" in part.name for part in lined.assembly.parts)


def test_the_hole_stands_at_the_visible_centre_moved_by_the_pins_offset():
    for side, (dx, dy) in {"above": (0, -8), "below": (0, 8), "left": (-8, 0), "right": (8, 0)}.items():
        p = plan(gathered("shadow box", {"detail": {**BADGE, "pin_side": side}}))
        width, height = value(p, "package.width"), value(p, "package.height")
        assert value(p, "item.piece.hole_left") == pytest.approx(width / 2 + dx, abs=0.26)
        assert value(p, "item.piece.hole_top") == pytest.approx(height / 2 + dy, abs=0.26)


def test_holes_follow_the_board_that_was_really_cut():
    start = gathered("shadow box", {"detail": BADGE})
    wide = value(plan(start), "package.width")
    cut = plan(start, pin("package.width", wide - 4))
    assert value(cut, "item.piece.hole_left") == value(plan(start), "item.piece.hole_left") - 2


def test_jersey_box_comes_to_its_worked_size():
    """Border 60, garment as displayed 620 × 720, margin 30: 800 × 900."""
    p = plan(jersey(double=False))
    assert (value(p, "mat.width"), value(p, "mat.height")) == (800, 900)
    assert (value(p, "opening.width"), value(p, "opening.height")) == (680, 780)
    beside = plan(jersey({"detail": PHOTO}, double=False))
    window = 180 - 2 * value(beside, "mat.overlap")
    assert value(beside, "mat.width") == 800 + value(beside, "mat.strip") + window
    below = plan(jersey({"detail": PHOTO}, double=False, windows="below"))
    assert value(below, "mat.width") == 800
    assert value(below, "mat.height") > 900


def test_a_notch_is_its_badge_and_five_millimetres_on_either_side():
    patch = sized("badge", 70, 80, shape="rectangle", sort="patch", relief=2)
    p = plan(jersey({"detail": patch}))
    inner = next(w for w in p.assembly.windows if w.id == "opening-inner")
    outer = next(w for w in p.assembly.windows if w.id == "opening")
    assert len(inner.ring) == len(outer.ring) == 6
    assert (value(p, "item.piece-2.notch_width"), value(p, "item.piece-2.notch_height")) == (80, 90)
    badge = next(x for x in p.assembly.shown if x.seat == "notch")
    left, low, right, high = box_of(badge.ring)
    tip = next(d for d in outer.ring if holds(inner.ring, d) is False and _reflex(outer.ring, d))
    away = [min(abs(tip[0] - left), abs(tip[0] - right)), min(abs(tip[1] - low), abs(tip[1] - high))]
    assert away == [pytest.approx(5), pytest.approx(5)], "5 mm of the outer mat to both sides of its notch"


def _reflex(ring: tuple, dot: tuple) -> bool:
    left, low, right, high = box_of(ring)
    return left < dot[0] < right and low < dot[1] < high


def test_notches_that_meet_leave_the_opening_whole_and_no_piece_is_lost():
    job = gathered(
        "jersey box",
        {"detail": sized("garment", 240, 300, body_width=240, thickness=12)},
        *[{"detail": sized("badge", 160, 160, shape="rectangle", relief=2)}] * 2,
    )
    p = plan(job)
    assert "notch.crowded" in p.desk.sheet
    assert {x.id for x in p.assembly.shown} == {"piece", "piece-2", "piece-3"}
    assert all(len(w.ring) == 4 for w in p.assembly.windows)


def test_pins_follow_the_seams_and_keep_off_a_zone():
    free = plan(gathered("jersey box", {"detail": SHIRT}))
    zone = {"id": "z", "left": {"mm": 60}, "top": {"mm": 0}, "width": {"mm": 200}, "height": {"mm": 80}}
    signed = plan(gathered("jersey box", {"detail": SHIRT, "zones": [zone]}))
    pins = [x for x in free.assembly.spots if x.kind == "pin"]
    assert len(pins) == value(free, "item.piece.pins")
    ring = next(x.ring for x in free.assembly.shown if x.id == "piece")
    assert all(holds(ring, pin.at) for pin in pins), "3 mm inside the outline"
    shoulders = sorted(x.at[0] for x in pins if x.id.startswith("carries-shoulder, right"))
    gaps = [b - a for a, b in pairwise(shoulders)]
    assert max(gaps) <= 45
    forbidden = signed.assembly.zones[0].ring
    assert not any(holds(forbidden, x.at) for x in signed.assembly.spots)
    assert value(signed, "item.piece.pins") + value(signed, "item.piece.pins_moved") == value(free, "item.piece.pins")


def test_the_inner_form_stands_eight_millimetres_inside():
    p = plan(gathered("jersey box", {"detail": SHIRT}))
    assert (value(p, "item.piece.form_width"), value(p, "item.piece.form_height")) == (604, 704)
    assert any(part.id == "form-piece" and part.to_cut for part in p.assembly.parts)
    sewn = plan(gathered("jersey box", {"detail": SHIRT}, options={"jersey_box": {"mounts": {"piece": "stitching"}}}))
    assert not any(part.id.startswith("form-") for part in sewn.assembly.parts)


def test_supports_carry_from_below_and_hold_above_the_centre_of_gravity():
    tool = {"detail": sized("keepsake", 300, 120, depth=40, centre_up=50), "weight_kg": 1.2}
    p = plan(gathered("shadow box", tool))
    ys = sorted(x.at[1] for x in p.assembly.spots if x.kind == "support")
    centre = p.assembly.shown[0].ring
    low = box_of(centre)[1]
    assert ys[0] == ys[1] < low + 50 < ys[2]
    pull = 1.2 * 9.80665 * 20 / value(p, "item.piece.supports_apart")
    assert value(p, "item.piece.pull_out") == pytest.approx(pull)


def test_a_standing_figure_tips_at_the_angle_of_its_foot():
    p = plan(gathered("shadow box", {"detail": MODEL, "weight_kg": 0.7}))
    assert value(p, "item.piece.tip") == pytest.approx(math.degrees(math.atan(20 / 62)))
    low = box_of(p.assembly.shown[0].ring)[1]
    assert low == pytest.approx(-value(p, "field.height") / 2), "it bears on the bottom wall"


def test_core_and_card_of_a_sash():
    """core = daylight + 2 · hidden − 2 · cloth · layers − 2 mm; card = core + 2 · 15, at most outside − 2 · 10."""
    p = plan(sashed(hidden={"mm": 8}, layers=2))
    assert value(p, "core.width") == pytest.approx(486 + 16 - 2 * 0.9 * 2 - 2, abs=0.5)
    assert value(p, "card.width") == pytest.approx(value(p, "core.width") + 30, abs=0.5)
    narrow = plan(sashed(sash={"outside_width": 530}))
    assert value(narrow, "card.width") == 510
    assert value(p, "fold.width") == pytest.approx(880 / 496)
    assert value(p, "depth.package") + value(p, "depth.left") == value(p, "sash.rebate")
    assert value(p, "card.tip") == 15 - (value(p, "card.screw") - value(p, "stack.card"))


def test_dowels_of_an_open_frame():
    p = plan(pegged(gap={"mm": 28}))
    d = value(p, "peg.diameter")
    assert d <= 30 / 3
    assert value(p, "peg.in_rail") == pytest.approx(hole_depth(d, value(p, "profile.face")), abs=0.5)
    expected = value(p, "gap.made_width") + value(p, "peg.in_object") + value(p, "peg.in_rail") - 1
    assert value(p, "peg.length") == pytest.approx(expected, abs=0.5)
    assert value(p, "peg.stress") == pytest.approx(stress_mpa(0.2 * 9.80665, value(p, "gap.made_width"), d))
    assert value(p, "rail.width") == 240 + 2 * 28 + 2 * value(p, "profile.face")
    made = plan(pegged(gap={"mm": 28}), pin("frame.inside_width.middle", 300))
    assert value(made, "peg.length") == pytest.approx(value(p, "peg.length") + 2, abs=0.5), "the frame as made"
    for the_plan, last in ((plan(pegged(pegs=2)), "last rail goes on"), (p, "each over its own dowel")):
        order = [op for j in the_plan.assembly.joins for op in j.operations]
        assert order.index(next(x for x in order if "drill the rails first" in x)) < order.index(
            next(x for x in order if last in x)
        )
    four = plan(pegged(pegs=4))
    assert len(four.assembly.joins[0].fixings) == 4


def test_what_could_turn_on_two_dowels_gets_a_third():
    """On two dowels in one line a thing turns, unless its weight lies below that line."""
    low = {**TOOL, "centre_up": {"mm": 20, "typed": "20", "tool": "rule"}}
    assert value(plan(pegged()), "peg.count") == 3, "nobody has read where its weight lies"
    assert value(plan(pegged(low)), "peg.count") == 2
    two = advise(pegged(pegs=2), SHOP)
    found = next(f for f in two.findings if f.code == "peg.turns")
    assert found.severity == "caution"
    assert found.remedies[0].proposal.edits[0].to == 3
    high = {**TOOL, "centre_up": {"mm": 60, "typed": "60", "tool": "rule"}}
    assert "peg.turns" in {f.code for f in plan(pegged(high, pegs=2)).findings}
    assert "peg.turns" not in {f.code for f in plan(pegged(low, pegs=2)).findings}


@given(st.floats(20, 600), st.floats(8, 600), st.floats(6, 120), st.sampled_from([2, 3, 4]), st.floats(0, 120))
def test_dowels_stand_in_wood_and_never_meet(w: float, h: float, deep: float, pegs: int, gap: float):
    """A dowel is as long as its gap and both holes less a millimetre, and a third of the thinnest at most."""
    tool = sized("keepsake", round(w, 1), round(h, 1), depth=round(deep, 1))
    p = plan(pegged(tool, pegs=pegs, gap={"mm": round(gap, 1)}))
    d = value(p, "peg.diameter")
    thinnest = min(round(h, 1), round(deep, 1), *([round(w, 1)] if pegs > 2 else []))
    assert ("peg.thick" in {f.code for f in p.findings}) == (d > thinnest / 3 + 1e-6)
    bodies = {b.id: b for b in p.assembly.bodies}
    dowels = [b for b in p.assembly.bodies if b.id.startswith("peg-")]
    assert len(dowels) == pegs
    holes = [Polygon(x.ring) for x in p.assembly.spots if x.plane == "object"]
    if d <= thinnest / 3:
        assert all(a.intersection(b).area < 1e-6 for a, b in itertools.combinations(holes, 2))
    for b in dowels:
        ring = Polygon(b.prisms[0].ring)
        assert ring.length / 2 - d == pytest.approx(
            value(p, "peg.length_level" if b.id[4:] in ("bottom", "top") else "peg.length")
        )
        rail = Polygon(bodies[f"rail-{b.id[4:]}"].prisms[0].ring)
        assert ring.intersection(rail).area / d == pytest.approx(value(p, "peg.in_rail"), abs=1e-3)
        assert ring.intersection(Polygon(bodies["item"].prisms[0].ring)).area > 0
    rows = [row for row in cut_list(p) if "dowel" in row.name]
    assert sum(row.count for row in rows) == pegs, "each once"


def test_an_opening_smaller_than_its_object_bends_nothing_and_stops():
    p = plan(pegged(), pin("frame.inside_width.middle", 200))
    assert value(p, "peg.stress") == 0
    assert "solid.clash" in {f.code for f in p.findings if f.severity == "stop"}


def test_voids_lamps_and_supply_of_a_light_box():
    p = plan(lit(rows_apart={"mm": 60}))
    assert value(p, "stack.front_void") == 58 + 2 * 6
    assert value(p, "lamp.pitch") <= 60
    assert value(p, "stack.light_void") >= value(p, "lamp.void_least") == value(p, "lamp.pitch")
    draw = watts(value(p, "lamp.length"), p.desk.stock.lamps[0].w_per_m)
    assert value(p, "supply.needed") == pytest.approx(1.2 * draw)
    assert value(p, "supply.watts") >= 1.2 * draw
    assert value(p, "middle.width") == pytest.approx(value(p, "package.width") + 2 * value(p, "step.width"), abs=0.5)
    assert value(p, "backing.width") == pytest.approx(value(p, "middle.width") + 2 * value(p, "step.width"), abs=0.5)
    steps = (value(p, "step.middle"), value(p, "step.backing"))
    room = p.desk.practice.layer_room_mm
    assert steps[1] - steps[0] == pytest.approx(value(p, "stack.middle") + room + value(p, "stack.light_void"))
    assert value(p, "cable.hole") == value(p, "supply.plug") + 1
    assert steps[0] < value(p, "cable.deep") < steps[1], "the cable leaves through the light void"


def test_a_step_is_deeper_than_its_layer_by_the_room_of_the_practice():
    wider = SHOP.model_copy(update={"practice": SHOP.practice.model_copy(update={"layer_room_mm": 2.0})})
    a, b = assess(lit(), SHOP), assess(lit(), wider)
    for key, more in (("step.backing", 1.5), ("depth.package", 3.0), ("rail.ripped", 3.0)):
        assert value(b, key) - value(a, key) == pytest.approx(more)


def test_gathered_pieces_are_read_for_squareness_as_one_alone_is():
    flat = detail("puzzle", 300, 200, 2) | {"diagonal_down": r(360.6), "diagonal_up": r(360.6)}
    racked = detail("puzzle", 300, 200, 2) | {
        "width_bottom": r(303), "width_middle": r(300), "diagonal_down": r(356), "diagonal_up": r(385)}  # fmt: skip
    tool = sized("keepsake", 240, 60, depth=30)
    p = plan(gathered("shadow box", {"detail": tool}, {"detail": flat}, {"detail": racked}))
    assert value(p, "item.piece-2.taper_width") == 0
    assert value(p, "item.piece-3.taper_width") == -3
    assert value(p, "item.piece-3.waist_width") == pytest.approx(-1.5)
    assert abs(value(p, "item.piece-3.rack")) > 10
    found = [f for f in p.findings if f.code == "readings.misfit"]
    assert [f.place for f in found] == ["piece-3"]
    assert found[0].title.mm.startswith("puzzle: ")


def test_rows_of_lamps_are_cut_where_the_strip_may_be_cut():
    rows = rows_of(400, 300, 60, 17, 50)
    assert (rows.count, rows.each_mm, rows.total_mm) == (5, 400, 2000)
    assert rows.pitch_mm == 60
    assert rows_of(30, 20, 60, 17, 50).count == 1


def test_joints_by_their_worked_numbers():
    """0.1° on a face of 45: 0.9 mm; a spline slot of a 22/6 moulding 19.6 mm; biscuit s ≥ d + 4·√2."""
    assert joints.gap_of_error(45.0, 0.1) == pytest.approx(0.89, abs=0.005)
    assert joints.spline_slot(22.0, 6.0, joints.SPLINE_KEPT_MM) == pytest.approx(19.6, abs=0.05)
    assert joints.mitre(45.0) == pytest.approx(63.64, abs=0.005)
    assert [joints.spline_count(d) for d in (18, 25, 49, 50, 80)] == [1, 1, 1, 2, 3]
    twenty = joints.BISCUITS[2]
    s = joints.biscuit_from_point(twenty.slot, joints.LIP_LEFT_MM)
    assert (s - twenty.slot) / 2**0.5 == pytest.approx(4), "wood left to the outer face"
    assert joints.biscuit_for(25) is None
    assert joints.biscuit_count(120, twenty) == 1.5


def test_a_heavy_or_long_frame_takes_splines_and_says_why():
    light = plan(gathered("shadow box", {"detail": BADGE}))
    assert "joint.slip" not in light.desk.sheet
    heavy = plan(gathered("shadow box", {"detail": sized("keepsake", 400, 300, depth=30), "weight_kg": 4}))
    assert value(heavy, "joint.slip") == pytest.approx(2 * value(heavy, "joint.slot"))
    rows = {q.label: q for s in stations(heavy) for q in s.questions}
    assert "3 kg" in rows["Corner joint"].note.mm


def test_what_is_decided_for_one_piece_moves_no_other():
    start = gathered("shadow box", {"detail": BADGE}, {"detail": MEDAL})
    before = plan(start)
    moved = plan(start, Edit(at="options/shadow_box/layout/places/piece", to={"left": {"mm": 60}, "top": {"mm": 50}}))
    assert value(moved, "item.piece.left") == 60
    assert value(moved, "item.piece-2.left") == value(before, "item.piece-2.left")
    assert value(moved, "frame.outside_width") == value(before, "frame.outside_width")


def test_optical_centre_leaves_more_below():
    start = gathered("shadow box", {"detail": BADGE})
    optical = plan(start, Edit(at="options/shadow_box/layout/centre", to="optical"))
    low, high = box_of(optical.assembly.shown[0].ring)[1::2]
    field = value(optical, "field.height") / 2
    assert low + field > field - high
    assert field - high == pytest.approx(value(optical, "layout.margin"))


def test_a_wider_margin_makes_a_larger_frame_by_twice_as_much():
    start = gathered("shadow box", {"detail": BADGE})
    wider = plan(start, length("options/shadow_box/margin", 60))
    grown = value(wider, "frame.outside_width") - value(plan(start), "frame.outside_width")
    assert grown == pytest.approx(2 * (60 - value(plan(start), "layout.margin")))


@pytest.mark.parametrize("key", ["opening.width", "opening.height", "item.piece-2.window_width"])
def test_who_sits_where_is_not_moved_by_what_was_measured_of_the_mat(key: str):
    """A small photograph in a notch that just clears the shirt stays there, though the opening was cut narrower."""
    the_job = jersey({"detail": sized("plate", 60, 42, thickness=0.3)})
    assert [x.seat for x in plan(the_job).assembly.shown] == ["opening", "notch"]
    size = {"mm": 0.8 * value(plan(the_job), key), "typed": "", "tool": "rule"}
    assert [x.seat for x in plan(the_job, Edit(at=f"pins/{key}", to=size)).assembly.shown] == ["opening", "notch"]


def test_what_ties_take_is_counted_at_each_support():
    p = plan(pair())
    assert p.assembly is not None
    assert [(x.count, x.what) for x in uses(p.desk.sheet, p.assembly)] == [(3, "ties"), (3, "ties")]


def test_boards_that_fill_up_weigh_with_all_their_facings():
    foam = next(iter(SHOP.stock.sheets_of("foam board")))
    assert foam.stacked_kg_per_m2(1) == foam.kg_per_m2
    three = foam.model_copy(update={"thick_mm": 3 * foam.thick_mm})
    assert three.stacked_kg_per_m2(3) == pytest.approx(3 * foam.kg_per_m2)
