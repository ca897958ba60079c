"""A mat with one large stepped opening, windows beside or below it, badges in its notches and plates on its border.

Plain geometry about the mat's middle, x right, y up, all in mm; the sizes given are of the innermost edges.
"""

from collections.abc import Mapping, Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.polygon import Dot, Ring, apart, moved, offset, stepped


@dataclass(frozen=True, slots=True)
class Card:
    """A window, badge or plate by its own size; in a notch perhaps in the corner that was decided."""

    id: str
    width: float
    height: float
    window: bool = False
    corner: str = ""


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


CORNERS = ("bottom left", "bottom right", "top left", "top right")


def notch_corners(
    opening: tuple[float, float], cards: Sequence[Card], garment: Ring, wishes: MatWishes
) -> dict[str, tuple[str, tuple[float, float]]]:
    """A corner and a size for each notch; decided corners first, each at most once.

    Windows stand at the bottom and badges above them; badges alone at the end where they keep farther from the
    garment. Two stand level.
    """
    order = sorted(cards, key=lambda c: (not c.corner, not c.window, -c.width * c.height, c.id))
    sizes = {c.id: notch_size(c, wishes) for c in order}

    def clear(end: str) -> float:
        # A garment lies symmetric about its middle: one side tells for both.
        return apart(notch_ring(opening, f"{end} left", sizes[order[0].id]), garment)

    if not order:
        return {}
    windows = any(c.window for c in order)
    low_first = windows or clear("bottom") >= clear("top") - 1e-3
    usual = CORNERS if low_first else (*CORNERS[2:], *CORNERS[:2])
    above = (*CORNERS[2:], *CORNERS[:2]) if windows else usual
    out: dict[str, tuple[str, tuple[float, float]]] = {}
    for card in order:
        taken = {corner for corner, _ in out.values()}
        wanted = (card.corner,) if card.corner else usual if card.window else above
        corner = next((c for c in wanted if c not in taken), None)
        if corner is not None:
            out[card.id] = (corner, sizes[card.id])
    return out


def notch_size(card: Card, wishes: MatWishes) -> tuple[float, float]:
    """How large a notch is cut: round a badge its room; a window's own opening and the strip beside it.

    >>> notch_size(Card("b", 70, 80), MatWishes(60, 60, 25, 6, 5, "beside"))
    (80, 90)
    >>> notch_size(Card("w", 170, 120, window=True), MatWishes(60, 60, 25, 6, 5, "beside"))
    (207, 157)
    """
    more = 2 * wishes.reveal + wishes.strip if card.window else 2 * wishes.room
    return card.width + more, card.height + more


def notch_ring(opening: tuple[float, float], corner: str, size: tuple[float, float]) -> Ring:
    """The rectangle of mat that stands in a corner of the opening."""
    w, h = opening[0] / 2, opening[1] / 2
    x0, x1 = (-w, -w + size[0]) if "left" in corner else (w - size[0], w)
    y0, y1 = (-h, -h + size[1]) if "bottom" in corner else (h - size[1], h)
    return ((x0, y0), (x1, y0), (x1, y1), (x0, y1))


def notch_rings(
    opening: tuple[float, float], cards: Sequence[Card], garment: Ring, wishes: MatWishes
) -> dict[str, Ring]:
    """The mat that stands in the opening's corners, for each notch, about its middle, as the garment is.

    None at all where they would leave no opening.
    """
    notches = notch_corners(opening, cards, garment, wishes)
    try:
        stepped(*opening, dict(notches.values()))
    except ValueError:
        return {}
    return {id_: notch_ring(opening, corner, size) for id_, (corner, size) in notches.items()}


def mat_plan(
    opening: tuple[float, float],
    garment: Ring,
    windows: Sequence[Card],
    badges: Sequence[Card],
    plates: Sequence[Card],
    wishes: MatWishes,
    notched: bool = True,
) -> MatPlan:
    """Place everything; ``badges`` are all that stands in notches, windows too. ``garment`` is about its own middle.

    ValueError where notches leave no opening.

    Without ``notched`` no notch is cut, and the badges stand over the opening.
    """
    r, strip = wishes.reveal, wishes.strip
    notches = notch_corners(opening, badges, garment, wishes) if notched else {}
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
    spots, by_id = {}, {c.id: c for c in badges}
    for id_, (corner, size) in notches.items():
        if by_id[id_].window:
            at[id_] = _in_corner((cx, cy), (wide, high), corner, by_id[id_], r)
            continue
        box = notch_ring(opening, corner, size)
        # The outer mat's notch is of the same size, one reveal further into the corner: the badge sits on that one.
        out_x, out_y = (-r if "left" in corner else r), (-r if "bottom" in corner else r)
        spots[id_] = (cx + (box[0][0] + box[1][0]) / 2 + out_x, cy + (box[0][1] + box[2][1]) / 2 + out_y)
    for c in badges:
        if c.id not in at:
            spots.setdefault(c.id, (cx, mid + inner_h / 2 + wishes.border / 2))
    low = -height / 2 + wishes.bottom / 2
    total = sum(p.width for p in plates) + strip * (len(plates) - 1)
    x, stand = cx - total / 2, {}
    for plate in plates:
        stand[plate.id] = (x + plate.width / 2, low)
        x += plate.width + strip
    return MatPlan(
        width,
        height,
        moved(ring, cx, cy),
        (cx, cy),
        at,
        spots,
        stand,
        corners,
    )


def _in_corner(centre: Dot, outer: tuple[float, float], corner: str, card: Card, reveal: float) -> Dot:
    """A window in its notch: its outer mat's opening begins where the large one of the outer mat does."""
    x = outer[0] / 2 - reveal - card.width / 2
    y = outer[1] / 2 - reveal - card.height / 2
    return centre[0] + (-x if "left" in corner else x), centre[1] + (-y if "bottom" in corner else y)


def outer_edge(inner: Ring, reveal: float) -> Ring:
    """The outer mat's opening: the inner one grown by the reveal on every side, round its notches too."""
    return offset(inner, reveal) if reveal > 0 else inner
