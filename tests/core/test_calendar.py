"""When the shop is open: read as it is said, told back the same, and orders counted by it."""

import datetime as dt

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.shop.calendar import (
    Calendar,
    NotHours,
    Open,
    Shut,
    hours_text,
    parse_hours,
    parse_shut,
    shut_text,
)
from shadbo.core.words.days import NotADay

TODAY = dt.date(2026, 11, 26)
SPANS = st.tuples(st.integers(0, 1438), st.integers(0, 1439)).filter(lambda x: x[0] < x[1])


@given(st.dictionaries(st.integers(0, 6), SPANS, min_size=1))
def test_hours_are_read_back_as_they_are_told(week: dict[int, tuple[int, int]]):
    hours = tuple(Open(day=d, start=a, end=b) for d, (a, b) in sorted(week.items()))
    assert parse_hours(hours_text(hours)) == hours


@given(st.lists(st.tuples(st.dates(TODAY, dt.date(2030, 1, 1)), st.integers(0, 20)), max_size=5))
def test_closed_days_are_read_back_as_they_are_told(days: list[tuple[dt.date, int]]):
    shut = tuple(Shut(first=d, last=d + dt.timedelta(days=n)) for d, n in days)
    assert parse_shut(shut_text(shut), TODAY) == shut


@given(
    st.datetimes(dt.datetime(2026, 1, 1), dt.datetime(2030, 1, 1), timezones=st.just(dt.UTC)),
    st.integers(0, 40),
    st.lists(st.tuples(st.integers(-5, 60), st.integers(0, 9)), max_size=4),
)
def test_working_days_are_counted_day_by_day(start: dt.datetime, days: int, shut: list[tuple[int, int]]):
    closed = tuple(
        Shut(first=start.date() + dt.timedelta(days=a), last=start.date() + dt.timedelta(days=a + n)) for a, n in shut
    )
    calendar = Calendar(shut=closed)
    end = calendar.after_working_days(start, days)
    between = (start.date() + dt.timedelta(days=n) for n in range(1, (end.date() - start.date()).days + 1))
    worked = [d for d in between if d.weekday() < 5 and not any(s.first <= d <= s.last for s in closed)]
    assert len(worked) == days
    assert end.timetz() == start.timetz()
    assert not days or worked[-1] == end.date()


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("9-17", "not understood"),
        ("Foo 9-17", "no day of the week"),
        ("Mon 17-9", "closes before it opens"),
        ("Mon-Fri 9", "not understood"),
        ("Mon 9-25", "closes before it opens"),
    ],
)
def test_what_names_no_hours_is_refused_with_what_would(text: str, says: str):
    with pytest.raises(NotHours, match=says):
        parse_hours(text)


@pytest.mark.parametrize("text", ["5 Jan to 3 Jan 2027 to 9 Jan", "soon", "6 Jan 2027 to 3 Jan 2027"])
def test_what_names_no_closed_days_is_refused(text: str):
    with pytest.raises(NotADay):
        parse_shut(text, TODAY)
