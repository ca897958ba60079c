"""The shops that this process has read: one a workshop, read anew only when its row has changed."""

from sqlalchemy import ColumnElement, literal_column, select
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Shop
from shadbo.store.models import WorkshopRow

_KNOWN: dict[str, tuple[str, Shop]] = {}


def row_mark() -> ColumnElement[str]:
    """What changes with every write of a workshop's row: the transaction that wrote it."""
    return literal_column("workshops.xmin::text")


def shop_of(session: Session, workshop_id: str) -> Shop:
    """A workshop's own practice and stock. LookupError when there is no such workshop."""
    mark = session.execute(select(row_mark()).where(WorkshopRow.id == workshop_id)).scalar()
    if mark is None:
        raise LookupError(f"no workshop “{workshop_id}”")
    return shop_as_of(session, workshop_id, mark)


def shop_as_of(session: Session, workshop_id: str, mark: str) -> Shop:
    """The shop whose row carries this mark; where another process wrote since, the newer."""
    known = _KNOWN.get(workshop_id)
    if known is None or known[0] != mark:
        wanted = select(row_mark(), WorkshopRow.shop).where(WorkshopRow.id == workshop_id)
        found = session.execute(wanted).one()
        known = _KNOWN[workshop_id] = (found[0], Shop.model_validate(found[1]))
    return known[1]
