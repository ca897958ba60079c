"""What routers depend on: a session for the request, the workshop, its jobs."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Annotated

from fastapi import Depends, HTTPException, Request
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Shop, Stock
from shadbo.store.jobs import Jobs
from shadbo.store.photos import Photos
from shadbo.store.workshops import ShopChange, Workshops


def session(request: Request) -> Iterator[Session]:
    """One transaction a request; kept when the handler returns, taken back when it raises."""
    with Session(request.app.state.engine, expire_on_commit=False) as s, s.begin():
        yield s


SessionDep = Annotated[Session, Depends(session, scope="function")]


def _workshop(request: Request, s: Session) -> str:
    """The workshop that this installation serves. A plain call: a dependency of its own costs a change of thread."""
    state = request.app.state
    if state.workshop is None:
        state.workshop = Workshops(s).first()
    if state.workshop is None:
        raise HTTPException(503, "No workshop is set up yet")
    return str(state.workshop)


def jobs(request: Request, s: SessionDep) -> Jobs:
    """The jobs of that workshop."""
    return Jobs(s, _workshop(request, s))


def photos(request: Request, s: SessionDep) -> Photos:
    """The photographs of that workshop."""
    return Photos(s, _workshop(request, s))


@dataclass(frozen=True, slots=True)
class Store:
    """The stock of one workshop: changed under a lock, told of, taken back."""

    workshops: Workshops
    here: str

    def restock(self, change: Callable[[Stock], tuple[Stock, str]], edit_id: str) -> Shop:
        """Change it as it is by then."""
        return self.workshops.restock(self.here, change, edit_id)

    def undo(self, version: int, edit_id: str) -> None:
        """Take back its last change."""
        self.workshops.undo(self.here, version, edit_id)

    def changes(self) -> list[ShopChange]:
        """What was done to it."""
        return self.workshops.changes(self.here)


def store(request: Request, s: SessionDep) -> Store:
    """The stock of that workshop."""
    return Store(Workshops(s), _workshop(request, s))


StockDep = Annotated[Store, Depends(store, scope="function")]
PhotosDep = Annotated[Photos, Depends(photos, scope="function")]
JobsDep = Annotated[Jobs, Depends(jobs, scope="function")]
