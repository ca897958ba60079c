"""The measuring board: each piece with its top edge up, its edge beside it, and the tape where each reading lies."""

from shadbo.core.drawing.ink import ACCENT, INK, SOFT, STROKES, TAPE, Stroke
from shadbo.core.drawing.marks import Fit, Group, Paper, Path, Sheet2D, Text
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.pieces import Piece
from shadbo.core.pieces.taping import CELLS, HIGH, WIDE, Taping, equal_pieces, taping_among
from shadbo.core.plan import Plan
from shadbo.core.shapes.plane import Dot

TAKEN, TO_TAKE, LYING = Stroke(ACCENT, 1.6), Stroke(SOFT, 1.2, "7 5"), Stroke(TAPE, 2.6)
TICK = 7.0


def measuring_sheet(plan: Plan) -> Sheet2D:
    """The piece on the board; of several, one of each that is unlike the others, each in its cell.

    Lines of readings that are taken are firm, those to take are dashed.
    """
    sheet = Sheet2D(Paper("board", WIDE, HIGH, (0, 0, 0, 0)), Fit(1, 0, 0))
    unlike = equal_pieces(plan.desk.pieces) if plan.desk.gathers else [[plan.desk.piece]]
    true = True
    for n, (piece, *like) in enumerate(unlike):
        laid = taping_among(piece.detail, n, len(unlike))
        if laid is None:
            break
        true = true and laid.to_scale
        sheet.groups += _laid_out(piece, laid, plan.desk.prefix(piece))
        if laid.corner is not None:
            name = f"{piece.name or piece.noun}" + (f" · {len(like) + 1} alike" if like else "")
            sheet.groups.append(Group("", "note", (Text(laid.corner, name, 17, INK),)))
    note = "front towards you, top edge up" if true else "front towards you, top edge up; to no scale yet"
    if len(unlike) > CELLS:
        note += f"; {len(unlike) - CELLS} more by their rows"
    sheet.groups.append(Group("", "note", (Text((24, HIGH - 18), note, 16, SOFT),)))
    return sheet


def _laid_out(piece: Piece, laid: Taping, start: str) -> list[Group]:
    """One piece, its edge, and the tape at each reading."""
    groups: list[Group] = []
    hatch = KINDS[piece.detail.kind].hatch
    if laid.free:
        groups.append(Group("", "part", (Path(laid.free, STROKES["hidden"], True, "paper"),)))
    groups.append(Group("", "part", (Path(laid.ring, Stroke(INK, 1.6), True, hatch),)))
    left, right = min(x for x, _ in laid.ring), max(x for x, _ in laid.ring)
    top = min(y for _, y in laid.ring)
    groups.append(Group("", "top", (Path(((left, top), (right, top)), Stroke(ACCENT, 4)),)))
    groups.append(Group("", "part", (Path(laid.edge, Stroke(INK, 1.4), True, "stretcher"),)))
    wanted = {m.name for m in measures(piece.detail) if m.needed}
    for name, place in laid.places.items():
        taken = getattr(piece.detail, name) is not None
        key = f"{start}.{name}"
        if name in wanted:
            groups.append(Group(key, "line", _tape(place.ends, TAKEN if taken else TO_TAKE)))
        groups.append(Group(key, "tape", _tape(place.ends, LYING), hidden=True))
    return groups


def _tape(ends: tuple[Dot, Dot], stroke: Stroke) -> tuple[Path, ...]:
    """A tape from end to end, with a stop across it at both."""
    (x0, y0), (x1, y1) = ends
    long = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5 or 1.0
    u, v = (y1 - y0) / long * TICK, (x0 - x1) / long * TICK
    stops = tuple(Path(((x - u, y - v), (x + u, y + v)), Stroke(stroke.colour, stroke.width)) for x, y in ends)
    return (Path(ends, stroke), *stops)
