"""Figures that stand together add up as they are shown, in shops that read and cut by the same marks."""

from fractions import Fraction

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.settings.examples import example
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.stock import Stock
from shadbo.core.shop.values import Value
from shadbo.core.words.lengths import Mark, on_half_a_mark, texts
from shadbo.core.words.words import value_text
from tests.flat import SHOP

MARKS = ("0.5 mm", "1 mm", "1/16 in", "1/32 in")


def shown(q: Quantity, plan: Plan) -> Fraction:
    """A figure as it is shown in the shop's own system, exactly."""
    mark = plan.desk.mark
    text = value_text(q, mark).pick(mark.system).removesuffix(mark.system).strip().replace("−", "-")
    return sum((Fraction(part) for part in text.split()), Fraction(0))


def read_at(mm: float, mark: Mark) -> dict[str, object]:
    """A reading to the mark, as a tape with such marks gives it."""
    on_mark = max(round(mm / mark.mm), 1) * mark.mm
    return {"mm": on_mark, "typed": f"{on_mark:.4f} mm", "tool": "rule"}


SIDES = ("width_top", "width_bottom", "height_left", "height_right")


def stock_at(mark: Mark) -> Stock:
    """The stock of a shop whose mouldings are sold by its own marks."""

    def to_mark(item: Value) -> Value:
        sizes = {k: max(round(v / mark.mm), 1) * mark.mm for k, v in item if k.endswith("_mm") and k != "stick_mm"}
        return item.model_copy(update=sizes)

    racks = {home: tuple(map(to_mark, getattr(SHOP.stock, home))) for home in ("floater_profiles", "plain_stock")}
    return SHOP.stock.model_copy(update=racks)


def planned(name: str, mark: Mark, sizes: tuple[float, ...]) -> Plan:
    """An example with other sides, in a shop of that mark."""
    job = example(name).model_dump(mode="json")
    detail = job["pieces"][0]["detail"]
    for field, mm in zip(SIDES, sizes, strict=True):
        detail[field] = read_at(mm, mark)
    for field, old in detail.items():
        if field not in SIDES and isinstance(old, dict) and "mm" in old and old["mm"] > 10:
            detail[field] = read_at(old["mm"], mark)
    shop = SHOP.model_copy(update={"mark": mark.name, "stock": stock_at(mark)})
    return assess(Job.model_validate(job), shop)


def sides(wide: float, high: float, taper: float, lean: float) -> tuple[float, ...]:
    return wide, wide + taper, high, high + lean


SHAPES = st.builds(sides, st.floats(180, 1400), st.floats(180, 1000), st.floats(-4, 4), st.floats(-4, 4))


@settings(max_examples=150, deadline=None)
@given(st.sampled_from(MARKS), SHAPES, st.sampled_from(["canvas", "plain"]))
def test_gap_and_piece_and_gap_are_the_inside(mark, shape, name):
    plan = planned(name, Mark.named(mark), shape)
    s = plan.desk.sheet
    for axis, one, other, places in (
        ("width", "left", "right", ("top", "bottom")),
        ("height", "top", "bottom", ("left", "right")),
    ):
        for place in places:
            inside = s[f"frame.inside_{axis}.{place}"]
            piece = s[f"canvas.{axis}_{place}"]
            gaps = s[f"gap.{one}.{place}"], s[f"gap.{other}.{place}"]
            assert sum(shown(q, plan) for q in (*gaps, piece)) == shown(inside, plan)
        inside = s[f"frame.inside_{axis}.middle"]
        assert shown(inside, plan) + 2 * shown(s["profile.wall"], plan) == shown(s[f"frame.outside_{axis}"], plan)


@settings(max_examples=80, deadline=None)
@given(st.sampled_from(MARKS), st.floats(180, 900), st.floats(180, 700))
def test_the_borders_and_the_window_are_the_mat(mark, wide, high):
    plan = planned("print", Mark.named(mark), (wide, wide, high, high))
    s = plan.desk.sheet
    for axis, ends in (("width", ("left", "right")), ("height", ("top", "bottom"))):
        borders = [s[f"mat.{end}_cut"] for end in ends]
        window, mat = s[f"window.outer_{axis}"], s[f"package.{axis}"]
        assert sum(shown(q, plan) for q in (*borders, window)) == shown(mat, plan)


@given(st.sampled_from(MARKS), st.integers(-4000, 4000))
def test_half_a_mark_is_shown_as_it_is_and_the_mark_as_before(name, halves):
    mark = Mark.named(name)
    mm = halves * mark.mm / 2
    text = texts(mm, mark, "down").pick(mark.system).replace("−", "-")
    value = sum((abs(Fraction(part)) for part in text.split()), Fraction(0)) * (-1 if text.startswith("-") else 1)
    unit = 25.4 if mark.system == "in" else 1.0
    assert float(value) * unit == pytest.approx(mm, abs=1e-6)
    assert on_half_a_mark(mm, mark) == bool(halves % 2)
