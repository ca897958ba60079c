"""The shop's own habits: told with what each changes, tried, set, and brought back to what is usual."""

import datetime as dt
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.settings import typed
from shadbo.core.settings.habits import Habits, changed, habits
from shadbo.core.settings.shown import Worked, worked
from shadbo.core.settings.table import Setting
from shadbo.core.settings.values import BadSetting, Worth, differ, read, says, set_to, settings_of, value_of
from shadbo.core.shop.calendar import hours_text, shut_text, zones
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.shop.values import Line
from shadbo.core.words.lengths import MarkName, System
from shadbo.web.bodies import Body, EditId
from shadbo.web.deps import JobsDep, StockDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/practice", tags=["practice"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class About:
    """The workshop itself: its name, money and mark, all marks there are; when it is open, and by whose clock."""

    name: str
    currency: str
    mark: str
    marks: tuple[str, ...]
    hours: str
    closed: str
    zone: str
    zones: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class PracticeView:
    """All of it."""

    about: About
    groups: tuple[Habits, ...]


class Try(Body):
    """A value as it is typed, not set yet; none is the one that stands."""

    name: Annotated[str, Field(max_length=60)]
    typed: Annotated[str, Field(max_length=80)] | None = None
    system: System = "mm"


class SetTo(Try):
    """A value to be set, and which number stood there when it was looked at; no ``typed`` is what is usual."""

    was: Worth
    edit_id: EditId


class AboutTo(Body):
    """What the workshop is to be called, counts in and cuts to."""

    edit_id: EditId
    name: Annotated[Line, Field(min_length=1, max_length=80)]
    currency: Annotated[Line, Field(min_length=1, max_length=6)]
    mark: MarkName
    hours: Annotated[Line, Field(max_length=200)] | None = None
    closed: Annotated[str, Field(max_length=1000)] | None = None
    zone: Annotated[Line, Field(max_length=60)] | None = None


def _view(shop: Shop) -> PracticeView:
    marks = MarkName.__args__  # type: ignore[attr-defined]
    hours, closed = hours_text(shop.calendar.hours), shut_text(shop.calendar.shut)
    clock = shop.calendar.zone
    return PracticeView(
        About(shop.name, shop.currency, shop.mark, marks, hours, closed, clock, zones()), habits(shop)
    )


def _setting(shop: Shop, name: str) -> Setting:
    found = next((s for s in settings_of(shop.practice) if s.name == name), None)
    if found is None:
        raise BadEdit(name, "there is no such setting", name)
    return found


def _after(shop: Shop, body: Try) -> Practice:
    """The practice with the value that was typed; refused at the setting."""
    setting = _setting(shop, body.name)
    try:
        value = None if body.typed is None else read(setting, body.typed, body.system)
        return set_to(shop.practice, setting, value, shop.the_mark(), body.typed or "")
    except BadSetting as bad:
        raise BadEdit(bad.name, bad.message.pick(body.system), bad.found) from None


@router.get("")
@opens_to("look")
def practice(jobs: JobsDep) -> PracticeView:
    """Every setting as it stands, by the station where it counts."""
    return _view(jobs.shop())


@router.post("/try")
@opens_to("look")
def try_out(jobs: JobsDep, body: Try) -> Worked | None:
    """What a setting comes to in its example, now and with the value that is typed; nothing is kept."""
    shop = jobs.shop()
    jobs.let_go()
    tried = None if body.typed is None else _after(shop, body)
    return worked(_setting(shop, body.name), shop, body.system, tried)


@router.post("")
@opens_to("practice")
def set_habit(store: StockDep, body: SetTo) -> PracticeView:
    """Set one habit. Refused where someone else set it meanwhile; jobs with parts cut keep what they were cut by."""

    def change(shop: Shop) -> tuple[Shop, str]:
        setting = _setting(shop, body.name)
        now = value_of(shop.practice, setting.name)
        if differ(now, body.was):
            theirs = says(setting, now, shop.the_mark()).pick(body.system)
            raise BadEdit(setting.name, f"someone else set it to {theirs} meanwhile", body.typed)
        after = shop.model_copy(update={"practice": _after(shop, body)})
        return after, changed(setting, shop, after)

    return _view(store.change(change, body.edit_id))


@router.post("/about")
@opens_to("practice")
def set_about(store: StockDep, body: AboutTo) -> PracticeView:
    """Name, currency, mark, hours and closed days."""

    def change(shop: Shop) -> tuple[Shop, str]:
        after = {"name": body.name.strip(), "currency": body.currency.strip(), "mark": body.mark}
        if not after["name"] or not after["currency"]:
            raise BadEdit("name" if not after["name"] else "currency", "cannot be left empty", "")
        words = {"name": "Name", "currency": "Currency", "mark": "Mark"}
        said = [f"{words[k]}: {getattr(shop, k)} to {v}" for k, v in after.items() if getattr(shop, k) != v]
        calendar = typed.calendar(shop, body.hours, body.closed, body.zone, dt.date.today())
        said += typed.calendar_said(shop.calendar, calendar)
        changed_shop = Shop.model_validate(shop.model_dump() | after | {"calendar": calendar})
        return changed_shop, ", ".join(said) or "nothing"

    return _view(store.change(change, body.edit_id))
