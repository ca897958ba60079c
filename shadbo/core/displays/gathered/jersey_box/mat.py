"""The mat of a jersey box: who sits where, the opening, windows and notches."""

from shadbo.core.build.marked import Window
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.displays.gathered.jersey_box.options import JerseyOptions, Seat
from shadbo.core.pieces.objects import Badge, Plate
from shadbo.core.shapes.polygon import disjoint, moved
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.sums.items import Item
from shadbo.core.sums.jersey import Card, MatPlan, MatWishes, mat_plan, outer_edge

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


def seated(desk: Desk, o: JerseyOptions, items: tuple[Item, ...]) -> Seated:
    """Photographs in windows that stand in the lower notches, where those clear the garment; else beside it."""
    usual = seat(items, o, "window in a notch")
    by_itself = [x for x in usual.framed if x.id not in o.seats]
    if by_itself and len(usual.framed) <= 2:
        plan, _ = mat_round(desk.on_trial(), o, usual)
        if all(x.id in plan.notches and disjoint(plan.notches[x.id], usual.garment.ring) for x in by_itself):
            return usual
    return seat(items, o)


def mat_round(desk: Desk, o: JerseyOptions, sat: Seated) -> tuple[MatPlan, tuple[Quantity, Quantity]]:
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
    cards: list[Card] = []
    badges: list[Card] = []
    for x in sat.behind:
        w, h = (
            s.cut(f"{x.key}.window_{axis}", f"window for {x.name}, {axis}", size - 2 * overlap, "down", tol)
            for axis, size in (("width", x.width), ("height", x.height))
        )
        framed = x in sat.framed
        card = Card(x.id, max(w.value, 1.0), max(h.value, 1.0), framed, o.corners.get(x.id, ""))
        (badges if framed else cards).append(card)
    for x in sat.notches:
        w, h = (
            s.cut(f"{x.key}.notch_{axis}", f"notch for {x.name}, {axis}", size + 2 * room, "up", tol)
            for axis, size in (("width", x.width), ("height", x.height))
        )
        badges.append(Card(x.id, w.value - 2 * room.value, h.value - 2 * room.value, corner=o.corners.get(x.id, "")))
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
        plan = mat_plan(size_mm, g.ring, cards, badges, plates, wishes, notched=False)
    args = (*opening, border, strip, reveal)
    words = f"opening + 2 · reveal + 2 · border{f', windows {side}' if cards else ''}"
    width = s.let("mat.width", "mat, width wanted", s.decide(words, plan.width, MM, *args))
    height = s.let("mat.height", "mat, height wanted", s.decide(words, plan.height, MM, *args, bottom))
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
