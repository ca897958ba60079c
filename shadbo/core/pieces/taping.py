"""Where the tape lies on a piece that is being measured: its outline on the measuring board, and a place a reading.

All in px of that board, y down. The piece stands true to its readings' proportions; before there are any, to none.
"""

from collections.abc import Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Sized
from shadbo.core.pieces.outlines import outline
from shadbo.core.pieces.pieces import Detail, Needlework, Piece
from shadbo.core.shapes.plane import Dot, Ring

WIDE, HIGH = 752.0, 652.0
"""The measuring board."""
CENTRE: Dot = (330.0, 300.0)
MOST = (360.0, 390.0)
"""The largest that a piece is drawn."""
UNREAD = (700.0, 500.0)
EDGE_X, EDGE_WIDE = 678.0, 24.0
"""Where its edge stands beside it, seen from the side."""
OFF_X, OFF_Y = 84.0, 48.0
"""How far beside the piece a field stands."""
MARGIN = 34.0
"""How wide free cloth or paper is drawn."""
CELLS = 4
"""So many different pieces stand on one board; what is more is measured by its rows."""
CELL_OFF: Dot = (66.0, 46.0)
CELL_TOP, CELL_ROOM, CELL_WIDE, FOOT = 106.0, 190.0, 90.0, 30.0
"""Above a piece in its cell, above and below it together, the widest that it is drawn, and the board's last line."""
CELL_LEAST = 34.0
"""The lowest that a piece is drawn in its cell, else to no scale: fields stand one above the other there."""
CELL_BARE, ABOVE = 50.0, {"width_top", "face_width", "flat_width", "bar_face", "base_depth"}
"""Above a piece in its cell without a field there; readings whose fields stand above."""
LEAST_INSIDE, LARGEST_INSIDE = (330.0, 230.0), (330.0, 340.0)
"""A piece whose fields stand inside it is drawn this large at least, to no scale where it must be."""


@dataclass(frozen=True, slots=True)
class Place:
    """One reading: where its field stands, and the two ends of the tape."""

    at: Dot
    ends: tuple[Dot, Dot]

    @property
    def share(self) -> Dot:
        """Where the field stands, in percent of the board."""
        return round(100 * self.at[0] / WIDE, 2), round(100 * self.at[1] / HIGH, 2)


@dataclass(frozen=True, slots=True)
class Box:
    """What stands on the board: a piece's sides, what is free round it, its edge seen from beside, and its field."""

    left: float
    right: float
    top: float
    low: float
    free: float
    edge: float
    edge_wide: float = EDGE_WIDE
    edge_field: float = EDGE_WIDE / 2 - 14
    off: Dot = (OFF_X, OFF_Y)


@dataclass(frozen=True, slots=True)
class Taping:
    """The piece from the front, its edge, what is free round it, and a place for each reading that has one."""

    ring: Ring
    edge: Ring
    free: Ring
    places: dict[str, Place]
    to_scale: bool
    corner: Dot | None = None

    @property
    def among(self) -> bool:
        """Whether it stands in a cell among others; its name stands at the cell's corner then."""
        return self.corner is not None


def equal_pieces(pieces: Sequence[Piece]) -> list[list[Piece]]:
    """Pieces in their order, equal ones together: of one kind, with the same readings and facts."""
    groups: list[list[Piece]] = []
    for piece in pieces:
        found = next((g for g in groups if _alike(g[0]) == _alike(piece)), None)
        if found is None or piece.zones or piece.edge_marks:
            groups.append([piece])
        else:
            found.append(piece)
    return groups


def _alike(piece: Piece) -> tuple[object, ...]:
    return piece.detail, piece.facts, piece.weight_kg


def taping_among(detail: Detail, n: int, of: int) -> Taping | None:
    """Lay out the ``n``-th of several pieces for measuring, each in its cell; None for those past the last cell.

    >>> from shadbo.core.pieces.objects import Badge
    >>> [round(taping_among(Badge(), n, 3).places["width"].at[0]) for n in range(3)]
    [178, 554, 178]
    """
    if of == 1:
        return taping(detail)
    if n >= CELLS:
        return None
    columns, rows = 2, 1 if of == 2 else 2
    wide, high = WIDE / columns, (HIGH - FOOT) / rows
    x, y = wide * (n % columns), high * (n // columns)
    above = 0.0 if ABOVE & {m.name for m in measures(detail) if m.needed} else CELL_TOP - CELL_BARE
    w, h, read = _size(detail, (CELL_WIDE, high - CELL_ROOM + above))
    h, read = max(h, CELL_LEAST), read and h >= CELL_LEAST
    left, top = x + 178 - w / 2, y + CELL_TOP - above + (high - CELL_ROOM + above - h) / 2
    box = Box(left, left + w, top, top + h, 0.0, x + 356, 10.0, -46.0, CELL_OFF)
    return _laid(detail, box, _beside(box), read, (x + 12, y + 24))


def taping(detail: Detail) -> Taping:
    """Lay a piece out for measuring.

    >>> from shadbo.core.pieces.pieces import StretchedCanvas
    >>> sorted(taping(StretchedCanvas()).places)[:3]
    ['bar_face', 'depth', 'diagonal_down']
    """
    inside = isinstance(detail, Needlework)
    m = MARGIN if any(name.startswith("margin_") for name in type(detail).model_fields) else 0.0
    w, h, read = _size(detail, LARGEST_INSIDE if inside else (MOST[0] - 2 * m, MOST[1] - 2 * m))
    if inside:
        wide, high = max(w, LEAST_INSIDE[0]), max(h, LEAST_INSIDE[1])
        w, h, read = wide, high, read and (wide, high) == (w, h)
    x, y = CENTRE
    box = Box(x - w / 2, x + w / 2, y - h / 2, y + h / 2, m, EDGE_X)
    return _laid(detail, box, _inside(box) if inside else _beside(box), read)


def _laid(detail: Detail, box: Box, places: dict[str, Place], read: bool, corner: Dot | None = None) -> Taping:
    """The piece in its box, its edge beside it, and the places of its readings."""
    left, right, top, low, m, at = box.left, box.right, box.top, box.low, box.free, box.edge
    thick = box.edge_wide
    ring: Ring = ((left, top), (right, top), (right, low), (left, low))
    if isinstance(detail, Sized):
        x, y = (left + right) / 2, (top + low) / 2
        ring = tuple((x + px, y - py) for px, py in outline(detail, right - left, low - top))
    edge: Ring = ((at, top), (at + thick, top), (at + thick, low), (at, low))
    free: Ring = ((left - m, top - m), (right + m, top - m), (right + m, low + m), (left - m, low + m)) if m else ()
    names = {measure.name for measure in measures(detail)}
    return Taping(ring, edge, free, {n: p for n, p in places.items() if n in names}, read, corner)


def _size(detail: Detail, most: Dot) -> tuple[float, float, bool]:
    """Width and height on the board, and whether they are true to each other."""
    widths = [r.mm for n in ("width", "width_top", "width_bottom", "width_middle") if (r := getattr(detail, n, None))]
    names = ("height", "height_left", "height_right", "height_middle")
    heights = [r.mm for n in names if (r := getattr(detail, n, None))]
    read = bool(widths and heights)
    w, h = (max(widths), max(heights)) if read else UNREAD
    scale = min(most[0] / w, most[1] / h)
    return w * scale, h * scale, read


def _beside(box: Box) -> dict[str, Place]:
    """Fields round the piece, in the order of the tape: widths above and below, heights at the sides."""
    left, right, top, low, m, (off_x, off_y) = box.left, box.right, box.top, box.low, box.free, box.off
    x, y = (left + right) / 2, (top + low) / 2
    in_x, in_y = min(14.0, (right - left) / 6), min(14.0, (low - top) / 6)
    above, below = (x, top - m - off_y), (x, low + m + off_y)
    at_left, at_right = (left - m - off_x, y), (right + m + off_x, y)
    across, up = ((left, y), (right, y)), ((x, low), (x, top))
    wide, edge_x = box.edge_wide, box.edge + box.edge_field
    thick = Place((edge_x, low + off_y), ((box.edge, low + 8), (box.edge + wide, low + 8)))
    behind = Place((edge_x, top - off_y), ((box.edge, top - 8), (box.edge + wide, top - 8)))
    return {
        "width_top": Place(above, ((left, top + in_y), (right, top + in_y))),
        "width_middle": Place((x, y), across),
        "face_width": Place(above, ((left, top + in_y), (right, top + in_y))),
        "face_height": Place(at_left, ((left + in_x, low), (left + in_x, top))),
        "width_bottom": Place(below, ((left, low - in_y), (right, low - in_y))),
        "height_left": Place(at_left, ((left + in_x, low), (left + in_x, top))),
        "height_middle": Place((x, y), up),
        "height_right": Place(at_right, ((right - in_x, low), (right - in_x, top))),
        "diagonal_down": Place((x, y), ((left, top), (right, low))),
        "diagonal_up": Place((x, y), ((left, low), (right, top))),
        "width": Place(below, across),
        "height": Place(at_left, up),
        "flat_width": Place(above, ((left, top), (right, top))),
        "flat_height": Place(at_right, ((right, low), (right, top))),
        "depth": thick,
        "thickness": thick,
        "relief": thick,
        "cloth": thick,
        "bar_face": behind,
        "back_relief": behind,
        "base_depth": behind,
    }


def _inside(box: Box) -> dict[str, Place]:
    """Fields of a design with cloth round it: its own sizes inside it, the free cloth outside."""
    left, right, top, low, m = box.left, box.right, box.top, box.low, box.free
    x, y = (left + right) / 2, (top + low) / 2
    own = _beside(box)
    moved = {
        "width_top": (x, top + 44),
        "width_bottom": (x, low - 40),
        "height_left": (left + 66, y),
        "height_right": (right - 66, y),
    }
    own |= {name: Place(at, own[name].ends) for name, at in moved.items()}
    return own | {
        "margin_top": Place((x, top - m - OFF_Y + 12), ((x, top - m), (x, top))),
        "margin_right": Place((right + m + OFF_X - 15, y), ((right, y), (right + m, y))),
        "margin_bottom": Place((x, low + m + OFF_Y - 12), ((x, low), (x, low + m))),
        "margin_left": Place((left - m - OFF_X + 15, y), ((left - m, y), (left, y))),
    }
