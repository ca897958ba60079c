"""Facets: the lines of a plan by what they belong to, as typed values.

A facet is there or not; where it is there, so are its lines, save those that say ``| None``. What reads a plan
(checks, rows, drawings) asks a facet for a field, so a wrong name is an error of types, and the key of each line
stands here once, with its field.
"""

from dataclasses import field, fields
from functools import lru_cache
from typing import Any, Self, get_args, get_type_hints

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet

AXES = ("width", "height")
SIDES = ("top", "right", "bottom", "left")


def keyed(key: str) -> Any:  # noqa: ANN401
    """A field that is one line of the sheet, or one line an axis where the key has ``{axis}`` in it."""
    return field(metadata={"key": key})


@dataclass(frozen=True, slots=True)
class Axes:
    """The same line for both axes."""

    width: Quantity
    height: Quantity

    def __getitem__(self, axis: str) -> Quantity:
        return self.width if axis == "width" else self.height

    def both(self) -> tuple[Quantity, Quantity]:
        """Width and height."""
        return self.width, self.height

    def largest(self) -> float:
        """The larger value."""
        return max(self.width.value, self.height.value)


_Line = tuple[str, str, str, bool]


@dataclass(frozen=True, slots=True)
class Facet:
    """Base of every facet."""

    @classmethod
    @lru_cache(maxsize=4096)
    def _lines(cls, **names: str) -> tuple[_Line, ...]:
        """Of each field its name, its key, that of the other axis or nothing, and whether it must be there."""
        if names:
            plain = cls._lines()
            return tuple((n, one.format(**names), other.format(**names), must) for n, one, other, must in plain)
        hints = get_type_hints(cls)
        out = []
        for f in fields(cls):
            kinds = get_args(hints[f.name]) or (hints[f.name],)
            one, other = (f.metadata["key"].replace("{axis}", axis) for axis in AXES)
            out.append((f.name, one, other if Axes in kinds else "", type(None) not in kinds))
        return tuple(out)

    @classmethod
    def of(cls, sheet: Sheet, **names: str) -> Self | None:
        """The facet as the sheet has it; None where a line that it needs is not there.

        ``names`` fill places in the keys, such as the id of a piece.
        """
        got: dict[str, object] = {}
        named = sheet.named
        for name, key, second, needed in cls._lines(**names):
            one = named.get(key)
            found: object = one
            if second and one is not None:
                other = named.get(second)
                found = Axes(one, other) if other is not None else None
            if found is None and needed:
                return None
            got[name] = found
        return cls(**got)

    @classmethod
    def keys(cls, **names: str) -> tuple[str, ...]:
        """Every key that the facet reads."""
        return tuple(key for _, *keys, _ in cls._lines(**names) for key in keys if key)
