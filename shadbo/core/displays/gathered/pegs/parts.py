"""Rails, object and dowels of an open frame, from the front and in section."""

from shadbo.core.build.assembly import Part
from shadbo.core.build.marked import Pictured
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.pegs.sums import LEVEL, Side
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import Dowel
from shadbo.core.shop.materials import PlainStock
from shadbo.core.sums.items import Item


def rails(desk: Desk, stock: PlainStock, face: Quantity, high: Quantity, mass: Quantity) -> list[Part]:
    """Two pairs of mitred rails."""
    s = desk.sheet
    return [
        Part(
            f"rail-{axis}",
            "rail",
            f"rail, {' and '.join(sides)}: {stock.name}",
            "wood",
            2,
            s[f"rail.{axis}"],
            face,
            high,
            mitred=True,
            mass=mass if axis == "width" else None,
            seen_from=("front", "back"),
            key=f"rail.{axis}",
            tone=stock.colour or "",
            to_cut=True,
            note="long point to long point, mitres leaning opposite ways",
        )
        for axis, sides in (("width", ("top", "bottom")), ("height", ("left", "right")))
    ]


def middle(high: float, thick: float) -> tuple[float, float]:
    """Front and back of a thing that stands at half the rail's depth."""
    return (high - thick) / 2, (high + thick) / 2


def things(desk: Desk, item: Item, dowel: Dowel, sides: tuple[Side, ...]) -> list[Part]:
    """The object and its dowels."""
    s = desk.sheet
    out = [seen(f"peg-{side}", "stretcher", f"peg-{side}", "peg.length", dowel.name) for side in sides]
    out.append(
        Part("item", "piece", item.name, "stretcher", 1, item.width, item.height, item.front, mass=item.mass,
             seen_from=("front", "back"), key=f"{item.key}.front",
             picture=Pictured.of(item.piece, item.ring))
    )  # fmt: skip
    d = s["peg.diameter"]
    for more, here in (("", [x for x in sides if x not in LEVEL]), ("_level", [x for x in sides if x in LEVEL])):
        if here:
            long = s[f"peg.length{more}"]
            name = dowel.name if not more else f"{dowel.name}, {' and '.join(here)}"
            price = long.value / 1000 * dowel.price_per_m
            out.append(
                Part(f"peg{more}", "strip", name, "metal", len(here), long, d, d,
                     key=f"peg.length{more}", to_cut=True, price=price)
            )  # fmt: skip
    return out
