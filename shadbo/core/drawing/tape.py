"""Before the readings are in: a canvas to no scale, and where the tape goes."""

from shadbo.core.drawing.scene import Dim, Line, Scene, Shape, Words
from shadbo.core.plan import Plan

W, H = 60.0, 44.0


def tape_scene(plan: Plan) -> Scene:
    """An unmeasured canvas; what has been read stands as a firm line, the rest as places for the tape."""
    scene = Scene("not measured yet, drawn to no scale", drawn_to_scale=False)
    scene.add(Shape(((-W, -H), (W, -H), (W, H), (-W, H)), "cloth"))
    scene.add(Words((0, H), "top", "note", nudge=(0, -14)))
    places = {
        "width_top": ((-W, H - 5), (W, H - 5), "across"),
        "width_middle": ((-W, 0), (W, 0), "across"),
        "width_bottom": ((-W, -H + 5), (W, -H + 5), "across"),
        "height_left": ((-W + 5, -H), (-W + 5, H), "upright"),
        "height_middle": ((0, -H), (0, H), "upright"),
        "height_right": ((W - 5, -H), (W - 5, H), "upright"),
        "diagonal_down": ((-W, H), (W, -H), "slant"),
        "diagonal_up": ((-W, -H), (W, H), "slant"),
    }
    for name, (start, end, runs) in places.items():
        taken = getattr(plan.desk.piece.detail, name) is not None
        key = f"canvas.{name}"
        if any(ask.at.endswith(name) for ask in plan.asks) or taken:
            scene.add(Line((start, end), "thin" if taken else "hidden", key))
        scene.add(Dim(start, end, "tape here", runs, 0, "low", key, "tape"))  # type: ignore[arg-type]
    scene.add(Shape(((W + 14, H), (W + 24, H), (W + 24, H - 16), (W + 14, H - 16)), "stretcher", "canvas.depth"))
    scene.add(Words((W + 19, H - 16), "bar, cut through", "note", nudge=(0, 14)))
    scene.add(Dim((W + 14, H + 3), (W + 24, H + 3), "depth", "across", 0, "low", "canvas.depth", "tape"))
    scene.add(Dim((W + 27, H), (W + 27, H - 16), "bar width", "upright", 0, "low", "canvas.bar_face", "tape"))
    return scene
