"""Sash, glass, cloth, core, packers and card, in section and as parts."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Callout, Layer, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.slabs import HATCH
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import SheetStock
from shadbo.core.solids.slices import Slice
from shadbo.core.sums.items import Item
from shadbo.core.sums.weight import area_of, by_area

SEEN_MM = 60.0


def sash_layers(
    desk: Desk,
    item: Item,
    got: dict[str, Quantity],
    wall: Quantity,
    core: tuple[Quantity, Quantity],
    card: tuple[Quantity, Quantity],
    mass: Quantity,
    sheets: tuple[SheetStock, SheetStock],
    packer: SheetStock | None = None,
) -> tuple[list[Part], tuple[Layer, ...]]:
    """The sash, its glass, cloth, core, packers and card: as parts."""
    s = desk.sheet
    deep, rebate, glass = got["thickness"].value, got["rebate"].value, got["glass"].value
    cloth = s["stack.cloth_front"].value
    folded = s["stack.cloth_behind"].value
    front = deep - rebate - glass
    x = deep - rebate
    parts = [
        Part("rail", "rail", "old sash", "wood", 1, got["outside_width"], got["outside_height"], got["thickness"],
             mass=mass, seen_from=("front", "back"), key="sash.wall"),
        Part("glazing", "glazing", "its own glass", "glass", 1, got["daylight_width"], got["daylight_height"],
             got["glass"], key="sash.glass"),
        Part("piece", "piece", item.name, "textile", 1, item.width, item.height, item.front, mass=item.mass,
             key="stack.cloth"),
    ]  # fmt: skip
    layers = [
        Layer("glazing", front, x, "glass", "sash.glass"),
        Layer("cloth", x, x + cloth, "textile", "stack.cloth_front"),
    ]
    x += cloth
    price = [
        q[0].value * q[1].value / 1e6 * sheet.price_per_m2 for q, sheet in zip((core, card), sheets, strict=True)
    ]
    core_t, card_t = s["stack.core"], s["stack.card"]
    parts.append(
        Part("core", "board", f"core: {sheets[0].name}", HATCH[sheets[0].kind], 1, *core, core_t,
             mass=by_area(s, sheets[0].kg_per_m2, area_of(s, *core)),
             key="core.width", to_cut=True, note="edges eased, so that the cloth does not wear", price=price[0],
             sheet=sheets[0])
    )  # fmt: skip
    layers.append(Layer("core", x, x + core_t.value, HATCH[sheets[0].kind], "stack.core"))
    x += core_t.value
    layers.append(Layer("cloth, turned", x, x + folded, "textile", "stack.cloth_behind"))
    x += folded
    if "stack.filler" in s:
        fill, many = s["stack.filler"], s["filler.count"]
        assert packer is not None
        parts.append(
            Part("filler", "packer", f"packer: {packer.name}", HATCH[packer.kind], int(many.value), *core,
                 s["filler.one"], mass=by_area(s, packer.kg_per_m2, area_of(s, *core)) * many.value,
                 key="stack.filler", to_cut=True, sheet=packer,
                 price=core[0].value * core[1].value / 1e6 * packer.price_per_m2)
        )  # fmt: skip
        layers.append(Layer("packers", x, x + fill.value, "board", "stack.filler"))
        x += fill.value
    parts.append(
        Part("card", "backing", f"rear card: {sheets[1].name}", HATCH[sheets[1].kind], 1, *card, card_t,
             mass=by_area(s, sheets[1].kg_per_m2, area_of(s, *card)),
             seen_from=("back",), key="card.width", to_cut=True,
             note="screwed to the sash beyond the cloth; pilot holes, washers", price=price[1], sheet=sheets[1])
    )  # fmt: skip
    if deep - x > 1e-6:
        layers.append(Layer("left over", x, deep, "air", "depth.left"))
    layers.append(Layer("rear card", deep, deep + card_t.value, HATCH[sheets[1].kind], "stack.card"))
    whole = centred(item.width.value, item.height.value)
    picture = Pictured.of(desk.piece, whole)
    parts.append(seen("item", "textile", "piece", f"{item.key}.width", item.name, picture=picture))
    return parts, tuple(layers)


def sash_callouts(parts: list[Part], cut: Sequence[Slice]) -> list[Callout]:
    """One label a layer, the front one on top."""
    out: list[Callout] = []
    y = SEEN_MM + 22.0
    for x in cut:
        part = next((p for p in parts if p.id == x.part), None)
        if part is None or part.role == "rail" or x.bites:
            continue
        left, low, right, high = box_of(x.ring)
        y = min(y - 8, high - 3)
        behind = any(c.key == part.key for c in out)
        words = "cloth turned behind" if behind else part.name
        out.append(Callout("edge", ((left + right) / 2, max(y, low + 2)), words, None if behind else part.thick,
                           key=part.key))  # fmt: skip
    return out
