"""The mat of a jersey box: who sits where, the opening, windows and notches."""

from collections.abc import Callable, Mapping

from shadbo.core.build.marked import Window
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.displays.gathered.jersey_box.options import JerseyOptions, Seat
from shadbo.core.pieces.objects import Badge, Plate
from shadbo.core.shapes.polygon import Ring, disjoint, moved
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity, Way
from shadbo.core.sheet.units import MM
from shadbo.core.sums.items import Item
from shadbo.core.sums.jersey import Card, MatPlan, MatWishes, mat_plan, notch_rings, outer_edge

PLATE_CLEAR_MM = 20.0


@dataclass(frozen=True, slots=True)
class Seated:
    """Items by where they sit; ``framed`` are seen through windows of their own that stand in notches."""

    garment: Item
    windows: tuple[Item, ...]
    notches: tuple[Item, ...]
    plates: tuple[Item, ...]
    framed: tuple[Item, ...]

    @property
    def behind(self) -> tuple[Item, ...]:
        """All that is seen through a window of its own."""
        return *self.windows, *self.framed


def seat(items: tuple[Item, ...], o: JerseyOptions, photographs: Seat = "window") -> Seated:
    """Where each piece sits: as decided, else photographs as told, badges in notches, plates on the mat."""
    by: dict[str, list[Item]] = {"window": [], "notch": [], "on the mat": [], "window in a notch": []}
    for x in items[1:]:
        detail = x.piece.detail
        usual = photographs
        if isinstance(detail, Badge):
            usual = "notch" if len(by["notch"]) < 4 else "on the mat"
        elif not isinstance(detail, Plate) or detail.sort == "nameplate":
            usual = "on the mat" if isinstance(detail, Plate) or detail.kind == "keepsake" else photographs
        chosen = o.seats.get(x.id, usual)
        by["on the mat" if chosen == "opening" else chosen].append(x)
    windows, notches, plates, framed = (tuple(by[w]) for w in ("window", "notch", "on the mat", "window in a notch"))
    return Seated(items[0], windows, notches, plates, framed)


@dataclass(frozen=True, slots=True)
class MatLines:
    """What is cut of a mat by the sizes of its pieces, wherever they sit; windows and notches by their piece."""

    border: Quantity
    bottom: Quantity
    strip: Quantity
    reveal: Quantity
    room: Quantity
    opening: tuple[Quantity, Quantity]
    windows: Mapping[str, tuple[Quantity, Quantity]]
    notches: Mapping[str, tuple[Quantity, Quantity]]


def seated(desk: Desk, o: JerseyOptions, items: tuple[Item, ...]) -> tuple[Seated, MatLines]:
    """Photographs in windows that stand in the lower notches, where those clear the garment; else beside it.

    What was measured of a mat that is cut moves nobody: sizes count as they were planned.
    """
    usual = seat(items, o, "window in a notch")
    lines = mat_lines(desk, o, usual)
    by_itself = [x for x in usual.framed if x.id not in o.seats]
    if by_itself and len(usual.framed) <= 2:
        opening, garment, _, cards, _, wishes = _asked(
            o, usual, lines, lambda q: q.value if q.planned is None else q.planned.value
        )
        notches = notch_rings(opening, cards, garment, wishes)
        if all(x.id in notches and disjoint(notches[x.id], usual.garment.ring) for x in by_itself):
            return usual, lines
    return seat(items, o), lines


def mat_lines(desk: Desk, o: JerseyOptions, sat: Seated) -> MatLines:
    """The opening by the garment, windows by their paper, notches by their badges, borders by the practice."""
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

    def cut(key: str, label: str, w: Quantity, h: Quantity, way: Way) -> tuple[Quantity, Quantity]:
        tol = p.cut_tolerance_mm
        return (
            s.cut(f"{key}width", f"{label}, width", w, way, tol),
            s.cut(f"{key}height", f"{label}, height", h, way, tol),
        )

    g = sat.garment
    opening = cut("opening.", "opening", g.width + 2 * margin, g.height + 2 * margin, "up")
    cut("opening.outer_", "opening of the outer mat", opening[0] + 2 * reveal, opening[1] + 2 * reveal, "up")
    windows = {
        x.id: cut(f"{x.key}.window_", f"window for {x.name}", x.width - 2 * overlap, x.height - 2 * overlap, "down")
        for x in sat.behind
    }
    notches = {
        x.id: cut(f"{x.key}.notch_", f"notch for {x.name}", x.width + 2 * room, x.height + 2 * room, "up")
        for x in sat.notches
    }
    bottom = s.let(
        "mat.bottom",
        "border at the bottom",
        s.pick("largest", border, *[x.height + s.number(2 * PLATE_CLEAR_MM, MM) for x in sat.plates]),
    )
    return MatLines(border, bottom, strip, reveal, room, opening, windows, notches)


_Asked = tuple[tuple[float, float], Ring, list[Card], list[Card], list[Card], MatWishes]


def _asked(o: JerseyOptions, sat: Seated, lines: MatLines, mm: Callable[[Quantity], float]) -> _Asked:
    """What a mat is planned by, with those who sit so: opening, garment, windows, notches, plates, wishes."""
    cards: list[Card] = []
    badges: list[Card] = []
    for x in sat.behind:
        w, h = (max(mm(q), 1.0) for q in lines.windows[x.id])
        framed = x in sat.framed
        (badges if framed else cards).append(Card(x.id, w, h, framed, o.corners.get(x.id, "")))
    room = lines.room.value
    for x in sat.notches:
        w, h = (mm(q) - 2 * room for q in lines.notches[x.id])
        badges.append(Card(x.id, w, h, corner=o.corners.get(x.id, "")))
    plates = [Card(x.id, x.width.value, x.height.value) for x in sat.plates]
    wishes = MatWishes(
        lines.border.value, lines.bottom.value, lines.strip.value, lines.reveal.value, room, o.windows or "beside"
    )
    return (mm(lines.opening[0]), mm(lines.opening[1])), sat.garment.ring, cards, badges, plates, wishes


def mat_round(
    desk: Desk, o: JerseyOptions, sat: Seated, lines: MatLines
) -> tuple[MatPlan, tuple[Quantity, Quantity]]:
    """Where all openings stand, as they were really cut where that was measured, and the mat round them."""
    s = desk.sheet
    asked = _asked(o, sat, lines, lambda q: q.value)
    try:
        plan = mat_plan(*asked)
    except ValueError:
        plan = mat_plan(*asked, notched=False)
        s.let("notch.crowded", "the notches leave nothing of the opening", s.number(1, MM))
    args = (*lines.opening, lines.border, lines.strip, lines.reveal)
    side = f", windows {o.windows or 'beside'}" if sat.windows else ""
    words = f"opening + 2 · reveal + 2 · border{side}"
    width = s.let("mat.width", "mat, width wanted", s.decide(words, plan.width, MM, *args))
    height = s.let("mat.height", "mat, height wanted", s.decide(words, plan.height, MM, *args, lines.bottom))
    s.let("field.width", "mat, width", width)
    s.let("field.height", "mat, height", height)
    return plan, (width, height)


def mat_windows(desk: Desk, o: JerseyOptions, sat: Seated, plan: MatPlan, group: Gathered) -> tuple[Window, ...]:
    """Every opening of both mats, about the mat's middle."""
    s = desk.sheet
    reveal = s["mat.reveal"].value if "mat.reveal" in s else 0.0
    lines = (s["opening.width"], s["opening.height"])
    outer = tuple(s[k] for k in ("opening.outer_width", "opening.outer_height") if k in s)
    name = f"opening for {sat.garment.name}"
    rings = [("opening", name, plan.opening, "opening.width", lines, outer)]
    for x in sat.behind:
        w, h = s[f"{x.key}.window_width"], s[f"{x.key}.window_height"]
        ring = moved(centred(max(w.value, 1.0), max(h.value, 1.0)), *group.at[x.id])
        rings.append((x.id, f"window for {x.name}", ring, w.key, (w, h), ()))
    double = reveal > 0
    out = [Window(i, n, outer_edge(r, reveal), "mat", key=k, sizes=o if double else q) for i, n, r, k, q, o in rings]
    if double:
        out += [Window(f"{i}-inner", f"{n}, inner", r, "mat_inner", key=k, sizes=q) for i, n, r, k, q, _ in rings]
    return tuple(out)
