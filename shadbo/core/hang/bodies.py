"""Hangers as bodies: what they cover of the frame's back, their screws in the wood, the wire between them."""

import math
from itertools import pairwise

from shadbo.core.build.assembly import Assembly
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.hang.screw import IN_STRIP
from shadbo.core.shapes.plane import Dot, Ring
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.bites import screws_through
from shadbo.core.solids.body import Body, Prism, Tie

HANGER = "hanger"
WIRE = "wire"
WIRE_MM = 1.5
"""How thick a wire is drawn: common practice, no source."""
PLATE_SHARE = 0.7
"""Over how much of a plate's length its screws are spread: common practice, no source."""


def hanger_bodies(assembly: Assembly, hang: HangPlan) -> tuple[Body, ...]:
    """Every hanger at its place behind the frame; none where it hangs without a rail."""
    if hang.hanger is None or assembly.back_rail is None:
        return ()
    wide, high = hang.hanger.footprint_mm
    back = assembly.back_rail.thick_at_wall.value
    out = max(hang.hanger.stands_out_mm, 1.0)
    return tuple(
        Body(f"{HANGER}-{n}", hang.hanger.name, "metal",
             (Prism(rect(x - wide / 2, y - high / 2, x + wide / 2, y + high / 2), back, back + out),), HANGER,
             lot=HANGER)
        for n, (x, y) in enumerate(hang.places, 1)
    )  # fmt: skip


def hung_by(assembly: Assembly, hang: HangPlan) -> tuple[tuple[Body, ...], tuple[Tie, ...]]:
    """Hangers with their screws and wire, and what each is fixed to."""
    hangers = hanger_bodies(assembly, hang)
    rail = next((b.id for b in assembly.bodies if b.fixed), "")
    if not hangers or not rail or hang.hanger is None:
        return hangers, ()
    back = hangers[0].front_mm
    ties = [Tie(b.id, rail, "its screws") for b in hangers]
    bodies = [*hangers]
    if hang.screw_mm > 0:
        dots = [at for place in hang.places for at in _screw_dots(hang, place)]
        into = ("strip" if hang.screws_at == IN_STRIP else "rail",)
        name = f"screws of {hang.hanger.name}"
        screws = screws_through("hanger-screws", name, dots, hang.hanger.screw_diameter_mm,
                                (back - hang.screw_mm, back), into)  # fmt: skip
        bodies += [Body(b.id, b.name, b.hatch, b.prisms, HANGER, bites=True, into=b.into, lot=HANGER) for b in screws]
    if hang.wire is not None and hang.rise is not None:
        out = hangers[0].back_mm
        prisms = tuple(Prism(_thread(a, b), out, out + WIRE_MM) for a, b in pairwise(wire_line(hang)))
        bodies.append(Body(WIRE, hang.wire.name, "metal", prisms, WIRE, gives=True, lot=HANGER))
        ties += [Tie(WIRE, b.id, "its turns") for b in hangers]
    return tuple(bodies), tuple(ties)


def wire_line(hang: HangPlan) -> list[Dot]:
    """The wire from hanger to hook, or two, to hanger, in the front plane."""
    if hang.rise is None or not hang.places:
        return []
    (left, y), (right, _) = hang.places[0], hang.places[-1]
    return [(left, y), *((x, y + hang.rise.value) for x in hang.hooks), (right, y)]


def _screw_dots(hang: HangPlan, place: Dot) -> list[Dot]:
    """A hanger's screws along the longer side of its plate, evenly; one in its middle."""
    assert hang.hanger is not None
    many, (wide, high) = hang.hanger.screws, hang.hanger.footprint_mm
    x, y = place
    if many == 1:
        return [place]
    steps = [PLATE_SHARE * (n / (many - 1) - 0.5) for n in range(many)]
    return [(x + wide * k, y) if wide > high else (x, y + high * k) for k in steps]


def _thread(a: Dot, b: Dot) -> Ring:
    """A straight stretch of wire as a thin outline."""
    long = math.hypot(b[0] - a[0], b[1] - a[1]) or 1.0
    u, v = (b[1] - a[1]) / long * WIRE_MM / 2, (a[0] - b[0]) / long * WIRE_MM / 2
    return (a[0] + u, a[1] + v), (b[0] + u, b[1] + v), (b[0] - u, b[1] - v), (a[0] - u, a[1] - v)
