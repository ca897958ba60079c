"""Job files of boxes and objects: they come back as they went, and what is damaged is named."""

import json

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.cli import main
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.gathered.shadow_box.options import HOME as SHADOW_BOX
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.demo.jobs import demo_jobs
from shadbo.files import job_file
from tests.core.test_box_slips import BADGE, TOOL, jersey, lit
from tests.flat import gathered, plan

OBJECTS = [j for j in demo_jobs() if j.display in ("shadow box", "jersey box", "light box", "sash", "open frame")]


@pytest.mark.parametrize("job", OBJECTS, ids=lambda j: j.title)
def test_a_job_comes_back_as_it_went(job: Job):
    again = job_file.read(job_file.write(job))
    assert again == job
    assert plan(again).desk.sheet.named.keys() == plan(job).desk.sheet.named.keys()


def test_defaults_are_never_written():
    data = json.loads(job_file.write(gathered("shadow box", {"detail": BADGE})))
    assert set(data) == {"format", "version", "title", "pieces", "display"}
    assert set(data["pieces"][0]["detail"]) == {"kind", "width", "height", "relief", "back_relief", "pin_off"}


def damaged(job: Job, at: tuple, to: object) -> job_file.BadFile:
    data = json.loads(job_file.write(job))
    here = data
    for step in at[:-1]:
        here = here[step]
    here[at[-1]] = to
    with pytest.raises(job_file.BadFile) as bad:
        job_file.read(json.dumps(data))
    return bad.value


def test_what_is_damaged_is_named_with_what_was_expected():
    shirt = next(j for j in OBJECTS if j.display == "jersey box")
    zone = damaged(shirt, ("pieces", 0, "zones", 0, "width"), {"mm": "wide"})
    assert "zones/zone/width" in zone.where
    assert "number" in zone.expected
    kind = damaged(shirt, ("pieces", 1, "detail", "kind"), "teapot")
    assert "pieces/patch/detail" in kind.where
    seat = damaged(shirt, ("options", "jersey_box", "seats"), {"patch": "ceiling"})
    assert "seats/patch" in seat.where
    twice = damaged(shirt, ("pieces", 1, "id"), "piece")
    assert "only once" in twice.expected
    extra = damaged(shirt, ("options", "jersey_box", "glitter"), True)
    assert "glitter" in extra.expected


def test_places_that_stand_twice_are_refused():
    place = {"id": "piece", "left": {"mm": 1}, "top": {"mm": 1}}
    job = gathered("shadow box", {"detail": BADGE}, options={"shadow_box": {"layout": {"places": [place]}}})
    bad = damaged(job, ("options", "shadow_box", "layout", "places"), [place, place])
    assert "only once" in bad.expected


def test_artwork_out_of_bounds_is_refused():
    job = lit(artwork={"rings": [[[0, 0], [40, 0], [0, 60]]]})
    bad = damaged(job, ("options", "light_box", "artwork", "rings"), [[[0, 0], [1e9, 0], [0, 1]]])
    assert "rings" in bad.where
    assert damaged(job, ("options", "light_box", "artwork", "rings"), []).where.endswith("rings")


@given(
    st.lists(st.tuples(st.sampled_from(["piece", "piece-2"]), st.integers(0, 400), st.integers(0, 300)), max_size=6)
)
@settings(max_examples=30, deadline=None)
def test_moves_are_undone_by_their_inverse(moves):
    start = gathered("shadow box", {"detail": BADGE}, {"detail": TOOL})
    at = "options/shadow_box/layout/places"
    edits = [Edit(at=f"{at}/{i}", to={"left": {"mm": x}, "top": {"mm": y}}) for i, x, y in moves]
    after, inverse = apply(start, edits)
    assert apply(after, inverse)[0] == start
    for i, x, y in {m[0]: m for m in moves}.values():
        place = next(p for p in SHADOW_BOX.of(after).layout.places if p.id == i)
        assert (place.left.mm, place.top.mm) == (x, y)


def test_the_command_writes_every_paper_into_a_folder(tmp_path, capsys: pytest.CaptureFixture[str]):
    path, out = tmp_path / "job.json", tmp_path / "out"
    path.write_text(job_file.write(jersey()), encoding="utf-8")
    assert main(["papers", str(path), str(out), "--page", "letter"]) == 0
    names = capsys.readouterr().out.split()
    assert set(names) == {p.name for p in out.iterdir()}
    assert {"work-sheet.pdf", "mats.pdf", "cut.dxf", "mat.svg", "cut-list.xlsx"} <= set(names)
    assert (out / "mats.pdf").read_bytes().startswith(b"%PDF")


def test_the_command_says_why_it_cannot(tmp_path, capsys: pytest.CaptureFixture[str]):
    path = tmp_path / "job.json"
    path.write_text(job_file.write(jersey()), encoding="utf-8")
    (tmp_path / "taken").write_text("a file")
    assert main(["papers", str(path), str(tmp_path / "taken")]) == 2
    assert "taken" in capsys.readouterr().err
    assert main(["papers", str(tmp_path / "nowhere.json"), str(tmp_path / "x")]) == 2
    path.write_text("{")
    assert main(["papers", str(path), str(tmp_path / "x")]) == 2
