"""The mat as it is cut: from the back, mirrored left to right, every line numbered with where it starts and stops."""

from shadbo.core.cutting.mat_lines import CutLine, cut_lines, mats_of, on_mat
from shadbo.core.drawing.running import running_dims
from shadbo.core.drawing.scene import Dim, Line, Round, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import Ring, holds, mirrored
from shadbo.core.shapes.rings import centred
from shadbo.core.words.lengths import Mark, System, texts


def mat_scene(plan: Plan, system: System, sheet: str = "") -> Scene:
    """One mat from behind; the outer one unless another is named."""
    a, mark = plan.assembly, plan.desk.mark
    assert a is not None
    mats = mats_of(plan)
    mat = next((m for m in mats if m.id == sheet), mats[0])
    scene = Scene(f"{mat.name}, from the BACK: mirrored left to right")
    w, h = mat.width / 2, mat.height / 2
    scene.add(Shape(centred(mat.width, mat.height), "mat", "package.width", mat.id))
    for window in mat.windows:
        scene.add(Shape(mirrored(window.ring), "paper", window.key, window.id))
    lines = cut_lines(mat)
    rings = {window.id: mirrored(window.ring) for window in mat.windows}
    for line in lines:
        scene.add(*_line(line, rings[line.window]))
    for shown in on_mat(a, mat.id):
        ring = mirrored(shown.ring)
        scene.add(Line((*ring, ring[0]), "hidden", shown.key))
    _dims(scene, lines, w, h, mark, system)
    scene.add(Words((-w, h), "top edge", "note", anchor="start", nudge=(6, 12)))
    return scene


def _line(line: CutLine, ring: Ring) -> list[Line | Round | Words]:
    out: list[Line | Round | Words] = [Line((line.start, line.stop), "cut", "window.cut")]
    out += [Round(end, 1.6, "mark", "window.cut") for end in (line.start, line.stop)]
    x, y = (line.start[0] + line.stop[0]) / 2, (line.start[1] + line.stop[1]) / 2
    # The number stands on the waste, inside the opening, where no neighbour's number comes.
    dx, dy = (1.0, 0.0) if line.upright else (0.0, 1.0)
    side = 1 if holds(ring, (x + dx, y + dy)) else -1
    nudge = (11.0 * side, 0.0) if line.upright else (0.0, -11.0 * side)
    out.append(Words((x, y), str(line.number), "gap", "window.cut", nudge=nudge))
    return out


def _dims(scene: Scene, lines: list[CutLine], w: float, h: float, mark: Mark, system: System) -> None:
    """Running distances from the left and the top edge, as the mat lies there."""
    first = {u: {round(x.first_edge, 1) for x in lines if x.upright is u} for u in (True, False)}
    said = {u: {at: (texts(at, mark).pick(system), "window.cut") for at in first[u]} for u in first}
    running_dims(scene, w, h, said[True], said[False])
    size = texts(2 * w, mark).pick(system), texts(2 * h, mark).pick(system)
    scene.add(Dim((-w, h), (w, h), f"mat {size[0]}", "across", 1, "high", "package.width"))
    scene.add(Dim((w, -h), (w, h), f"mat {size[1]}", "upright", 1, "high", "package.height"))
