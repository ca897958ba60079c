"""The displays, ready to build."""

from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.base import Display
from shadbo.core.displays.kinds import KINDS, module
from shadbo.core.findings import Finding, Proposal
from shadbo.core.job.job import Job
from shadbo.core.pieces.pieces import Piece
from shadbo.core.words.words import both

DISPLAYS: tuple[Display, ...] = tuple(module(kind, "build").DISPLAY for kind in KINDS)


def display_of(job: Job) -> Display:
    """The display that the job has chosen; the first that suits the piece when that one does not."""
    piece = job.pieces[0]
    chosen = next(d for d in DISPLAYS if d.home.kind == job.display)
    return chosen if chosen.suits(piece) else next(d for d in DISPLAYS if d.suits(piece))


def others_of_set(job: Job) -> tuple[Piece, ...]:
    """Further pieces of the job that its display does not gather in one frame: each is framed by itself."""
    return () if display_of(job).gathers else job.pieces[1:]


def replaced(job: Job, display: Display) -> tuple[Finding, ...]:
    """That the chosen display does not take this piece, and which is planned instead; nothing where it does."""
    if display.home.kind == job.display or "display" not in job.model_fields_set:
        return ()
    chosen = next(d for d in DISPLAYS if d.home.kind == job.display)
    return (
        Finding(
            "display.replaced",
            "caution",
            "display",
            both(f"{chosen.name} does not take this piece; {display.name} is planned"),
            both(f"{chosen.name} takes {chosen.takes}"),
            proposals=(Proposal(both(f"Take {display.name}"), (Edit(at="display", to=display.home.kind),), 1),),
            by_hand=both("Pick one at the display's station."),
        ),
    )
