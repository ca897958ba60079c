"""How a sheet hangs on its board: hinges at the top, or corners and tape."""

from shadbo.core.build.assembly import Fixing, Join
from shadbo.core.desk import Desk
from shadbo.core.shapes.plane import Dot
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.border import hinge_count
from shadbo.core.sums.flat import FlatSums
from shadbo.core.sums.spacing import evenly

MOUNTS = ("linen hinges", "corners", "tape all round")


def hinges(desk: Desk, flat: FlatSums, mount: str, off: Dot = (0.0, 0.0)) -> Join:
    """Fixings of a sheet whose middle stands ``off`` mm right of and above the board's."""
    s, p = desk.sheet, desk.practice
    (right, up), width = off, flat.width.value
    top = flat.height.value / 2 + up
    if mount != "linen hinges":
        s.let("mount.count", "fixings", s.number(4, ONE))
        corners = [(x, y) for y in (top, top - flat.height.value) for x in (right - width / 2, right + width / 2)]
        zero = s.let("mount.at.1", "from the sheet's corner", s.number(0, MM))
        fixings = tuple(Fixing(at, "top" if at[1] > up else "bottom", zero) for at in corners)
        return Join("mount", mount, mount, ("piece", "board"), fixings, key="mount.count")
    count = s.let(
        "mount.count",
        "hinges",
        s.decide(
            f"2 + whole number from (width − {p.hinges_first_mm:g}) ÷ {p.hinges_apart_mm:g}",
            hinge_count(width, p.hinges_first_mm, p.hinges_apart_mm),
            ONE,
            flat.width,
        ),
    )
    inset = min(60.0, width / 5)
    places = evenly(inset, width - inset, int(count.value))
    hung: list[Fixing] = []
    for i, at in enumerate(places, 1):
        along = s.cut(f"mount.at.{i}", f"hinge {i}, from the sheet's left edge", s.number(at, MM), "nearest", 1.0)
        hung.append(Fixing((right + along.value - width / 2, top - p.hinge_down_mm), "top", along))
    return Join("mount", "hinges", "linen hinge", ("piece", "board"), tuple(hung), key="mount.count")
