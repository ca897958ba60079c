"""A sixteenth display is one folder and one line: a copy of the program that gets them plans and keeps it."""

import json
import os
import shutil
import subprocess
import sys
from pathlib import Path

from tests.database import fresh_database

ROOT = Path(__file__).parents[2]
LINE = '    "frameless.ledge_rail",\n'


def test_a_sixteenth_display_is_one_folder_and_one_line(tmp_path: Path):
    shutil.copytree(ROOT / "shadbo", tmp_path / "shadbo", ignore=shutil.ignore_patterns("__pycache__"))
    shutil.copytree(ROOT / "tests/sixteenth", tmp_path / "sixteenth", ignore=shutil.ignore_patterns("__pycache__"))
    folder = tmp_path / "shadbo/core/displays/frameless/ledge_rail"
    shutil.move(tmp_path / "sixteenth/ledge_rail", folder)
    kinds = tmp_path / "shadbo/core/displays/kinds.py"
    before = kinds.read_text()
    kinds.write_text(before.replace('    "frameless.poster_rails",\n', '    "frameless.poster_rails",\n' + LINE))
    assert kinds.read_text() != before
    with fresh_database("shadbo_sixteenth") as (url, _):
        done = subprocess.run(
            [sys.executable, "sixteenth/runs.py", url],
            cwd=tmp_path,
            env={**os.environ, "PYTHONPATH": str(tmp_path)},
            capture_output=True,
            text=True,
            check=False,
        )
    assert done.returncode == 0, done.stderr[-3000:]
    got = json.loads(done.stdout)
    assert got["from"].startswith(str(tmp_path)), "the copy ran, not the program itself"
    assert got["displays"] == 16
    assert got["display"] == "Grooved ledge rail"
    assert got["lines"]["ledge.long"] == 370
    assert got["lines"]["groove.wide"] > 4
    assert {"edge", "front", "back"} <= set(got["drawn"])
    assert "options/ledge_rail/margin" in got["rows"]
    assert "pins/ledge.long" in got["rows"]
    assert (got["pinned"], got["margin"]) == (371, 35)
    assert got["frozen"], "what it is made of is kept at the first cut"
    assert all(got["papers"])
    assert "sum.broken" not in got["findings"]
