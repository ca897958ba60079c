"""The measuring board: the piece with its top edge up, its edge beside it, and the tape where each reading lies."""

from shadbo.core.drawing.ink import ACCENT, INK, SOFT, STROKES, TAPE, Stroke
from shadbo.core.drawing.marks import Fit, Group, Paper, Path, Sheet2D, Text
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.taping import HIGH, WIDE, taping
from shadbo.core.plan import Plan
from shadbo.core.shapes.plane import Dot

TAKEN, TO_TAKE, LYING = Stroke(ACCENT, 1.6), Stroke(SOFT, 1.2, "7 5"), Stroke(TAPE, 2.6)
TICK = 7.0


def measuring_sheet(plan: Plan) -> Sheet2D:
    """The main piece on the board. Lines of readings that are taken are firm, those to take are dashed."""
    piece, start = plan.desk.piece, plan.desk.prefix(plan.desk.piece)
    laid = taping(piece.detail)
    hatch = KINDS[piece.detail.kind].hatch
    sheet = Sheet2D(Paper("board", WIDE, HIGH, (0, 0, 0, 0)), Fit(1, 0, 0))
    groups = sheet.groups
    if laid.free:
        groups.append(Group("", "part", (Path(laid.free, STROKES["hidden"], True, "paper"),)))
    groups.append(Group("", "part", (Path(laid.ring, Stroke(INK, 1.6), True, hatch),)))
    left, right = min(x for x, _ in laid.ring), max(x for x, _ in laid.ring)
    top = min(y for _, y in laid.ring)
    groups.append(Group("", "top", (Path(((left, top), (right, top)), Stroke(ACCENT, 4)),)))
    groups.append(Group("", "part", (Path(laid.edge, Stroke(INK, 1.4), True, "stretcher"),)))
    note = "front towards you, top edge up" if laid.to_scale else "front towards you, top edge up; to no scale yet"
    groups.append(Group("", "note", (Text((24, HIGH - 18), note, 16, SOFT),)))
    wanted = {m.name for m in measures(piece.detail) if m.needed}
    for name, place in laid.places.items():
        taken = getattr(piece.detail, name) is not None
        key = f"{start}.{name}"
        if name in wanted:
            groups.append(Group(key, "line", _tape(place.ends, TAKEN if taken else TO_TAKE)))
        groups.append(Group(key, "tape", _tape(place.ends, LYING), hidden=True))
    return sheet


def _tape(ends: tuple[Dot, Dot], stroke: Stroke) -> tuple[Path, ...]:
    """A tape from end to end, with a stop across it at both."""
    (x0, y0), (x1, y1) = ends
    long = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5 or 1.0
    u, v = (y1 - y0) / long * TICK, (x0 - x1) / long * TICK
    stops = tuple(Path(((x - u, y - v), (x + u, y + v)), Stroke(stroke.colour, stroke.width)) for x, y in ends)
    return (Path(ends, stroke), *stops)
