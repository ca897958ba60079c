"""What keeps each layer of a light box on its step: points behind two of them, screws through the back."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Join
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.points import INSET_MM, FixingLine, point_bars, side_fixings
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.kept import SCREWS, role
from shadbo.core.shop.materials import Screw
from shadbo.core.solids.bites import Bar
from shadbo.core.sums.border import point_count
from shadbo.core.words.sold import screw_size

BACK_SCREW_MM = 3.0
INTO_MM = 10.0
"""How far the back's screws go into the rail: common practice, no source."""
STEPS = {"glazing": 0, "middle": 1, "diffuser": 1, "backing": 2}
"""Which step each layer lies on."""


def step_joins(desk: Desk, frame: Frame, slabs: Sequence[Slab], step_mm: float, hinged: bool) -> tuple[Join, ...]:
    """One join a step, behind the last layer on it: nothing else lies behind any of them."""
    last = {STEPS[x.id]: x.id for x in slabs if x.id in STEPS}
    return tuple(
        _screws(desk, frame, x, STEPS[x.id] * step_mm, hinged)
        if x.role == "backing"
        else _points(desk, frame, x, STEPS[x.id] * step_mm)
        for x in slabs
        if x.id in last.values()
    )


def _points(desk: Desk, frame: Frame, layer: Slab, grown_mm: float) -> Join:
    key = f"{layer.id}.point"

    def count(side_mm: float) -> int:
        return point_count(side_mm, desk.practice.points_apart_mm)

    fixings = side_fixings(desk, frame, key, count, FixingLine(INSET_MM, grown_mm))
    many = desk.sheet.let(f"{key}.count", f"points behind {layer.name}", desk.sheet.number(len(fixings), ONE))
    steps = ("lay it on its step and drive the points into the wall behind it, flat on the glass, never on its edge",)
    return Join(f"points-{layer.id}", f"points behind {layer.name}", "points", ("rail", layer.id), fixings,
                diameter_mm=3.0, operations=steps, key=many.key, bars=point_bars())  # fmt: skip


def _screws(desk: Desk, frame: Frame, layer: Slab, grown_mm: float, hinged: bool) -> Join:
    """Two screws a side; a hinged back turns on two of them at the top and is caught by two at the bottom."""
    s = desk.sheet
    wanted = layer.thick.value + INTO_MM
    screws = desk.stock.screws
    inch = desk.mark.system == "in"
    size = screw_size(BACK_SCREW_MM, wanted)
    name = f"wood screw {size.inch if inch else size.mm}"
    usual = Screw(id="back-screw", name=name, length_mm=wanted, diameter_mm=BACK_SCREW_MM)

    def nearest() -> Screw:
        return min(screws, key=lambda x: (abs(x.length_mm - wanted), x.diameter_mm), default=usual)

    step_mm = grown_mm / STEPS[layer.id]
    air = max(frame.width.least.value - frame.package_w.value, frame.height.least.value - frame.package_h.value) / 2
    shelf = max(step_mm - air, 0.0)
    screw = desk.take(SCREWS, role("screw", "back"), None, nearest)
    fixings = side_fixings(desk, frame, "back.screw", lambda _: 2, FixingLine(INSET_MM, grown_mm, shelf / 2))
    if hinged:
        fixings = tuple(x for x in fixings if x.side in ("top", "bottom"))
    length = s.choose("back.screw_length", "length of the back's screws", screw.length_mm, MM, screw.name)
    s.let("back.screw_count", "screws through the back", s.number(len(fixings), ONE))
    steps: tuple[str, ...] = ("pilot through the back into the rail; the back comes off again for the lamps",)
    name, item = "screws through the back", screw.name
    if hinged:
        name, item = "hinges and catches of the back", f"hinge (two above) or turn catch (two below), {screw.name}"
        steps = (
            "let the hinges in flush at the top edge, so that the back still lies on its step",
            "turn catches at the bottom edge, and a strip of felt where light would leak",
        )
    r = screw.diameter_mm / 2
    return Join(
        "back-screws", name, item, ("rail", layer.id), fixings, length,
        screw.diameter_mm, operations=steps, key="back.screw_count", price=screw.price, pulls=True,
        wood=frame.profile.species,
        bars=(Bar((-r, r), 2 * r, (-length.value, 0.0), at_place=True),),
    )  # fmt: skip
