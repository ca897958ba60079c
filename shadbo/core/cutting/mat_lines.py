"""Lines to cut in a mat, as it lies face down: where each runs, from two edges, where the blade starts and stops.

The line drawn on the back is the opening's innermost edge. The bevel opens towards the front by one board thickness,
so the edge on the face is the opening grown by that thickness: the blade starts and stops where the corners of that
grown outline lie, one thickness past the drawn corner. At a notch's tip it runs to the corner: past it lies waste.
"""

from shadbo.core.build.assembly import Assembly, Dot, Ring
from shadbo.core.build.marked import Shown, Window
from shadbo.core.dataclass import dataclass
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import anticlockwise, mirrored, offset, sides, square_cornered


@dataclass(frozen=True, slots=True)
class Mat:
    """One mat with all openings in it, about its own middle, from the front."""

    id: str
    name: str
    width: float
    height: float
    thick: float
    windows: tuple[Window, ...]


@dataclass(frozen=True, slots=True)
class CutLine:
    """A straight cut on the back, in the mat's own mirrored plane.

    ``first_edge`` is from the left (upright lines) or the top (level ones) as the mat lies; ``second_edge`` from the
    right or the bottom. ``from_`` and ``to`` are where the blade starts and stops along it, from the top or the left.
    """

    number: int
    window: str
    name: str
    upright: bool
    first_edge: float
    second_edge: float
    from_: float
    to: float
    start: Dot
    stop: Dot
    drawn_from: float
    drawn_to: float


def mats_of(plan: Plan) -> list[Mat]:
    """The mats of a plan, the outer one first; empty where it has none."""
    a, s = plan.assembly, plan.desk.sheet
    if a is None:
        return []
    out = []
    for part in a.parts:
        windows = tuple(w for w in a.windows if w.sheet == part.id)
        if windows and part.length is not None and part.width is not None and part.thick is not None:
            name = "inner mat" if part.id == "mat_inner" else "outer mat" if "stack.mat_inner" in s else part.name
            if part.role != "mat":
                name = part.called
            out.append(Mat(part.id, name, part.length.value, part.width.value, part.thick.value, windows))
    return out


def on_mat(assembly: Assembly, sheet: str) -> list[Shown]:
    """Pieces that are fixed to a mat, as they stand: badges in their notches, plates on its border."""
    tied = {tie.body for tie in assembly.ties if tie.to == sheet}
    return [x for x in assembly.shown if f"item-{x.id}" in tied and x.seat != "window"]


def face_edge(window: Window, thick_mm: float) -> Ring:
    """The opening's edge on the face: one thickness larger where it is bevelled."""
    return offset(window.ring, thick_mm) if window.bevelled else anticlockwise(window.ring)


def cut_lines(mat: Mat) -> list[CutLine]:
    """Every straight cut, window by window; a window with sides that are neither level nor upright is left out."""
    out: list[CutLine] = []
    w, h = mat.width / 2, mat.height / 2
    for window in mat.windows:
        back, face = anticlockwise(mirrored(window.ring)), anticlockwise(mirrored(face_edge(window, mat.thick)))
        if not square_cornered(back):
            continue
        for (a, b), (fa, fb) in zip(sides(back), sides(face), strict=True):
            upright = abs(a[0] - b[0]) < 1e-6
            first = a[0] + w if upright else h - a[1]
            second = (2 * w if upright else 2 * h) - first
            ends = sorted((h - p[1] if upright else p[0] + w, h - q[1] if upright else q[0] + w)
                          for p, q in ((a, fa), (b, fb)))  # fmt: skip
            (d0, f0), (d1, f1) = ends
            from_, to = min(d0, f0), max(d1, f1)
            start = (a[0], h - from_) if upright else (from_ - w, a[1])
            stop = (a[0], h - to) if upright else (to - w, a[1])
            out.append(
                CutLine(len(out) + 1, window.id, window.name, upright, first, second, from_, to, start, stop, d0, d1)
            )
    return out
