"""The package in its rabbet: what is chosen from the rack, what fills the depth, how the section shows it."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.filling import FILLING, MOST_FILLERS, filler_slabs
from shadbo.core.displays.rabbeted.slabs import first_sheet
from shadbo.core.displays.rabbeted.spacers import spacer_slabs
from shadbo.core.drawing.board import draw_ladder
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.scene import Shape
from shadbo.core.shop.boards import SpacerStock
from shadbo.core.stations import stations
from tests.flat import SHOP, detail, gathered, job, plan, sized, value
from tests.making import codes, length


def desk() -> Desk:
    return Desk.lay(job("window mat", "paper"), SHOP)


@given(st.floats(3.1, 40))
def test_filling_leaves_no_more_than_the_shop_allows_where_boards_can_do_it(spare: float):
    d = desk()
    layers = filler_slabs(d, spare, 0.0, 3.0)
    assert layers
    left = spare - sum(x.thick.value for x in layers)
    assert left >= -1e-6
    assert left <= max(3.0, spare - MOST_FILLERS * 5) + 1e-6


@given(st.floats(3.1, 40), st.floats(0.5, 20))
def test_of_piles_that_are_alike_the_cheapest_is_taken(spare: float, price: float):
    boards = [x for x in SHOP.stock.sheets if x.kind in FILLING]
    twins = [x.model_copy(update={"id": f"{x.id}-too", "price_per_m2": price}) for x in boards]
    stock = SHOP.stock.model_copy(update={"sheets": (*SHOP.stock.sheets, *twins)})
    usual = filler_slabs(desk(), spare, 0.0, 3.0)
    cheap = filler_slabs(
        Desk.lay(job("window mat", "paper"), SHOP.model_copy(update={"stock": stock})), spare, 0, 3.0
    )
    assert sorted(x.count for x in cheap) == sorted(x.count for x in usual), "as many of as many kinds"
    most = [min(x.sheet.price_per_m2, x.count * price) for x in usual]
    costs = [x.sheet.price_per_m2 for x in cheap]
    assert sum(costs) <= sum(most) + 1e-9


def test_nothing_is_filled_where_nothing_is_over():
    assert filler_slabs(desk(), 2.9, 0.0, 3.0) == []
    assert filler_slabs(desk(), -4, 0.0, 3.0) == []
    assert spacer_slabs(desk(), 0.0) == []


def test_spacers_of_two_heights_come_nearer_than_those_of_one():
    d = desk()
    layers = spacer_slabs(d, 42.0)
    assert [(x.name, x.id) for x in layers] == [("3 × spacer 13", "spacer"), ("spacer 3", "spacer_2")]
    assert sum(x.thick.value for x in layers) == 42
    assert [x.role for x in d.taken] == ["spacer", "spacer_2"], "both are kept with the job at its first cut"


def test_spacers_that_were_cut_stay_what_they_are_when_a_reading_moves():
    deep = gathered("shadow box", {"detail": sized("keepsake", 200, 150, depth=36)})
    first = change(deep, [Edit(at="pins/rail.width", to={"mm": 340, "typed": "340", "tool": "rule"})], SHOP)
    assert first.plan is not None
    names = {x.name for x in first.plan.assembly.by_role("spacer")}
    more = Edit(at="pieces/piece/detail/depth", to={"mm": 33.0, "typed": "33", "tool": "rule"})
    after = change(first.job, [more], SHOP).plan
    assert {x.name for x in after.assembly.by_role("spacer")} <= names


@given(st.floats(100, 1500), st.floats(100, 1500))
def test_the_cheapest_sheet_that_is_large_enough(w: float, h: float):
    d = desk()
    sheet = first_sheet(d, "board", None, (w, h), "mat")
    mats = [x for x in SHOP.stock.sheets if x.kind == "mat"]
    large = [x for x in mats if x.holds(w, h)]
    assert sheet.holds(w, h) == bool(large)
    if large:
        assert sheet.price_per_m2 == min(x.price_per_m2 for x in large)


def test_sheets_fit_either_way_round():
    mat = next(x for x in SHOP.stock.sheets if x.id == "mat-sail")
    assert mat.holds(813, 1016)
    assert mat.holds(1016, 813)
    assert not mat.holds(814, 1016)


def test_glazing_by_size_and_wish():
    def kind(p) -> str:
        return next(x for x in p.assembly.by_role("glazing")).sheet.kind

    assert kind(plan(job("window mat", "paper"))) == "glass"
    assert kind(plan(job("window mat", detail("paper", 594, 841, 0.3)))) == "acrylic"
    large_pastel = job("window mat", detail("paper", 594, 700, 0.3), facts={"loose_surface": True})
    assert kind(plan(large_pastel)) == "glass"


def test_the_section_shows_every_layer_where_the_ladder_has_it():
    p = plan(job("puzzle frame", "puzzle"))
    shapes = [e for e in edge_scene(p, "mm").elements if isinstance(e, Shape)]
    for layer in p.assembly.layers:
        if layer.name == "to close":
            continue
        xs = [(min(x for x, _ in s.ring), max(x for x, _ in s.ring)) for s in shapes if s.key == layer.key]
        spacers = [(min(x for x, _ in s.ring), max(x for x, _ in s.ring)) for s in shapes if s.key == "spacer.across"]
        assert (layer.start_mm, layer.end_mm) in [pytest.approx(x) for x in xs or spacers]
    assert "to close" in draw_ladder(p, "mm")


def test_an_extension_makes_room_and_shows():
    profile = next(f for f in SHOP.stock.frames if f.id == "buoy-16").model_dump(mode="json")
    start = job("puzzle frame", "puzzle", {"puzzle": {"profile": profile}})
    assert codes(plan(start))["depth.deep"] == "stop"
    more = plan(start, length("options/puzzle/extension", 4))
    assert "depth.deep" not in codes(more)
    assert value(more, "frame.depth") == value(plan(start), "frame.depth") + 4
    assert sum(part.name == "rabbet extension" for part in more.assembly.parts) == 2


def test_practice_of_the_shop_is_what_the_plan_takes():
    def with_practice(display: str, what: str, **practice: float):
        shop = SHOP.model_copy(update={"practice": SHOP.practice.model_copy(update=practice)})
        return plan(job(display, what), shop=shop)

    assert value(with_practice("window mat", "paper", mat_border_mm=80), "mat.border") == 80
    assert value(with_practice("window mat", "paper", mat_overlap_mm=3), "window.width") == 294
    assert value(with_practice("puzzle frame", "puzzle", puzzle_margin_mm=35), "border.wanted") == 35
    assert value(with_practice("needlework frame", "needlework", textile_border_mm=40), "border.wanted") == 40
    assert value(with_practice("two-pane float", "plant", pane_border_mm=50), "border.wanted") == 50
    assert value(with_practice("puzzle frame", "puzzle", air_paper_mm=5), "air.needed") == 5
    assert value(with_practice("window mat", "paper", fit_allowance_mm=4), "fit.allowance_width") == 4
    assert value(with_practice("floater", "loose", pull_mm=30), "stretch.pull") == 30
    assert value(with_practice("window mat", "paper", hinge_factor=20), "mount.factor") == 20
    more = with_practice("window mat", "paper", points_apart_mm=60)
    assert value(more, "point.count") > value(plan(job("window mat", "paper")), "point.count")


def test_receive_offers_facts_marks_and_demands_and_each_can_be_taken_back():
    p = plan(job("window mat", "paper"))
    here = next(s for s in stations(p) if s.name == "receive")
    labels = [q.label for q in here.questions]
    assert "Photographs" in labels
    assert "Surface is loose (pastel, charcoal, flaking)" in labels
    demand = next(q for q in here.questions if q.label == "Recipient: no wire")
    asked = plan(job("window mat", "paper"), Edit(at=demand.at, to=demand.choices[0].to))
    assert asked.desk.job.hanging.demands == ("no wire",)
    again = next(s for s in stations(asked) if s.name == "receive")
    back = next(q for q in again.questions if q.label == "Recipient: no wire")
    assert back.choices[0].picked
    assert plan(asked.desk.job, Edit(at=back.at, to=back.choices[1].to)).desk.job.hanging.demands == ()
    mark = next(q for q in here.questions if q.label == "A signature or label near an edge")
    marked = plan(job("window mat", "paper"), *mark.edits)
    assert marked.desk.job.pieces[0].edge_marks[0].what == "signature"
    away = next(q for s in stations(marked) for q in s.questions if q.label == "Forget this mark")
    assert plan(marked.desk.job, *away.edits).desk.job.pieces[0].edge_marks == ()


def test_another_kind_keeps_what_both_kinds_have():
    p = plan(job("window mat", "paper"))
    kind = next(q for s in stations(p) for q in s.questions if q.label == "Kind of piece")
    puzzle = next(c for c in kind.choices if c.label == "jigsaw puzzle")
    changed = plan(p.desk.job, Edit(at=kind.at, to=puzzle.to))
    assert changed.desk.job.pieces[0].detail.kind == "puzzle"
    assert changed.desk.job.pieces[0].detail.width_top.mm == 300
    assert changed.asks == (), "a puzzle's thickness is usual, and need not be read"


def test_a_spacer_of_two_heights_is_told_and_judged_by_both():
    shop = SHOP.model_copy(update={"stock": SHOP.stock.model_copy(update={"spacers": (
        SpacerStock(id="high", name="high 13", height_mm=13, thick_mm=4, price_per_m=2),
        SpacerStock(id="wide", name="wide 3", height_mm=3, thick_mm=30, price_per_m=1),
    )})})  # fmt: skip
    deep = gathered("shadow box", {"detail": sized("keepsake", 200, 150, depth=36)})
    p = plan(deep, shop=shop)
    rows = {q.label: q.value.mm for s in stations(p) for q in s.questions if q.value is not None}
    assert (rows["Spacers"], rows["Spacers, more"]) == ("39 mm", "3 mm")
    assert codes(p).get("spacer.shows") == "caution", "the wider one shows"
