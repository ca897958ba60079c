import datetime as dt
import inspect
import threading

import pytest
from sqlalchemy import Engine, text
from sqlalchemy import inspect as look
from sqlalchemy.orm import Session

from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.displays.floating.floater.options import HOME as FLOATER
from shadbo.core.findings import CannotPlan
from shadbo.store.database import migrate
from shadbo.store.jobs import Jobs
from shadbo.store.models import Base
from shadbo.store.records import NoSuchJob, NothingToUndo, Stale
from tests.making import DEEP, SHALLOW, job, length, pin

GAP = "options/floater/gap"


@pytest.fixture
def jobs(session: Session) -> Jobs:
    return Jobs(session, "here")


def gap(kept) -> float | None:
    decided = FLOATER.of(kept.job).gap
    return decided.mm if decided else None


def test_the_tables_are_what_the_models_say(database: Engine):
    from alembic.autogenerate import compare_metadata
    from alembic.migration import MigrationContext

    def ours(_: object, name: str | None, *__: object) -> bool:
        return not (name or "").startswith("procrastinate")  # the queue's library keeps its own

    with database.connect() as c:
        context = MigrationContext.configure(c, opts={"include_object": ours})
        assert compare_metadata(context, Base.metadata) == []


def test_migrating_twice_changes_nothing(database: Engine):
    migrate(database.url.render_as_string(hide_password=False))
    assert "jobs" in look(database).get_table_names()


def test_a_job_is_kept_with_its_search_columns(jobs: Jobs, session: Session):
    made = jobs.make(job().model_copy(update={"due": dt.date(2026, 12, 1)}), "make-1")
    assert (made.id, made.version) == (101, 1)
    session.flush()
    row = session.execute(text("select title, due, state, worst from jobs")).one()
    assert tuple(row) == ("a test", dt.date(2026, 12, 1), "to cut", "fine")
    assert jobs.get(101).job == made.job


def test_making_twice_with_one_id_makes_one(jobs: Jobs):
    assert jobs.make(job(), "make-1").id == jobs.make(job(), "make-1").id == 101
    assert jobs.make(job(), "make-2").id == 102


def test_saving_twice_with_one_id_saves_once(jobs: Jobs):
    jobs.make(job(), "make-1")
    first = jobs.save(101, 1, [length(GAP, 8)], "save-1")
    again = jobs.save(101, 1, [length(GAP, 8)], "save-1")
    assert first.version == again.version == 2


def test_a_stale_save_brings_the_edits_since(jobs: Jobs):
    jobs.make(job(), "make-1")
    jobs.save(101, 1, [length(GAP, 8)], "save-1")
    jobs.save(101, 2, [Edit(at="note", to="gold")], "save-2")
    with pytest.raises(Stale) as stale:
        jobs.save(101, 1, [Edit(at="title", to="x"), length(GAP, 9)], "save-3")
    assert stale.value.version == 3
    assert [e.at for e in stale.value.since] == [GAP, "note"]
    assert stale.value.clashing == [GAP]
    assert jobs.save(101, 3, [Edit(at="title", to="x")], "save-3").version == 4


def test_undo_and_redo_walk_the_changes(jobs: Jobs):
    jobs.make(job(), "make-1")
    for n, mm in enumerate((7, 8, 9), 1):
        jobs.save(101, n, [length(GAP, mm)], f"save-{n}")
    assert gap(jobs.undo(101, "u-1")) == 8
    assert gap(jobs.undo(101, "u-2")) == 7
    assert gap(jobs.undo(101, "u-2")) == 7, "a retry does nothing twice"
    assert gap(jobs.redo(101, "r-1")) == 8
    last = jobs.undo(101, "u-3")
    assert gap(last) == 7
    fresh = jobs.save(101, last.version, [length(GAP, 12)], "save-9")
    assert fresh.can_undo
    assert not fresh.can_redo, "a new change ends what could be done again"
    jobs.undo(101, "u-4")
    jobs.undo(101, "u-5")
    with pytest.raises(NothingToUndo):
        jobs.undo(101, "u-6")
    assert gap(jobs.get(101)) is None


def test_going_back_is_a_new_change(jobs: Jobs):
    jobs.make(job(), "make-1")
    jobs.save(101, 1, [length(GAP, 7), Edit(at="note", to="oak")], "save-1")
    jobs.save(101, 2, [length(GAP, 8), Edit(at="owner/name", to="Pia")], "save-2")
    back = jobs.go_back(101, 2, "back-1")
    assert (back.version, gap(back), back.job.owner.name, back.job.note) == (4, 7, "", "oak")
    assert jobs.undo(101, "u-1").job.owner.name == "Pia"
    assert [r.kind for r in jobs.revisions(101)] == ["undo", "back", "edit", "edit", "made"]
    with pytest.raises(NoSuchJob):
        jobs.go_back(101, 99, "back-2")


def test_what_was_handed_over_is_neither_undone_nor_taken_back_without_a_reason(jobs: Jobs):
    jobs.make(job(), "make-1")
    gone = [Edit(at="work/hand.over/ended", to="2026-11-26T12:00:00Z"), Edit(at="handed_over", to="2026-11-26")]
    version = jobs.save(101, jobs.laid_out(101)[0], gone, "hand-over").version
    for call in (lambda: jobs.undo(101, "undo-it"), lambda: jobs.go_back(101, 1, "back-to-it")):
        with pytest.raises(BadEdit, match="say why"):
            call()
    assert jobs.get(101).version == version


def test_a_bad_edit_leaves_nothing_behind(jobs: Jobs):
    jobs.make(job(), "make-1")
    with pytest.raises(BadEdit):
        jobs.save(101, 1, [length(GAP, 8), Edit(at="nowhere", to=1)], "save-1")
    assert jobs.get(101).version == 1


def test_the_first_pin_freezes_practice_and_material(jobs: Jobs, session: Session):
    jobs.make(job(), "make-1")
    cut = jobs.save(101, 1, [pin("rail.width", 442)], "save-1")
    assert cut.job.practice is not None
    assert cut.job.materials.floater_profiles["profile"].id == "worked"
    assert [p.id for p in cut.job.materials.pads["pads"]] == ["pad-5"]
    dear = jobs.shop().model_copy(update={"practice": jobs.shop().practice.model_copy(update={"recess_mm": 9.0})})
    session.execute(text("update workshops set shop = :s where id = 'here'"), {"s": dear.model_dump_json()})
    session.expire_all()
    from shadbo.core.assess import assess

    assert assess(jobs.get(101).job, jobs.shop()).desk.sheet["face.wanted"].value == 3
    undone = jobs.undo(101, "u-1")
    assert undone.job.practice is None
    assert undone.job.pins == {}


def shallower(jobs: Jobs, session: Session) -> None:
    """The rack loses its deep moulding."""
    shop = jobs.shop()
    worse = shop.model_copy(update={"stock": shop.stock.model_copy(update={"floater_profiles": (SHALLOW,)})})
    session.execute(text("update workshops set shop = :s where id = 'here'"), {"s": worse.model_dump_json()})
    session.expire_all()


def test_the_rack_of_a_job_that_is_not_cut_follows_the_stock(jobs: Jobs, session: Session):
    jobs.make(job(), "make-1")
    jobs.make(job(), "make-2")
    jobs.save(102, 1, [pin("rail.width", 442)], "save-1")
    assert [(r.state, r.worst) for r in jobs.find()] == [("to cut", "fine"), ("cutting", "fine")]
    shallower(jobs, session)
    assert [(r.state, r.worst) for r in jobs.find()] == [("to solve", "stop"), ("cutting", "fine")]
    assert [r.id for r in jobs.find(state="to solve")] == [101]


def test_a_job_whose_sums_fail_is_kept_and_told(jobs: Jobs, monkeypatch: pytest.MonkeyPatch):
    jobs.make(job(), "make-1")

    def fails(*_: object) -> None:
        raise CannotPlan("ZeroDivisionError: float division by zero")

    monkeypatch.setattr("shadbo.core.change.assess", fails)
    kept = jobs.save(101, 1, [length(GAP, 8)], "save-1")
    assert (kept.version, gap(kept)) == (2, 8)
    row = jobs.find()[0]
    assert (row.state, row.worst, row.says_mm) == ("to solve", "stop", "Cannot be planned as it stands")


@pytest.mark.parametrize(
    ("words", "found"), [("regatta", 1), ("REG pia", 1), ("102", 1), ("", 3), ("%", 0), ("_", 0), ("zzz", 0)]
)
def test_finding_by_words(jobs: Jobs, words: str, found: int):
    for n, title in enumerate(("Regatta", "Slipway", "Harbour"), 1):
        jobs.make(
            job().model_copy(update={"title": title, "owner": job().owner.model_copy(update={"name": "Pia"})}),
            f"m-{n}",
        )
    assert len(jobs.find(words)) == found


def test_what_is_due_first_stands_on_top_and_what_is_gone_last(jobs: Jobs):
    days = (dt.date(2026, 12, 9), None, dt.date(2026, 12, 1), dt.date(2026, 11, 1))
    for n, day in enumerate(days, 1):
        jobs.make(job().model_copy(update={"title": str(n), "due": day}), f"m-{n}")
    jobs.save(104, 1, [Edit(at="handed_over", to="2026-11-02")], "s-1")
    assert [r.title for r in jobs.find()] == ["3", "1", "2", "4"]
    assert [r.title for r in jobs.find(state="handed over")] == ["4"]


def test_no_method_reaches_into_another_workshop(session: Session):
    """Every method of the repository, against a job of the other workshop."""
    there = Jobs(session, "there")
    there.make(job(), "make-there")
    there.save(101, 1, [length(GAP, 8)], "save-there")
    here = Jobs(session, "here")
    tried = {
        "get": lambda: here.get(101),
        "laid_out": lambda: here.laid_out(101),
        "asked_of": lambda: here.asked_of(101),
        "save": lambda: here.save(101, 2, [length(GAP, 9)], "save-here"),
        "undo": lambda: here.undo(101, "undo-here"),
        "redo": lambda: here.redo(101, "redo-here"),
        "go_back": lambda: here.go_back(101, 1, "back-here"),
        "revisions": lambda: here.revisions(101),
        "as_of": lambda: here.as_of(101, 1),
        "copy": lambda: here.copy(101, "copy-here"),
        "shelve": lambda: here.shelve(101, "bin"),
    }
    for name, call in tried.items():
        with pytest.raises(NoSuchJob):
            call()
        assert gap(there.get(101)) == 8, name
    assert here.find() == []
    mine = here.make(job().model_copy(update={"title": "mine"}), "make-there")
    assert mine.job.title == "mine", "an edit id of another workshop is no retry here"
    assert here.shop() == there.shop()
    public = {n for n, f in inspect.getmembers(Jobs, inspect.isfunction) if not n.startswith("_")}
    assert public == set(tried) | {"find", "let_go", "make", "rack", "shop"}, (
        "a new method needs its line in this test"
    )
    with pytest.raises(LookupError):
        Jobs(session, "nowhere").make(job(), "make-x")
    with pytest.raises(LookupError):
        Jobs(session, "nowhere").shop()


def test_two_who_save_at_once_do_not_lose_each_others_change(database: Engine, session: Session):
    with Session(database) as s, s.begin():
        Jobs(s, "here").make(job(), "make-1")
    results: list[str] = []
    gate = threading.Barrier(2)

    def save(n: int) -> None:
        with Session(database) as s, s.begin():
            gate.wait()
            try:
                Jobs(s, "here").save(101, 1, [Edit(at="note", to=str(n))], f"save-{n}")
                results.append("saved")
            except Stale:
                results.append("stale")

    threads = [threading.Thread(target=save, args=(n,)) for n in (1, 2)]
    for t in threads:
        t.start()
    for t in threads:
        t.join()
    assert sorted(results) == ["saved", "stale"]


def test_two_who_make_at_once_get_two_numbers(database: Engine, session: Session):
    ids: list[int] = []

    def make(n: int) -> None:
        with Session(database) as s, s.begin():
            ids.append(Jobs(s, "here").make(job(), f"make-{n}").id)

    threads = [threading.Thread(target=make, args=(n,)) for n in range(6)]
    for t in threads:
        t.start()
    for t in threads:
        t.join()
    assert sorted(ids) == list(range(101, 107))


def test_a_remedy_that_swaps_the_moulding_is_kept_whole(jobs: Jobs):
    jobs.make(job(), "make-1")
    saved = jobs.save(101, 1, [Edit(at="options/floater/profile", to=DEEP.model_dump(mode="json"))], "save-1")
    assert FLOATER.of(saved.job).profile == DEEP
    assert FLOATER.of(jobs.undo(101, "u-1").job).profile is None
