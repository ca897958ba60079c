"""What a frame offers: mouldings held against a piece, the depth that layers share, what a hanger's screws find."""

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.shop.materials import FloaterProfile, PlainStock, Species
from shadbo.core.words.words import Sentence

Moulding = FloaterProfile | FrameProfile | PlainStock


@dataclass(frozen=True, slots=True)
class BackRail:
    """What the hanger's screws find behind: width of the rail's back, and how thick the wood is there.

    ``glued``: the ledge is a strip of its own, so that a glue line runs between it and the wall.
    """

    species: Species
    wall: Quantity
    thick_at_wall: Quantity
    ledge: Quantity
    thick_at_ledge: Quantity
    glued: bool = False


@dataclass(frozen=True, slots=True)
class Suitability:
    """A moulding of the stock held against this piece: what it would need, and why it fails, if it does."""

    profile: Moulding
    says: Sentence
    faults: tuple[Sentence, ...]
    price: float
    missing_mm: float = 0.0
    ledge_mm: float = 0.0
    size: Sentence = Sentence("")

    @property
    def fits(self) -> bool:
        """Whether the piece can be built in it as wanted."""
        return not self.faults


@dataclass(frozen=True, slots=True)
class Room:
    """The depth that the layers share: from the lip, or the frame's front edge, to its back."""

    start_mm: float
    end_mm: float
    key: str
    name: str


@dataclass(frozen=True, slots=True)
class Margins:
    """Which lines of the sheet tell the air round the piece, and how far in from the outside it begins."""

    word: str
    inset_mm: float
    said: str
