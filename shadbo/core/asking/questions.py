"""Questions that a station asks, as data: the screen shows them, whatever the display."""

from typing import Any, Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import StationName
from shadbo.core.shop.values import Tool
from shadbo.core.words.glossary import Meaning
from shadbo.core.words.lengths import Both

QuestionKind = Literal[
    "text",
    "note",
    "date",
    "reading",
    "length",
    "weight",
    "number",
    "choice",
    "menu",
    "pin",
    "told",
    "care",
    "act",
    "compare",
    "photos",
    "layouts",
    "move",
    "colours",
    "outline",
    "picture",
    "table",
    "artwork",
    "cutter",
    "fold",
    "way",
]
StationMark = Literal["open", "asks", "fine", "measure", "caution", "stop", "note"]


@dataclass(frozen=True, slots=True)
class Choice:
    """One answer that can be picked; ``to`` is what the edit writes, None lets the plan decide.

    ``swatch`` is its colour, where it has one."""

    to: Any
    label: str
    detail: Both | None = None
    picked: bool = False
    works: bool = True
    swatch: str = ""


@dataclass(frozen=True, slots=True)
class Spot:
    """Where a field stands on the measuring board: its middle, in percent of the board's width and height.

    Of several pieces: what it is called there in short, and whose it is.
    """

    x: float
    y: float
    label: str = ""
    of: str = ""


@dataclass(frozen=True, slots=True)
class Question:
    """One row of a station.

    ``at`` is where its answer goes. ``value`` is what counts now, decided or planned; ``decided`` tells
    which. ``key`` is the line of the sheet it belongs to, ``tape`` what lights up on the board.
    ``spot`` is where its field stands on the measuring board. ``fold`` names the row that it is folded
    under; ``aside``: out of the way of Enter. ``also`` are further places that its answer goes to, ``goes`` the
    station that a way leads to. ``adds``: it makes one more thing of a kind.
    """

    id: str
    kind: QuestionKind
    label: str
    at: str = ""
    value: Both | None = None
    typed: str = ""
    decided: bool = False
    tool: Tool | None = None
    note: Both | None = None
    choices: tuple[Choice, ...] = ()
    edits: tuple[Edit, ...] = ()
    key: str = ""
    tape: str = ""
    needed: bool = False
    step_mm: float = 0.0
    spot: Spot | None = None
    fold: str = ""
    aside: bool = False
    also: tuple[str, ...] = ()
    goes: StationName | Literal[""] = ""
    adds: bool = False


@dataclass(frozen=True, slots=True)
class Station:
    """A stop on the order of work: its answer in short, its questions, and the trade's words that stand in them."""

    name: StationName
    label: str
    title: str
    lead: str
    answer: Both
    second: Both
    view: str
    questions: tuple[Question, ...]
    mark: StationMark = "open"
    words: tuple[Meaning, ...] = ()
