"""Proposed layouts: the smallest field that takes all pieces, by a constraint solver, under several wishes.

Whole millimetres: every outline grows by the gap, none may overlap, the field with its margins must go into the
sheet. The solver is OR-Tools' CP-SAT, one worker and a fixed seed, so that the same question gives the same answer.
"""

from collections.abc import Sequence
from typing import Any, Literal

from shadbo.core.dataclass import dataclass

Wish = Literal["smallest", "main piece in the middle", "rows in line", "mirrored left and right"]
WISHES: tuple[Wish, ...] = ("smallest", "main piece in the middle", "mirrored left and right", "rows in line")


@dataclass(frozen=True, slots=True)
class Thing:
    """A piece to place, in whole mm or not; sizes are rounded up to whole mm."""

    id: str
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class Proposal:
    """A layout: left and top of every outline inside the margins, and the field that it needs with them."""

    wish: Wish
    places: dict[str, tuple[float, float]]
    width: float
    height: float
    proven: bool

    @property
    def area(self) -> float:
        """Area of the field in mm²."""
        return self.width * self.height


def _mm(x: float) -> int:
    return int(-(-x // 1)) if abs(x - round(x)) > 1e-6 else round(x)


def propose(
    things: Sequence[Thing],
    gap_mm: float,
    margin_mm: float,
    most_mm: tuple[float, float] | None = None,
    wishes: Sequence[Wish] = WISHES,
    seconds: float = 1.5,
) -> list[Proposal]:
    """Proposals, the smallest first. Empty when no field within ``most_mm`` takes the pieces."""
    found = [p for wish in wishes if (p := _solve(things, gap_mm, margin_mm, most_mm, wish, seconds)) is not None]
    out: list[Proposal] = []
    for p in sorted(found, key=lambda p: (p.area, WISHES.index(p.wish))):
        if all(p.places != q.places for q in out):
            out.append(p)
    return out


def _solve(
    things: Sequence[Thing],
    gap_mm: float,
    margin_mm: float,
    most_mm: tuple[float, float] | None,
    wish: Wish,
    seconds: float,
) -> Proposal | None:
    from ortools.sat.python import cp_model

    gap, margin = _mm(gap_mm), _mm(margin_mm)
    sizes = [(_mm(t.width), _mm(t.height)) for t in things]
    widest, highest = sum(w for w, _ in sizes) + gap * len(sizes), sum(h for _, h in sizes) + gap * len(sizes)
    limit = (widest, highest)
    if most_mm is not None:
        limit = (min(widest, int(most_mm[0]) - 2 * margin), min(highest, int(most_mm[1]) - 2 * margin))
    if limit[0] < max(w for w, _ in sizes) or limit[1] < max(h for _, h in sizes):
        return None
    m = cp_model.CpModel()
    width = m.new_int_var(max(w for w, _ in sizes), limit[0], "width")
    height = m.new_int_var(max(h for _, h in sizes), limit[1], "height")
    xs, ys, ivs_x, ivs_y = [], [], [], []
    for i, (w, h) in enumerate(sizes):
        x, y = m.new_int_var(0, limit[0] - w, f"x{i}"), m.new_int_var(0, limit[1] - h, f"y{i}")
        m.add(x + w <= width)
        m.add(y + h <= height)
        xs.append(x)
        ys.append(y)
        ivs_x.append(m.new_fixed_size_interval_var(x, w + gap, f"ix{i}"))
        ivs_y.append(m.new_fixed_size_interval_var(y, h + gap, f"iy{i}"))
    m.add_no_overlap_2d(ivs_x, ivs_y)
    _wish(m, wish, sizes, xs, ys, width, height)
    area = m.new_int_var(1, (limit[0] + 2 * margin) * (limit[1] + 2 * margin), "area")
    m.add_multiplication_equality(area, [width + 2 * margin, height + 2 * margin])
    # Among fields of one area the pieces lie as far to the top left as they go: one answer, not many.
    tie = sum(xs) + sum(ys)
    m.minimize(area * (2 * (limit[0] + limit[1]) * len(sizes) + 1) + tie)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 7
    solver.parameters.max_deterministic_time = seconds
    state = solver.solve(m)
    if state not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return None
    places = {
        t.id: (float(solver.value(x) + margin), float(solver.value(y) + margin))
        for t, x, y in zip(things, xs, ys, strict=True)
    }
    size = (solver.value(width) + 2 * margin, solver.value(height) + 2 * margin)
    return Proposal(wish, places, float(size[0]), float(size[1]), state == cp_model.OPTIMAL)


def _wish(m: Any, wish: Wish, sizes: list[tuple[int, int]], xs: Any, ys: Any, width: Any, height: Any) -> None:  # noqa: ANN401
    """Constraints of a wish. Middles agree to a millimetre, since sizes may be odd."""
    if wish in ("main piece in the middle", "mirrored left and right"):
        for at, size, whole in ((xs[0], sizes[0][0], width), (ys[0], sizes[0][1], height)):
            m.add(2 * at + size - whole <= 1)
            m.add(2 * at + size - whole >= -1)
    if wish == "mirrored left and right":
        order = sorted(range(1, len(sizes)), key=lambda i: (-sizes[i][0] * sizes[i][1], i))
        if len(order) % 2:
            odd = order.pop()
            m.add(2 * xs[odd] + sizes[odd][0] - width <= 1)
            m.add(2 * xs[odd] + sizes[odd][0] - width >= -1)
        for a, b in zip(order[::2], order[1::2], strict=True):
            total = 2 * xs[a] + sizes[a][0] + 2 * xs[b] + sizes[b][0] - 2 * width
            m.add(total <= 1)
            m.add(total >= -1)
            level = 2 * ys[a] + sizes[a][1] - 2 * ys[b] - sizes[b][1]
            m.add(level <= 1)
            m.add(level >= -1)
    if wish == "rows in line":
        n = len(sizes)
        for i in range(n):
            for j in range(i + 1, n):
                # Two pieces that share any height share their middle height.
                same, above, below = (m.new_bool_var(f"{k}{i}_{j}") for k in ("same", "above", "below"))
                m.add_exactly_one(same, above, below)
                level = 2 * ys[i] + sizes[i][1] - 2 * ys[j] - sizes[j][1]
                m.add(level <= 1).only_enforce_if(same)
                m.add(level >= -1).only_enforce_if(same)
                m.add(ys[i] + sizes[i][1] <= ys[j]).only_enforce_if(above)
                m.add(ys[j] + sizes[j][1] <= ys[i]).only_enforce_if(below)
