import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.sheet.sheet import to_mark
from shadbo.core.words.lengths import Mark, NotALength, inch_text, metric_text, parse, texts

MARKS = [Mark.named(n) for n in ("1/16 in", "1/32 in", "1/64 in", "1 mm", "0.5 mm", "0.1 mm")]


@pytest.mark.parametrize(
    ("typed", "mm"),
    [
        ("775", 775),
        ("775 mm", 775),
        ("775mm", 775),
        ("77.5 cm", 775),
        ("0.775 m", 775),
        ("77,5 cm", 775),
        (" 412.5 ", 412.5),
        (".5", 0.5),
        ("30 1/2", 30.5 * 25.4),
        ('30-1/2"', 30.5 * 25.4),
        ("30½", 30.5 * 25.4),
        ("½", 12.7),
        ("30 ½ in", 30.5 * 25.4),
        ("2' 6 1/2\"", 30.5 * 25.4),
        ("2′ 6½″", 30.5 * 25.4),
        ("2'", 24 * 25.4),
        ("2 ft 6 in", 30 * 25.4),
        ("30.5 in", 30.5 * 25.4),
        ("3/8", 9.525),
        ("16 5⁄16", 16.3125 * 25.4),
    ],
)
def test_reads_what_the_tape_says(typed: str, mm: float):
    assert parse(typed, "mm") == pytest.approx(mm, abs=1e-9)


def test_a_bare_number_takes_the_system_it_is_read_in():
    assert parse("12", "mm") == 12
    assert parse("12", "in") == pytest.approx(304.8)
    assert parse("1' 6", "mm") == pytest.approx(457.2), "after feet come inches, whatever the workshop's unit"


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ("", "nothing is typed"),
        ("wide", "not a length"),
        ("12x", "not a length"),
        ("-3", "less than nothing"),
        ("30 9/8", "must be the smaller"),
        ("30 1/0", "must be the smaller"),
        ("1,200", "decimal or thousands"),
        ("3/8 mm", "fraction of a mm"),
        ("2' 300 mm", "feet and millimetres"),
        ("999999", "check the unit"),
        ("1/2/3", "not a length"),
        ("١٢x", "not a length"),
        ("12 12", "not a length"),
    ],
)
def test_says_what_is_wrong(typed: str, says: str):
    with pytest.raises(NotALength, match=says):
        parse(typed, "mm")


@given(st.text(max_size=30))
def test_never_fails_in_any_other_way(text: str):
    try:
        mm = parse(text, "in")
    except NotALength:
        return
    assert 0 <= mm <= 20_000


@given(st.integers(0, 40_000), st.sampled_from(MARKS))
def test_what_is_shown_reads_back_as_what_it_was(steps: int, mark: Mark):
    mm = min(steps * mark.mm, 19_999)
    mm = to_mark(mm, mark.mm, "nearest")
    shown = texts(mm, mark)
    own = shown.mm if mark.system == "mm" else shown.inch
    assert parse(own, mark.system) == pytest.approx(mm, abs=0.051)


@given(st.floats(0, 15_000), st.sampled_from(MARKS))
def test_rounding_has_a_direction(mm: float, mark: Mark):
    up, down = to_mark(mm, mark.mm, "up"), to_mark(mm, mark.mm, "down")
    assert up >= mm - 1e-5
    assert down <= mm + 1e-5
    assert up - down <= mark.mm + 1e-9
    assert down - 1e-9 <= to_mark(mm, mark.mm, "nearest") <= up + 1e-9


@given(st.integers(0, 20_000), st.sampled_from(MARKS))
def test_dust_never_costs_a_mark(steps: int, mark: Mark):
    on_the_mark = steps * mark.mm
    assert to_mark(on_the_mark + 1e-9, mark.mm, "up") == pytest.approx(on_the_mark)
    assert to_mark(on_the_mark - 1e-9, mark.mm, "down") == pytest.approx(on_the_mark)


@pytest.mark.parametrize(
    ("mm", "text"), [(0, "0"), (6.35, "1/4"), (304.8, "12"), (412.75, "16 1/4"), (-6.35, "−1/4"), (25.3, "1")]
)
def test_inches_are_whole_numbers_and_reduced_fractions(mm: float, text: str):
    assert inch_text(mm) == text


def test_a_negative_length_rounds_the_same_way_as_a_positive_one():
    mark = Mark.named("1 mm")
    assert metric_text(-2.4, mark, "down") == "−3"
    assert metric_text(-2.4, mark, "up") == "−2"
    assert metric_text(-0.2, mark, "up") == "0"


def test_there_is_one_of_each_mark():
    """What was said of a length is kept by its mark, which is known by what it is, not by what it has in it."""
    assert all(Mark.named(mark.name) is mark for mark in MARKS)
    assert len({texts(10.33, mark, "down") for mark in MARKS}) == 3
