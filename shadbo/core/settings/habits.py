"""The settings as they stand in a shop: each with its value, what is usual, and which values make sense."""

from shadbo.core.dataclass import dataclass
from shadbo.core.findings import StationName
from shadbo.core.settings.table import TITLES, Setting
from shadbo.core.settings.values import NUMBER, Worth, differ, says, sense, settings_of, usual, value_of
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both


@dataclass(frozen=True, slots=True)
class Habit:
    """One setting as it stands: ``own`` where it is not what every shop begins with; ``was`` for saving a change."""

    name: str
    label: str
    value: Both
    usual: Both
    own: bool
    was: Worth
    source: str
    sense: Both


@dataclass(frozen=True, slots=True)
class Habits:
    """Settings that belong to one station."""

    station: StationName
    title: str
    rows: tuple[Habit, ...]


def habits(shop: Shop) -> tuple[Habits, ...]:
    """All settings of a shop, by the station where they count."""
    known = settings_of(shop.practice)
    return tuple(
        Habits(station, title, tuple(_habit(s, shop) for s in known if s.station == station))
        for station, title in TITLES.items()
    )


def _habit(setting: Setting, shop: Shop) -> Habit:
    mark, value, begins = shop.the_mark(), value_of(shop.practice, setting.name), usual(setting.name)
    within = sense(setting)
    unit = NUMBER if isinstance(value, tuple) else setting
    least, most = says(unit, within.least, mark), says(unit, within.most, mark)
    each = "each " if isinstance(value, tuple) else ""
    ends = Both(f"{each}{least.mm} to {most.mm}", f"{each}{least.inch} to {most.inch}")
    own = differ(value, begins)
    said, first = says(setting, value, mark), says(setting, begins, mark)
    return Habit(setting.name, setting.label, said, first, own, value, setting.source, ends)


def changed(setting: Setting, before: Shop, after: Shop) -> str:
    """A change in words, in the shop's own system."""
    mark = after.the_mark()
    was, now = (says(setting, value_of(s.practice, setting.name), mark).pick(mark.system) for s in (before, after))
    return f"{setting.label}: {was} to {now}"
