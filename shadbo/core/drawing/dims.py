"""Dimensions on paper: witness lines, ticks and numbers on lanes, and the ribbon of a tape."""

from typing import Literal

from shadbo.core.build.assembly import Dot
from shadbo.core.drawing.ink import INK, SOFT, STROKES, TAPE, Stroke
from shadbo.core.drawing.marks import Circle, Fit, Group, Path, Text
from shadbo.core.drawing.scene import Dim

LANE = 30.0
BESIDE = 88.0
"""Lanes beside a drawing are wider than those above it, since their words are not turned."""
TICK = 5.0


def dim_group(e: Dim, fit: Fit, frame: tuple[float, float, float, float]) -> Group:
    """The marks of one dimension; ``frame`` is the drawing's box: left, top, right, bottom."""
    a, b = fit.put(e.start), fit.put(e.end)
    if e.role == "tape":
        return Group(e.key, "tape", tuple(_tape(a, b, e)), hidden=True)
    out = LANE * e.lane - 8
    if e.runs == "across":
        y = frame[1] - out if e.edge == "high" else frame[3] + out
        return Group(e.key, "dim", tuple(_across(a, b, y, e)))
    out = BESIDE * (e.lane - 1) + LANE - 8
    x = frame[2] + out if e.edge == "high" else frame[0] - out
    return Group(e.key, "dim", tuple(_upright(a, b, x, e)))


_THIN = STROKES["thin"]
_WITNESS = Stroke(SOFT, 0.6)


def _across(a: Dot, b: Dot, y: float, e: Dim) -> list[Path | Circle | Text]:
    above = e.edge == "high"
    past = -4 if above else 4
    if e.role == "running":
        tick = Path(((b[0], y - past), (b[0], b[1])), _WITNESS)
        return [tick, Text((b[0], y + (-6 if above else 16)), e.text, 14, INK, "middle")]
    marks: list[Path | Circle | Text] = [
        Path(((a[0], a[1]), (a[0], y + past)), _WITNESS),
        Path(((b[0], b[1]), (b[0], y + past)), _WITNESS),
        Path(((a[0] - TICK, y), (b[0] + TICK, y)), _THIN),
        *_ticks((a[0], y), (b[0], y)),
    ]
    narrow = abs(b[0] - a[0]) < 7 * len(e.text) + 6
    if narrow and not above:  # beside its line: below it there is the paper's edge
        return [*marks, Text((max(a[0], b[0]) + TICK + 4, y + 5), e.text, 15, INK, "start", True)]
    return [*marks, Text(((a[0] + b[0]) / 2, y - 6), e.text, 15, INK, "middle", True)]


def _upright(a: Dot, b: Dot, x: float, e: Dim) -> list[Path | Circle | Text]:
    left = e.edge == "low"
    past = -4 if left else 4
    if e.role == "running":
        tick = Path(((x - past, b[1]), (b[0], b[1])), _WITNESS)
        return [tick, Text((x + (-4 if left else 4), b[1] + 5), e.text, 14, INK, "end" if left else "start")]
    anchor: Literal["start", "end"] = "end" if left else "start"
    return [
        Path(((a[0], a[1]), (x + past, a[1])), _WITNESS),
        Path(((b[0], b[1]), (x + past, b[1])), _WITNESS),
        Path(((x, a[1] + TICK), (x, b[1] - TICK)), _THIN),
        *_ticks((x, a[1]), (x, b[1])),
        Text((x + (-8 if left else 8), (a[1] + b[1]) / 2 + 5), e.text, 15, INK, anchor, True),
    ]


def _ticks(*at: Dot) -> list[Path]:
    heavy = Stroke(INK, 1.5)
    return [Path(((x - 3.5, y + 3.5), (x + 3.5, y - 3.5)), heavy) for x, y in at]


def _tape(a: Dot, b: Dot, e: Dim) -> list[Path | Circle | Text]:
    """Where to put the tape: a ribbon from end to end, with its label in the middle."""
    mid = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
    hook = Stroke(TAPE, 3.0)
    across = abs(b[0] - a[0]) >= abs(b[1] - a[1])
    dx, dy = (0.0, 9.0) if across else (9.0, 0.0)
    ends = [Path(((x - dx, y - dy), (x + dx, y + dy)), hook) for x, y in (a, b)]
    return [
        Path((a, b), Stroke("#f2c230", 7.0)),
        Path((a, b), Stroke(TAPE, 1.4)),
        *ends,
        Text((mid[0], mid[1] - 10 if across else mid[1]), e.text, 17, TAPE, "middle", True, bold=True),
    ]
