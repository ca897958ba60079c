"""The mat as it is cut: from the back, mirrored left to right, every line numbered with where it starts and stops."""

from shadbo.core.cutting.mat_lines import CutLine, cut_lines, mats_of
from shadbo.core.drawing.scene import Dim, Line, Round, Scene, Shape, Words
from shadbo.core.lengths import Mark, System, texts
from shadbo.core.plan import Plan
from shadbo.core.rings import centred
from shadbo.core.sums.polygon import mirrored


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
    for line in lines:
        scene.add(*_line(line))
    _dims(scene, lines, w, h, mark, system)
    scene.add(Words((-w, h), "top edge", "note", anchor="start", nudge=(6, 12)))
    return scene


def _line(line: CutLine) -> list[Line | Round | Words]:
    out: list[Line | Round | Words] = [Line((line.start, line.stop), "cut", "window.cut")]
    out += [Round(end, 1.6, "mark", "window.cut") for end in (line.start, line.stop)]
    x, y = (line.start[0] + line.stop[0]) / 2, (line.start[1] + line.stop[1]) / 2
    out.append(Words((x, y), str(line.number), "gap", "window.cut", nudge=(10, 0) if line.upright else (0, -9)))
    return out


def _dims(scene: Scene, lines: list[CutLine], w: float, h: float, mark: Mark, system: System) -> None:
    """Running distances from the left and the top edge, as the mat lies there."""
    for upright in (True, False):
        seen: dict[float, CutLine] = {}
        for line in lines:
            if line.upright is upright:
                seen.setdefault(round(line.first_edge, 1), line)
        last, lane = -1e9, 1
        near = 0.07 * 2 * (w if upright else h)
        for at in sorted(seen):
            lane = lane % 3 + 1 if at - last < near * (1 if upright else 0.6) else 1
            last = at
            text, key = texts(at, mark).pick(system), "window.cut"
            if upright:
                scene.add(Dim((-w, -h), (at - w, -h), text, "across", lane, "low", key, "running"))
            else:
                scene.add(Dim((-w, h), (-w, h - at), text, "upright", 1 + (lane - 1) * 0.5, "low", key, "running"))
    size = texts(2 * w, mark).pick(system), texts(2 * h, mark).pick(system)
    scene.add(Dim((-w, h), (w, h), f"mat {size[0]}", "across", 1, "high", "package.width"))
    scene.add(Dim((w, -h), (w, h), f"mat {size[1]}", "upright", 1, "high", "package.height"))
