"""Mouldings, sheets, clips, tapes, spacers and rails of the demo workshop: invented, sizes as such goods have."""

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
from shadbo.core.shop.materials import Species


def _frame(
    id_: str,
    name: str,
    face: float,
    height: float,
    rabbet: float,
    lip: float,
    price: float,
    colour: str,
    wood: Species = "softwood",
) -> FrameProfile:
    return FrameProfile(
        id=id_,
        name=name,
        face_mm=face,
        height_mm=height,
        rabbet_mm=rabbet,
        lip_mm=lip,
        species=wood,
        price_per_m=price,
        colour=colour,
    )


FRAMES = (
    _frame("buoy-16", "Buoy 16", 16, 20, 13, 6, 3.1, "#2d2b2a"),
    _frame("buoy-22", "Buoy 22", 22, 26, 18, 6, 3.9, "#7a5a3c"),
    _frame("cleat-25", "Cleat 25", 25, 34, 26, 7, 5.4, "#ece7da"),
    _frame("hawser-30", "Hawser 30 ash", 30, 40, 32, 8, 9.6, "#d3bd92", "hardwood"),
    _frame("bollard-35", "Bollard 35", 35, 52, 44, 9, 8.8, "#3b2f28"),
    _frame("beacon-45", "Beacon 45 ash", 45, 62, 54, 10, 14.5, "#c8ae80", "hardwood"),
    _frame("locker-40", "Locker 40", 40, 78, 70, 10, 15.8, "#2d2b2a"),
    _frame("hold-45", "Hold 45", 45, 102, 94, 11, 19.2, "#5b4634"),
)


def _sheet(
    id_: str,
    name: str,
    kind: SheetKind,
    thick: float,
    w: float,
    h: float,
    price: float,
    coated: bool = False,
    colour: str | None = None,
    acid_free: bool | None = True,
    lead_days: int | None = None,
) -> SheetStock:
    return SheetStock(
        id=id_,
        name=name,
        kind=kind,
        thick_mm=thick,
        width_mm=w,
        height_mm=h,
        price_per_m2=price,
        coated=coated,
        colour=colour,
        acid_free=acid_free,
        lead_days=lead_days,
    )


def _mat(id_: str, name: str, colour: str, large: bool = False) -> SheetStock:
    size = (1016.0, 1524.0, 21.0) if large else (813.0, 1016.0, 14.0)
    full = f"mat, {name}, large" if large else f"mat, {name}"
    return _sheet(id_, full, "mat", 1.4, *size, colour=colour)


SHEETS = (
    _sheet("glass-2", "float glass 2", "glass", 2, 900, 1200, 18),
    _sheet("glass-2-coated", "coated glass 2", "glass", 2, 900, 1200, 74, True, lead_days=4),
    _sheet("acrylic-2", "acrylic 2", "acrylic", 2, 1000, 1500, 29),
    _sheet("acrylic-3", "acrylic 3", "acrylic", 3, 1500, 2000, 41, lead_days=5),
    _sheet("acrylic-3-coated", "coated acrylic 3", "acrylic", 3, 1220, 1520, 130, True, lead_days=5),
    _mat("mat-sail", "sailcloth white", "#efe9da"),
    _mat("mat-tide", "tide green", "#4f7d72"),
    _mat("mat-large", "sailcloth white", "#efe9da", True),
    _sheet("foam-5-board", "foam board 5", "foam board", 5, 1000, 1400, 10),
    _sheet("foam-3-board", "foam board 3", "foam board", 3, 1000, 1400, 8),
    _sheet("grey-2", "grey backing 2", "backing", 2, 1000, 1400, 6),
    _sheet("fluted-4", "fluted plastic 4", "corrugated plastic", 4, 1200, 2400, 7),
    _sheet("hardboard-3", "hardboard 3", "hardboard", 3, 1220, 2440, 5, acid_free=False),
    _sheet("mdf-6", "mdf 6", "mdf", 6, 1220, 2440, 8, acid_free=False),
    _mat("mat-navy", "night watch blue", "#22304f"),
    _mat("mat-navy-large", "night watch blue", "#22304f", True),
    _mat("mat-buoy", "buoy red", "#a5322b"),
    _mat("mat-buoy-large", "buoy red", "#a5322b", True),
    _mat("mat-sand", "dry sand", "#d3bf95"),
    _mat("mat-sand-large", "dry sand", "#d3bf95", True),
    _mat("mat-slate", "wet slate", "#5b6168"),
    _mat("mat-slate-large", "wet slate", "#5b6168", True),
    _mat("mat-moss", "groyne moss", "#5a6b3a"),
    _mat("mat-dusk", "dusk violet", "#6d5a7d"),
)
CLIPS = tuple(
    Clip(id=f"clip-{n}", name=f"offset clip {n}", offset_mm=n, rating_kg=4, price=0.22)
    for n in (0, 3, 6, 9, 12, 19, 25)
)


def _tape(id_: str, name: str, kind: TapeKind, rating: float, by_length: bool, width: float, price: float) -> Tape:
    return Tape(id=id_, name=name, kind=kind, rating_kg=rating, by_length=by_length, width_mm=width, price=price)


TAPES = (
    _tape("linen-25", "linen hinge 25", "linen hinge", 3, False, 25, 0.3),
    _tape("double-12", "double-sided tape 12", "double-sided", 1.2, True, 12, 0.4),
    _tape("puzzle-48", "paper tape 48", "puzzle tape", 2, True, 48, 0.25),
    _tape("strip-2", "wall strip", "wall strip", 1.8, False, 19, 0.9),
    _tape("corner-25", "paper corner", "corner", 0.5, False, 25, 0.4),
    _tape("barb-6", "barb 6", "barb", 0.5, False, 1, 0.02),
    _tape("thread-40", "linen thread", "thread", 1.5, False, 1, 0.6),
    _tape("spray", "spray adhesive", "spray", 6, True, 100, 2.5),
    _tape("pin-26", "stainless pin 26", "pin", 0.35, False, 1, 0.05),
    _tape("tie-wire", "sleeved tie wire", "tie", 8, False, 1, 0.1),
    _tape("bracket-brass", "brass bracket, padded", "bracket", 10, False, 12, 1.6),
    _tape("fabric-tape", "removable fabric tape", "textile tape", 1.5, True, 25, 1.1),
)
SPACERS = (
    SpacerStock(id="spacer-3", name="spacer 3", height_mm=3, thick_mm=4, price_per_m=1.1),
    SpacerStock(id="spacer-6", name="spacer 6", height_mm=6, thick_mm=4, price_per_m=1.4),
    SpacerStock(id="spacer-13", name="spacer 13", height_mm=13, thick_mm=5, price_per_m=2.2),
)
POSTER_RAILS = tuple(
    PosterRail(
        id=f"spar-{n}",
        name=f"Spar {n} magnet rail",
        holds_by="magnet",
        length_mm=n,
        height_mm=22,
        depth_mm=14,
        hides_mm=18,
        mass_kg=n * 0.00045,
        rating_kg=1.2 + n / 400,
        price=6 + n / 60,
    )
    for n in (330, 430, 530, 630, 730, 930)
)
LAMPS = (
    LampStrip(id="glow-17", name="Glow strip 60", pitch_mm=17, w_per_m=4.8, cut_mm=50, price_per_m=6.5),
    LampStrip(id="glow-8", name="Glow strip 120", pitch_mm=8.5, w_per_m=9.6, cut_mm=25, price_per_m=11),
)
SUPPLIES = tuple(
    Supply(id=f"supply-{n}", name=f"plug supply {n} W, 12 V", watts=n, plug_mm=8, price=6 + n / 4)
    for n in (6, 12, 24, 36, 60)
)
CORNERS = (
    CornerPiece(id="biscuit-0", name="beech biscuit no. 0", kind="biscuit no. 0", price=0.06),
    CornerPiece(id="biscuit-10", name="beech biscuit no. 10", kind="biscuit no. 10", price=0.07),
    CornerPiece(id="biscuit-20", name="beech biscuit no. 20", kind="biscuit no. 20", price=0.08),
    CornerPiece(id="plate-50", name="steel corner plate 50", kind="corner plate", price=0.55),
)
DOWELS = tuple(
    Dowel(id=f"beech-{n}", name=f"beech dowel {n}", diameter_mm=n, price_per_m=0.8 + n / 8)
    for n in (4, 5, 6, 8, 10, 12)
)
