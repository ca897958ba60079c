"""Screws of a floater: length, line, and places clear of keys, folds, braces and hangers."""

from typing import get_args

from shadbo.core.build.assembly import Dot, Fixing, Side
from shadbo.core.build.screws import screw_between
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.floating.options import FloatingOptions
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.canvas import CanvasSums
from shadbo.core.sums.floater import grip_window
from shadbo.core.sums.spacing import KeepOut, evenly, spaced

HANGER_HALF_MM = 25.0


@dataclass(frozen=True, slots=True)
class ScrewSums:
    """Screw length, what it holds in the bar, what is left to the cloth; and whether a standard length fits."""

    length: Quantity
    in_bar: Quantity
    to_cloth: Quantity
    standard: bool


def screw_length(desk: Desk, chosen_mm: float | None, ledge: Quantity, pad: Quantity, depth: Quantity) -> ScrewSums:
    """The decided screw, or the shortest standard one that grips the bar and keeps off the cloth."""
    s, p = desk.sheet, desk.practice
    low, _ = grip_window(depth.value, p)
    least = s.let("screw.least", "screw, at least", ledge + pad + s.number(low, MM), way="up")
    room = s.pick("smallest", s.number(p.screw_in_bar_most_mm, MM), depth - s.number(p.screw_to_cloth_mm, MM))
    most = s.let("screw.most", "screw, at most", ledge + pad + room, way="down")
    if chosen_mm is not None:
        length, standard = s.choose("screw.length", "screw", chosen_mm, MM, "decided for this job"), True
    else:
        value, standard = screw_between(desk, least.value, most.value)
        length = s.let("screw.length", "screw", s.decide("shortest standard length between", value, MM, least, most))
    in_bar = s.let("screw.in_bar", "screw in the bar", length - ledge - pad)
    left = s.let("screw.to_cloth", "from the screw's tip to the cloth", depth - in_bar)
    return ScrewSums(length, in_bar, left, standard)


def keep_outs(
    desk: Desk, canvas: CanvasSums, offset_mm: float, length_mm: float, side: Side, hanger_down_mm: float
) -> list[KeepOut]:
    """Stretches of a side without screws, from the frame's outer corner.

    Holes are drilled from behind, so rails that lie across count from the left as seen from behind, upright
    ones from the top. ``offset_mm`` is wall and gap: from the frame's outer edge to the canvas.
    """
    p = desk.practice
    face = canvas.bar_face.value
    reach = face + p.key_reach_mm if canvas.keyed else max(face, p.fold_reach_mm)
    why = "a key" if canvas.keyed else "a corner fold"
    corner = offset_mm + reach + p.clear_of_mm
    out = [KeepOut(0, corner, why), KeepOut(length_mm - corner, length_mm, why)]
    runs = "down" if side in ("top", "bottom") else "across"
    for brace in canvas.braces:
        if brace.runs == runs:
            half = brace.width.mm / 2 + p.clear_of_mm
            at = offset_mm + brace.at.mm
            at = length_mm - at if runs == "down" else at
            out.append(KeepOut(at - half, at + half, "a brace"))
    if side in ("left", "right"):
        out.append(KeepOut(hanger_down_mm - HANGER_HALF_MM, hanger_down_mm + HANGER_HALF_MM, "a hanger"))
    return out


def place_screws(
    desk: Desk,
    canvas: CanvasSums,
    options: FloatingOptions,
    width: Quantity,
    height: Quantity,
    offset_mm: float,
    line: Quantity,
    hanger_down_mm: float,
) -> tuple[tuple[Fixing, ...], dict[Side, list[KeepOut]]]:
    """Places on all four sides, spaced by the plan or as the framer decided."""
    s = desk.sheet
    apart = desk.choose(
        "screw.apart",
        "screws at most apart",
        options.screws_apart,
        desk.practice.screws_apart_mm,
        "practice of the shop",
    )
    fixings: list[Fixing] = []
    outs: dict[Side, list[KeepOut]] = {}
    for side in get_args(Side):
        run = width if side in ("top", "bottom") else height
        s.count(run / apart)
        outs[side] = keep_outs(desk, canvas, offset_mm, run.value, side, hanger_down_mm)
        if options.screw_from_corner is not None:
            first = options.screw_from_corner.mm
            n = s.count((run - s.number(2 * first, MM)) / apart + 1, at_least=2)
            places = evenly(first, run.value - first, int(n.value))
            says = "as decided, from the corner"
        else:
            places = spaced(run.value, apart.value, outs[side])
            says = "clear of keys, folds, braces and hangers"
        for i, at in enumerate(places, 1):
            place = s.decide(says, at, MM, run, apart)
            along = s.cut(f"screw.{side}.{i}", f"screw {i}, {side} rail, from the corner", place, "nearest", 1.0)
            fixings.append(Fixing(_dot(side, along.value, line.value, width.value, height.value), side, along))
    s.let("screw.count", "screws", s.number(len(fixings), ONE))
    return tuple(fixings), outs


def _dot(side: Side, along: float, line: float, width: float, height: float) -> Dot:
    x, y = width / 2 - along, height / 2 - along
    return {
        "top": (x, height / 2 - line),
        "bottom": (x, line - height / 2),
        "left": (line - width / 2, y),
        "right": (width / 2 - line, y),
    }[side]
