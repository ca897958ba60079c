"""Facets: the lines of a plan by what they belong to, as typed values.

A facet is there or not; where it is there, so are its lines, save those that say ``| None``. What reads a plan
(checks, rows, drawings) asks a facet for a field, so a wrong name is an error of types, and the key of each line
stands here once, with its field.
"""

from dataclasses import field, fields
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


_KNOWN: dict[str, tuple[tuple[str, str, bool, bool], ...]] = {}


def _lines(facet: "type[Facet]") -> tuple[tuple[str, str, bool, bool], ...]:
    """Of each field: its name, its key, whether it must be there, whether it is one an axis."""
    known = _KNOWN.get(facet.__name__)
    if known is not None:
        return known
    hints = get_type_hints(facet)
    out = []
    for f in fields(facet):
        kinds = get_args(hints[f.name]) or (hints[f.name],)
        out.append((f.name, f.metadata["key"], type(None) not in kinds, Axes in kinds))
    _KNOWN[facet.__name__] = tuple(out)
    return _KNOWN[facet.__name__]


@dataclass(frozen=True, slots=True)
class Facet:
    """Base of every facet."""

    @classmethod
    def of(cls, sheet: Sheet, **names: str) -> Self | None:
        """The facet as the sheet has it; None where a line that it needs is not there.

        ``names`` fill places in the keys, such as the id of a piece.
        """
        got: dict[str, object] = {}
        for name, key, needed, by_axis in _lines(cls):
            if by_axis:
                pair = [sheet.get(key.format(axis=axis, **names)) for axis in AXES]
                found = Axes(pair[0], pair[1]) if pair[0] is not None and pair[1] is not None else None
            else:
                found = sheet.get(key.format(**names) if names else key)  # type: ignore[assignment]
            if found is None and needed:
                return None
            got[name] = found
        return cls(**got)

    @classmethod
    def keys(cls, **names: str) -> tuple[str, ...]:
        """Every key that the facet reads."""
        return tuple(
            key.format(axis=axis, **names)
            for _, key, _, by_axis in _lines(cls)
            for axis in (AXES if by_axis else ("",))
        )
