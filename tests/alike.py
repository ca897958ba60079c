"""What is asked of things that are alike is tried once: of equal pieces the first, of equal builds one job."""

from collections.abc import Callable, Iterable

from shadbo.core.job.job import Job


def builds(jobs: Iterable[Job]) -> dict[str, Job]:
    """One job for each display and set of pieces, by its title."""
    first: dict[tuple[object, ...], Job] = {}
    for job in jobs:
        kinds = tuple(sorted({p.detail.kind for p in job.pieces}))
        first.setdefault((job.display, kinds, len(job.pieces) > 1, bool(job.pins), job.frame is not None), job)
    return {job.title: job for job in first.values()}


def place(job: Job, at: str) -> str:
    """A place in a job, its piece named by what it is: equal for equal pieces.

    >>> place(Job(), "pieces/piece/detail/depth")
    'pieces/stretched canvas/detail/depth'
    """
    kinds = {p.id: f"{p.detail.kind} {getattr(p.detail, 'sort', '')}".strip() for p in job.pieces}
    return "/".join(kinds.get(name, name) for name in _names(at, kinds))


def _names(at: str, kinds: dict[str, str]) -> list[str]:
    """Its names; the lines of a piece, which carry its id within a name, apart."""
    names = []
    for name in at.split("/"):
        parts = name.split(".")
        names.append(".".join(kinds.get(p, p) for p in parts) if parts[0] == "item" else name)
    return names


def first_asked(jobs: dict[str, Job], asked: Callable[[Job], Iterable[str]]) -> dict[str, set[str]]:
    """By job, the places that none before it of the same display has: the rest is tried there already."""
    seen: set[tuple[str, str]] = set()
    out = {}
    for title, job in jobs.items():
        new = {at: (job.display, place(job, at)) for at in asked(job)}
        out[title] = {at for at, what in new.items() if what not in seen}
        seen |= set(new.values())
    return out
