"""What the layers of a light box need: letters, voids, lamps, supply, cable."""

from dataclasses import replace

from shadbo.core.build.assembly import Part
from shadbo.core.build.marked import Spot
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.displays.gathered.light_box.options import LEVERS, LightOptions
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.pieces.objects import Keepsake
from shadbo.core.shapes.artwork import brought_to
from shadbo.core.shapes.letters import Lettering, lettering, unknown
from shadbo.core.shapes.polygon import moved
from shadbo.core.shapes.rings import rect
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import LampStrip, Supply
from shadbo.core.shop.kept import SUPPLIES
from shadbo.core.solids.body import Body, Prism, Tie
from shadbo.core.sums.lamps import Rows, rows_of, watts

LAMP = LampStrip(id="lamp", name="lamp strip, none listed", pitch_mm=17, w_per_m=5)
LAMPS_CLEAR_MM = 20.0
"""What the rows of lamps stay short of the board, both sides together: common practice, no source."""
SUPPLY = Supply(id="supply", name="supply, none listed", watts=12)


def lettering_of(desk: Desk, o: LightOptions) -> Lettering | None:
    """The cut-out letters on the sheet; None without any."""
    if not o.letters.strip():
        return None
    s, p = desk.sheet, desk.practice
    high = desk.choose("letters.height", "letters, height", o.letter_height, 40, "the plan's")
    bridged = (o.islands or "bridges") == "bridges"
    bridge = 0.0
    if bridged and lettering(o.letters, high.value).islands:
        bridge = desk.choose("bridge.width", "bridges to closed letters", o.bridge, p.bridge_mm, "practice").value
    text = lettering(o.letters, high.value, bridge)
    s.let("letters.width", "lettering, width", s.decide("six fifths of a letter each", text.width, MM, high))
    s.let("letters.islands", "middles that would fall out", s.number(text.islands, ONE))
    s.let("letters.unknown", "signs that the alphabet lacks", s.number(len(unknown(o.letters)), ONE))
    return text


def cut_outs_of(desk: Desk, o: LightOptions) -> Lettering | None:
    """Letters and artwork, one above the other, about the middle of both; None without any."""
    text, drawn = lettering_of(desk, o), artwork_of(desk, o)
    if text is None or drawn is None:
        return text or drawn
    gap = desk.practice.layout_gap_mm
    high = text.height + gap + drawn.height
    up, down = (high - text.height) / 2, (drawn.height - high) / 2
    rings = (*(moved(r, 0, up) for r in text.rings), *(moved(r, 0, down) for r in drawn.rings))
    holes = (*(moved(r, 0, up) for r in text.holes), *(moved(r, 0, down) for r in drawn.holes))
    return Lettering(rings, holes, text.islands + drawn.islands, max(text.width, drawn.width), high)


def artwork_of(desk: Desk, o: LightOptions) -> Lettering | None:
    """The drawing that is cut out, at the width that is wanted; None without one."""
    if o.artwork is None:
        return None
    s = desk.sheet
    width = desk.choose("artwork.width", "artwork, width", o.artwork_width, 120, "the plan's")
    drawn = brought_to(o.artwork, width.value)
    s.let("artwork.height", "artwork, height", s.decide("as drawn", drawn.height, MM, width), o.artwork.name or "")
    s.let("artwork.islands", "pieces of the artwork that would fall out", s.number(drawn.islands, ONE))
    held = 0 if o.islands == "translucent sheet" else drawn.islands
    s.let("artwork.loose", "pieces of the artwork that nothing holds", s.number(held, ONE))
    return drawn


def lamp_rows(desk: Desk, o: LightOptions, lamp: LampStrip, size_mm: tuple[float, float]) -> tuple[Rows, Supply]:
    """Rows of strip, what they draw, and the supply for it."""
    s, p = desk.sheet, desk.practice
    apart = desk.choose("lamp.rows_apart", "rows of lamps, apart", o.rows_apart, 60, "the plan's")
    rows = rows_of(size_mm[0] - LAMPS_CLEAR_MM, size_mm[1] - LAMPS_CLEAR_MM, apart.value, lamp.pitch_mm, lamp.cut_mm)
    s.choose("lamp.strip_pitch", "lamps along the strip, apart", lamp.pitch_mm, MM, lamp.name)
    s.let("lamp.rows", "rows of lamps", s.decide("height ÷ distance", rows.count, ONE, apart))
    s.let("lamp.each", "each row, cut to", s.decide("whole cutting lengths", rows.each_mm, MM), lamp.name)
    s.let("lamp.length", "strip, all rows", s["lamp.each"] * s["lamp.rows"])
    s.let("lamp.pitch", "pitch of the light", s.decide("the larger of rows and lamps", rows.pitch_mm, MM, apart))
    s.choose("lamp.volts", "lamps, volts", lamp.volts, ONE, lamp.name)
    draw = s.let("lamp.watts", "the strips draw, watts", s.number(watts(rows.total_mm, lamp.w_per_m), ONE), lamp.name)
    need = s.let(
        "supply.needed", "supply, at least, watts", draw * p.supply_times, "what they draw, and some to spare", "up"
    )
    fit = sorted((x for x in desk.stock.supplies if x.volts == lamp.volts), key=lambda x: x.watts)
    best = next((x for x in fit if x.watts >= need.value - 1e-6), fit[-1] if fit else SUPPLY)
    supply = desk.take(SUPPLIES, "supply", LEVERS.supply, lambda: best)
    s.choose("supply.watts", "supply, watts", supply.watts, ONE, supply.name)
    s.choose("supply.plug", "plug of the supply", supply.plug_mm, MM, supply.name)
    s.let("supply.volts_off", "supply and lamps differ, volts", s.number(abs(supply.volts - lamp.volts), ONE))
    return rows, supply


def lamp_parts(desk: Desk, lamp: LampStrip, supply: Supply) -> tuple[Part, ...]:
    """The strips as they are cut, and the supply that stands outside the box."""
    s = desk.sheet
    each = s["lamp.each"]
    strips = Part("lamps", "clip", lamp.name, "lit", int(s["lamp.rows"].value), each, key="lamp.each", to_cut=True,
                  note="cut only at a mark of the strip", price=each.value / 1000 * lamp.price_per_m)  # fmt: skip
    outside = Part("supply", "clip", supply.name, "none", 1, key="supply.watts", fetched="supply",
                   note="listed, outside the box", price=supply.price)  # fmt: skip
    return strips, outside


LAMP_MM = (10.0, 3.0)
"""A strip of lamps: its width and its thickness: common practice, no source."""


def lamp_bodies(desk: Desk, lamp: LampStrip, rows: Rows, high_mm: float, back_mm: float) -> tuple[Body, Tie]:
    """The rows of strip on the back board, looking forwards, stuck to it."""
    wide, thick = LAMP_MM
    half, apart = desk.sheet["lamp.each"].value / 2, high_mm / rows.count
    levels = [apart * (n + 0.5) - high_mm / 2 for n in range(rows.count)]
    prisms = tuple(Prism(rect(-half, y - wide / 2, half, y + wide / 2), back_mm - thick, back_mm) for y in levels)
    return Body("lamps", lamp.name, "lit", prisms, "lamps"), Tie("lamps", "backing", "its own adhesive")


def stood(desk: Desk, o: LightOptions, group: Gathered, frame: Frame) -> Gathered:
    """What stands, stands on the rail behind the lip: below the edge of the field that is seen."""
    s, at = desk.sheet, dict(group.at)
    by_hand = {x.id for x in o.layout.places}
    drop = s.let("floor.drop", "rail on which things stand, below the field", (frame.height.least - group.height) / 2)
    for x in group.items:
        if isinstance(x.piece.detail, Keepsake) and x.piece.detail.stands and x.id not in by_hand:
            px, py = at[x.id]
            at[x.id] = (px, py - max(drop.value, 0.0))
    return replace(group, at=at)


def front_void(desk: Desk, group: Gathered) -> Quantity:
    """Void for the objects: the deepest and 6 mm on both sides."""
    s = desk.sheet
    round_it = s.choose("void.round", "air round the objects", desk.practice.void_round_object_mm, MM, "practice")
    deepest = s.pick("largest", *[x.front for x in group.items])
    s.let("air.relief", "what stands out farthest", deepest)
    void = s.cut("stack.front_void", "front void", deepest + 2 * round_it, "up", 0.5)
    s.let("air.needed", "front void, at least", deepest + 2 * round_it)
    s.let("air.made", "front void, as planned", void)
    return void


def light_void(desk: Desk, o: LightOptions, rows: Rows) -> Quantity:
    """Void that mixes the light: at least the lamps' pitch, by default a quarter more."""
    s, p = desk.sheet, desk.practice
    s.let("lamp.void_least", "light void, at least", s["lamp.pitch"] * 1.0, "the lamps' pitch")
    if o.light_void is not None:
        return desk.choose("stack.light_void", "light void", o.light_void, 0, "")
    wanted = s["lamp.pitch"] * s.number(p.lamp_void_times)
    return s.cut("stack.light_void", "light void", wanted, "up", 0.5)


def cable_spot(desk: Desk, o: LightOptions, frame: Frame) -> Spot:
    """Where the cable leaves: a hole in the rail at the light void, plug + 1 mm."""
    s = desk.sheet
    side = o.cable or "bottom"
    size = s.cut("cable.hole", f"cable hole, {side} rail", s["supply.plug"] + s.number(1, MM), "up", 0.5)
    deep = s["step.middle"] + s["stack.middle"] + s["stack.middle_room"] + s["stack.light_void"] / 2
    s.cut("cable.deep", "cable hole, from the rail's front edge", deep, "nearest", 0.5)
    along = "height" if side in ("left", "right") else "width"
    s.cut("cable.along", "cable hole, from the rail's long point", s[f"frame.outside_{along}"] / 2, "nearest", 0.5)
    w, h = s["frame.outside_width"].value / 2, s["frame.outside_height"].value / 2
    at = {"bottom": (0.0, -h), "top": (0.0, h), "left": (-w, 0.0), "right": (w, 0.0)}[side]
    return Spot("cable", "cable", at, size.value, "", "cable.along", "rail")
