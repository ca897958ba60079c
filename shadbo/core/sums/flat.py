"""Flat pieces: paper, puzzle, needlework, panel, pressed plant."""

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import Needlework, Panel, Paper, Piece, PressedPlant, Puzzle
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sums.shape import Shape, read_all, shape_of, thickness_of
from shadbo.core.sums.weight import PANEL_KG_PER_M3, of_density, skin, weighed

FLAT = (Paper, Puzzle, Needlework, Panel, PressedPlant)


@dataclass(frozen=True, slots=True)
class FlatSums:
    """Size, shape, thickness and mass of a flat piece."""

    shape: Shape
    thick: Quantity
    mass: Quantity

    @property
    def width(self) -> Quantity:
        """The width that counts."""
        return self.shape.width

    @property
    def height(self) -> Quantity:
        """The height that counts."""
        return self.shape.height


def flat_sums(desk: Desk, piece: Piece) -> FlatSums:
    """Put a flat piece on the sheet; TypeError for a canvas."""
    detail, s = piece.detail, desk.sheet
    if not isinstance(detail, FLAT):
        raise TypeError(f"a {detail.kind} is not a flat piece")
    got = read_all(desk, detail)
    thick = thickness_of(desk, detail, got, "piece")
    assert thick is not None
    shape = shape_of(desk, detail, got)
    area = shape.width * shape.height
    if piece.weight_kg is not None:
        mass = weighed(s, "piece.mass", "piece, weighed", piece.weight_kg)
    elif isinstance(detail, Panel):
        panel = of_density(s, PANEL_KG_PER_M3[detail.material], area, thick)
        mass = s.let("piece.mass", "piece, estimated", panel, "area and thickness; weigh it where it matters")
    else:
        cloth = skin(s, _worked(detail), area)
        mass = s.let("piece.mass", "piece, estimated", cloth, "area; weigh it where it matters")
    return FlatSums(shape, thick, mass)


def _worked(detail: Paper | Puzzle | Needlework | PressedPlant) -> str:
    """What a piece weighs by: a worked cloth by its sort, others by their kind."""
    return detail.sort if isinstance(detail, Needlework) else detail.kind
