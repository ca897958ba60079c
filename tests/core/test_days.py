"""Days as people say and write them."""

import datetime as dt

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.job.edits import as_typed
from shadbo.core.words.days import LONG_AGO, NotADay, day_text, parse_day

DAYS = st.dates(dt.date(1900, 1, 1), dt.date(2999, 12, 31))
TODAY = dt.date(2026, 11, 26)


@given(DAYS, DAYS)
def test_what_is_told_is_read_back_whatever_day_it_is(day, today):
    for written in (day_text(day), day.isoformat(), day_text(day).upper(), f"{day.day}.{day.month}.{day.year}",
                    day.strftime("%d %B %Y"), day.strftime("%B %d, %Y")):  # fmt: skip
        assert parse_day(written, today) == day


@given(st.integers(0, 365), st.dates(dt.date(2000, 1, 1), dt.date(2100, 1, 1)))
def test_a_day_without_its_year_is_the_next_one_or_has_just_passed(ahead, today):
    day = today + dt.timedelta(days=ahead)
    found = parse_day(f"{day.day} {day:%b}", today)
    assert (found.day, found.month) == (day.day, day.month)
    assert -LONG_AGO <= (found - today).days <= 366 * 8


@given(st.integers(0, 999), DAYS.filter(lambda d: d.year < 2990))
def test_so_many_days_ahead(days, today):
    assert parse_day(f"+{days}", today) == today + dt.timedelta(days=days)
    assert parse_day(f"in {days} days", today) == today + dt.timedelta(days=days)


@pytest.mark.parametrize(
    ("said", "meant"),
    [("today", TODAY), ("tomorrow", dt.date(2026, 11, 27)), ("thu", dt.date(2026, 12, 3)),
     ("Friday", dt.date(2026, 11, 27)), ("wednesday", dt.date(2026, 12, 2)), ("2 weeks", dt.date(2026, 12, 10)),
     ("1 nov", dt.date(2026, 11, 1)), ("1 aug", dt.date(2027, 8, 1)), ("29 feb", dt.date(2028, 2, 29)),
     ("18/12", dt.date(2026, 12, 18)), ("3rd of may", None), ("Sept 4", dt.date(2027, 9, 4))],
)  # fmt: skip
def test_words_for_days(said, meant):
    if meant is None:
        with pytest.raises(NotADay):
            parse_day(said, TODAY)
    else:
        assert parse_day(said, TODAY) == meant


def test_an_inch_shop_writes_the_month_first():
    assert parse_day("12/11", TODAY, month_first=True) == dt.date(2026, 12, 11)
    assert parse_day("12/11", TODAY) == dt.date(2026, 11, 12)
    assert parse_day("12/18", TODAY) == dt.date(2026, 12, 18), "there is no eighteenth month"


@pytest.mark.parametrize(
    "said", ["", "soon", "31 feb", "32.1.", "fr", "monsoon", "friar", "14", "1/2/3/4", "99999999 days", "\u0664"]
)
def test_what_names_no_day_is_refused_with_what_would(said):
    with pytest.raises(NotADay, match="is no day: 18 Dec"):
        parse_day(said, TODAY)


def test_only_days_are_read_as_days():
    edits = [Edit(at="due", to="fri"), Edit(at="title", to="fri"), Edit(at="due")]
    assert [e.to for e in as_typed(edits, "mm", TODAY)] == ["2026-11-27", "fri", None]
    with pytest.raises(BadEdit) as bad:
        as_typed([Edit(at="due", to="some day")], "mm", TODAY)
    assert bad.value.at == "due"
    assert "18.12." in str(bad.value)
