"""A box frame bought ready made: what the tape says of it, and the depth at which its bent tabs close."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Dimension, Layer, Part
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.filling import FILLING
from shadbo.core.displays.rabbeted.ready_made.options import BoughtFrame
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.solids.body import Body
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.weight import of_bodies

ASKED = {
    "aperture_width": ("clear width inside the box", True),
    "aperture_height": ("clear height inside the box", True),
    "outside_width": ("outside width", True),
    "outside_height": ("outside height", True),
    "depth": ("depth from the glass's front to the tabs", True),
    "glass": ("glass, thickness", True),
    "lip": ("lip over the glass", False),
}
LIP_THICK_MM = 5.0
SEEN_MM = 34.0
FULL = 0.6
"""How full of wood a bought profile is: common practice, no source."""


@dataclass(frozen=True, slots=True)
class Box:
    """The frame as measured."""

    width: Quantity
    height: Quantity
    outside_w: Quantity
    outside_h: Quantity
    room: Quantity
    glass: Quantity
    lip: Quantity
    wall: Quantity
    depth: Quantity


def box_of(desk: Desk, bought: BoughtFrame) -> Box:
    """Readings of the bought frame onto the sheet; nominal size is not aperture, so nothing is taken from a label."""
    s = desk.sheet
    got = {
        name: desk.read(f"box.{name}", label, reading)
        for name, (label, _) in ASKED.items()
        if (reading := getattr(bought, name)) is not None
    }
    lip = got.get("lip") if "lip" in got else None
    lip = lip if lip is not None else s.choose("box.lip", "lip over the glass", 5, MM, "not measured: by eye")
    wall = s.let("box.wall", "wall of the box", (got["outside_width"] - got["aperture_width"]) / 2)
    depth = s.let("frame.depth", "depth of the frame", got["depth"] + s.number(LIP_THICK_MM, MM), "lip by eye")
    s.let("frame.outside_width", "outside width", got["outside_width"])
    s.let("frame.outside_height", "outside height", got["outside_height"])
    return Box(
        got["aperture_width"],
        got["aperture_height"],
        got["outside_width"],
        got["outside_height"],
        got["depth"],
        got["glass"],
        lip,
        wall,
        depth,
    )


def packers(desk: Desk, room: Quantity, used: Quantity) -> tuple[SheetStock, int] | None:
    """Boards that bring the package back to within 1 mm of the depth at which the tabs close; None when it is."""
    over = room.value - used.value
    if over <= 1.0 + 1e-6:
        return None
    boards = [x for x in desk.stock.sheets if x.kind in FILLING]
    if not boards and desk.known(SHEETS, "filler", None) is None:
        return None

    def count(sheet: SheetStock) -> int:
        return max(1, round(over / sheet.thick_mm))

    def score(sheet: SheetStock) -> tuple[float, int]:
        return abs(over - count(sheet) * sheet.thick_mm), count(sheet)

    taken = desk.take(SHEETS, "filler", None, lambda: min(boards, key=score))
    return taken, count(taken)


def box_parts(desk: Desk, box: Box) -> list[Part]:
    """The frame; bought, so nothing of it is cut."""
    s = desk.sheet
    mass = s.let(
        "frame.mass",
        "frame, estimated",
        of_bodies(s, "softwood", box_bodies(box)) * FULL,
        "walls by their section, a little over half full",
    )
    return [
        Part(
            "rail",
            "rail",
            "bought box frame",
            "wood",
            1,
            box.outside_w,
            box.outside_h,
            box.depth,
            mass=mass,
            seen_from=("front", "back"),
            key="box.wall",
            fetched="bought frame",
        )
    ]


def box_bodies(box: Box) -> list[Body]:
    """The bought frame as it was measured: lip, slot of its glass, and its own spacer round the clear inside."""
    outside = (box.outside_w.value, box.outside_h.value)
    w, h, deep = box.width.value, box.height.value, box.depth.value
    lip = box.lip.value
    behind = LIP_THICK_MM + box.glass.value
    slot = (min(w + 2 * lip, outside[0] - 1.0), min(h + 2 * lip, outside[1] - 1.0))
    steps = [Step(w, h, 0.0, LIP_THICK_MM), Step(*slot, LIP_THICK_MM, behind), Step(w, h, behind, deep)]
    return rails_round(outside, steps, "wood", "bought box frame", ("rail", "rail"))


def box_ladder(slabs: Sequence[Slab]) -> tuple[Layer, ...]:
    """Layers on the depth ladder."""
    x, ladder = LIP_THICK_MM, []
    words = {"glazing": "glazing", "packer": "packers", "board": "board", "spacer": "spacer"}
    for layer in slabs:
        thick = layer.thick.value
        ladder.append(Layer(words.get(layer.role, layer.id), x, x + thick, layer.hatch, layer.key))
        x += thick
    return tuple(ladder)


def box_saw(box: Box, reach_mm: float) -> Saw:
    """Where the section is cut; ``reach_mm`` is how far in the piece begins."""
    return Saw(box.wall.value + min(max(reach_mm + 16, SEEN_MM), 100))


def box_dimensions(desk: Desk, box: Box) -> tuple[Dimension, ...]:
    """What is measured of the box, and where."""
    s = desk.sheet
    wall, deep = box.wall.value, LIP_THICK_MM + box.room.value
    w, h = box.outside_w.value / 2, box.outside_h.value / 2
    return (
        Dimension("edge", (0, 0), (0, wall), box.wall, "upright", 1, "low", "wall"),
        Dimension("edge", (LIP_THICK_MM, wall + 30), (deep, wall + 30), box.room, "across", 1, "high", "to the tabs"),
        Dimension("front", (-w, -h), (w, -h), s["frame.outside_width"], "across", 2, "low", "outside"),
        Dimension("front", (w, -h), (w, h), s["frame.outside_height"], "upright", 2, "high", "outside"),
        Dimension("front", (-w + wall, -h), (w - wall, -h), box.width, "across", 1, "low", "clear"),
        Dimension("front", (w, -h + wall), (w, h - wall), box.height, "upright", 1, "high", "clear"),
        Dimension(
            "front", (-w + wall, 0), (w - wall, 0), box.width, "across", 0, "low", "box.aperture_width", "tape"
        ),
        Dimension(
            "front", (0, -h + wall), (0, h - wall), box.height, "upright", 0, "low", "box.aperture_height", "tape"
        ),
    )
