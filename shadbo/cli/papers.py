"""Everything that goes to the bench on paper, and to machines as files, written into one folder."""

from collections.abc import Iterator
from pathlib import Path

from shadbo.core.assess import assess
from shadbo.core.drawing.tiles import PAGES
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.files.papers import papers_of


def write_papers(job: Job, shop: Shop, folder: Path, page_name: str) -> Iterator[str]:
    """Write what this plan has use for, and tell each file's name. OSError where the folder cannot be written."""
    plan = assess(job, shop)
    folder.mkdir(parents=True, exist_ok=True)
    for paper in papers_of(plan, shop.system):
        (folder / paper.name).write_bytes(paper.make(plan, PAGES[page_name], shop.system, 0))
        yield paper.name
