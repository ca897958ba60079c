"""A job once more: the same pieces and decisions, with nothing cut yet."""

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.job.job import Job
from shadbo.core.shop.values import STORED

OF_THE_ONE = ("pins", "practice", "mark", "materials", "work", "handed_over", "received", "due", "guided")
"""What belongs to the one job and not to the next: what was cut, by which habits, and its days."""


def afresh(job: Job, first: str = "") -> Job:
    """The job without what was cut, read as built, photographed or dated, and how its pieces came and left.

    ``first`` is the piece that it is to be about: another one of a set, whose frame is alike outside and has its own
    sizes inside. It is called by that piece, and carries no price: what was agreed was agreed for the whole set.
    Raises BadEdit where the job has no such piece.
    """
    if first and all(p.id != first for p in job.pieces):
        raise BadEdit("first", "this job has no such piece", first)
    of_this_piece = {"picture": None, "condition": "", "leaves": ""}
    ordered = sorted(job.pieces, key=lambda p: bool(first) and p.id != first)
    pieces = tuple(p.model_copy(update=of_this_piece) for p in ordered)
    more = {"title": _called(job, first), "agreed": None} if first else {}
    written = job.model_copy(update={"pieces": pieces, **more}).as_written()
    return Job.model_validate({k: v for k, v in written.items() if k not in OF_THE_ONE}, context=STORED)


def _called(job: Job, first: str) -> str:
    """What the job about one piece of a set is called: by its name, or by which of them it is."""
    at, piece = next((n, p) for n, p in enumerate(job.pieces, 1) if p.id == first)
    title = f"{job.title[:180]}, {at} of {len(job.pieces)}" if job.title else ""
    return piece.name or title
