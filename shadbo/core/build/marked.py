"""What is marked or cut where: pieces as they stand, spots of fixings, openings, zones; in the front plane."""

from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.pieces.pieces import Piece
from shadbo.core.shapes.polygon import Dot, Ring, box_of
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class Pictured:
    """A photograph in its place: which, where the piece's corners lie on it, and the box that they fill, in mm."""

    photo: int
    corners: tuple[Dot, ...]
    box: tuple[float, float, float, float]

    @classmethod
    def of(cls, piece: Piece, ring: Ring) -> "Pictured | None":
        """The piece's own photograph over its outline in the front plane, where there is one."""
        return None if piece.picture is None else cls(piece.picture.photo, piece.picture.corners, box_of(ring))


@dataclass(frozen=True, slots=True)
class Shown:
    """A piece among several, as it stands: its outline in the front plane.

    ``at`` is where its place is kept in the job, ``seat_at`` where its seat is, empty where it has none to choose.
    """

    id: str
    name: str
    ring: Ring
    key: str
    seat: str = "field"
    at: str = ""
    seat_at: str = ""


Plane = Literal["board", "mat", "rail", "object"]
"""What a spot is marked on."""


@dataclass(frozen=True, slots=True)
class Spot:
    """One thing to mark on a board: a hole, slit, pin, support, peg, corner; in the front plane.

    ``ring`` is a hole that is bored into an edge, as one would see it from the front.
    """

    id: str
    kind: Literal["hole", "slit", "pin", "support", "peg", "corner", "target", "cable"]
    at: Dot
    size_mm: float
    of: str
    key: str = ""
    plane: Plane = "board"
    ring: Ring = ()


@dataclass(frozen=True, slots=True)
class Window:
    """An opening to cut out of a board: its innermost edge in the front plane, about the board's own middle.

    ``sizes`` are its lines, where it is cut to any.
    ``stays``: what is left standing inside another opening; nothing is cut out of the board by it.
    """

    id: str
    name: str
    ring: Ring
    sheet: str
    bevelled: bool = True
    stays: bool = False
    key: str = ""
    sizes: tuple[Quantity, ...] = ()


@dataclass(frozen=True, slots=True)
class Forbidden:
    """A zone of a piece as it stands, and how far round it no steam may go."""

    name: str
    of: str
    ring: Ring
    steam: Ring = ()
