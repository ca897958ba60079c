"""The workshop and its stock: replaced as a whole, in one workshop only; jobs keep what they chose."""

import pytest
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Stock
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops
from tests.making import DEEP, WORKED, job, pin, plan


def test_stock_is_replaced_in_one_workshop_only(session: Session):
    before = Jobs(session, "there").shop()
    after = Workshops(session).restock("here", Stock(floater_profiles=(DEEP,)))
    assert after.stock.floater_profiles == (DEEP,)
    assert Jobs(session, "here").shop().stock == after.stock
    assert Jobs(session, "there").shop() == before
    assert after.practice == before.practice, "the practice stays"


def test_no_such_workshop(session: Session):
    with pytest.raises(LookupError, match="nowhere"):
        Workshops(session).restock("nowhere", Stock())


def test_a_job_that_was_begun_keeps_its_material(session: Session):
    jobs = Jobs(session, "here")
    made = jobs.make(job(), "make-1")
    jobs.save(made.id, made.version, [pin("rail.width", 442)], "edit-1")
    open_one = jobs.make(job(), "make-2")
    Workshops(session).restock("here", Stock(floater_profiles=(DEEP,)))
    _, begun, shop = jobs.laid_out(made.id)
    assert plan(begun, shop).assembly.moulding == WORKED
    _, fresh, shop = jobs.laid_out(open_one.id)
    assert plan(fresh, shop).assembly.moulding == DEEP


def test_adding_a_workshop_twice_changes_nothing(session: Session):
    shop = Jobs(session, "here").shop()
    assert not Workshops(session).add("here", shop.model_copy(update={"name": "another"}))
    assert Jobs(session, "here").shop().name == shop.name
    assert Workshops(session).first() == "here"
