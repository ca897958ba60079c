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
    high = p.desk.job.display == "poster rails"  # whose section is cut through the top rail, from its upper edge
    half = (p.assembly.outside_height if high else p.assembly.outside_width).value / 2
    line = LineString([(0.37, 0), (0.37, half + 50)] if high else [(0, 0.37), (half + 50, 0.37)])
    found: dict[str, list[Span]] = defaultdict(list)
    for body in p.assembly.bodies:
        for prism in () if body.bites else body.prisms:
            met = shape_of(prism).intersection(line)
            for piece in getattr(met, "geoms", [met]):
                if not piece.is_empty and piece.length > 1e-6:
                    found[body.part].append((prism.front_mm, prism.back_mm, half - piece.bounds[3 if high else 2]))
    return {k: (min(x[0] for x in v), max(x[1] for x in v), min(x[2] for x in v)) for k, v in found.items()}


def drawn(p: Plan) -> dict[str, Span]:
    """The same, of what the section shows."""
    assert p.assembly is not None
    rings: dict[str, list[tuple[float, float]]] = defaultdict(list)
    for part in p.assembly.parts:
        if part.section:
            rings[part.id] += list(part.section)
    if p.desk.job.display == "poster rails":  # drawn upright: what hangs down from the rail is below it
        top = max(y for v in rings.values() for _, y in v)
        rings = defaultdict(list, {k: [(x, top - y) for x, y in v] for k, v in rings.items()})
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


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_the_section_of_every_demo_job_is_a_cut_through_its_bodies(the_job):
    same(plan(the_job))


@settings(max_examples=80, deadline=None)
@given(jobs())
def test_the_section_of_any_build_that_can_be_made_is_a_cut_through_its_bodies(the_job):
    p = plan(the_job)
    if p.assembly is not None and not any(f.severity == "stop" for f in p.findings):
        same(p)
