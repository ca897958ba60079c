"""The kinds of stock, and what is written down of a thing of each: every field in words, with its unit."""

import re
from types import NoneType, UnionType
from typing import Any, Literal, Union, get_args, get_origin

from pydantic.fields import FieldInfo

from shadbo.core.dataclass import dataclass
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock import Stock
from shadbo.core.shop.values import Value
from shadbo.core.words.lengths import Both


@dataclass(frozen=True, slots=True)
class StockKind:
    """One kind of stock: where it lies, what its rack and one of it are called."""

    home: str
    title: str
    one: str

    @property
    def model(self) -> type[Value]:
        """The type of its things, as the stock has it."""
        type_: type[Value] = get_args(Stock.model_fields[self.home].annotation)[0]
        return type_


STOCK_KINDS: tuple[StockKind, ...] = (
    StockKind("frames", "Mouldings", "moulding"),
    StockKind("floater_profiles", "Floater mouldings", "floater moulding"),
    StockKind("plain_stock", "Plain stock", "plain stock"),
    StockKind("sheets", "Sheets", "sheet"),
    StockKind("spacers", "Spacers", "spacer"),
    StockKind("pads", "Pads", "pad"),
    StockKind("screws", "Screws", "screw"),
    StockKind("clips", "Clips", "clip"),
    StockKind("tapes", "Tapes, pins and ties", "tape or tie"),
    StockKind("hangers", "Hangers", "hanger"),
    StockKind("wires", "Wire", "wire"),
    StockKind("dowels", "Dowels", "dowel"),
    StockKind("corners", "Biscuits and corner plates", "corner piece"),
    StockKind("poster_rails", "Poster rails", "poster rail"),
    StockKind("lamps", "Lamp strips", "lamp strip"),
    StockKind("supplies", "Supplies", "supply"),
)
BY_HOME = {kind.home: kind for kind in STOCK_KINDS}
LABELS = {
    "name": "Name",
    "face_mm": "Face",
    "height_mm": "Height",
    "rabbet_mm": "Rabbet, depth from behind",
    "lip_mm": "Lip over the package",
    "wall_mm": "Wall beside the gap",
    "inside_depth_mm": "Depth inside, to the ledge",
    "ledge_mm": "Ledge, from the wall",
    "ledge_thick_mm": "Ledge, thickness",
    "species": "Wood",
    "stick_mm": "Sold in sticks of",
    "price": "Price of one",
    "colour": "Colour, seen from the front",
    "kind": "Kind",
    "thick_mm": "Thickness",
    "width_mm": "Width",
    "coated": "Coated",
    "acid_free": "Acid-free",
    "lead_days": "Cut elsewhere: comes after working days",
    "offset_mm": "Step that it bridges",
    "rating_kg": "Rated for",
    "rating_is": "The rating is",
    "screw_mm": "Its screws, length",
    "screws": "Screws in each",
    "screw_diameter_mm": "Its screws, thickness",
    "by_length": "Sold and rated by its run",
    "length_mm": "Length",
    "depth_mm": "Depth",
    "hides_mm": "Hides of the sheet",
    "holds_by": "Holds by",
    "mass_kg": "Weighs",
    "pitch_mm": "Lamps apart",
    "cut_mm": "Can be cut every",
    "volts": "Volts",
    "watts": "Watts",
    "plug_mm": "Hole for its plug",
    "diameter_mm": "Diameter",
    "hook_above_mm": "Hook above its screws",
    "stands_out_mm": "Stands out from the frame",
    "wide_mm": "Covers, width",
    "high_mm": "Covers, height",
}


FOOT_M = 0.3048
"""Exactly, by the international agreement of 1959."""
BY_RUN: dict[str, tuple[Both, float]] = {
    "price_per_m": (Both("Price a metre", "Price a foot"), FOOT_M),
    "price_per_m2": (Both("Price a square metre", "Price a square foot"), FOOT_M**2),
    "w_per_m": (Both("Draws, W a metre", "Draws, W a foot"), FOOT_M),
}
"""Fields by the metre, which an inch shop has by the foot: what they are called, and how much of one the other is."""


FieldKind = Literal["text", "length", "kg", "money", "number", "choice", "yes or no", "colour"]


def _types(info: FieldInfo) -> tuple[Any, ...]:
    kind = info.annotation
    if get_origin(kind) in (Union, UnionType):
        return tuple(x for x in get_args(kind) if x is not NoneType)
    return (kind,)


def kind_of(name: str, info: FieldInfo) -> tuple[FieldKind, tuple[str, ...]]:
    """What a field is, by its name and type; and what can be picked."""
    (type_, *_) = _types(info)
    if name == "colour":
        return "colour", ()
    if get_origin(type_) is Literal:
        return "choice", tuple(get_args(type_))
    if type_ is bool:
        known = info.is_required() or info.default is not None
        return "yes or no", ("yes", "no") if known else ("yes", "no", "nobody knows")
    if name.endswith("_mm"):
        return "length", ()
    if name.endswith("_kg"):
        return "kg", ()
    if name.startswith("price"):
        return "money", ()
    return ("number", ()) if type_ in (float, int) else ("text", ())


def new_id(name: str, taken: set[str]) -> str:
    """An id by a thing's name that nothing else in its drawer has.

    >>> new_id("Buoy 22, grey", {"buoy-22-grey"})
    'buoy-22-grey-2'
    """
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:32] or "thing"
    return next(x for x in (stem, *(f"{stem}-{n}" for n in range(2, 10_000))) if x not in taken)


def laid_in(shop: Shop, home: str, item: Value) -> Shop:
    """The shop with a thing added, or in the place of the one with its id."""
    things = list(getattr(shop.stock, home))
    at = next((n for n, x in enumerate(things) if x.id == item.id), None)  # type: ignore[attr-defined]
    if at is None:
        things.append(item)
    else:
        things[at] = item
    return shop.model_copy(update={"stock": shop.stock.model_copy(update={home: tuple(things)})})


def retired(shop: Shop, home: str, id_: str, so: bool) -> Shop:
    """The shop with a thing offered no more, or again; it stays where it lies."""
    place = f"{home}/{id_}"
    others = tuple(x for x in shop.stock.retired if x != place)
    stock = shop.stock.model_copy(update={"retired": (*others, place) if so else others})
    return shop.model_copy(update={"stock": stock})


def found(shop: Shop, home: str, id_: str) -> Value:
    """A thing of the stock. LookupError where there is none."""
    for item in getattr(shop.stock, home) if home in BY_HOME else ():
        if item.id == id_:
            thing: Value = item
            return thing
    raise LookupError(f"nothing in the stock is called {home}/{id_}")


def changes(before: Value | None, after: Value, one: str) -> str:
    """What a change did to a thing, in words."""
    name = getattr(after, "name", "")
    if before is None:
        return f"{name}: a new {one}"
    changed = [n for n in type(after).model_fields if getattr(before, n) != getattr(after, n)]
    words = [str(LABELS.get(n) or BY_RUN[n][0].mm).lower() for n in changed]
    more = f" and {len(words) - 3} more" if len(words) > 3 else ""
    return f"{name}: {', '.join(words[:3]) or 'as it was'}{more}"
