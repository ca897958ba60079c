"""A moulding by its section, as it stands in the rack: drawn while it is written down."""

from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.marks import Paper
from shadbo.core.drawing.scene import Dim, Scene, Shape
from shadbo.core.drawing.svg import write_svg
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.rings import rect
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.shop.materials import FloaterProfile, PlainStock
from shadbo.core.shop.values import Value
from shadbo.core.words.lengths import Mark, System
from shadbo.core.words.words import stocked

CARD = Paper("profile", 384, 270, (100, 36, 96, 64))


def profile_picture(item: Value, mark: Mark, system: System) -> str:
    """The section as SVG: front to the left, the piece's side up; nothing for what has no section."""
    scene = Scene("section, front to the left")
    if isinstance(item, FrameProfile):
        _frame(scene, item, mark, system)
    elif isinstance(item, FloaterProfile):
        _floater(scene, item, mark, system)
    elif isinstance(item, PlainStock):
        h, f = item.height_mm, item.face_mm
        scene.add(Shape(rect(0, 0, h, f), "wood"))
        scene.add(_dim((0, 0), (h, 0), "height", h, mark, system), _dim((0, 0), (0, f), "face", f, mark, system))
    else:
        return ""
    return write_svg(compose(scene, CARD), "Section")


def _frame(scene: Scene, x: FrameProfile, mark: Mark, system: System) -> None:
    h, f, lip, front = x.height_mm, x.face_mm, x.lip_mm, x.front_mm
    ring: Ring = ((0, 0), (h, 0), (h, f - lip), (front, f - lip), (front, f), (0, f))
    scene.add(Shape(ring, "wood"))
    scene.add(_dim((0, 0), (0, f), "face", f, mark, system))
    scene.add(_dim((0, 0), (h, 0), "height", h, mark, system))
    scene.add(_dim((front, f), (h, f), "rabbet", x.rabbet_mm, mark, system, "high"))
    scene.add(_dim((h, f - lip), (h, f), "lip", lip, mark, system, "high"))


def _floater(scene: Scene, x: FloaterProfile, mark: Mark, system: System) -> None:
    deep, w, ledge = x.inside_depth_mm, x.wall_mm, x.ledge_mm
    high = deep + x.ledge_thick_mm
    ring: Ring = ((0, 0), (high, 0), (high, w + ledge), (deep, w + ledge), (deep, w), (0, w))
    scene.add(Shape(ring, "wood"))
    scene.add(_dim((0, 0), (0, w), "wall", w, mark, system))
    scene.add(_dim((0, w + ledge), (deep, w + ledge), "inside", deep, mark, system, "high"))
    scene.add(_dim((high, w), (high, w + ledge), "ledge", ledge, mark, system, "high"))
    scene.add(_dim((deep, 0), (high, 0), "thick", x.ledge_thick_mm, mark, system))


def _dim(
    start: tuple[float, float],
    end: tuple[float, float],
    name: str,
    mm: float,
    mark: Mark,
    system: System,
    edge: str = "low",
) -> Dim:
    runs = "across" if start[1] == end[1] else "upright"
    return Dim(start, end, f"{name} {stocked(mm, mark).pick(system)}", runs, 1, edge, "")  # type: ignore[arg-type]
