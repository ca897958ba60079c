"""Rules of arrangement: where the middles of blocks go so that the gaps between their outlines are equal.

A block is a piece, with its caption under it where it has one. Places are in mm from the group's middle, y up.
"""

import math
from collections.abc import Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.plane import Dot as Dot


@dataclass(frozen=True, slots=True)
class Block:
    """A thing to place, by its outline's box; ``caption`` is the size of the plate under it."""

    id: str
    width: float
    height: float
    caption: tuple[str, float, float] | None = None
    caption_gap: float = 0.0

    @property
    def wide(self) -> float:
        """Width with its caption."""
        return max(self.width, self.caption[1]) if self.caption else self.width

    @property
    def high(self) -> float:
        """Height with its caption."""
        return self.height + (self.caption_gap + self.caption[2] if self.caption else 0.0)


@dataclass(frozen=True, slots=True)
class Arranged:
    """Middles of all outlines from the group's middle, and the group's size."""

    at: dict[str, Dot]
    width: float
    height: float


def arrange(blocks: Sequence[Block], rule: str, gap: float, columns: int | None = None) -> Arranged:
    """All blocks by one rule; the first is the main one. An empty list gives an empty group."""
    if not blocks:
        return Arranged({}, 0.0, 0.0)
    makers = {"row": _row, "column": _column, "symmetric": _symmetric, "around": _around}
    if rule == "grid":
        middles = _grid(blocks, gap, columns or math.ceil(math.sqrt(len(blocks))))
    else:
        middles = makers[rule](blocks, gap)
    return _closed(blocks, middles, rule in ("symmetric", "around"))


def rule_for(blocks: Sequence[Block]) -> str:
    """The rule that a plan takes: round a main piece that is much larger, else a grid or a row."""
    if len(blocks) < 3:
        return "row"
    others = max(b.wide * b.high for b in blocks[1:])
    if blocks[0].wide * blocks[0].high > 2.5 * others:
        return "around"
    return "row" if len(blocks) < 4 else "grid"


def _row(blocks: Sequence[Block], gap: float) -> dict[str, Dot]:
    out, x = {}, 0.0
    for b in blocks:
        out[b.id] = (x + b.wide / 2, 0.0)
        x += b.wide + gap
    return out


def _column(blocks: Sequence[Block], gap: float) -> dict[str, Dot]:
    out, y = {}, 0.0
    for b in blocks:
        out[b.id] = (0.0, y - b.high / 2)
        y -= b.high + gap
    return out


def _grid(blocks: Sequence[Block], gap: float, columns: int) -> dict[str, Dot]:
    """Rows of ``columns``; equal gaps between outlines along each row, every row centred, rows a gap apart."""
    out, y = {}, 0.0
    for first in range(0, len(blocks), columns):
        row = blocks[first : first + columns]
        high = max(b.high for b in row)
        x = -(sum(b.wide for b in row) + gap * (len(row) - 1)) / 2
        for b in row:
            out[b.id] = (x + b.wide / 2, y - high / 2)
            x += b.wide + gap
        y -= high + gap
    return out


def _symmetric(blocks: Sequence[Block], gap: float) -> dict[str, Dot]:
    """The main piece in the middle, the others in pairs of like size left and right of it; an odd one below."""
    main, *others = blocks
    out: dict[str, Dot] = {main.id: (0.0, 0.0)}
    others = sorted(others, key=lambda b: -b.wide * b.high)
    odd = others.pop() if len(others) % 2 else None
    reach = main.wide / 2
    for left, right in zip(others[::2], others[1::2], strict=True):
        wide = max(left.wide, right.wide)
        out[left.id], out[right.id] = (-(reach + gap + wide / 2), 0.0), (reach + gap + wide / 2, 0.0)
        reach += gap + wide
    if odd is not None:
        low = min([-main.high / 2, *(-b.high / 2 for b in others)])
        out[odd.id] = (0.0, low - gap - odd.high / 2)
    return out


def _around(blocks: Sequence[Block], gap: float) -> dict[str, Dot]:
    """The main piece in the middle; the others in a column left, a column right, and what is over in a row below."""
    main, *others = blocks
    out: dict[str, Dot] = {main.id: (0.0, 0.0)}
    sides: tuple[list[Block], list[Block]] = ([], [])
    below: list[Block] = []
    for b in others:
        side = min(sides, key=lambda s: sum(x.high + gap for x in s))
        stack = sum(x.high + gap for x in side) + b.high
        (side if stack <= main.high + 1e-6 else below).append(b)
    for sign, side in zip((-1, 1), sides, strict=True):
        if not side:
            continue
        wide = max(b.wide for b in side)
        y = (sum(b.high for b in side) + gap * (len(side) - 1)) / 2
        for b in side:
            out[b.id] = (sign * (main.wide / 2 + gap + wide / 2), y - b.high / 2)
            y -= b.high + gap
    high = max((b.high for b in below), default=0.0)
    x = -(sum(b.wide for b in below) + gap * (len(below) - 1)) / 2
    for b in below:
        out[b.id] = (x + b.wide / 2, -main.high / 2 - gap - high / 2)
        x += b.wide + gap
    return out


def _closed(blocks: Sequence[Block], middles: dict[str, Dot], main_centred: bool) -> Arranged:
    """Captions set under their pieces, everything about the group's own middle.

    ``main_centred``: the group is as wide to the left of its main piece as to the right."""
    left = min(middles[b.id][0] - b.wide / 2 for b in blocks)
    right = max(middles[b.id][0] + b.wide / 2 for b in blocks)
    low = min(middles[b.id][1] - b.high / 2 for b in blocks)
    high = max(middles[b.id][1] + b.high / 2 for b in blocks)
    if main_centred:
        reach = max(-left, right)
        left, right = -reach, reach
    cx, cy = (left + right) / 2, (low + high) / 2
    at: dict[str, Dot] = {}
    for b in blocks:
        x, y = middles[b.id][0] - cx, middles[b.id][1] - cy
        at[b.id] = (x, y + b.high / 2 - b.height / 2)
        if b.caption is not None:
            at[b.caption[0]] = (x, y - b.high / 2 + b.caption[2] / 2)
    return Arranged(at, right - left, high - low)
