"""Parts that a canvas off its bars needs before it can be framed: bars, braces, cloth."""

from shadbo.core.build.assembly import Part
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import LooseCanvas
from shadbo.core.shapes.plane import Dot
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism
from shadbo.core.sums.stretch import staple_places
from shadbo.core.words.words import Mm, say


def stretching_parts(desk: Desk) -> list[Part]:
    """Bars in pairs, mitred, each at its long-point length; braces; nothing for a canvas on its bars."""
    detail, s = desk.piece.detail, desk.sheet
    if not isinstance(detail, LooseCanvas):
        return []
    out = []
    for axis, sides in (("width", "top and bottom"), ("height", "left and right")):
        out.append(
            Part(
                f"stretch-{axis}",
                "bar",
                f"stretcher bar, {sides}",
                "stretcher",
                2,
                s[f"stretch.bar_{axis}"],
                s["stretch.bar_face"],
                s["stretch.bar_depth"],
                mitred=True,
                key=f"stretch.bar_{axis}",
                to_cut=True,
                unpriced=True,
            )
        )
    many, legs = int(s["stretch.staples"].value), Mm(STAPLE_MM[2])
    note = say(desk.mark, "legs of {}, in the order of the stretching view", legs).pick(desk.mark.system)
    staples = Part("staples", "clip", "staples", "metal", many, key="stretch.staples", fetched="staples", note=note)
    return [*out, staples]


STAPLE_MM = (10.0, 1.2, 8.0)
"""A staple: its crown, its wire, its legs: common practice, no source."""


def staple_bodies(desk: Desk, size_mm: tuple[float, float], at_mm: Dot, back_mm: float, into: str) -> list[Body]:
    """Staples in the backs of the bars, as one body; none for a canvas on its bars, or where they go in its sides."""
    detail = desk.piece.detail
    if not isinstance(detail, LooseCanvas) or detail.staples != "back":
        return []
    crown, wire, legs = STAPLE_MM
    prisms = []
    for staple, (x, y) in staple_places(desk, *size_mm):
        along = staple.side in ("top", "bottom")
        w, h = (crown / 2, wire / 2) if along else (wire / 2, crown / 2)
        x, y = x + at_mm[0], y + at_mm[1]
        prisms.append(Prism(rect(x - w, y - h, x + w, y + h), back_mm - legs, back_mm))
    return [Body("staples", "staples", "metal", tuple(prisms), "staples", bites=True, into=(into,), gives=True)]


def braces(many: int) -> list[Part]:
    """Braces between the bars; nothing where there are none."""
    if not many:
        return []
    return [
        Part(
            "brace",
            "brace",
            "brace",
            "stretcher",
            many,
            seen_from=("back",),
            key="canvas.mass",
            unpriced=True,
        )
    ]
