"""The schedule's repository: outlines that follow their jobs, people, and the calendar's address."""

import datetime as dt

from sqlalchemy import select

from shadbo.core.decisions.edit import Edit
from shadbo.core.shop.crew import Worker
from shadbo.core.shop.shop import Practice
from shadbo.store.jobs import Jobs
from shadbo.store.models_schedule import OutlineRow
from shadbo.store.people import People
from shadbo.store.scheduling import OUTLINED_AT_ONCE, Scheduling, whose_feed
from shadbo.store.workshops import Stockroom
from tests.making import job

NOW = dt.datetime(2026, 11, 26, 9, tzinfo=dt.UTC)


def test_an_outline_is_kept_and_follows_its_job_and_the_shop(session):
    jobs, store = Jobs(session, "here"), Scheduling(session, "here")
    made = jobs.make(job(), "make-1")
    session.commit()
    (case,) = store.laid(NOW).cases
    kept = session.scalars(select(OutlineRow)).one()
    assert (case.number, kept.version) == (made.id, 1)
    assert store.laid(NOW).cases == (case,)
    slowly = {"practice": Practice(pace_times=3.0)}
    Stockroom(session, "here").change(lambda shop: (shop.model_copy(update=slowly), "slow"), "slower")
    session.commit()
    (slow,) = store.laid(NOW).cases
    assert sum(t.minutes for t in slow.outline.tasks) > 2 * sum(t.minutes for t in case.outline.tasks)
    done = Edit(at="work/receive", to={"ended": NOW.isoformat(), "who": "Ida"})
    jobs.save(made.id, 1, [done], "done-1")
    (after,) = store.laid(NOW).cases
    assert len(after.outline.tasks) == len(case.outline.tasks) - 1


def test_who_works_is_no_reason_to_plan_jobs_anew(session):
    jobs, store = Jobs(session, "here"), Scheduling(session, "here")
    jobs.make(job(), "make-1")
    ida = People(session, "here").add("Ida", "framer")
    People(session, "here").add("Aki", "apprentice")
    People(session, "here").code_to_pair("bench by the window")
    session.commit()
    before = store.laid(NOW)
    mark = session.scalars(select(OutlineRow.planned_with)).one()
    rated = {ida.id: Worker(rate=38, leaves=("mount",))}
    Stockroom(session, "here").change(lambda shop: (shop.model_copy(update={"crew": rated}), "Ida"), "ida")
    session.commit()
    after = store.laid(NOW)
    assert session.scalars(select(OutlineRow.planned_with)).one() == mark
    seen = [(h.name, h.learning, h.worker.rate) for h in after.house.hands]
    assert seen == [("Ida", False, 38), ("Aki", True, None)]
    assert after.cases == before.cases


def test_only_what_is_on_the_rack_and_not_handed_over_is_scheduled(session):
    jobs, store = Jobs(session, "here"), Scheduling(session, "here")
    kept, shelved, gone = (jobs.make(job(), f"make-{n}").id for n in range(3))
    jobs.shelve(shelved, "archive")
    jobs.save(gone, 1, [Edit(at="handed_over", to="2026-11-26")], "gone-1")
    assert [c.number for c in store.laid(NOW).cases] == [kept]
    assert Scheduling(session, "there").laid(NOW).cases == ()


def test_many_jobs_are_outlined_some_at_a_time(session):
    jobs, store = Jobs(session, "here"), Scheduling(session, "here")
    for n in range(OUTLINED_AT_ONCE + 3):
        jobs.make(job(), f"make-{n:03}")
    assert store.laid(NOW).behind == 3
    assert (store.laid(NOW).behind, len(store.laid(NOW).cases)) == (0, OUTLINED_AT_ONCE + 3)


def test_the_calendar_has_one_secret_address_or_none(session):
    store = Scheduling(session, "here")
    assert (store.feed(), whose_feed(session, "nobody's")) == (None, None)
    first, second = store.new_feed("Ida"), store.new_feed("Aki")
    assert (whose_feed(session, first), whose_feed(session, second)) == (None, "here")
    told = store.feed()
    assert told is not None
    assert told[0] == "Aki"
    store.no_feed()
    assert (store.feed(), whose_feed(session, second)) == (None, None)
