"""Pieces that are not square: rack, taper, waist, the misfit of the readings, and the best placement.

Points are in millimetres, x to the right and y up, from the piece's middle, seen from the front.
"""

import math
from functools import lru_cache

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.programme import Row, least

Point = tuple[Quantity, Quantity]
PLACES = (
    "top left",
    "top middle",
    "top right",
    "right middle",
    "bottom right",
    "bottom middle",
    "bottom left",
    "left middle",
)


def rack(width: Quantity, diagonal_up: Quantity, diagonal_down: Quantity) -> Quantity:
    """How far the top is shifted to the right against the bottom: (d1 − d2)(d1 + d2) / (4 · width).

    Exact for a parallelogram. ``diagonal_up`` runs from bottom left to top right.
    """
    return (diagonal_up - diagonal_down) * (diagonal_up + diagonal_down) / (4 * width)


def second_diagonal(top: float, bottom: float, left: float, right: float, down: float) -> float:
    """The diagonal bottom left to top right that four sides and the other diagonal fix; nan if none can.

    Two triangles stand on the diagonal from top left to bottom right; the cosine rule gives their angles
    at the bottom right corner and at the top left.
    """
    if not (abs(left - bottom) < down < left + bottom and abs(top - right) < down < top + right):
        return math.nan
    at_low = math.acos((down**2 + bottom**2 - left**2) / (2 * down * bottom))
    at_high = math.acos((down**2 + right**2 - top**2) / (2 * down * right))
    return math.sqrt(bottom**2 + right**2 - 2 * bottom * right * math.cos(at_low + at_high))


@dataclass(frozen=True, slots=True)
class Outline:
    """The piece's eight points by place, clockwise from the top left."""

    points: dict[str, Point]

    def values(self) -> tuple[tuple[float, float], ...]:
        """The eight points as plain numbers."""
        return tuple((x.value, y.value) for x, y in self.points.values())


def outline(
    sheet: Sheet,
    top: Quantity,
    bottom: Quantity,
    left: Quantity,
    right: Quantity,
    shift: Quantity | None,
    waist_width: Quantity | None,
    waist_height: Quantity | None,
) -> Outline:
    """Corners and middles from the sides, the shift of the top, and how much the middles swell or shrink."""
    lean = shift / 2 if shift is not None else sheet.number(0, MM)
    swell_x = waist_width / 2 if waist_width is not None else None
    swell_y = waist_height / 2 if waist_height is not None else None
    zero = sheet.number(0, MM)
    tl, tr = (lean - top / 2, left / 2), (lean + top / 2, right / 2)
    bl, br = (zero - lean - bottom / 2, zero - left / 2), (bottom / 2 - lean, zero - right / 2)

    def middle(a: Point, b: Point, out: tuple[int, int]) -> Point:
        x, y = (a[0] + b[0]) / 2, (a[1] + b[1]) / 2
        if out[0] and swell_x is not None:
            x = x + out[0] * swell_x
        if out[1] and swell_y is not None:
            y = y + out[1] * swell_y
        return x, y

    ring = (
        tl,
        middle(tl, tr, (0, 1)),
        tr,
        middle(tr, br, (1, 0)),
        br,
        middle(br, bl, (0, -1)),
        bl,
        middle(bl, tl, (-1, 0)),
    )
    return Outline(dict(zip(PLACES, ring, strict=True)))


@dataclass(frozen=True, slots=True)
class Opening:
    """Inside of a frame about its middle: widths at top, middle, bottom; heights at left, middle, right."""

    top: Quantity
    middle_width: Quantity
    bottom: Quantity
    left: Quantity
    middle_height: Quantity
    right: Quantity

    def half_width_at(self, place: str) -> Quantity:
        """Half the inside width at the height of a place of the piece."""
        row = {"top": self.top, "bottom": self.bottom}.get(place.split()[0], self.middle_width)
        return row / 2

    def half_height_at(self, place: str) -> Quantity:
        """Half the inside height at the place of the piece, across."""
        word = place.split()[1] if place.split()[1] != "middle" else place.split()[0]
        return {"left": self.left, "right": self.right}.get(word, self.middle_height) / 2


SIDES = {
    "left": ("top left", "left middle", "bottom left"),
    "right": ("top right", "right middle", "bottom right"),
    "top": ("top left", "top middle", "top right"),
    "bottom": ("bottom left", "bottom middle", "bottom right"),
}
_OUTWARD = {"left": (-1, 0), "right": (1, 0), "top": (0, 1), "bottom": (0, -1)}
Coefficients = tuple[tuple[float, float, float, float], ...]


@lru_cache(maxsize=4096)
def even_placement(across: Coefficients, upright: Coefficients) -> tuple[float, float, float]:
    """The small turn (rad) and shift (mm) that make the gaps most even: ``(turn, right, up)``.

    Each row ``(g, gx, gy, gt)`` is one gap: ``g + gx·right + gy·up + gt·turn`` (turns are small, so this is
    linear). Minimises the larger of the two spreads (across, upright), then their sum, by linear programming.
    """
    spreads = (max(g for g, *_ in gaps) - min(g for g, *_ in gaps) for gaps in (across, upright))
    if max(spreads) < 1e-9:
        return 0.0, 0.0, 0.0
    # Unknowns: right, up, turn·1000, and the low and high gap of both directions, and the larger spread.
    low_high = ((3, 4), (5, 6))
    spread = 7
    rows: list[Row] = []
    for gaps, (low, high) in zip((across, upright), low_high, strict=True):
        for g, gx, gy, gt in gaps:
            rows.append((((0, -gx), (1, -gy), (2, -gt / 1000), (low, 1.0)), g))
            rows.append((((0, gx), (1, gy), (2, gt / 1000), (high, -1.0)), -g))
        rows.append((((low, -1.0), (high, 1.0), (spread, -1.0)), 0.0))
    tie = 1e-3
    cost = [0, 0, 0, -tie, tie, -tie, tie, 1.0]
    right, up, turn = (v if abs(v) > 1e-9 else 0.0 for v in least(cost, rows)[:3])
    return turn / 1000, right, up


@dataclass(frozen=True, slots=True)
class Placement:
    """Where the piece sits in its frame, and the gap at the ends and middle of every side."""

    turn: Quantity
    right: Quantity
    up: Quantity
    gaps: dict[str, dict[str, Quantity]]

    def least_at(self) -> str:
        """Where the least gap is, in words."""
        side, place = min(
            ((side, place) for side, gaps in self.gaps.items() for place in gaps),
            key=lambda at: self.gaps[at[0]][at[1]].value,
        )
        if place == "middle":
            return f"in the middle of the {side} side"
        ends = {"top": "upper", "bottom": "lower"} if side in ("left", "right") else {}
        return f"{side} side, at the {ends.get(place, place)} end"

    def all(self) -> list[Quantity]:
        """All twelve gaps."""
        return [gap for side in self.gaps.values() for gap in side.values()]


def place(sheet: Sheet, piece: Outline, opening: Opening, word: str = "gap", said: str = "gap") -> Placement:
    """Best placement in the opening. The placement is a decision; reading error flows into the gaps only.

    The gaps become lines ``<word>.<side>.<place>``, rounded to the nearest, so that two of them and the piece between
    add up to the inside as it is shown; the least of them is rounded down where it is judged.
    """
    rows: dict[str, list[tuple[float, float, float, float]]] = {
        "left": [],
        "right": [],
        "top": [],
        "bottom": [],
    }
    for side, places in SIDES.items():
        ox, oy = _OUTWARD[side]
        for at in places:
            x, y = (q.value for q in piece.points[at])
            half = (opening.half_width_at(at) if ox else opening.half_height_at(at)).value
            rows[side].append((half - ox * x - oy * y, -ox, -oy, -(oy * x - ox * y)))
    turn, right, up = even_placement(tuple(rows["left"] + rows["right"]), tuple(rows["top"] + rows["bottom"]))
    sources = [q for point in piece.points.values() for q in point]
    q_turn = sheet.let(
        "place.turn", "turn, anticlockwise, as a slope", sheet.decide(f"evenest {said}s", turn, ONE, *sources)
    )
    q_right = sheet.let("place.right", "shift to the right", sheet.decide(f"evenest {said}s", right, MM, *sources))
    q_up = sheet.let("place.up", "shift upwards", sheet.decide(f"evenest {said}s", up, MM, *sources))
    gaps: dict[str, dict[str, Quantity]] = {}
    for side, places in SIDES.items():
        ox, oy = _OUTWARD[side]
        for at in places:
            px, py = piece.points[at]
            edge = px - q_turn * py + q_right if ox else py + q_turn * px + q_up
            room = opening.half_width_at(at) if ox else opening.half_height_at(at)
            gap = room - edge if ox + oy > 0 else room + edge
            end = at.replace(side, "").strip()
            named = sheet.let(f"{word}.{side}.{end}", f"{said}, {side} side, {end}", gap)
            gaps.setdefault(side, {})[end] = named
    return Placement(q_turn, q_right, q_up, gaps)
