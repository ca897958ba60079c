import csv
import io
import json
import subprocess
import sys
from pathlib import Path

import jsonschema
import pytest

from shadbo.cli import main
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files import job_file


@pytest.fixture
def a_file(tmp_path: Path) -> Path:
    path = tmp_path / "job.json"
    path.write_text(job_file.write(demo_jobs()[2]), encoding="utf-8")
    return path


def test_plan_as_text(a_file: Path, capsys: pytest.CaptureFixture[str]):
    assert main(["plan", str(a_file)]) == 0
    out = capsys.readouterr().out
    assert "Lifeboat crew, night launch — Floater, to solve" in out
    assert "STOP: The canvas stands 12 mm proud" in out
    assert "Accept proud 12 mm" in out


def test_plan_as_csv(a_file: Path, capsys: pytest.CaptureFixture[str]):
    assert main(["plan", str(a_file), "--csv"]) == 0
    rows = list(csv.DictReader(io.StringIO(capsys.readouterr().out)))
    assert list(rows[0]) == ["key", "label", "value", "unit", "inch", "plus_minus", "source"]
    by_key = {r["key"]: r for r in rows}
    assert by_key["rail.width"]["value"] == "786.5"
    assert by_key["rail.width"]["plus_minus"] == "", "an instruction carries no plus-minus"
    assert by_key["canvas.depth"]["inch"] == "1 23/32"
    assert by_key["canvas.depth"]["source"] == "rule"
    assert float(by_key["gap.least"]["plus_minus"]) > 0


def test_plan_as_json_is_the_whole_plan(a_file: Path, capsys: pytest.CaptureFixture[str]):
    assert main(["plan", str(a_file), "--json"]) == 0
    data = json.loads(capsys.readouterr().out)
    assert data["state"] == "to solve"
    assert {"lines", "parts", "joins", "hanging", "findings", "job"} <= set(data)
    line = next(x for x in data["lines"] if x["key"] == "pad.wanted")
    assert [t["key"] for t in line["working"] if t["key"]] == ["frame.inside_depth", "face.wanted", "canvas.depth"]
    assert data["findings"][0]["remedies"][0]["edits"]
    assert job_file.read(json.dumps(data["job"])) == demo_jobs()[2]


def test_a_shop_file_counts(a_file: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]):
    inches = demo_shop().model_copy(update={"mark": "1/16 in"})
    shop = tmp_path / "shop.json"
    shop.write_text(inches.model_dump_json())
    assert main(["plan", str(a_file), "--shop", str(shop), "--csv"]) == 0
    rows = {r["key"]: r for r in csv.DictReader(io.StringIO(capsys.readouterr().out))}
    sixteenths = float(rows["rail.width"]["value"]) / 25.4 * 16
    assert sixteenths == pytest.approx(round(sixteenths), abs=1e-3)


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"{", "line 1, column 2"),
        (
            b'{"format": "shadbo-job", "version": 1, "pins": {"rail.width": {"mm": -2}}}',
            "pins/rail.width/mm: found -2",
        ),
        (b"\xff\xfe", "UTF-8"),
    ],
)
def test_a_bad_file_ends_with_status_2(tmp_path: Path, content: bytes, says: str, capsys: pytest.CaptureFixture[str]):
    path = tmp_path / "bad.json"
    path.write_bytes(content)
    assert main(["plan", str(path)]) == 2
    err = capsys.readouterr().err
    assert says in err
    assert "expected" in err


def test_no_file_ends_with_status_2(tmp_path: Path, capsys: pytest.CaptureFixture[str]):
    assert main(["plan", str(tmp_path / "none.json")]) == 2
    assert "No such file" in capsys.readouterr().err


def test_the_command_itself_runs(a_file: Path):
    done = subprocess.run([sys.executable, "-m", "shadbo", "schema"], capture_output=True, text=True, check=True)
    schema = json.loads(done.stdout)
    jsonschema.Draft202012Validator(schema).validate(json.loads(a_file.read_text()))


def test_a_label_cannot_run_as_a_formula(a_file: Path, capsys: pytest.CaptureFixture[str]):
    data = json.loads(a_file.read_text())
    data["options"]["floater"]["profile"]["name"] = "=HYPERLINK(1)"
    a_file.write_text(json.dumps(data))
    assert main(["plan", str(a_file), "--csv"]) == 0
    assert "'=HYPERLINK(1)" in capsys.readouterr().out
