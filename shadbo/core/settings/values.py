"""A habit's value: as it is said, read from what is typed, and what of it makes sense."""

from itertools import pairwise

from pydantic import ValidationError

from shadbo.core.dataclass import dataclass
from shadbo.core.settings.lengths import (
    LEAST_MM,
    LISTS,
    MOST_LENGTHS,
    MOST_MM,
    Lengths,
    lengths_of,
    lengths_read,
    lengths_said,
    lengths_sense,
)
from shadbo.core.settings.table import SETTINGS, Setting
from shadbo.core.shop.shop import Practice, Step
from shadbo.core.words.amounts import NotAnAmount, parse_kg, parse_number
from shadbo.core.words.lengths import Both, Mark, NotALength, System, parse
from shadbo.core.words.refusals import refusal
from shadbo.core.words.words import both, mass_text, say, size_text

FARTHEST = 10.0
"""A value ten times larger or smaller than what is usual is taken for a slip."""
INCH_UNITS = {"K": ("°F", 1.8), "MPa": ("psi", 145.038), "N/mm": ("lbf/in", 5.71015)}
"""Units of an inch shop where those differ, and how many of them one is."""
WHOLE = ("layers", "coats", "benches", "sets")
"""Units that are counted."""
NONE_IS_FINE = ("kerf_mm", "recess_mm", "proud_mm", "key_reach_mm", "fold_reach_mm", "clear_of_mm")
IN_ORDER = (
    ("hold_stop_mm", "hold_caution_mm"),
    ("screw_in_bar_least_mm", "screw_in_bar_most_mm"),
    ("brace_over_mm", "two_braces_over_mm"),
    ("strip_least_mm", "strip_mm"),
    ("mat_border_least_mm", "mat_border_mm"),
    ("box_margin_least_mm", "box_margin_mm"),
    ("layout_gap_least_mm", "layout_gap_mm"),
    ("tape_factor", "tape_factor_dear"),
)
"""Pairs of which the first is never more than the second."""


class BadSetting(ValueError):
    """A value that cannot be; the message says what can, in both systems."""

    def __init__(self, name: str, message: Both | str, found: str) -> None:
        self.message = both(message) if isinstance(message, str) else message
        super().__init__(self.message.mm)
        self.name, self.found = name, found


Worth = float | Lengths
"""What a habit is: a number, or a list of lengths in mm."""
BY_LIST = {s.name for s in LISTS}
USUAL = Practice()
"""What every shop begins with."""


def usual(name: str) -> Worth:
    """The value that every shop begins with."""
    return value_of(USUAL, name)


def value_of(practice: Practice, name: str) -> Worth:
    """A habit's value: a number, or a list of lengths."""
    return lengths_of(practice, name) if name in BY_LIST else number_of(practice, name)


def number_of(practice: Practice, name: str) -> float:
    """The value of a habit that is a number, in mm, kg or as it is."""
    if name in GAPS:
        field, n = GAPS[name]
        return float(getattr(practice.floater_gaps[n], field))
    return float(getattr(practice, name))


GAPS: dict[str, tuple[str, int]] = {
    f"floater_gaps.{n}.{field}": (field, n)
    for n in range(4)
    for field in ("up_to_mm", "mm")
    if (field, n) != ("up_to_mm", 3)
}
"""The steps of a floater's gap by the longer side; the last goes on for ever."""
GAP_SETTINGS: tuple[Setting, ...] = tuple(
    Setting(
        name,
        "sizes",
        f"Floater's gap, step {n + 1}" if field == "mm" else f"Floater's gap, step {n + 1} up to a side of",
        "length",
        {1: "canvas", 2: "large canvas"}.get(n, "") if field == "mm" else "",
        "frame.outside_width" if field == "mm" and n in (1, 2) else "",
    )
    for name, (field, n) in GAPS.items()
)
ALL: tuple[Setting, ...] = (*SETTINGS, *GAP_SETTINGS, *LISTS)
KNOWN = {s.name: s for s in ALL}


def settings_of(practice: Practice) -> tuple[Setting, ...]:
    """The settings that a practice has: of a floater's gap as many steps as it knows."""
    steps = len(practice.floater_gaps)
    return tuple(s for s in ALL if s.name not in GAPS or GAPS[s.name][1] < steps)


def differ(one: Worth, other: Worth) -> bool:
    """Whether two values are two to a framer."""
    if isinstance(one, tuple) or isinstance(other, tuple):
        return one != other
    return abs(one - other) > 1e-9


def says(setting: Setting, value: Worth, mark: Mark) -> Both:
    """A value with its unit, in both systems."""
    if isinstance(value, tuple):
        return lengths_said(value, mark)
    match setting.unit:
        case "length":
            return Both(f"{size_text(value, mark, 'mm')} mm", f"{size_text(value, mark, 'in')} in")
        case "kg":
            return mass_text(value)
        case "times":
            return both(f"× {round(value, 3):g}")
        case "share":
            return both(f"{100 * value:.4g} %")
        case "°":
            return both(f"{_plain(value)}°")
        case unit:
            other, times = INCH_UNITS.get(unit, (unit, 1.0))
            return Both(f"{_plain(value)} {unit}", f"{_plain(value * times)} {other}")


def _plain(value: float) -> str:
    """Four digits that count, without an exponent."""
    return f"{float(f'{value:.4g}'):.12g}"


def read(setting: Setting, typed: str, system: System) -> Worth:
    """The number that was typed for it, inside what makes sense. Raises BadSetting."""
    try:
        match setting.unit:
            case "lengths":
                return lengths_read(typed, system)
            case "length":
                value = parse(typed, system)
            case "kg":
                value = parse_kg(typed, system == "in")
            case "share":
                value = parse_number(typed)
            case unit:
                other, times = INCH_UNITS.get(unit, (unit, 1.0)) if system == "in" else (unit, 1.0)
                value = parse_number(typed.strip().removeprefix("×").removesuffix(other)) / times
    except (NotALength, NotAnAmount) as bad:
        raise BadSetting(setting.name, str(bad), typed) from None
    if setting.unit == "share" and value > 1:
        value /= 100
    return value


@dataclass(frozen=True, slots=True)
class Sense:
    """From where to where a value makes sense."""

    least: float
    most: float


def sense(setting: Setting) -> Sense:
    """Within ten times of what is usual, either way; nothing at all where that is a choice too; a list, for each."""
    here = usual(setting.name)
    if isinstance(here, tuple):
        return Sense(LEAST_MM, MOST_MM)
    least = 0.0 if setting.name in NONE_IS_FINE else here / FARTHEST
    most = here * FARTHEST
    low, high = _bounds(setting.name)
    return Sense(max(least, low), min(most, high))


def _bounds(name: str) -> tuple[float, float]:
    """What the field itself takes; an end that is not taken itself is a hair farther in."""
    low, high = 0.0, float("inf")
    for limit in Practice.model_fields[name].metadata if name not in GAPS else ():
        low = max(low, getattr(limit, "ge", low), getattr(limit, "gt", low - HAIR) + HAIR)
        high = min(high, getattr(limit, "le", high), getattr(limit, "lt", high + HAIR) - HAIR)
    return low, high


HAIR = 1e-3


def set_to(practice: Practice, setting: Setting, value: Worth | None, mark: Mark, found: str = "") -> Practice:
    """The practice with one habit changed; None is what is usual. BadSetting where it makes no sense."""
    value = usual(setting.name) if value is None else value
    within = sense(setting)
    if isinstance(value, tuple):
        return _list_to(practice, setting, value, mark, found)
    if not within.least - 1e-9 <= value <= within.most + 1e-9:
        ends = says(setting, within.least, mark), says(setting, within.most, mark)
        raise BadSetting(setting.name, say(mark, "between {} and {} makes sense here", *ends), found)
    value = min(max(value, within.least), within.most)
    if setting.unit in WHOLE and value != int(value):
        raise BadSetting(setting.name, f"a whole number of {setting.unit}", found)
    data = practice.model_dump()
    if setting.name in GAPS:
        field, n = GAPS[setting.name]
        steps = [dict(step) for step in data["floater_gaps"]]
        steps[n][field] = value
        data["floater_gaps"] = steps
    else:
        data[setting.name] = int(value) if setting.unit in WHOLE else value
    try:
        after = Practice.model_validate(data)
    except ValidationError as bad:
        raise BadSetting(setting.name, refusal(bad.errors()[0]), found) from None
    _in_order(after, setting, mark, found)
    return after


def _list_to(practice: Practice, setting: Setting, lengths_mm: Lengths, mark: Mark, found: str) -> Practice:
    if not lengths_sense(lengths_mm):
        ends = (says(NUMBER, mm, mark) for mm in (LEAST_MM, MOST_MM))
        told = f"one to {MOST_LENGTHS} lengths, each between {{}} and {{}}, make sense here"
        raise BadSetting(setting.name, say(mark, told, *ends), found)
    return practice.model_copy(update={setting.name: lengths_mm})


NUMBER = KNOWN["screw_to_cloth_mm"]
"""A setting whose values are said as lengths."""


def _in_order(practice: Practice, setting: Setting, mark: Mark, found: str) -> None:
    for low, high in IN_ORDER:
        if setting.name in (low, high) and number_of(practice, low) > number_of(practice, high) + 1e-9:
            other = KNOWN[high if setting.name == low else low]
            word = "at most" if setting.name == low else "at least"
            limit = says(other, value_of(practice, other.name), mark)
            raise BadSetting(setting.name, say(mark, f"{word} {{}}: “{other.label}”", limit), found)
    steps: tuple[Step, ...] = practice.floater_gaps
    if setting.name in GAPS and any(a.up_to_mm >= b.up_to_mm for a, b in pairwise(steps)):
        raise BadSetting(setting.name, "each step ends farther on than the one before", found)
