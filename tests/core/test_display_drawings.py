"""The drawings of every display: to scale, complete, legible."""

import re
import xml.etree.ElementTree as ET
from itertools import pairwise

import pytest

from shadbo.core.drawing.board import draw, views_of
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.faces import back_scene, front_scene
from shadbo.core.drawing.parts import parts_scene
from shadbo.core.drawing.scene import Dim, Leader, Round, Shape, Words
from shadbo.core.drawing.stretch import stretch_scene
from shadbo.core.drawing.tape import tape_scene
from shadbo.core.drawing.thumb import front_thumb, thumb
from shadbo.core.pieces.measures import measures
from shadbo.core.solids.slices import sawn
from shadbo.demo.jobs import demo_jobs
from tests.core.test_displays import BUILT
from tests.flat import PIECES, job, plan, value

SVG = "{http://www.w3.org/2000/svg}"


def words(scene) -> str:
    out = []
    for e in scene.elements:
        if isinstance(e, Words | Dim):
            out.append(e.text)
        elif isinstance(e, Leader):
            out += e.lines
    return " | ".join(out)


def box_of(ring) -> tuple[float, float, float, float]:
    xs, ys = [x for x, _ in ring], [y for _, y in ring]
    return min(xs), min(ys), max(xs), max(ys)


@pytest.mark.parametrize("name", BUILT)
def test_the_front_is_as_large_as_the_frame(name: str):
    p = BUILT[name]
    shapes = [e for e in front_scene(p, "mm").elements if isinstance(e, Shape)]
    left, low, right, high = box_of([dot for s in shapes for dot in s.ring])
    assert right - left == pytest.approx(p.assembly.outside_width.value, abs=0.6)
    assert high - low == pytest.approx(p.assembly.outside_height.value, abs=1.6)


@pytest.mark.parametrize("name", BUILT)
def test_the_back_mirrors_points_and_never_words(name: str):
    p = BUILT[name]
    scene = back_scene(p, "mm")
    driven = [j for j in p.assembly.joins if j.diameter_mm and not j.part]  # dowels are bored into edges
    front = {(round(f.at[0], 3), round(f.at[1], 3)) for j in driven for f in j.fixings}
    back = {(round(-e.centre[0], 3), round(e.centre[1], 3)) for e in scene.elements if isinstance(e, Round)}
    assert front <= back
    if p.assembly.back_rail is not None:
        assert "label here" in words(scene)


@pytest.mark.parametrize("name", BUILT)
def test_every_part_that_is_cut_stands_in_the_parts_with_its_size(name: str):
    p = BUILT[name]
    said = words(parts_scene(p, "mm"))
    for part in p.assembly.parts:
        if part.to_cut and part.length is not None:
            assert f"{part.count} ×" in said
            first = part.called if not part.mitred else part.name.split(": ")[0]
            assert first in said


@pytest.mark.parametrize("name", BUILT)
def test_every_layer_of_the_section_is_named(name: str):
    p = BUILT[name]
    said = words(edge_scene(p, "mm"))
    assert "front" in said
    assert "wall" in said
    cut = {x.part for x in sawn(p.assembly.bodies, p.assembly.saw)}
    for part in p.assembly.parts:
        if part.id in cut and part.role in ("glazing", "mat", "board", "backing"):
            assert part.name in said, part.name


def test_labels_do_not_lie_on_each_other():
    for j in demo_jobs():
        root = ET.fromstring(draw(plan(j), "edge", "mm").svg)
        groups = [g for g in root.iter(f"{SVG}g") if g.get("class") == "leader"]
        ys = sorted(float(t.get("y", "nan")) for g in groups for t in list(g.iter(f"{SVG}text"))[:1])
        assert all(b - a >= 18 for a, b in pairwise(ys)), j.title


def test_no_number_of_a_dimension_lies_on_a_label():
    """With letters a fifth wider than the average of the type."""
    for j in demo_jobs():
        root = ET.fromstring(draw(plan(j), "edge", "mm").svg)
        boxes: dict[str, list[tuple[float, float, float, float]]] = {"leader": [], "dim": []}
        for group in root.iter(f"{SVG}g"):
            for t in group.iter(f"{SVG}text") if group.get("class") in boxes else ():
                x, y, size = (float(t.get(name, "nan")) for name in ("x", "y", "font-size"))
                wide = len("".join(t.itertext())) * size * 0.42
                left = x - {"middle": wide / 2, "end": wide}.get(t.get("text-anchor", ""), 0.0)
                boxes[group.get("class", "")].append((left, y - 0.7 * size, left + wide, y))
        for label in boxes["leader"]:
            for a, low, b, high in boxes["dim"]:
                assert label[2] < a or b < label[0] or label[3] < low or high < label[1], j.title


def test_each_material_has_a_hatch_of_its_own():
    p = BUILT["Oyster beds, pastel"]
    svg = draw(p, "edge", "mm").svg
    used = set(re.findall(r'<pattern id="board-([\w-]+)"', svg))
    assert {"glass", "mat", "inner-mat", "wood", "spacer"} <= used
    for ref in re.findall(r"url\(#([^)]+)\)", svg):
        assert f'id="{ref}"' in svg, "a hatch that is used is there"


@pytest.mark.parametrize("name", BUILT)
def test_the_small_drawing_has_shapes_and_no_words(name: str):
    edge, front = thumb(BUILT[name], "mm"), front_thumb(BUILT[name], "mm")
    for svg, size, least in ((edge, "0 0 84 56", 3), (front, "0 0 84 68", 1)):
        root = ET.fromstring(svg)
        assert root.get("viewBox") == size
        assert list(root.iter(f"{SVG}text")) == []
        assert len(list(root.iter(f"{SVG}path"))) >= least


@pytest.mark.parametrize("what", PIECES)
def test_before_the_readings_are_in_the_tape_has_a_place_for_each(what: str):
    kind = PIECES[what]["kind"]
    p = plan(job("floater", {"kind": kind}))
    keys = {e.key for e in tape_scene(p).elements if isinstance(e, Dim) and e.role == "tape"}
    wanted = {f"{p.desk.prefix(p.desk.piece)}.{m.name}" for m in measures(p.desk.piece.detail)}
    assert wanted <= keys


def test_the_stretch_view_numbers_every_staple_and_marks_the_corners():
    p = plan(job("floater", "loose"))
    assert "stretch" in views_of(p)
    scene = stretch_scene(p, "mm")
    numbers = {e.text for e in scene.elements if isinstance(e, Words) and e.role == "tiny"}
    assert numbers == {str(n) for n in range(1, int(value(p, "stretch.staples")) + 1)}
    corners = [e for e in scene.elements if getattr(e, "key", "") == "stretch.corner"]
    assert len(corners) == 4
    w, h = value(p, "canvas.width") / 2, value(p, "canvas.height") / 2
    for line in corners:
        (x0, y0), (x1, y1) = line.dots
        along = ((abs(x0 + x1) / 2 - w) ** 2 + (abs(y0 + y1) / 2 - h) ** 2) ** 0.5
        assert along == pytest.approx(value(p, "stretch.corner")), "along the diagonal from the face's corner"
    assert f"cloth {value(p, 'stretch.cloth_width'):g}" in words(scene)


def test_only_a_canvas_that_is_stretched_has_that_view():
    for name, p in BUILT.items():
        assert ("stretch" in views_of(p)) == (p.desk.piece.detail.kind == "loose canvas"), name


def test_the_window_stands_above_the_middle_where_the_bottom_is_weighted():
    p = plan(job("window mat", "paper"))
    window = next(x.ring for x in p.assembly.windows)
    _, low, _, high = box_of(window)
    assert (high + low) / 2 == pytest.approx((value(p, "mat.bottom") - value(p, "mat.border")) / 2)
    equal = plan(job("window mat", "paper", {"window_mat": {"borders": "equal"}}))
    _, low, _, high = box_of(next(x.ring for x in equal.assembly.windows))
    assert high + low == pytest.approx(0)
