"""The edge section is what one would see if the build were cut through: parts begin and end where their bodies do."""

from collections import defaultdict

import pytest
from hypothesis import given, settings
from shapely import LineString

from shadbo.core.plan import Plan
from shadbo.core.solids.body import shape_of
from shadbo.demo.jobs import demo_jobs
from tests.core.test_any_piece import jobs
from tests.flat import plan

Span = tuple[float, float, float]


def cut(p: Plan) -> dict[str, Span]:
    """By part: where it begins and ends along the depth, and how far in from the right outer edge it begins."""
    assert p.assembly is not None
    half = p.assembly.outside_width.value / 2
    found: dict[str, list[Span]] = defaultdict(list)
    for body in p.assembly.bodies:
        for prism in () if body.bites else body.prisms:
            met = shape_of(prism).intersection(LineString([(0, 0.37), (half + 50, 0.37)]))
            for line in getattr(met, "geoms", [met]):
                if not line.is_empty and line.length > 1e-6:
                    found[body.part].append((prism.front_mm, prism.back_mm, half - line.bounds[2]))
    return {k: (min(x[0] for x in v), max(x[1] for x in v), min(x[2] for x in v)) for k, v in found.items()}


def drawn(p: Plan) -> dict[str, Span]:
    """The same, of what the section shows."""
    assert p.assembly is not None
    rings: dict[str, list[tuple[float, float]]] = defaultdict(list)
    for part in p.assembly.parts:
        if part.section:
            rings[part.id] += list(part.section)
    return {k: (min(x for x, _ in v), max(x for x, _ in v), min(y for _, y in v)) for k, v in rings.items()}


def same(p: Plan) -> None:
    real, shown = cut(p), drawn(p)
    for part in real.keys() & shown.keys():
        (z0, z1, y), (front, back, start) = real[part], shown[part]
        assert front == pytest.approx(z0, abs=0.05), part
        if p.desk.job.display == "sash" and part in ("piece", "filler"):
            assert back <= z1 + 0.05, "cloth is drawn before and behind its core; packers draw up under the card"
            continue
        assert back == pytest.approx(z1, abs=0.05), part
        near = 3.0 if part.startswith("pad") else 0.05  # strips follow the edge of a canvas that is not square
        assert start == pytest.approx(y, abs=near), part


SQUARE_ON = [j for j in demo_jobs() if j.display != "poster rails"]  # whose section is cut through the top rail


@pytest.mark.parametrize("the_job", SQUARE_ON, ids=lambda j: j.title)
def test_the_section_of_every_demo_job_is_a_cut_through_its_bodies(the_job):
    same(plan(the_job))


@settings(max_examples=80, deadline=None)
@given(jobs())
def test_the_section_of_any_build_that_can_be_made_is_a_cut_through_its_bodies(the_job):
    p = plan(the_job)
    stopped = any(f.severity == "stop" for f in p.findings)
    if the_job.display != "poster rails" and p.assembly is not None and not stopped:
        same(p)
