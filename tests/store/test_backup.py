"""Backup, restore, copies: byte-equal both ways, refused where damaged, kept by a rule."""

import datetime as dt
import json
import threading
import zipfile
from pathlib import Path

import psycopg
import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import text
from sqlalchemy.orm import Session

from shadbo.cli import main
from shadbo.store.backup import BadBackup, back_up, read_manifest, restore
from shadbo.store.copies import Copies, beside, copy_now, due, kept, told
from shadbo.store.database import VARIABLE, engine, migrate
from shadbo.store.exercises import Exercises
from shadbo.store.jobs import Jobs
from shadbo.store.scheduling import Scheduling
from shadbo.store.workshops import Workshops
from tests.database import demo_database
from tests.flat import SHOP
from tests.making import job, pin

FIRST = 101
FILLED = (
    "workshops", "jobs", "revisions", "photos", "shop_revisions", "people", "outlines", "feeds", "exercises",
)  # fmt: skip
NOW = dt.datetime(2026, 11, 25, 2, 10, tzinfo=dt.UTC)


@pytest.fixture(scope="module")
def full():
    """A database with the demo workshop: jobs, revisions, a photograph, stock."""
    with demo_database("full") as (url, e):
        with Session(e) as session, session.begin():
            jobs = Jobs(session, "netloft", "an apprentice")
            jobs.save(FIRST, jobs.laid_out(FIRST)[0], [pin("frame.inside_width.middle", 400)], "an-edit")
            schedule = Scheduling(session, "netloft")
            assert schedule.laid(dt.datetime.now(dt.UTC)).cases
            assert schedule.new_feed("an apprentice")
            assert Exercises(session, "netloft", "nobody").new(1, "mm")
        yield url


def rows(url: str) -> dict[str, int]:
    e = engine(url)
    try:
        with e.connect() as c:
            return {t: c.execute(text(f"select count(*) from {t}")).scalar_one() for t in FILLED}
    finally:
        e.dispose()


def test_what_is_restored_is_backed_up_to_the_same_bytes(full: str, tmp_path: Path):
    one, two = tmp_path / "one.zip", tmp_path / "two.zip"
    manifest = back_up(full, one)
    assert {t.name: t.rows for t in manifest.tables} == rows(full)
    assert rows(full)["photos"] > 1
    with beside(full, "restored_here", drop=True) as other:
        assert restore(other, one).tables == manifest.tables
        back_up(other, two)
        with Session(engine(other)) as session:
            jobs = Jobs(session, "netloft")
            assert jobs.get(FIRST).job.pins
    assert one.read_bytes() == two.read_bytes()


def test_a_backup_is_one_moment_while_people_work(full: str, tmp_path: Path):
    """Jobs and their revisions are written together; no backup ever has one without the other."""
    done = threading.Event()

    def work() -> None:
        e = engine(full)
        n = 0
        while not done.is_set():
            with Session(e) as session, session.begin():
                Jobs(session, "netloft", "busy").make(job(), f"busy-{n}")
            n += 1
        e.dispose()

    busy = threading.Thread(target=work)
    busy.start()
    try:
        for n in range(4):
            file = tmp_path / f"{n}.zip"
            back_up(full, file)
            with zipfile.ZipFile(file) as z:
                made = {tuple(x.split(b"\t")[:2]) for x in z.read("tables/jobs.copy").splitlines()}
                told_of = {tuple(x.split(b"\t")[:2]) for x in z.read("tables/revisions.copy").splitlines()}
            assert made == told_of
    finally:
        done.set()
        busy.join()


def test_a_full_installation_is_never_written_over(full: str, tmp_path: Path):
    file = tmp_path / "one.zip"
    back_up(full, file)
    before = rows(full)
    with pytest.raises(BadBackup, match="not empty"):
        restore(full, file)
    assert rows(full) == before


@pytest.mark.parametrize("how", ["cut short", "a bit turned", "a row less", "no manifest", "another format",
                                 "of the future", "tables of the future", "a table gone"])  # fmt: skip
def test_a_damaged_backup_is_refused_and_leaves_nothing(full: str, tmp_path: Path, how: str):
    good, bad = tmp_path / "good.zip", tmp_path / "bad.zip"
    back_up(full, good)
    damage(good, bad, how)
    with beside(full, "damaged_here", drop=True) as other:
        with pytest.raises(BadBackup):
            restore(other, bad)
        migrate(other)
        assert set(rows(other).values()) == {0}


def damage(good: Path, bad: Path, how: str) -> None:
    whole = good.read_bytes()
    if how == "cut short":
        bad.write_bytes(whole[: len(whole) // 2])
        return
    if how == "a bit turned":
        at = len(whole) // 2
        bad.write_bytes(whole[:at] + bytes([whole[at] ^ 16]) + whole[at + 1 :])
        return
    with zipfile.ZipFile(good) as z:
        parts = {n: z.read(n) for n in z.namelist()}
    manifest = json.loads(parts["manifest.json"])
    if how == "no manifest":
        del parts["manifest.json"]
    elif how == "another format":
        manifest["format"] = "a recipe"
    elif how == "of the future":
        manifest["version"] = 99
    elif how == "tables of the future":
        manifest["tables_version"] = "9999"
    elif how == "a table gone":
        del parts["tables/photos.copy"]
    elif how == "a row less":
        lines = parts["tables/jobs.copy"].splitlines(keepends=True)
        parts["tables/jobs.copy"] = b"".join(lines[:-1])
    if "manifest.json" in parts:
        parts["manifest.json"] = json.dumps(manifest).encode()
    with zipfile.ZipFile(bad, "w") as z:
        for name, data in parts.items():
            z.writestr(name, data)


def test_the_commands_write_and_bring_back(full: str, tmp_path: Path, monkeypatch: pytest.MonkeyPatch, capsys):
    monkeypatch.setenv(VARIABLE, full)
    file = tmp_path / "shop.zip"
    assert main(["backup", str(file)]) == 0
    assert "workshops" in capsys.readouterr().out
    assert main(["restore", str(file)]) == 2
    assert "not empty" in capsys.readouterr().err
    assert main(["restore", str(file), "--beside", "shadbo_beside_try"]) == 0
    try:
        assert rows(full.rsplit("/", 1)[0] + "/shadbo_beside_try") == rows(full)
        assert main(["restore", str(file), "--beside", "shadbo_beside_try"]) == 2
    finally:
        with psycopg.connect(full.replace("+psycopg", ""), autocommit=True) as c:
            c.execute("drop database shadbo_beside_try with (force)")
    assert main(["restore", str(tmp_path / "none.zip")]) == 2


def test_a_copy_is_good_when_it_was_read_back(full: str, tmp_path: Path):
    assert told(tmp_path) == Copies()
    assert due(tmp_path, NOW, 24)
    state = copy_now(full, tmp_path, NOW)
    assert state.good == "shadbo-2026-11-25T0210Z.zip"
    assert told(tmp_path) == state
    assert not due(tmp_path, NOW + dt.timedelta(hours=23), 24)
    assert due(tmp_path, NOW + dt.timedelta(hours=24), 24)
    read_manifest(tmp_path / state.good)


def test_what_a_killed_check_has_left_is_swept_and_what_is_in_use_is_not(full: str, tmp_path: Path):
    plain_url = full.replace("+psycopg", "")
    with psycopg.connect(plain_url, autocommit=True) as c:
        for name in ("shadbo_check_left", "shadbo_check_busy"):
            c.execute(f"create database {name}")
        with psycopg.connect(plain_url.rsplit("/", 1)[0] + "/shadbo_check_busy"):
            copy_now(full, tmp_path, NOW)
            found = {n for (n,) in c.execute("select datname from pg_database where datname like 'shadbo_check_%'")}
        c.execute("drop database shadbo_check_busy")
    assert found == {"shadbo_check_busy"}


def test_a_copy_that_fails_says_so_and_leaves_the_good_one(full: str, tmp_path: Path):
    good = copy_now(full, tmp_path, NOW)
    failed = copy_now(full.replace("@127", "x@127"), tmp_path, NOW + dt.timedelta(days=1))
    assert failed.good == good.good
    assert failed.said.startswith("failed")
    assert [p.name for p in tmp_path.glob("*.zip")] == [good.good]


@given(st.lists(st.integers(0, 20_000), min_size=1, max_size=60), st.integers(0, 20_000))
def test_the_rule_keeps_the_newest_and_few_of_the_old(hours: list[int], more: int):
    made = [NOW - dt.timedelta(hours=h) for h in hours]
    stay = kept(made, NOW)
    assert max(made) in stay
    assert stay <= set(made)
    assert len(stay) <= 7 + 4 + 12 + 1
    by_day = {at.date(): at for at in sorted(made)}
    for day in sorted(by_day, reverse=True)[:7]:
        assert by_day[day] in stay, "the newest of each of the last seven days that has one"
    later = kept(stay, NOW + dt.timedelta(hours=more))
    assert max(stay) in later


def test_the_first_days_of_a_year_are_days_of_their_own():
    """The week that ends a year numbers them with the year before: a copy would have counted as last January's."""
    made = [dt.datetime(2027, 1, 1, 2, tzinfo=dt.UTC), dt.datetime(2026, 1, 1, 2, tzinfo=dt.UTC)]
    daily = [dt.datetime(2026, 12, d, 2, tzinfo=dt.UTC) for d in range(20, 32)]
    stay = kept([*made, *daily], dt.datetime(2027, 1, 2, tzinfo=dt.UTC))
    assert {made[0], *daily[-6:]} <= stay
    two = kept([dt.datetime(2027, 1, 2, 2, tzinfo=dt.UTC), *made], dt.datetime(2027, 1, 3, tzinfo=dt.UTC))
    assert len(two) == 3


def test_a_workshop_of_the_demo_is_loaded_once_and_whole(full: str):
    with Session(engine(full)) as session, session.begin():
        assert not Workshops(session).add("netloft", SHOP)
