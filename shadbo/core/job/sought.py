"""All that is written of a job, in one line that it is found by."""

from collections.abc import Iterator

from pydantic import BaseModel

from shadbo.core.job.job import Job
from shadbo.core.shop.values import Length, Reading
from shadbo.core.words.folding import folded

MOST = 8000


def sought(job: Job, number: int) -> str:
    """Number, title, owner, how they are reached, place, notes; of each piece its name, maker, condition and kind.

    Then what it is made of, by name, its finish, the years it was here, and every size that was read.
    """
    of_job = [str(number), job.title, job.owner.name, job.owner.contact, job.note, job.hanging.place]
    of_pieces = [t for p in job.pieces for t in (p.name, p.maker, p.condition, p.leaves, p.never, p.no_go, p.noun)]
    years = {str(day.year) for day in (job.received, job.handed_over) if day is not None}
    of_work = [*sorted(years), *(done.note for done in job.work.values())]
    of_build = [job.display, job.finish, *dict.fromkeys(_names(job)), *of_work]
    return folded(" ".join((*of_job, *of_pieces, *of_build, *_sizes(job))))[:MOST]


def _names(job: Job) -> Iterator[str]:
    """Materials that it keeps and that were chosen for it, by the names that they are sold by."""
    left: list[object] = [
        job.materials.model_dump(exclude_defaults=True),
        job.options.model_dump(exclude_defaults=True),
    ]
    while left:
        part = left.pop(0)
        if isinstance(part, dict):
            left += part.values()
            if isinstance(part.get("name"), str):
                yield part["name"]
        elif isinstance(part, list | tuple):
            left += part


def _sizes(job: Job) -> Iterator[str]:
    """Readings of its pieces as they were typed."""
    for piece in job.pieces:
        for _, value in piece.detail:
            if isinstance(value, Reading | Length):
                yield value.typed or f"{value.mm:g}"
            elif isinstance(value, BaseModel):
                yield from (v.typed or f"{v.mm:g}" for _, v in value if isinstance(v, Reading | Length))
