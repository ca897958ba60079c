"""Jobs are found by whatever is written of them, a page at a time; copied, put away, brought back."""

import datetime as dt
import random
import unicodedata
from uuid import uuid4

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy.orm import Session

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.displays.registry import others_of_set
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Hanging, Job, Owner
from shadbo.core.job.sought import sought
from shadbo.core.pieces.pieces import Piece
from shadbo.core.words.folding import folded
from shadbo.store.finding import PAGE, SHELVES, Wanted
from shadbo.store.jobs import Jobs
from tests import flat
from tests.making import job

WORDS = (
    "Élodie",
    "O’Hara",
    "Møller",
    "quay",
    "Straße",
    "lead-line",
    "Świt",
    "naïve",
    "slip 4",
    "regatta",
    "100%",
    "a_b",
)


def written(dice: random.Random) -> Job:
    """A job with words in every place that is sought in."""
    some = [" ".join(dice.sample(WORDS, 2)) for _ in range(7)]
    piece = Piece(id="piece", name=some[3], maker=some[4], condition=some[5])
    return Job(title=some[0], owner=Owner(name=some[1], contact=some[2]), note=some[6], pieces=(piece,),
               hanging=Hanging(place=dice.choice(WORDS)), due=dt.date(2026, 12, dice.randint(1, 28)))  # fmt: skip


def plainly(jobs: dict[int, Job], words: str) -> set[int]:
    """The same search, written out: every word, folded, stands somewhere in what is written."""
    said = folded(words).split()
    return (
        {n for n, j in jobs.items() if all(w in sought(j, n) for w in said)} if said or not words.strip() else set()
    )


@pytest.fixture
def shelved(session: Session) -> tuple[Jobs, dict[int, Job]]:
    dice, jobs = random.Random(4), Jobs(session, "here")
    made = {}
    for n in range(24):
        kept = jobs.make(written(dice), f"find-{n}")
        made[kept.id] = kept.job
    return jobs, made


ASKED = ["elodie", "ÉLODIE quay", "ohara", "o'hara", "MOLLER", "strasse", "lead line", "swit naive", "101"]
ASKED += ["slip 4 100%", "%", "a_b", "ab", "'", "nothing like it", ""]


@pytest.mark.parametrize("words", ASKED)
def test_the_search_agrees_with_one_that_is_written_out(shelved, words):
    jobs, made = shelved
    assert {r.id for r in jobs.rack(Wanted(words)).jobs} == plainly(made, words)


@given(st.text(max_size=40))
def test_folding_is_plain_and_stays_as_it_is(text):
    once = folded(text)
    assert folded(once) == once
    assert not any(unicodedata.combining(c) for c in once)
    assert once == once.strip()


def test_pages_and_counts_add_up_in_every_order(session: Session):
    jobs = Jobs(session, "here")
    for n in range(PAGE + 7):
        due = dt.date(2027, 1, 1 + n % 28) if n % 5 else None
        jobs.make(
            job().model_copy(update={"title": f"t{n:03}", "owner": Owner(name=f"o{n % 9}"), "due": due}), f"p-{n}"
        )
    for sort in ("due", "number", "changed", "owner", "title"):
        pages = [jobs.rack(Wanted(sort=sort, page=p)) for p in (1, 2)]
        ids = [r.id for page in pages for r in page.jobs]
        assert len(ids) == len(set(ids)) == pages[0].total == PAGE + 7
        assert pages[0].pages == 2
        assert sum(pages[0].states.values()) == PAGE + 7
    assert jobs.rack(Wanted(page=99)).jobs == jobs.rack(Wanted(page=2)).jobs
    undated = jobs.rack(Wanted(undated=True))
    assert undated.total == undated.undated == sum(n % 5 == 0 for n in range(PAGE + 7))
    titles = [r.title for r in jobs.rack(Wanted(sort="title")).jobs]
    assert titles == sorted(titles)


def test_a_job_goes_from_shelf_to_shelf_and_comes_back_whole(session: Session):
    jobs = Jobs(session, "here")
    made = jobs.make(job(), "s-1")
    for shelf in SHELVES:
        jobs.shelve(made.id, shelf)
        found = jobs.rack(Wanted(shelf=shelf))
        assert [r.id for r in found.jobs] == [made.id]
        assert found.shelves == dict.fromkeys(SHELVES, 0) | {shelf: 1}
        assert jobs.get(made.id).job == made.job
    jobs.shelve(made.id, "rack")
    assert jobs.find()[0].id == made.id


def test_a_copy_is_the_same_job_with_nothing_cut_yet(session: Session):
    jobs = Jobs(session, "here")
    made = jobs.make(job(), "c-1")
    cut = {"at": "pins/rail.width", "to": {"mm": 442, "typed": "442", "tool": "rule"}}
    days = [Edit(at="due", to="2026-12-18"), Edit(at="handed_over", to="2026-12-17"), Edit(at="title", to="once")]
    jobs.save(made.id, 1, [Edit(**cut), *days], "c-2")
    first, again = jobs.copy(made.id, "c-3"), jobs.copy(made.id, "c-3")
    assert first.id == again.id != made.id
    copy = first.job
    assert (copy.title, copy.due, copy.handed_over, copy.pins) == ("once", None, None, {})
    assert copy.practice is None
    assert copy.pieces == made.job.pieces
    assert jobs.get(made.id).job.pins, "the one that was copied keeps its cuts"


@given(st.tuples(*[st.integers(150, 500)] * 4))
@settings(max_examples=15, suppress_health_check=[HealthCheck.function_scoped_fixture])
def test_each_frame_of_a_set_has_a_job_of_its_own_and_one_outside_size(session: Session, mm: tuple[int, ...]):
    jobs, (w1, h1, w2, h2) = Jobs(session, "here"), mm
    one = flat.job("window mat", flat.detail("paper", w1, h1, 0.3), {"window_mat": {"shows": "whole sheet"}})
    two = Edit(at="pieces/piece-2", to={"name": "two", "detail": flat.detail("paper", w2, h2, 0.3)})
    pair = jobs.make(apply(one, [two])[0], f"p-{uuid4()}")
    assert [p.id for p in others_of_set(pair.job)] == ["piece-2"]
    other = jobs.copy(pair.id, f"o-{uuid4()}", first="piece-2")
    assert [p.id for p in other.job.pieces] == ["piece-2", "piece"]
    its, others = assess(pair.job, flat.SHOP).desk.sheet, assess(other.job, flat.SHOP).desk.sheet
    for axis, mine in (("width", w2), ("height", h2)):
        assert others[f"rail.{axis}"].value == pytest.approx(its[f"rail.{axis}"].value, abs=1.0)
        assert others[f"piece.{axis}"].value == mine
    with pytest.raises(BadEdit):
        jobs.copy(pair.id, f"n-{uuid4()}", first="piece-9")
