"""What a line of the sheet is called."""

from typing import Literal

from shadbo.core.dataclass import dataclass

Way = Literal["up", "down", "nearest"]
Kind = Literal["read", "choose", "let", "cut", "made"]


@dataclass(frozen=True, slots=True)
class Name:
    """What a line of the sheet is called, and where its number comes from."""

    key: str
    label: str
    source: str | None = None
    kind: Kind = "let"
