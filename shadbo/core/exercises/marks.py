"""Marks at the bench: what is drawn on the back of a mat or a board, where left and right have changed places.

They are no lines of the plan, whose drawings do it by themselves; for practice they are laid on its sheet as sums.
"""

from collections.abc import Iterator

from shadbo.core.exercises.slips import Slip
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet, to_mark
from shadbo.core.sheet.units import MM

MIRRORED = "measured as seen from the front: face down, left and right change places"
FRONT = "from its left as seen from the front"
BACK = "from its left as it lies face down"


def lay_marks(plan: Plan) -> dict[str, Slip]:
    """Lay the marks of a plan on its sheet. By the key of each, the slip of who forgets to mirror it."""
    return dict(_marks(plan))


def _marks(plan: Plan) -> Iterator[tuple[str, Slip]]:
    a, s, grid = plan.assembly, plan.desk.sheet, plan.desk.mark.mm
    if a is None:
        return
    parts = {p.id: p for p in a.parts}
    for n, window in enumerate(a.windows):
        part = parts.get(window.sheet)
        if part is None or part.role != "mat" or part.length is None or window.stays:
            continue
        box = box_of(window.ring)
        if abs(box[0] + box[2]) < grid:  # in the middle: the same from either side
            continue
        left_mm = to_mark(box[0] + part.length.value / 2, grid, "nearest")
        wide_mm = to_mark(box[2] - box[0], grid, "nearest")
        left = s.choose(f"front.{n}.left", f"left edge of the {window.name}, {FRONT}", left_mm, MM, "drawing")
        wide = s.choose(f"front.{n}.width", f"width of the {window.name}", wide_mm, MM, "drawing")
        yield _line(s, f"back.{n}.left", f"left edge of the {window.name}, {BACK}", part.length - left, left_mm)
        edge = part.length - (left + wide)
        yield _line(s, f"back.{n}.right", f"right edge of the {window.name}, {BACK}", edge, left_mm + wide_mm)
    board = parts.get("board")
    if board is None or board.length is None:
        return
    names = {p.id: p.name or p.noun for p in plan.desk.job.pieces}
    for n, spot in enumerate(x for x in a.spots if x.plane == "board" and x.kind in ("hole", "slit")):
        if abs(spot.at[0]) < grid:
            continue
        at_mm = to_mark(spot.at[0] + board.length.value / 2, grid, "nearest")
        name = f"{spot.kind} for the {names.get(spot.of, 'piece')}"
        seen = s.choose(f"front.spot.{n}", f"{name}, {FRONT}", at_mm, MM, "drawing")
        yield _line(s, f"back.spot.{n}", f"{name}, {BACK}", board.length - seen, at_mm)


def _line(s: Sheet, key: str, label: str, q: Quantity, front_mm: float) -> tuple[str, Slip]:
    s.let(key, label, q)
    return key, Slip("mirrored", MIRRORED, front_mm)
