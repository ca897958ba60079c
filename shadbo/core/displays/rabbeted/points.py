"""Closing a rabbeted frame from behind: points or clips round the package, and what covers the back."""

from collections.abc import Callable, Sequence

from shadbo.core.build.assembly import Back, Fixing, Join, Part
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.frame import Frame, edge_walk
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.shapes.rings import rect
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.border import point_count
from shadbo.core.sums.weight import skin
from shadbo.core.words.words import Mm, say

INSET_MM = 50.0
VENT_MM = (25.0, 50.0)
VENT_CLEAR_MM = 20.0
"""A vent behind canvas: common practice, no source."""


def point_join(desk: Desk, frame: Frame, slabs: Sequence[Slab], soft: bool = False) -> tuple[Join, Part]:
    """Points a side: floor((side − 100) / 125) + 1, at least two, even; and how they look in the section.

    ``soft``: two padded clips a side instead, where a point would bear on a bare glass edge.
    """
    name = "soft-padded clips" if soft else "points"

    def count(side_mm: float) -> int:
        return 2 if soft else point_count(side_mm, desk.practice.points_apart_mm)

    fixings = side_fixings(desk, frame, "point", count, INSET_MM)
    desk.sheet.let("point.count", name, desk.sheet.number(len(fixings), ONE))
    x = frame.front.value + sum(layer.thick.value for layer in slabs)
    wall = frame.face.value - frame.lip.value
    mark = Part("point", "clip", name, "metal", section=rect(x, wall - 4, x + 1.0, wall + 9), key="point.count")
    steps = (
        ("finger-tight: a hard clip cracks the pane",)
        if soft
        else ("frame on its edge while driving, so that nothing loose falls on the glazing",)
    )
    holds = ("rail", "backing")
    return Join("points", name, name, holds, fixings, diameter_mm=3.0, operations=steps, key="point.count"), mark


def side_fixings(
    desk: Desk, frame: Frame, key: str, count: Callable[[float], int], inset_mm: float, grown_mm: float = 0.0
) -> tuple[Fixing, ...]:
    """Fixings along all four sides of the package; ``along`` is from the frame's outer corner.

    ``grown_mm`` is how much further out, each side, a layer on a step of its own reaches.
    """
    s = desk.sheet
    w, h = frame.package_w.value + 2 * grown_mm, frame.package_h.value + 2 * grown_mm
    offset = frame.start_mm - grown_mm
    words = key.replace(".", " ")
    out = []
    for side in ("top", "right", "bottom", "left"):
        across = side in ("top", "bottom")
        length = w if across else h
        n = count(length)
        for i, at in enumerate(edge_walk(length, n, min(inset_mm, length / 3)), 1):
            label = f"{words} {i}, {side}, from the corner"
            along = s.let(f"{key}.{side}.{i}", label, s.number(at + offset, MM))
            x, y = w / 2 - at, h / 2 - at
            place = {"top": (x, h / 2 - 4), "bottom": (x, 4 - h / 2), "left": (4 - w / 2, y), "right": (w / 2 - 4, y)}
            out.append(Fixing(place[side], side, along))
    return tuple(out)


def cover_parts(desk: Desk, frame: Frame, back: Back, see_through: bool) -> list[Part]:
    """Dust paper: a blank 25 mm over all round, trimmed 3 mm inside; a ring where one sees through."""
    if back == "none":
        return []
    s = desk.sheet
    more = s.number(50, MM)
    if back == "tape":
        run = 2 * (frame.package_w + frame.package_h)
        length = s.cut("cover.tape", "tape over the joint", run, "up", 5.0)
        return [
            Part("cover", "cover", "gummed tape over the joint", "paper", 1, length, key="cover.tape", fetched="tape")
        ]
    width = s.cut("cover.width", "dust paper, blank, width", s["frame.outside_width"] + more, "up", 2.0)
    height = s.cut("cover.height", "dust paper, blank, height", s["frame.outside_height"] + more, "up", 2.0)
    name = "dust paper, cut to a ring" if see_through else f"dust paper, {back.split()[0]}"
    inside = desk.practice.cover_inside_mm
    note = (
        say(
            desk.mark,
            "trim {} inside the edge; vent of {} to {}, {} clear of the canvas, blade set shallow",
            *map(Mm, (inside, *VENT_MM, VENT_CLEAR_MM)),
        )
        if back.startswith("vented")
        else say(desk.mark, "trim {} inside the edge; sealed all round against dust, damp and insects", Mm(inside))
    ).pick(desk.mark.system)
    area = s["frame.outside_width"] * s["frame.outside_height"]
    mass = s.let("mass.cover", "dust paper, mass", skin(s, "kraft paper", area))
    thin = s.choose("cover.thick", "dust paper, thickness", 0.1, MM, "common practice")
    return [
        Part(
            "cover",
            "cover",
            name,
            "paper",
            1,
            width,
            height,
            thin,
            mass=mass,
            key="cover.width",
            to_cut=True,
            note=note,
        )
    ]
