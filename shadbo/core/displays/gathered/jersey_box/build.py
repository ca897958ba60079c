"""Jersey box: a shadow box with one large stepped opening over the garment, windows, notches and a plate."""

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly, Dimension, Part
from shadbo.core.build.marked import Window
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.displays.gathered.bodies import item_bodies
from shadbo.core.displays.gathered.form_board import form_parts, with_forms
from shadbo.core.displays.gathered.gathered import (
    Gathered,
    item_asks,
    item_parts,
    items_of,
    places,
    total_mass,
    zones_of,
)
from shadbo.core.displays.gathered.held import hold_items
from shadbo.core.displays.gathered.jersey_box.mat import Seated, mat_round, mat_windows, seated
from shadbo.core.displays.gathered.jersey_box.options import HOME, LEVERS, JerseyOptions
from shadbo.core.displays.gathered.jersey_box.rows import jersey_questions
from shadbo.core.displays.gathered.pinned import mount_board
from shadbo.core.displays.gathered.shadow_box.build import clearance_mm, laid_at
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.frame import frame_round
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
from shadbo.core.displays.rabbeted.spacers import spacer_slabs
from shadbo.core.displays.rabbeted.strainer import strainer_slab
from shadbo.core.findings import StationName
from shadbo.core.pieces.objects import Garment
from shadbo.core.pieces.pieces import Piece
from shadbo.core.shapes.polygon import box_of
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import SHEETS
from shadbo.core.sums.items import Item
from shadbo.core.sums.jersey import MatPlan
from shadbo.core.sums.plate import sag_mm
from shadbo.core.words.words import say, sizes


class JerseyBox:
    """A shirt framed with what belongs to it."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Jersey box, stepped mat"
    takes = "a shirt or jacket first"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Garments."""
        return isinstance(piece.detail, Garment)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of every piece."""
        return item_asks(desk)

    def build(self, desk: Desk) -> Assembly:
        """Opening and mat, layers in front of and behind it, frame, mounts."""
        s, o = desk.sheet, HOME.of(desk.job)
        items = items_of(desk)
        sat, lines = seated(desk, o, items)
        plan, wanted = mat_round(desk, o, sat, lines)
        group = _group(desk, o, items, sat, plan)
        size = (wanted[0].value, wanted[1].value)
        facts = desk.piece.told
        glazing = glazing_for(desk, facts, size, desk.practice.air_textile_mm)
        slabs = [slab(desk, "glazing", glazing.name, "glazing", glazing), *_depth(desk, o, sat, size)]
        sag = s.decide("plate, simply supported", sag_mm(*size, glazing.thick_mm, glazing.kind), MM)
        s.let("air.sag", f"{glazing.kind} sags, lying flat", sag, "Timoshenko, table 8; an aid to judgement")
        board = desk.take(SHEETS, "board", LEVERS.board, lambda: mount_board(desk, items, size))
        backing = first_sheet(desk, "backing", LEVERS.backing, size, "backing", "foam board", "corrugated plastic")
        slabs.append(slab(desk, "board", board.name, "board", board))
        slabs.append(slab(desk, "backing", backing.name, "backing", backing))
        slabs += strainer_slab(desk, o)
        depth = depth_needed(desk, slabs).value
        frame = frame_round(desk, o, wanted, depth, glazing.kind == "acrylic")
        spare_depth(desk, frame.rabbet_depth)
        zones = zones_of(desk, group)
        on_mat = {x.id for x in (*sat.notches, *sat.plates, *sat.behind)}
        board_size = (frame.package_w, frame.package_h)
        held = hold_items(desk, group, o.mounts, HOME.to("mounts"), board_size, zones, on_mat)
        windows = mat_windows(desk, o, sat, plan, group)
        in_notch = {x.id: "notch" if x.id in plan.corners else "no corner" for x in (*sat.notches, *sat.framed)}
        seats = {sat.garment.id: "opening"} | in_notch
        mats = [x.sheet.colour if x.sheet else None for x in slabs if x.role == "mat"]
        colours = (mats[0], mats[-1])
        reach = s["mat.border"].value - frame.lip.value + s["layout.margin"].value
        forms = tuple(form_parts(desk, group, held))
        package = Package(
            tuple(slabs),
            held.mounts[0],
            total_mass(items),
            lambda f: _front(desk, group, colours),
            (
                say(desk.mark, "opening {}", sizes(desk.mark, s["opening.width"], s["opening.height"])),
                say(desk.mark, "mat {}", sizes(desk.mark, s["package.width"], s["package.height"])),
            ),
            dimensions=lambda f: _dims(desk, windows),
            reach_mm=min(reach, 78),
            back=o.back or "sealed paper",
            effort="pins out, and the shirt comes back whole",
            laid_mm=laid_at(reach),
            bodies=lambda begins: with_forms(
                desk, group, forms, item_bodies(group, _seats(sat, slabs, begins), begins)
            ),
            more_mounts=held.mounts[1:],
            parts=forms,
            shown=group.shown(seats, HOME.to("seats")),
            spots=held.spots,
            windows=windows,
            zones=zones,
            layout_at=HOME.to("layout"),
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Opening, border, windows and notches, mats, each mount."""
        return jersey_questions(desk, assembly)


def _group(desk: Desk, o: JerseyOptions, items: tuple[Item, ...], sat: Seated, plan: MatPlan) -> Gathered:
    s = desk.sheet
    at = {sat.garment.id: plan.centre, **plan.windows, **plan.badges, **plan.plates}
    fixed = {sat.garment.id, *plan.corners}
    layout = o.layout.model_copy(update={"places": tuple(p for p in o.layout.places if p.id not in fixed)})
    field = (s["field.width"], s["field.height"])
    return Gathered(items, places(desk, items, at, layout, field), *field, "by the opening", HOME.to("layout"))


def _seats(sat: Seated, slabs: list[Slab], begins: dict[str, float]) -> dict[str, tuple[str, float]]:
    """The garment on the board, badges and plates on the mat, photographs behind the last mat."""
    last = [x for x in slabs if x.role == "mat"][-1]
    behind = begins[last.id] + last.thick.value
    return {
        sat.garment.id: ("board", begins["board"]),
        **{x.id: ("mat", begins["mat"]) for x in (*sat.notches, *sat.plates)},
        **{x.id: (last.id, behind + x.front.value) for x in sat.behind},
    }


def _depth(desk: Desk, o: JerseyOptions, sat: Seated, size_mm: tuple[float, float]) -> list[Slab]:
    """In front of the mat, air for what sits on it; the mats; behind them, air for the garment and for clasps."""
    s, p = desk.sheet, desk.practice
    slabs: list[Slab] = []
    on_mat = [*sat.notches, *sat.plates]
    front_mm = 0.0
    if on_mat:
        needed = s.pick(
            "largest", *[x.front + s.number(min(clearance_mm(desk, x), p.air_paper_mm), MM) for x in on_mat]
        )
        line = s.let("front.needed", "air between glazing and mat, at least", needed, "relief and clearance", "up")
        front = spacer_slabs(desk, line.value, "front_spacer")
        slabs += front
        if front:
            made = s.let("front.made", "air between glazing and mat", together(front))
            front_mm = made.value
    ring = s["mat.border"].value
    outer = first_sheet(desk, "mat", LEVERS.mat, size_mm, "mat")
    slabs.append(slab(desk, "mat", outer.name, "mat", outer, ring_mm=ring))
    if "mat.reveal" in s:
        inner = first_sheet(desk, "mat_inner", LEVERS.inner_mat, size_mm, "mat")
        more = ring + s["mat.reveal"].value
        slabs.append(slab(desk, "mat_inner", inner.name, "mat", inner, hatch="inner-mat", ring_mm=more))
    mats = sum(x.thick.value for x in slabs if x.role == "mat")
    clear = s.choose("air.clearance", "clearance before the garment", clearance_mm(desk, sat.garment), MM, "practice")
    needed = s.let(
        "air.needed", "glazing to mount board, at least", sat.garment.front + clear, "relief + clearance", "up"
    )
    s.let("air.relief", "the garment stands out", sat.garment.front)
    backs = [x.back + s.number(p.void_beyond_mm, MM) for x in on_mat if x.back.value > 0]
    behind = s.pick("largest", needed - s.number(front_mm + mats, MM), *backs, s.number(0, MM))
    line = s.let("behind.needed", "air behind the mat, at least", behind, way="up")
    slabs += spacer_slabs(desk, line.value)
    made = together(slabs)
    s.let("air.made", "glazing to mount board", made)
    s.let("air.left", "air before the garment", made - sat.garment.front, way="down")
    return slabs


def _front(desk: Desk, group: Gathered, colours: tuple[str | None, str | None]) -> list[Part]:
    outer, under = colours
    out = [
        seen("field", "board", "board", "opening.width", "field"),
        seen("mat-seen", "mat", "mat", "mat.border", "mat", outer),
    ]
    if "mat.reveal" in desk.sheet:
        out.append(seen("inner-seen", "inner-mat", "mat_inner", "mat.reveal", tone=under))
    return [*out, *item_parts(desk, group)]


def _dims(desk: Desk, windows: tuple[Window, ...]) -> list[Dimension]:
    s = desk.sheet
    ring = next(w.ring for w in reversed(windows) if w.id.startswith("opening"))
    left, low, right, high = box_of(ring)
    mat = s["package.height"].value / 2
    edge = box_of(next(w.ring for w in windows if w.id.startswith("opening")))
    border = s.let("mat.top_cut", "border of the mat at the top, as cut",
                   s["package.height"] / 2 - s.number(edge[3], MM))  # fmt: skip
    return [
        Dimension("front", (left, high), (right, high), s["opening.width"], "across", 1, "high", "opening"),
        Dimension("front", (left, low), (left, high), s["opening.height"], "upright", 1, "low", "opening"),
        Dimension("front", (edge[2], mat), (edge[2], edge[3]), border, "upright", 0, "low", "border", "tape"),
    ]


DISPLAY = JerseyBox()
