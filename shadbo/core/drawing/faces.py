"""Front and back views. The back is seen from behind: points are mirrored, text never is."""

from shadbo.core.build.assembly import Assembly, Dot, Part, Ring
from shadbo.core.drawing.distances import distance_dims
from shadbo.core.drawing.edge import dim_of
from shadbo.core.drawing.ink import FILLS, in_shade
from shadbo.core.drawing.outlines import ledges, seen_of
from shadbo.core.drawing.scene import Dim, Line, Round, Scene, Shape, Words
from shadbo.core.hang.bodies import hanger_bodies, wire_line
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.body import Prism
from shadbo.core.words.lengths import System, texts
from shadbo.core.words.words import number_text


def front_scene(plan: Plan, system: System) -> Scene:
    """Frame and piece as they are seen, the gap at every end and middle, and where the tape goes."""
    a, mark = plan.assembly, plan.desk.mark
    assert a is not None
    scene = Scene("from the front")
    movable = {f"item-{x.id}": x.id for x in a.shown if x.seat != "opening"} if a.layout_at else {}
    seen = []
    for part, x in ledges(a):
        tone = in_shade(part.tone or FILLS[part.hatch].tone)
        seen.append((x.front_mm, Shape(x.ring, part.hatch, part.key, part.id, tone=tone, holes=x.holes)))
    for part in a.parts:
        moves = movable.get(part.id, "")
        for x in seen_of(a, part, "front") if "front" in part.seen_from else ():
            shape = Shape(x.ring, part.hatch, part.key, part.id, moves, part.tone, x.holes, part.picture)
            seen.append((x.front_mm, shape))
    scene.add(*(shape for _, shape in sorted(seen, key=lambda s: -s[0])))  # the nearer lies over what is farther back
    scene.add(*zone_lines(a), *_names(a))
    w, h = a.outside_width.value / 2, a.outside_height.value / 2
    sheet = plan.desk.sheet
    inward: dict[str, tuple[Dot, str]] = {
        "left": ((12, 0), "start"),
        "right": ((-12, 0), "end"),
        "top": ((0, 12), "middle"),
        "bottom": ((0, -12), "middle"),
    }
    margins = a.margins
    wall, word_ = (margins.inset_mm, margins.word) if margins is not None else (0.0, "none")
    for key in [k for k in sheet.named if k.startswith(f"{word_}.") and k.count(".") == 2]:
        _, side, word = key.split(".")
        gap = sheet[key]
        nudge, anchor = inward[side]
        along_h, along_v = _along(word, w - wall, h - wall)
        at = {
            "left": (-w + wall, along_v),
            "right": (w - wall, along_v),
            "top": (along_h, h - wall),
            "bottom": (along_h, -h + wall),
        }[side]
        text = texts(gap.value, mark, gap.way).pick(system)
        said = f"{margins.said} {text}" if margins and key == f"{word_}.left.middle" else text
        scene.add(Words(at, said, "gap", key, anchor, nudge))  # type: ignore[arg-type]
    scene.add(*(dim_of(d, mark, system) for d in a.dimensions if d.view == "front"))
    if a.layout_at and "field.width" in sheet:
        field = (sheet["field.width"].value, sheet["field.height"].value)
        scene.add(*distance_dims(a, field, mark, system))
    return scene


def _names(a: Assembly) -> list[Words]:
    """Under each of several pieces its name, within it where another stands close below; where it has room at all."""
    boxes = {x.id: box_of(x.ring) for x in a.shown} if len(a.shown) > 1 else {}
    out = []
    for x in a.shown if boxes else ():
        left, low, right, high = boxes[x.id]
        beside = [b for id_, b in boxes.items() if id_ != x.id and b[1] < high and b[3] > low]
        apart = [max(b[0] - right, left - b[2]) for b in beside]
        room = right - left + max(min(apart, default=2 * (right - left)), 0.0)
        close = any(b[0] < right and b[2] > left and 0 < low - b[3] < (high - low) / 2 for b in boxes.values())
        nudge = (0, -8) if close or x.seat == "notch" else (0, 8)
        out.append(Words(((left + right) / 2, low), x.name, "tiny", x.key, nudge=nudge, room_mm=room, halo=True))
    return out


def zone_lines(a: Assembly) -> list[Line | Words]:
    """Zones where nothing may go, and round them the line that steam keeps off."""
    out: list[Line | Words] = []
    for zone in a.zones:
        out.append(Line((*zone.ring, zone.ring[0]), "zone"))
        out.append(Words(zone.ring[0], zone.name, "tiny", anchor="start", nudge=(3, 8), halo=True))
        if zone.steam:
            out.append(Line((*zone.steam, zone.steam[0]), "hidden"))
    return out


def _along(word: str, w: float, h: float) -> tuple[float, float]:
    """Places of a gap's number along its side, kept off the corners so that two never meet."""
    return {"left": -w * 0.72, "right": w * 0.72}.get(word, 0.0), {"top": h * 0.78, "bottom": -h * 0.78}.get(
        word, 0.0
    )


def _mirror(ring: Ring) -> Ring:
    return tuple((-x, y) for x, y in ring)


def back_scene(plan: Plan, system: System) -> Scene:
    """Ledge, bars, braces, screws with running distances, hangers, wire, hook, bumpers, label."""
    a, hang, mark = plan.assembly, plan.hang, plan.desk.mark
    assert a is not None
    assert hang is not None
    scene = Scene("from the back: left and right change places")
    w, h = a.outside_width.value / 2, a.outside_height.value / 2
    scene.add(*_from_behind(a))
    deep = a.back_rail.wall.value + a.back_rail.ledge.value if a.back_rail else 0.0
    for join in a.joins:
        r = join.diameter_mm
        if r <= 0 or join.part:  # a dowel is bored into an edge: from behind nothing of it is seen
            continue
        for f in join.fixings:
            x, y = -f.at[0], f.at[1]
            scene.add(Round((x, y), r, "screw", f.along.key))
            scene.add(
                Line(((x - r, y), (x + r, y)), "screw", f.along.key),
                Line(((x, y - r), (x, y + r)), "screw", f.along.key),
            )
    _hangers(scene, plan, w, h)
    for d in a.dimensions:
        if d.view == "back":
            start, end = (-d.start[0], d.start[1]), (-d.end[0], d.end[1])
            edge = d.edge if d.runs == "across" else "high"
            text = number_text(d.quantity, mark).pick(system)
            scene.add(Dim(start, end, text, d.runs, 1, edge, d.quantity.key, "running"))
    if hang.kind in ("wire", "straps"):
        x, y = -w, hang.places[0][1]
        text = f"{number_text(hang.down, mark).pick(system)} down"
        scene.add(Dim((x, h), (x, y), text, "upright", 1, "low", "hang.down"))
    if a.back_rail:
        scene.add(Words((0, -h + deep / 2), "label here", "part"))
    return scene


def _from_behind(a: Assembly) -> list[Shape]:
    """The build from behind: what lies within the rails, the rails' own backs, what is screwed onto them."""
    rails = [b for b in a.bodies if b.fixed] if a.back_rail is not None else []
    back = max((b.back_mm for b in rails), default=0.0)
    onto = {b.part for b in a.bodies if rails and not b.fixed and not b.bites and b.front_mm >= back - 1e-6}
    seen = [p for p in a.parts if "back" in p.seen_from and not (rails and p.role == "rail")]
    within, over = [p for p in seen if p.id not in onto], [p for p in seen if p.id in onto]
    out = [_behind(x, p) for p in within for x in seen_of(a, p, "back")]
    out += [Shape(_mirror(b.prisms[-1].ring), b.hatch, "rail.width", "rail") for b in rails]
    return out + [_behind(x, p) for p in over for x in seen_of(a, p, "back")]


def _behind(x: Prism, part: Part) -> Shape:
    return Shape(_mirror(x.ring), part.hatch, part.key, part.id, holes=tuple(map(_mirror, x.holes)))


def _hangers(scene: Scene, plan: Plan, w: float, h: float) -> None:
    hang = plan.hang
    assert hang is not None
    bodies = hanger_bodies(plan.assembly, hang) if plan.assembly is not None else ()
    scene.add(*(Shape(prism.ring, "metal", "hang.down", b.part) for b in bodies for prism in b.prisms))
    for x, y in hang.places:
        if hang.kind == "strips":
            continue
        if hang.kind != "wire":
            scene.add(Round((x, y + 13), 5, "wire", "hang.down"))
    if hang.rise is not None:
        line = wire_line(hang)
        scene.add(Line(tuple(line), "wire", "wire.rise"))
        scene.add(*(Round(at, 4, "mark", "hang.hook") for at in line[1:-1]))
    if hang.bumper_mm > 0:
        scene.add(*(Round((sx * (w - 9), -h + 9), 6, "thin", "hang.hook") for sx in (-1, 1)))
