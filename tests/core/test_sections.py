"""The edge section is what one would see if the build were sawn through, and its dimensions touch what it shows."""

import pytest
from hypothesis import given, settings
from shapely import LineString, Polygon, box, union_all

from shadbo.core.build.assembly import Assembly
from shadbo.core.drawing.faces import front_scene
from shadbo.core.drawing.made import made_scene
from shadbo.core.drawing.outlines import ledges
from shadbo.core.drawing.scene import Line, Shape
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import centred, rect
from shadbo.core.solids.body import Body, Prism, shape_of
from shadbo.core.solids.slices import Saw, sawn
from shadbo.demo.jobs import demo_jobs
from tests.core.test_any_piece import jobs
from tests.flat import plan

NEAR_MM = 0.05


def by_hand(a: Assembly) -> dict[str, Polygon]:
    """By part, all that a line through the bodies meets, as the geometry library cuts it."""
    high, at = a.saw.side == "top", a.saw.at_mm
    line = LineString([(at, -1e6), (at, 1e6)] if high else [(-1e6, at), (1e6, at)])
    met = []
    for body in a.bodies:
        for prism in () if body.bites or body.laid or body.lot == "clasps" else body.prisms:
            found = shape_of(prism).intersection(line)
            for piece in getattr(found, "geoms", [found]):
                if not piece.is_empty and piece.length > 1e-6:
                    x = piece.bounds[1 if high else 0], piece.bounds[3 if high else 2]
                    met.append((prism.part or body.part, prism, x))
    zero = a.saw.zero_mm if a.saw.zero_mm is not None else max(x[1] for _, _, x in met)
    out: dict[str, list[Polygon]] = {}
    for part, prism, (low, high_) in met:
        span = (low - zero, high_ - zero) if high else (zero - high_, zero - low)
        out.setdefault(part, []).append(box(prism.front_mm, span[0], prism.back_mm, span[1]))
    far = 1e6
    seen = box(-far, -a.saw.seen_mm, far, far) if high else box(-far, -far, far, a.saw.seen_mm)
    return {k: union_all(v).intersection(seen) for k, v in out.items()}


def same(p: Plan) -> None:
    assert p.assembly is not None
    shown: dict[str, list[Polygon]] = {}
    for x in sawn(p.assembly.bodies, p.assembly.saw):
        if not x.bites and not x.body.startswith(("item-", "clasp-")):
            shown.setdefault(x.part, []).append(Polygon(x.ring))
    there = {k: v for k, v in by_hand(p.assembly).items() if v.area > 1e-6}
    assert shown.keys() == there.keys()
    for part, rings in shown.items():
        assert union_all(rings).symmetric_difference(there[part]).area == pytest.approx(0, abs=1e-3), part


def touching(p: Plan) -> None:
    """Both ends of every dimension lie in line with an edge of something, or the middle of a screw."""
    a = p.assembly
    assert a is not None
    cut = sawn(a.bodies, a.saw)
    for d in a.dimensions:
        if d.view != "edge":
            continue
        n = 1 if d.runs == "upright" else 0
        edges = {0.0} | {dot[n] for x in cut for dot in x.ring}
        edges |= {(x.ring[0][1] + x.ring[2][1]) / 2 for x in cut if x.bites and n}
        edges |= {x for layer in a.layers for x in (layer.start_mm, layer.end_mm) if not n}  # air has no edges
        for end in (d.start[n], d.end[n]):
            assert min(abs(end - x) for x in edges) < NEAR_MM, (d.label or d.quantity.key, end, sorted(edges))


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_the_section_of_every_demo_job_is_a_cut_through_its_bodies(the_job):
    p = plan(the_job)
    same(p)
    touching(p)


@settings(max_examples=80, deadline=None)
@given(jobs())
def test_the_section_of_any_build_that_can_be_made_is_a_cut_through_its_bodies(the_job):
    p = plan(the_job)
    if p.assembly is not None:
        same(p)
        if not any(f.severity == "stop" for f in p.findings):
            touching(p)


def test_an_opening_that_the_saw_meets_is_left_out_and_one_beside_it_is_not():
    windows = (rect(50, -100, 150, 40), rect(0, 60, 90, 90))
    mat = Body("mat", "mat", "mat", (Prism(centred(400, 300), 0, 2, windows),), "mat")
    assert [box_of(x.ring) for x in sawn([mat], Saw(400))] == [(0, 0, 2, 50), (0, 150, 2, 400)]
    assert [box_of(x.ring) for x in sawn([mat], Saw(100))] == [(0, 0, 2, 50)]
    assert [box_of(x.ring) for x in sawn([mat], Saw(400, 50.0))] == [(0, 0, 2, 400)]


def test_the_nearest_fixing_of_its_side_stands_beside_the_cut():
    board = Body("board", "board", "board", (Prism(centred(400, 300), 0, 5),), "board")
    screws = [
        Body(f"screw-{n}", "screw", "metal", (Prism(rect(x - 2, y - 2, x + 2, y + 2), 1, 20),), "screws", bites=True)
        for n, (x, y) in enumerate([(190, 90), (185, 10), (-190, 0), (0, 140)])
    ]
    fixing = next(x for x in sawn([board, *screws], Saw(60)) if x.bites)
    assert (fixing.body, fixing.ring) == ("screw-1", rect(1, 13, 20, 17))


def seen_as_it_is(p: Plan) -> None:
    """Nearer things are drawn over those behind them, each as its body is; what is marked on one lies within it."""
    a = p.assembly
    assert a is not None
    shapes = [e for e in front_scene(p, "mm").elements if isinstance(e, Shape)]
    assert shapes
    by_part = {part.id: part for part in a.parts}
    shaded = {(part.id, x.ring) for part, x in ledges(a)}
    deep = []
    for shape in shapes:
        part = by_part[shape.part]
        prisms = [
            x for b in a.bodies for x in b.prisms if (b.id == part.of if part.of else part.id == (x.part or b.part))
        ]
        rings = [x for x in prisms if x.front_mm == min(y.front_mm for y in prisms)]
        if (part.id, shape.ring) in shaded:
            rings = [x for x in prisms if x.ring == shape.ring and (x not in rings or part.role == "strip")]
        if part.face:
            assert any(Polygon(x.ring).buffer(NEAR_MM).contains(Polygon(shape.ring)) for x in rings), part.id
        else:
            assert any(x.ring == shape.ring and x.holes == shape.holes for x in rings), part.id
        deep.append(rings[0].front_mm)
    assert deep == sorted(deep, reverse=True), "from behind to the front"


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_the_front_of_every_demo_job_shows_its_bodies(the_job):
    seen_as_it_is(plan(the_job))


@settings(max_examples=80, deadline=None)
@given(jobs())
def test_the_front_of_any_build_shows_its_bodies(the_job):
    p = plan(the_job)
    if p.assembly is not None and not any(f.severity == "stop" for f in p.findings):
        seen_as_it_is(p)


@pytest.mark.parametrize("title", ["Regatta in a squall", "Net loft stairs"])
def test_through_the_gap_beside_a_canvas_its_ledge_is_seen_in_the_shade(title):
    p = plan(next(j for j in demo_jobs() if j.title == title))
    a, s = p.assembly, p.desk.sheet
    assert a is not None
    shapes = [e for e in front_scene(p, "mm").elements if isinstance(e, Shape)]
    shaded = [x.ring for _, x in ledges(a)]
    shade = union_all([Polygon(e.ring) for e in shapes if e.ring in shaded])
    nearer = union_all([Polygon(e.ring) for e in shapes if e.ring not in shaded])
    inside = Polygon(centred(s["frame.inside_width.middle"].value, s["frame.inside_height.middle"].value))
    gap = inside.difference(nearer)
    assert gap.area > 1000, "there is a gap"
    assert shade.buffer(1.0).contains(gap), "and nothing else is seen in it"


@pytest.mark.parametrize("title", ["Tide table poster", "Shirt of the winning eight", "Pilot cutter, lit"])
def test_without_a_gap_nothing_is_seen_in_the_shade(title):
    p = plan(next(j for j in demo_jobs() if j.title == title))
    assert p.assembly is not None
    shaded = [x.ring for _, x in ledges(p.assembly)]
    shapes = [e for e in front_scene(p, "mm").elements if isinstance(e, Shape)]
    for n, shade in enumerate(shapes):
        if shade.ring in shaded:
            over = union_all([Polygon(e.ring, e.holes) for e in shapes[n + 1 :]])
            assert over.buffer(0.01).contains(Polygon(shade.ring)), title


def test_every_reading_of_the_made_frame_is_drawn_as_long_as_it_is():
    p = plan(next(j for j in demo_jobs() if j.title == "Allotment sheds, August"))
    s, scene = p.desk.sheet, made_scene(p, "mm")
    lines = [e for e in scene.elements if isinstance(e, Line) and e.key.startswith("frame.inside_")]
    long = {e.key: 0.0 for e in lines}
    for e in lines:
        (x0, y0), (x1, y1) = e.dots
        long[e.key] = max(long[e.key], abs(x1 - x0), abs(y1 - y0))
    assert len(long) >= 3
    assert {k: pytest.approx(v, abs=NEAR_MM) for k, v in long.items()} == {k: s[k].value for k in long}
    assert len(set(long.values())) > 2, "a frame that is not square"
