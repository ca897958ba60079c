"""The workshop and its stock: replaced as a whole, in one workshop only; jobs keep what they chose."""

import threading

import pytest
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from shadbo.core.shop.stock import Stock
from shadbo.store.jobs import Jobs
from shadbo.store.records import NothingToUndo
from shadbo.store.workshops import StockChanged, Stockroom, Workshops
from tests.making import DEEP, WORKED, job, pin, plan

ONLY_DEEP = Stock(floater_profiles=(DEEP,))


def adding(name: str):
    """A change that lays one more moulding beside those that are there by then."""
    more = DEEP.model_copy(update={"id": name, "name": name})
    return lambda stock: (stock.model_copy(update={"floater_profiles": (*stock.floater_profiles, more)}), name)


def names(session: Session) -> set[str]:
    return {x.id for x in Jobs(session, "here").shop().stock.floater_profiles}


def test_stock_saved_side_by_side_is_all_kept(database: Engine, session: Session):
    def save(n: int) -> None:
        for k in range(5):
            with Session(database) as s, s.begin():
                Stockroom(s, "here").restock(adding(f"row-{n}-{k}"), f"edit-{n}-{k}")

    people = [threading.Thread(target=save, args=(n,)) for n in range(12)]
    for p in people:
        p.start()
    for p in people:
        p.join()
    assert len({x for x in names(session) if x.startswith("row-")}) == 60
    assert [c.version for c in Stockroom(session, "here").changes(100)] == list(range(61, 1, -1))


def test_the_same_edit_again_changes_nothing(session: Session):
    w = Stockroom(session, "here")
    w.restock(adding("once"), "edit-1")
    w.restock(adding("twice"), "edit-1")
    assert "once" in names(session)
    assert "twice" not in names(session)
    assert len(w.changes()) == 1


def test_changes_are_taken_back_one_after_the_other(session: Session):
    w, first = Stockroom(session, "here", "Hilde"), names(session)
    w.restock(adding("a"), "edit-1")
    w.restock(adding("b"), "edit-2")
    w.undo(3, "undo-1")
    w.undo(3, "undo-1")
    assert names(session) == first | {"a"}
    w.undo(4, "undo-2")
    assert names(session) == first
    with pytest.raises(NothingToUndo):
        w.undo(5, "undo-3")
    w.restock(adding("c"), "edit-3")
    assert names(session) == first | {"c"}
    assert [(c.says, c.kind, c.takes_back) for c in w.changes()] == [
        ("c", "changed", "c"), ("taken back: a", "undone", ""), ("taken back: b", "undone", ""),
        ("b", "changed", ""), ("a", "changed", ""),
    ]  # fmt: skip
    w.undo(6, "undo-4")
    assert names(session) == first


def test_what_somebody_else_changed_meanwhile_is_not_taken_back(session: Session):
    w = Stockroom(session, "here")
    w.restock(adding("a"), "edit-1")
    w.restock(adding("b"), "edit-2")
    with pytest.raises(StockChanged) as bad:
        w.undo(2, "undo-1")
    assert bad.value.version == 3
    assert {"a", "b"} <= names(session)


def test_changes_of_one_workshop_are_its_own(session: Session):
    w = Stockroom(session, "here")
    w.restock(adding("a"), "edit-1")
    there = Stockroom(session, "there")
    assert there.changes() == []
    with pytest.raises(NothingToUndo):
        there.undo(2, "undo-1")


def test_stock_is_replaced_in_one_workshop_only(session: Session):
    before = Jobs(session, "there").shop()
    after = Stockroom(session, "here").restock(lambda _: (ONLY_DEEP, "only deep"), "edit-1")
    assert after.stock.floater_profiles == (DEEP,)
    assert Jobs(session, "here").shop().stock == after.stock
    assert Jobs(session, "there").shop() == before
    assert after.practice == before.practice, "the practice stays"


def test_no_such_workshop(session: Session):
    with pytest.raises(LookupError, match="nowhere"):
        Stockroom(session, "nowhere").restock(lambda stock: (stock, ""), "edit-1")


def test_a_job_that_was_begun_keeps_its_material(session: Session):
    jobs = Jobs(session, "here")
    made = jobs.make(job(), "make-1")
    jobs.save(made.id, made.version, [pin("rail.width", 442)], "edit-1")
    open_one = jobs.make(job(), "make-2")
    Stockroom(session, "here").restock(lambda _: (ONLY_DEEP, "only deep"), "edit-1")
    _, begun, shop = jobs.laid_out(made.id)
    assert plan(begun, shop).assembly.moulding == WORKED
    _, fresh, shop = jobs.laid_out(open_one.id)
    assert plan(fresh, shop).assembly.moulding == DEEP


def test_adding_a_workshop_twice_changes_nothing(session: Session):
    shop = Jobs(session, "here").shop()
    assert not Workshops(session).add("here", shop.model_copy(update={"name": "another"}))
    assert Jobs(session, "here").shop().name == shop.name
    assert Workshops(session).first() == "here"
