"""Sash, glass, cloth, core, packers and card, in section and as parts."""

from shadbo.core.build.assembly import Callout, Layer, Part, Ring
from shadbo.core.build.marked import Pictured
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.slabs import HATCH
from shadbo.core.shapes.rings import centred, rect
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import SheetStock
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
    """The sash, its glass, cloth, core, packers and card: in section, from the front, and as parts."""
    s = desk.sheet
    deep, rebate, glass = got["thickness"].value, got["rebate"].value, got["glass"].value
    f, cloth = wall.value, s["stack.cloth_front"].value
    folded = s["stack.cloth_behind"].value
    front = deep - rebate - glass
    top = f + SEEN_MM
    groove = f - s["sash.slot"].value
    section: Ring = (
        (0, 0), (deep, 0), (deep, groove), (deep - rebate, groove), (deep - rebate - glass, groove + 1),
        (deep - rebate - glass, f), (0, f)
    )  # fmt: skip
    w, h = got["outside_width"].value / 2, got["outside_height"].value / 2
    day = centred(got["daylight_width"].value, got["daylight_height"].value)
    x = deep - rebate
    start = (got["outside_width"].value - core[0].value) / 2 - cloth
    parts = [
        Part("rail", "rail", "old sash", "wood", 1, got["outside_width"], got["outside_height"], got["thickness"],
             mass=mass, section=section, face=_frame(w, h, day), seen_from=("front", "back"), key="sash.wall"),
        Part("glazing", "glazing", "its own glass", "glass", 1, got["daylight_width"], got["daylight_height"],
             got["glass"], section=rect(front, groove + 1, x, top), key="sash.glass"),
        Part("piece", "piece", item.name, "textile", 1, item.width, item.height, item.front, mass=item.mass,
             section=rect(x, start, x + cloth, top), key="stack.cloth"),
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
    inner = start + cloth
    parts.append(
        Part("core", "board", f"core: {sheets[0].name}", HATCH[sheets[0].kind], 1, *core, core_t,
             mass=by_area(s, sheets[0].kg_per_m2, area_of(s, *core)), section=rect(x, inner, x + core_t.value, top),
             key="core.width", to_cut=True, note="edges eased, so that the cloth does not wear", price=price[0],
             sheet=sheets[0])
    )  # fmt: skip
    layers.append(Layer("core", x, x + core_t.value, HATCH[sheets[0].kind], "stack.core"))
    x += core_t.value
    turned = Part("turned", "piece", "cloth turned behind", "textile", section=rect(x, start, x + folded, inner + 34))
    parts.append(turned)
    layers.append(Layer("cloth, turned", x, x + folded, "textile", "stack.cloth_behind"))
    x += folded
    if "stack.filler" in s:
        fill, many = s["stack.filler"], s["filler.count"]
        assert packer is not None
        parts.append(
            Part("filler", "packer", f"packer: {packer.name}", HATCH[packer.kind], int(many.value), *core,
                 s["filler.one"], mass=by_area(s, packer.kg_per_m2, area_of(s, *core)) * many.value,
                 section=rect(x, inner, x + fill.value, top), key="stack.filler", to_cut=True, sheet=packer,
                 price=core[0].value * core[1].value / 1e6 * packer.price_per_m2)
        )  # fmt: skip
        layers.append(Layer("packers", x, x + fill.value, "board", "stack.filler"))
        x += fill.value
    beyond = (got["outside_width"].value - card[0].value) / 2
    parts.append(
        Part("card", "backing", f"rear card: {sheets[1].name}", HATCH[sheets[1].kind], 1, *card, card_t,
             mass=by_area(s, sheets[1].kg_per_m2, area_of(s, *card)),
             section=rect(deep, beyond, deep + card_t.value, top), face=(centred(card[0].value, card[1].value),),
             seen_from=("back",), key="card.width", to_cut=True,
             note="screwed to the sash beyond the cloth; pilot holes, washers", price=price[1], sheet=sheets[1])
    )  # fmt: skip
    if deep - x > 1e-6:
        layers.append(Layer("left over", x, deep, "air", "depth.left"))
    layers.append(Layer("rear card", deep, deep + card_t.value, HATCH[sheets[1].kind], "stack.card"))
    whole = centred(item.width.value, item.height.value)
    picture = Pictured.of(desk.piece, whole)
    parts.append(seen("item", "textile", day, f"{item.key}.width", item.name, picture=picture))
    return parts, tuple(layers)


def _frame(w: float, h: float, day: Ring) -> tuple[Ring, ...]:
    """Stiles and rails from the front: each as wide as the sash really is on its side."""
    outer = ((-w, -h), (w, -h), (w, h), (-w, h))
    return tuple((outer[n], outer[(n + 1) % 4], day[(n + 1) % 4], day[n]) for n in range(4))


def sash_callouts(parts: list[Part]) -> list[Callout]:
    """One label a layer, the front one on top."""
    out, y = [], SEEN_MM + 22.0
    for part in parts:
        if part.section and part.role != "rail":
            xs, ys = [x for x, _ in part.section], [v for _, v in part.section]
            y = min(y - 8, max(ys) - 3)
            out.append(
                Callout("edge", ((min(xs) + max(xs)) / 2, max(y, min(ys) + 2)), part.name, part.thick, key=part.key)
            )
    return out
