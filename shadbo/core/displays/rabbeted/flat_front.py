"""What stands inside the rails, seen from the front, and where a flat piece sits in its opening."""

from collections.abc import Sequence
from dataclasses import replace

from shadbo.core.build.assembly import Hatch, Part, Ring
from shadbo.core.build.marked import Pictured
from shadbo.core.build.setting import Margins
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sums.flat import FlatSums
from shadbo.core.sums.square import Opening, Placement, place


def seen(
    id_: str,
    hatch: Hatch,
    of: str,
    key: str,
    name: str = "",
    tone: str | None = None,
    picture: Pictured | None = None,
    ring: Ring = (),
) -> Part:
    """The front of a body, as it is looked at; ``tone`` is its own colour, where that is known.

    ``ring`` is the outline of what is marked on that body, or is flush in it.
    """
    return Part(
        id_,
        "piece",
        name or id_,
        hatch,
        1,
        of=of,
        face=(ring,) if ring else (),
        seen_from=("front",),
        key=key,
        tone=tone or "",
        picture=picture,
    )


def placed_ring(flat: FlatSums, placed: Placement) -> Ring:
    """The piece as it stands: its eight points, turned and shifted."""
    turn, dx, dy = placed.turn.value, placed.right.value, placed.up.value
    return tuple(
        (x.value - turn * y.value + dx, y.value + turn * x.value + dy) for x, y in flat.shape.outline.points.values()
    )


def lying(slabs: Sequence[Slab], flat: FlatSums, placed: Placement | None) -> list[Slab]:
    """The layers, the piece among them with its outline as it stands."""
    if placed is None:
        return list(slabs)
    ring = placed_ring(flat, placed)
    return [replace(x, ring=ring) if x.role == "piece" else x for x in slabs]


def place_in(desk: Desk, flat: FlatSums, width: Quantity, height: Quantity) -> Placement:
    """Best placement of the piece in an opening, the borders as lines ``border.*``."""
    s = desk.sheet
    opening = Opening(width, width, width, height, height, height)
    placed = place(s, flat.shape.outline, opening, "border", "border")
    least = s.let("border.least", "least border", s.pick("smallest", *placed.all()), way="down")
    most = s.let("border.most", "widest border", s.pick("largest", *placed.all()), way="down")
    s.let("border.spread", "widest less least border", most - least)
    sides = s.let("border.sides", "border at the sides", (s["border.left.middle"] + s["border.right.middle"]) / 2)
    ends = s.let("border.ends", "border above and below", (s["border.top.middle"] + s["border.bottom.middle"]) / 2)
    s.let("border.differ", "height of the opening, for equal borders, to change by", 2 * (sides - ends))
    return placed


def border_margins(inset_mm: float) -> Margins:
    """Where the borders' numbers stand."""
    return Margins("border", inset_mm, "border")


def opening_part(frame: Frame, hatch: Hatch, key: str, name: str) -> Part:
    """The piece, all that shows inside the lip."""
    whole = centred(frame.package_w.value, frame.package_h.value)
    return seen(name, hatch, "piece", key, picture=Pictured.of(frame.desk.piece, whole))
