"""Data of every earlier version of the tables, as that program left it, in today's: opened, taken back, and seen."""

import json
import zipfile
from collections.abc import Iterator
from pathlib import Path

import pytest
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from shadbo.core.assess import assess
from shadbo.core.job.job import Job
from shadbo.store.backup import restore
from shadbo.store.database import engine
from shadbo.store.finding import Wanted
from shadbo.store.jobs import Jobs
from shadbo.store.photos import Photos
from shadbo.store.shops import shop_of
from tests.database import empty_database
from tests.store.landed import FILES

CHANGED = 101
PLANNED: list[Job] = []
VERSIONS = Path(__file__).parents[2] / "shadbo/store/migrations/versions"


@pytest.fixture(scope="module", params=FILES, ids=lambda f: f.stem)
def landed(request: pytest.FixtureRequest) -> Iterator[tuple[Engine, Path]]:
    """A database that one earlier program's data was restored into, and brought up to date."""
    with empty_database("landed") as url:
        restore(url, request.param)
        e = engine(url)
        yield e, request.param
        e.dispose()


def table(file: Path, name: str) -> list[dict[str, str]]:
    """The rows of one table of a backup, each by its columns, as text."""
    with zipfile.ZipFile(file) as whole:
        columns = json.loads(whole.read("manifest.json"))["tables"][name]["columns"]
        rows = whole.read(f"tables/{name}.copy").decode().splitlines()
    return [dict(zip(columns, row.split("\t"), strict=True)) for row in rows]


def test_there_is_data_of_every_version_of_the_tables():
    assert [f.stem for f in FILES] == sorted(v.name[:4] for v in VERSIONS.glob("0*.py"))


def test_every_job_opens_plans_and_stands_on_the_rack(landed: tuple[Engine, Path]):
    e, file = landed
    before = {int(row["id"]): row["title"] for row in table(file, "jobs")}
    assert before[CHANGED] == "Seen again"
    with Session(e) as s:
        jobs = Jobs(s, "netloft")
        titles = {}
        for n in before:
            _, job, shop = jobs.laid_out(n)
            titles[n] = job.title
            if job not in PLANNED:  # most are alike from program to program
                PLANNED.append(job)
                assert assess(job, shop).state
        assert titles == before
        assert before.keys() >= {row.id for row in jobs.rack(Wanted()).jobs} >= {CHANGED}


def test_the_past_is_there_and_goes_on_being_taken_back(landed: tuple[Engine, Path]):
    e, file = landed
    old = [row for row in table(file, "revisions") if int(row["job_id"]) == CHANGED]
    with Session(e) as s:
        jobs = Jobs(s, "netloft")
        assert len(jobs.revisions(CHANGED)) == len(old)
        assert jobs.get(CHANGED).job.pins["frame.inside_width.middle"].mm == 431
        assert jobs.redo(CHANGED, "on").job.title == "Seen a third time"
        for n in range(2):
            jobs.undo(CHANGED, f"back-{n}")
        assert jobs.get(CHANGED).job.pins["frame.inside_width.middle"].mm != 431
        first = min(int(row["version"]) for row in old)
        assert jobs.go_back(CHANGED, first, "first").job.title not in ("Seen again", "Seen a third time")
        s.rollback()


def test_stock_photographs_and_people_are_kept(landed: tuple[Engine, Path]):
    e, file = landed
    with Session(e) as s:
        said = json.loads(table(file, "workshops")[0]["shop"].replace("\\\\", "\\"))
        kept = {(kind, row["id"]) for kind, rows in said["stock"].items() for row in rows}
        now = shop_of(s, "netloft").model_dump(mode="json")["stock"]
        assert kept
        assert kept <= {(kind, row["id"]) for kind, rows in now.items() for row in rows}
        with zipfile.ZipFile(file) as whole:
            if "tables/photos.copy" in whole.namelist():
                (photo,) = [p for p in Photos(s, "netloft").of(CHANGED) if p.name == "teal.jpg"]
                assert Photos(s, "netloft").pixels(CHANGED, photo.id, small=False).startswith(b"\xff\xd8")
