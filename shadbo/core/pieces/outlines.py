"""Outlines of things as they are seen, about their middle: to true size, simple enough to be drawn with."""

import math
from functools import lru_cache
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Plate
from shadbo.core.pieces.pieces import Detail
from shadbo.core.shapes.plane import Dot as Dot
from shadbo.core.shapes.plane import Ring as Ring


@dataclass(frozen=True, slots=True)
class Seam:
    """A seam of a garment. ``carries``: shoulders and neck, which the weight hangs from.

    ``inside``: the garment lies on the left (1) or on the right (−1) of who goes along it.
    """

    name: str
    ends: tuple[Dot, Dot]
    carries: bool
    inside: Literal[1, -1]


def _box(w: float, h: float) -> Ring:
    return ((-w, -h), (w, -h), (w, h), (-w, h))


def _round(w: float, h: float, n: int = 28) -> Ring:
    return tuple([(w * x, h * y) for x, y in _circle(n)])


@lru_cache(maxsize=8)
def _circle(n: int) -> Ring:
    return tuple((math.cos(2 * math.pi * i / n), math.sin(2 * math.pi * i / n)) for i in range(n))


def on_ribbon(badge: Badge) -> bool:
    """Whether it is a medal that hangs on its ribbon: clearly higher than wide."""
    if badge.sort != "medal" or badge.width is None or badge.height is None:
        return False
    return badge.height.mm > badge.width.mm * 1.2


def _medal(w: float, h: float) -> Ring:
    """A disc on a ribbon: the disc is as wide as the medal, the ribbon is two thirds of that."""
    r = min(w, h)
    disc_y, ribbon = -h + r, w * 0.66
    join = math.asin(min(ribbon / r, 1.0))
    n = 22
    turn = [math.pi / 2 + join + (2 * math.pi - 2 * join) * i / n for i in range(n + 1)]
    disc = tuple((r * math.cos(a), disc_y + r * math.sin(a)) for a in turn)
    return (*disc, (ribbon, h), (-ribbon, h))


def garment_lines(width: float, height: float, body: float | None, sleeves: str) -> tuple[Ring, tuple[Seam, ...]]:
    """Outline and seams of a shirt laid out, from its size as displayed and its body's width; all in mm.

    Neck a quarter of the body, shoulders fall by a fourteenth of the height, sleeves as deep as a third of the body:
    common proportions, no source. The seams follow the outline; pins are checked on the piece itself.
    """
    w, h = width / 2, height / 2
    b = min((body or (width * 0.62 if sleeves == "spread" else width)) / 2, w)
    neck, drop, arm = b * 0.28, height / 14, min(b * 0.72, height * 0.3)
    tip = b * 0.94
    right: list[Dot]
    if sleeves == "spread" and w - b > 10:
        out = w - b
        right = [
            (b, -h),
            (b, h - drop - arm),
            (w - out * 0.12, h - drop - arm - out * 0.35),
            (w, h - drop - out * 0.3),
        ]
    else:
        right = [(b, -h), (b, h - drop - arm), (tip, h - drop)] if b >= w - 1e-6 else [(b, -h), (w, h - drop - arm)]
    right += [(tip, h - drop)] if right[-1] != (tip, h - drop) else []
    right += [(neck, h), (neck * 0.55, h - height * 0.045)]
    left = [(-x, y) for x, y in reversed(right)]
    seams = []
    sides: tuple[tuple[str, list[Dot], Literal[1, -1]], ...] = (
        ("right", right, 1),
        ("left", [(-x, y) for x, y in right], -1),
    )
    shoulder = right.index((tip, h - drop))
    for side, ring, inside in sides:
        for i in range(len(ring) - 1):
            name = "side" if i == 0 else "sleeve" if i < shoulder else "shoulder" if i == shoulder else "neck"
            seams.append(Seam(f"{name}, {side}", (ring[i], ring[i + 1]), i >= shoulder, inside))
    seams.append(Seam("hem", ((-b, -h), (b, -h)), False, 1))
    return (*right, *left), tuple(seams)


def outline(detail: Detail, width: float, height: float) -> Ring:
    """The outline of a piece of any kind, of that width and height, about its middle."""
    w, h = width / 2, height / 2
    if isinstance(detail, Garment):
        body = detail.body_width.mm if detail.body_width else None
        return garment_lines(width, height, body, detail.sleeves)[0]
    if isinstance(detail, Badge):
        if on_ribbon(detail):
            return _medal(w, h)
        return _round(w, h) if detail.shape == "round" else _box(w, h)
    if isinstance(detail, Keepsake):
        c = min(w, h) * 0.25
        return (
            (-w + c, -h), (w - c, -h), (w, -h + c), (w, h - c), (w - c, h), (-w + c, h), (-w, h - c), (-w, -h + c)
        )  # fmt: skip
    if isinstance(detail, Flag | Plate):
        return _box(w, h)
    return _box(w, h)
