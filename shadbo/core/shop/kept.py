"""Materials that a job keeps: each copied from the stock when the job's first part was cut, by its role."""

import re
from functools import lru_cache
from typing import Annotated, Generic, TypeVar

from pydantic import Field

from shadbo.core.dataclass import dataclass
from shadbo.core.shop.boards import (
    Clip,
    CornerPiece,
    Dowel,
    FrameProfile,
    LampStrip,
    PosterRail,
    SheetStock,
    SpacerStock,
    Supply,
    Tape,
)
from shadbo.core.shop.materials import FloaterProfile, Hanger, PadStock, PlainStock, Screw, Wire
from shadbo.core.shop.values import Value

M = TypeVar("M")
Role = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9_.-]{0,90}$")]
ByRole = Annotated[dict[Role, M], Field(max_length=200)]


class Materials(Value):
    """What a job is made of, by the drawer that it came from and the role that it plays."""

    floater_profiles: ByRole[FloaterProfile] = Field(default_factory=dict)
    plain_stock: ByRole[PlainStock] = Field(default_factory=dict)
    pads: ByRole[tuple[PadStock, ...]] = Field(default_factory=dict)
    frames: ByRole[FrameProfile] = Field(default_factory=dict)
    sheets: ByRole[SheetStock] = Field(default_factory=dict)
    clips: ByRole[Clip] = Field(default_factory=dict)
    tapes: ByRole[Tape] = Field(default_factory=dict)
    spacers: ByRole[SpacerStock] = Field(default_factory=dict)
    poster_rails: ByRole[PosterRail] = Field(default_factory=dict)
    lamps: ByRole[LampStrip] = Field(default_factory=dict)
    supplies: ByRole[Supply] = Field(default_factory=dict)
    dowels: ByRole[Dowel] = Field(default_factory=dict)
    corners: ByRole[CornerPiece] = Field(default_factory=dict)
    screws: ByRole[Screw] = Field(default_factory=dict)
    hangers: ByRole[Hanger] = Field(default_factory=dict)
    wires: ByRole[Wire] = Field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Drawer(Generic[M]):
    """One drawer of the stock, and what lies in it."""

    name: str

    def kept(self, materials: Materials, role: str) -> M | None:
        """What the job keeps for a role; None where nothing is kept yet."""
        kept: M | None = getattr(materials, self.name).get(role)
        return kept


FLOATER_PROFILES: Drawer[FloaterProfile] = Drawer("floater_profiles")
PLAIN_STOCK: Drawer[PlainStock] = Drawer("plain_stock")
PADS: Drawer[tuple[PadStock, ...]] = Drawer("pads")
FRAMES: Drawer[FrameProfile] = Drawer("frames")
SHEETS: Drawer[SheetStock] = Drawer("sheets")
CLIPS: Drawer[Clip] = Drawer("clips")
TAPES: Drawer[Tape] = Drawer("tapes")
SPACERS: Drawer[SpacerStock] = Drawer("spacers")
POSTER_RAILS: Drawer[PosterRail] = Drawer("poster_rails")
LAMPS: Drawer[LampStrip] = Drawer("lamps")
SUPPLIES: Drawer[Supply] = Drawer("supplies")
DOWELS: Drawer[Dowel] = Drawer("dowels")
CORNERS: Drawer[CornerPiece] = Drawer("corners")
SCREWS: Drawer[Screw] = Drawer("screws")
HANGERS: Drawer[Hanger] = Drawer("hangers")
WIRES: Drawer[Wire] = Drawer("wires")


@lru_cache(maxsize=512)
def role(*words: str) -> str:
    """A role's name from words: ``role("hanger", "slanted hole")`` is ``hanger.slanted-hole``."""
    return ".".join(re.sub(r"[^a-z0-9_.-]+", "-", w.lower()).strip("-") for w in words if w)
