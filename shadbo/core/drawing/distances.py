"""How far a piece among several is from its neighbours and the edges: shown while it is looked at or moved."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.build.marked import Shown
from shadbo.core.drawing.scene import Dim
from shadbo.core.shapes.polygon import box_of
from shadbo.core.words.lengths import Mark, System, texts

Box = tuple[float, float, float, float]


def distance_dims(a: Assembly, field: tuple[float, float], mark: Mark, system: System) -> list[Dim]:
    """Four hidden tapes a piece, to the nearest outline or edge on each side; outlines count by their boxes."""
    movable = [x for x in a.shown if x.seat != "opening" and x.at]
    boxes = {x.id: box_of(x.ring) for x in a.shown}
    edge = (-field[0] / 2, -field[1] / 2, field[0] / 2, field[1] / 2)
    return [d for x in movable for d in _of(x, boxes, edge, mark, system)]


def _of(shown: Shown, boxes: dict[str, Box], edge: Box, mark: Mark, system: System) -> list[Dim]:
    left, low, right, high = boxes[shown.id]
    beside = [b for i, b in boxes.items() if i != shown.id and b[1] < high and b[3] > low]
    over = [b for i, b in boxes.items() if i != shown.id and b[0] < right and b[2] > left]
    x, y = (left + right) / 2, (low + high) / 2
    ends = (
        ((max([edge[0], *(b[2] for b in beside if b[2] <= left + 1e-6)]), y), (left, y)),
        ((right, y), (min([edge[2], *(b[0] for b in beside if b[0] >= right - 1e-6)]), y)),
        ((x, max([edge[1], *(b[3] for b in over if b[3] <= low + 1e-6)])), (x, low)),
        ((x, high), (x, min([edge[3], *(b[1] for b in over if b[1] >= high - 1e-6)]))),
    )
    out = []
    for n, (start, end) in enumerate(ends):
        size = (end[0] - start[0]) + (end[1] - start[1])
        if size > 0.05:
            text = texts(size, mark, "down").pick(system)
            out.append(Dim(start, end, text, "across" if n < 2 else "upright", 0, "low", shown.key, "tape"))
    return out
