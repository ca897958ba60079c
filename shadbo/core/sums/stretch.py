"""Stretching a canvas: bars, cloth, print with its bleed, corner limit, and the order of the staples."""

import math
from functools import lru_cache

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import LooseCanvas
from shadbo.core.shapes.plane import Dot
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE

CORNER_KEEP_MM = 12.0
FOLD_LAYERS = 3
EDGE_WORDS = {
    "mirrored": "the rim of the picture, mirrored",
    "continued": "the picture goes on round the edge",
    "colour": "one plain colour",
    "white": "left white",
}


INSET_SHARE = 0.35
"""How far in from the bar's edge a staple sits, of the cloth that is turned: common practice, no source."""


@dataclass(frozen=True, slots=True)
class Stretched:
    """The canvas as it will be: over the folds, with its bars."""

    width: Quantity
    height: Quantity
    depth: Quantity
    bar_depth: Quantity
    bar_face: Quantity


@dataclass(frozen=True, slots=True)
class Staple:
    """One staple: its number in the order of work, its side, its place from the middle of that side."""

    number: int
    side: str
    from_middle_mm: float


def stretch_sums(desk: Desk, detail: LooseCanvas, got: dict[str, Quantity]) -> Stretched:
    """All sizes of a stretching. The face is the painted area unless the framer decided it."""
    s, p = desk.sheet, desk.practice
    bar_depth = desk.choose(
        "stretch.bar_depth", "bar, depth", detail.bar_depth, p.bar_depth_mm, "practice of the shop"
    )
    bar_face = desk.choose("stretch.bar_face", "bar, width", detail.bar_width, p.bar_width_mm, "practice of the shop")
    back = desk.choose(
        "stretch.return", "cloth turned onto the back", detail.back_return, p.back_return_mm, "practice"
    )
    pull = desk.choose("stretch.pull", "pull for the pliers", detail.pull, p.pull_mm, "practice of the shop")
    cloth = s.choose("stretch.cloth", "cloth, thickness", p.canvas_cloth_mm, MM, "common practice")
    size = {}
    school = detail.edge or "mirrored"
    for axis, ends, sides in (
        ("width", ("width_top", "width_middle", "width_bottom"), ("left", "right")),
        ("height", ("height_left", "height_middle", "height_right"), ("top", "bottom")),
    ):
        read = [got[n] for n in ends if n in got]
        painted = None
        if read:
            painted = s.let(f"canvas.painted_{axis}", f"painted {axis}, least", s.pick("smallest", *read))
        decided = detail.face_width if axis == "width" else detail.face_height
        eaten = 2 * bar_depth if school == "continued" and not detail.printed else None
        if decided is not None or painted is None:
            face = desk.choose(f"stretch.face_{axis}", f"face {axis}, wanted", decided, 0, "")
        else:
            face = s.let(
                f"stretch.face_{axis}",
                f"face {axis}, wanted",
                painted - eaten if eaten is not None else painted,
                "the painted area" if eaten is None else "the painted area less what goes round the edge",
            )
        bar = s.cut(f"stretch.bar_{axis}", f"bar, {axis}", face - 2 * cloth, "down", p.cut_tolerance_mm)
        size[axis] = s.made(f"canvas.{axis}", f"canvas {axis}, over the folds", bar + 2 * FOLD_LAYERS * cloth, 1.0)
        need = s.let(f"stretch.beyond_{axis}", f"cloth wanted beyond the face, {axis}", bar_depth + back + pull)
        s.cut(f"stretch.cloth_{axis}", f"cloth, {axis}", face + 2 * need, "up", 1.0)
        margins = [got[f"margin_{side}"] for side in sides if f"margin_{side}" in got]
        if painted is not None and len(margins) == len(sides):
            spare = (painted - face) / 2 - need
            s.let(
                f"stretch.spare_{axis}",
                f"cloth to spare on the {axis}, tighter side",
                s.pick("smallest", *[m + spare for m in margins]),
            )
        if detail.printed:
            bleed = bar_depth + s.number(p.bleed_beyond_mm, MM)
            s.let(f"stretch.file_{axis}", f"print file, {axis}, with bleed", face + 2 * bleed, EDGE_WORDS[school])
    least = s.let(
        "stretch.corner",
        "cloth to keep along the corner's diagonal, at least",
        bar_depth * math.sqrt(2) + s.number(CORNER_KEEP_MM, MM),
        "or the fold no longer closes",
        "up",
    )
    if detail.corner_trim is not None:
        kept = desk.choose("stretch.corner_kept", "cloth kept at the corner", detail.corner_trim, 0, "")
        s.let("stretch.corner_spare", "kept at the corner beyond the least", kept - least)
    depth = s.made("canvas.depth", "canvas, depth", bar_depth + cloth * (2 if detail.staples == "back" else 1), 0.3)
    order = staple_order(size["width"].value, size["height"].value, p.staples_apart_mm)
    s.let("stretch.staples", "staples", s.number(len(order), ONE))
    return Stretched(size["width"], size["height"], depth, bar_depth, bar_face)


def staple_places(desk: Desk, width_mm: float, height_mm: float) -> list[tuple[Staple, Dot]]:
    """Every staple on the back of the bars, in the order of work, with its place in the front plane."""
    inset = desk.sheet["stretch.return"].value * INSET_SHARE
    w, h = width_mm / 2, height_mm / 2
    out = []
    for staple in staple_order(width_mm, height_mm, desk.practice.staples_apart_mm):
        at = staple.from_middle_mm
        place = {"top": (-at, h - inset), "bottom": (-at, inset - h), "left": (inset - w, -at),
                 "right": (w - inset, -at)}[staple.side]  # fmt: skip
        out.append((staple, place))
    return out


@lru_cache(maxsize=64)
def staple_order(width_mm: float, height_mm: float, apart_mm: float, corner_mm: float = 30.0) -> tuple[Staple, ...]:
    """Every staple in the order of work.

    Middle of one side, middle of the opposite side, the other two middles, then outwards in opposite
    pairs, the corners last (common practice, no source).
    """
    halves = {"top": width_mm / 2, "bottom": width_mm / 2, "left": height_mm / 2, "right": height_mm / 2}
    rings: list[tuple[float, str, float]] = []
    for side, half in halves.items():
        reach = max(half - corner_mm, 0.0)
        steps = max(math.ceil(reach / apart_mm), 1)
        for k in range(steps + 1):
            at = reach * k / steps
            last = k == steps
            rings += [(1e6 + k if last else k, side, x) for x in ((0.0,) if k == 0 else (at, -at))]
    sides = {"top": 0, "bottom": 1, "left": 2, "right": 3}
    rings.sort(key=lambda r: (r[0], sides[r[1]] // 2, -abs(r[2]), -r[2], sides[r[1]]))
    return tuple(Staple(n, side, at) for n, (_, side, at) in enumerate(rings, 1))
