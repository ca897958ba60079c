"""Everything that a build takes stands once in its list, with what it weighs and costs."""

import math
from typing import Any

import pytest
from hypothesis import given, settings

from shadbo.core.cutting.cut_list import CutRow, cut_list
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.parts import parts_scene
from shadbo.core.drawing.scene import Words
from shadbo.core.plan import Plan
from shadbo.core.shop.boards import SheetStock
from shadbo.demo.jobs import demo_jobs
from tests.core.test_any_piece import jobs
from tests.flat import SHOP, boxed, detail, job, plan, value
from tests.making import codes


def rows(p: Plan) -> dict[str, CutRow]:
    return {row.part or row.name: row for row in cut_list(p)}


@settings(max_examples=80, deadline=None)
@given(jobs())
def test_what_stands_in_the_build_stands_in_its_list_once(the_job):
    p = plan(the_job)
    if p.assembly is None:
        return
    listed = [row.part for row in cut_list(p) if row.part]
    assert len(listed) == len(set(listed))
    own = {x.id for x in p.assembly.parts if x.role == "piece"}
    for body in p.assembly.bodies:
        if body.part not in listed and body.part not in own:
            part = next(x for x in p.assembly.parts if x.id == body.part)
            assert not part.to_cut
            assert not part.price, f"{part.id} costs, and nobody fetches it"
    for part in p.assembly.parts:
        assert part.mass is None or part.mass.value >= 0


@pytest.mark.parametrize("title", [j.title for j in demo_jobs()])
def test_a_packed_layer_weighs_and_costs(title: str):
    p = plan(next(j for j in demo_jobs() if j.title == title))
    for part in p.assembly.parts:
        if part.to_cut and part.role in ("spacer", "packer", "pad", "board", "backing", "mat", "glazing"):
            assert part.mass is not None or part.id.startswith(("under_spacer", "form")) or part.unpriced, part.id
            assert part.price > 0 or part.unpriced or part.sheet is None or not part.sheet.price_per_m2, part.id


def test_each_hinge_barb_and_strip_is_counted_and_paid_for():
    p = plan(job("window mat", "paper"))
    hinges = next(row for row in cut_list(p) if "linen hinge" in row.name)
    assert hinges.count == value(p, "mount.count")
    assert len([row for row in cut_list(p) if "linen hinge" in row.name]) == 1
    barbs = plan(job("needlework frame", "needlework"))
    row = next(r for r in cut_list(barbs) if "barb" in r.name)
    assert row.count == value(barbs, "mount.count") > 50
    bare = barbs.assembly.mount.tape.price * row.count
    assert value(barbs, "price.materials") > bare > 0.5
    strips = plan(job("backed", detail("puzzle", 400, 300, 2), {"backed": {"hung": "strips"}}, weight_kg=0.6))
    assert rows(strips)["wall strip"].count == len(strips.hang.places) == value(strips, "strips.count")


def test_poster_rails_bought_boxes_and_tape_are_fetched():
    assert rows(plan(job("poster rails", detail("paper", 480, 640, 0.2))))["rail"].kind == "hardware"
    assert rows(plan(boxed("puzzle")))["rail"].name == "bought box frame"
    taped = plan(job("window mat", "paper", {"window_mat": {"back": "tape"}}))
    assert rows(taped)["cover"].length_mm == value(taped, "cover.tape")


def test_bands_of_tape_are_the_same_in_a_bought_box_as_in_a_puzzle_frame():
    """ceil((height − overlap) ÷ (tape − overlap)); 480 mm, 48, 5: 12."""
    puzzle = detail("puzzle", 340, 440, 2)
    box, frame = plan(boxed(puzzle)), plan(job("puzzle frame", puzzle))
    bands = math.ceil((440 - 5) / (48 - 5))
    assert value(box, "mount.count") == value(frame, "mount.count") == bands
    for p in (box, frame):
        assert (rows(p)["bands"].count, rows(p)["bands"].length_mm) == (bands, 340)


def test_a_bought_box_lists_its_spacers_and_packers():
    p = plan(boxed("paper"))
    listed = rows(p)
    for part in p.assembly.parts:
        if part.role in ("spacer", "packer", "board") and part.length is not None:
            assert part.id in listed, part.id
    left_out = plan(boxed("paper", glass="left out"))
    assert "glass_packer" in rows(left_out)


def test_an_aperture_as_large_as_its_frame_is_stopped_and_weighs_nothing():
    p = plan(boxed("paper", frame={**FRAME, "outside_width": READ, "outside_height": READ}))
    assert value(p, "frame.mass") >= 0
    assert codes(p)["solid.opening"] == "stop"


READ = {"mm": 300, "typed": "300", "tool": "rule"}
FRAME = {
    key: {"mm": mm, "typed": str(mm), "tool": "rule"}
    for key, mm in {
        "aperture_width": 362,
        "aperture_height": 462,
        "outside_width": 412,
        "outside_height": 512,
        "depth": 34,
        "glass": 2,
    }.items()
}


SMALL = detail("puzzle", 300, 380, 2)


@pytest.mark.parametrize("the_job", [job("puzzle frame", SMALL), boxed(SMALL)], ids=["framed", "in a box"])
def test_a_sink_is_a_board_with_an_opening_a_millimetre_larger(the_job):
    at = "options/puzzle/mount" if the_job.display == "puzzle frame" else "options/ready_made/mount"
    p = plan(the_job, Edit(at=at, to="sink"))
    assert p.assembly.mount.taken.mount.id == "sink"
    part = next(x for x in p.assembly.parts if x.id == "sink")
    assert isinstance(part.sheet, SheetStock)
    hole = next(w for w in p.assembly.windows if w.sheet == "sink")
    xs, ys = [x for x, _ in hole.ring], [y for _, y in hole.ring]
    assert max(xs) - min(xs) == pytest.approx(value(p, "piece.width") + 1, abs=0.5)
    assert max(ys) - min(ys) == pytest.approx(value(p, "piece.height") + 1, abs=0.5)
    assert rows(p)["sink"].count == value(p, "sink.count")
    assert "solid.clash" not in codes(p)


def test_a_rail_longer_than_its_stick_stops():
    p = plan(job("window mat", detail("paper", 2900, 500, 0.3), worth="everyday"))
    assert codes(p)["rail.long"] == "stop"
    assert "rail.long" not in codes(plan(job("window mat", "paper")))


def test_what_one_sees_through_is_filled_by_strips_that_stay_under_the_lip():
    deep = next(f for f in SHOP.stock.frames if f.rabbet_mm >= 20).model_dump(mode="json")
    p = plan(job("two-pane float", "plant", {"panes": {"profile": deep}}))
    filler = next(b for b in p.assembly.bodies if b.id == "filler")
    hole = filler.prisms[0].holes[0]
    open_w = max(x for x, _ in hole) - min(x for x, _ in hole)
    assert open_w >= value(p, "frame.sight_width") - 1e-6


def test_what_is_drawn_as_fetched_is_the_list():
    for the_job in demo_jobs():
        p = plan(the_job)
        words = " ".join(e.text for e in parts_scene(p, "mm").elements if isinstance(e, Words))
        for row in cut_list(p):
            assert row.kind == "part" or row.name in words, (the_job.title, row.name)


def by_name() -> dict[str, tuple[str, float]]:
    """What the demo's drawers ask for a thing: a piece, a metre or a square metre of it."""
    stock = SHOP.stock
    each: tuple[Any, ...] = (*stock.screws, *stock.hangers, *stock.clips, *stock.supplies, *stock.poster_rails)
    rolls: tuple[Any, ...] = (*stock.wires, *stock.spacers, *stock.lamps, *stock.dowels)
    flat: tuple[Any, ...] = (*stock.sheets, *stock.pads)
    return {
        **{x.name: ("each", x.price) for x in each},
        **{x.name: ("m" if x.by_length else "each", x.price) for x in stock.tapes},
        **{x.name: ("m", x.price_per_m) for x in rolls},
        **{x.name: ("m2", x.price_per_m2) for x in flat},
    }


@pytest.mark.parametrize("title", [j.title for j in demo_jobs() if not j.title.startswith("Four coxswains")])
def test_the_price_is_that_of_the_list_looked_up_line_by_line(title: str):
    """Sums and stock only: nothing of the plan's own prices. The coxswains' lined walls are sold by the sheet."""
    p = plan(next(j for j in demo_jobs() if j.title == title))
    prices, s = by_name(), p.desk.sheet
    total = 0.0
    if "rail.order" in s:
        total += value(p, "rail.order") / 1000 * p.assembly.moulding.price_per_m
    for row in cut_list(p):
        name = next((x for x in (row.material, row.name, row.name.removeprefix("pad, ")) if x in prices), None)
        name = name or next((x for x in prices if row.name.startswith(f"{x}, ")), None)
        if name is None:
            continue
        how, price = prices[name]
        long = row.length_mm or 0.0
        if f"{row.part}.upright" in s:  # half of the strips are shorter
            long = (long + value(p, f"{row.part}.upright")) / 2
        size = {"each": 1.0, "m": long / 1000, "m2": long * (row.width_mm or 0.0) / 1e6}[how]
        total += row.count * size * price
    assert value(p, "price.materials") == pytest.approx(total, abs=0.02)
