"""Open frame: no glazing, no back; the object hangs in the opening on dowels from the rails."""

from shadbo.core.assembly import (
    Assembly,
    BackRail,
    Callout,
    Dimension,
    Fixing,
    Join,
    Layer,
    Part,
    Room,
    Shown,
    Spot,
    Suitability,
)
from shadbo.core.boards import Dowel
from shadbo.core.box_options import PegOptions
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import moulding_row, told_line
from shadbo.core.displays.base import Ask
from shadbo.core.displays.flat_front import seen
from shadbo.core.displays.gathered import item_asks
from shadbo.core.displays.glazed_questions import parts_questions
from shadbo.core.displays.joints import joint_lines, joint_questions
from shadbo.core.facts import tell
from shadbo.core.findings import StationName
from shadbo.core.hanging import hanger_down
from shadbo.core.materials import PlainStock
from shadbo.core.mounts import choose_mount
from shadbo.core.objects import Keepsake
from shadbo.core.pieces import Piece
from shadbo.core.quantity import Quantity
from shadbo.core.questions import Choice, Question
from shadbo.core.rings import mitred, rect
from shadbo.core.rows import care, choice_row, length_row, reading_row, told
from shadbo.core.sums.bending import MPA
from shadbo.core.sums.hang import force
from shadbo.core.sums.items import Item, item_of
from shadbo.core.sums.order import order_mm, rail_order
from shadbo.core.sums.pegs import hole_depth, most_diameter, stress_mpa
from shadbo.core.sums.weight import solid
from shadbo.core.units import MM, ONE
from shadbo.core.words import Mm, both, say, sizes

AT = "options/pegs"
LEVERS = {name: f"{AT}/{name}" for name in ("gap", "dowel", "pegs", "joint", "drill", "peg_read")} | {
    "profile": f"{AT}/stock"
}
FALLBACK = PlainStock(id="square", name="square stock, none listed", face_mm=20, height_mm=45)
PEG = Dowel(id="dowel", name="dowel, none listed", diameter_mm=6)
CLEAR_MM = 2.0
SIDES = {2: ("left", "right"), 3: ("left", "right", "bottom"), 4: ("left", "right", "bottom", "top")}


class OpenFrame:
    """A tool or model that hangs free in its frame."""

    kind = "open frame"
    name = "Open frame with pegs"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Things of wood or the like that may be drilled."""
        return isinstance(piece.detail, Keepsake)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of the object."""
        return [a for a in item_asks(desk) if a.at.startswith(f"pieces/{desk.piece.id}/")]

    def build(self, desk: Desk) -> Assembly:
        """Opening round the object, rails, dowels on its centre lines."""
        s, o = desk.sheet, desk.job.options.pegs
        item = item_of(desk, desk.piece)
        gap = desk.choose(
            "gap.wanted", "air round the object", o.gap, desk.practice.peg_gap_mm, "practice of the shop"
        )
        held = _held(desk, item, gap.value)
        best = held[0].profile if held else FALLBACK
        stock = o.stock or (best if isinstance(best, PlainStock) else FALLBACK)
        source = stock.name + ("" if o.stock else ", the plan's choice")
        face = s.choose("profile.face", "face of the stock", stock.face_mm, MM, source)
        high = s.choose("profile.height", "depth of the stock", stock.height_mm, MM, source)
        for axis, size in (("width", item.width), ("height", item.height)):
            _axis(desk, axis, size, gap, face)
        rail_order(s, s["rail.width"], s["rail.height"], face)
        depth = s.let("frame.depth", "depth of the frame", high)
        made = s.pick("smallest", s["gap.made_width"], s["gap.made_height"])
        s.let("gap.made", "air round the object, as made", made, way="down")
        dowel = o.dowel or _dowel(desk, item)
        sides = SIDES[o.pegs or 2]
        _pegs(desk, o, item, dowel, len(sides), face, high)
        hanger_down(desk, s["frame.outside_height"])
        area = face * high
        mass = s.let("frame.mass", "frame, estimated", solid(s, stock.species, area, s["rail.total"] - 4 * face))
        facts = tell(desk.piece.facts, desk.piece.detail.kind, desk.piece.worth)
        mount = choose_mount(desk, facts, item.mass.value, ("pegs",), None)
        long = max(s["frame.outside_width"].value, s["frame.outside_height"].value)
        joint_lines(desk, o.joint, face, s.number(0, MM), depth, long, item.mass.value)
        wall = s.let("rail.back_wall", "back of the rail", face)
        fixings, spots = _places(desk, item, sides, face)
        w, h = s["frame.outside_width"].value / 2, s["frame.outside_height"].value / 2
        outside = sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])
        f = face.value
        steps = (
            f"drill = dowel in hand: {dowel.diameter_mm:g} mm, tried in scrap",
            "drill the rails first; lay the object on the seated dowels to mark it",
            "join three rails; push the object on; the last rail goes on over its dowel",
        )
        join = Join("pegs", f"{dowel.name}", dowel.name, ("rail", "piece"), fixings, s["peg.length"],
                    dowel.diameter_mm, operations=steps, key="peg.length")  # fmt: skip
        return Assembly(
            s["frame.outside_width"],
            s["frame.outside_height"],
            depth,
            BackRail(stock.species, wall, depth, s.number(0, MM), depth),
            (*_rails(desk, stock, face, high, mass), *_things(desk, item, dowel, sides, face, high)),
            (join,),
            (
                Layer("rail", 0, high.value, "wood", "profile.height"),
                Layer(item.name, *_middle(high.value, item.front.value), "stretcher", f"{item.key}.front"),
            ),
            (
                Dimension("edge", (0, 0), (0, f), face, "upright", 1, "low", "face"),
                Dimension("edge", (0, f + 60), (high.value, f + 60), depth, "across", 1, "high", "deep"),
                Dimension("front", (-w, -h), (w, -h), s["frame.outside_width"], "across", 2, "low", "outside"),
                Dimension("front", (w, -h), (w, h), s["frame.outside_height"], "upright", 2, "high", "outside"),
                Dimension("front", (-w + f, -h), (w - f, -h), s["frame.inside_width.middle"], "across", 1, "low",
                          "opening"),
                Dimension("front", (w, -h + f), (w, h - f), s["frame.inside_height.middle"], "upright", 1, "high",
                          "opening"),
                Dimension("front", (w - f - s["gap.made_width"].value, 0), (w - f, 0), s["gap.made_width"], "across",
                          0, "low", "gap.wanted", "tape"),
            ),
            (
                Callout("edge", (high.value / 2, f + s["gap.made_width"].value / 2), dowel.name, key="peg.length"),
                Callout("edge", (high.value / 2, f + s["gap.made_width"].value + 12), item.name, item.front,
                        key=f"{item.key}.front"),
            ),
            "right rail, cut through at the dowel",
            {
                "sizes": (
                    say(desk.mark, "{} of air round it", gap),
                    say(desk.mark, "outside {}", outside),
                ),
                "depth": (say(desk.mark, "rails {} deep", high), both("no glazing, no back")),
                "mount": (both(f"{len(sides)} pegs"), say(desk.mark, "{} long", s["peg.length"])),
                "parts": (say(desk.mark, "4 rails, {}", s["rail.total"]), both("")),
            },
            Room(0.0, high.value, "profile.height", "rail"),
            see_through=True,
            levers=LEVERS,
            moulding=stock,
            mouldings=held,
            mount=mount,
            effort="drilled for good",
            shown=(Shown(item.id, item.name, item.ring, f"{item.key}.front", "opening"),),
            spots=spots,
        )  # fmt: skip

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Air, stock, dowels, drill, order of assembly."""
        o, s = desk.job.options.pegs, desk.sheet
        own: dict[StationName, list[Question]] = {
            "sizes": [length_row(desk, f"{AT}/gap", "Air round the object", o.gap, s.get("gap.wanted"))]
        }
        if assembly is None:
            return own
        own["display"] = [moulding_row(desk, assembly, f"{AT}/stock", o.stock, "Stock")]
        own["sizes"] += told_line(desk, "gap.made", "Air, as made")
        own["depth"] = told_line(desk, "profile.height", "Rails, deep", "the dowels stand at half their depth")
        now = o.pegs or 2
        dowels = [Choice(None, "The plan chooses", both("the thickest that it takes"), o.dowel is None)]
        dowels += [
            Choice(d.model_dump(mode="json"), d.name, say(desk.mark, "{}", Mm(d.diameter_mm)), o.dowel == d)
            for d in desk.stock.dowels
        ]
        own["mount"] = [
            choice_row(f"{AT}/pegs", "Dowels", [Choice(n, str(n), picked=n == now) for n in (2, 3, 4)],
                       o.pegs is not None, "on the object's centre lines"),
            choice_row(f"{AT}/dowel", "Dowel", dowels, o.dowel is not None, menu=True, key="peg.diameter"),
            *told_line(desk, "peg.behind", "Rail behind the object", "so that it clears the wall"),
            *told_line(desk, "peg.most", "Dowel, at most", "a third of the object's thickness"),
            *told_line(desk, "peg.in_rail", "Hole in the rail, deep"),
            *told_line(desk, "peg.in_object", "Hole in the object, deep"),
            *told_line(desk, "peg.length", "Dowel to cut", "gap + both holes − 1 mm"),
            *told_line(desk, "peg.rail_upright", "Hole in the side rails, from the long point"),
            *told_line(desk, "peg.rail_deep", "… and from the front edge"),
            *told_line(desk, "peg.object_up", "Hole in the object, from its lowest point"),
            *told_line(desk, "peg.object_deep", "… and from its front"),
            *told_line(desk, "peg.stress", "Bending of a dowel, MPa", "10 MPa at most: an aid to judgement"),
            reading_row(desk, f"{AT}/peg_read", "Dowel, as it is", o.peg_read, "peg.read", note="by caliper"),
            reading_row(desk, f"{AT}/drill", "Drill, as it bores", o.drill, "peg.drill", note="in scrap"),
            *[told(f"Order: {n}", op) for j in assembly.joins for n, op in enumerate(j.operations, 1)],
            care("Drilling: clamp the piece, never hold it by hand; stop collar on the bit."),
        ]  # fmt: skip
        own["parts"] = [
            *parts_questions(desk, assembly),
            *joint_questions(desk, assembly, f"{AT}/joint", o.joint),
        ]
        return own


def _held(desk: Desk, item: Item, gap_mm: float) -> tuple[Suitability, ...]:
    """Plain stock held against the object: it should be deeper than the object's hold asks, and stiff."""
    out = []
    for stock in desk.stock.plain_stock:
        faults = []
        least = item.front.value + 2 * CLEAR_MM
        lack = max(least - stock.height_mm, 0.0) + max(18.0 - stock.face_mm, 0.0)
        if lack > 0:
            faults.append(f"{lack:.4g} mm too shallow or slight")
        more = 2 * (gap_mm + stock.face_mm)
        order = order_mm(item.width.value + more, item.height.value + more, stock.face_mm)
        price = order / 1000 * stock.price_per_m
        size = say(desk.mark, "face {}, depth {}", Mm(stock.face_mm), Mm(stock.height_mm))
        over = say(desk.mark, "{} deep", Mm(stock.height_mm))
        out.append(Suitability(stock, over, tuple(faults), price, lack, 0.0, size))
    return tuple(sorted(out, key=lambda h: (len(h.faults), h.missing_mm, h.price, h.profile.id)))


def _axis(desk: Desk, axis: str, size: Quantity, gap: Quantity, face: Quantity) -> None:
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


def _dowel(desk: Desk, item: Item) -> Dowel:
    """The thickest dowel of the drawers that the object takes; else the thinnest there is."""
    here = sorted(desk.stock.dowels, key=lambda d: d.diameter_mm)
    fit = [d for d in here if d.diameter_mm <= most_diameter(item.front.value) + 1e-6]
    return fit[-1] if fit else here[0] if here else PEG


def _pegs(desk: Desk, o: PegOptions, item: Item, dowel: Dowel, count: int, face: Quantity, high: Quantity) -> None:
    s = desk.sheet
    s.let("peg.most", "dowel, thickest", item.front / 3, "a third of the object's thickness", "down")
    d = s.choose("peg.diameter", "dowel, diameter", dowel.diameter_mm, MM, dowel.name)
    s.let("peg.behind", "rail behind the object", (high - item.front) / 2, "it hangs at half the depth", "down")
    s.let("peg.edge", "wood beside the dowel, in diameters", item.front / 2 / d, "at least 1.5")
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
    s.let("peg.stress", "bending of a dowel", bend, "10 MPa at most; common practice, no source")
    if o.peg_read is not None:
        desk.read("peg.read", "dowel, as it is", o.peg_read)
    if o.drill is not None:
        desk.read("peg.drill", "drill, as it bores", o.drill)


def _places(
    desk: Desk, item: Item, sides: tuple[str, ...], face: Quantity
) -> tuple[tuple[Fixing, ...], tuple[Spot, ...]]:
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


def _rails(desk: Desk, stock: PlainStock, face: Quantity, high: Quantity, mass: Quantity) -> list[Part]:
    s = desk.sheet
    w, h, f = s["frame.outside_width"].value / 2, s["frame.outside_height"].value / 2, face.value
    faces = dict(zip(("top", "bottom", "left", "right"), mitred(w, h, f), strict=True))
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
            section=rect(0, 0, high.value, f) if axis == "height" else (),
            face=tuple(faces[side] for side in sides),
            seen_from=("front", "back"),
            key=f"rail.{axis}",
            to_cut=True,
            note="long point to long point, mitres leaning opposite ways",
        )
        for axis, sides in (("width", ("top", "bottom")), ("height", ("left", "right")))
    ]


def _middle(high: float, thick: float) -> tuple[float, float]:
    return (high - thick) / 2, (high + thick) / 2


def _things(
    desk: Desk, item: Item, dowel: Dowel, sides: tuple[str, ...], face: Quantity, high: Quantity
) -> list[Part]:
    """The object and its dowels, from the front and in the section through the right-hand dowel."""
    s = desk.sheet
    a, b = _middle(high.value, item.front.value)
    f, gap, r, m = face.value, s["gap.made_width"].value, dowel.diameter_mm / 2, high.value / 2
    section = rect(a, f + gap, b, f + gap + min(item.width.value / 2, 48))
    peg = rect(m - r, f - s["peg.in_rail"].value, m + r, f + gap + s["peg.in_object"].value)
    w, h = s["frame.inside_width.middle"].value / 2, s["frame.inside_height.middle"].value / 2
    ow, oh = item.width.value / 2, item.height.value / 2
    bars = {"left": rect(-w, -r, -ow, r), "right": rect(ow, -r, w, r), "bottom": rect(-r, -h, r, -oh),
            "top": rect(-r, oh, r, h)}  # fmt: skip
    out = [seen(f"peg-{side}", "stretcher", bars[side], "peg.length", dowel.name) for side in sides]
    out.append(
        Part("item", "piece", item.name, "stretcher", 1, item.width, item.height, item.front, mass=item.mass,
             section=section, face=(item.ring,), seen_from=("front", "back"), key=f"{item.key}.front")
    )  # fmt: skip
    d = s["peg.diameter"]
    price = s["peg.length"].value / 1000 * dowel.price_per_m
    out.append(Part("peg", "strip", dowel.name, "metal", int(s["peg.count"].value), s["peg.length"], d, d, section=peg,
                    key="peg.length", to_cut=True, price=price))  # fmt: skip
    return out
