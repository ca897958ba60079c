"""Material prices: every part counts once, by its own measure."""

import pytest

from shadbo.core.advise import advise
from shadbo.core.decisions.edit import Edit
from shadbo.core.sums.order import order_mm
from tests.flat import SHOP, detail, job, plan, value


def priced(p, role: str) -> float:
    return sum(part.price * part.count for part in p.assembly.by_role(role))


def test_sheets_are_priced_by_their_area():
    p = plan(job("window mat", "paper"))
    area = value(p, "package.width") * value(p, "package.height") / 1e6
    for role in ("glazing", "mat", "board", "backing"):
        part = next(x for x in p.assembly.by_role(role))
        assert part.price * part.count == pytest.approx(area * part.sheet.price_per_m2), role


def test_fillers_are_priced_by_the_board():
    p = plan(job("puzzle frame", detail("puzzle", 684, 484, 2)))
    filler = next(x for x in p.assembly.by_role("packer"))
    assert filler.count > 1
    area = filler.length.value * filler.width.value / 1e6
    one = next(x for x in SHOP.stock.sheets if x.name == filler.name)
    assert filler.thick.value == one.thick_mm
    assert filler.price == pytest.approx(area * one.price_per_m2)


def test_moulding_is_priced_by_what_is_ordered():
    p = plan(job("window mat", "paper"))
    w, h = value(p, "rail.width"), value(p, "rail.height")
    assert value(p, "rail.order") == pytest.approx(order_mm(w, h, value(p, "profile.face")))
    rails = value(p, "rail.order") / 1000 * p.assembly.moulding.price_per_m
    rest = sum(priced(p, role) for role in ("glazing", "mat", "board", "backing", "spacer", "packer", "cover"))
    hang = p.hang.hanger.price * len(p.hang.places)
    wire = p.hang.wire_length.value / 1000 * p.hang.wire.price_per_m if p.hang.wire_length is not None else 0
    hinges = p.assembly.mount.tape.price * value(p, "mount.count")
    assert value(p, "price.materials") == pytest.approx(rails + rest + hang + wire + hinges)


def test_spacers_are_priced_by_their_run():
    p = plan(job("puzzle frame", "puzzle"))
    strip = next(x for x in SHOP.stock.spacers if x.height_mm == value(p, "stack.spacer"))
    w, h = value(p, "package.width"), value(p, "package.height")
    run = 2 * (w + h - 2 * strip.thick_mm) / 1000
    assert priced(p, "spacer") == pytest.approx(run * strip.price_per_m)


def test_a_bought_frame_costs_no_moulding_and_rails_cost_by_the_piece():
    rails = plan(job("poster rails", detail("paper", 500, 700, 0.2)))
    one = plan(job("poster rails", detail("paper", 500, 700, 0.2), {"poster_rails": {"bottom": False}}))
    rail = next(x for x in SHOP.stock.poster_rails if x.length_mm == 530)
    assert priced(rails, "rail") == 2 * rail.price
    assert priced(one, "rail") == rail.price


def test_a_remedy_says_what_it_costs_as_planned():
    start = job("window mat", detail("paper", 760, 700, 0.3))
    small = next(x for x in SHOP.stock.sheets if x.id == "mat-sail").model_dump(mode="json")
    p = advise(plan(start, Edit(at="options/window_mat/mat", to=small)).desk.job, SHOP)
    remedy = next(f for f in p.findings if f.code == "sheet.small").remedies[0]
    after = plan(p.desk.job, *remedy.proposal.edits)
    assert remedy.price == pytest.approx(value(after, "price.materials") - value(p, "price.materials"), abs=0.006)
