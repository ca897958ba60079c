"""Sums of an open frame: opening and rails, dowels, where their holes go."""

from shadbo.core.build.assembly import Fixing
from shadbo.core.build.marked import Spot
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.pegs.options import PegOptions
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import Dowel
from shadbo.core.sums.bending import MPA
from shadbo.core.sums.hang import force
from shadbo.core.sums.items import Item
from shadbo.core.sums.pegs import hole_depth, most_diameter, stress_mpa

PEG = Dowel(id="dowel", name="dowel, none listed", diameter_mm=6)


def rails_of_axis(desk: Desk, axis: str, size: Quantity, gap: Quantity, face: Quantity) -> None:
    """Opening and rails of one axis; what is made counts for the air."""
    s, p = desk.sheet, desk.practice
    wanted = s.let(f"inside.{axis}", f"opening, {axis} wanted", size + 2 * gap, way="up")
    rail = s.cut(
        f"rail.{axis}", f"rail, outside {axis}, long point", wanted + 2 * face, "nearest", p.cut_tolerance_mm
    )
    middle = s.made(f"frame.inside_{axis}.middle", f"opening {axis}, middle", rail - 2 * face, p.joint_tolerance_mm)
    for end in ("top", "bottom") if axis == "width" else ("left", "right"):
        s.made(f"frame.inside_{axis}.{end}", f"opening {axis}, {end}", middle)
    s.made(f"frame.outside_{axis}", f"outside {axis}", middle + 2 * face, way="up")
    s.let(f"gap.made_{axis}", f"air on the {axis}, each side", (middle - size) / 2)


def dowel_for(desk: Desk, item: Item) -> Dowel:
    """The thickest dowel of the drawers that the object takes; else the thinnest there is."""
    here = sorted(desk.stock.dowels, key=lambda d: d.diameter_mm)
    fit = [d for d in here if d.diameter_mm <= most_diameter(item.front.value) + 1e-6]
    return fit[-1] if fit else here[0] if here else PEG


def pegs(desk: Desk, o: PegOptions, item: Item, dowel: Dowel, count: int, face: Quantity, high: Quantity) -> None:
    """Dowel, holes, and what bends it."""
    s = desk.sheet
    s.let("peg.most", "dowel, thickest", item.front / 3, "a third of the object's thickness", "down")
    d = s.choose("peg.diameter", "dowel, diameter", dowel.diameter_mm, MM, dowel.name)
    s.let("peg.behind", "rail behind the object", (high - item.front) / 2, "it hangs at half the depth", "down")
    s.let("peg.edge", "wood beside the dowel, in diameters", item.front / 2 / d, "one and a half at least")
    in_rail = s.decide("2 · d, or 2/3 of the rail, the less", hole_depth(d.value, face.value), MM, d, face)
    s.cut("peg.in_rail", "hole in the rail, deep", in_rail, "down", 0.5)
    in_object = s.decide("2 · d, or 2/3 of it, the less", hole_depth(d.value, item.width.value), MM, d, item.width)
    s.cut("peg.in_object", "hole in the object, deep", in_object, "down", 0.5)
    one = s.number(1, MM)
    gap = s["gap.made_width"]
    s.cut("peg.length", "dowel, to cut", gap + s["peg.in_rail"] + s["peg.in_object"] - one, "down", 0.3)
    s.cut("peg.rail_upright", "hole, from the rail's long point", s["frame.outside_height"] / 2, "nearest", 0.3)
    s.cut("peg.rail_deep", "hole, from the rail's front edge", high / 2, "nearest", 0.3)
    s.cut("peg.object_up", "hole in the object, from its lowest point", item.height / 2, "nearest", 0.3)
    s.cut("peg.object_deep", "hole in the object, from its front", item.front / 2, "nearest", 0.3)
    s.let("peg.count", "dowels", s.number(count, ONE))
    load = s.let("peg.load", "each side dowel carries", force(s, item.mass) / 2, "half of the weight")
    bend = s.call("32 · F · gap ÷ (π · d³), for F, gap, d", stress_mpa, load, gap, d, u=MPA)
    s.let("peg.stress", "bending of a dowel", bend, "an aid to judgement")
    if o.peg_read is not None:
        desk.read("peg.read", "dowel, as it is", o.peg_read)
    if o.drill is not None:
        desk.read("peg.drill", "drill, as it bores", o.drill)


def places(
    desk: Desk, item: Item, sides: tuple[str, ...], face: Quantity
) -> tuple[tuple[Fixing, ...], tuple[Spot, ...]]:
    """Holes in the rails and in the object."""
    s = desk.sheet
    w, h = s["frame.inside_width.middle"].value / 2, s["frame.inside_height.middle"].value / 2
    across = s.cut(
        "peg.rail_across", "hole in the level rails, long point", s["frame.outside_width"] / 2, "nearest", 0.3
    )
    d = s["peg.diameter"].value
    fixings, spots = [], []
    for side in sides:
        dot = {"left": (-w, 0.0), "right": (w, 0.0), "bottom": (0.0, -h), "top": (0.0, h)}[side]
        along = s["peg.rail_upright"] if side in ("left", "right") else across
        fixings.append(Fixing(dot, side, along))  # type: ignore[arg-type]
        ow, oh = item.width.value / 2, item.height.value / 2
        on = {"left": (-ow, 0.0), "right": (ow, 0.0), "bottom": (0.0, -oh), "top": (0.0, oh)}[side]
        spots.append(Spot(f"rail-{side}", "peg", dot, d, item.id, along.key, "rail"))
        spots.append(Spot(f"object-{side}", "peg", on, d, item.id, "peg.object_up", "object"))
    return tuple(fixings), tuple(spots)
