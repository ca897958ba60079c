"""Where the tape lies on a piece that is being measured: its outline on the measuring board, and a place a reading.

All in px of that board, y down. The piece stands true to its readings' proportions; before there are any, to none.
"""

from dataclasses import dataclass

from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Sized
from shadbo.core.pieces.outlines import outline
from shadbo.core.pieces.pieces import Detail, Needlework
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
class Taping:
    """The piece from the front, its edge, what is free round it, and a place for each reading that has one."""

    ring: Ring
    edge: Ring
    free: Ring
    places: dict[str, Place]
    to_scale: bool


def taping(detail: Detail) -> Taping:
    """Lay a piece out for measuring.

    >>> from shadbo.core.pieces.pieces import StretchedCanvas
    >>> sorted(taping(StretchedCanvas()).places)[:3]
    ['bar_face', 'depth', 'diagonal_down']
    """
    inside = isinstance(detail, Needlework)
    m = MARGIN if any(name.startswith("margin_") for name in type(detail).model_fields) else 0.0
    w, h, read = _size(detail, inside, m)
    x, y = CENTRE
    left, right, top, low = x - w / 2, x + w / 2, y - h / 2, y + h / 2
    ring: Ring = ((left, top), (right, top), (right, low), (left, low))
    if isinstance(detail, Sized):
        ring = tuple((x + px, y - py) for px, py in outline(detail, w, h))
    edge: Ring = ((EDGE_X, top), (EDGE_X + EDGE_WIDE, top), (EDGE_X + EDGE_WIDE, low), (EDGE_X, low))
    free: Ring = ((left - m, top - m), (right + m, top - m), (right + m, low + m), (left - m, low + m)) if m else ()
    all_ = _inside(left, right, top, low) if inside else _beside(left, right, top, low, m)
    names = {measure.name for measure in measures(detail)}
    return Taping(ring, edge, free, {n: p for n, p in all_.items() if n in names}, read)


def _size(detail: Detail, inside: bool, m: float) -> tuple[float, float, bool]:
    """Width and height on the board, and whether they are true to each other."""
    widths = [r.mm for n in ("width", "width_top", "width_bottom", "width_middle") if (r := getattr(detail, n, None))]
    names = ("height", "height_left", "height_right", "height_middle")
    heights = [r.mm for n in names if (r := getattr(detail, n, None))]
    read = bool(widths and heights)
    w, h = (max(widths), max(heights)) if read else UNREAD
    most = LARGEST_INSIDE if inside else (MOST[0] - 2 * m, MOST[1] - 2 * m)
    scale = min(most[0] / w, most[1] / h)
    w, h = w * scale, h * scale
    if inside:
        wide, high = max(w, LEAST_INSIDE[0]), max(h, LEAST_INSIDE[1])
        return wide, high, read and (wide, high) == (w, h)
    return w, h, read


def _beside(left: float, right: float, top: float, low: float, m: float) -> dict[str, Place]:
    """Fields round the piece, in the order of the tape: widths above and below, heights at the sides."""
    x, y = (left + right) / 2, (top + low) / 2
    in_x, in_y = min(14.0, (right - left) / 6), min(14.0, (low - top) / 6)
    above, below = (x, top - m - OFF_Y), (x, low + m + OFF_Y)
    at_left, at_right = (left - m - OFF_X, y), (right + m + OFF_X, y)
    across, up = ((left, y), (right, y)), ((x, low), (x, top))
    edge_x = EDGE_X + EDGE_WIDE / 2
    thick = Place((edge_x - 14, low + OFF_Y), ((EDGE_X, low + 8), (EDGE_X + EDGE_WIDE, low + 8)))
    behind = Place((edge_x - 14, top - OFF_Y), ((EDGE_X, top - 8), (EDGE_X + EDGE_WIDE, top - 8)))
    return {
        "width_top": Place(above, ((left, top + in_y), (right, top + in_y))),
        "width_middle": Place((x, y), across),
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


def _inside(left: float, right: float, top: float, low: float) -> dict[str, Place]:
    """Fields of a design with cloth round it: its own sizes inside it, the free cloth outside."""
    x, y, m = (left + right) / 2, (top + low) / 2, MARGIN
    own = _beside(left, right, top, low, m)
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
