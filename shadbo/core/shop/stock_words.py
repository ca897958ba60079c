"""The stock in words: what lies in each rack and kind, with its sizes and its price."""

from collections.abc import Callable
from typing import Any

from shadbo.core.dataclass import dataclass
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock_kinds import FOOT_M, STOCK_KINDS
from shadbo.core.words.lengths import Both
from shadbo.core.words.sold import screw_size
from shadbo.core.words.words import Mm, both, mass_text, say, stocked


@dataclass(frozen=True, slots=True)
class StockLine:
    """One thing of the stock; ``retired`` ones are not offered any more."""

    id: str
    name: str
    says: Both
    price: Both
    colour: str = ""
    retired: bool = False


@dataclass(frozen=True, slots=True)
class Rack:
    """One rack or kind: where it stands in the stock, and what one thing of it is called."""

    home: str
    title: str
    one: str
    lines: tuple[StockLine, ...]


Says = Callable[[Any], tuple[str, tuple[object, ...]]]
SAYS: dict[str, Says] = {
    "frames": lambda x: (
        "face {}, height {}, rabbet {}, lip {}",
        (Mm(x.face_mm), Mm(x.height_mm), Mm(x.rabbet_mm), Mm(x.lip_mm)),
    ),
    "floater_profiles": lambda x: (
        "wall {}, inside {}, ledge {} × {}",
        (Mm(x.wall_mm), Mm(x.inside_depth_mm), Mm(x.ledge_mm), Mm(x.ledge_thick_mm)),
    ),
    "plain_stock": lambda x: ("{} × {}", (Mm(x.face_mm), Mm(x.height_mm))),
    "sheets": lambda x: (f"{x.kind}, {{}} thick, {{}} × {{}}", (Mm(x.thick_mm), Mm(x.width_mm), Mm(x.height_mm))),
    "spacers": lambda x: ("{} high, {} thick", (Mm(x.height_mm), Mm(x.thick_mm))),
    "pads": lambda x: (f"{x.species}, {{}} thick", (Mm(x.thick_mm),)),
    "screws": lambda x: ("{}", (screw_size(x.diameter_mm, x.length_mm),)),
    "clips": lambda x: ("bridges {}, holds {}", (Mm(x.offset_mm), mass_text(x.rating_kg))),
    "tapes": lambda x: (f"{x.kind}, holds {{}}", (mass_text(x.rating_kg),)),
    "hangers": lambda x: (f"{x.kind}, {x.rating_is} {{}}", (mass_text(x.rating_kg),)),
    "wires": lambda x: ("holds {}", (mass_text(x.rating_kg),)),
    "dowels": lambda x: ("{} thick", (Mm(x.diameter_mm),)),
    "corners": lambda x: (x.kind, ()),
    "poster_rails": lambda x: (f"{x.holds_by}, {{}} long", (Mm(x.length_mm),)),
    "lamps": lambda x: (f"lamps {{}} apart, {x.volts:g} V", (Mm(x.pitch_mm),)),
    "supplies": lambda x: (f"{x.watts:g} W, {x.volts:g} V", ()),
}


def racks(shop: Shop) -> tuple[Rack, ...]:
    """Everything there is, rack by rack; an empty one is there to be filled."""
    mark, gone = shop.the_mark(), set(shop.stock.retired)
    out = []
    for kind in STOCK_KINDS:
        lines = []
        for item in getattr(shop.stock, kind.home):
            words, values = SAYS[kind.home](item)
            told = (stocked(v.mm, mark) if isinstance(v, Mm) else v for v in values)
            text = say(mark, words, *told) if values else both(words)  # type: ignore[arg-type]
            retired = f"{kind.home}/{item.id}" in gone
            colour = getattr(item, "colour", None) or ""
            lines.append(StockLine(item.id, item.name, text, price_of(item, shop.currency), colour, retired))
        lines.sort(key=lambda x: x.retired)
        out.append(Rack(kind.home, kind.title, kind.one, tuple(lines)))
    return tuple(out)


def price_of(item: object, currency: str) -> Both:
    """What it costs: one of it, or by the metre, foot, square metre or square foot."""
    if hasattr(item, "price_per_m"):
        each = item.price_per_m
        return Both(f"{currency} {each:.2f} / m", f"{currency} {each * FOOT_M:.2f} / ft")
    if hasattr(item, "price_per_m2"):
        each = item.price_per_m2
        return Both(f"{currency} {each:.2f} / m²", f"{currency} {each * FOOT_M**2:.2f} / sq ft")
    return both(f"{currency} {getattr(item, 'price', 0.0):.2f}")
