"""Make the data of an earlier program: python -m tests.store.landed REVISION [REVISION ...]

That program's own code, out of the history, makes its tables and its demo workshop, changes a job three times,
takes the last change back and keeps a photograph; what stands in its database then is backed up beside this file,
by its tables' version.
PostgreSQL has to run, as for the tests.
"""

import os
import subprocess
import sys
import tempfile
from pathlib import Path

from shadbo.store.backup import back_up
from tests.database import empty_database

ROOT = Path(__file__).parents[3]
MOST_PHOTOS = 3
"""More of them tell nothing more, and fill the repository."""
WORK = """
import io
from importlib.util import find_spec
from PIL import Image
from sqlalchemy import text
from sqlalchemy.orm import Session
from shadbo.demo.load import load
from shadbo.store import jobs as store
from shadbo.store.database import engine

load()
with Session(engine()) as s, s.begin():
    jobs = store.Jobs(s, "netloft")
    def save(at, to, called):
        jobs.save(101, jobs.get(101).version, [store.Edit(at=at, to=to)], called)
    save("title", "Seen again", "one")
    save("pins/frame.inside_width.middle", {"mm": 431.0, "tool": "tape"}, "two")
    save("title", "Seen a third time", "three")
    jobs.undo(101, "back")
    if find_spec("shadbo.store.photos"):
        from shadbo.files.photo import take_in
        from shadbo.store.photos import Photos
        picture = io.BytesIO()
        Image.new("RGB", (60, 40), "teal").save(picture, "JPEG")
        Photos(s, "netloft").add(101, take_in(picture.getvalue()), "teal.jpg", "a-photo")
        s.execute(text("delete from photos where (job_id, id) not in"
                       " (select job_id, id from photos order by job_id = 101 desc, job_id, id limit MOST)"))
""".replace("MOST", str(MOST_PHOTOS))


def make(revision: str) -> Path:
    """The backup of one revision's data."""
    with tempfile.TemporaryDirectory() as there, empty_database("landed") as url:
        tree = subprocess.Popen(["git", "archive", revision], cwd=ROOT, stdout=subprocess.PIPE)
        subprocess.run(["tar", "-x", "-C", there], stdin=tree.stdout, check=True)
        env = {**os.environ, "PYTHONPATH": there, "SHADBO_DATABASE_URL": url}
        subprocess.run([sys.executable, "-c", WORK], cwd=there, env=env, check=True)
        part = Path(there) / "made.zip"
        manifest = back_up(url, part)
        out = Path(__file__).parent / f"{manifest.tables_version}.zip"
        out.write_bytes(part.read_bytes())
    return out


if __name__ == "__main__":
    for given in sys.argv[1:]:
        print(make(given))
