"""Shadow box: glazing, spacers or lined walls, a board set back, and pieces mounted on it."""

from collections.abc import Sequence

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.displays.gathered.bodies import item_bodies
from shadbo.core.displays.gathered.form_board import form_parts, with_forms
from shadbo.core.displays.gathered.gathered import (
    Gathered,
    gather,
    item_asks,
    item_parts,
    items_of,
    total_mass,
    zones_of,
)
from shadbo.core.displays.gathered.held import hold_items
from shadbo.core.displays.gathered.pinned import mount_board
from shadbo.core.displays.gathered.rows import box_questions
from shadbo.core.displays.gathered.shadow_box.options import HOME, LEVERS, BoxOptions
from shadbo.core.displays.rabbeted.filling import void_slabs
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.frame import frame_round, profile_for
from shadbo.core.displays.rabbeted.framed_piece import bordered
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.slabs import (
    Slab,
    depth_needed,
    first_sheet,
    glazing_for,
    slab,
    spare_depth,
    together,
)
from shadbo.core.displays.rabbeted.spacers import liner_slab, spacer_slabs
from shadbo.core.displays.rabbeted.strainer import strainer_slab
from shadbo.core.findings import StationName
from shadbo.core.pieces.objects import Sized
from shadbo.core.pieces.pieces import Panel, Paper, Piece, PressedPlant, Puzzle
from shadbo.core.shapes.polygon import box_of
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import SheetKind
from shadbo.core.shop.kept import SHEETS
from shadbo.core.sums.items import Item
from shadbo.core.sums.plate import sag_mm
from shadbo.core.words.words import say, sizes

MOST_SEEN_MM = 76.0


class ShadowBox:
    """Pieces with depth behind glazing."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Shadow box"
    takes = "things with depth, and flat things beside them"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Things with depth, and what goes with them; several flat things too."""
        return isinstance(piece.detail, Sized | Paper | Puzzle | Panel | PressedPlant)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of every piece."""
        return item_asks(desk)

    def build(self, desk: Desk) -> Assembly:
        """Layout, air by the piece that stands out farthest, void by the clasp that stands back farthest, frame."""
        s, o = desk.sheet, HOME.of(desk.job)
        items = items_of(desk)
        group = gather(desk, items, o.layout, o.margin, HOME.to("layout"))
        more = s.number(20, MM)
        about = (group.width + more, group.height + more)
        size = (about[0].value, about[1].value)
        facts = desk.piece.told
        glazing = glazing_for(desk, facts, size, desk.practice.air_textile_mm)
        air_of_items(desk, items, size, glazing.thick_mm, glazing.kind)
        slabs = [slab(desk, "glazing", glazing.name, "glazing", glazing), *_walls(desk, o, size)]
        board = desk.take(SHEETS, "board", LEVERS.board, lambda: mount_board(desk, items, size))
        slabs.append(slab(desk, "board", board.name, "board", board))
        slabs += void_behind(desk, items)
        backing = first_sheet(desk, "backing", LEVERS.backing, size, "backing", "foam board", "corrugated plastic")
        slabs.append(slab(desk, "backing", backing.name, "backing", backing))
        slabs += strainer_slab(desk, o)
        depth = depth_needed(desk, slabs).value
        acrylic = glazing.kind == "acrylic"
        chosen = profile_for(desk, o, about, depth, acrylic)
        wanted = bordered(desk, (group.width, group.height), o, _none(desk), chosen[0], acrylic)
        frame = frame_round(desk, o, wanted, depth, acrylic, chosen=chosen)
        spare_depth(desk, frame.rabbet_depth)
        zones = zones_of(desk, group)
        held = hold_items(desk, group, o.mounts, HOME.to("mounts"), (frame.package_w, frame.package_h), zones)
        reach = nearest_edge(group)
        forms = tuple(form_parts(desk, group, held))
        package = Package(
            tuple(slabs),
            held.mounts[0],
            total_mass(items),
            lambda f: _front(desk, group),
            (
                say(desk.mark, "field {}", sizes(desk.mark, group.width, group.height)),
                say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
            ),
            reach_mm=min(reach + 30, MOST_SEEN_MM),
            laid_mm=laid_at(reach),
            back=o.back or "sealed paper",
            effort="every piece comes off again"
            if all(m.taken.mount.reversible for m in held.mounts)
            else "for good",
            bodies=lambda begins: with_forms(
                desk, group, forms, item_bodies(group, dict.fromkeys(group.at, ("board", begins["board"])), begins)
            ),
            more_mounts=held.mounts[1:],
            parts=forms,
            shown=group.shown(),
            spots=held.spots,
            zones=zones,
            layout_at=HOME.to("layout"),
            arranged=group.rule,
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Layout and margins, air and lining, each mount."""
        return box_questions(desk, assembly, HOME.at, HOME.of(desk.job))


def _none(desk: Desk) -> tuple[Quantity, Quantity]:
    return desk.sheet.number(0, MM), desk.sheet.number(0, MM)


def clearance_mm(desk: Desk, item: Item) -> float:
    """Air in front of a piece: more before textiles and objects, most before a loose surface."""
    p = desk.practice
    facts = item.piece.told
    if facts["loose_surface"]:
        return p.air_loose_mm
    flat = item.piece.detail.kind in ("plate", "paper", "puzzle", "panel", "pressed plant")
    return p.air_paper_mm if flat else p.air_textile_mm


def air_of_items(
    desk: Desk, items: Sequence[Item], size_mm: tuple[float, float], glazing_mm: float, kind: SheetKind
) -> Quantity:
    """Air between glazing and board: the largest of relief and clearance, piece by piece."""
    s = desk.sheet
    each = []
    for x in items:
        clear = s.choose(f"{x.key}.clear", f"clearance before {x.name}", clearance_mm(desk, x), MM, "practice")
        each.append(s.let(f"{x.key}.air", f"air for {x.name}", x.front + clear))
    needed = s.let("air.needed", "air in front of the board, at least", s.pick("largest", *each), way="up")
    s.let("air.relief", "what stands out farthest", s.pick("largest", *[x.front for x in items]))
    sag = s.decide("plate, simply supported", sag_mm(*size_mm, glazing_mm, kind), MM)
    s.let("air.sag", f"{kind} sags, lying flat", sag, "Timoshenko, table 8; an aid to judgement")
    return needed


def void_behind(desk: Desk, items: Sequence[Item]) -> list[Slab]:
    """Packers behind the board for what stands back: the largest back relief and 2 mm."""
    s, p = desk.sheet, desk.practice
    backs = [x.back for x in items if x.back.value > 0]
    if not backs:
        return []
    most = s.pick("largest", *backs) + s.number(p.void_beyond_mm, MM)
    needed = s.let("void.needed", "void behind the board, at least", most, "back relief and some air", "up")
    return void_slabs(desk, needed.value, "void", "cut out round every clasp")


def _walls(desk: Desk, o: BoxOptions, size_mm: tuple[float, float]) -> list[Slab]:
    s = desk.sheet
    needed = s["air.needed"].value
    if o.lining == "lined walls":
        liner = first_sheet(desk, "liner", LEVERS.liner, size_mm, "mat", "foam board")
        lined = liner_slab(desk, liner, needed)
        walls = [lined] if lined is not None else []
    else:
        walls = spacer_slabs(desk, needed)
    if not walls:
        return []
    made = s.let("air.made", "air in front of the board", together(walls))
    s.let("air.left", "air before what stands out farthest", made - s["air.relief"], way="down")
    return walls


def _front(desk: Desk, group: Gathered) -> list[Part]:
    return [seen("field", "board", "board", "field.width", "field"), *item_parts(desk, group)]


def laid_at(reach_mm: float) -> float:
    """Where the section shows the deepest piece: as near as the nearest begins, or as far in as it has room."""
    return min(reach_mm, MOST_SEEN_MM - 30)


def nearest_edge(group: Gathered) -> float:
    """How far the piece nearest to the right edge of the field is from it."""
    right = max(box_of(group.rings[x.id])[2] for x in group.items)
    return max(group.width.value / 2 - right, 0.0)


DISPLAY = ShadowBox()
