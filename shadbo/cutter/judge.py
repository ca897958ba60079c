"""What the machine refuses, with the reasons, and how long the rest takes."""

import math
from dataclasses import dataclass

from shadbo.core.shapes.polygon import Ring, anticlockwise, apart, area, box_of, sides
from shadbo.cutter.protocol import CutJob, Refusal

MOST_MM = (1600.0, 1200.0)
STRIP_MM = 12.0
EDGE_MM = 12.0
CUT_MM_PER_S = 90.0
MOVE_MM_PER_S = 250.0
CORNER_S = 0.9


def refusals(job: CutJob) -> list[Refusal]:
    """Everything that is wrong with a job; empty when it can be cut."""
    b = job.board
    out: list[Refusal] = []
    if max(b.width_mm, b.height_mm) > MOST_MM[0] or min(b.width_mm, b.height_mm) > MOST_MM[1]:
        words = f"the board is {b.width_mm:g} × {b.height_mm:g} mm; the table takes {MOST_MM[0]:g} × {MOST_MM[1]:g}"
        out.append(Refusal(code="board", opening="", message=words))
    rings: list[tuple[str, Ring]] = []
    for o in job.openings:
        ring = tuple(o.points)
        if abs(area(ring)) < 1 or _crosses(ring):
            out.append(
                Refusal(code="outline", opening=o.id, message=f"{o.id}: its outline crosses itself or is empty")
            )
            continue
        ring = anticlockwise(ring)
        left, low, right, high = box_of(ring)
        edge = min(left, low, b.width_mm - right, b.height_mm - high)
        if edge < 0:
            out.append(Refusal(code="outside", opening=o.id, message=f"{o.id} runs {-edge:.1f} mm outside the board"))
        elif edge < EDGE_MM:
            words = f"{o.id} leaves {edge:.1f} mm to the board's edge; {EDGE_MM:g} mm are wanted"
            out.append(Refusal(code="strip", opening=o.id, message=words))
        for other, done in rings:
            gap = apart(ring, done)
            if gap < 0:
                words = f"{o.id} and {other} overlap"
                out.append(Refusal(code="overlap", opening=o.id, other=other, message=words))
            elif gap < STRIP_MM and o.bevelled:
                words = f"only {gap:.1f} mm between {o.id} and {other}; {STRIP_MM:g} mm are wanted"
                out.append(Refusal(code="strip", opening=o.id, other=other, message=words))
        rings.append((o.id, ring))
    return out


def _crosses(ring: Ring) -> bool:
    """Whether two sides of an outline that are no neighbours meet."""
    all_sides = sides(ring)
    n = len(all_sides)
    for i in range(n):
        for j in range(i + 2, n):
            if i == 0 and j == n - 1:
                continue
            (a, b), (c, d) = all_sides[i], all_sides[j]
            if _turn(a, b, c) * _turn(a, b, d) < 0 and _turn(c, d, a) * _turn(c, d, b) < 0:
                return True
    return False


def _turn(a: tuple[float, float], b: tuple[float, float], c: tuple[float, float]) -> float:
    return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])


@dataclass(frozen=True, slots=True)
class Stroke:
    """One straight cut, and when it is done, in seconds and in mm cut, from the start."""

    opening: str
    until_s: float
    until_mm: float


def strokes(job: CutJob) -> list[Stroke]:
    """Every cut in order: move to its start, lower, cut, lift."""
    at = (0.0, 0.0)
    seconds = length = 0.0
    out = []
    for o in job.openings:
        for a, b in sides(tuple(o.points)):
            seconds += math.dist(at, a) / MOVE_MM_PER_S + CORNER_S + math.dist(a, b) / CUT_MM_PER_S
            length += math.dist(a, b)
            at = b
            out.append(Stroke(o.id, seconds, length))
    return out
