"""The shop's habits: every one in words, read back as it is said, kept in sense, and seen in its example."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.settings.examples import EXAMPLES, example
from shadbo.core.settings.shown import figure, plan_of, worked
from shadbo.core.settings.table import TITLES, Setting
from shadbo.core.settings.values import (
    ALL,
    IN_ORDER,
    KNOWN,
    WHOLE,
    BadSetting,
    number_of,
    read,
    says,
    sense,
    set_to,
    usual,
    value_of,
)
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.words.amounts import NotAnAmount, parse_kg, parse_number
from shadbo.core.words.lengths import Both, Mark
from tests.flat import SHOP

MM, INCH = Mark.named("0.5 mm"), Mark.named("1/16 in")
NUMBERS = [s for s in ALL if s.unit != "lengths"]
LENGTHS = KNOWN["screw_lengths_mm"]


def test_every_habit_stands_somewhere():
    fields = set(Practice.model_fields) - {"floater_gaps"}
    assert fields <= set(KNOWN)
    assert len(KNOWN) == len(ALL)
    assert {s.station for s in ALL} == set(TITLES)
    assert all(s.label[0].isupper() for s in ALL)


@pytest.mark.parametrize("name", list(EXAMPLES))
def test_every_example_can_be_built(name):
    plan = plan_of(KNOWN["eye_height_mm"], SHOP, SHOP.practice) if name == "canvas" else None
    from shadbo.core.assess import assess

    plan = plan or assess(example(name), SHOP)
    assert plan.assembly is not None
    assert plan.asks == ()


def seen(setting: Setting, practice: Practice) -> Both:
    plan = plan_of(setting, SHOP, practice)
    assert plan is not None
    return figure(setting, plan)


@pytest.mark.parametrize("setting", [s for s in NUMBERS if s.line], ids=lambda s: s.name)
def test_a_habit_changes_the_figure_that_it_is_shown_by(setting):
    before = seen(setting, SHOP.practice)
    now, within = number_of(SHOP.practice, setting.name), sense(setting)
    for times in (1.3, 0.7, 2.0, 0.3, 4.0, 0.2, 8.0):
        value = now * times
        if not within.least <= value <= within.most:
            continue
        try:
            after = set_to(SHOP.practice, setting, value, MM)
        except BadSetting:
            continue
        if seen(setting, after) != before:
            return
    pytest.fail(f"{setting.name} shows in nothing at {setting.example}, {setting.line}")


@settings(max_examples=300, deadline=None)
@given(st.sampled_from(NUMBERS), st.floats(0, 1), st.sampled_from(["mm", "in"]))
def test_what_is_said_is_read_back(setting, share, system):
    within = sense(setting)
    value = within.least + share * (within.most - within.least)
    if setting.unit in WHOLE:
        value = round(value)
    mark = MM if system == "mm" else INCH
    said = says(setting, value, mark).pick(system)
    again = read(setting, said, system)
    off = 0.01 if system == "mm" else 0.81 if setting.unit == "length" else 0.05
    assert again == pytest.approx(value, abs=off, rel=0.006)


@settings(max_examples=200, deadline=None)
@given(st.sampled_from(NUMBERS), st.one_of(st.floats(-1e6, 1e6), st.integers(-5, 200), st.floats(0, 20)))
def test_a_value_is_set_or_refused_with_what_is_possible(setting, value):
    within = sense(setting)
    refused: Both | None = None
    try:
        after = set_to(SHOP.practice, setting, value, MM, str(value))
    except BadSetting as bad:
        refused = bad.message
    if refused:
        assert any(word in refused.mm for word in ("makes sense", "at most", "at least", "farther", "whole"))
    else:
        assert within.least - 1e-6 <= value <= within.most + 1e-6
        assert value_of(after, setting.name) == pytest.approx(value, abs=1e-9)
        others = {s.name for s in ALL} - {setting.name}
        assert all(value_of(after, n) == value_of(SHOP.practice, n) for n in others)


@pytest.mark.parametrize("setting", ALL, ids=lambda s: s.name)
def test_back_to_usual_is_what_every_shop_begins_with(setting):
    assert value_of(set_to(Practice(), setting, None, MM), setting.name) == pytest.approx(usual(setting.name))


@settings(max_examples=200, deadline=None)
@given(st.lists(st.integers(8, 600), min_size=1, max_size=40, unique=True), st.sampled_from([MM, INCH]))
def test_lengths_that_screws_are_sold_in_are_read_back_as_they_are_said(halves, mark):
    grid = 0.5 if mark is MM else 25.4 / 16
    lengths = tuple(sorted(n * grid for n in halves if 4 <= n * grid <= 300))
    if not lengths:
        return
    said = says(LENGTHS, lengths, mark).pick(mark.system)
    assert read(LENGTHS, said, mark.system) == pytest.approx(lengths, abs=0.01)
    assert read(LENGTHS, "; ".join(reversed(said.split(", "))), mark.system) == pytest.approx(lengths, abs=0.01)


def test_the_screws_of_the_plan_are_those_that_are_sold():
    bare = SHOP.model_copy(update={"stock": SHOP.stock.model_copy(update={"screws": ()})})
    now = plan_of(LENGTHS, bare, SHOP.practice).desk.sheet["screw.length"].value
    others = set_to(SHOP.practice, LENGTHS, read(LENGTHS, f"{now - 1}, {now + 1}, 80", "mm"), MM)
    after = plan_of(LENGTHS, bare, others).desk.sheet["screw.length"].value
    assert after in (now - 1, now + 1)
    assert set_to(others, LENGTHS, None, MM) == SHOP.practice


def test_an_inch_shop_begins_with_screws_by_the_inch():
    assert says(LENGTHS, usual(LENGTHS.name), INCH).inch.startswith("1/2, 5/8, 3/4, 1, 1 1/4")


@pytest.mark.parametrize("typed", ["12,16,20", "12, thick", ", ,", "-3, 12", "1, 12", "12, 301", "12 16"])
def test_lengths_that_cannot_be_are_refused_at_the_field(typed):
    with pytest.raises(BadSetting):
        set_to(SHOP.practice, LENGTHS, read(LENGTHS, typed, "mm"), MM, typed)


@pytest.mark.parametrize(("low", "high"), IN_ORDER)
def test_pairs_stay_in_order(low, high):
    with pytest.raises(BadSetting, match="at most"):
        set_to(SHOP.practice, KNOWN[low], number_of(Practice(), high) * 1.01, MM)


def test_an_example_tells_before_and_after_and_lights_its_line():
    border = KNOWN["mat_border_mm"]
    tried = set_to(SHOP.practice, border, 80, MM)
    w = worked(border, SHOP, "mm", tried)
    assert w.now.mm == "outside width 577 mm"
    assert w.then.mm == "outside width 607 mm"
    assert f'data-key="{w.line}"' in w.picture
    inches = worked(border, Shop(**(SHOP.model_dump() | {"mark": "1/16 in"})), "in", tried)
    assert " mm" not in inches.then.inch
    assert " mm" not in inches.title.inch


@pytest.mark.parametrize(
    ("typed", "kg"),
    [("1,5", 1.5), ("1.5 kg", 1.5), ("850 g", 0.85), ("14 lb", 6.3503), ("3 lb 4 oz", 1.4742), ("4 oz", 0.1134)],
)
def test_weights_as_scales_say_them(typed, kg):
    assert parse_kg(typed, pounds=False) == pytest.approx(kg, abs=1e-4)


def test_a_bare_weight_is_in_the_shops_unit():
    assert parse_kg("2", pounds=True) == pytest.approx(0.90718, abs=1e-5)
    assert parse_kg("2 1/2", pounds=False) == 2.5


@pytest.mark.parametrize("typed", ["", "heavy", "1/0", "1 2 3", "-4", "4 stone", "١"])
def test_what_is_no_amount_is_refused(typed):
    with pytest.raises(NotAnAmount):
        parse_kg(typed, pounds=False)
    with pytest.raises(NotAnAmount):
        parse_number(typed)
