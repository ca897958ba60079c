"""Hanging without a rail to screw into: adhesive strips, a ledge, a cord over a hook."""

import math

from shadbo.core.build.assembly import Assembly, Dot
from shadbo.core.desk import Desk
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, KG, MM, ONE
from shadbo.core.shop.boards import Tape
from shadbo.core.shop.kept import TAPES, WIRES
from shadbo.core.shop.materials import HangerKind
from shadbo.core.sums import hang as sums
from shadbo.core.words.lengths import Both

STRIP_INSET_MM = 20.0


def plan_plain(desk: Desk, assembly: Assembly, weight: Quantity, kind: HangerKind, reason: Both) -> HangPlan:
    """Number and places of strips, or the height of the ledge or hook."""
    s, p, job = desk.sheet, desk.practice, desk.job.hanging
    width, height = assembly.outside_width, assembly.outside_height
    s.let("hang.load", "weight that hangs", sums.force(s, weight))
    eye = desk.choose("hang.eye", "eye height", job.eye, p.eye_height_mm, "practice of the shop")
    zero = s.number(0, MM)
    places: tuple[Dot, ...] = ()
    hooks: tuple[float, ...] = (0.0,)
    tension = rise = span = apart = length = None
    angle = 90.0
    down, hook = zero, eye + height / 2
    if kind == "strips":
        places = _strips(desk, assembly, weight)
        hook = s.let("hang.hook", "top edge above the floor", eye + height / 2)
    elif kind == "cleat":
        hook = s.let("hang.hook", "wall half's point above the floor", eye + height / 2 - s["hang.from_top"])
    elif kind == "ledge":
        hook = s.let("hang.hook", "ledge above the floor", eye - height / 2)
    else:
        span = s.let("wire.span", "between the ends of the cord", width - s.number(20, MM))
        apart = s.let("wire.apart", "between the hooks", span * 0.0)
        wanted = span / 4
        rise = (
            desk.choose("wire.rise", "rise of the cord above the rail", job.rise, 0, "")
            if job.rise is not None
            else s.cut("wire.rise", "rise of the cord above the rail", wanted, "nearest", 3.0)
        )
        s.let("wire.room", "most rise", span)
        tension = s.let("wire.tension", "pull in the cord", sums.wire_tension(s, s["hang.load"], span, apart, rise))
        tail = s.choose("wire.tail", "knot at each end", 40, MM, "practice of the shop")
        length = s.cut("wire.length", "cord to cut", sums.wire_length(s, span, apart, rise, tail), "up", 5.0)
        angle = sums.wire_angle_deg(span.value, 0, rise.value)
        hook = s.let("hang.hook", "hook above the floor", eye + height / 2 + rise)
    wire = None
    if tension is not None:
        pull_kg = tension.value / GRAVITY_N_PER_KG
        wire = job.wire or desk.found(WIRES, "wire", lambda: desk.stock.wire(pull_kg, p.wire_factor))
    return HangPlan(
        kind,
        reason,
        None,
        wire,
        weight,
        down,
        zero,
        places,
        hook,
        hooks,
        0.0,
        "",
        None,
        None,
        tension,
        rise,
        span,
        apart,
        angle,
        length,
        strip=_strip(desk, assembly) if kind == "strips" else None,
    )


def strips_may(desk: Desk, assembly: Assembly, weight: Quantity) -> bool:
    """Whether adhesive strips are for this at all: unglazed, light and small."""
    p = desk.practice
    small = assembly.long_side_mm <= p.strips_most_mm
    return small and weight.value <= p.strips_most_kg and not assembly.glazed


def wall_strips(desk: Desk) -> list[Tape]:
    """Adhesive strips that there are: the one that the job keeps, or those of the drawers."""
    kept = desk.known(TAPES, "wall-strip", None)
    return [kept] if kept is not None else desk.stock.tapes_of("wall strip")


def _strip(desk: Desk, assembly: Assembly) -> Tape | None:
    tapes = wall_strips(desk)
    return assembly.wall_strip or desk.found(TAPES, "wall-strip", lambda: next(iter(tapes), None))


def _strips(desk: Desk, assembly: Assembly, weight: Quantity) -> tuple[Dot, ...]:
    """n = ceil(weight · factor ÷ rating), an even number of four or more where there is room; corners first."""
    s, p = desk.sheet, desk.practice
    chosen = _strip(desk, assembly)
    if chosen is None:
        s.let("strips.count", "wall strips", s.number(0, ONE))
        return ()
    rating = s.choose("strips.rating", f"one {chosen.name} carries", chosen.rating_kg, KG, "maker")
    factor = s.choose("strips.factor", "safety factor of strips", p.tape_factor, ONE, "practice of the shop")
    n = s.count(weight * factor / rating, at_least=2)
    even = s.let("strips.count", "wall strips", s.decide("even, corners first", 2 * math.ceil(n.value / 2), ONE, n))
    rows = int(even.value) // 2
    width, height = assembly.outside_width.value, assembly.outside_height.value
    x, top = width / 2 - STRIP_INSET_MM, height / 2 - STRIP_INSET_MM
    ys = [top] if rows == 1 else [top - 2 * top * i / (rows - 1) for i in range(rows)]
    return tuple((side * x, y) for y in ys for side in (-1, 1))
