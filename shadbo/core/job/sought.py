"""All that is written of a job, in one line that it is found by."""

from shadbo.core.job.job import Job
from shadbo.core.words.folding import folded

MOST = 8000


def sought(job: Job, number: int) -> str:
    """Number, title, owner, how they are reached, place, notes; of each piece its name, maker, condition and kind."""
    of_job = [str(number), job.title, job.owner.name, job.owner.contact, job.note, job.hanging.place]
    of_pieces = [t for p in job.pieces for t in (p.name, p.maker, p.condition, p.never, p.no_go, p.noun)]
    return folded(" ".join((*of_job, *of_pieces)))[:MOST]
