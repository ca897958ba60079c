"""The repository of workshops."""

from sqlalchemy import select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from shadbo.core.shop import Shop
from shadbo.store.models import WorkshopRow


class Workshops:
    """Workshops that share this database."""

    def __init__(self, session: Session) -> None:
        self._session = session

    def add(self, workshop_id: str, shop: Shop) -> bool:
        """Add a workshop once; False when it is there already, which is left as it is."""
        query = insert(WorkshopRow).values(id=workshop_id, shop=shop.model_dump(mode="json"))
        done = self._session.execute(query.on_conflict_do_nothing().returning(WorkshopRow.id))
        return done.first() is not None

    def first(self) -> str | None:
        """The workshop that a single-workshop installation serves."""
        return self._session.scalars(select(WorkshopRow.id).order_by(WorkshopRow.id)).first()
