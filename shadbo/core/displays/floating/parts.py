"""What a floater is cut from: rails in pairs, and strips of pad."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Part
from shadbo.core.desk import Desk
from shadbo.core.displays.floating.views import FloaterSums
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.materials import FloaterProfile, PadStock, PlainStock
from shadbo.core.sums.weight import solid


def rails(
    f: FloaterSums,
    profile: FloaterProfile | PlainStock,
    mass: Quantity,
) -> list[Part]:
    """Two pairs of mitred rails, each pair at its long-point length."""
    s = f.desk.sheet
    made, exists = [], f.desk.own_frame is not None
    for axis, sides in (("width", ("top", "bottom")), ("height", ("left", "right"))):
        made.append(
            Part(
                f"rail-{axis}",
                "rail",
                f"rail, {' and '.join(sides)}: {profile.name}",
                "wood",
                2,
                s[f"frame.outside_{axis}" if exists else f"rail.{axis}"],
                f.wall,
                f.inside_depth,
                mitred=True,
                mass=mass if axis == "width" else None,
                seen_from=("front", "back"),
                key=f"frame.outside_{axis}" if exists else f"rail.{axis}",
                tone=profile.colour or "",
                to_cut=not exists,
                fetched="joined already" if exists else "",
                note="" if exists else "long point to long point, mitres leaning opposite ways",
            )
        )
    if not f.square:
        return made
    long, short = s["strip.across"], s["strip.upright"]
    note = "painted dark on the side that shows; glue faces stay bare"
    if f.strips_mitred:
        note = f"glued to the stick first and mitred with it; {note}"
    for n, (word, length) in enumerate((("top and bottom", long), ("sides", short))):
        made.append(
            Part(
                f"strip-{n}",
                "strip",
                f"support strip, {word}",
                "stretcher",
                2,
                length,
                f.ledge,
                f.ledge_thick,
                key="strip.height",
                to_cut=True,
                mitred=f.strips_mitred,
                note=note,
            )
        )
    return made


def strip_lengths(f: FloaterSums) -> None:
    """Support strips: two of the inside length and two between them, or mitred with the rails they are glued to."""
    s, saw = f.desk.sheet, f.desk.practice.cut_tolerance_mm
    inside_w, inside_h = s["frame.inside_width.middle"], s["frame.inside_height.middle"]
    s.cut("strip.across", "support strips, top and bottom", inside_w, "down", saw)
    upright = inside_h if f.strips_mitred else inside_h - 2 * f.ledge
    s.cut("strip.upright", "support strips, sides", upright, "down", saw)


def pad_width(desk: Desk, ledge: Quantity, gap: Quantity) -> Quantity:
    """How wide pad strips are: what the ledge has behind the canvas, short of its inner edge."""
    s = desk.sheet
    wide = s.pick("largest", ledge - gap - s.number(1, MM), s.number(0, MM))
    return s.cut("pad.width", "pad strips, width", wide, "down", desk.practice.cut_tolerance_mm)


def pad_strips(f: FloaterSums) -> list[Part]:
    """Strips that lie under the canvas and stay out of the gap: two of its width, two between them."""
    strip = f.pad_width
    if strip is None:
        return []
    s, p = f.desk.sheet, f.desk.practice
    across = s.cut("pad.across", "pad strips, top and bottom", f.canvas.width, "down", p.cut_tolerance_mm)
    between = s.pick("largest", f.canvas.height - 2 * strip, s.number(0, MM))
    upright = s.cut("pad.upright", "pad strips, sides", between, "down", p.cut_tolerance_mm)
    layers = _counted(f.pads)
    parts: list[Part] = []
    for i, (stock, n) in enumerate(layers):
        thick = s.choose(f"pad.layer.{i + 1}", f"pad layer: {stock.name}", stock.thick_mm, MM, "stock")
        for word, length in (("across", across), ("upright", upright)):
            both = length * s.number(2.0 * n)
            kg = solid(s, stock.species, both, strip, thick)
            mass = s.let(f"mass.pad.{i + 1}.{word}", f"pads, {stock.name}", kg)
            parts.append(
                Part(
                    f"pad-{word}-{stock.id}",
                    "pad",
                    f"pad, {stock.name}",
                    "pad",
                    2 * n,
                    length,
                    strip,
                    thick,
                    mass=mass,
                    key=f"pad.{word}",
                    to_cut=True,
                    price=length.value * strip.value * stock.price_per_m2 / 1e6,
                )
            )
    return parts


def _counted(pads: Sequence[PadStock]) -> list[tuple[PadStock, int]]:
    return [(p, list(pads).count(p)) for i, p in enumerate(pads) if p not in pads[:i]]
