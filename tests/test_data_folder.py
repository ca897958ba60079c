"""The data folder: no start deletes anything; what is missing is mended, what cannot be read is refused."""

import os
import shutil
import signal
import subprocess
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

import psycopg
import pytest

ROOT = Path(__file__).parents[1]
NAME = "pg-try"


@pytest.fixture
def base() -> Iterator[Path]:
    """A place of the test's own that the server's user can reach."""
    folder = Path(tempfile.mkdtemp(prefix="shadbo-try-", dir="/var/tmp"))
    folder.chmod(0o755)
    yield folder
    sh(folder, f"stop_postgres {NAME}", check=False)
    shutil.rmtree(folder, ignore_errors=True)


def sh(base: Path, script: str, check: bool = True, var: str = "var") -> subprocess.CompletedProcess[str]:
    head = f'source "{ROOT}/script/lib/common.sh"; VAR="{base}/{var}"; LOGS="$VAR/log"; mkdir -p "$LOGS"; '
    env = {**os.environ, "SHADBO_LIB": str(base / "lib")}
    env.pop("SHADBO_DATABASE_URL", None)
    done = subprocess.run(
        ["bash", "-c", f'{head}source "{ROOT}/script/lib/postgres.sh"; {script}'],
        capture_output=True, text=True, env=env, check=False, timeout=120,
    )  # fmt: skip
    assert not check or done.returncode == 0, done.stderr
    return done


def start(base: Path, var: str = "var") -> str:
    said = sh(base, f'start_postgres {NAME} fsync=off; echo "$SHADBO_DATABASE_URL"', var=var)
    return said.stdout.strip().splitlines()[-1].replace("+psycopg", "")


def stop(base: Path) -> None:
    sh(base, f"stop_postgres {NAME}")


def write(url: str) -> None:
    with psycopg.connect(url) as c:
        c.execute("create table if not exists kept (n int)")
        c.execute("insert into kept values (284)")


def kept(url: str) -> int:
    with psycopg.connect(url) as c:
        row = c.execute("select count(*) from kept").fetchone()
    assert row is not None
    return int(row[0])


def test_a_missing_secret_is_made_anew_and_the_data_stays(base: Path):
    write(start(base))
    (base / "var" / f"{NAME}.secret").unlink()  # while it runs
    assert kept(start(base)) == 1
    stop(base)
    (base / "var" / f"{NAME}.secret").write_text("not the word\n")  # and another one while it does not
    assert kept(start(base)) == 1


def test_a_copied_folder_starts_with_its_data(base: Path):
    write(start(base))
    stop(base)
    shutil.copytree(base / "var", base / "copy", copy_function=shutil.copy2)
    if os.geteuid() == 0:
        subprocess.run(["chown", "-R", "postgres:postgres", base / "copy" / NAME], check=True)
    assert kept(start(base, "copy")) == 1
    sh(base, f"stop_postgres {NAME}", var="copy")
    assert kept(start(base)) == 1


def test_what_is_no_whole_database_is_refused_and_left_as_it_is(base: Path):
    data = base / "var" / NAME / "data"
    data.mkdir(parents=True)
    (data / "letters.txt").write_text("somebody's")
    done = sh(base, f"start_postgres {NAME}", check=False)
    assert done.returncode != 0
    assert "Nothing was changed" in done.stderr
    assert (data / "letters.txt").read_text() == "somebody's"


def test_another_version_is_named_with_the_way_out(base: Path):
    write(start(base))
    stop(base)
    version = base / "var" / NAME / "data" / "PG_VERSION"
    now = version.read_text()
    version.write_text("9.4\n")
    done = sh(base, f"start_postgres {NAME}", check=False)
    assert done.returncode != 0
    assert "PostgreSQL 9.4's" in done.stderr
    assert "pg_upgrade" in done.stderr
    version.write_text(now)
    assert kept(start(base)) == 1


def test_a_first_start_that_was_interrupted_leaves_nothing_half_made(base: Path):
    half = base / "var" / NAME / "new.AAAAAA"
    half.mkdir(parents=True)
    (half / "PG_VERSION").write_text("15\n")
    url = start(base)
    write(url)
    assert kept(url) == 1
    assert half.exists(), "not even that is deleted"


def test_a_server_that_died_is_started_again_at_its_port(base: Path):
    url = start(base)
    write(url)
    data = base / "var" / NAME / "data"
    watch = subprocess.Popen(
        ["bash", "-c", f'source "{ROOT}/script/lib/common.sh"; VAR="{base}/var"; LOGS="$VAR/log"; '
         f'source "{ROOT}/script/lib/postgres.sh"; start_postgres {NAME} fsync=off; watch_postgres {NAME}'],
        stderr=subprocess.DEVNULL, start_new_session=True,
    )  # fmt: skip
    try:
        time.sleep(1.5)
        os.kill(int((data / "postmaster.pid").read_text().split()[0]), signal.SIGKILL)
        end = time.monotonic() + 60
        while True:
            try:
                assert kept(url) == 1
                break
            except psycopg.OperationalError:
                assert time.monotonic() < end, "it was not started again"
                time.sleep(0.2)
    finally:
        os.killpg(watch.pid, signal.SIGKILL)
        watch.wait()


def test_one_of_two_that_stops_leaves_the_server_to_the_other(base: Path):
    two = (
        f'start_postgres {NAME} fsync=off; ( exec {{PG_USED}}>&-; source "{ROOT}/script/lib/postgres.sh"; '
        f"unset PG_USED PG_HOME; start_postgres {NAME}; stop_postgres {NAME} ); "
        f'as_pg "$PG_BIN/pg_ctl" -D "$PG_HOME/data" status >/dev/null && echo still there'
    )
    assert "still there" in sh(base, two).stdout


def test_a_run_that_fails_stops_its_server_too(base: Path):
    failed = sh(base, f"trap 'stop_postgres {NAME}' EXIT; start_postgres {NAME} fsync=off; false", check=False)
    assert failed.returncode == 1
    up = f'as_pg "$PG_BIN/pg_ctl" -D "$(pg_home {NAME})/data" status >/dev/null && echo up || echo stopped'
    assert "stopped" in sh(base, up).stdout


@pytest.mark.skipif(os.geteuid() != 0, reason="only root hands the server to another user")
def test_where_the_servers_user_cannot_reach_the_checkout_the_data_is_in_a_folder_that_nobody_sweeps(base: Path):
    (base / "closed").mkdir(mode=0o700)
    (base / "closed").chmod(0o700)
    write(start(base, "closed/var"))
    sh(base, f"stop_postgres {NAME}", var="closed/var")
    assert list((base / "lib").glob("*/data/PG_VERSION"))
    assert kept(start(base, "closed/var")) == 1
    sh(base, f"stop_postgres {NAME}", var="closed/var")
