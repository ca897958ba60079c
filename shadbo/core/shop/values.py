"""What every stored value shares: strict fields, finite numbers, clean text, lengths as typed."""

import math
import re
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, ValidationInfo, model_validator

Tool = Literal["tape", "rule", "caliper", "eye"]
_CONTROL = re.compile(r"[\x00-\x08\x0b-\x1f\x7f]|[\ud800-\udfff]")


def _clean(text: str) -> str:
    if _CONTROL.search(text):
        raise ValueError("holds a character that cannot be kept (such as NUL)")
    return text


Text = Annotated[str, AfterValidator(_clean)]
Line = Annotated[Text, Field(max_length=200)]
Note = Annotated[Text, Field(max_length=4000)]
Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9_-]{0,40}$")]
Colour = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")]
"""As seen from the front, e.g. ``#22304f``."""
Millimetres = Annotated[float, Field(ge=0, le=20_000, allow_inf_nan=False)]
Positive = Annotated[float, Field(gt=0, le=20_000, allow_inf_nan=False)]


DEEPEST, MOST_PARTS = 12, 2000
"""How deep a field of another program's own may be nested, and how many values it may hold."""


def storable(name: object, value: object) -> None:
    """Raise ValueError where a field of another program's own cannot be kept as it is."""
    left, todo = MOST_PARTS, [(name, 0), (value, 0)]
    while todo:
        part, deep = todo.pop()
        left -= 1
        if left < 0 or deep > DEEPEST:
            raise ValueError(f"“{str(name)[:40]}” holds too much: {MOST_PARTS} values, {DEEPEST} deep, at most")
        if isinstance(part, str):
            _clean(part)
        elif isinstance(part, dict):
            todo += [(x, deep + 1) for pair in part.items() for x in pair]
        elif isinstance(part, list | tuple):
            todo += [(x, deep + 1) for x in part]
        elif isinstance(part, float) and not math.isfinite(part):
            raise ValueError(f"“{str(name)[:40]}” holds a number without an end")


class Value(BaseModel):
    """Base of every stored value. Unknown fields are refused, except those that start with ``x_``.

    ``left_out`` are fields that earlier programs kept and that nothing reads any more.
    """

    model_config = ConfigDict(extra="allow", frozen=True, allow_inf_nan=False)
    left_out: ClassVar[frozenset[str]] = frozenset()

    @model_validator(mode="before")
    @classmethod
    def _known_fields_only(cls, data: Any) -> Any:  # noqa: ANN401
        if isinstance(data, dict) and not data.keys() <= cls.model_fields.keys():
            data = {name: value for name, value in data.items() if name not in cls.left_out} if cls.left_out else data
            for name in data:
                if name not in cls.model_fields and not str(name).startswith("x_"):
                    known = ", ".join(cls.model_fields)
                    raise ValueError(f"“{name}” is not a field here; expected {known}, or a name starting with x_")
                if name not in cls.model_fields:
                    storable(name, data[name])
        return data

    def __deepcopy__(self, memo: dict[int, Any] | None = None) -> Self:
        """Itself: it is frozen, and a default that holds a table would be copied at every reading."""
        return self


class Length(Value):
    """A decided length: millimetres, and the words it was typed in."""

    mm: Millimetres
    typed: Line = ""


class Reading(Value):
    """A measured length: millimetres above nothing, as typed, and the tool it was read with."""

    mm: Positive
    typed: Line = ""
    tool: Tool = "tape"


STORED = "stored"
"""Context of reading what was kept before a bound was set: it is shown as it is, and refused when it is changed."""


def within(least_mm: float, most_mm: float) -> AfterValidator:
    """The least and the most that a length or reading of this field can be, in mm; ValueError says both."""

    def check(length: Length | Reading, info: ValidationInfo) -> Length | Reading:
        if info.context != STORED and not least_mm - 1e-6 <= length.mm <= most_mm + 1e-6:
            inch = f"{least_mm / 25.4:.3g} to {most_mm / 25.4:.4g} in"
            raise ValueError(f"possible here: {least_mm:g} to {most_mm:g} mm ({inch})")
        return length

    return AfterValidator(check)
