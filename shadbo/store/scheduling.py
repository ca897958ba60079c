"""The repository of the schedule: what is left of every job on the rack, who works when, the calendar's address."""

import datetime as dt
from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import TypeAdapter
from sqlalchemy import case, delete, func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from shadbo.core.change import planned
from shadbo.core.schedule.hours import Hand
from shadbo.core.schedule.outline import Outline, outline
from shadbo.core.schedule.schedule import Case
from shadbo.core.schedule.table import House
from shadbo.core.shop.crew import Worker
from shadbo.core.shop.shop import Shop
from shadbo.store.models import JobRow
from shadbo.store.models_people import PersonRow
from shadbo.store.models_schedule import FeedRow, OutlineRow
from shadbo.store.past import job_of
from shadbo.store.rack import shop_mark
from shadbo.store.secrets import digest, new_token
from shadbo.store.shops import shop_of

OUTLINED_AT_ONCE = 80
"""Jobs that one look plans anew at most: it takes some milliseconds each."""
MOST_JOBS = 120
"""So many jobs a schedule holds, what is due first: more would take more than a page's time."""
UNPLANNED = Outline((), "cannot be planned as it stands")
_OUTLINE = TypeAdapter(Outline)


@dataclass(frozen=True, slots=True)
class Laid:
    """All that a schedule is made of. ``behind`` counts jobs whose outline is not known yet: look again.

    ``later`` counts those that are due later than the last of so many, and are not in it.
    """

    shop: Shop
    house: House
    cases: tuple[Case, ...]
    behind: int
    later: int


class Scheduling:
    """The schedule's side of one workshop, within one transaction of the caller's session."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def laid(self, now: dt.datetime) -> Laid:
        """Every job that is on the rack and not handed over, what is due first; the first hundreds of them."""
        shop = self.shop()
        mark = shop_mark(shop)
        rows = self._rows()
        known = self._known(mark)
        cases, left, behind = [], OUTLINED_AT_ONCE, 0
        for number, version, title, due in rows:
            found = known.get(number)
            if found is None or found[0] != version:
                if not left:
                    behind += 1
                    continue
                left -= 1
                found = (version, self._outlined(number, shop, mark, now))
            cases.append(Case(number, title, due, found[1]))
        p = shop.practice
        house = House(shop.calendar, self.hands(shop), p.benches, p.clamp_sets)
        return Laid(shop, house, tuple(cases), behind, self._later(len(rows)))

    def shop(self) -> Shop:
        """The workshop."""
        return shop_of(self._session, self._workshop_id)

    def hands(self, shop: Shop) -> tuple[Hand, ...]:
        """Who works here: owners first, then by name; who is learning comes last."""
        mine = select(PersonRow.id, PersonRow.name, PersonRow.role).where(
            PersonRow.workshop_id == self._workshop_id, PersonRow.left_at.is_(None), PersonRow.role != "tablet"
        )
        ranks = case({"owner": 0, "framer": 1}, value=PersonRow.role, else_=2)
        found = self._session.execute(mine.order_by(ranks, PersonRow.name, PersonRow.id))
        return tuple(Hand(id_, name, role == "apprentice", shop.crew.get(id_, Worker())) for id_, name, role in found)

    def let_go(self) -> None:
        """Give the connection back: what follows is computed, and reads nothing more."""
        self._session.commit()

    def new_feed(self, who: str) -> str:
        """The secret of a new address for the calendar; the one before it is void."""
        self._session.execute(delete(FeedRow).where(FeedRow.workshop_id == self._workshop_id))
        token = new_token()
        self._session.add(FeedRow(token_hash=digest(token), workshop_id=self._workshop_id, who=who))
        self._session.flush()
        return token

    def feed(self) -> tuple[str, dt.datetime] | None:
        """Who made the address that the calendar has, and when; None where it has none."""
        row = self._session.scalars(select(FeedRow).where(FeedRow.workshop_id == self._workshop_id)).first()
        return (row.who, row.made_at) if row is not None else None

    def no_feed(self) -> None:
        """The calendar has no address any more."""
        self._session.execute(delete(FeedRow).where(FeedRow.workshop_id == self._workshop_id))

    def _rows(self) -> Sequence[tuple[int, int, str, dt.date | None]]:
        query = (
            select(JobRow.id, JobRow.version, JobRow.title, JobRow.due)
            .where(JobRow.workshop_id == self._workshop_id, JobRow.shelf == "rack", JobRow.state != "handed over")
            .order_by(JobRow.due.asc().nulls_last(), JobRow.id)
            .limit(MOST_JOBS)
        )
        return [(r[0], r[1], r[2], r[3]) for r in self._session.execute(query)]

    def _later(self, planned: int) -> int:
        if planned < MOST_JOBS:
            return 0
        on = JobRow.workshop_id == self._workshop_id, JobRow.shelf == "rack", JobRow.state != "handed over"
        return (self._session.scalar(select(func.count()).where(*on)) or 0) - planned

    def _known(self, mark: str) -> dict[int, tuple[int, Outline]]:
        mine = select(OutlineRow.job_id, OutlineRow.version, OutlineRow.document).where(
            OutlineRow.workshop_id == self._workshop_id, OutlineRow.planned_with == mark
        )
        return {n: (v, _OUTLINE.validate_python(d)) for n, v, d in self._session.execute(mine)}

    def _outlined(self, number: int, shop: Shop, mark: str, now: dt.datetime) -> Outline:
        row = self._session.get_one(JobRow, (self._workshop_id, number))
        plan = planned(job_of(row.document), shop)
        found = outline(plan, now) if plan is not None else UNPLANNED
        kept = {"version": row.version, "planned_with": mark, "document": _OUTLINE.dump_python(found, mode="json")}
        new = insert(OutlineRow).values(workshop_id=self._workshop_id, job_id=number, **kept)
        self._session.execute(new.on_conflict_do_update(index_elements=["workshop_id", "job_id"], set_=kept))
        return found


def whose_feed(session: Session, secret: str) -> str | None:
    """The workshop whose calendar is read with a secret; None where nobody's is."""
    found = select(FeedRow.workshop_id).where(FeedRow.token_hash == digest(secret))
    return session.execute(found).scalar()
