"""Colours, line weights and hatches. One table serves every writer."""

from dataclasses import dataclass

from shadbo.core.assembly import Hatch
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
    "metal": Fill("#d4d6da"),
    "air": Fill("none"),
    "none": Fill("none"),
}
