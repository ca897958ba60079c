"""Block letters for boards that are cut out: strokes on a grid five wide and seven high, their islands and bridges.

The alphabet is the project's own. A letter is a set of cells; its outline has right angles only. Strokes meet along
whole sides of cells, never at a bare corner: there the board would tear.
"""

from collections.abc import Iterable
from functools import lru_cache
from itertools import pairwise

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.plane import Dot as Dot
from shadbo.core.shapes.plane import Ring as Ring

COLUMNS, ROWS = 5, 7
GLYPHS = {
    "A": ".###. ##.## #...# ##### #...# #...# #...#", "B": "####. #..#. #..#. ##### #...# #...# #####",
    "C": "##### #.... #.... #.... #.... #.... #####", "D": "####. #..## #...# #...# #...# #..## ####.",
    "E": "##### #.... #.... ####. #.... #.... #####", "F": "##### #.... #.... ####. #.... #.... #....",
    "G": "##### #.... #.... #.### #...# #...# #####", "H": "#...# #...# #...# ##### #...# #...# #...#",
    "I": "##### ..#.. ..#.. ..#.. ..#.. ..#.. #####", "J": "..### ....# ....# ....# ....# #...# #####",
    "K": "#...# #..## #.##. ###.. #.##. #..## #...#", "L": "#.... #.... #.... #.... #.... #.... #####",
    "M": "#...# ##.## ##### #.#.# #...# #...# #...#", "N": "#...# ##..# ###.# #.### #..## #...# #...#",
    "O": "##### #...# #...# #...# #...# #...# #####", "P": "##### #...# #...# ##### #.... #.... #....",
    "Q": "##### #...# #...# #...# #.#.# #.### #####", "R": "##### #...# #...# ##### #.##. #..## #...#",
    "S": "##### #.... #.... ##### ....# ....# #####", "T": "##### ..#.. ..#.. ..#.. ..#.. ..#.. ..#..",
    "U": "#...# #...# #...# #...# #...# #...# #####", "V": "#...# #...# #...# #...# ##.## .###. ..#..",
    "W": "#...# #...# #...# #.#.# ##### ##.## #...#", "X": "#...# ##.## .###. ..#.. .###. ##.## #...#",
    "Y": "#...# ##.## .###. ..#.. ..#.. ..#.. ..#..", "Z": "##### ...## ..##. .##.. ##... #.... #####",
    "0": "##### #...# #...# #...# #...# #...# #####", "1": "..#.. .##.. ..#.. ..#.. ..#.. ..#.. #####",
    "2": "##### ....# ....# ##### #.... #.... #####", "3": "##### ....# ....# .#### ....# ....# #####",
    "4": "#...# #...# #...# ##### ....# ....# ....#", "5": "##### #.... #.... ##### ....# ....# #####",
    "6": "##### #.... #.... ##### #...# #...# #####", "7": "##### ....# ...## ..##. .##.. .#... .#...",
    "8": "##### #...# #...# ##### #...# #...# #####", "9": "##### #...# #...# ##### ....# ....# #####",
    "-": "..... ..... ..... ##### ..... ..... .....", ".": "..... ..... ..... ..... ..... ..... ..#..",
    "+": "..... ..#.. ..#.. ##### ..#.. ..#.. .....", "!": "..#.. ..#.. ..#.. ..#.. ..#.. ..... ..#..",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Lettering:
    """Cut-outs of a line of letters about its own middle, how many islands they leave, and its size.

    ``holes`` are the islands' own outlines: with bridges there are none.
    """

    rings: tuple[Ring, ...]
    holes: tuple[Ring, ...]
    islands: int
    width: float
    height: float


def unknown(text: str) -> str:
    """Signs of the text that the alphabet does not have."""
    return "".join(sorted({c for c in text.upper() if c != " " and c not in GLYPHS}))


@lru_cache(maxsize=64)
def lettering(text: str, height_mm: float, bridge_mm: float = 0.0) -> Lettering:
    """Cut-outs for a line of text. ``bridge_mm`` above 0 leaves bridges of that width to every island."""
    cell = height_mm / ROWS
    rings: list[Ring] = []
    holes: list[Ring] = []
    islands = 0
    shown = [c for c in text.upper() if c == " " or c in GLYPHS]
    wide = len(shown) * (COLUMNS + 1) * cell - cell if shown else 0.0
    for n, sign in enumerate(shown):
        if sign == " ":
            continue
        rows = GLYPHS[sign].split()
        cells = {(x, ROWS - 1 - y) for y, row in enumerate(rows) for x, c in enumerate(row) if c == "#"}
        inside = _islands(cells)
        islands += len(inside)
        left = -wide / 2 + n * (COLUMNS + 1) * cell
        cuts = [(min(x for x, _ in i) + max(x for x, _ in i) + 1) / 2 for i in inside] if bridge_mm > 0 else []
        for ring, hole in _trace(cells, cell, bridge_mm, cuts):
            placed = tuple((x + left, y - height_mm / 2) for x, y in ring)
            (holes if hole else rings).append(placed)
    return Lettering(tuple(rings), tuple(holes), islands, wide, height_mm)


def _islands(cells: set[tuple[int, int]]) -> list[set[tuple[int, int]]]:
    """Groups of empty cells that the strokes close in: board that would fall out."""
    left = {(x, y) for x in range(-1, COLUMNS + 1) for y in range(-1, ROWS + 1)} - cells
    groups = []
    while left:
        todo = [left.pop()]
        group = set(todo)
        while todo:
            x, y = todo.pop()
            for near in ((x + 1, y), (x - 1, y), (x, y + 1), (x, y - 1)):
                if near in left:
                    left.remove(near)
                    group.add(near)
                    todo.append(near)
        groups.append(group)
    return [g for g in groups if (-1, -1) not in g]


def _trace(cells: set[tuple[int, int]], cell: float, bridge: float, cuts: Iterable[float]) -> list[tuple[Ring, bool]]:
    """Outlines of the filled cells, less an upright bridge at every place of ``cuts``; holes run clockwise."""
    middles = sorted(set(cuts))
    half = bridge / cell / 2
    xs = sorted({float(x) for x in range(COLUMNS + 1)} | {m - half for m in middles} | {m + half for m in middles})
    filled = set()
    for i, (a, b) in enumerate(pairwise(xs)):
        mid = (a + b) / 2
        if any(m - half < mid < m + half for m in middles):
            continue
        filled |= {(i, y) for y in range(ROWS) if (int(mid // 1), y) in cells}
    edges: dict[Dot, list[Dot]] = {}
    for i, y in filled:
        x0, x1 = xs[i], xs[i + 1]
        low, high = float(y), float(y + 1)
        around: tuple[tuple[tuple[int, int], Dot, Dot], ...] = (
            ((i, y - 1), (x0, low), (x1, low)),
            ((i + 1, y), (x1, low), (x1, high)),
            ((i, y + 1), (x1, high), (x0, high)),
            ((i - 1, y), (x0, high), (x0, low)),
        )
        for near, start_, end in around:
            if near not in filled:
                edges.setdefault(start_, []).append(end)
    out = []
    while edges:
        start = min(edges)
        ring, at, came = [start], start, (0.0, 0.0)
        while True:
            nexts = edges[at]
            # Where two outlines touch at a corner the sharpest left turn keeps them apart.
            nxt = max(nexts, key=lambda n: _left_turn(came, at, n)) if len(nexts) > 1 else nexts[0]
            nexts.remove(nxt)
            if not nexts:
                del edges[at]
            came, at = (nxt[0] - at[0], nxt[1] - at[1]), nxt
            if at == start:
                break
            ring.append(at)
        corners = _corners(ring)
        area = sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(corners, (*corners[1:], corners[0]), strict=True))
        out.append((tuple((x * cell, y * cell) for x, y in corners), area < 0))
    return out


def _left_turn(came: Dot, at: Dot, nxt: Dot) -> float:
    return came[0] * (nxt[1] - at[1]) - came[1] * (nxt[0] - at[0])


def _corners(ring: list[Dot]) -> list[Dot]:
    n = len(ring)
    out = []
    for i, (x, y) in enumerate(ring):
        (x0, y0), (x1, y1) = ring[i - 1], ring[(i + 1) % n]
        if (x - x0) * (y1 - y) != (y - y0) * (x1 - x):
            out.append((x, y))
    return out
