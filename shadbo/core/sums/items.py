"""Pieces that stand together in one frame: size, how far each stands out in front and behind, mass, outline."""

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Plate, Sized
from shadbo.core.pieces.outlines import Ring, outline
from shadbo.core.pieces.pieces import Piece
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import KG, MM
from shadbo.core.sums.shape import out_of_square, thickness_of
from shadbo.core.sums.weight import AREA_KG_PER_M2, PANEL_KG_PER_M3, weighed


@dataclass(frozen=True, slots=True)
class Item:
    """One piece among several, by its id. ``front`` and ``back`` are its relief; ``ring`` is about its own middle."""

    id: str
    piece: Piece
    key: str
    width: Quantity
    height: Quantity
    front: Quantity
    back: Quantity
    mass: Quantity
    ring: Ring

    @property
    def name(self) -> str:
        """What it is called."""
        return self.piece.name or self.piece.noun

    @property
    def hatch(self) -> str:
        """How it is drawn."""
        sort = self.piece.sort
        if sort in ("patch", "nameplate"):
            return "textile" if sort == "patch" else "metal"
        return KINDS[self.piece.detail.kind].hatch


def item_of(desk: Desk, piece: Piece) -> Item:
    """Put one piece on the sheet, under ``item.<id>``; every needed reading must be there."""
    s, detail, key = desk.sheet, piece.detail, desk.prefix(piece)
    noun = piece.name or piece.noun
    got = {
        m.name: desk.read(f"{key}.{m.name}", f"{noun}: {m.label}", reading)
        for m in measures(detail)
        if (reading := getattr(detail, m.name)) is not None
    }
    zero = s.number(0, MM)
    if isinstance(detail, Sized):
        width, height = got["width"], got["height"]
    else:
        width = s.pick("largest", *[q for n, q in got.items() if n.startswith("width")])
        height = s.pick("largest", *[q for n, q in got.items() if n.startswith("height")])
        width = s.let(f"{key}.wide", f"{noun}, width", width)
        height = s.let(f"{key}.high", f"{noun}, height", height)
        out_of_square(desk, key, got)
    back = zero
    if isinstance(detail, Badge):
        front, back = got["relief"], got.get("back_relief", zero)
    elif isinstance(detail, Keepsake):
        front = got["depth"]
    elif isinstance(detail, Flag):
        front = got["cloth"]
    else:
        thick = thickness_of(desk, detail, got, key)
        front = got.get("depth", zero) if thick is None else thick
    front = s.let(f"{key}.front", f"{noun}, in front of its board", front)
    mass = _mass(desk, piece, key, noun, width, height, front)
    return Item(piece.id, piece, key, width, height, front, back, mass, outline(detail, width.value, height.value))


def _mass(desk: Desk, piece: Piece, key: str, noun: str, w: Quantity, h: Quantity, front: Quantity) -> Quantity:
    """Weighed, or estimated by common practice: cloth by its layers, metal and wood by half of the bounding box."""
    s, detail = desk.sheet, piece.detail
    label = f"{noun}, estimated"
    if piece.weight_kg is not None:
        return weighed(s, f"{key}.mass", f"{noun}, weighed", piece.weight_kg)
    source = "estimated; weigh it where it matters"
    area = w.value * h.value / 1e6
    if isinstance(detail, Garment):
        kg = area * 2 * 0.3
    elif isinstance(detail, Flag) and detail.flat_width and detail.flat_height:
        kg = detail.flat_width.mm * detail.flat_height.mm / 1e6 * 0.3
    elif isinstance(detail, Badge):
        kg = area * front.value * (4.0 if detail.sort != "patch" else 0.5)
    elif isinstance(detail, Keepsake):
        kg = area * front.value * 0.5 * 0.65
    elif isinstance(detail, Plate):
        kg = area * front.value * (8.5 if detail.sort == "nameplate" else 0.9)
    elif detail.kind == "panel":
        kg = area * front.value * PANEL_KG_PER_M3[detail.material] / 1000
    else:
        kg = area * AREA_KG_PER_M2.get(detail.kind, 0.6)
    return s.let(f"{key}.mass", label, s.decide("area, depth and usual density", kg, KG, w, h), source)
