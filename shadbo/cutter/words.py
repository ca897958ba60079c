"""What the cutter tells, in words."""

from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, way
from shadbo.cutter.protocol import Progress


def told(p: Progress) -> Both:
    """How far a cut is, as a sentence in both systems."""
    match p.state:
        case "done":
            text = way(p.path_mm)
            return Both(f"Done: {text.mm} of cut", f"Done: {text.inch} of cut")
        case "stopped":
            text, rest = way(p.done_mm), "of cut; the blade is lifted"
            return Both(*(f"Stopped at {p.opening} after {t} {rest}" for t in (text.mm, text.inch)))
        case "waiting":
            return both(f"waits its turn, {p.seconds_left:.0f} s")
        case _:
            return both(f"cutting {p.opening}, {p.seconds_left:.0f} s to go")
