"""A piece put elsewhere by hand: where it comes to rest, as the edits that put it there."""

from shadbo.core.decisions.edit import Edit
from shadbo.core.job.edits import length
from shadbo.core.layout.snap import Box, Snapped, snap
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of


class CannotMove(ValueError):
    """A piece that stands where the display puts it, or that is not shown."""


def put(plan: Plan, piece_id: str, right_mm: float, down_mm: float, snapping: bool) -> tuple[list[Edit], Snapped]:
    """Move a piece by so much; with ``snapping`` it comes to rest on lines and marks near by. Raises CannotMove."""
    a, s = plan.assembly, plan.desk.sheet
    shown = next((x for x in a.shown if x.id == piece_id), None) if a is not None else None
    if shown is None or shown.seat == "opening" or "field.width" not in s or not shown.at:
        raise CannotMove("this piece stands where the display puts it")
    assert a is not None
    field = (s["field.width"].value, s["field.height"].value)
    boxes = {x.id: _box(x.ring, field) for x in a.shown}
    here = boxes.pop(piece_id)
    moved = Box(here.left + right_mm, here.top + down_mm, here.width, here.height)
    others = [b for i, b in boxes.items() if i != piece_id] if snapping else []
    rest = snap(moved, others, field, plan.desk.practice.snap_mm if snapping else 0.0, plan.desk.mark)
    edits = [Edit(at=shown.at, to={"left": length(rest.left), "top": length(rest.top)})]
    return edits, rest


def _box(ring: tuple[tuple[float, float], ...], field: tuple[float, float]) -> Box:
    left, low, right, high = box_of(ring)
    return Box(left + field[0] / 2, field[1] / 2 - high, right - left, high - low)
