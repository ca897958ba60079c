"""A thing of the stock as it is written down: its fields as they are said, and read from what is typed."""

import re
from collections.abc import Mapping
from typing import Any

from pydantic import ValidationError

from shadbo.core.dataclass import dataclass
from shadbo.core.shop.stock_kinds import BY_RUN, LABELS, FieldKind, StockKind, kind_of
from shadbo.core.shop.values import Value
from shadbo.core.words.amounts import NotAnAmount, parse_kg, parse_number
from shadbo.core.words.lengths import Both, Mark, NotALength, System, parse
from shadbo.core.words.refusals import refusal
from shadbo.core.words.words import both, mass_text, stocked


@dataclass(frozen=True, slots=True)
class Blank:
    """One field of a thing: its name, label, kind, what can be picked, whether it is needed, what it says."""

    name: str
    label: Both
    kind: FieldKind
    choices: tuple[str, ...]
    needed: bool
    value: Both


class BadItem(ValueError):
    """What was written of a thing cannot be; each wrong field with what is wrong."""

    def __init__(self, wrong: Mapping[str, str]) -> None:
        super().__init__("; ".join(f"{k}: {v}" for k, v in wrong.items()))
        self.wrong = dict(wrong)


def blanks(of: StockKind, item: Value | None, mark: Mark) -> tuple[Blank, ...]:
    """The fields of a thing as they stand; of a new one what is usual."""
    out = []
    for name, info in of.model.model_fields.items():
        if name == "id":
            continue
        kind, choices = kind_of(name, info)
        value = getattr(item, name) if item is not None else None if info.is_required() else info.default
        label, times = BY_RUN.get(name, (both(LABELS.get(name, name)), 1.0))
        said = _said(kind, value, mark) if times == 1 else _by_run(value, times)
        out.append(Blank(name, label, kind, choices, info.is_required(), said))
    return tuple(out)


def _by_run(value: object, times: float) -> Both:
    each = float(value) if isinstance(value, int | float) else 0.0
    return Both(f"{each:g}", f"{each * times:.4g}")


def _said(kind: FieldKind, value: object, mark: Mark) -> Both:
    if kind == "yes or no":
        return both("yes" if value is True else "no" if value is False else "nobody knows")
    if value is None:
        return both("")
    if kind == "length" and isinstance(value, int | float):
        return stocked(float(value), mark)
    if kind == "kg" and isinstance(value, int | float):
        return mass_text(value)
    return both(f"{value:g}" if isinstance(value, float) else str(value))


def item_of(of: StockKind, id_: str, typed: Mapping[str, str], system: System, before: Value | None = None) -> Value:
    """The thing that was written down, over what it was before: what was not typed stays as it is, to the digit.

    Raises BadItem with what is wrong at each field.
    """
    data: dict[str, Any] = {"id": id_} if before is None else before.model_dump()
    wrong: dict[str, str] = {}
    for name, info in of.model.model_fields.items():
        if name == "id" or (name not in typed and name in data):
            continue
        text = typed.get(name, "").strip()
        data.pop(name, None)
        if not text:
            if info.is_required():
                wrong[name] = "is needed"
            continue
        kind, choices = kind_of(name, info)
        try:
            times = BY_RUN[name][1] if name in BY_RUN and system == "in" else 1.0
            data[name] = _read(kind, choices, text, system) if times == 1 else parse_number(text) / times
        except (NotALength, NotAnAmount, ValueError) as bad:
            wrong[name] = str(bad)
    if wrong:
        raise BadItem(wrong)
    try:
        return of.model.model_validate({k: v for k, v in data.items() if v is not None})
    except ValidationError as bad:
        raise BadItem(_in_words(bad)) from None


def _in_words(bad: ValidationError) -> dict[str, str]:
    """What the model refuses, at the field and in words of our own."""
    out: dict[str, str] = {}
    for error in bad.errors(include_url=False):
        at = str(error["loc"][0]) if error["loc"] else "name"
        out[at] = "is written like #22304f" if at == "colour" else refusal(error)
    return out


def _read(kind: FieldKind, choices: tuple[str, ...], text: str, system: System) -> object:
    match kind:
        case "length":
            return parse(text, system)
        case "kg":
            return parse_kg(text, system == "in")
        case "money":
            return parse_number(re.sub(r"^[^\d.,−-]+|[^\d.,]+$", "", text) or text)
        case "number":
            value = parse_number(text)
            return int(value) if value == int(value) else value
        case "yes or no":
            return {"yes": True, "no": False}.get(text)
        case "choice":
            if text not in choices:
                raise ValueError(f"is one of {', '.join(choices)}")
            return text
        case "colour":
            return text.lower()
        case _:
            return text
