"""Stretching, seen from behind: bars, cloth, where the corner may be trimmed, every staple by its number."""

from shadbo.core.build.assembly import Ring
from shadbo.core.drawing.outlines import seen_of
from shadbo.core.drawing.scene import Dim, Line, Round, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.sums.stretch import staple_places
from shadbo.core.words.lengths import System
from shadbo.core.words.words import number_text


def stretch_scene(plan: Plan, system: System) -> Scene:
    """The canvas lies on its face; left and right change places, as the framer sees it."""
    s, mark = plan.desk.sheet, plan.desk.mark
    scene = Scene("from behind, face down: left and right change places")
    w, h = s["canvas.width"].value / 2, s["canvas.height"].value / 2
    cw, ch = s["stretch.cloth_width"].value / 2, s["stretch.cloth_height"].value / 2
    b = s["stretch.bar_face"].value
    cloth: Ring = ((-cw, -ch), (cw, -ch), (cw, ch), (-cw, ch))
    scene.add(Shape(cloth, "cloth", "stretch.cloth_width"))
    for bar, key in (
        (((-w, h), (w, h), (w - b, h - b), (-w + b, h - b)), "stretch.bar_width"),
        (((-w, -h), (w, -h), (w - b, -h + b), (-w + b, -h + b)), "stretch.bar_width"),
        (((-w, -h), (-w + b, -h + b), (-w + b, h - b), (-w, h)), "stretch.bar_height"),
        (((w, -h), (w - b, -h + b), (w - b, h - b), (w, h)), "stretch.bar_height"),
    ):
        scene.add(Shape(bar, "stretcher", key))
    a = plan.assembly
    for part in a.by_role("brace") if a is not None else ():
        assert a is not None
        for brace in seen_of(a, part, "back"):
            scene.add(Shape(tuple((-x, y) for x, y in brace.ring), "stretcher", part.key))
    keep = s["stretch.corner"].value / 2**0.5
    for sx in (-1, 1):
        for sy in (-1, 1):
            x, y = sx * (w + keep), sy * (h + keep)
            # Square to the corner's diagonal: what lies outside this line may go.
            ends = ((x - sx * keep, y + sy * keep), (x + sx * keep, y - sy * keep))
            scene.add(Line(ends, "mark", "stretch.corner"))
    _staples(scene, plan, w, h)
    for start, end, key, runs in (
        ((-cw, ch), (cw, ch), "stretch.cloth_width", "across"),
        ((cw, -ch), (cw, ch), "stretch.cloth_height", "upright"),
    ):
        text = f"cloth {number_text(s[key], mark).pick(system)}"
        scene.add(Dim(start, end, text, runs, 1, "high", key))  # type: ignore[arg-type]
    text = f"bars {number_text(s['stretch.bar_width'], mark).pick(system)}"
    scene.add(Dim((-w, -h), (w, -h), text, "across", 1, "low", "stretch.bar_width"))
    text = f"bars {number_text(s['stretch.bar_height'], mark).pick(system)}"
    scene.add(Dim((-w, -h), (-w, h), text, "upright", 1, "low", "stretch.bar_height"))
    return scene


def _staples(scene: Scene, plan: Plan, w: float, h: float) -> None:
    for staple, (right, y) in staple_places(plan.desk, 2 * w, 2 * h):
        x = -right
        scene.add(Round((x, y), 1.0, "mark", "stretch.staples"))
        away = {"top": (0.0, -15.0), "bottom": (0.0, 15.0), "left": (15.0, 0.0), "right": (-15.0, 0.0)}[staple.side]
        scene.add(Words((x, y), str(staple.number), "tiny", "stretch.staples", "middle", away))
