"""The readings as dots on a line, with what is set and what they come to."""

import math
from collections.abc import Sequence

from shadbo.core.drawing.ink import ACCENT, INK, SOFT, Stroke
from shadbo.core.drawing.marks import Circle, Fit, Group, Paper, Path, Sheet2D, Text
from shadbo.core.drawing.svg import write_svg
from shadbo.core.learned.robust import spread
from shadbo.core.words.lengths import System, inch_text

PAPER = Paper("learned", 460, 112, (0, 0, 0, 0))
LEFT, RIGHT, LINE_Y = 16.0, 444.0, 74.0
BINS = 60


def dots(values: Sequence[float], marks: Sequence[tuple[float, str]], millimetres: bool, system: System) -> str:
    """An SVG: each value a dot, alike ones one above the other; the middle half as a bar, marks as flags."""
    low, high = min(*values, *(x for x, _ in marks)), max(*values, *(x for x, _ in marks))
    pad = (high - low) * 0.06 or 0.5
    low, high = low - pad, high + pad

    def x(value: float) -> float:
        return LEFT + (RIGHT - LEFT) * (value - low) / (high - low)

    ticks = Path(((LEFT, LINE_Y), (RIGHT, LINE_Y)), Stroke(INK, 1.2))
    of = spread(values)
    bar = Path(((x(of.low), LINE_Y), (x(of.high), LINE_Y)), Stroke(ACCENT, 5.0))
    drawn: list[Path | Circle | Text] = [ticks, bar, *_heap([x(v) for v in values])]
    for value in _round_ticks(low, high):
        at = x(value)
        drawn.append(Path(((at, LINE_Y), (at, LINE_Y + 5)), Stroke(INK, 1.0)))
        drawn.append(Text((at, LINE_Y + 19), _tick(value, millimetres, system), 13, SOFT, "middle"))
    for n, (value, word) in enumerate(marks):
        at, end = x(value), "start" if x(value) < (LEFT + RIGHT) / 2 else "end"
        shift = 4 if end == "start" else -4
        drawn.append(Path(((at, 6 + 15 * n), (at, LINE_Y)), Stroke(ACCENT if n else INK, 1.6, "" if n else "4 3")))
        drawn.append(Text((at + shift, 16 + 15 * n), word, 13, ACCENT if n else INK, end, True))  # type: ignore[arg-type]
    sheet = Sheet2D(PAPER, Fit(1, 0, 0), [Group("", "learned", tuple(drawn))])
    return write_svg(sheet, f"{len(values)} readings on a line")


def _heap(places: Sequence[float]) -> list[Circle]:
    """Dots, those of one place one above the other, closer where there are many."""
    piles: dict[int, int] = {}
    width = (RIGHT - LEFT) / BINS
    at = [round((p - LEFT) / width) for p in places]
    tallest = max(at.count(b) for b in set(at))
    rise = min(5.0, 52 / max(tallest, 1))
    out = []
    for b in at:
        n = piles[b] = piles.get(b, -1) + 1
        out.append(Circle((LEFT + b * width, LINE_Y - 6 - rise * n), 2.4, None, "#b09668"))
    return out


def _round_ticks(low: float, high: float) -> list[float]:
    step = 10 ** math.floor(math.log10((high - low) / 2))
    for times in (1, 2, 5):
        if (high - low) / (step * times) <= 7:
            step *= times
            break
    first = math.ceil(low / step)
    return [round(n * step, 6) for n in range(first, math.floor(high / step) + 1)]


def _tick(value: float, millimetres: bool, system: System) -> str:
    if not millimetres or system == "mm":
        return f"{value:g}".replace("-", "−")
    return ("−" if value < 0 else "") + inch_text(abs(value), 64)
