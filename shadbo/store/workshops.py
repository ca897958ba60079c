"""The repository of workshops."""

import datetime as dt
from collections.abc import Callable
from dataclasses import dataclass

from sqlalchemy import Select, select, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock import Stock
from shadbo.store.models import ShopRevisionRow, WorkshopRow
from shadbo.store.records import NothingToUndo


class StockChanged(RuntimeError):
    """Someone else changed the stock meanwhile; it is at ``version`` by now."""

    def __init__(self, version: int) -> None:
        super().__init__(f"the stock was changed meanwhile: it is at version {version} by now")
        self.version = version


@dataclass(frozen=True, slots=True)
class ShopChange:
    """One change of the stock: what it did, who did it, when; and, on the newest, what taking back would undo."""

    version: int
    kind: str
    says: str
    who: str
    at: dt.datetime
    takes_back: str


class Workshops:
    """Workshops that share this database."""

    def __init__(self, session: Session) -> None:
        self._session = session

    def add(self, workshop_id: str, shop: Shop) -> bool:
        """Add a workshop once; False when it is there already, which is left as it is."""
        query = insert(WorkshopRow).values(id=workshop_id, shop=shop.model_dump(mode="json"))
        done = self._session.execute(query.on_conflict_do_nothing().returning(WorkshopRow.id))
        return done.first() is not None

    def begin_after(self, workshop_id: str, number: int) -> None:
        """Let the next job have the number after this one: a shop goes on with the numbers that it had on paper."""
        self._session.execute(update(WorkshopRow).where(WorkshopRow.id == workshop_id).values(last_job=number))

    def first(self) -> str | None:
        """The workshop that a single-workshop installation serves."""
        return self._session.scalars(select(WorkshopRow.id).order_by(WorkshopRow.id)).first()


class Stockroom:
    """One workshop's stock and habits: changed under a lock, told of, taken back; ``who`` stands in each change."""

    def __init__(self, session: Session, workshop_id: str, who: str = "") -> None:
        self._session = session
        self._workshop_id = workshop_id
        self._who = who

    def restock(self, change: Callable[[Stock], tuple[Stock, str]], edit_id: str) -> Shop:
        """Change the stock as it is by then; all else of the shop stays.

        ``change`` gives the stock after it, and what it did in words.
        """

        def of_shop(shop: Shop) -> tuple[Shop, str]:
            stock, says = change(shop.stock)
            return shop.model_copy(update={"stock": stock}), says

        return self.change(of_shop, edit_id)

    def change(self, change: Callable[[Shop], tuple[Shop, str]], edit_id: str) -> Shop:
        """Change the shop as it is by then, under a lock. A known edit id changes nothing.

        ``change`` gives the shop after it, and what it did in words. LookupError when there is no such workshop.
        """
        row = self._locked()
        before = Shop.model_validate(row.shop)
        if self._known(edit_id):
            return before
        after, says = change(before)
        last = self._last() or self._remember(
            row,
            ShopRevisionRow(
                version=1, state_of=1, before=None, kind="found", edit_id="found", says="as it was", who=""
            ),
        )
        row.shop = after.model_dump(mode="json")
        version = last.version + 1
        self._remember(
            row,
            ShopRevisionRow(
                version=version,
                state_of=version,
                before=last.state_of,
                kind="changed",
                edit_id=edit_id,
                says=says,
                who=self._who,
            ),
        )
        return after

    def undo(self, version: int, edit_id: str) -> None:
        """Bring back the shop before its last change. Stale where it was changed since ``version``."""
        row = self._locked()
        if self._known(edit_id):
            return
        last = self._last()
        if last is None or (now := self._revision(last.state_of)).before is None:
            raise NothingToUndo("the stock is as it was found: nothing to take back")
        if last.version != version:
            raise StockChanged(last.version)
        back = self._revision(now.before)
        row.shop = back.shop
        self._remember(
            row,
            ShopRevisionRow(
                version=last.version + 1,
                state_of=back.version,
                before=back.before,
                kind="undone",
                edit_id=edit_id,
                says=f"taken back: {now.says}",
                who=self._who,
            ),
        )

    def changes(self, limit: int = 30) -> list[ShopChange]:
        """What was done to the stock, the newest first; only the newest can be taken back."""
        rows = self._session.scalars(self._mine().limit(limit)).all()
        if not rows:
            return []
        now = self._revision(rows[0].state_of)
        last = now.says if now.before is not None else ""
        return [
            ShopChange(r.version, r.kind, r.says, r.who, r.at, last if r is rows[0] else "")
            for r in rows
            if r.kind != "found"
        ]

    def _locked(self) -> WorkshopRow:
        row = self._session.get(WorkshopRow, self._workshop_id, with_for_update=True, populate_existing=True)
        if row is None:
            raise LookupError(f"no workshop “{self._workshop_id}”")
        return row

    def _mine(self) -> Select[ShopRevisionRow]:
        mine = ShopRevisionRow.workshop_id == self._workshop_id
        return select(ShopRevisionRow).where(mine).order_by(ShopRevisionRow.version.desc())

    def _last(self) -> ShopRevisionRow | None:
        return self._session.scalars(self._mine().limit(1)).first()

    def _revision(self, version: int | None) -> ShopRevisionRow:
        return self._session.scalars(self._mine().where(ShopRevisionRow.version == version)).one()

    def _known(self, edit_id: str) -> bool:
        mine = self._mine().where(ShopRevisionRow.edit_id == edit_id)
        return self._session.scalars(mine).first() is not None

    def _remember(self, row: WorkshopRow, revision: ShopRevisionRow) -> ShopRevisionRow:
        revision.workshop_id, revision.shop = row.id, row.shop
        self._session.add(revision)
        self._session.flush()
        return revision
