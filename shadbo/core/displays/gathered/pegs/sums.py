"""Sums of an open frame: opening and rails, dowels, where their holes go."""

from typing import Literal

from shadbo.core.build.assembly import Fixing
from shadbo.core.build.marked import Spot
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.pegs.options import PegOptions
from shadbo.core.pieces.objects import Keepsake
from shadbo.core.shapes.plane import Dot, Ring
from shadbo.core.shapes.rings import rect
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import Dowel
from shadbo.core.sums.bending import MPA
from shadbo.core.sums.hang import force
from shadbo.core.sums.items import Item
from shadbo.core.sums.pegs import hole_depth, most_diameter, stress_mpa, turns

PEG = Dowel(id="dowel", name="dowel, none listed", diameter_mm=6)
Side = Literal["left", "right", "bottom", "top"]
SIDES: dict[int, tuple[Side, ...]] = {
    2: ("left", "right"),
    3: ("left", "right", "bottom"),
    4: ("left", "right", "bottom", "top"),
}
LEVEL: tuple[Side, ...] = ("bottom", "top")


def rails_of_axis(desk: Desk, axis: str, size: Quantity, gap: Quantity, face: Quantity) -> None:
    """Opening and rails of one axis; what is made counts for the air."""
    s, p = desk.sheet, desk.practice
    wanted = s.let(f"inside.{axis}", f"opening, {axis} wanted", size + 2 * gap, way="up")
    rail = s.cut(f"rail.{axis}", f"rail, outside {axis}, long point", wanted + 2 * face, "up", p.cut_tolerance_mm)
    middle = s.made(f"frame.inside_{axis}.middle", f"opening {axis}, middle", rail - 2 * face, p.joint_tolerance_mm)
    for end in ("top", "bottom") if axis == "width" else ("left", "right"):
        s.made(f"frame.inside_{axis}.{end}", f"opening {axis}, {end}", middle)
    s.made(f"frame.outside_{axis}", f"outside {axis}", middle + 2 * face, way="up")
    s.let(f"gap.made_{axis}", f"air on the {axis}, each side", (middle - size) / 2)


def sides_of(o: PegOptions, item: Item) -> tuple[Side, ...]:
    """Where the dowels stand: as decided, else two where the object cannot turn on them, and three where it could."""
    detail = item.piece.detail
    centre = detail.centre_up.mm if isinstance(detail, Keepsake) and detail.centre_up is not None else None
    return SIDES[o.pegs or (3 if turns(centre, item.height.value / 2) else 2)]


def thinnest_mm(item: Item, sides: tuple[Side, ...]) -> float:
    """The least that stands beside a dowel's middle line: depth, and height or width, whichever it goes into."""
    across = [item.width.value] if set(sides) & set(LEVEL) else []
    return min(item.front.value, item.height.value, *across)


def dowel_for(desk: Desk, item: Item, sides: tuple[Side, ...]) -> Dowel:
    """The thickest dowel of the drawers that the object takes; else the thinnest there is."""
    here = sorted(desk.stock.dowels, key=lambda d: d.diameter_mm)
    fit = [d for d in here if d.diameter_mm <= most_diameter(thinnest_mm(item, sides)) + 1e-6]
    return fit[-1] if fit else here[0] if here else PEG


def pegs(
    desk: Desk,
    o: PegOptions,
    item: Item,
    dowel: Dowel,
    sides: tuple[Side, ...],
    face: Quantity,
    high: Quantity,
) -> None:
    """Dowel, holes, and what bends it."""
    s = desk.sheet
    thin = s.decide("the least beside a dowel's middle line", thinnest_mm(item, sides), MM, item.front, item.height)
    s.let("peg.most", "dowel, thickest", thin / 3, "a third of the object, where it is thinnest", "down")
    d = s.choose("peg.diameter", "dowel, diameter", dowel.diameter_mm, MM, dowel.name)
    s.let("peg.behind", "rail behind the object", (high - item.front) / 2, "it hangs at half the depth", "down")
    s.let("peg.edge", "wood beside the dowel, in diameters", thin / 2 / d, "one and a half at least")
    in_rail = s.decide("2 · d, or 2/3 of the rail, the less", hole_depth(d.value, face.value), MM, d, face)
    s.cut("peg.in_rail", "hole in the rail, deep", in_rail, "down", 0.5)
    axes = [("", "width", item.width)]
    if set(sides) & set(LEVEL):
        axes.append(("_level", "height", item.height))
    one = s.number(1, MM)
    for more, axis, size in axes:
        where = "" if not more else ", from below or above"
        half = hole_depth(d.value, size.value / 2)
        deep = s.decide("2 · d, or 2/3 of its half, the less: two never meet", half, MM, d, size)
        s.cut(f"peg.in_object{more}", f"hole in the object{where}, deep", deep, "down", 0.5)
        gap = s.pick("largest", s[f"gap.made_{axis}"], s.number(0, MM))
        long = gap + s["peg.in_rail"] + s[f"peg.in_object{more}"] - one
        s.cut(f"peg.length{more}", f"dowel{where}, to cut", long, "down", 0.3)
    s.cut("peg.rail_upright", "hole, from the rail's long point", s["frame.outside_height"] / 2, "nearest", 0.3)
    s.cut(
        "peg.rail_across",
        "hole in the level rails, from the long point",
        s["frame.outside_width"] / 2,
        "nearest",
        0.3,
    )
    s.cut("peg.rail_deep", "hole, from the rail's front edge", high / 2, "nearest", 0.3)
    s.cut("peg.object_up", "hole in the object, from its lowest point", item.height / 2, "nearest", 0.3)
    s.cut("peg.object_across", "hole in the object, from its left", item.width / 2, "nearest", 0.3)
    s.cut("peg.object_deep", "hole in the object, from its front", item.front / 2, "nearest", 0.3)
    s.let("peg.count", "dowels", s.number(len(sides), ONE))
    load = s.let("peg.load", "each side dowel carries", force(s, item.mass) / 2, "half of the weight")
    clear = s.pick("largest", s["gap.made_width"], s.number(0, MM))
    bend = s.call("32 · F · gap ÷ (π · d³), for F, gap, d", stress_mpa, load, clear, d, u=MPA)
    s.let("peg.stress", "bending of a dowel", bend, "an aid to judgement")
    if o.peg_read is not None:
        desk.read("peg.read", "dowel, as it is", o.peg_read)
    if o.drill is not None:
        desk.read("peg.drill", "drill, as it bores", o.drill)


def dowel_mm(desk: Desk, side: Side) -> float:
    """How long the dowel of a side is cut."""
    return desk.sheet["peg.length_level" if side in LEVEL else "peg.length"].value


def dowel_ring(desk: Desk, item: Item, side: Side) -> Ring:
    """A dowel from the front: pushed to the bottom of its hole in the rail."""
    s = desk.sheet
    level = side in LEVEL
    half = s["frame.inside_height.middle" if level else "frame.inside_width.middle"].value / 2
    bottom = half + s["peg.in_rail"].value
    return _along(side, bottom, -dowel_mm(desk, side), s["peg.diameter"].value)


def places(desk: Desk, item: Item, sides: tuple[Side, ...]) -> tuple[tuple[Fixing, ...], tuple[Spot, ...]]:
    """Holes in the rails and in the object: bored into their edges, so that from the front they are hidden lines."""
    s = desk.sheet
    w, h = s["frame.inside_width.middle"].value / 2, s["frame.inside_height.middle"].value / 2
    d = s["peg.diameter"].value
    fixings, spots = [], []
    for side in sides:
        level = side in LEVEL
        half, own = (h, item.height.value / 2) if level else (w, item.width.value / 2)
        along = s["peg.rail_across" if level else "peg.rail_upright"]
        key = "peg.object_across" if level else "peg.object_up"
        deep = s["peg.in_object_level" if level else "peg.in_object"].value
        dot = _on(side, half)
        fixings.append(Fixing(dot, side, along))
        in_rail = _along(side, half, s["peg.in_rail"].value, d)
        in_object = _along(side, own, -deep, d)
        spots.append(Spot(f"rail-{side}", "peg", dot, d, item.id, along.key, "rail", in_rail))
        spots.append(Spot(f"object-{side}", "peg", _on(side, own), d, item.id, key, "object", in_object))
    return tuple(fixings), tuple(spots)


def _on(side: Side, at_mm: float) -> Dot:
    """The middle of a side that lies so far from the frame's middle."""
    return {"left": (-at_mm, 0.0), "right": (at_mm, 0.0), "bottom": (0.0, -at_mm), "top": (0.0, at_mm)}[side]


def _along(side: Side, at_mm: float, deep_mm: float, d_mm: float) -> Ring:
    """A hole or dowel from the front: from ``at_mm`` outwards by ``deep_mm``, inwards where that is below zero."""
    a, b, r = min(at_mm, at_mm + deep_mm), max(at_mm, at_mm + deep_mm), d_mm / 2
    return {
        "left": rect(-b, -r, -a, r),
        "right": rect(a, -r, b, r),
        "bottom": rect(-r, -b, r, -a),
        "top": rect(-r, a, r, b),
    }[side]
