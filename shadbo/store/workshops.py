"""The repository of workshops."""

from sqlalchemy import select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Shop, Stock
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

    def restock(self, workshop_id: str, stock: Stock) -> Shop:
        """Replace the stock of one workshop; its practice stays. LookupError when there is no such workshop."""
        row = self._session.get(WorkshopRow, workshop_id, with_for_update=True)
        if row is None:
            raise LookupError(f"no workshop “{workshop_id}”")
        shop = Shop.model_validate(row.shop).model_copy(update={"stock": stock})
        row.shop = shop.model_dump(mode="json")
        return shop
