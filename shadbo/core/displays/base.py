"""What every display is to the rest of the program."""

from typing import Any, Literal, Protocol

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.levers import Home, Levers
from shadbo.core.desk import Desk
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Piece


@dataclass(frozen=True, slots=True)
class Ask:
    """A reading that the display cannot be planned without."""

    at: str
    label: str
    station: StationName = "measure"


FrameForm = Literal["rabbet", "ledge", "none"]
"""The kind of frame that a display can take when one exists: by its rabbet, by its ledge, or none."""


class Display(Protocol):
    """One kind of build: what it needs, how it becomes an assembly, what it asks.

    ``takes`` says which pieces, in words.
    """

    home: Home[Any]
    levers: Levers
    name: str
    takes: str
    gathers: bool
    frames: FrameForm

    def suits(self, piece: Piece) -> bool:
        """Whether this kind of piece can be shown so."""
        ...

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings still missing."""
        ...

    def build(self, desk: Desk) -> Assembly:
        """The assembly; every number goes onto the desk's sheet."""
        ...

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """What this display asks at the stations, in order."""
        ...
