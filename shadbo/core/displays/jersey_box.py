"""Jersey box: a shadow box with one large stepped opening over the garment, windows, notches and a plate."""

from dataclasses import dataclass

from shadbo.core.assembly import Assembly, Dimension, Hatch, Part, Window
from shadbo.core.box_options import JerseyOptions
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask
from shadbo.core.displays.flat_front import seen
from shadbo.core.displays.gathered import Gathered, item_asks, item_parts, items_of, places, total_mass, zones_of
from shadbo.core.displays.glazed import GLAZED_LEVERS, Package, build_package
from shadbo.core.displays.held import hold_items
from shadbo.core.displays.jersey_questions import AT, jersey_questions
from shadbo.core.displays.rabbeted import frame_round
from shadbo.core.displays.shadow_box import clearance_mm, item_sections
from shadbo.core.displays.slabs import Slab, depth_sums, first_sheet, glazing_for, slab, spacer_slab
from shadbo.core.facts import tell
from shadbo.core.findings import StationName
from shadbo.core.objects import Badge, Garment, Plate
from shadbo.core.pieces import Piece
from shadbo.core.quantity import Quantity
from shadbo.core.questions import Question
from shadbo.core.rings import centred
from shadbo.core.sums.items import Item
from shadbo.core.sums.jersey import Card, MatPlan, MatWishes, mat_plan, outer_edge
from shadbo.core.sums.plate import sag_mm
from shadbo.core.sums.polygon import box_of, moved
from shadbo.core.units import MM
from shadbo.core.words import say, sizes

LEVERS = {
    name: f"{AT}/{name}"
    for name in (*GLAZED_LEVERS, "mat", "inner_mat", "border", "margin", "reveal", "overlap", "strip", "notch_room",
                 "windows")
}  # fmt: skip
PLATE_CLEAR_MM = 20.0


@dataclass(frozen=True, slots=True)
class Seated:
    """Items by where they sit."""

    garment: Item
    windows: tuple[Item, ...]
    notches: tuple[Item, ...]
    plates: tuple[Item, ...]


class JerseyBox:
    """A shirt framed with what belongs to it."""

    kind = "jersey box"
    name = "Jersey box, stepped mat"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Garments."""
        return isinstance(piece.detail, Garment)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of every piece."""
        return item_asks(desk)

    def build(self, desk: Desk) -> Assembly:
        """Opening and mat, layers in front of and behind it, frame, mounts."""
        s, o = desk.sheet, desk.job.options.jersey_box
        items = items_of(desk)
        sat = seat(items, o)
        plan, wanted = _mat(desk, o, sat)
        group = _group(desk, o, items, sat, plan)
        size = (wanted[0].value, wanted[1].value)
        facts = tell(desk.piece.facts, desk.piece.detail.kind, desk.piece.worth)
        glazing = glazing_for(desk, o, facts, size)
        slabs = [slab(desk, "glazing", glazing.name, "glazing", glazing), *_depth(desk, o, sat, size)]
        sag = s.decide("plate, simply supported", sag_mm(*size, glazing.thick_mm, glazing.kind), MM)
        s.let("air.sag", f"{glazing.kind} sags, lying flat", sag, "Timoshenko, table 8; an aid to judgement")
        board = first_sheet(desk, o.board, size, "foam board", "mat")
        backing = first_sheet(desk, o.backing, size, "backing", "foam board", "corrugated plastic")
        slabs.append(slab(desk, "board", board.name, "board", board))
        slabs.append(slab(desk, "backing", backing.name, "backing", backing))
        depth = sum(x.thick.value for x in slabs) + desk.practice.fastener_room_mm
        frame = frame_round(desk, o, wanted, depth, glazing.kind == "acrylic")
        depth_sums(desk, slabs, frame.rabbet_depth)
        zones = zones_of(desk, group)
        planes = {x.id: "mat" for x in (*sat.notches, *sat.plates, *sat.windows)}
        board_size = (frame.package_w, frame.package_h)
        held = hold_items(desk, group, o.mounts, f"{AT}/mounts", board_size, zones, planes)
        windows = _windows(desk, o, sat, plan, group)
        seats = {sat.garment.id: "opening"} | {x.id: "notch" for x in sat.notches if x.id in plan.corners}
        mats = [x.sheet.colour if x.sheet else None for x in slabs if x.role == "mat"]
        colours = (mats[0], mats[-1])
        reach = s["mat.border"].value - frame.lip.value + s["layout.margin"].value
        package = Package(
            tuple(slabs),
            held.mounts[0],
            total_mass(items),
            lambda f: _front(desk, group, windows, sat, colours),
            (
                say(desk.mark, "opening {}", sizes(desk.mark, s["opening.width"], s["opening.height"])),
                say(desk.mark, "mat {}", sizes(desk.mark, s["package.width"], s["package.height"])),
            ),
            dimensions=lambda f: _dims(desk, windows),
            reach_mm=min(reach, 78),
            back=o.back or "sealed paper",
            levers=LEVERS,
            effort="pins out, and the shirt comes back whole",
            strainer=bool(o.strainer),
            sections=lambda begins: item_sections(frame, group, begins["board"], reach),
            more_mounts=held.mounts[1:],
            shown=group.shown(seats),
            spots=held.spots,
            windows=windows,
            zones=zones,
            layout_at=f"{AT}/layout",
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Opening, border, windows and notches, mats, each mount."""
        return jersey_questions(desk, assembly)


def seat(items: tuple[Item, ...], o: JerseyOptions) -> Seated:
    """Where each piece sits: as decided, or photographs in windows, badges in notches, plates on the mat."""
    by: dict[str, list[Item]] = {"window": [], "notch": [], "on the mat": []}
    for x in items[1:]:
        detail = x.piece.detail
        usual = "window"
        if isinstance(detail, Badge):
            usual = "notch" if len(by["notch"]) < 4 else "on the mat"
        elif not isinstance(detail, Plate) or detail.sort == "nameplate":
            usual = "on the mat" if isinstance(detail, Plate) or detail.kind == "keepsake" else "window"
        chosen = o.seats.get(x.id, usual)
        by["on the mat" if chosen == "opening" else chosen].append(x)
    return Seated(items[0], tuple(by["window"]), tuple(by["notch"]), tuple(by["on the mat"]))


def _mat(desk: Desk, o: JerseyOptions, sat: Seated) -> tuple[MatPlan, tuple[Quantity, Quantity]]:
    """The opening by the garment, windows by their paper, notches by their badges; and the mat round it all."""
    s, p = desk.sheet, desk.practice
    margin = desk.choose("layout.margin", "round the garment", o.margin, p.jersey_margin_mm, "practice of the shop")
    border = desk.choose("mat.border", "border of the mat", o.border, p.jersey_border_mm, "practice of the shop")
    strip = desk.choose("mat.strip", "strip between openings", o.strip, p.strip_mm, "practice of the shop")
    overlap = desk.choose("mat.overlap", "mat over a photograph, each side", o.overlap, p.mat_overlap_mm, "practice")
    room = desk.choose("notch.room", "mat round a badge in its notch", o.notch_room, p.notch_room_mm, "practice")
    reveal = s.number(0, MM)
    if o.double is not False:
        reveal = desk.choose(
            "mat.reveal", "reveal of the inner mat", o.reveal, p.mat_reveal_mm, "practice of the shop"
        )
    tol = p.cut_tolerance_mm
    g = sat.garment
    opening = tuple(
        s.cut(f"opening.{axis}", f"opening, {axis}", size + 2 * margin, "up", tol)
        for axis, size in (("width", g.width), ("height", g.height))
    )
    for axis, size in zip(("width", "height"), opening, strict=True):
        s.cut(f"opening.outer_{axis}", f"opening of the outer mat, {axis}", size + 2 * reveal, "up", tol)
    cards, badges = [], []
    for x in sat.windows:
        w, h = (
            s.cut(f"{x.key}.window_{axis}", f"window for {x.name}, {axis}", size - 2 * overlap, "down", tol)
            for axis, size in (("width", x.width), ("height", x.height))
        )
        cards.append(Card(x.id, max(w.value, 1.0), max(h.value, 1.0)))
    for x in sat.notches:
        for axis, size in (("width", x.width), ("height", x.height)):
            s.cut(f"{x.key}.notch_{axis}", f"notch for {x.name}, {axis}", size + 2 * room, "up", tol)
        badges.append(Card(x.id, x.width.value, x.height.value))
    plates = [Card(x.id, x.width.value, x.height.value) for x in sat.plates]
    bottom = s.let(
        "mat.bottom",
        "border at the bottom",
        s.pick("largest", border, *[x.height + s.number(2 * PLATE_CLEAR_MM, MM) for x in sat.plates]),
    )
    side = o.windows or "beside"
    wishes = MatWishes(border.value, bottom.value, strip.value, reveal.value, room.value, side)
    size_mm = (opening[0].value, opening[1].value)
    try:
        plan = mat_plan(size_mm, g.ring, cards, badges, plates, wishes)
    except ValueError:
        s.let("notch.crowded", "the notches leave nothing of the opening", s.number(1, MM))
        plan = mat_plan(size_mm, g.ring, cards, [], plates, wishes)
    args = (*opening, border, strip, reveal)
    words = f"opening + 2 · reveal + 2 · border{f', windows {side}' if cards else ''}"
    width = s.let("mat.width", "mat, width wanted", s.decide(words, plan.width, MM, *args))
    height = s.let("mat.height", "mat, height wanted", s.decide(words, plan.height, MM, *args, bottom))
    s.let("field.width", "mat, width", width)
    s.let("field.height", "mat, height", height)
    return plan, (width, height)


def _group(desk: Desk, o: JerseyOptions, items: tuple[Item, ...], sat: Seated, plan: MatPlan) -> Gathered:
    s = desk.sheet
    at = {sat.garment.id: plan.centre, **plan.windows, **plan.badges, **plan.plates}
    fixed = {sat.garment.id, *plan.corners}
    layout = o.layout.model_copy(update={"places": tuple(p for p in o.layout.places if p.id not in fixed)})
    field = (s["field.width"], s["field.height"])
    return Gathered(items, places(desk, items, at, layout, field), *field, "by the opening", f"{AT}/layout")


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
        line = s.let("front.needed", "air between glazing and mat, at least", needed, "relief + 3 mm", "up")
        front = spacer_slab(desk, o.spacer, line.value, "front_spacer")
        if front is not None:
            slabs.append(front)
            front_mm = front.thick.value
            s.let("front.made", "air between glazing and mat", front.thick)
    ring = s["mat.border"].value
    outer = first_sheet(desk, o.mat, size_mm, "mat")
    slabs.append(slab(desk, "mat", outer.name, "mat", outer, ring_mm=ring))
    if "mat.reveal" in s:
        inner = first_sheet(desk, o.inner_mat, size_mm, "mat")
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
    spacer = spacer_slab(desk, o.spacer, line.value)
    if spacer is not None:
        slabs.append(spacer)
    made = slabs[0].thick
    for layer in slabs[1:]:
        made = made + layer.thick
    s.let("air.made", "glazing to mount board", made)
    s.let("air.left", "air before the garment", made - sat.garment.front, way="down")
    return slabs


def _windows(desk: Desk, o: JerseyOptions, sat: Seated, plan: MatPlan, group: Gathered) -> tuple[Window, ...]:
    """Every opening of both mats, about the mat's middle."""
    s = desk.sheet
    reveal = s["mat.reveal"].value if "mat.reveal" in s else 0.0
    rings = [("opening", f"opening for {sat.garment.name}", plan.opening, "opening.width")]
    for x in sat.windows:
        w, h = s[f"{x.key}.window_width"].value, s[f"{x.key}.window_height"].value
        ring = moved(centred(max(w, 1.0), max(h, 1.0)), *group.at[x.id])
        rings.append((x.id, f"window for {x.name}", ring, f"{x.key}.window_width"))
    out = [Window(i, n, outer_edge(r, reveal), "mat", key=k) for i, n, r, k in rings]
    if reveal > 0:
        out += [Window(f"{i}-inner", f"{n}, inner", r, "mat_inner", key=k) for i, n, r, k in rings]
    return tuple(out)


def _front(
    desk: Desk, group: Gathered, windows: tuple[Window, ...], sat: Seated, colours: tuple[str | None, str | None]
) -> list[Part]:
    s = desk.sheet
    sight = centred(s["frame.sight_width"].value, s["frame.sight_height"].value)
    outer, under = colours
    out = [seen("mat-seen", "mat", sight, "mat.border", "mat", outer)]
    inner = "mat.reveal" in s
    for w in windows:
        if w.sheet == "mat":
            hatch: Hatch = "inner-mat" if inner else "board"
            out.append(seen(f"{w.id}-outer", hatch, w.ring, w.key, tone=under if inner else None))
    out += [seen(f"{w.id}-seen", "board", w.ring, w.key) for w in windows if w.sheet == "mat_inner"]
    behind = {x.id for x in sat.windows}
    by_window = {w.id.removesuffix("-inner"): w.ring for w in windows}
    for part in item_parts(desk, group):
        id_ = part.id.removeprefix("item-")
        if id_ in behind:  # only what the window leaves open is seen
            part = Part(**{f: getattr(part, f) for f in part.__slots__} | {"face": (by_window[id_],)})
        out.append(part)
    return out


def _dims(desk: Desk, windows: tuple[Window, ...]) -> list[Dimension]:
    s = desk.sheet
    ring = next(w.ring for w in reversed(windows) if w.id.startswith("opening"))
    left, low, right, high = box_of(ring)
    mat = s["package.height"].value / 2
    return [
        Dimension("front", (left, high), (right, high), s["opening.width"], "across", 1, "high", "opening"),
        Dimension("front", (left, low), (left, high), s["opening.height"], "upright", 1, "low", "opening"),
        Dimension("front", (right, mat), (right, high), s["mat.border"], "upright", 0, "low", "border", "tape"),
    ]
