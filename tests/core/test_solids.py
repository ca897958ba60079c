"""Builds as solid things: nothing impossible passes as made."""

import itertools
import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import Polygon, union_all

from shadbo.core.advise import advise
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.shapes.rings import centred, rect
from shadbo.core.solids.body import Body, Prism, Tie, framed
from shadbo.core.solids.clash import clashes
from shadbo.core.solids.held import loose
from shadbo.core.solids.openings import broken_out
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.solids.space import Space
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from tests.core.test_any_piece import jobs
from tests.flat import PIECES, SHOP, boxed, gathered, job, plan, value

JOBS = {j.title: j for j in demo_jobs()}
RAILS = rails_round((410, 310), (Step(350, 250, 0, 6), Step(366, 266, 6, 40)), "wood", "rail")


def slab(name: str, w: float, h: float, front: float, back: float, *holes: Any) -> Body:
    return Body(name, name, "board", (Prism(centred(w, h), front, back, holes),), name)


def pinned(the_job: Job, **made: float) -> Plan:
    edits = [
        Edit(at=f"pins/{key.replace('__', '.')}", to={"mm": mm, "typed": f"{mm:g}", "tool": "rule"})
        for key, mm in made.items()
    ]
    done = change(the_job, edits, SHOP).plan
    assert done is not None
    return done


def stops(p: Plan, code: str) -> list[str]:
    return [f.title.mm for f in p.findings if f.code == code and f.severity == "stop"]


def test_a_pane_larger_than_its_rabbet_stands_in_the_rails_by_what_it_is_too_large():
    fits, large = slab("glass", 363, 263, 6, 8), slab("glass", 368, 263, 6, 8)
    assert clashes(Space([*RAILS, fits])) == []
    found = clashes(Space([*RAILS, large]))
    assert {(c.by_mm, c.deep) for c in found} == {(1.0, False)}
    assert {c.first.id for c in found} == {"rail-left", "rail-right"}


def test_layers_that_share_depth_clash_along_it():
    found = clashes(Space([slab("filler", 100, 100, 10, 20), slab("strainer", 90, 90, 18.5, 36)]))
    assert [(c.by_mm, c.deep) for c in found] == [(1.5, True)]


def test_what_stands_in_an_opening_does_not_clash_and_what_leaves_it_does():
    mat = slab("mat", 300, 300, 0, 2, centred(100, 100))
    inside = Body("badge", "badge", "metal", (Prism(centred(98, 98), 0, 5),), "badge")
    outside = Body("badge", "badge", "metal", (Prism(rect(-40, -40, 56, 40), 0, 5),), "badge")
    assert clashes(Space([mat, inside])) == []
    assert [(round(c.by_mm, 6), c.deep) for c in clashes(Space([mat, outside]))] == [(6.0, False)]


def test_what_stands_in_a_notched_opening_clashes_as_soon_as_it_lies_over_a_notch():
    """The opening has six corners, so that no box tells: in its arm there is room, over its notch there is board."""
    arm = ((-90.0, -60.0), (90.0, -60.0), (90.0, 0.0), (0.0, 0.0), (0.0, 60.0), (-90.0, 60.0))
    mat = slab("mat", 300, 200, 0, 3, arm)
    clear = Body("piece", "piece", "textile", (Prism(rect(-80, -50, -10, 50), 0, 5),), "piece")
    assert clashes(Space([mat, clear])) == []
    over = Body("piece", "piece", "textile", (Prism(rect(-40, -50, 30, 50), 0, 5),), "piece")
    assert [round(x.by_mm, 3) for x in clashes(Space([mat, over]))] == [30]


def test_a_chain_of_layers_is_held_by_the_lip_and_by_the_points():
    layers = [slab("glass", 363, 263, 6, 8), slab("board", 363, 263, 8, 11), slab("backing", 363, 263, 11, 13)]
    points = Tie("backing", "rail-top", "points", ("backwards",))
    assert loose(Space([*RAILS, *layers]), [points]) == []
    assert {(x.body.id, x.way) for x in loose(Space([*RAILS, *layers]), [])} == {
        ("glass", "backwards"), ("board", "backwards"), ("backing", "backwards")
    }  # fmt: skip
    far = [layers[0], slab("board", 363, 263, 9, 12), slab("backing", 363, 263, 12, 14)]
    assert {(x.body.id, x.way) for x in loose(Space([*RAILS, *far]), [points])} == {
        ("glass", "backwards"), ("board", "forwards"), ("backing", "forwards")
    }  # fmt: skip


@given(
    st.lists(
        st.tuples(*[st.floats(-80, 80)] * 2, *[st.floats(1, 90)] * 2, st.floats(0, 30), st.floats(0.2, 20),
                  st.floats(0, 40)),
        min_size=2, max_size=7,
    )
)  # fmt: skip
def test_clashes_are_those_that_a_geometry_library_finds(rows: list[tuple[float, ...]]):
    """Every pair by brute force through Shapely, without boxes or short cuts."""
    bodies = []
    for n, (x, y, w, h, z, deep, ring) in enumerate(rows):
        outline = rect(x - w / 2, y - h / 2, x + w / 2, y + h / 2)
        bodies.append(Body(f"b{n}", f"b{n}", "board", (Prism(outline, z, z + deep, framed(outline, ring)),), f"b{n}"))
    shapes = [
        Polygon(b.prisms[0].ring).difference(union_all([Polygon(h) for h in b.prisms[0].holes])) for b in bodies
    ]
    found = {frozenset((c.first.id, c.second.id)) for c in clashes(Space(bodies))}
    for (a, p), (b, q) in itertools.combinations(zip(bodies, shapes, strict=True), 2):
        deep = min(a.back_mm, b.back_mm) - max(a.front_mm, b.front_mm)
        shared = p.intersection(q)
        if frozenset((a.id, b.id)) in found:
            assert deep > 0
            assert shared.area > 0
        elif deep > 0.06:
            assert shared.buffer(-0.06).is_empty, "a deep one is not missed"


def test_volume_of_a_frame_is_its_section_round_its_middle_lines():
    """Mitred rails: section area times the perimeter of its centre line, by Pappus for straight runs."""
    wood = sum(b.volume_mm3 for b in RAILS)
    wall = (410 * 310 - 366 * 266) * 34
    lip = (410 * 310 - 350 * 250) * 6
    assert wood == pytest.approx(wall + lip)


@pytest.mark.parametrize(
    ("the_job", "pins"),
    [
        (job("window mat", "paper"), {"package__width": 430.0}),
        (job("needlework frame", "needlework"), {"package__height": 700.0}),
        (job("canvas frame", "panel"), {"frame__inside_width__middle": 297.0}),
        (job("floater", "canvas"), {"frame__inside_width__middle": 496.0}),
        (job("open frame", "tool"), {"frame__inside_height__middle": 120.0}),
    ],
    ids=lambda x: x.display if isinstance(x, Job) else "",
)
def test_what_was_made_too_small_for_what_goes_in_stops(the_job: Job, pins: dict[str, float]):
    assert stops(pinned(the_job), "solid.clash") == []
    after = pinned(the_job, **pins)
    assert stops(after, "solid.clash")
    assert after.worst == "stop"
    assert after.state == "to solve", "never made"


def test_a_window_larger_than_its_mat_stops():
    the_job = job("window mat", "paper")
    assert stops(pinned(the_job, frame__inside_width__middle=280.0), "solid.opening")


def test_a_rail_without_wood_stops():
    """An outside smaller than the rabbet: no wall is left beside it, and nothing could clash with one."""
    p = pinned(job("window mat", "paper"), frame__outside_width=200.0)
    (told,) = (f for f in p.findings if f.code == "built.wall")
    assert [e.at for e in told.proposals[0].edits] == ["pins/frame.outside_width"]
    assert p.state == "to solve"
    plain = pinned(job("window mat", "paper"))
    made, wall = value(plain, "frame.outside_width"), value(plain, "rail.back_wall")
    for off, many in ((wall * 1.1, 1), (-wall * 1.1, 1), (wall * 0.9, 0), (-wall * 0.9, 0)):
        p = pinned(job("window mat", "paper"), frame__outside_width=made + off)
        assert len(stops(p, "built.wall")) == many
        assert sum(f.code == "built.off" for f in p.findings) == 1 - many, "it is told once"
    assert broken_out(rails_round((100, 100), (Step(-4, 60, 0, 6),), "wood", "rail"))[0].closed


def test_strips_that_are_loose_are_told_once():
    p = plan(boxed("puzzle", glass="left out", packers=False))
    told = [(f.place, f.title.mm) for f in p.findings if f.code.startswith("solid.")]
    assert len({place for place, _ in told}) == len(told)


def test_islands_stay_and_are_not_cut_out():
    lettered = {"letters": "BOAT", "islands": "translucent sheet"}
    p = plan(gathered("light box", {"detail": PIECES["tool"]}, options={"light_box": lettered}))
    islands = [w for w in p.assembly.windows if w.stays]
    assert len(islands) == 4, "two of the B, one each of O and A"
    middle = next(b for b in p.assembly.bodies if b.id == "middle")
    assert all(w.ring not in middle.prisms[0].holes for w in islands)


def test_one_end_of_a_rail_measured_tells_of_no_bow():
    planned = value(plan(job("window mat", "paper")), "frame.inside_width.middle")
    p = pinned(job("window mat", "paper"), frame__inside_width__top=planned + 4)
    assert value(p, "fit.bow_width") == 0
    assert [f.code for f in p.findings if f.code == "rail.bow"] == []
    both = pinned(job("window mat", "paper"), frame__inside_width__top=400.0, frame__inside_width__middle=404.0)
    assert value(both, "fit.bow_width") == pytest.approx(4)


def test_the_spacers_of_a_puzzle_lie_on_strips_as_thick_as_the_puzzle():
    p = plan(job("puzzle frame", "puzzle"))
    strips = [x for x in p.assembly.parts if x.id == "under_spacer"]
    assert [x.count for x in strips] == [4]
    assert strips[0].thick.value == pytest.approx(2)
    assert strips[0].price > 0
    assert stops(p, "solid.loose") == []


def test_a_light_box_has_points_behind_its_glass_and_screws_through_its_back():
    joins = {j.id: j for j in plan(JOBS["Pilot cutter, lit"]).assembly.joins}
    assert {"points-glazing", "points-middle", "back-screws"} <= set(joins)
    assert joins["back-screws"].length.value in {x.length_mm for x in SHOP.stock.screws}


@pytest.mark.parametrize("title", JOBS)
def test_every_demo_job_is_held_and_in_its_place(title: str):
    p = plan(JOBS[title])
    bodies = p.assembly.bodies
    assert len({b.id for b in bodies}) == len(bodies)
    listed = {x.id for x in p.assembly.parts} | {j.id for j in p.assembly.joins}
    assert [b.id for b in bodies if b.part not in listed] == []
    if any(f.severity == "stop" and not f.code.startswith("solid.") for f in p.findings):
        return  # made to show what is stopped
    assert loose(Space(bodies), p.assembly.ties) == []
    assert clashes(Space(bodies)) == []
    assert broken_out(bodies) == []


@pytest.mark.parametrize("title", JOBS)
def test_a_dimension_is_as_long_as_it_says(title: str):
    """Readings are drawn on the outline that they were fitted to, and so may differ from it; nothing else may."""
    for d in plan(JOBS[title]).assembly.dimensions:
        if d.quantity.key.startswith("canvas."):
            continue
        wide, tall = abs(d.end[0] - d.start[0]), abs(d.end[1] - d.start[1])
        drawn = {"across": wide, "upright": tall, "slant": math.hypot(wide, tall)}[d.runs]
        assert drawn == pytest.approx(abs(d.quantity.value), abs=0.05), d.label


def test_what_is_cut_out_is_not_weighed_and_is_paid_for():
    """A sheet's mass against its body's volume at the density that the sheet has; its price by the whole sheet."""
    for p in map(plan, JOBS.values()):
        bodies = {b.id: b for b in p.assembly.bodies}
        for part in p.assembly.parts:
            if (
                part.id in bodies
                and part.sheet is not None
                and part.mass is not None
                and part.role in ("mat", "board")
            ):
                body, sheet = bodies[part.id], part.sheet
                density = sheet.kg_per_m2 / (body.back_mm - body.front_mm) / 1e6
                assert part.mass.value == pytest.approx(body.volume_mm3 * density, rel=1e-6), part.name
                whole = part.length.value * part.width.value / 1e6 * sheet.price_per_m2
                assert part.price * part.count == pytest.approx(whole)


@given(jobs(), st.integers(0, 400), st.floats(-0.4, 0.4))
@settings(max_examples=60)
def test_no_stop_means_no_clash_and_nothing_loose(the_job: Job, n: int, off: float):
    """Any display with any piece, one real size pinned to something else than planned."""
    start = change(the_job, [], SHOP).plan
    if start is None or start.assembly is None:
        return
    pins = sorted({q.at for s in stations(start) for q in s.questions if (q.at or "").startswith("pins/")})
    p = start
    if pins:
        at = pins[n % len(pins)]
        line = start.desk.sheet.get(at.removeprefix("pins/"))
        mm = round(max((line.value if line is not None else 100) * (1 + off), 1), 1)
        changed = change(the_job, [Edit(at=at, to={"mm": mm, "typed": f"{mm:g}", "tool": "rule"})], SHOP).plan
        if changed is None or changed.assembly is None:
            return
        p = changed
    if p.worst == "stop":
        return
    for a, b in itertools.combinations([x for x in p.assembly.bodies if not x.bites], 2):
        if (a.fixed and b.fixed) or (a.laid and b.laid):
            continue
        for x, y in itertools.product(a.prisms, b.prisms):
            if min(x.back_mm, y.back_mm) - max(x.front_mm, y.front_mm) <= 0.06:
                continue
            one, other = (
                Polygon(z.ring).buffer(0).difference(union_all([Polygon(h).buffer(0) for h in z.holes]))
                for z in (x, y)
            )
            assert one.intersection(other).buffer(-0.06).is_empty, (a.name, b.name)
    assert loose(Space(p.assembly.bodies), p.assembly.ties) == []


def test_what_was_cut_too_large_can_be_cut_again_by_one_click():
    start = job("window mat", "paper")
    wide = pinned(start, package__width=value(plan(start), "package.width") + 6)
    found = next(f for f in advise(wide.desk.job, SHOP).findings if f.code == "solid.clash")
    assert found.remedies
    edits = found.remedies[0].proposal.edits
    after = change(wide.desk.job, list(edits), SHOP).plan
    assert after is not None
    assert "solid.clash" not in {f.code for f in after.findings}


@pytest.mark.parametrize("title", JOBS)
def test_hangers_stand_behind_the_frame_on_its_wood(title: str):
    p = plan(JOBS[title])
    hangers = [b for b in p.bodies if b.part == "hanger" and not b.bites]
    if p.hang is None or p.hang.hanger is None or p.assembly.back_rail is None:
        assert hangers == []
        return
    assert len(hangers) == len(p.hang.places)
    w, h = p.assembly.outside_width.value / 2, p.assembly.outside_height.value / 2
    frame = union_all([Polygon(b.prisms[-1].ring) for b in p.assembly.bodies if b.fixed])
    over = [f for f in p.findings if f.code in ("hang.over", "hang.edge", "hang.shallow")]
    for b in hangers:
        assert b.front_mm == p.assembly.back_rail.thick_at_wall.value, "on the wood, whatever is screwed on beside it"
        for x, y in b.prisms[0].ring:
            assert abs(x) <= w + 12
            assert abs(y) <= h + 12
        spot = Polygon(b.prisms[0].ring)
        if not over and p.hang.kind != "cleat" and (p.hang.hanger.wide_mm or p.assembly.see_through):
            assert spot.difference(frame.buffer(0.6)).area < 1.0, "wholly on wood"
