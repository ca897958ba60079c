"""A drawing at full size over several pages: tiles that overlap, each with its place, join marks and a check bar."""

import math
from dataclasses import replace

from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.marks import PX_PER_MM, Circle, Fit, Group, Paper, Path, Sheet2D, Text
from shadbo.core.drawing.templates import Template

MARGIN_MM = 12.0
HEAD_MM = 14.0
FOOT_MM = 16.0
OVERLAP_MM = 10.0
AROUND_MM = 6.0
STROKE_PX = 6.0


@dataclass(frozen=True, slots=True)
class Page:
    """Size of a page in mm."""

    name: str
    width: float
    height: float

    @property
    def room(self) -> tuple[float, float]:
        """Width and height that a tile takes on it."""
        return self.width - 2 * MARGIN_MM, self.height - 2 * MARGIN_MM - HEAD_MM - FOOT_MM


A4 = Page("a4", 210.0, 297.0)
LETTER = Page("letter", 215.9, 279.4)
PAGES = {"a4": A4, "letter": LETTER}


@dataclass(frozen=True, slots=True)
class Tile:
    """One tile: column and row from the top left, and its left top corner in the drawing, mm."""

    column: int
    row: int
    left: float
    top: float


@dataclass(frozen=True, slots=True)
class Tiled:
    """A template composed at 1 : 1, and the tiles that are worth printing. Its left top corner is at (0, 0) px."""

    template: Template
    sheet: Sheet2D
    tiles: tuple[Tile, ...]
    columns: int
    rows: int
    origin: tuple[float, float]


def tiled(template: Template, page: Page) -> Tiled:
    """Cut a template into tiles; tiles without any mark are left out, since there is nothing to do there."""
    left, low, right, high = template.scene.bounds()
    left, high = left - AROUND_MM, high + AROUND_MM
    wide, tall = right + AROUND_MM - left, high - (low - AROUND_MM)
    fit = Fit(PX_PER_MM, -left * PX_PER_MM, high * PX_PER_MM)
    paper = Paper(f"t-{template.id}", wide * PX_PER_MM, tall * PX_PER_MM, (0, 0, 0, 0))
    sheet = compose(template.scene, paper, fit)
    sheet.groups = [_bare(g) for g in sheet.groups if g.role not in ("note", "dim", "tape")]
    step = (page.room[0] - OVERLAP_MM, page.room[1] - OVERLAP_MM)
    columns = max(1, math.ceil((wide - OVERLAP_MM) / step[0] - 1e-9))
    rows = max(1, math.ceil((tall - OVERLAP_MM) / step[1] - 1e-9))
    tiles = []
    for row in range(rows):
        for column in range(columns):
            x, y = column * step[0], row * step[1]
            here = any(
                x - 2 <= mx - left <= x + page.room[0] + 2 and y - 2 <= high - my <= y + page.room[1] + 2
                for mx, my in template.marks
            )
            if here or columns * rows == 1:
                tiles.append(Tile(column, row, x, y))
    return Tiled(template, sheet, tuple(tiles), columns, rows, (left, high))


def on_tile(cut: Tiled, tile: Tile, page: Page) -> Sheet2D:
    """The drawing with only what may be seen on one tile: a page carries its own part and no more."""
    left, top = tile.left * PX_PER_MM, tile.top * PX_PER_MM
    right, low = left + page.room[0] * PX_PER_MM, top + page.room[1] * PX_PER_MM
    groups = []
    for group in cut.sheet.groups:
        marks = tuple(
            m
            for m in group.marks
            for box in [_box(m)]
            if box[0] <= right and box[2] >= left and box[1] <= low and box[3] >= top
        )
        if marks:
            groups.append(replace(group, marks=marks))
    return replace(cut.sheet, groups=groups)


def _box(mark: Path | Circle | Text) -> tuple[float, float, float, float]:
    """Left, top, right and low of a mark, in px; of words, whatever way they run."""
    match mark:
        case Path():
            xs, ys = [x for x, _ in mark.dots], [y for _, y in mark.dots]
            return min(xs) - STROKE_PX, min(ys) - STROKE_PX, max(xs) + STROKE_PX, max(ys) + STROKE_PX
        case Circle():
            (x, y), r = mark.centre, mark.radius + STROKE_PX
            return x - r, y - r, x + r, y + r
        case Text():
            (x, y), r = mark.at, mark.size * (len(mark.text) + 1)
            return x - r, y - r, x + r, y + r


def _bare(group: Group) -> Group:
    """Lines only: hatches and tones cost ink, and hide the pencil."""
    marks = tuple(replace(m, hatch="", tone="") if isinstance(m, Path) else m for m in group.marks)
    return replace(group, marks=marks)


def on_page(tile: Tile, mm: tuple[float, float], tiled_: Tiled) -> tuple[float, float]:
    """Where a point of the drawing lies on the tile's page: mm from the page's left and top edges."""
    x = mm[0] - tiled_.origin[0] - tile.left + MARGIN_MM
    y = tiled_.origin[1] - mm[1] - tile.top + MARGIN_MM + HEAD_MM
    return x, y


def label(tile: Tile) -> str:
    """A1, A2 … along the first row, B1 … along the second."""
    return f"{chr(ord('A') + tile.row % 26)}{tile.column + 1}"
