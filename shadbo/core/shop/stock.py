"""What lies in the racks and drawers of a workshop, and what is found there."""

from typing import Annotated

from pydantic import Field

from shadbo.core.shop.boards import (
    Clip,
    CornerPiece,
    Dowel,
    FrameProfile,
    LampStrip,
    PosterRail,
    SheetKind,
    SheetStock,
    SpacerStock,
    Supply,
    Tape,
    TapeKind,
)
from shadbo.core.shop.materials import FloaterProfile, Hanger, PadStock, PlainStock, Screw, Wire, usual_screw
from shadbo.core.shop.values import Line, Value


class Stock(Value):
    """What lies in the racks and drawers; ``retired`` is offered no more, as ``frames/buoy-22``."""

    floater_profiles: tuple[FloaterProfile, ...] = ()
    plain_stock: tuple[PlainStock, ...] = ()
    pads: tuple[PadStock, ...] = ()
    frames: tuple[FrameProfile, ...] = ()
    sheets: tuple[SheetStock, ...] = ()
    clips: tuple[Clip, ...] = ()
    tapes: tuple[Tape, ...] = ()
    spacers: tuple[SpacerStock, ...] = ()
    poster_rails: tuple[PosterRail, ...] = ()
    lamps: tuple[LampStrip, ...] = ()
    supplies: tuple[Supply, ...] = ()
    dowels: tuple[Dowel, ...] = ()
    corners: tuple[CornerPiece, ...] = ()
    screws: tuple[Screw, ...] = ()
    hangers: tuple[Hanger, ...] = ()
    wires: tuple[Wire, ...] = ()
    retired: Annotated[tuple[Line, ...], Field(max_length=2000)] = ()

    def offered(self) -> "Stock":
        """All that is not retired; itself where nothing is."""
        if not self.retired:
            return self
        gone = set(self.retired)
        homes = {x.split("/")[0] for x in gone} & set(type(self).model_fields) - {"retired"}
        left = {h: tuple(x for x in getattr(self, h) if f"{h}/{x.id}" not in gone) for h in homes}
        return self.model_copy(update=left)

    def sheets_of(self, *kinds: SheetKind) -> list[SheetStock]:
        """Sheets of these kinds, the cheapest first."""
        return sorted((x for x in self.sheets if x.kind in kinds), key=lambda x: (x.price_per_m2, x.thick_mm))

    def tapes_of(self, kind: TapeKind) -> list[Tape]:
        """Tapes of a kind, the cheapest first."""
        return sorted((t for t in self.tapes if t.kind == kind), key=lambda t: t.price)

    def screw(self, length_mm: float, by_gauge: bool = False) -> Screw:
        """The screw of that length in the drawers; one of the usual kind where none lies there."""
        there = next((x for x in self.screws if abs(x.length_mm - length_mm) < 0.01), None)
        return there or usual_screw(length_mm, by_gauge)

    def wire(self, pull_kg: float, factor: float) -> Wire | None:
        """The lightest wire whose rating, by the factor, takes the pull; else the strongest there is."""
        wires = sorted(self.wires, key=lambda w: w.rating_kg)
        return next((w for w in wires if w.rating_kg / factor >= pull_kg), wires[-1] if wires else None)
