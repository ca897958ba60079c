"""The layers of a package as parts of the list: what is cut of which sheet, what it weighs and costs."""

from shadbo.core.build.assembly import Part
from shadbo.core.build.marked import Window
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.bodies import cut_out_mm2
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import Tape
from shadbo.core.shop.kept import TAPES
from shadbo.core.sums.border import strips
from shadbo.core.sums.weight import SPACER_KG_PER_M3, area_of, by_area, of_density
from shadbo.core.words.words import say


def _stuck(desk: Desk) -> Tape | None:
    """The tape that spacers are stuck on with, where the framer decided so; what the drawers have of it."""
    held = desk.levers.spacer_held
    if held is None or held.of(desk.job) != "adhesive strip":
        return None
    tapes = desk.stock.tapes_of("double-sided")
    usual = Tape(id="spacer-tape", name="double-sided tape", kind="double-sided", rating_kg=0.5, by_length=True)
    return desk.take(TAPES, "spacer-tape", None, lambda: tapes[0] if tapes else usual)


def layer_part(
    desk: Desk, size: tuple[Quantity, Quantity], layer: Slab, windows: tuple[Window, ...] = ()
) -> Part | None:
    """A layer as a part: a sheet, or the strips of a spacer, with its mass and price; None for air.

    ``size`` is that of the package, where the layer has none of its own.
    """
    if layer.role == "void":
        return None
    s = desk.sheet
    width, height = layer.size or size
    price, mass = 0.0, layer.mass
    if layer.sheet is not None:
        price = width.value * height.value / 1e6 * layer.sheet.price_per_m2
        if mass is None:
            out = cut_out_mm2(layer, (width.value, height.value), windows)
            net = area_of(s, width, height)
            if out > 0:
                net = net - s.decide("cut out of it", out, net.unit)
            mass = s.let(f"mass.{layer.id}", f"{layer.name}, mass", by_area(s, layer.kg_per_m2, net))
    if layer.role == "spacer":
        id_ = layer.id
        thick = s[f"{id_}.thick"]
        a, b = strips(width.value, height.value, thick.value)
        price = 2 * (a + b) / 1000 * layer.ring_price_per_m
        upright = s.cut(f"{id_}.upright", "spacer strips, sides", height - 2 * thick, "down", 0.5)
        across = s.cut(f"{id_}.across", "spacer strips, top and bottom", width, "down", 0.5)
        note = say(desk.mark, "half of them {}, half {}", across, upright).pick(desk.mark.system)
        stuck = _stuck(desk)
        if stuck is not None:
            note += f"; held by {stuck.name}, hard against the rabbet's wall, pressed straight down once"
        strip = of_density(s, SPACER_KG_PER_M3, 2 * (across + upright), thick, layer.thick)
        mass = s.let(f"mass.{id_}", "spacer strips, mass", strip, "usual density")
        return Part(
            layer.id,
            "spacer",
            layer.one or layer.name,
            layer.hatch,
            4 * layer.count,
            across,
            s[f"{id_}.strip"] if layer.count > 1 else layer.thick,
            thick,
            mass=mass,
            key=f"{id_}.across",
            to_cut=True,
            note=note,
            price=price / (4 * layer.count),
            stuck=stuck,
        )
    return Part(
        layer.id,
        layer.role,
        layer.name,
        layer.hatch,
        layer.count,
        width,
        height,
        s[f"{layer.id}.one"] if layer.count > 1 else layer.thick,
        mass=mass,
        key=layer.key,
        to_cut=layer.cut and (layer.sheet is not None or layer.role == "packer"),
        unpriced=layer.cut and layer.sheet is None and layer.role == "packer",
        note=layer.note,
        price=price / layer.count,
        sheet=layer.sheet if layer.cut or layer.fetched else None,
        fetched=layer.fetched,
        seen_from=("back",) if layer.role == "backing" else (),
    )
