"""The displays. Adding one is a file here and a line in this list."""

from shadbo.core.displays.base import Ask, Display
from shadbo.core.displays.floater import Floater
from shadbo.core.displays.plain_floater import PlainFloater
from shadbo.core.job import Job

DISPLAYS: tuple[Display, ...] = (Floater(), PlainFloater())


def display_of(job: Job) -> Display:
    """The display that the job has chosen."""
    return next(d for d in DISPLAYS if d.kind == job.display)


__all__ = ["DISPLAYS", "Ask", "Display", "display_of"]
