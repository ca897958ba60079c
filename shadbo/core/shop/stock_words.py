"""The stock in words: what lies in each rack and drawer, with its sizes and its price."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both, say


@dataclass(frozen=True, slots=True)
class StockLine:
    """One thing of the stock."""

    name: str
    says: Both
    price: str
    colour: str = ""


@dataclass(frozen=True, slots=True)
class Rack:
    """One rack or drawer."""

    title: str
    lines: tuple[StockLine, ...]


Says = Callable[[Any], tuple[str, tuple[float, ...]]]
RACKS: tuple[tuple[str, str, Says, str], ...] = (
    ("Mouldings", "frames", lambda x: ("face {}, height {}, rabbet {}, lip {}",
     (x.face_mm, x.height_mm, x.rabbet_mm, x.lip_mm)), "m"),
    ("Floater mouldings", "floater_profiles", lambda x: ("wall {}, inside {}, ledge {} × {}",
     (x.wall_mm, x.inside_depth_mm, x.ledge_mm, x.ledge_thick_mm)), "m"),
    ("Plain stock", "plain_stock", lambda x: ("{} × {}", (x.face_mm, x.height_mm)), "m"),
    ("Sheets", "sheets", lambda x: (f"{x.kind}, {{}} thick, {{}} × {{}}",
     (x.thick_mm, x.width_mm, x.height_mm)), "m²"),
    ("Spacers", "spacers", lambda x: ("{} high, {} thick", (x.height_mm, x.thick_mm)), "m"),
    ("Dowels", "dowels", lambda x: ("{}", (x.diameter_mm,)), "m"),
    ("Lamp strips", "lamps", lambda x: (f"lamps {{}} apart, {x.w_per_m:g} W a metre, {x.volts:g} V",
     (x.pitch_mm,)), "m"),
    ("Supplies", "supplies", lambda x: (f"{x.watts:g} W, {x.volts:g} V", ()), ""),
)  # fmt: skip


def racks(shop: Shop) -> tuple[Rack, ...]:
    """Everything that is measured, rack by rack; a rack that is empty is left out."""
    mark = shop.the_mark()
    out = []
    for title, home, says, per in RACKS:
        lines = []
        for item in getattr(shop.stock, home):
            words, sizes = says(item)
            text = say(mark, words, *(Mm(x) for x in sizes)) if sizes else both(words)
            cost = getattr(item, {"m": "price_per_m", "m²": "price_per_m2"}.get(per, "price"))
            price = f"{shop.currency} {cost:.2f}{f' / {per}' if per else ''}"
            lines.append(StockLine(item.name, text, price, getattr(item, "colour", None) or ""))
        if lines:
            out.append(Rack(title, tuple(lines)))
    return tuple(out)
