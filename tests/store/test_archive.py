"""The open archive: out and in again without a byte's difference; refused where damaged, cut off or newer."""

import csv
import io
import json
import zipfile
from collections.abc import Iterator
from pathlib import Path

import pytest
from sqlalchemy import Engine, func, select, text
from sqlalchemy.orm import Session

from shadbo.cli import main
from shadbo.core.decisions.edit import Edit
from shadbo.store.archive import Archives
from shadbo.store.database import VARIABLE
from shadbo.store.jobs import Jobs
from shadbo.store.models import JobRow
from shadbo.store.photos import Photos
from shadbo.store.unarchive import BadArchive, Taken, read_in
from shadbo.store.workshops import Stockroom
from tests.database import demo_database, fresh_database
from tests.making import pin

SHIRT, JOBS = 118, 43


@pytest.fixture(scope="module")
def full() -> Iterator[tuple[str, Engine]]:
    """The demo's workshop, with a change of its stock, a change taken back and a photograph laid aside."""
    with demo_database("archived") as (url, e):
        with Session(e) as s, s.begin():
            jobs = Jobs(s, "netloft", "Hedda Sorrel")
            jobs.save(101, jobs.laid_out(101)[0], [pin("frame.inside_width.middle", 926.5)], "an-edit")
            jobs.undo(101, "undo-it")
            jobs.shelve(116, "archive")
            Stockroom(s, "netloft", "Hedda Sorrel").change(
                lambda shop: (shop.model_copy(update={"name": "Netloft & Co."}), "Name"), "a-name"
            )
            Photos(s, "netloft").remove(SHIRT, Photos(s, "netloft").of(SHIRT)[0].id)
        yield url, e


def written(e: Engine) -> bytes:
    out = io.BytesIO()
    with Session(e) as s, s.begin():
        Archives(s, "netloft").of_all(out)
    return out.getvalue()


@pytest.fixture(scope="module")
def archive(full) -> bytes:
    """Of the whole workshop, written once: its drawings cost more than all that is asked of it."""
    return written(full[1])


def taken(e: Engine, data: bytes, workshop: str = "netloft") -> Taken:
    with Session(e) as s, s.begin():
        return read_in(s, io.BytesIO(data), workshop)


def test_a_workshop_goes_to_an_empty_installation_and_back_byte_equal(full, archive):
    once = archive
    with fresh_database("archived_there") as (_, there):
        said = taken(there, once)
        assert (said.jobs, said.people) == (JOBS, 4)
        assert said.photos > 1
        assert written(there) == once
        with Session(there) as s:
            jobs = Jobs(s, "netloft")
            assert [r.kind for r in jobs.revisions(101)][:2] == ["undo", "edit"]
            assert jobs.get(101).can_redo
            assert jobs.shop().name == "Netloft & Co."
            assert [x.id for x in jobs.find(shelf="archive")] == [116]
            assert len(Photos(s, "netloft").aside(SHIRT)) == 1
            with Session(full[1]) as here:
                listed = [(x.id, x.state, x.worst, x.says_mm) for x in jobs.find()]
                assert listed == [(x.id, x.state, x.worst, x.says_mm) for x in Jobs(here, "netloft").find()]
        with pytest.raises(BadArchive, match="already"):
            taken(there, once)
        assert taken(there, once, "another").jobs == JOBS, "under another name it stands beside it"


def test_any_other_program_can_read_it(full):
    with Session(full[1]) as s:
        archive = zipfile.ZipFile(io.BytesIO(Archives(s, "netloft").of_job(101)))
    names = archive.namelist()
    home = "jobs/00101"
    job = json.loads(archive.read(f"{home}/job.json"))
    assert (job["format"], job["title"]) == ("shadbo-job", "Allotment sheds, August")
    rows = list(csv.reader(io.StringIO(archive.read(f"{home}/read/record.csv").decode())))
    made = {row[1]: row[2:5] for row in rows if row[0] == "size"}
    assert any(row[2] for row in made.values())
    steps = [row for row in rows if row[0] == "step"]
    assert steps[1][1:3] == ["Take the piece in", "Hedda Sorrel"]
    assert any("cut again" in row[-1] for row in steps)
    assert archive.read(f"{home}/read/front.svg").startswith(b"<svg")
    assert f"{home}/read/cut-list.csv" in names
    assert json.loads(archive.read("manifest.json"))["files"].keys() == {n for n in names[:-1] if "/read/" not in n}


def test_a_job_goes_into_another_workshop_under_its_number_or_the_next(full):
    with Session(full[1]) as s:
        alone = Archives(s, "netloft").of_job(SHIRT)
    with Session(full[1]) as s:
        assert read_in(s, io.BytesIO(alone), "netloft") == Taken(1, len(Photos(s, "netloft").of(SHIRT)) + 1, 0)
        jobs = Jobs(s, "netloft", "Hedda Sorrel")
        twin = jobs.get(126)
        assert twin.job == jobs.get(SHIRT).job
        assert len(jobs.revisions(126)) == len(jobs.revisions(SHIRT))
        saved = jobs.save(126, twin.version, [Edit(at="note", to="once more")], "after-it")
        assert saved.version == twin.version + 1
        again = Archives(s, "netloft").of_job(126)
        assert again != alone, "it stands under another number, and was changed"
        s.rollback()
    with Session(full[1]) as s, pytest.raises(BadArchive, match="no workshop"):
        read_in(s, io.BytesIO(alone), "elsewhere")


@pytest.mark.parametrize("at", [0.0, 0.1, 0.5, 0.9, 0.9999])
def test_an_archive_that_was_cut_off_is_refused_whole(archive, at):
    data = archive
    with fresh_database("archived_cut") as (_, there):
        with pytest.raises(BadArchive, match=r"cut off|no archive"):
            taken(there, data[: int(len(data) * at)])
        with Session(there) as s:
            assert s.scalar(select(func.count()).select_from(JobRow)) == 0


def changed(data: bytes, name: str, content: bytes | None, manifest: dict | None = None) -> bytes:
    """The archive with one file another, or gone; the manifest as it was, or with other fields."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as old, zipfile.ZipFile(out, "w") as new:
        for info in old.infolist():
            body = old.read(info.filename)
            if info.filename == name:
                if content is None:
                    continue
                body = content
            if info.filename == "manifest.json" and manifest:
                body = json.dumps(json.loads(body) | manifest).encode()
            new.writestr(info.filename, body)
    return out.getvalue()


@pytest.mark.parametrize(
    ("name", "content", "manifest", "says"),
    [
        ("jobs/00105/job.json", b"{}", None, "jobs/00105/job.json: it is not what was written"),
        ("jobs/00105/job.json", None, None, "jobs/00105/job.json: it is missing"),
        ("manifest.json", b"{", None, "manifest.json: no JSON"),
        ("manifest.json", b"[]", None, "manifest.json: found no"),
        ("manifest.json", None, None, "manifest.json: it is missing"),
        ("", None, {"version": 2}, "version 2; this program reads 1 to 1"),
        ("", None, {"version": "new"}, "version new"),
        ("", None, {"holds": "a boat"}, "does not say what it holds"),
        ("", None, {"files": {}}, "nobody wrote it"),
        ("", None, {"last_job": "many"}, "not as it should be"),
    ],
)
def test_what_is_not_as_it_was_written_is_said_where_and_nothing_is_read(archive, name, content, manifest, says):
    bad = changed(archive, name, content, manifest)
    with fresh_database("archived_bad") as (_, there):
        with pytest.raises(BadArchive, match=says):
            taken(there, bad)
        with there.connect() as c:
            assert c.execute(text("select count(*) from workshops")).scalar() == 0


def test_export_and_import_from_the_command_line(full, tmp_path: Path, monkeypatch, capsys):
    monkeypatch.setenv(VARIABLE, full[0])
    whole, one, again = tmp_path / "shop.zip", tmp_path / "one.zip", tmp_path / "again.zip"
    assert main(["export", str(whole)]) == 0
    assert f"{JOBS} jobs" in capsys.readouterr().out
    assert main(["export", str(one), "--job", "101"]) == 0
    assert main(["export", str(one), "--job", "999"]) == 2
    assert main(["export", str(one), "--workshop", "nowhere"]) == 2
    assert "nowhere" in capsys.readouterr().err
    with fresh_database("archived_cli") as (url, _):
        monkeypatch.setenv(VARIABLE, url)
        assert main(["import", str(one)]) == 2
        assert main(["import", str(whole)]) == 0
        assert f"{JOBS} jobs" in capsys.readouterr().out
        assert main(["import", str(whole)]) == 2
        assert main(["export", str(again)]) == 0
        assert again.read_bytes() == whole.read_bytes()
        assert main(["import", str(one)]) == 0
        assert "1 job" in capsys.readouterr().out
    (tmp_path / "none.zip").write_text("no archive")
    assert main(["import", str(tmp_path / "none.zip")]) == 2
    assert "no archive" in capsys.readouterr().err
