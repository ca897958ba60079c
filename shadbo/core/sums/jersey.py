"""A mat with one large stepped opening, windows beside or below it, badges in its notches and plates on its border.

Plain geometry about the mat's middle, x right, y up, all in mm; the sizes given are of the innermost edges.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from shadbo.core.shapes.polygon import Dot, Ring, apart, moved, offset, stepped


@dataclass(frozen=True, slots=True)
class Card:
    """A window, badge or plate by its own size."""

    id: str
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class MatPlan:
    """Where the opening, the windows, the badges and the plates stand, and the mat that this takes."""

    width: float
    height: float
    opening: Ring
    centre: Dot
    windows: Mapping[str, Dot]
    badges: Mapping[str, Dot]
    plates: Mapping[str, Dot]
    corners: Mapping[str, str]


@dataclass(frozen=True, slots=True)
class MatWishes:
    """Border, bottom border, strip, reveal and notch room; windows ``beside`` or ``below`` the opening."""

    border: float
    bottom: float
    strip: float
    reveal: float
    room: float
    side: str


def notch_corners(
    opening: tuple[float, float], badges: Sequence[Card], garment: Ring, room: float
) -> dict[str, tuple[str, tuple[float, float]]]:
    """A corner for each badge: two stand level, at the end where they keep farther from the garment."""
    order = sorted(badges, key=lambda b: (-b.width * b.height, b.id))
    sizes = {b.id: (b.width + 2 * room, b.height + 2 * room) for b in order}

    def clear(end: str) -> float:
        size = sizes[order[0].id]
        # A garment lies symmetric about its middle: one side tells for both.
        return apart(notch_ring(opening, f"{end} left", size), garment)

    if not order:
        return {}
    ends = ("bottom", "top") if clear("bottom") >= clear("top") - 1e-3 else ("top", "bottom")
    corners = [f"{end} {side}" for end in ends for side in ("left", "right")]
    return {b.id: (corner, sizes[b.id]) for b, corner in zip(order, corners, strict=False)}


def notch_ring(opening: tuple[float, float], corner: str, size: tuple[float, float]) -> Ring:
    """The rectangle of mat that stands in a corner of the opening."""
    w, h = opening[0] / 2, opening[1] / 2
    x0, x1 = (-w, -w + size[0]) if "left" in corner else (w - size[0], w)
    y0, y1 = (-h, -h + size[1]) if "bottom" in corner else (h - size[1], h)
    return ((x0, y0), (x1, y0), (x1, y1), (x0, y1))


def mat_plan(
    opening: tuple[float, float],
    garment: Ring,
    windows: Sequence[Card],
    badges: Sequence[Card],
    plates: Sequence[Card],
    wishes: MatWishes,
    notched: bool = True,
) -> MatPlan:
    """Place everything. ``garment`` is about its own middle. ValueError where notches leave no opening.

    Without ``notched`` no notch is cut, and the badges stand over the opening.
    """
    r, strip = wishes.reveal, wishes.strip
    notches = notch_corners(opening, badges, garment, wishes.room) if notched else {}
    ring = stepped(*opening, dict(notches.values()))
    wide, high = opening[0] + 2 * r, opening[1] + 2 * r
    cards = [Card(c.id, c.width + 2 * r, c.height + 2 * r) for c in windows]
    beside = wishes.side == "beside"
    across = sum(c.width for c in cards) + strip * (len(cards) - 1)
    down = sum(c.height for c in cards) + strip * (len(cards) - 1)
    column = max((c.width for c in cards), default=0.0)
    row = max((c.height for c in cards), default=0.0)
    inner_w = wide + (strip + column if cards and beside else 0.0)
    inner_h = high + (strip + row if cards and not beside else 0.0)
    if cards:
        inner_w, inner_h = (inner_w, max(inner_h, down)) if beside else (max(inner_w, across), inner_h)
    width, height = inner_w + 2 * wishes.border, inner_h + wishes.border + wishes.bottom
    mid = (wishes.bottom - wishes.border) / 2
    cx = -(strip + column) / 2 if cards and beside else 0.0
    cy = mid + ((strip + row) / 2 if cards and not beside else 0.0)
    at: dict[str, Dot] = {}
    if beside:
        y = mid + down / 2
        for c in cards:
            at[c.id] = (cx + wide / 2 + strip + column / 2, y - c.height / 2)
            y -= c.height + strip
    else:
        x = -across / 2
        for c in cards:
            at[c.id] = (x + c.width / 2, cy - high / 2 - strip - row / 2)
            x += c.width + strip
    corners = {id_: corner for id_, (corner, _) in notches.items()}
    spots = {}
    for id_, (corner, size) in notches.items():
        box = notch_ring(opening, corner, size)
        # The outer mat's notch is of the same size, one reveal further into the corner: the badge sits on that one.
        out_x, out_y = (-r if "left" in corner else r), (-r if "bottom" in corner else r)
        spots[id_] = (cx + (box[0][0] + box[1][0]) / 2 + out_x, cy + (box[0][1] + box[2][1]) / 2 + out_y)
    for c in badges:
        spots.setdefault(c.id, (cx, mid + inner_h / 2 + wishes.border / 2))
    low = -height / 2 + wishes.bottom / 2
    total = sum(p.width for p in plates) + strip * (len(plates) - 1)
    x, stand = cx - total / 2, {}
    for plate in plates:
        stand[plate.id] = (x + plate.width / 2, low)
        x += plate.width + strip
    return MatPlan(width, height, moved(ring, cx, cy), (cx, cy), at, spots, stand, corners)


def outer_edge(inner: Ring, reveal: float) -> Ring:
    """The outer mat's opening: the inner one grown by the reveal on every side, round its notches too."""
    return offset(inner, reveal) if reveal > 0 else inner
