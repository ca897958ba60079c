"""A strainer back: a stiff frame of bars behind the package, fitted tightly and screwed through the rails."""

from collections.abc import Sequence
from dataclasses import replace

from shadbo.core.build.assembly import Join, Part
from shadbo.core.build.screws import screw_between
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.options import FrameOptions
from shadbo.core.displays.rabbeted.points import FixingLine, side_fixings
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.kept import PLAIN_STOCK, SCREWS, role
from shadbo.core.shop.materials import PlainStock
from shadbo.core.solids.bites import Bar
from shadbo.core.solids.body import Body
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.sums.weight import solid
from shadbo.core.words.words import Mm, say

STRAINER = "strainer"
BARS = PlainStock(id="strainer-bar", name="strainer bar, none listed", face_mm=45, height_mm=18)
WIDE_MM = 30.0
"""A bar stiff enough to keep a rail straight is that wide at least: common practice, no source."""
APART_MM = 250.0
"""Between the screws of a strainer: common practice, no source."""
GRIP_MM = 15.0
"""What a screw needs in the strainer's bar: common practice, no source."""


def strainer_slab(desk: Desk, options: FrameOptions) -> tuple[Slab, ...]:
    """The bars as the last layer of the package, of plain stock that lies flat; nothing where none is wanted."""
    if not options.strainer:
        return ()
    s = desk.sheet
    wide = [x for x in desk.stock.plain_stock if max(x.face_mm, x.height_mm) >= WIDE_MM]
    bar = desk.take(
        PLAIN_STOCK,
        STRAINER,
        None,
        lambda: min(wide, key=lambda x: (min(x.face_mm, x.height_mm), x.price_per_m), default=BARS),
    )
    flat, across = sorted((bar.face_mm, bar.height_mm))
    thick = s.choose("strainer.thick", "strainer back, thickness", flat, MM, bar.name)
    s.choose("strainer.bar", "strainer back, width of a bar", across, MM, bar.name)
    layer = s.let(f"stack.{STRAINER}", "strainer back", thick, bar.name)
    return (Slab(STRAINER, "strainer back", "strip", layer, "stretcher", ring_mm=across, cut=False, bar=bar),)


def sized(desk: Desk, frame: Frame, slabs: Sequence[Slab]) -> list[Slab]:
    """The layers, a strainer among them as large as the inside of the frame that was made, less 1 mm."""
    s = desk.sheet
    if slabs[-1].id != STRAINER:
        return list(slabs)
    one = s.number(1, MM)
    width = s.cut("strainer.width", "strainer back, width", frame.width.least - one, "down", 0.3)
    height = s.cut("strainer.height", "strainer back, height", frame.height.least - one, "down", 0.3)
    bar = slabs[-1].bar
    assert bar is not None
    around = s.pick("largest", 2 * (width + height) - 4 * s["strainer.bar"], s.number(0, MM))
    mass = s.let(
        "mass.strainer", "strainer back, mass", solid(s, bar.species, s["strainer.bar"] * s["strainer.thick"], around)
    )
    return [*slabs[:-1], replace(slabs[-1], size=(width, height), mass=mass)]


def strainer_parts(desk: Desk, layer: Slab) -> list[Part]:
    """Its bars, mitred, in two pairs."""
    s, bar = desk.sheet, layer.bar
    note = say(
        desk.mark,
        "bars {} wide; pull the rails in with blocks and clamps until middle = ends, then screw it through the rail",
        Mm(s["strainer.bar"].value),
    ).pick(desk.mark.system)
    assert layer.size is not None
    assert bar is not None
    return [
        Part(
            f"{STRAINER}-{axis}",
            "strip",
            f"strainer back, {sides}: {bar.name}",
            "stretcher",
            2,
            length,
            s["strainer.bar"],
            s["strainer.thick"],
            mitred=True,
            mass=layer.mass if axis == "width" else None,
            key=f"{STRAINER}.{axis}",
            to_cut=True,
            note=note,
            price=length.value / 1000 * bar.price_per_m,
        )
        for axis, sides, length in zip(
            ("width", "height"), ("top and bottom", "left and right"), layer.size, strict=True
        )
    ]


def strainer_bodies(layer: Slab, deep: tuple[float, float]) -> list[Body]:
    """Four mitred bars behind the package."""
    assert layer.size is not None
    w, h = (q.value for q in layer.size)
    step = Step(w - 2 * layer.ring_mm, h - 2 * layer.ring_mm, *deep)
    parts = (f"{STRAINER}-width", f"{STRAINER}-height")
    return rails_round((w, h), [step], "stretcher", "strainer back", parts, STRAINER, fixed=False)


def strainer_join(desk: Desk, frame: Frame) -> Join:
    """Screws through the rail's wall into the bars: near each corner, then at most so far apart."""
    s = desk.sheet
    wall = frame.face - frame.lip
    least = s.let("strainer.screw_least", "strainer screw, at least", wall + s.number(GRIP_MM, MM), way="up")
    most = s.let("strainer.screw_most", "strainer screw, at most", wall + s["strainer.bar"] - s.number(5, MM))
    value, _ = screw_between(desk, least.value, most.value)
    s.let("strainer.screw", "strainer screw", s.decide("shortest standard length between", value, MM, least, most))
    screw = desk.take(SCREWS, role("screw", f"{value:g}"), None, lambda: desk.screw(value))
    fixings = side_fixings(
        desk, frame, "strainer.at", lambda side: max(int((side - 120) // APART_MM) + 1, 2), FixingLine(60.0)
    )
    s.let("strainer.count", "strainer screws", s.number(len(fixings), ONE))
    outside, r = wall.value, screw.diameter_mm / 2
    deep = -s["strainer.thick"].value / 2
    return Join(
        STRAINER,
        "strainer screws",
        screw.name,
        ("rail", STRAINER),
        fixings,
        s["strainer.screw"],
        screw.diameter_mm,
        operations=(
            "pilot and countersink the rail from outside, clear of its mitres",
            "a plug or filler over each head",
        ),
        key="strainer.count",
        price=screw.price,
        pulls=True,
        wood=frame.profile.species,
        bars=(Bar((outside - value, outside), 2 * r, (deep - r, deep + r)),),
    )
