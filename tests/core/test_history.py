"""What a change did, in words."""

import pytest

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.history import MOST_TOLD, Change, rows_of, told
from shadbo.core.job.edits import apply, as_typed
from shadbo.core.words.lengths import Both
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop

SHOP = demo_shop()
JOB = demo_jobs()[1]
ROWS = rows_of(assess(JOB, SHOP))


def did(*edits: Edit) -> list[Change]:
    """What these edits of the second demo job changed."""
    done = change(JOB, as_typed(edits, "mm"), SHOP)
    return list(told(done.edits, done.inverse, ROWS).changes)


def both(text: str) -> Both:
    return Both(text, text)


def test_a_length_is_told_in_both_systems_under_its_rows_label():
    gap = Edit(at="options/floater/gap", to={"typed": "9.5"})
    assert did(gap) == [Change("Gap, each side", None, Both("9.5 mm", "3/8 in"))]


def test_what_stood_there_before_is_told_too():
    assert did(Edit(at="title", to="Low water")) == [
        Change("What it is", both("“Slipway at low water”"), both("“Low water”"))
    ]
    assert did(Edit(at="hanging/place", to=None))[0].after is None


def test_a_choice_is_told_by_its_label():
    assert did(Edit(at="display", to="canvas frame"))[0].after == both("Rabbeted frame")


def test_the_first_cut_tells_what_it_keeps_in_one_line():
    changes = did(Edit(at="pins/frame.inside_width.middle", to={"typed": "420"}))
    assert [c.label for c in changes] == ["Inside width as made, middle", "Kept from the racks as it is now"]
    assert changes[1].after == both("7 things")


def test_a_finer_mark_alone_is_told_as_such():
    _, inverse = apply(JOB, [Edit(at="mark", to="0.1 mm")])
    assert told([Edit(at="mark", to="0.1 mm")], inverse, ROWS).changes[0].after == both("“0.1 mm”")


def test_what_has_no_row_is_named_by_its_field():
    found = told([Edit(at="pieces/gone/pin_reach", to={"mm": 4})], [Edit(at="pieces/gone/pin_reach")], {})
    assert found.changes == (Change("pin reach", None, Both("4 mm", "5/32 in")),)


def test_many_changes_are_counted():
    edits = [Edit(at=f"x_{n}", to=n) for n in range(MOST_TOLD + 5)]
    found = told(edits, [Edit(at=e.at) for e in reversed(edits)], {})
    assert (len(found.changes), found.more) == (MOST_TOLD, 5)


@pytest.mark.parametrize("job", demo_jobs(), ids=lambda j: j.title)
def test_every_row_that_can_be_edited_has_words(job):
    """Whatever is set at a row of any demo job is told under a label, never by a path."""
    rows = rows_of(assess(job, SHOP))
    assert len(rows) > 20
    for at, row in rows.items():
        label = told([Edit(at=at, to={"mm": 12.5})], [Edit(at=at)], rows).changes[0].label
        assert label == row.label or not row.label
        assert "/" not in label or "/" in row.label
