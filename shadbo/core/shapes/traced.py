"""A moulding's section traced from a photograph of its end: corners marked on it, one size read by hand.

The photograph is taken squarely, so that it shows the section in its true shape, turned or mirrored however it lies:
two marks along the back give the direction, one size read with a caliper the scale (a similarity, without
perspective). What stands at a slant to what should be square to it tells of a photograph from the side.
"""

import math
from collections.abc import Callable, Mapping, Sequence
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.plane import Dot, Ring
from shadbo.core.shapes.rings import rect
from shadbo.core.words.lengths import Both, Mark, System, metric_text
from shadbo.core.words.words import STOCK_MARK, both, say, size_text, stocked

CLICK_PX = 1.5
"""How far off a mark is set by hand, in pixels as they are seen: common practice, no source."""
SLANT_DEG = 3.0
"""From here on two sides that should be square are told as slanted."""
SLANT_MOST_DEG = 12.0
LEAST_PX = 4.0
LEAST_KNOWN_MM = 1.0
Sizes = Mapping[str, float]
"""Sizes of a section by their field, mm."""


@dataclass(frozen=True, slots=True)
class Spot:
    """A place to be marked on the photograph."""

    name: str
    asks: str


@dataclass(frozen=True, slots=True)
class Tracing:
    """How one kind of moulding is traced: spots in order, and each size as from one spot to another along an axis.

    The first two spots lie along the back. ``sizes``: by the field, from which spot to which, ``across`` the back's
    direction or ``up`` from it. ``square``: pairs of spots whose line should be square to the back;
    ``ring`` is the section of its sizes, from the first spot on.
    """

    spots: tuple[Spot, ...]
    sizes: Mapping[str, tuple[str, str, Literal["across", "up"]]]
    square: tuple[tuple[str, str], ...]
    ring: Callable[[Sizes], Ring]


def _frame_ring(s: Sizes) -> Ring:
    wall, deep, face, high = s["face_mm"] - s["lip_mm"], s["rabbet_mm"], s["face_mm"], s["height_mm"]
    return ((0, 0), (wall, 0), (wall, deep), (face, deep), (face, high), (0, high))


def _floater_ring(s: Sizes) -> Ring:
    wall, thick = s["wall_mm"], s["ledge_thick_mm"]
    wide, high = wall + s["ledge_mm"], thick + s["inside_depth_mm"]
    return ((0, 0), (wide, 0), (wide, thick), (wall, thick), (wall, high), (0, high))


FRAME = Tracing(
    (
        Spot("back", "the outer corner at the back, where it lies on the wall"),
        Spot("wall", "the inner corner at the back, beside the rabbet"),
        Spot("deep", "the corner deep in the rabbet"),
        Spot("lip", "the tip of the lip, on the side of the package"),
        Spot("front", "the highest point of the front"),
    ),
    {
        "face_mm": ("back", "lip", "across"),
        "height_mm": ("back", "front", "up"),
        "rabbet_mm": ("wall", "deep", "up"),
        "lip_mm": ("deep", "lip", "across"),
    },
    (("wall", "deep"),),
    _frame_ring,
)
FLOATER = Tracing(
    (
        Spot("back", "the outer corner at the back, where it lies on the wall"),
        Spot("end", "the end of the ledge, at the back"),
        Spot("ledge", "the end of the ledge, on the side of the canvas"),
        Spot("inner", "the corner between ledge and wall"),
        Spot("front", "the front of the wall, on the side of the canvas"),
    ),
    {
        "wall_mm": ("back", "inner", "across"),
        "inside_depth_mm": ("inner", "front", "up"),
        "ledge_mm": ("inner", "ledge", "across"),
        "ledge_thick_mm": ("end", "ledge", "up"),
    },
    (("inner", "front"), ("end", "ledge")),
    _floater_ring,
)
PLAIN = Tracing(
    (
        Spot("back", "one corner at the back"),
        Spot("end", "the other corner at the back"),
        Spot("front", "the corner in front of it"),
    ),
    {"face_mm": ("back", "end", "across"), "height_mm": ("end", "front", "up")},
    (("end", "front"),),
    lambda s: rect(0, 0, s["face_mm"], s["height_mm"]),
)
TRACINGS: Mapping[str, Tracing] = {"frames": FRAME, "floater_profiles": FLOATER, "plain_stock": PLAIN}


class BadTrace(ValueError):
    """Marks that no moulding has; the message says which, and what to do."""


@dataclass(frozen=True, slots=True)
class Traced:
    """What was traced: its sizes, each give or take so much, and the section's outline on the photograph."""

    sizes_mm: Sizes
    give_or_take_mm: float
    outline: Ring
    slant_deg: float


def trace(tracing: Tracing, marks: Sequence[Dot], known: str, known_mm: float, px_seen: float = 1.0) -> Traced:
    """The sizes of a moulding from its marks. ``px_seen``: how many of the photograph's pixels one seen pixel is.

    Raises BadTrace where a size comes to nothing, or the photograph is plainly slanted.

    >>> plain = trace(PLAIN, [(100, 500), (300, 500), (300, 100)], "face_mm", 20.0)
    >>> plain.sizes_mm["height_mm"], round(plain.give_or_take_mm, 2)
    (40.0, 0.21)
    """
    back = _Back.along(marks)
    at = dict(zip((s.name for s in tracing.spots), map(back.seen, marks), strict=True))
    spans = {field: _span(at[a], at[b], along) for field, (a, b, along) in tracing.sizes.items()}
    for field, px in spans.items():
        if px < LEAST_PX:
            one, other = (next(s for s in tracing.spots if s.name == x) for x in tracing.sizes[field][:2])
            raise BadTrace(f"these two marks lie on one another, or the wrong way round: {one.asks}; {other.asks}")
    slant = max(_slant_deg(at[a], at[b]) for a, b in tracing.square)
    if slant > SLANT_MOST_DEG:
        raise BadTrace(
            f"a side that should be square to the back stands {slant:.0f}° off: "
            "photograph the end squarely, from some way off"
        )
    per_px = known_mm / spans[known]
    sizes = {field: px * per_px for field, px in spans.items()} | {known: known_mm}
    outline = tuple(back.laid((x / per_px, y / per_px)) for x, y in tracing.ring(sizes))
    return Traced(sizes, math.sqrt(2) * CLICK_PX * px_seen * per_px, outline, slant)


def traced_text(mm: float, system: System) -> str:
    """A traced size as it is typed: no finer than it was seen.

    >>> traced_text(21.347, "mm"), traced_text(21.347, "in")
    ('21.3', '27/32')
    """
    return metric_text(mm, places=1) if system == "mm" else size_text(mm, STOCK_MARK, "in")


def remarks(traced: Traced, mark: Mark) -> tuple[Both, ...]:
    """What a framer should know of what was traced."""
    off = stocked(max(traced.give_or_take_mm, 0.01), mark)
    out = [say(mark, "Each traced size is give or take {}: read the rabbet or ledge with a caliper too.", off)]
    if traced.slant_deg > SLANT_DEG:
        out.append(both(f"A side stands {traced.slant_deg:.0f}° off square: taken at a slant, or undercut."))
    return tuple(out)


@dataclass(frozen=True, slots=True)
class _Back:
    """The line of the back on a photograph, and which side of it the moulding stands on."""

    start: Dot
    way: Dot
    up: int

    @classmethod
    def along(cls, marks: Sequence[Dot]) -> "_Back":
        (ax, ay), (bx, by) = marks[0], marks[1]
        long = math.hypot(bx - ax, by - ay)
        if long < LEAST_PX:
            raise BadTrace("the two marks at the back lie on one another")
        back = cls((ax, ay), ((bx - ax) / long, (by - ay) / long), 1)
        return back if sum(back.seen(m)[1] for m in marks) >= 0 else cls(back.start, back.way, -1)

    def seen(self, dot: Dot) -> Dot:
        """A pixel as how far along the back it is, and how far up from it."""
        (u, v), x, y = self.way, dot[0] - self.start[0], dot[1] - self.start[1]
        return x * u + y * v, self.up * (y * u - x * v)

    def laid(self, dot: Dot) -> Dot:
        """The other way round: so far along the back and up from it, as a pixel."""
        (u, v), x, y = self.way, dot[0], self.up * dot[1]
        return self.start[0] + x * u - y * v, self.start[1] + x * v + y * u


def _span(one: Dot, other: Dot, along: Literal["across", "up"]) -> float:
    return other[0] - one[0] if along == "across" else other[1] - one[1]


def _slant_deg(one: Dot, other: Dot) -> float:
    return abs(math.degrees(math.atan2(other[0] - one[0], abs(other[1] - one[1]))))
