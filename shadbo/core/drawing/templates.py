"""Templates at full size: boards with their marks, pegs, hooks, corner targets, staples, a border gauge."""

from shadbo.core.build.assembly import Dot
from shadbo.core.cutting.mat_lines import mats_of
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.holes import holes_scene
from shadbo.core.drawing.outlines import seen_of
from shadbo.core.drawing.scene import Line, Round, Scene, Words
from shadbo.core.drawing.stretch import stretch_scene
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of, sides
from shadbo.core.shapes.rings import centred
from shadbo.core.sums.form import form_ring
from shadbo.core.words.lengths import System
from shadbo.core.words.words import length

TENTHS = tuple(n / 10 for n in range(11))


@dataclass(frozen=True, slots=True)
class Template:
    """One thing to lay on the bench at 1 : 1. ``marks`` are the points that it is made for."""

    id: str
    name: str
    scene: Scene
    marks: tuple[Dot, ...]


def templates_of(plan: Plan, system: System) -> list[Template]:
    """Every template that this plan has use for."""
    if plan.assembly is None or plan.hang is None:
        return []
    makers = (_board, _object, _form, _hinges, _corners, _hooks, _staples, _gauge)
    return [t for maker in makers if (t := maker(plan, system)) is not None]


def _board(plan: Plan, system: System) -> Template | None:
    a = plan.assembly
    assert a is not None
    spots = [x for x in a.spots if x.plane in ("board", "mat")]
    if not spots:
        return None
    scene = holes_scene(plan, system)
    marks = tuple(x.at for x in spots)
    return Template("board", "holes, pins and supports, from the front", scene, marks)


def _object(plan: Plan, system: System) -> Template | None:
    """Pegs of an open frame: the object's outline and the middle lines of its dowels."""
    a = plan.assembly
    assert a is not None
    spots = [x for x in a.spots if x.plane == "object"]
    if not spots:
        return None
    scene = Scene("the object from the front, with its dowels")
    for shown in a.shown:
        scene.add(Line((*shown.ring, shown.ring[0]), "outline", shown.key))
    for spot in spots:
        x, y = spot.at
        side = abs(x) > abs(y)
        ends = ((x - 20, y), (x + 20, y)) if side else ((x, y - 20), (x, y + 20))
        scene.add(Line(ends, "centre"), Line((*spot.ring, spot.ring[0]), "hidden", spot.key))
    return Template("pegs", "pegs, from the front", scene, tuple(x.at for x in spots))


def _form(plan: Plan, system: System) -> Template | None:
    """Inner forms of garments: inside the outline by the practice's distance, the outline itself dashed."""
    a = plan.assembly
    assert a is not None
    forms = {p.id.removeprefix("form-") for p in a.parts if p.id.startswith("form-")}
    scene = Scene("inner form, from the front: cut on the full line")
    marks: list[Dot] = []
    for shown in a.shown:
        if shown.id not in forms:
            continue
        ring = form_ring(plan.desk, shown.id, shown.ring)
        if not ring:  # a collar narrower than the distance: the framer shapes the form by eye
            continue
        scene.add(Line((*shown.ring, shown.ring[0]), "hidden"), Line((*ring, ring[0]), "outline"))
        marks += [((x0 + (x1 - x0) * t), (y0 + (y1 - y0) * t)) for (x0, y0), (x1, y1) in sides(ring) for t in TENTHS]
    return Template("form", "inner form", scene, tuple(marks)) if marks else None


def _hinges(plan: Plan, system: System) -> Template | None:
    """Slits for pass-through hinges: two a hinge, tape and 2 mm long, from the sheet's top edge."""
    a = plan.assembly
    assert a is not None
    join = next((j for j in a.joins if j.id == "mount" and j.item == "linen hinge"), None)
    if join is None:
        return None
    s = plan.desk.sheet
    tapes = plan.desk.stock.tapes_of("linen hinge")
    long = (tapes[0].width_mm if tapes else 25.0) + 2
    w = s["piece.width"].value / 2
    top = max(f.at[1] for f in join.fixings) + 40
    scene = Scene("slits for the hinges; the sheet's top edge on the upper line")
    scene.add(Line(((-w, top), (w, top)), "outline", "piece.width"))
    for f in join.fixings:
        x, y = f.at
        scene.add(*(Line(((x - long / 2, y + d), (x + long / 2, y + d)), "mark", f.along.key) for d in (-3.0, 3.0)))
    scene.add(Line(((-w, top - 60), (w, top - 60)), "hidden"))
    return Template("slits", "slits for the hinges", scene, tuple(f.at for f in join.fixings))


def _corners(plan: Plan, system: System) -> Template | None:
    """Corner targets: where the corners of a piece lie in its opening, from the front."""
    s, a = plan.desk.sheet, plan.assembly
    assert a is not None
    if "border.least" not in s or "frame.sight_width" not in s:
        return None
    piece = next((p for p in a.parts if p.id == "piece" and "front" in p.seen_from), None)
    prisms = seen_of(a, piece, "front") if piece is not None else ()
    if not prisms:
        return None
    ring = prisms[0].ring
    scene = Scene("corner targets, from the front; mirrored as read from behind")
    w, h = s["frame.sight_width"].value, s["frame.sight_height"].value
    scene.add(Line((*centred(w, h), centred(w, h)[0]), "outline", "frame.sight_width"))
    xs, ys = [x for x, _ in ring], [y for _, y in ring]
    marks = []
    for cx in (min(xs), max(xs)):
        for cy in (min(ys), max(ys)):
            dot = min(ring, key=lambda d, cx=cx, cy=cy: (d[0] - cx) ** 2 + (d[1] - cy) ** 2)  # type: ignore[misc]
            marks.append(dot)
            sx, sy = (15 if cx < 0 else -15), (15 if cy < 0 else -15)
            scene.add(Line(((dot[0] + sx, dot[1]), dot, (dot[0], dot[1] + sy)), "mark", "border.least"))
    return Template("corners", "corner targets", scene, tuple(marks))


def _hooks(plan: Plan, system: System) -> Template | None:
    """Hooks in the wall: their places under the frame's top edge, for a strip of paper held against the wall."""
    hang, a = plan.hang, plan.assembly
    assert hang is not None
    assert a is not None
    if hang.kind not in ("wire", "straps", "cleat", "plate", "slanted hole", "strips"):
        return None
    s = plan.desk.sheet
    top = s["hang.hook"].value - s["hang.eye"].value - a.outside_height.value / 2
    places = (
        hang.places if hang.kind == "strips" else tuple((x, top + a.outside_height.value / 2) for x in hang.hooks)
    )
    w = a.outside_width.value / 2
    high = a.outside_height.value / 2
    scene = Scene("hooks in the wall; the frame's top edge on the upper line, its middle on the centre line")
    scene.add(Line(((-w, high), (w, high)), "outline", "hang.hook"))
    scene.add(Line(((0, high), (0, min(y for _, y in places) - 20)), "centre"))
    for x, y in places:
        scene.add(Round((x, y), 2.5, "mark", "hang.hook"))
        scene.add(Line(((x - 12, y), (x + 12, y)), "mark"), Line(((x, y - 12), (x, y + 12)), "mark"))
        scene.add(Words((x, y), "hook", "tiny", anchor="start", nudge=(8, -8)))
    return Template("hooks", "hooks in the wall", scene, places)


def _staples(plan: Plan, system: System) -> Template | None:
    if "stretch.staples" not in plan.desk.sheet:
        return None
    scene = stretch_scene(plan, system)
    marks = tuple(e.centre for e in scene.elements if isinstance(e, Round))
    return Template("staples", "staple order, from behind", scene, marks)


def _border_as_cut(plan: Plan) -> float | None:
    """From the outer mat's edge to its first window, at the side; None without a mat."""
    mat = next((m for m in mats_of(plan) if m.id == "mat"), None)
    if mat is None:
        return None
    return min(box_of(w.ring)[0] for w in mat.windows) + mat.width / 2


def _gauge(plan: Plan, system: System) -> Template | None:
    """A strip as wide as the border: held to the board's edge it shows whether the border runs true."""
    s = plan.desk.sheet
    key = next((k for k in ("mat.border", "border.wanted", "layout.margin") if k in s and s[k].value > 4), None)
    if key is None:
        return None
    b = _border_as_cut(plan) or s[key].value
    scene = Scene("border gauge: outer edge to the left line")
    scene.add(Line(((0, 0), (0, 120)), "outline"), Line(((b, 0), (b, 120)), "mark", key))
    scene.add(Line(((0, 0), (b, 0)), "thin"), Line(((0, 120), (b, 120)), "thin"))
    play = plan.desk.practice.border_gauge_mm
    for off in (-play, play):
        scene.add(Line(((b + off, 20), (b + off, 100)), "hidden"))
    name = f"border gauge, give or take {length(play, plan.desk.mark).pick(system)}"
    return Template("gauge", name, scene, ((0.0, 0.0), (b, 0.0)))
