"""Sizes that someone wants: a border of each side, an outside that is given, the face of a print still to be made."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.shapes.polygon import box_of
from tests.core.test_own_frame import own
from tests.flat import PIECES, SHOP, detail, job, plan, value

SIDES = ("top", "right", "bottom", "left")
BORDERS = st.fixed_dictionaries({}, optional={side: st.floats(40, 160).map(round) for side in SIDES})


def mm(length: float) -> dict:
    return {"mm": length, "typed": f"{length:g}"}


def planned(start, edits):
    plan = change(start, list(edits), SHOP).plan
    assert plan is not None
    return plan


def mat(options: dict, w: float = 420, h: float = 297):
    return plan(job("window mat", detail("paper", w, h), {"window_mat": options}))


@settings(max_examples=60, deadline=None)
@given(BORDERS, st.booleans(), st.sampled_from(["equal", "weighted"]))
def test_each_border_is_cut_as_it_was_decided(borders, double, school):
    options = {f"border_{side}": mm(x) for side, x in borders.items()} | {"double": double, "borders": school}
    p = mat(options)
    usual = p.desk.practice.mat_border_mm
    wanted = dict.fromkeys(SIDES, usual) | {
        "bottom": usual * (p.desk.practice.mat_weighting if school == "weighted" else 1)
    }
    for side in SIDES:
        assert value(p, f"mat.{side}_cut") == pytest.approx((wanted | borders)[side], abs=0.6), side
    window = next(x for x in p.assembly.windows if x.sheet == "mat")
    left, low, right, high = box_of(window.ring)
    w, h = value(p, "package.width"), value(p, "package.height")
    cut = {"left": left + w / 2, "right": w / 2 - right, "bottom": low + h / 2, "top": h / 2 - high}
    for side in SIDES:
        assert cut[side] == pytest.approx(value(p, f"mat.{side}_cut"), abs=1e-6)
    paper = next(b for b in p.assembly.bodies if b.id == "piece")
    inner = box_of(p.assembly.windows[-1].ring)
    around = box_of(paper.prisms[0].ring)
    hidden = (inner[0] - around[0], around[2] - inner[2], inner[1] - around[1], around[3] - inner[3])
    assert max(hidden) - min(hidden) < 1.1, "the sheet lies under the middle of its window"
    assert not [f for f in p.findings if f.severity == "stop"]


@settings(max_examples=60, deadline=None)
@given(st.sampled_from(["window mat", "puzzle frame", "needlework frame", "two-pane float"]),
       st.integers(0, 300), st.integers(0, 300))  # fmt: skip
def test_an_outside_that_is_given_is_the_outside_that_is_made(display, more_w, more_h):
    piece = {"window mat": "paper", "puzzle frame": "puzzle", "needlework frame": "needlework",
             "two-pane float": "plant"}[display]  # fmt: skip
    home = {"window mat": "window_mat", "puzzle frame": "puzzle", "needlework frame": "needlework",
            "two-pane float": "panes"}[display]  # fmt: skip
    free = plan(job(display, PIECES[piece]))
    w, h = (
        round(value(free, f"frame.outside_{axis}")) + more for axis, more in (("width", more_w), ("height", more_h))
    )
    p = plan(job(display, PIECES[piece], {home: {"outside_width": mm(w), "outside_height": mm(h)}}))
    for axis, outside in (("width", w), ("height", h)):
        assert value(p, f"frame.outside_{axis}") == pytest.approx(outside)
        assert value(p, f"rail.{axis}") == pytest.approx(outside)
        least = value(p, f"fit.rabbet_{axis}") - value(p, f"package.{axis}")
        assert least >= value(p, f"fit.allowance_{axis}") - 1e-6, "boards follow the frame"
    assert not [f for f in p.findings if f.code.startswith("solid")]


MORE = st.integers(-20, 80)
GIVING: dict[str, tuple[str, str, dict[str, Any], str, str]] = {
    "puzzle frame": ("puzzle", "puzzle", {"margin": 30}, "border.left.middle", "border.top.middle"),
    "needlework frame": ("needlework", "needlework", {"border": 30}, "border.left.middle", "border.top.middle"),
    "two-pane float": ("plant", "panes", {"border": 40}, "border.left.middle", "border.top.middle"),
    "opening": ("plant", "panes", {"opening_width": 260, "opening_height": 340},
                "frame.sight_width", "frame.sight_height"),
    "window mat": ("paper", "window_mat", {"border": 60}, "mat.left_cut", "mat.top_cut"),
    "sides": ("paper", "window_mat", {"border_left": 60, "border_top": 75}, "mat.left_cut", "mat.top_cut"),
    "no mat": ("paper", "window_mat", {"shows": "no mat", "margin": 12}, "border.left.middle", "border.top.middle"),
}  # fmt: skip


@settings(max_examples=80, deadline=None)
@given(st.sampled_from(list(GIVING)), MORE, MORE, st.sampled_from(["outside", "frame"]))
def test_a_size_decided_inside_a_given_outside_is_kept_or_said_with_what_it_comes_to(kind, more_w, more_h, given_by):
    """Read off the finished build: on each axis the decided size stands there, or a note names the one that does."""
    piece, home, decided, *where = GIVING[kind]
    display = {"opening": "two-pane float", "sides": "window mat", "no mat": "window mat"}.get(kind, kind)
    options = {k: v if k == "shows" else mm(v) for k, v in decided.items()}
    free = plan(job(display, PIECES[piece], {home: options}))
    if given_by == "outside":
        out = [round(value(free, f"frame.outside_{a}")) + m for a, m in (("width", more_w), ("height", more_h))]
        p = plan(job(display, PIECES[piece],
                     {home: options | {"outside_width": mm(out[0]), "outside_height": mm(out[1])}}))  # fmt: skip
    else:
        w, h = (value(free, f"frame.inside_{a}.middle") + m for a, m in (("width", more_w), ("height", more_h)))
        start = job(display, PIECES[piece], {home: options})
        p = planned(start, [Edit(at="frame", to=own(w, h, lip=value(free, "profile.lip")))])
    lengths = [x for k, x in decided.items() if k != "shows"]
    for axis, key, was in zip(("width", "height"), where, (lengths[0], lengths[-1]), strict=True):
        comes = value(p, key)
        said = [f.title.mm for f in p.findings if f.code == "size.given_way" and f.title.mm.endswith(axis)]
        told = [float(x.split("comes to ")[1].split(" mm")[0]) for x in said]
        if abs(comes - was) > 2:
            assert any(abs(x - comes) <= 0.6 for x in told), (kind, axis, was, comes, said)
        if not told:
            assert comes == pytest.approx(was, abs=2)


def test_an_opening_given_one_way_is_followed_there_and_the_border_on_the_other():
    p = plan(job("two-pane float", PIECES["plant"], {"panes": {"opening_width": mm(500), "border": mm(40)}}))
    assert value(p, "frame.sight_width") == pytest.approx(500, abs=0.6)
    assert value(p, "border.top.middle") == pytest.approx(40, abs=0.6)
    assert not [f for f in p.findings if f.code.startswith("size.")]


def test_a_border_beside_an_opening_given_both_ways_is_said_to_be_idle_and_the_way_out_is_tried():
    both_ways = {"opening_width": mm(500), "opening_height": mm(600), "border": mm(40)}
    start = job("two-pane float", PIECES["plant"], {"panes": both_ways})
    p = plan(start)
    (idle,) = [f for f in p.findings if f.code == "size.unused"]
    mended = planned(start, idle.proposals[0].edits)
    assert not [f for f in mended.findings if f.code == "size.unused"]
    assert value(mended, "border.top.middle") == value(p, "border.top.middle")


def test_each_way_out_of_a_size_that_gave_way_mends_it():
    start = job("window mat", PIECES["paper"], {"window_mat": {"border": mm(60), "outside_width": mm(520)}})
    (found,) = [f for f in plan(start).findings if f.code == "size.given_way"]
    for way in found.proposals:
        mended = planned(start, way.edits)
        assert not [f for f in mended.findings if f.code == "size.given_way"], way.label.mm


def test_an_outside_too_small_for_its_borders_is_said_with_the_ways_out():
    p = mat({"outside_width": mm(480)})
    found = next(f for f in p.findings if f.code == "mat.narrow")
    assert found.severity == "caution"
    smaller = mat({"outside_width": mm(420)})
    assert any(f.severity == "stop" for f in smaller.findings)


def test_a_print_still_to_be_made_is_planned_from_the_face_that_is_wanted():
    wanted = {"kind": "loose canvas", "printed": True, "face_width": mm(600), "face_height": mm(400)}
    p = plan(job("floater", wanted))
    assert p.asks == ()
    assert value(p, "stretch.file_width") == 600 + 2 * (20 + 3)
    assert value(p, "stretch.bar_width") == 599
    assert "stretch.spare_width" not in p.desk.sheet
    assert value(p, "frame.outside_width") > 612
    asked = plan(job("floater", {"kind": "loose canvas", "printed": True}))
    assert [a.label for a in asked.asks] == ["face wanted, width", "face wanted, height"]


def test_a_print_that_came_back_too_small_is_caught_by_its_readings():
    wanted = detail("loose canvas", 620, 420, margin=10, printed=True, face_width=mm(600), face_height=mm(400))
    assert any(f.code == "stretch.short" for f in plan(job("floater", wanted)).findings)
