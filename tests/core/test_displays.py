"""Every display: its worked numbers, and what must hold of whatever it builds."""

from itertools import pairwise

import pytest

from shadbo.core.compare import compare
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.registry import DISPLAYS, display_of
from shadbo.core.drawing.board import draw, views_of
from shadbo.core.plan import Plan
from shadbo.core.shop.materials import Hanger
from shadbo.demo.jobs import demo_jobs
from tests.flat import BOX, PIECES, SHOP, boxed, detail, job, plan, r, sashed, value
from tests.making import length, pin

AXES = ("width", "height")
LOW_STRAP = Hanger(
    id="low", name="low strap", kind="straps", rating_kg=40, screw_mm=12, screws=2, wide_mm=30, high_mm=8
)

PAIRS = [
    (d.home.kind, what)
    for d in DISPLAYS
    for what in PIECES
    if d.suits(job(d.home.kind, what).pieces[0]) and d.home.kind not in ("ready-made box", "sash")
]
BUILT: dict[str, Plan] = {f"{kind}, {what}": plan(job(kind, what)) for kind, what in PAIRS}
BUILT |= {f"ready-made box, {what}": plan(boxed(what)) for what in ("paper", "plant", "panel", "needlework")}
BUILT["sash, banner"] = plan(sashed())
BUILT |= {j.title: plan(j) for j in demo_jobs()}


@pytest.mark.parametrize("name", BUILT)
def test_what_is_built_holds_together(name: str):
    p = BUILT[name]
    a, s = p.assembly, p.desk.sheet
    assert a is not None
    assert p.hang is not None
    assert p.hang.weight.value > 0
    assert a.outside_width.value > 0
    assert {"sizes", "depth", "mount", "parts"} <= set(a.answers)
    layers = [x for x in a.layers if x.name not in ("to close", "proud")]
    for one, next_ in pairwise(layers):
        assert next_.start_mm == pytest.approx(one.end_mm, abs=1e-6), "layers lie on each other"
    assert sum(part.mass is not None for part in a.parts) >= 2
    assert a.effort
    if "fit.worst_hold" in s:
        for axis in ("width", "height"):
            slack = value(p, f"fit.rabbet_{axis}") - a_package(p, axis)
            assert slack >= value(p, f"fit.allowance_{axis}") - 1e-6, "the package goes in with its allowance"


def a_package(p: Plan, axis: str) -> float:
    s = p.desk.sheet
    if f"package.{axis}" in s:
        return s[f"package.{axis}"].value
    return s[f"canvas.{axis}"].value


@pytest.mark.parametrize("name", BUILT)
def test_every_view_can_be_drawn_in_both_systems(name: str):
    p = BUILT[name]
    for view in views_of(p):
        for system in ("mm", "in"):
            svg = draw(p, view, system).svg
            assert "nan" not in svg.lower().replace("canvas", "")
            assert svg.count("<path") > (1 if view != "parts" else 0)


def test_each_display_is_suited_by_something_and_asks_for_what_it_needs():
    for display in DISPLAYS:
        assert any(display.suits(job(display.home.kind, what).pieces[0]) for what in PIECES), display.home.kind
    asks = plan(job("ready-made box", "paper")).asks
    assert [a.at for a in asks] == [f"options/ready_made/frame/{k}" for k in BOX if k != "lip"]


def test_a_display_that_does_not_suit_falls_to_one_that_does():
    p = plan(job("floater", "puzzle"))
    assert display_of(p.desk.job).home.kind == "puzzle frame"
    assert p.assembly is not None


def test_window_mat_window_reveal_and_weighted_border():
    p = plan(job("window mat", "paper", {"window_mat": {"double": True, "border": {"mm": 60}}}))
    assert (value(p, "window.width"), value(p, "window.height")) == (292, 392)
    assert (value(p, "window.outer_width"), value(p, "window.outer_height")) == (304, 404)
    assert value(p, "mat.bottom") == pytest.approx(69)
    assert value(p, "mat.width") == 304 + 120
    whole = plan(job("window mat", "paper", {"window_mat": {"shows": "whole sheet", "margin": {"mm": 12}}}))
    assert value(whole, "window.width") == 324


def test_two_panes_in_a_given_opening():
    """Opening 842 × 548, piece 764 × 470: 39 mm all round."""
    options = {"panes": {"opening_width": {"mm": 842}, "opening_height": {"mm": 548}}}
    the_job = job("two-pane float", detail("pressed plant", 764, 470, 1), options)
    p = plan(the_job)
    assert value(p, "border.width") == value(p, "border.height") == 39
    assert value(p, "border.differ") == 0
    assert value(p, "frame.sight_width") == pytest.approx(842, abs=0.6)
    assert p.assembly.see_through
    assert p.hang.kind == "straps"
    clips = next(j for j in p.assembly.joins if j.id == "points")
    assert clips.item == "soft-padded clips"
    assert len(clips.fixings) == 8, "two a side, never a point on a bare glass edge"
    x, y = p.hang.places[1]
    wall = p.assembly.back_rail.wall.value
    half_w, half_h = (value(p, f"frame.outside_{a}") / 2 for a in AXES)
    assert x == pytest.approx(half_w - wall / 2, abs=0.5), "too narrow a top rail: on the uprights, below its corner"
    assert half_h - y >= wall + p.hang.hanger.footprint_mm[1] / 2
    wide = p.desk.stock.model_copy(update={"hangers": (LOW_STRAP,)})
    on_top = plan(the_job, shop=p.desk.shop.model_copy(update={"stock": wide}))
    assert abs(on_top.hang.places[0][0]) == pytest.approx(value(p, "frame.outside_width") / 4, abs=0.5)
    assert value(on_top, "hang.top") == wall / 2


def test_canvas_frame_bridges_the_step_with_clips():
    profile = next(f for f in SHOP.stock.frames if f.rabbet_mm == 13).model_dump(mode="json")
    p = plan(job("canvas frame", "canvas", {"canvas_frame": {"profile": profile}}))
    assert value(p, "clip.step") == 7
    assert value(p, "clip.offset") == 6
    tops = [f for f in p.assembly.joins[0].fixings if f.side == "top"]
    lefts = [f for f in p.assembly.joins[0].fixings if f.side == "left"]
    assert (len(tops), len(lefts)) == ((500 - 80) // 150 + 1, (700 - 80) // 150 + 1)
    edges = [f.along.value for f in tops]
    assert min(edges) >= 40
    assert max(edges) <= value(p, "frame.outside_width") - 40


def test_plain_floater_strip_and_rails():
    """Support strip = stock height − canvas depth − face; two of inside length, two shorter by 2 · width."""
    p = plan(job("plain floater", detail("stretched canvas", 412, 613, depth=r(38), bar_face=r(45))))
    high, strip = value(p, "profile.height"), value(p, "strip.height")
    assert strip == high - 38 - 3
    assert value(p, "strip.across") == value(p, "frame.inside_width.middle")
    assert value(p, "strip.upright") == value(p, "frame.inside_height.middle") - 2 * value(p, "profile.ledge")
    assert value(p, "rail.width") == 412 + 2 * 6 + 2 * value(p, "profile.wall")


def test_needlework_board_and_cloth():
    """Rabbet 303, allowance 3: board 298.8; cloth at least board + 60."""
    p = plan(job("needlework frame", "needlework", {"needlework": {"allowance": {"mm": 3}}}))
    assert value(p, "board.width") == pytest.approx(value(p, "package.width") - 2 * value(p, "cloth.thick"), abs=0.5)
    assert value(p, "cloth.width") == pytest.approx(value(p, "board.width") + 60)
    assert value(p, "border.least") >= 25 - 0.6
    assert value(p, "mount.line") == value(p, "fit.worst_hold") - value(p, "cloth.thick") - 1


def test_puzzle_is_taped_unless_it_may_be_glued_for_good():
    taped = plan(job("puzzle frame", "puzzle"))
    assert taped.assembly.mount.taken.mount.id == "tape across the back"
    glued = plan(job("puzzle frame", "puzzle", {"puzzle": {"mount": "spray adhesive"}}, worth="everyday"))
    assert glued.assembly.mount.taken.serves
    bare = plan(job("puzzle frame", "puzzle", {"puzzle": {"margin": {"mm": 0}}}))
    assert value(bare, "package.wanted_width" if "package.wanted_width" in bare.desk.sheet else "piece.width") == 480


def test_ready_made_board_drops_inside_and_the_tabs_close():
    p = plan(boxed("puzzle", glass="left out"))
    assert value(p, "board.width") == 361
    assert value(p, "stack.glass_packer") == 2
    assert abs(value(p, "depth.left")) <= 1
    used = plan(boxed("puzzle"))
    assert used.assembly.glazed
    assert value(used, "stack.glazing") == 2


def test_backed_puzzle_hangs_on_an_even_number_of_strips():
    p = plan(job("backed", "puzzle", worth="everyday"))
    assert (value(p, "backing.width"), value(p, "backing.height")) == (476, 336)
    n = value(p, "strips.count")
    assert n % 2 == 0
    assert n * 1.8 >= p.hang.weight.value * 5
    assert len(p.hang.places) == n
    ledge = plan(job("backed", "puzzle", {"backed": {"hung": "ledge"}}, worth="everyday"))
    assert value(ledge, "hang.hook") == pytest.approx(1500 - 170)


def test_poster_rails_take_the_nearest_rail_and_hide_its_height():
    p = plan(job("poster rails", detail("paper", 500, 700, 0.2)))
    assert value(p, "rail.length") == 530
    assert value(p, "sheet.seen") == 700 - 2 * 18
    assert (
        value(p, "mount.demand")
        > plan(job("poster rails", detail("paper", 500, 700, 0.2), {"poster_rails": {"bottom": False}}))
        .desk.sheet["mount.demand"]
        .value
    ), "the lower rail's weight counts"


def test_boards_follow_the_frame_that_was_made():
    start = job("window mat", "paper")
    wanted = value(plan(start), "package.width")
    made = plan(start, pin("frame.inside_width.middle", value(plan(start), "frame.inside_width.middle") - 2))
    assert value(made, "package.width") == wanted - 2
    assert value(made, "rail.width") == value(plan(start), "rail.width"), "nothing propagates upstream"


def test_a_strainer_back_takes_the_bow_out_of_the_hold():
    start = job("window mat", "paper")
    key, made = "frame.inside_height.middle", value(plan(start), "frame.inside_height.middle")
    ends = [pin(f"frame.inside_height.{end}", made) for end in ("left", "right")]
    bowed = plan(start, pin(key, made + 4), *ends)
    assert value(bowed, "fit.bow_height") == 4
    pulled = plan(start, pin(key, made + 4), *ends, Edit(at="options/window_mat/strainer", to=True))
    assert value(pulled, "fit.worst_hold") == pytest.approx(
        value(pulled, "profile.lip") - value(pulled, "fit.allowance_height")
    )
    assert any(part.id == "strainer-width" for part in pulled.assembly.parts)


def test_a_set_shares_the_outside_size_of_its_largest():
    pair = job("window mat", "paper", {"window_mat": {"shows": "whole sheet"}})
    second = {"worth": "dear", "detail": detail("paper", 320, 380, 0.3)}
    both = plan(pair, Edit(at="pieces/piece-2", to=second))
    alone = plan(pair)
    assert value(both, "frame.outside_width") > value(alone, "frame.outside_width")
    assert value(both, "frame.outside_height") == value(alone, "frame.outside_height")


def test_comparing_keeps_the_options_of_every_display():
    start = job("window mat", "paper", {"panes": {"border": {"mm": 55}}, "window_mat": {"double": True}})
    lines = {c.kind: c for c in compare(start, SHOP, "mm")}
    assert set(lines) == {"window mat", "two-pane float", "ready-made box", "backed", "poster rails", "shadow box"}
    assert lines["window mat"].picked
    assert lines["ready-made box"].asks == 6
    assert lines["backed"].stops == 1, "a dear sheet is not glued"
    panes = plan(start.model_copy(update={"display": "two-pane float"}))
    assert lines["two-pane float"].says.mm.startswith(f"{value(panes, 'frame.outside_width'):g} × ")
    assert all("<svg" in c.picture for c in lines.values() if not c.asks)
    assert value(panes, "border.wanted") == 55


def test_a_length_decided_for_one_display_does_not_move_another():
    start = job("puzzle frame", "puzzle")
    moved = plan(start, length("options/needlework/border", 90))
    assert value(moved, "frame.outside_width") == value(plan(start), "frame.outside_width")
