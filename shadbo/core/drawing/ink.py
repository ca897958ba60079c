"""Colours, line weights and hatches. One table serves every writer."""

from shadbo.core.build.assembly import Hatch
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.scene import LineRole

INK = "#20242c"
SOFT = "#6b675c"
PAPER = "#fcfbf5"
ACCENT = "#0f5a6b"
TAPE = "#9a3412"
PAD = "#f1c8b8"


@dataclass(frozen=True, slots=True)
class Stroke:
    """How a line is drawn: colour, width in px at the board's size, dashes."""

    colour: str
    width: float
    dash: str = ""


STROKES: dict[LineRole, Stroke] = {
    "outline": Stroke(INK, 1.6),
    "thin": Stroke(INK, 0.8),
    "hidden": Stroke(SOFT, 1.0, "6 4"),
    "centre": Stroke(SOFT, 0.8, "14 3 3 3"),
    "cloth": Stroke(ACCENT, 3.2),
    "wall": Stroke(SOFT, 1.2),
    "front": Stroke(SOFT, 1.0, "6 4"),
    "wire": Stroke(ACCENT, 1.8),
    "screw": Stroke(INK, 1.2),
    "mark": Stroke(TAPE, 1.4),
    "zone": Stroke("#9c1c1c", 1.4, "3 3"),
    "cut": Stroke(INK, 1.8),
}


@dataclass(frozen=True, slots=True)
class Fill:
    """A tone, and the strokes of one tile laid over it: ``path`` in a tile of ``size`` px."""

    tone: str
    path: str = ""
    size: tuple[float, float] = (10, 10)
    colour: str = "#a58a5c"
    turn: float = 0.0


FILLS: dict[Hatch, Fill] = {
    "wood": Fill("#ecdfc3", "M0 5H10", (10, 10), "#b09668", -45),
    "stretcher": Fill("#f8ecd2", "M0 4C6 1 10 7 16 4S26 1 32 4", (32, 8), "#c0a67a"),
    "pad": Fill(PAD, "M2 2h1M7 6h1", (10, 8), "#a8432a"),
    "cloth": Fill("#e6eceb", "M0 2h2M4 6h2", (8, 8), "#c3d0cf"),
    "glass": Fill("#dcebf2", "M0 8L8 0", (16, 16), "#8fb3c6"),
    "mat": Fill("#f4efe2", "M0 3h10", (10, 6), "#c9bd9d"),
    "inner-mat": Fill("#cfdcd8", "M0 3h10", (10, 6), "#93aaa3"),
    "board": Fill("#f7f5ec", "M2 2h1M7 5h1M4 8h1", (10, 10), "#b8b29c"),
    "backing": Fill("#dccbb0", "M0 0L10 10", (10, 10), "#ab9369"),
    "paper": Fill("#fffdf4"),
    "textile": Fill("#e9dfe6", "M0 2h4M4 6h4M2 0v4M6 4v4", (8, 8), "#b79fb0"),
    "puzzle": Fill("#e3e8d8", "M0 6h4c-2-4 6-4 4 0h4M6 0v3M6 9v3", (12, 12), "#a5b18a"),
    "spacer": Fill("#c9ced2", "M0 0L8 8", (8, 8), "#8b949b"),
    "metal": Fill("#d4d6da"),
    "lit": Fill("#f7e08a", "M5 2v6M2 5h6", (12, 12), "#d9b93a"),
    "air": Fill("none"),
    "none": Fill("none"),
}


def in_shade(tone: str) -> str:
    """A colour as it looks deep in a gap, where four tenths of the light come.

    >>> in_shade("#f0e0c8"), in_shade("#202020")
    ('#605a50', '#0d0d0d')
    """
    return "#" + "".join(f"{round(int(tone[i : i + 2], 16) * 0.4):02x}" for i in (1, 3, 5))
