"""Flat work in job files and on the terminal: round trips, and a plan that a framer can build from."""

import json
import subprocess
import sys
from pathlib import Path

import pytest

from shadbo.core.advise import advise
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.job.edits import apply
from shadbo.demo.jobs import demo_jobs
from shadbo.files import job_file
from shadbo.files.plan_table import as_csv, as_data, as_text
from tests.flat import SHOP, job

JOBS = {j.title: j for j in demo_jobs()}


@pytest.mark.parametrize("title", JOBS)
def test_a_job_goes_to_its_file_and_back(title: str):
    the_job = JOBS[title]
    text = job_file.write(the_job)
    assert job_file.read(text) == the_job
    assert job_file.write(job_file.read(text)) == text
    written = json.loads(text)
    assert all(p["detail"]["kind"] == q.detail.kind for p, q in zip(written["pieces"], the_job.pieces, strict=True))


@pytest.mark.parametrize("title", JOBS)
def test_the_plan_on_the_terminal_says_what_to_cut_and_how_to_hold_it(title: str):
    p = advise(JOBS[title], SHOP)
    text = as_text(p)
    assert "TO CUT" in text
    assert "MOUNT: " in text
    assert "CLOSE & HANG: " in text
    for part in p.assembly.parts:
        if part.to_cut and part.length is not None:
            assert f"{part.count} × {part.called}" in text
            assert f"{part.length.value:g}" in text
    for finding in p.findings:
        assert finding.title.mm in text
    assert as_csv(p).count("\n") == len(p.desk.sheet.named) + 1
    data = as_data(p)
    assert data["display"] == p.display.home.kind
    assert [s["name"] for s in data["stations"]][-1] == "hang"
    told = [c for s in (*data["stations"], *data["steps"]) for c in s["cautions"]]
    assert any("drill" in c or "Wall" in c for c in told)
    assert data["steps"][0]["id"] == "receive"
    assert json.loads(json.dumps(data)) == data


def test_the_command_plans_a_file_of_flat_work(tmp_path: Path):
    path = tmp_path / "job.json"
    path.write_text(job_file.write(JOBS["Compass rose, quilted"]))
    done = subprocess.run([sys.executable, "-m", "shadbo", "plan", str(path)], capture_output=True, text=True)
    assert done.returncode == 0, done.stderr
    assert "Needlework frame" in done.stdout
    assert "STOP: The cloth is 10 mm too short" in done.stdout
    assert "Border 15 mm" in done.stdout


BAD = {
    "kind": ("pieces/piece/detail/kind", "tapestry"),
    "thickness of nothing": ("pieces/piece/detail/thickness", {"mm": 0}),
    "a reading with words": ("pieces/piece/detail/margin_top", {"typed": "about a hand"}),
    "a field of another kind": ("pieces/piece/detail/bar_face", {"mm": 40}),
    "a mount without a name": ("options/window_mat/mount", ""),
    "an option that there is none of": ("options/window_mat/colour", "blue"),
    "a border as a word": ("options/window_mat/border", "wide"),
    "a length below nothing": ("options/window_mat/overlap", {"mm": -4}),
    "a fact that is neither": ("pieces/piece/facts/may_be_glued", "perhaps"),
    "a demand that nobody makes": ("hanging/demands", ["gold leaf"]),
    "a mark on no edge": ("pieces/piece/edge_marks/m", {"side": "middle", "inside": {"mm": 3}}),
    "a rabbet deeper than its moulding": (
        "options/window_mat/profile",
        {"id": "x", "name": "x", "face_mm": 20, "height_mm": 15, "rabbet_mm": 15, "lip_mm": 6},
    ),
}


@pytest.mark.parametrize("name", BAD)
def test_bad_input_says_where(name: str):
    from shadbo.core.job.edits import as_typed

    at, to = BAD[name]
    with pytest.raises(BadEdit) as bad:
        apply(job("window mat", "paper"), as_typed([Edit(at=at, to=to)], "mm"))
    assert bad.value.at.split("/")[0] == at.split("/")[0]
    assert bad.value.message


def test_a_file_of_the_first_days_without_a_kind_is_a_canvas():
    text = json.dumps({"format": "shadbo-job", "version": 1, "pieces": [{"id": "p", "detail": {"keyed": False}}]})
    read = job_file.read(text)
    assert read.pieces[0].detail.kind == "stretched canvas"
    assert read.pieces[0].detail.keyed is False
