"""Before the readings are in: a canvas to no scale, and where the tape goes."""

from shadbo.core.drawing.scene import Dim, Line, Scene, Shape, Words
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Sized
from shadbo.core.pieces.outlines import outline
from shadbo.core.pieces.pieces import StretchedCanvas
from shadbo.core.plan import Plan

W, H = 60.0, 44.0


def tape_scene(plan: Plan) -> Scene:
    """An unmeasured canvas; what has been read stands as a firm line, the rest as places for the tape."""
    scene = Scene("not measured yet, drawn to no scale", drawn_to_scale=False)
    piece = next((x for x in plan.desk.pieces if plan.asks and f"/{x.id}/" in plan.asks[0].at), plan.desk.piece)
    detail, start_ = piece.detail, plan.desk.prefix(piece)
    if isinstance(detail, Sized):
        return _sized(scene, detail, start_)
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
        taken = getattr(detail, name) is not None
        key = f"{start_}.{name}"
        if any(ask.at.endswith(name) for ask in plan.asks) or taken:
            scene.add(Line((start, end), "thin" if taken else "hidden", key))
        scene.add(Dim(start, end, "tape here", runs, 0, "low", key, "tape"))  # type: ignore[arg-type]
    if isinstance(detail, StretchedCanvas):
        ring = ((W + 14, H), (W + 24, H), (W + 24, H - 16), (W + 14, H - 16))
        scene.add(Shape(ring, "stretcher", "canvas.depth"))
        scene.add(Words((W + 19, H - 16), "bar, cut through", "note", nudge=(0, 14)))
        scene.add(Dim((W + 14, H + 3), (W + 24, H + 3), "depth", "across", 0, "low", "canvas.depth", "tape"))
        scene.add(Dim((W + 27, H), (W + 27, H - 16), "bar width", "upright", 0, "low", "canvas.bar_face", "tape"))
        return scene
    margins = [side for side in ("top", "right", "bottom", "left") if hasattr(detail, f"margin_{side}")]
    if margins:
        m = 10.0
        ring = ((-W - m, -H - m), (W + m, -H - m), (W + m, H + m), (-W - m, H + m))
        scene.elements.insert(0, Shape(ring, "paper"))
        ends = {
            "top": ((0, H), (0, H + m), "upright"),
            "right": ((W, 0), (W + m, 0), "across"),
            "bottom": ((0, -H), (0, -H - m), "upright"),
            "left": ((-W, 0), (-W - m, 0), "across"),
        }
        for side in margins:
            start, end, runs = ends[side]
            scene.add(Dim(start, end, "free", runs, 0, "low", f"{start_}.margin_{side}", "tape"))  # type: ignore[arg-type]
    if hasattr(detail, "thickness"):
        ring = ((W + 20, H), (W + 23, H), (W + 23, H - 40), (W + 20, H - 40))
        scene.add(Shape(ring, "board", "piece.thickness"))
        scene.add(Words((W + 21, H - 40), "its edge", "note", nudge=(0, 14)))
        scene.add(Dim((W + 20, H + 3), (W + 23, H + 3), "thickness", "across", 0, "low", "piece.thickness", "tape"))
    return scene


def _sized(scene: Scene, detail: Sized, start: str) -> Scene:
    """A thing with depth: its outline from the front, and its edge beside it for what stands out and behind."""
    ring = outline(detail, 2 * W, 2 * H)  # type: ignore[arg-type]
    scene.add(Shape(ring, "textile"))
    scene.add(Words((0, H), "top", "note", nudge=(0, -14)))
    scene.add(Shape(((W + 20, H), (W + 32, H), (W + 32, -H), (W + 20, -H)), "board"))
    scene.add(Words((W + 26, -H), "its edge, front at the left", "note", nudge=(0, 16)))
    places = {
        "width": ((-W, 0), (W, 0), "across"),
        "height": ((0, -H), (0, H), "upright"),
        "body_width": ((-W * 0.6, -H * 0.4), (W * 0.6, -H * 0.4), "across"),
        "flat_width": ((-W, -H + 6), (W, -H + 6), "across"),
        "flat_height": ((-W + 6, -H), (-W + 6, H), "upright"),
        "pin_off": ((-8, 0), (-8, 18), "upright"),
        "pin_width": ((-4, 18), (4, 18), "across"),
        "centre_up": ((12, -H), (12, -H * 0.3), "upright"),
    }
    edge = ((W + 20, H + 4), (W + 32, H + 4), "across")
    for m in measures(detail):  # type: ignore[arg-type]
        begin, end, runs = places.get(m.name, edge)
        scene.add(Dim(begin, end, "tape here", runs, 0, "low", f"{start}.{m.name}", "tape"))  # type: ignore[arg-type]
    return scene
