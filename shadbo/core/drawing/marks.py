"""Paper, fit and marks: what a composed drawing is made of, in px, y down."""

from dataclasses import field
from fractions import Fraction
from typing import Literal

from shadbo.core.build.assembly import Dot
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.ink import INK, Stroke

PX_PER_MM = 96 / 25.4


@dataclass(frozen=True, slots=True)
class Paper:
    """Size in px at 96 to the inch, and what is kept free round the drawing: left, top, right, bottom."""

    name: str
    width: float
    height: float
    keep: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Fit:
    """Where millimetres land: ``x = x0 + scale · mm``, ``y = y0 − scale · mm``; scale in px per mm."""

    scale: float
    x0: float
    y0: float

    def put(self, dot: Dot) -> Dot:
        """A point of the scene on the paper."""
        return self.x0 + self.scale * dot[0], self.y0 - self.scale * dot[1]

    @property
    def ratio(self) -> str:
        """The scale as people write it, e.g. ``3 : 2`` or ``1 : 10``."""
        f = Fraction(self.scale / PX_PER_MM).limit_denominator(60)
        return f"{f.numerator} : {f.denominator}"


@dataclass(frozen=True, slots=True)
class Image:
    """A photograph's part between four corners, to be squared and laid over a box of the paper, in px."""

    photo: int
    corners: tuple[Dot, ...]
    at: Dot
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class Path:
    """Straight lines through points; closed ones are filled with a hatch or a tone, and an image over it."""

    dots: tuple[Dot, ...]
    stroke: Stroke | None
    closed: bool = False
    hatch: str = ""
    tone: str = ""
    holes: tuple[tuple[Dot, ...], ...] = ()
    image: Image | None = None


@dataclass(frozen=True, slots=True)
class Circle:
    """A circle."""

    centre: Dot
    radius: float
    stroke: Stroke | None
    tone: str = ""


@dataclass(frozen=True, slots=True)
class Text:
    """A line of text; ``halo`` keeps it readable over hatching."""

    at: Dot
    text: str
    size: float = 15
    colour: str = INK
    anchor: Literal["start", "middle", "end"] = "start"
    halo: bool = False
    turn: float = 0.0
    bold: bool = False


@dataclass(frozen=True, slots=True)
class Group:
    """Marks that belong to one line of the sheet. ``hidden`` ones show when their key is lit."""

    key: str
    role: str
    marks: tuple[Path | Circle | Text, ...]
    hidden: bool = False
    moves: str = ""


@dataclass(slots=True)
class Sheet2D:
    """A composed drawing; ``says`` tells in sentences what it shows."""

    paper: Paper
    fit: Fit
    groups: list[Group] = field(default_factory=list)
    says: str = ""
