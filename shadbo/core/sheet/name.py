"""What a line of the sheet is called."""

from shadbo.core.dataclass import dataclass


@dataclass(frozen=True, slots=True)
class Name:
    """What a line of the sheet is called, and where its number comes from."""

    key: str
    label: str
    source: str | None = None
