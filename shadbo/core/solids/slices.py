"""A build sawn through, square to its front: what one sees of each body in the cut, and of fixings close by.

In the section x is the depth, from the frame's front edge towards the wall, and y runs from the edge inwards.
"""

from collections.abc import Iterable, Sequence
from typing import Literal

from shapely import box as rectangle
from shapely import union_all

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.hatch import Hatch
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.polygon import box_of, sides
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism

Span = tuple[float, float]
Side = Literal["right", "top"]
CLASPS = "clasps"
LAID_WIDE_MM, CLASP_MM = 48.0, (8.0, 20.0)
"""Of a piece that is brought near the edge so much is shown, and of its clasp from where to where."""


@dataclass(frozen=True, slots=True)
class Saw:
    """Where a build is sawn through, and how much of it is shown.

    ``seen_mm`` is how far in from its edge; ``at_mm`` the height of the cut through the right side, or how far right
    of the middle one through the top is. ``zero_mm`` is where the section's y begins, if not at the edge; through the
    top y runs upwards. ``laid_mm``: where the piece that stands out farthest is shown to begin, though it stands
    farther in.
    """

    seen_mm: float
    at_mm: float = 0.0
    side: Side = "right"
    zero_mm: float | None = None
    laid_mm: float | None = None


@dataclass(frozen=True, slots=True)
class Slice:
    """A body, or what of it is of one part of the list, as the section shows it; ``brought``: nearer to the edge."""

    body: str
    part: str
    hatch: Hatch
    ring: Ring
    bites: bool = False
    brought: bool = False


def sawn(bodies: Sequence[Body], saw: Saw) -> list[Slice]:
    """Every body that the saw meets, up to where the section ends; then the fixings of its side, seen beside the cut.

    Of several pieces that are laid out only the one that stands out farthest is shown, and the clasp that does.
    """
    here = [b for b in bodies if not (b.bites or b.laid or b.lot == CLASPS)]
    met = [(b, p, span) for b in here for p in b.prisms for span in _met(p, saw)]
    edge = max((span[1] for _, _, span in met), default=0.0)
    zero = edge if saw.zero_mm is None else saw.zero_mm
    by: dict[tuple[str, str, Hatch], list[Ring]] = {}
    for body, prism, span in met:
        low, high = _shown(span, zero, saw)
        if high > low:
            key = (body.id, prism.part or body.part, body.hatch)
            by.setdefault(key, []).append(rect(prism.front_mm, low, prism.back_mm, high))
    out = [Slice(*key, ring) for key, rings in by.items() for ring in _joined(rings)]
    return [*out, *_brought(bodies, saw), *_fixings(bodies, saw, zero)]


def _met(prism: Prism, saw: Saw) -> list[Span]:
    """From where to where the saw is in a prism, along its way."""
    spans = _crossed(prism.ring, saw)
    for hole in prism.holes:
        for low, high in _crossed(hole, saw):
            spans = [s for a, b in spans for s in ((a, min(b, low)), (max(a, high), b)) if s[1] > s[0]]
    return spans


def _crossed(ring: Ring, saw: Saw) -> list[Span]:
    """Where a line is inside an outline, by the even-odd rule."""
    along, across = (0, 1) if saw.side == "right" else (1, 0)
    at, found = saw.at_mm, []
    for p, q in sides(ring):
        if (p[across] > at) != (q[across] > at):
            found.append(p[along] + (at - p[across]) * (q[along] - p[along]) / (q[across] - p[across]))
    found.sort()
    return list(zip(found[::2], found[1::2], strict=True))


def _shown(span: Span, zero: float, saw: Saw) -> Span:
    """The same in the section, as far as it is shown."""
    if saw.side == "right":
        return zero - span[1], min(zero - span[0], saw.seen_mm)
    return max(span[0] - zero, -saw.seen_mm), span[1] - zero


def _joined(rings: Sequence[Ring]) -> list[Ring]:
    """The steps of one profile as one outline."""
    if len(rings) == 1:
        return list(rings)
    whole = union_all([rectangle(*box_of(r)) for r in rings])
    return [tuple(g.exterior.coords)[:-1] for g in getattr(whole, "geoms", [whole])]


def _brought(bodies: Iterable[Body], saw: Saw) -> list[Slice]:
    """The laid piece that stands out farthest, and the clasp that does, shown where there is room for them."""
    if saw.laid_mm is None:
        return []
    laid = [b for b in bodies if b.laid and not b.lot]
    clasps = [b for b in bodies if b.lot == CLASPS]
    out = []
    if laid:
        x = max(laid, key=lambda b: b.back_mm - b.front_mm)
        ring = rect(x.front_mm, saw.laid_mm, x.back_mm, saw.laid_mm + LAID_WIDE_MM)
        out.append(Slice(x.id, x.part, x.hatch, ring, brought=True))
    if clasps:
        x = max(clasps, key=lambda b: b.back_mm)
        a, b = (saw.laid_mm + mm for mm in CLASP_MM)
        out.append(Slice(x.id, x.part, x.hatch, rect(x.front_mm, a, x.back_mm, b), brought=True))
    return out


def _fixings(bodies: Iterable[Body], saw: Saw, zero: float) -> list[Slice]:
    """Of each kind of fixing the one nearest to the cut, at its side, seen from the cut."""
    along, across = (0, 1) if saw.side == "right" else (1, 0)
    nearest: dict[str, tuple[float, Body]] = {}
    for b in bodies:
        if not b.bites or b.gives:
            continue
        boxes = [box_of(p.ring) for p in b.prisms]
        if saw.side == "right" and any(zero - box[2] > saw.seen_mm for box in boxes):
            continue
        off = min(abs((box[across] + box[2 + across]) / 2 - saw.at_mm) for box in boxes)
        if b.part not in nearest or off < nearest[b.part][0]:
            nearest[b.part] = (off, b)
    out = []
    for _, b in nearest.values():
        for p in b.prisms:
            box = box_of(p.ring)
            low, high = _shown((box[along], box[2 + along]), zero, saw)
            if high > low:
                out.append(Slice(b.id, b.part, b.hatch, rect(p.front_mm, low, p.back_mm, high), True))
    return out
