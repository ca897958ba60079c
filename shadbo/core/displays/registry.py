"""The displays, ready to build."""

from shadbo.core.displays.base import Display
from shadbo.core.displays.kinds import KINDS, module
from shadbo.core.job.job import Job

DISPLAYS: tuple[Display, ...] = tuple(module(kind, "build").DISPLAY for kind in KINDS)


def display_of(job: Job) -> Display:
    """The display that the job has chosen; the first that suits the piece when that one does not."""
    piece = job.pieces[0]
    chosen = next(d for d in DISPLAYS if d.home.kind == job.display)
    return chosen if chosen.suits(piece) else next(d for d in DISPLAYS if d.suits(piece))
