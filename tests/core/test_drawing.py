"""Drawings: to scale, complete, believable, and readable by any SVG reader."""

import re
import xml.etree.ElementTree as ET
from itertools import pairwise

import pytest

from shadbo.core.build.assembly import ViewName
from shadbo.core.drawing.board import BOARDS, VIEWS, draw, draw_ladder, scene_of
from shadbo.core.drawing.compose import compose, fit_to
from shadbo.core.drawing.outlines import seen_of
from shadbo.core.drawing.scene import Shape, Words
from shadbo.core.words.lengths import System
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.making import DEEP, canvas, job, length, plan, shop

SVG = "{http://www.w3.org/2000/svg}"
DEMO = {j.title: j for j in demo_jobs()}


def texts(svg: str) -> list[str]:
    return ["".join(t.itertext()) for t in ET.fromstring(svg).iter(f"{SVG}text")]


@pytest.mark.parametrize("view", [v for v in VIEWS if v != "tape"])
@pytest.mark.parametrize("title", DEMO)
@pytest.mark.parametrize("system", ["mm", "in"])
def test_every_view_of_every_demo_job_is_well_formed_and_on_the_paper(view: ViewName, title: str, system: System):
    p = plan(DEMO[title], demo_shop())
    root = ET.fromstring(draw(p, view, system).svg)
    assert root.get("viewBox") == "0 0 752 460"
    assert root.get("aria-label")
    for text in root.iter(f"{SVG}text"):
        assert -1 <= float(text.get("x", "nan")) <= 753
        assert 0 <= float(text.get("y", "nan")) <= 461
    scene = scene_of(p, view, system)
    fit = fit_to(scene, BOARDS[view])
    left, low, right, high = scene.bounds()
    assert fit.put((left, high))[0] >= 0
    assert fit.put((right, low))[0] <= 752
    assert fit.put((left, high))[1] >= 0
    assert fit.put((right, low))[1] <= 460


def test_the_section_is_to_scale():
    p = plan()
    scene = scene_of(p, "edge", "mm")
    rail = next(e for e in scene.elements if isinstance(e, Shape) and e.part == "rail-height")
    bar = next(e for e in scene.elements if isinstance(e, Shape) and e.part == "bar")
    assert max(x for x, _ in rail.ring) == 52
    assert max(y for _, y in rail.ring) == 9 + 25
    assert min(y for _, y in bar.ring) == 9 + 6
    cloth = next(e for e in scene.elements if isinstance(e, Shape) and e.part == "canvas")
    assert (min(x for x, _ in cloth.ring), max(x for x, _ in bar.ring)) == (3, 41)
    fit = fit_to(scene, BOARDS["edge"])
    a, b = fit.put((0, 0)), fit.put((52, 9))
    assert b[0] - a[0] == pytest.approx(52 * fit.scale)
    assert a[1] - b[1] == pytest.approx(9 * fit.scale)


def test_the_section_says_what_matters():
    said = texts(draw(plan(), "edge", "mm").svg)
    for words in (
        "gap 6",
        "wall 9",
        "recess 3",
        "screw line 24.5",
        "pad 5",
        "screw 25",
        "14 in the bar",
        "front",
        "wall",
    ):
        assert words in said
    proud = texts(draw(plan(DEMO["Lifeboat crew, night launch"], demo_shop()), "edge", "mm").svg)
    assert "proud 12" in proud
    inches = texts(draw(plan(), "edge", "in").svg)
    assert "pad 3/16" in inches
    assert "screw line 31/32" in inches


def test_the_ladder_lies_under_the_section():
    p = plan()
    board = draw(p, "edge", "mm")
    ladder = ET.fromstring(draw_ladder(p, "mm", board.fit))
    starts = {}
    for group in ladder.iter(f"{SVG}g"):
        if group.get("class") == "layer":
            bar = group.findall(f"{SVG}path")[1].get("d", "")
            xs = [float(x) for x in re.findall(r"[ML](-?[\d.]+) ", bar)]
            starts[group.get("data-key")] = (min(xs), max(xs))
    x = lambda mm: pytest.approx(board.fit.put((mm, 0))[0], abs=0.06)  # noqa: E731
    assert starts["canvas.depth"] == (x(3), x(41))
    assert starts["pad.made"] == (x(41), x(46))
    assert starts["profile.ledge_thick"] == (x(46), x(52))


def test_the_back_is_mirrored_and_says_so_but_text_never_is():
    braces = [{"id": "b", "at": {"mm": 150}}]
    p = plan(job(canvas(w=600, h=400, braces=braces)))
    assert p.assembly is not None
    brace = next(part for part in p.assembly.parts if part.role == "brace")
    front_x = sum(x for x, _ in seen_of(p.assembly, brace, "front")[0].ring) / 4
    scene = scene_of(p, "back", "mm")
    back = next(e for e in scene.elements if isinstance(e, Shape) and e.part == "brace")
    assert sum(x for x, _ in back.ring) / 4 == pytest.approx(-front_x)
    svg = draw(p, "back", "mm").svg
    assert "scale(-1" not in svg
    assert any("left and right change places" in t for t in texts(svg))


def test_rails_are_drawn_with_slants_that_lean_opposite_ways():
    scene = scene_of(plan(), "parts", "mm")
    left, right = (e for e in scene.elements if isinstance(e, Shape) and e.part == "rail-width")
    long_edge = max(y for _, y in left.ring)
    assert min(left.ring)[1] == long_edge
    assert max(right.ring)[1] == long_edge
    said = [e.text for e in scene.elements if isinstance(e, Words)]
    assert "442" in said
    assert "643" in said
    assert "long point to long point" in said


def test_while_typing_the_scale_is_held():
    first = draw(plan(), "edge", "mm")
    deeper = plan(job(canvas(depth=60)), shop(DEEP))
    assert draw(deeper, "edge", "mm", first.fit).fit == first.fit
    assert draw(deeper, "edge", "mm").fit != first.fit


def test_every_reading_has_a_place_for_the_tape():
    detail = canvas(w=700, h=500)
    for p in (plan(job(detail)), plan(job(detail.model_copy(update={"depth": None})))):
        svg = draw(p, "front", "mm").svg
        for name in ("width_top", "width_bottom", "height_left", "height_right"):
            assert re.search(rf'class="tape" data-key="canvas.{name}" visibility="hidden"', svg)


def test_leaders_never_run_into_each_other():
    p = plan(DEMO["Slipway at low water"], demo_shop())
    sheet = compose(scene_of(p, "edge", "mm"), BOARDS["edge"])
    ys = sorted(m.at[1] for g in sheet.groups if g.role == "leader" for m in g.marks if hasattr(m, "text"))
    assert all(b - a >= 14 for a, b in pairwise(ys))


def test_what_is_typed_cannot_become_markup():
    from shadbo.core.decisions.edit import Edit

    profile = {**DEEP.model_dump(), "name": '<script>"&'}
    p = plan(job(), shop(), Edit(at="options/floater/profile", to=profile))
    svg = draw(p, "edge", "mm").svg
    assert "<script" not in svg
    assert '<script>"&' in texts(svg)
    assert length("x", 1).at == "x"
