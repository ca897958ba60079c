"""A scene: what a drawing shows, y-up in millimetres, before any paper is chosen.

Every element carries its role, and the key of the line of the sheet that it stands for.
"""

from dataclasses import field
from typing import Literal

from shadbo.core.build.assembly import Dot, Hatch, Ring
from shadbo.core.build.marked import Pictured
from shadbo.core.dataclass import dataclass

LineRole = Literal[
    "outline", "thin", "hidden", "centre", "cloth", "wall", "front", "wire", "screw", "mark", "zone", "cut"
]


@dataclass(frozen=True, slots=True)
class Shape:
    """A filled outline, hatched by its material. ``moves`` is the id of a piece that can be put elsewhere by hand.

    ``tone`` is a colour of its own in place of the hatch's, ``picture`` the photograph that is seen in it.
    """

    ring: Ring
    hatch: Hatch
    key: str = ""
    part: str = ""
    moves: str = ""
    tone: str = ""
    holes: tuple[Ring, ...] = ()
    picture: Pictured | None = None


@dataclass(frozen=True, slots=True)
class Line:
    """An open line."""

    dots: tuple[Dot, ...]
    role: LineRole
    key: str = ""


@dataclass(frozen=True, slots=True)
class Round:
    """A circle: a screw's head, a hook, a bumper."""

    centre: Dot
    radius: float
    role: LineRole
    key: str = ""


@dataclass(frozen=True, slots=True)
class Words:
    """Text at a place; never mirrored or turned. It is left out where it is wider than its room, if that is told."""

    at: Dot
    text: str
    role: Literal["part", "note", "side", "gap", "tiny"] = "part"
    key: str = ""
    anchor: Literal["start", "middle", "end"] = "middle"
    nudge: Dot = (0, 0)
    room_mm: float = 0.0
    halo: bool = False


@dataclass(frozen=True, slots=True)
class Dim:
    """A dimension between two points, on a lane beside the drawing (0: on the spot)."""

    start: Dot
    end: Dot
    text: str
    runs: Literal["across", "upright", "slant"]
    lane: float
    edge: Literal["low", "high"]
    key: str
    role: Literal["dimension", "running", "tape"] = "dimension"


@dataclass(frozen=True, slots=True)
class Leader:
    """Words beside the drawing, led to a point of it; by ``order`` from the top, else by height."""

    at: Dot
    lines: tuple[str, ...]
    key: str
    towards: Literal["left", "right"] = "right"
    order: float = 0.0


Element = Shape | Line | Round | Words | Dim | Leader


@dataclass(slots=True)
class Scene:
    """All elements of one view, and the corner notes that say what it is."""

    title: str
    elements: list[Element] = field(default_factory=list)
    drawn_to_scale: bool = True

    def add(self, *elements: Element) -> None:
        """Put elements on top of what is there."""
        self.elements += elements

    def bounds(self) -> tuple[float, float, float, float]:
        """Left, low, right, high of everything solid."""
        dots: list[Dot] = []
        for e in self.elements:
            match e:
                case Shape():
                    dots += e.ring
                case Line():
                    dots += e.dots
                case Round():
                    (x, y), r = e.centre, e.radius
                    dots += [(x - r, y - r), (x + r, y + r)]
                case _:
                    pass
        xs, ys = [d[0] for d in dots] or [0.0, 1.0], [d[1] for d in dots] or [0.0, 1.0]
        return min(xs), min(ys), max(xs), max(ys)
