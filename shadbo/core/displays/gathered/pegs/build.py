"""Open frame: no glazing, no back; the object hangs in the opening on dowels from the rails."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import care, choice_row, length_row, reading_row, told
from shadbo.core.build.assembly import Assembly, Callout, Dimension, Join, Layer
from shadbo.core.build.marked import Shown
from shadbo.core.build.mounts import choose_mount
from shadbo.core.build.setting import BackRail, Room, Suitability
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import moulding_row, told_line
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.displays.gathered.gathered import item_asks
from shadbo.core.displays.gathered.pegs.options import HOME, LEVERS
from shadbo.core.displays.gathered.pegs.parts import middle, rails, things
from shadbo.core.displays.gathered.pegs.sums import (
    LEVEL,
    dowel_for,
    dowel_ring,
    pegs,
    places,
    rails_of_axis,
    sides_of,
)
from shadbo.core.displays.rabbeted.joints import joint_lines, joint_questions
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.findings import StationName
from shadbo.core.hang.hanging import hanger_down
from shadbo.core.pieces.objects import Keepsake
from shadbo.core.pieces.pieces import Piece
from shadbo.core.shapes.polygon import box_of
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import DOWELS, PLAIN_STOCK
from shadbo.core.shop.materials import PlainStock
from shadbo.core.solids.body import Body, Prism, Tie
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.items import Item, item_of
from shadbo.core.sums.order import order_mm, rail_order
from shadbo.core.sums.weight import of_bodies
from shadbo.core.words.words import Mm, Sentence, both, say, sizes

FALLBACK = PlainStock(id="square", name="square stock, none listed", face_mm=20, height_mm=45)
CLEAR_MM = 2.0


class OpenFrame:
    """A tool or model that hangs free in its frame."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "none"
    name = "Open frame with pegs"
    takes = "one tool, figure or model"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Things of wood or the like that may be drilled."""
        return isinstance(piece.detail, Keepsake)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of the object."""
        return [a for a in item_asks(desk) if a.at.startswith(f"pieces/{desk.piece.id}/")]

    def build(self, desk: Desk) -> Assembly:
        """Opening round the object, rails, dowels on its centre lines."""
        s, o = desk.sheet, HOME.of(desk.job)
        item = item_of(desk, desk.piece)
        gap = desk.choose(
            "gap.wanted", "air round the object", o.gap, desk.practice.peg_gap_mm, "practice of the shop"
        )
        held = _held(desk, item, gap.value)
        best = held[0].profile if held else FALLBACK
        planned = best if isinstance(best, PlainStock) else FALLBACK
        stock = desk.take(PLAIN_STOCK, "profile", LEVERS.profile, lambda: planned)
        source = stock.name + ("" if o.stock else ", the plan's choice")
        face = s.choose("profile.face", "face of the stock", stock.face_mm, MM, source)
        high = s.choose("profile.height", "depth of the stock", stock.height_mm, MM, source)
        for axis, size in (("width", item.width), ("height", item.height)):
            rails_of_axis(desk, axis, size, gap, face)
        rail_order(s, s["rail.width"], s["rail.height"], face, desk.practice.kerf_mm, turned=True)
        depth = s.let("frame.depth", "depth of the frame", high)
        made = s.pick("smallest", s["gap.made_width"], s["gap.made_height"])
        s.let("gap.made", "air round the object, as made", made, way="down")
        sides = sides_of(o, item)
        dowel = desk.take(DOWELS, "dowel", LEVERS.dowel, lambda: dowel_for(desk, item, sides))
        pegs(desk, o, item, dowel, sides, face, high)
        hanger_down(desk, s["frame.outside_height"])
        outer = (s["frame.outside_width"].value, s["frame.outside_height"].value)
        opening = Step(s["frame.inside_width.middle"].value, s["frame.inside_height.middle"].value, 0.0, high.value)
        bodies = rails_round(outer, [opening], "wood", f"rail, {stock.name}")
        mass = s.let("frame.mass", "frame, estimated", of_bodies(s, stock.species, bodies), "volume of its rails")
        facts = desk.piece.told
        mount = choose_mount(desk, facts, item.mass.value, ("pegs",), None)
        long = max(s["frame.outside_width"].value, s["frame.outside_height"].value)
        joint = joint_lines(desk, o.joint, face, s.number(0, MM), depth, long, item.mass.value)
        wall = s.let("rail.back_wall", "back of the rail", face)
        fixings, spots = places(desk, item, sides)
        w, h = s["frame.outside_width"].value / 2, s["frame.outside_height"].value / 2
        outside = sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])
        f, level = face.value, box_of(dowel_ring(desk, item, "right"))
        front, back = middle(high.value, item.front.value)
        steps = (
            f"drill = the dowel in hand, {dowel.name}, tried in scrap",
            "drill the rails first; lay the object on the seated dowels to mark it",
            "join three rails; push the object on; the last rail goes on over its dowel"
            if len(sides) == 2
            else "two rails with their dowels first, then the object; the others, each over its own dowel, and all "
            "four drawn together with a band: glue in the mitres only",
        )
        join = Join("pegs", f"{dowel.name}", dowel.name, ("rail", "piece"), fixings, s["peg.length"],
                    dowel.diameter_mm, operations=steps, key="peg.length", part="peg")  # fmt: skip
        ties = (Tie("item", bodies[0].id, "pegs"),) if bodies else ()
        r, m = dowel.diameter_mm / 2, high.value / 2
        bodies += [
            Body(f"peg-{side}", dowel.name, "metal", (Prism(dowel_ring(desk, item, side), m - r, m + r),),
                 "peg_level" if side in LEVEL else "peg", bites=True,
                 into=(f"rail-{side}", "item"))
            for side in sides
        ]  # fmt: skip
        bodies.append(Body("item", item.name, "stretcher", (Prism(item.ring, front, back),), "item"))
        return Assembly(
            s["frame.outside_width"],
            s["frame.outside_height"],
            depth,
            BackRail(stock.species, wall, depth, s.number(0, MM), depth),
            (*rails(desk, stock, face, high, mass), *things(desk, item, dowel, sides)),
            (join,),
            (
                Layer("rail before it", 0, front, "air", "peg.behind"),
                Layer(item.name, front, back, "stretcher", f"{item.key}.front"),
                Layer("rail behind it", back, high.value, "air", "peg.behind"),
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
                Callout("edge", (front + 5, f + s["gap.made_width"].value + 12), item.name, item.front,
                        key=f"{item.key}.front"),
            ),
            "right rail, cut through at the dowel",
            Saw(f + s["gap.made_width"].value + min(item.width.value / 2, 48), (level[1] + level[3]) / 2),
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
            bodies=tuple(bodies),
            ties=ties,
            moulding=stock,
            mouldings=held,
            mount=mount,
            joint=joint,
            goes_in="push the object onto its dowels and close the last rail",
            effort="drilled for good",
            shown=(Shown(item.id, item.name, item.ring, f"{item.key}.front", "opening"),),
            spots=spots,
        )  # fmt: skip

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Air, stock, dowels, drill, order of assembly."""
        o, s = HOME.of(desk.job), desk.sheet
        own: dict[StationName, list[Question]] = {
            "sizes": [length_row(desk, HOME.to("gap"), "Air round the object", o.gap, s.get("gap.wanted"))]
        }
        if assembly is None:
            return own
        own["display"] = [moulding_row(desk, assembly, HOME.to("stock"), o.stock, "Stock")]
        own["sizes"] += told_line(desk, "gap.made", "Air, as made")
        own["depth"] = told_line(desk, "profile.height", "Rails, deep", "the dowels stand at half their depth")
        now = int(s["peg.count"].value)
        dowels = [Choice(None, "The plan chooses", both("the thickest that it takes"), o.dowel is None)]
        dowels += [
            Choice(d.model_dump(mode="json"), d.name, say(desk.mark, "{}", Mm(d.diameter_mm)), o.dowel == d)
            for d in desk.stock.dowels
        ]
        why = "on the object's centre lines"
        if o.pegs is None and now == 3:
            why = "on two it turns, unless it is heavier below their line"
        own["mount"] = [
            choice_row(HOME.to("pegs"), "Dowels", [Choice(n, str(n), picked=n == now) for n in (2, 3, 4)],
                       o.pegs is not None, why),
            choice_row(HOME.to("dowel"), "Dowel", dowels, o.dowel is not None, menu=True, key="peg.diameter"),
            *told_line(desk, "peg.behind", "Rail behind the object", "so that it clears the wall"),
            *told_line(desk, "peg.most", "Dowel, at most", "a third of the object, where it is thinnest"),
            *told_line(desk, "peg.in_rail", "Hole in the rail, deep"),
            *told_line(desk, "peg.in_object", "Hole in the object, deep"),
            *told_line(desk, "peg.length", "Dowel to cut", "air and both holes, a little less"),
            *told_line(desk, "peg.in_object_level", "Hole in the object from below or above, deep"),
            *told_line(desk, "peg.length_level", "Dowel to cut for it"),
            *told_line(desk, "peg.rail_upright", "Hole in the side rails, from the long point"),
            *(told_line(desk, "peg.rail_across", "Hole in the level rails, from the long point") if now > 2 else []),
            *told_line(desk, "peg.rail_deep", "… and from the front edge"),
            *told_line(desk, "peg.object_up", "Hole in the object, from its lowest point"),
            *(told_line(desk, "peg.object_across", "Hole in the object, from its left") if now > 2 else []),
            *told_line(desk, "peg.object_deep", "… and from its front"),
            *told_line(desk, "peg.stress", "Bending of a dowel, MPa",
                       f"{desk.practice.peg_stress_mpa:g} MPa at most: an aid to judgement"),
            reading_row(desk, HOME.to("peg_read"), "Dowel, as it is", o.peg_read, "peg.read", note="by caliper"),
            reading_row(desk, HOME.to("drill"), "Drill, as it bores", o.drill, "peg.drill", note="in scrap"),
            *[told(f"Order: {n}", op) for j in assembly.joins for n, op in enumerate(j.operations, 1)],
            care("Drilling: clamp the piece, never hold it by hand; stop collar on the bit."),
        ]  # fmt: skip
        own["parts"] = [
            *parts_questions(desk, assembly),
            *joint_questions(desk, assembly, HOME.to("joint"), o.joint),
        ]
        return own


def _held(desk: Desk, item: Item, gap_mm: float) -> tuple[Suitability, ...]:
    """Plain stock held against the object: it should be deeper than the object's hold asks, and stiff."""
    out = []
    for stock in desk.stock.plain_stock:
        faults: list[Sentence] = []
        least = item.front.value + 2 * CLEAR_MM
        lack = max(least - stock.height_mm, 0.0) + max(18.0 - stock.face_mm, 0.0)
        if lack > 0:
            faults.append(Sentence("{} too shallow or slight", (Mm(lack, "up"),)))
        more = 2 * (gap_mm + stock.face_mm)
        order = order_mm(item.width.value + more, item.height.value + more, stock.face_mm)
        price = order / 1000 * stock.price_per_m
        size = Sentence("face {}, depth {}", (Mm(stock.face_mm), Mm(stock.height_mm)))
        over = Sentence("{} deep", (Mm(stock.height_mm),))
        out.append(Suitability(stock, over, tuple(faults), price, lack, 0.0, size))
    return tuple(sorted(out, key=lambda h: (len(h.faults), h.missing_mm, h.price, h.profile.id)))


DISPLAY = OpenFrame()
