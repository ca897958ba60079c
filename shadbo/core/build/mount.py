"""A way of holding a piece, as data."""

from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.shop.boards import TapeKind

Drying = Literal["", "paste_h", "puzzle_glue_h", "spray_h", "tape_alone_h"]
FactorKind = Literal["hardware_factor", "tape_factor", "hinge_factor", "pin_factor", "magnet_factor"]


@dataclass(frozen=True, slots=True)
class Mount:
    """A way of holding a piece. Places in braces are lengths of the shop's practice.

    ``fixes``: it keeps the piece from coming forwards by itself. ``dries``: nothing more is done to it so long.
    ``in_frame``: it is done as the piece is laid into its frame and fastened, not before.
    """

    id: str
    name: str
    steps: tuple[str, ...]
    reversible: bool = True
    glues: bool = False
    wets: bool = False
    pierces: bool = False
    fixes: bool = True
    most_kg: float = 1000.0
    tape: TapeKind | None = None
    factor: FactorKind = "hardware_factor"
    care: str = ""
    dries: Drying = ""
    in_frame: bool = False
