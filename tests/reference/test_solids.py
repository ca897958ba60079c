"""Bodies against a general 3-D library: what is written as glTF is read back by it, closed, of the same volume.

The library (trimesh) sums a mesh's volume by the divergence theorem over its triangles, which shares nothing with
the area times depth that the program uses; the triangles come from its own reading of the file.
"""

import io
import json
from pathlib import Path

import jsonschema
import numpy as np
import pytest
import trimesh

from shadbo.core.drawing.apart import LEANS
from shadbo.core.drawing.board import draw
from shadbo.core.plan import Plan
from shadbo.demo.jobs import demo_jobs
from shadbo.files.glb import NoSolids, as_glb
from shadbo.files.plan_table import as_data
from shadbo.files.solids import solids_of, solids_schema
from tests.flat import job, plan

PLANS = {j.title: plan(j) for j in demo_jobs()}
DOCS = Path(__file__).parents[2] / "docs"
TITLES = pytest.mark.parametrize("title", PLANS)


def read_back(p: Plan) -> trimesh.Scene:
    return trimesh.load(io.BytesIO(as_glb(p)), file_type="glb", force="scene")


@TITLES
def test_the_library_reads_every_body_closed_and_as_large_as_it_is(title: str):
    scene, bodies = read_back(PLANS[title]), PLANS[title].bodies
    assert len(scene.geometry) == len(bodies)
    for body in bodies:
        mesh = scene.geometry[f"{body.id}: {body.name}"]
        mesh.merge_vertices(merge_tex=True, merge_norm=True, digits_vertex=7)
        assert mesh.volume * 1e9 == pytest.approx(body.volume_mm3, rel=2e-4)
        (left, low, back), (right, high, front) = mesh.bounds * 1000
        assert (-front, -back) == (pytest.approx(body.front_mm, abs=0.01), pytest.approx(body.back_mm, abs=0.01))
        dots = np.array([d for prism in body.prisms for d in prism.ring])
        assert [left, low] == pytest.approx(dots.min(axis=0), abs=0.01)
        assert [right, high] == pytest.approx(dots.max(axis=0), abs=0.01)


@TITLES
def test_the_whole_is_as_large_as_the_outside_that_is_told(title: str):
    """Outside dimensions of the sheet against what another program measures in the file."""
    p = PLANS[title]
    fixed = [b for b in p.bodies if b.fixed]
    if len(fixed) < 4:
        return
    scene = read_back(p)
    low = np.min([scene.geometry[f"{b.id}: {b.name}"].bounds[0] for b in fixed], axis=0)
    high = np.max([scene.geometry[f"{b.id}: {b.name}"].bounds[1] for b in fixed], axis=0)
    wide, tall, _ = (high - low) * 1000
    assert wide == pytest.approx(p.assembly.outside_width.value, abs=0.05)
    assert tall == pytest.approx(p.assembly.outside_height.value, abs=0.05)


@TITLES
def test_solids_of_a_plan_keep_to_their_schema(title: str):
    committed = json.loads((DOCS / "solids.schema.json").read_text())
    assert committed == solids_schema(), "run: shadbo schema solids > docs/solids.schema.json"
    data = json.loads(json.dumps(as_data(PLANS[title])["solids"]))
    jsonschema.Draft202012Validator(committed).validate(data)
    assert len(data) == len(PLANS[title].bodies)


@TITLES
def test_shares_of_mass_and_price_come_to_the_part(title: str):
    p = PLANS[title]
    for part in p.assembly.parts:
        here = [s for s in solids_of(p) if s.part == part.id]
        if here and part.mass is not None:
            assert sum(s.mass_kg or 0 for s in here) == pytest.approx(part.mass.value)
        if here and part.price:
            assert sum(s.price or 0 for s in here) == pytest.approx(part.price * part.count, abs=0.001 * len(here))


def test_a_job_that_is_still_to_be_measured_has_no_solids():
    blank = plan(job("sash", "banner"))
    assert solids_of(blank) == []
    with pytest.raises(NoSolids):
        as_glb(blank)


@TITLES
@pytest.mark.parametrize("turn", range(len(LEANS)))
def test_what_is_taken_apart_stays_on_its_board(title: str, turn: int):
    """Every mark of the drawing against the board that it is drawn on, by coordinates parsed from the picture."""
    import re

    svg = draw(PLANS[title], "apart", "mm", None, turn).svg
    for d in re.findall(r'<path d="([^"]+)"', svg.split("</defs>")[1]):
        numbers = [float(x) for x in re.findall(r"-?\d+(?:\.\d+)?", d)]
        assert all(-0.5 <= x <= 752.5 for x in numbers[::2])
        assert all(-0.5 <= y <= 460.5 for y in numbers[1::2])
