"""A floater as bodies: walls and ledge as they were really made, the canvas where it stands, pads under it."""

from collections.abc import Sequence
from dataclasses import replace
from functools import partial

from shadbo.core.displays.floating.stretched import staple_bodies
from shadbo.core.displays.floating.views import FloaterSums, bars_of, braces_of, outline_of
from shadbo.core.shapes.polygon import moved
from shadbo.core.solids.bites import screws_through
from shadbo.core.solids.body import Body, Prism, Tie, strips_round
from shadbo.core.solids.canvas import canvas_prisms
from shadbo.core.solids.rails import Spans, Step, grown, rails_round


def floater_rails(f: FloaterSums, name: str) -> list[Body]:
    """Four rails with their ledge, or square ones and the strips that are glued inside them."""
    deep, thick = f.inside_depth.value, f.ledge_thick.value
    o = f.opening
    opening: Spans = (
        (o.top.value, o.middle_width.value, o.bottom.value),
        (o.left.value, o.middle_height.value, o.right.value),
    )
    outside = grown(opening, 2 * f.wall.value)
    ledge = Step(*grown(opening, -2 * f.ledge.value), deep, deep + thick)
    wall = Step(*opening, 0.0, deep if not f.square else deep + thick)
    if f.square:
        rails, parts = rails_round(outside, [wall], "wood", name), ("strip-0", "strip-1")
        if f.strips_mitred:
            return rails + rails_round(opening, [ledge], "stretcher", "support strip", parts, "strip")
        s, high = f.desk.sheet, (deep, deep + thick)
        w = min(q.value for q in (o.top, o.middle_width, o.bottom))
        h = min(q.value for q in (o.left, o.middle_height, o.right))
        across, upright, wide = s["strip.across"].value, s["strip.upright"].value, f.ledge.value
        return rails + strips_round((w, h), wide, across, upright, high, "stretcher", "support strip", parts, "strip")
    return rails_round(outside, [wall, ledge], "wood", name)


def floater_bodies(
    f: FloaterSums, rails: Sequence[Body], screw_mm: float
) -> tuple[tuple[Body, ...], tuple[Tie, ...]]:
    """Rails with their ledge (or glued strips), canvas, pads; the canvas is screwed to the ledge."""
    deep, thick = f.inside_depth.value, f.ledge_thick.value
    front = f.face.value
    back = front + f.canvas.depth.value
    size = (f.canvas.width.value, f.canvas.height.value)
    canvas = Body("canvas", "canvas", "stretcher", _stretched(f, front, back), "canvas", enters="from the front")
    bodies = [*rails, canvas]
    s = f.desk.sheet
    if f.pads and "pad.across" in s and f.pad.value > 0:
        strip, across, upright = (s[f"pad.{key}"].value for key in ("width", "across", "upright"))
        parts = (f"pad-across-{f.pads[0].id}", f"pad-upright-{f.pads[0].id}")
        pads = strips_round(size, strip, across, upright, (back, back + f.pad.value), "pad", "pad", parts, "pad")
        by = (f.placed.right.value, f.placed.up.value)  # under the canvas, where it stands
        for b in pads:
            prisms = tuple(replace(p, ring=moved(p.ring, *by)) for p in b.prisms)
            bodies.append(replace(b, prisms=prisms, enters="from the front"))
    bodies += staple_bodies(f.desk, size, (f.placed.right.value, f.placed.up.value), back, "canvas")
    back_edge = deep + thick
    bodies += screws_through(
        "screws",
        "screws through the ledge",
        [x.at for x in f.fixings],
        screw_mm,
        (back_edge - f.screw.value, back_edge),
        ("strip" if f.square else "rail", "canvas"),
    )
    rail = next((b.id for b in rails), "")
    glued = [Tie(b.id, rail, "its glue") for b in rails if b.part.startswith("strip-")]
    return tuple(bodies), (Tie("canvas", rail, "screws through the ledge"), *glued)


def _stretched(f: FloaterSums, front: float, back: float) -> tuple[Prism, ...]:
    """The cloth, which lies on the bars' outer rims alone, the bars and the braces between them."""
    wood = canvas_prisms(outline_of(f), partial(bars_of, f), f.bar_mm, (front, back), "bar")
    behind = wood[-1].front_mm
    return *wood, *(Prism(x, behind, back, part="brace") for x in braces_of(f))
