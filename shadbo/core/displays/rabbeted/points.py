"""Closing a rabbeted frame from behind: points or clips round the package, and what covers the back."""

from collections.abc import Callable

from shadbo.core.build.assembly import Back, Fixing, Join, Part
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.frame import Frame, edge_walk
from shadbo.core.hang.hanging import hangers_at
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.solids.bites import Bar
from shadbo.core.solids.body import Body, Prism, framed
from shadbo.core.sums.border import point_count
from shadbo.core.sums.weight import skin
from shadbo.core.words.words import Mm, say

INSET_MM = 50.0
THIN_MM = 0.1
HANGER_CLEAR_MM = 18.0
"""From a hanger's middle to the next point or clip: common practice, no source."""
TAPE_MM = 30.0
"""Half of a tape over the joint lies on the rail, half on the backing: common practice, no source."""
OVER_MM = 4.0
"""How far inside the package's edge a fixing's place is told."""
POINT_MM = (9.0, 4.0, 8.0, 1.0)
"""A point: over the package from the rabbet's wall, in the wood, width, thickness: common practice, no source."""
VENT_MM = (25.0, 50.0)
VENT_CLEAR_MM = 20.0
"""A vent behind canvas: common practice, no source."""


def point_join(desk: Desk, frame: Frame, soft: bool = False) -> Join:
    """Points a side: floor((side − 100) / 125) + 1, at least two, even.

    ``soft``: two padded clips a side instead, where a point would bear on a bare glass edge.
    """
    name = "soft-padded clips" if soft else "points"

    def count(side_mm: float) -> int:
        return 2 if soft else point_count(side_mm, desk.practice.points_apart_mm)

    fixings = side_fixings(desk, frame, "point", count, FixingLine(INSET_MM))
    desk.sheet.let("point.count", name, desk.sheet.number(len(fixings), ONE))
    steps = (
        ("finger-tight: a hard clip cracks the pane",)
        if soft
        else ("frame on its edge while driving, so that nothing loose falls on the glazing",)
    )
    holds = ("rail", "backing")
    return Join("points", name, name, holds, fixings, diameter_mm=3.0, operations=steps, key="point.count",
                bars=point_bars())  # fmt: skip


def point_bars() -> tuple[Bar, ...]:
    """A point in the rail's wall, flat behind what it holds."""
    over, into, wide, thick = POINT_MM
    return (Bar((-over, into), wide, (0.0, thick)),)


@dataclass(frozen=True, slots=True)
class FixingLine:
    """Where fixings stand round a package: the first from a corner, and how far inside its edge.

    ``grown_mm`` is how much further out, each side, a layer on a step of its own reaches.
    """

    corner_mm: float
    grown_mm: float = 0.0
    over_mm: float = OVER_MM


def side_fixings(
    desk: Desk, frame: Frame, key: str, count: Callable[[float], int], line: FixingLine
) -> tuple[Fixing, ...]:
    """Fixings along all four sides of the package; ``along`` is from the frame's outer corner."""
    s = desk.sheet
    w, h = frame.package_w.value + 2 * line.grown_mm, frame.package_h.value + 2 * line.grown_mm
    offset = frame.start_mm - line.grown_mm
    words = key.replace(".", " ")
    down = hangers_at(desk, s["frame.outside_height"])
    out = []
    up, right = h / 2 - line.over_mm, w / 2 - line.over_mm
    for side in ("top", "right", "bottom", "left"):
        across = side in ("top", "bottom")
        length = w if across else h
        inwards = {"top": up, "bottom": -up, "left": -right, "right": right}[side]
        n = count(length)
        for i, at in enumerate(edge_walk(length, n, min(line.corner_mm, length / 3)), 1):
            at = at if across else clear_of(at, down.value - offset, length)
            label = f"{words} {i}, {side}, from the corner"
            along = s.let(f"{key}.{side}.{i}", label, s.number(at + offset, MM))
            place = (length / 2 - at, inwards) if across else (inwards, length / 2 - at)
            out.append(Fixing(place, side, along))
    return tuple(out)


def clear_of(at_mm: float, hanger_mm: float, length_mm: float) -> float:
    """The same place on an upright side, or the nearest that is clear of a hanger's screws.

    >>> clear_of(100, 90, 400), clear_of(84, 90, 400), clear_of(200, 90, 400)
    (108.0, 72.0, 200)
    """
    if abs(at_mm - hanger_mm) >= HANGER_CLEAR_MM:
        return at_mm
    moved = hanger_mm + (HANGER_CLEAR_MM if at_mm >= hanger_mm else -HANGER_CLEAR_MM)
    return moved if HANGER_CLEAR_MM <= moved <= length_mm - HANGER_CLEAR_MM else at_mm


def cover_bodies(desk: Desk, frame: Frame, back: Back, see_through: bool, behind_mm: float) -> list[Body]:
    """Paper trimmed inside the edge, or tape over the joint; it gives way to what stands out."""
    if back == "none":
        return []
    s = desk.sheet
    outside = (s["frame.outside_width"].value, s["frame.outside_height"].value)
    inside = 2 * desk.practice.cover_inside_mm
    outer = centred(*(max(x - inside, 1.0) for x in outside))
    holes: tuple[Ring, ...] = ()
    deep = max(behind_mm, frame.depth.value)
    if back == "tape":
        w, h = frame.package_w.value, frame.package_h.value
        outer, holes = centred(w + TAPE_MM, h + TAPE_MM), framed(centred(w, h), TAPE_MM / 2)
    elif see_through:
        holes = framed(outer, frame.face.value - inside / 2)
    prism = Prism(outer, deep, deep + THIN_MM, holes)
    name = "tape over the joint" if back == "tape" else "dust paper"
    return [Body("cover", name, "paper", (prism,), "cover", gives=True)]


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
    thin = s.choose("cover.thick", "dust paper, thickness", THIN_MM, MM, "common practice")
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
