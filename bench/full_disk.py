"""A full disk while people save: python -m bench.full_disk, as root (it mounts a small tmpfs for a cluster).

Four people save; a ballast file fills the disk; then room is made. Prints the answers while it was full, and what was
acknowledged, lost and doubled in the end.
"""

import contextlib
import os
import shutil
import subprocess
import tempfile
import threading
import time
from collections import Counter
from collections.abc import Iterator
from pathlib import Path

import psycopg

from bench.common import machine
from bench.kills import Person, count
from shadbo.demo.load import load
from shadbo.store.backup import plain
from tests.server import Server, free_port

SIZE_MB = 220
FULL_S = 12
BIN = sorted(Path("/usr/lib/postgresql").glob("*/bin"))[-1]


def as_postgres(*command: str) -> None:
    """Run something as the database's own user."""
    subprocess.run(["setpriv", "--reuid=postgres", "--regid=postgres", "--clear-groups", *command], check=True,
                   stdout=subprocess.DEVNULL, cwd="/")  # fmt: skip


@contextlib.contextmanager
def small_disk() -> Iterator[Path]:
    """A tmpfs that is soon full."""
    folder = Path(tempfile.mkdtemp(prefix="shadbo-full-", dir="/var/tmp"))
    subprocess.run(["mount", "-t", "tmpfs", "-o", f"size={SIZE_MB}m", "tmpfs", str(folder)], check=True)
    try:
        shutil.chown(folder, "postgres", "postgres")
        yield folder
    finally:
        subprocess.run(["umount", "-l", str(folder)], check=True)
        folder.rmdir()


@contextlib.contextmanager
def database(folder: Path) -> Iterator[str]:
    """A cluster on it; the address of its database."""
    data, port = folder / "data", free_port()
    as_postgres(str(BIN / "initdb"), "-D", str(data), "-U", "shadbo", "-A", "trust", "-E", "UTF8", "--locale=C.UTF-8")
    options = f"-p {port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_wal_size=48MB"
    start = [str(BIN / "pg_ctl"), "-D", str(data), "-w", "-o", options, "-l", str(folder / "log"), "start"]
    as_postgres(*start)
    done = threading.Event()

    def watch() -> None:
        """As the demo does: started again where it has died, as soon as there is room."""
        while not done.wait(1):
            if subprocess.run(
                [str(BIN / "pg_isready"), "-h", "127.0.0.1", "-p", str(port)], capture_output=True
            ).returncode:
                with contextlib.suppress(subprocess.CalledProcessError):
                    as_postgres(*start)

    keeper = threading.Thread(target=watch)
    keeper.start()
    try:
        yield f"postgresql+psycopg://shadbo@127.0.0.1:{port}/postgres"
    finally:
        done.set()
        keeper.join()
        as_postgres(str(BIN / "pg_ctl"), "-D", str(data), "-m", "immediate", "stop")


class Heard(Person):
    """Somebody who also counts the answers."""

    answers: Counter[int] = Counter()

    def _send(self, method: str, path: str, body: dict[str, object]) -> int:
        status = super()._send(method, path, body)
        self.answers[status] += 1
        return status


def fill(file: Path) -> None:
    """Write until nothing more goes on the disk."""
    with contextlib.suppress(OSError), file.open("ab", buffering=0) as out:
        while True:
            out.write(bytes(64 * 1024))


def main() -> None:
    """Save, fill, make room, count, print."""
    if os.geteuid() != 0:
        raise SystemExit("as root: it mounts a disk")
    print(machine(), f"— a disk of {SIZE_MB} MB")
    with small_disk() as disk, database(disk) as url:
        load(url)
        server = Server(url, "full", processes=2)
        server.start()
        done = threading.Event()
        people: list[Person] = [Heard(server.url, 101 + n, done) for n in range(4)]
        threads = [threading.Thread(target=p.run) for p in people]
        for t in threads:
            t.start()
        time.sleep(3)
        before, Heard.answers = dict(Heard.answers), Counter()
        ballast = disk / "ballast"
        end = time.monotonic() + FULL_S
        while time.monotonic() < end:
            fill(ballast)
            time.sleep(0.2)
        full, Heard.answers = dict(Heard.answers), Counter()
        ballast.unlink()
        time.sleep(12)
        done.set()
        for t in threads:
            t.join()
        acknowledged, lost, doubled = count(url, people)
        after = dict(Heard.answers)
        with psycopg.connect(plain(url)) as c:
            c.execute("select count(*) from jobs")
        server.kill()
    print(f"answers before {before}, while full {full}, after {after} (0: no answer)")
    print(f"acknowledged {acknowledged}, lost {lost}, doubled {doubled}")


if __name__ == "__main__":
    main()
