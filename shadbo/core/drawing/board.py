"""The board: any view of a plan as SVG, and the depth ladder on the section's own millimetre axis."""

from dataclasses import replace
from typing import Literal, get_args

from shadbo.core.build.assembly import ViewName
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.apart import LEANS, apart_scene
from shadbo.core.drawing.compose import compose, fit_to
from shadbo.core.drawing.cutting import cutting_scene
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.faces import back_scene, front_scene
from shadbo.core.drawing.holes import holes_scene
from shadbo.core.drawing.ink import FILLS, INK, SOFT, STROKES
from shadbo.core.drawing.made import is_made, made_scene
from shadbo.core.drawing.marks import Fit, Group, Paper, Path, Sheet2D, Text
from shadbo.core.drawing.mat import mat_scene
from shadbo.core.drawing.measuring import measuring_sheet
from shadbo.core.drawing.parts import parts_scene
from shadbo.core.drawing.scene import Scene
from shadbo.core.drawing.stretch import stretch_scene
from shadbo.core.drawing.svg import Albums, write_svg
from shadbo.core.drawing.tape import tape_scene
from shadbo.core.pieces.taping import HIGH, WIDE
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.words.lengths import MM_PER_INCH, System, texts
from shadbo.core.words.words import number_text

VIEWS: tuple[ViewName, ...] = get_args(ViewName)
BOARDS: dict[ViewName, Paper] = {
    "tape": Paper("board", WIDE, HIGH, (0, 0, 0, 0)),
    "edge": Paper("board", 752, 460, (112, 40, 222, 36)),
    "front": Paper("board", 752, 460, (104, 46, 200, 76)),
    "back": Paper("board", 752, 460, (120, 48, 120, 40)),
    "frame": Paper("board", 752, 460, (40, 24, 40, 36)),
    "parts": Paper("board", 752, 460, (28, 20, 20, 34)),
    "stretch": Paper("board", 752, 460, (60, 40, 60, 44)),
    "holes": Paper("board", 752, 460, (120, 46, 130, 118)),
    "mat": Paper("board", 752, 460, (120, 46, 130, 118)),
    "apart": Paper("board", 752, 460, (28, 24, 262, 40)),
}
BENCH_WIDE, BENCH_HIGH = 640, 556
BENCH_KEEP = (64, 40, 40, 50)
"""The drawing of the bench: a smaller paper shown as large, so that its letters are read from farther away."""
LADDER = Paper("ladder", 752, 192, (0, 0, 0, 0))
VIEW_WORDS: dict[ViewName, str] = {
    "tape": "Tape",
    "edge": "Edge section",
    "front": "Front",
    "back": "Back",
    "frame": "Made frame",
    "parts": "Parts",
    "stretch": "Stretch",
    "holes": "Marks",
    "mat": "Mat, from behind",
    "apart": "Taken apart",
}
"""What the views are called where they are chosen."""
TITLES = {
    "tape": "Where the tape lies",
    "edge": "Edge section",
    "front": "Front view",
    "back": "Back view",
    "frame": "The made frame, from behind",
    "parts": "Parts to cut",
    "stretch": "Stretching, from behind",
    "holes": "Marks, from the front",
    "mat": "Mat, from the back",
    "apart": "The build taken apart",
}


@dataclass(frozen=True, slots=True)
class Drawn:
    """A picture, and where its millimetres lie."""

    svg: str
    fit: Fit


def views_of(plan: Plan) -> tuple[ViewName, ...]:
    """The views that this plan has: stretching, marks and mats only where there are any."""
    a = plan.assembly
    has = {
        "frame": is_made(plan),
        "stretch": "stretch.staples" in plan.desk.sheet,
        "holes": a is not None and bool(a.spots),
        "mat": a is not None and any(w.sheet in ("mat", "mat_inner") for w in a.windows),
        "apart": a is not None and len(a.bodies) > 1,
    }
    return tuple(v for v in VIEWS if has.get(v, True))


def scene_of(plan: Plan, view: ViewName, system: System, turn: int = 0) -> Scene:
    """The scene of a view; before the readings are in, where to put the tape. ``turn`` is how one stands to it."""
    if plan.assembly is None:
        return tape_scene(plan)
    if view == "apart" and view in views_of(plan):
        return apart_scene(plan, system, turn)
    makers = {
        "edge": edge_scene,
        "front": front_scene,
        "back": back_scene,
        "frame": made_scene,
        "parts": parts_scene,
        "stretch": stretch_scene,
        "holes": holes_scene,
        "mat": mat_scene,
    }
    return makers.get(view if view in views_of(plan) else "back", front_scene)(plan, system)


def draw_for_bench(
    plan: Plan, view: ViewName, system: System, parts: tuple[str, ...] = (), album: Albums | None = None
) -> str:
    """One view as it is seen from farther away, of these parts alone where some are named.

    Before the readings are in it is where the tape goes.
    """
    if view == "tape" or plan.assembly is None:
        return draw(plan, "tape", system).svg
    paper = replace(BOARDS[view], width=BENCH_WIDE, height=BENCH_HIGH)
    scene = scene_of(plan, view, system)
    if parts and view == "parts":
        paper, scene = replace(paper, keep=BENCH_KEEP), cutting_scene(plan, system, parts)
    elif parts and view == "mat" and view in views_of(plan):
        scene = mat_scene(plan, system, parts[0])
    return write_svg(compose(scene, paper), TITLES[view], album=album)


def draw(
    plan: Plan, view: ViewName, system: System, hold: Fit | None = None, turn: int = 0, album: Albums | None = None
) -> Drawn:
    """One view on the screen's board, with photographs where there is an album to take them from."""
    if view == "tape":
        return Drawn(write_svg(measuring_sheet(plan), TITLES[view]), Fit(1, 0, 0))
    paper = BOARDS[view]
    if view == "apart" and LEANS[turn % len(LEANS)][0] < 0:  # the labels stand on the other side
        left, top, right, low = paper.keep
        paper = replace(paper, keep=(right, top, left, low))
    sheet = compose(scene_of(plan, view, system, turn), paper, hold)
    return Drawn(write_svg(sheet, TITLES[view], album=album), sheet.fit)


def draw_ladder(plan: Plan, system: System, fit: Fit | None = None) -> str:
    """The depth ladder: every layer as a bar under its place in the section."""
    if plan.assembly is None:
        empty = Sheet2D(LADDER, Fit(1, 0, 0))
        words = "the depth ladder stands here once the readings are in"
        empty.groups.append(Group("", "note", (Text((376, 100), words, 16, SOFT, "middle"),)))
        return write_svg(empty, "Depth ladder, empty until the readings are in")
    fit = fit or fit_to(edge_scene(plan, system), BOARDS["edge"])
    layers, mark, sheet = plan.assembly.layers, plan.desk.mark, plan.desk.sheet
    out = Sheet2D(LADDER, fit)
    row = min(30.0, 146 / max(len(layers), 1))
    room, back = plan.assembly.room, plan.assembly.depth.value
    low = 16 + row * len(layers)
    ends = (0.0, room.end_mm) if room is not None else (0.0,)
    for mm, role in (*((x, "front") for x in ends), (back, "wall")):
        x = fit.put((mm, 0))[0]
        out.groups.append(Group("", "line", (Path(((x, 8), (x, low)), STROKES[role]),)))  # type: ignore[index]
    right = min(max(fit.put((back, 0))[0] + 44, 470), max(fit.put((back, 0))[0] + 16, 516))
    for i, layer in enumerate(layers):
        y = 12 + row * i
        x0, x1 = fit.put((layer.start_mm, 0))[0], fit.put((layer.end_mm, 0))[0]
        fill = FILLS[layer.hatch]
        air = layer.hatch == "air"
        bar = Path(
            ((x0, y + 3), (x1, y + 3), (x1, y + row - 5), (x0, y + row - 5)),
            STROKES["hidden" if air else "thin"],
            True,
            layer.hatch if fill.path else "",
            "" if fill.path or air else fill.tone,
        )
        q = sheet[layer.key]
        deep = abs(layer.end_mm - layer.start_mm)
        exact = q.unit == MM and abs(q.value - deep) < 1e-6
        t = number_text(q, mark) if exact else texts(deep, mark, q.way)
        inch = t.inch if t.inch != "0" else f"{deep / MM_PER_INCH:.3f}"
        metric = t.mm if t.mm != "0" else f"{deep:.1f}"
        size = f"{metric} mm" if system == "mm" else f"{inch} in"
        name_x = min(fit.put((0, 0))[0], x0) - 14
        source = "as built" if q.planned is not None else _short(q)
        marks = (
            bar,
            Text((name_x, y + row / 2 + 4), layer.name, 16, INK, "end"),
            Text((right, y + row / 2 + 4), size, 16, INK, bold=True),
            Text((right + 96, y + row / 2 + 4), source, 14, SOFT),
        )
        hit = Path(((0, y), (752, y), (752, y + row - 2), (0, y + row - 2)), None, True, "", "transparent")
        out.groups.append(Group(layer.key, "layer", (hit, *marks)))
    said, room_key = _room_said(plan, system)
    anchor: Literal["end"] = "end"
    out.groups.append(
        Group(
            room_key,
            "words",
            (Text((fit.put((back, 0))[0], low + 18), said, 16, INK, anchor, bold=True),),
        )
    )
    return write_svg(out, "Depth ladder, front to wall")


def _room_said(plan: Plan, system: System) -> tuple[str, str]:
    """How the layers fill the depth that they share."""
    room, mark = plan.assembly.room if plan.assembly else None, plan.desk.mark
    if plan.assembly is None or room is None:
        return "", ""
    inside = room.end_mm - room.start_mm
    ends = [
        x.end_mm for x in plan.assembly.layers if x.end_mm <= room.end_mm + 60 and x.start_mm < room.end_mm - 1e-6
    ]
    spare = room.end_mm - max(ends, default=room.end_mm)
    size = texts(abs(spare), mark, "down" if spare > 0 else "up").pick(system)
    over = "nothing over" if abs(spare) < 0.05 else f"{size} {'over' if spare > 0 else 'too much'}"
    return f"{room.name} {texts(inside, mark).pick(system)}: {over}", room.key


def _short(q: Quantity) -> str:
    """Where a layer's thickness comes from."""
    source = q.source
    return f"read, {source}" if q.kind == "read" else source.removesuffix(", the plan's choice")
