"""The board that pieces are mounted on, from the front: every hole, pin, slit and support to be marked."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.drawing.faces import zone_lines
from shadbo.core.drawing.outlines import seen_of
from shadbo.core.drawing.running import running_dims
from shadbo.core.drawing.scene import Dim, Line, Round, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.shapes.plane import Dot, Ring
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import centred
from shadbo.core.words.lengths import System
from shadbo.core.words.words import number_text

BEYOND_MM = 5.0


def holes_scene(plan: Plan, system: System) -> Scene:
    """The board to size, outlines of the pieces dashed, marks with their distances from the left and the top edge."""
    a, s, mark = plan.assembly, plan.desk.sheet, plan.desk.mark
    assert a is not None
    on_board = a.board is not None
    scene = Scene("the mount board, from the front" if on_board else "rails and object, from the front")
    word = "board" if on_board else "outside"
    size = a.board or (a.outside_width, a.outside_height)
    keys = (size[0].key, size[1].key)
    w, h = size[0].value / 2, size[1].value / 2
    if on_board:
        scene.add(Shape(centred(2 * w, 2 * h), "board", keys[0], "board"))
    else:
        rails = [p for p in a.parts if p.role == "rail"]
        scene.add(*(Shape(x.ring, p.hatch, p.key, p.id) for p in rails for x in seen_of(a, p, "front")))
    for shown in a.shown:
        scene.add(Line((*shown.ring, shown.ring[0]), "hidden", shown.key))
        x0, low, x1, _ = box_of(shown.ring)
        scene.add(Words(((x0 + x1) / 2, low), shown.name, "tiny", shown.key, nudge=(0, 9)))
    scene.add(Line(((-w, 0), (w, 0)), "centre"), Line(((0, -h), (0, h)), "centre"))
    scene.add(*zone_lines(a))
    scene.add(*spot_marks(a))
    across: dict[float, tuple[str, str]] = {}
    down: dict[float, tuple[str, str]] = {}
    for spot in a.spots:
        if spot.key.endswith("_left"):
            top = spot.key.removesuffix("_left") + "_top"
            for lines, key in ((across, spot.key), (down, top)):
                lines.setdefault(round(s[key].value, 1), (number_text(s[key], mark).pick(system), key))
    running_dims(scene, w, h, across, down)
    for start, end, key, runs, edge in (
        ((-w, h), (w, h), keys[0], "across", "high"),
        ((w, -h), (w, h), keys[1], "upright", "high"),
    ):
        scene.add(Dim(start, end, f"{word} {number_text(s[key], mark).pick(system)}", runs, 1, edge, key))  # type: ignore[arg-type]
    return scene


def spot_marks(a: Assembly) -> list[Line | Round | Words]:
    """The sign of every spot."""
    out: list[Line | Round | Words] = []
    for spot in a.spots:
        x, y = spot.at
        r = max(spot.size_mm / 2, 1.2)
        match spot.kind:
            case "slit":
                out += [Line(((x - r, y + d), (x + r, y + d)), "mark", spot.key) for d in (-2, 2)]
            case "corner":
                out.append(Line(((x - 6, y), (x + 6, y)), "mark", spot.key))
                out.append(Line(((x, y - 6), (x, y + 6)), "mark", spot.key))
            case "peg":
                out.append(Line((*spot.ring, spot.ring[0]), "hidden", spot.key))
                out.append(Line(_middle(spot.ring), "centre", spot.key))
            case "pin":
                out.append(Round(spot.at, r, "mark", spot.key))
            case _:
                out.append(Round(spot.at, r, "mark", spot.key))
                out.append(Line(((x - r - 5, y), (x + r + 5, y)), "mark", spot.key))
                out.append(Line(((x, y - r - 5), (x, y + r + 5)), "mark", spot.key))
                if spot.kind == "cable":
                    out.append(Words((x + r, y), "cable", "tiny", spot.key, "start", (8, 0)))
    return out


def _middle(ring: Ring) -> tuple[Dot, Dot]:
    """The middle line of a hole that is bored into an edge, a little beyond both its ends."""
    left, low, right, high = box_of(ring)
    x, y = (left + right) / 2, (low + high) / 2
    if right - left >= high - low:
        return (left - BEYOND_MM, y), (right + BEYOND_MM, y)
    return (x, low - BEYOND_MM), (x, high + BEYOND_MM)
