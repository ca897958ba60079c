"""What a decision changes, told from two whole plans: places, parts, what is thrown away, and money."""

import pytest

from shadbo.core.advise import advise
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.effects import between, cost, said
from shadbo.core.job.job import Job
from tests.flat import SHOP, gathered, sized
from tests.making import canvas, job, pin, reading, shop

BADGE = sized("badge", 44, 44, relief=4.5, back_relief=7, pin_off=8)
TOOL = sized("keepsake", 240, 60, depth=30)


def effect(start: Job, *edits: Edit, kept=SHOP):
    """What the edits change, and how it is said."""
    before = advise(start, kept)
    after = change(start, edits, kept).plan
    assert after is not None
    found = between(before, after)
    return found, f"{said(found, before).mm} · {cost(found, kept.currency)}"


def test_a_piece_that_moves_is_named():
    start = gathered("shadow box", {"detail": TOOL}, {"detail": BADGE}, options={"shadow_box": {}})
    layout = {"id": "piece-2", "left": {"mm": 40}, "top": {"mm": 40}}
    found, text = effect(start, Edit(at="options/shadow_box/layout/places/piece-2", to=layout))
    assert found.moved
    assert text.startswith("moves ")
    assert "nothing else changes" not in text


def test_a_badge_out_of_its_notch_moves():
    start = gathered(
        "jersey box",
        {"detail": sized("garment", 620, 720, body_width=480, thickness=14)},
        {"detail": BADGE},
        options={"jersey_box": {}},
    )
    found, text = effect(start, Edit(at="options/jersey_box/margin", to={"mm": 90}))
    assert found.moved, "the notch follows the opening"
    assert "moves" in text


def test_rails_that_are_made_again_are_paid_for_whole():
    start = change(job(canvas(width_bottom=reading(409))), [pin("rail.width", 436), pin("rail.height", 643)], shop())
    plan = advise(start.job, shop())
    finding = next(f for f in plan.findings if f.code.startswith("gap"))
    again = finding.remedies[-1]
    assert again.proposal.label.mm == "Make new rails"
    moulding = plan.assembly.moulding
    assert again.price >= 2 * (436 + 643) / 1000 * moulding.price_per_m - 0.01
    assert again.says.mm.startswith("make again: the rails")


def test_other_stock_after_the_cut_wastes_what_is_cut():
    cut = change(job(), [pin("rail.width", 436)], shop())
    other = cut.plan.assembly.moulding.model_copy(update={"id": "other", "name": "other"})
    after = change(cut.job, [Edit(at="options/floater/profile", to=other.model_dump(mode="json"))], shop()).plan
    assert cut.plan is not None
    assert after is not None
    found = between(cut.plan, after)
    assert found.wasted == ("the rails",)
    assert found.price == pytest.approx(2 * 436 / 1000 * other.price_per_m, abs=0.05)


def test_wood_that_has_no_price_is_not_called_free():
    braced = Edit(at="pieces/piece/detail/braces/b", to={"id": "b", "at": {"mm": 200}})
    found, text = effect(job(), braced, kept=shop())
    assert found.unpriced == ("brace",)
    assert text.endswith("brace not priced")
    assert "no cost" not in text


def test_the_same_plan_says_that_nothing_changes():
    found, text = effect(job(), kept=shop())
    assert found.nothing
    assert text == "nothing else changes · no cost"
