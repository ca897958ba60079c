"""Drawings of boxes and objects: fronts, sections, marks, mats, full-size templates, to scale and in their place."""

import re
import xml.etree.ElementTree as ET
from itertools import pairwise

import pytest

from shadbo.core.drawing.board import BOARDS, draw, draw_ladder, views_of
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.distances import distance_dims
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.faces import front_scene
from shadbo.core.drawing.holes import holes_scene
from shadbo.core.drawing.marks import PX_PER_MM
from shadbo.core.drawing.mat import mat_scene
from shadbo.core.drawing.scene import Dim, Line, Round, Scene, Shape, Words
from shadbo.core.drawing.svg import n, write_svg
from shadbo.core.drawing.templates import Template, templates_of
from shadbo.core.drawing.tiles import A4, LETTER, OVERLAP_MM, label, tiled
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of, holds, mirrored
from shadbo.core.solids.slices import sawn
from shadbo.core.words.lengths import Mark, System
from tests.core.test_box_slips import BADGE, PHOTO, SHIRT, TOOL, lit, pegged
from tests.flat import gathered, job, plan, sashed, sized, value

MARK = Mark.named("0.5 mm")
PATCH = sized("badge", 70, 80, shape="rectangle", sort="patch", relief=2)
ZONE = {"id": "z", "what": "autographs", "left": {"mm": 220}, "top": {"mm": 300}, "width": {"mm": 160},
        "height": {"mm": 80}}  # fmt: skip
BOXES: dict[str, Plan] = {
    "badges": plan(gathered("shadow box", {"detail": BADGE}, {"detail": TOOL})),
    "shirt": plan(gathered("jersey box", {"detail": SHIRT, "zones": [ZONE]}, {"detail": PHOTO}, {"detail": PATCH})),
    "model": plan(lit()),
    "banner": plan(sashed()),
    "tool": plan(pegged()),
}


def shapes(scene: Scene) -> list[Shape]:
    return [e for e in scene.elements if isinstance(e, Shape)]


@pytest.mark.parametrize("name", BOXES)
@pytest.mark.parametrize("system", ["mm", "in"])
def test_every_view_is_whole_svg(name: str, system: System):
    p = BOXES[name]
    for view in views_of(p):
        root = ET.fromstring(draw(p, view, system).svg)
        assert root.get("viewBox") == f"0 0 752 {652 if view == 'tape' else 460}"
        numbers = re.findall(r"-?\d+\.?\d*", " ".join(e.get("d") or "" for e in root.iter()))
        assert all(abs(float(x)) < 5000 for x in numbers), view


@pytest.mark.parametrize("name", BOXES)
def test_the_ladder_lies_under_the_section_on_one_axis(name: str):
    p = BOXES[name]
    drawn = draw(p, "edge", "mm")
    ladder = draw_ladder(p, "mm", drawn.fit)
    for layer in p.assembly.layers:
        x = drawn.fit.put((layer.start_mm, 0))[0]
        assert f"M{n(x)} " in ladder, layer.name


@pytest.mark.parametrize("name", BOXES)
def test_words_of_the_ladder_stay_on_its_paper(name: str):
    root = ET.fromstring(draw_ladder(BOXES[name], "in"))
    for text in root.iter("{http://www.w3.org/2000/svg}text"):
        long = 0.37 * float(text.get("font-size", "16")) * len("".join(text.itertext()))
        left = float(text.get("x", "0")) - (long if text.get("text-anchor") == "end" else 0)
        assert left > -2
        assert left + long < 760, "".join(text.itertext())


def test_pieces_on_the_front_stand_at_true_size_where_the_sheet_has_them():
    p = BOXES["badges"]
    for shown in p.assembly.shown:
        ring = next(s.ring for s in shapes(front_scene(p, "mm")) if s.part == f"item-{shown.id}")
        left, low, right, high = box_of(ring)
        assert right - left == pytest.approx(value(p, f"item.{shown.id}.width"))
        assert left + value(p, "field.width") / 2 == pytest.approx(value(p, f"item.{shown.id}.left"))
        assert value(p, "field.height") / 2 - high == pytest.approx(value(p, f"item.{shown.id}.top"))
        assert high - low == pytest.approx(value(p, f"item.{shown.id}.height"))


def test_only_pieces_that_can_be_moved_say_so():
    movable = {s.moves for s in shapes(front_scene(BOXES["shirt"], "mm")) if s.moves}
    assert movable == {"piece-2", "piece-3"}, "the shirt stands where its opening is"
    assert not any(s.moves for s in shapes(front_scene(BOXES["tool"], "mm")))


def test_the_front_shows_mats_windows_and_the_zone_with_its_steam_line():
    p = BOXES["shirt"]
    scene = front_scene(p, "mm")
    zones = [e for e in scene.elements if isinstance(e, Line) and e.role == "zone"]
    assert len(zones) == 1
    steam = [e for e in scene.elements if isinstance(e, Line) and e.role == "hidden"]
    left, _, right, _ = box_of(zones[0].dots)
    outer = box_of(steam[0].dots)
    assert (left - outer[0], outer[2] - right) == (pytest.approx(50), pytest.approx(50))
    assert any(isinstance(e, Words) and e.text == "autographs" for e in scene.elements)
    order = [s.part for s in shapes(scene)]
    behind = [order.index(x) for x in ("item-piece-2", "inner-seen", "mat-seen")]
    assert behind == sorted(behind), "the photograph lies behind its mats"
    mat = next(s for s in shapes(scene) if s.part == "inner-seen")
    wide = [box[2] - box[0] for box in map(box_of, mat.holes)]
    assert pytest.approx(180 - 2 * value(p, "mat.overlap")) in wide, "only what the window leaves open is seen"


def test_distances_run_to_the_nearest_neighbour_or_edge():
    p = BOXES["badges"]
    field = (value(p, "field.width"), value(p, "field.height"))
    assert p.assembly is not None
    dims = [d for d in distance_dims(p.assembly, field, MARK, "mm") if d.key == "item.piece.left"]
    assert len({(d.start, d.end) for d in dims}) == 4
    across = sorted(d.end[0] - d.start[0] for d in dims if d.runs == "across")
    assert across == [pytest.approx(value(p, "layout.gap")), pytest.approx(value(p, "item.piece.left"))]
    assert all(d.role == "tape" for d in dims)
    inches = distance_dims(p.assembly, field, MARK, "in")
    assert any("/" in d.text for d in inches)


def test_the_section_shows_the_piece_before_its_board_and_the_clasp_behind():
    p = BOXES["badges"]
    board = next(x for x in p.assembly.layers if x.name == "board")
    tool = next(box_of(x.ring) for x in sawn(p.assembly.bodies, p.assembly.saw) if x.body == "item-piece-2")
    assert tool[2] == pytest.approx(board.start_mm)
    assert tool[2] - tool[0] == pytest.approx(30)
    clasp = next(box_of(x.ring) for x in sawn(p.assembly.bodies, p.assembly.saw) if x.body.startswith("clasp-"))
    assert clasp[0] == pytest.approx(board.end_mm)
    assert clasp[2] - clasp[0] == pytest.approx(7 - 3), "from the badge's back, of which the board hides three"
    drawn = {box_of(s.ring): s.key for s in shapes(edge_scene(p, "mm"))}
    assert drawn[tool] == "item.piece-2.front", "it leads to how far it stands out"
    assert clasp in drawn


def test_the_light_box_is_stepped_for_every_layer():
    p = BOXES["model"]
    rail = next(s.ring for s in shapes(edge_scene(p, "mm")) if s.part.startswith("rail"))
    depths = sorted({round(y, 2) for _, y in rail})
    steps = [b - a for a, b in pairwise(depths)]
    wanted = value(p, "step.width")
    assert sum(x == pytest.approx(wanted) for x in steps) >= 2


def test_cloth_goes_round_the_core_of_a_sash():
    p = BOXES["banner"]
    names = [x.name for x in p.assembly.layers]
    assert names[:4] == ["glazing", "cloth", "core", "cloth, turned"]
    assert names[-1] == "rear card"
    assert p.assembly.layers[-1].start_mm == value(p, "sash.thickness")


def test_the_marks_view_has_every_spot_once_and_distances_of_the_holes():
    p = BOXES["badges"]
    scene = holes_scene(p, "mm")
    rounds = {(round(e.centre[0], 2), round(e.centre[1], 2)) for e in scene.elements if isinstance(e, Round)}
    assert {(round(x.at[0], 2), round(x.at[1], 2)) for x in p.assembly.spots} == rounds
    said = {e.text for e in scene.elements if isinstance(e, Dim)}
    assert f"{value(p, 'item.piece.hole_left'):g}" in said
    assert f"{value(p, 'item.piece.hole_top'):g}" in said
    assert any(t.startswith("board ") for t in said)
    rails = holes_scene(BOXES["tool"], "mm")
    assert any(s.hatch == "wood" for s in shapes(rails))
    assert any(isinstance(e, Dim) and e.text.startswith("outside ") for e in rails.elements)


def test_the_cable_hole_of_a_light_box_is_named():
    scene = holes_scene(BOXES["model"], "mm")
    assert any(isinstance(e, Words) and e.text == "cable" for e in scene.elements)


def test_the_mat_from_behind_is_the_front_mirrored():
    p = BOXES["shirt"]
    windows = {w.id: w.ring for w in p.assembly.windows if w.sheet == "mat"}
    for shape in shapes(mat_scene(p, "mm")):
        if shape.part in windows:
            assert shape.ring == mirrored(windows[shape.part])
    inner = mat_scene(p, "mm", "mat_inner")
    assert inner.title.startswith("inner mat, from the BACK")
    said = [e.text for e in inner.elements if isinstance(e, Dim)]
    assert f"mat {value(p, 'package.width'):g}" in said


def by_id(p: Plan) -> dict[str, Template]:
    return {t.id: t for t in templates_of(p, "mm")}


def test_the_form_is_the_shirt_eight_millimetres_smaller_all_round():
    p = BOXES["shirt"]
    form = by_id(p)["form"]
    outline, inner = (next(e.dots for e in form.scene.elements if isinstance(e, Line) and e.role == r)
                      for r in ("hidden", "outline"))  # fmt: skip
    assert all(holds(outline, d) for d in inner[:-1])
    a, b = box_of(outline), box_of(inner)
    assert b[1] - a[1] == pytest.approx(8), "at the hem"


def test_hooks_are_as_far_apart_as_the_sheet_says():
    p = BOXES["shirt"]
    hooks = by_id(p)["hooks"]
    xs = sorted(x for x, _ in hooks.marks)
    assert xs[-1] - xs[0] == pytest.approx(p.hang.hooks_apart.value if p.hang.hooks_apart else 2 * xs[-1])


def test_the_border_gauge_is_as_wide_as_the_border():
    assert by_id(BOXES["shirt"])["gauge"].marks[1][0] == value(BOXES["shirt"], "mat.border")
    assert by_id(plan(job("window mat", "paper")))["gauge"].marks[1][0] == 65


def test_pegs_are_printed_on_the_objects_outline():
    p = BOXES["tool"]
    template = by_id(p)["pegs"]
    left, low, right, high = box_of(p.assembly.shown[0].ring)
    for x, y in template.marks:
        assert min(abs(x - left), abs(x - right), abs(y - low), abs(y - high)) == pytest.approx(0)


@pytest.mark.parametrize("page", [A4, LETTER], ids=["A4", "Letter"])
def test_tiles_overlap_carry_their_place_and_are_composed_at_full_size(page):
    cut = tiled(by_id(BOXES["shirt"])["board"], page)
    assert cut.sheet.fit.scale == pytest.approx(PX_PER_MM)
    names = [label(t) for t in cut.tiles]
    assert len(set(names)) == len(names)
    rows = [t for t in cut.tiles if t.row == cut.tiles[0].row]
    for a, b in pairwise(rows):
        if b.column == a.column + 1:
            assert b.left - a.left == pytest.approx(page.room[0] - OVERLAP_MM)


def test_printed_drawings_need_no_paint_order_and_show_nothing_hidden():
    p = BOXES["shirt"]
    sheet = compose(front_scene(p, "mm"), BOARDS["front"])
    printed = write_svg(sheet, "front", printed=True)
    assert "visibility" not in printed
    assert "visibility" in write_svg(sheet, "front")
    ET.fromstring(printed)
