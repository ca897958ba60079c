"""Mounts are chosen by what may be done to the piece, and the reasons are told."""

import itertools

import pytest

from shadbo.core.build.mount_table import MOUNTS
from shadbo.core.build.mounts import weigh
from shadbo.core.pieces.facts import FACT_WORDS, Facts, tell
from shadbo.core.stations import stations
from tests.flat import job, plan, value


def told(kind: str = "paper", worth: str = "dear", **decided: bool):
    return tell(Facts(**decided), kind, worth)


def test_what_counts_and_why():
    usual = told("puzzle", "everyday")
    assert usual["may_be_glued"]
    assert usual.why["may_be_glued"] == "usual for a puzzle"
    assert told("puzzle", "irreplaceable").why["may_be_glued"] == "since it is irreplaceable"
    assert told("puzzle", "dear")["must_be_reversible"]
    assert not told("paper", "dear", must_be_reversible=False)["must_be_reversible"]
    assert told("paper", must_be_reversible=False).why["must_be_reversible"] == "told by the owner"


@pytest.mark.parametrize("mount", MOUNTS.values(), ids=lambda m: m.id)
def test_a_mount_serves_only_where_every_fact_allows_it(mount):
    piece = job("window mat", "paper").pieces[0]
    names = ("may_be_glued", "may_be_pierced", "must_be_reversible", "removable_later")
    for values in itertools.product((True, False), repeat=4):
        facts = told("paper", "everyday", **dict(zip(names, values, strict=True)))
        weighed = weigh(mount, facts, piece, 0.05)
        glued, pierced, reversible, later = values
        wrong = (mount.glues and not glued) or (mount.pierces and not pierced)
        wrong = wrong or (not mount.reversible and (reversible or later))
        assert weighed.serves == (not wrong)
        assert weighed.serves or all(weighed.against)


def test_the_plan_takes_the_first_that_serves():
    assert plan(job("needlework frame", "needlework")).assembly.mount.taken.mount.id == "barbs"
    unpierced = job("needlework frame", "needlework", facts={"may_be_pierced": False})
    p = plan(unpierced)
    assert not p.assembly.mount.taken.serves, "every mount of cloth pierces: the check speaks"
    assert "mount.forbidden" in {f.code for f in p.findings}


def test_demand_and_rating_of_every_fixing():
    """Each hinge carries its share; factor 10 for hinges, as practice has it."""
    p = plan(job("window mat", "paper", weight_kg=0.6))
    hinges = value(p, "mount.count")
    assert value(p, "mount.demand") == pytest.approx(0.6 * 9.80665 / hinges)
    assert value(p, "mount.factor") == 10
    assert value(p, "mount.margin") == pytest.approx(3 * 9.80665 - 10 * value(p, "mount.demand"))


def test_the_reasons_are_shown_for_and_against():
    rows = {q.label: q for s in stations(plan(job("puzzle frame", "puzzle"))) for q in s.questions}
    held = {c.label: c for c in rows["Held by"].choices}
    assert not held["sprayed onto its board"].works
    assert "must come off again" in held["sprayed onto its board"].detail.mm
    assert held["taped across the whole back"].works
    labels = set(rows)
    assert set(FACT_WORDS.values()) <= labels


def test_loose_pastel_gets_glass_and_the_wider_air():
    p = plan(job("window mat", "paper", facts={"loose_surface": True}))
    assert value(p, "air.needed") == 8
    assert value(p, "air.made") >= 8
    assert next(x for x in p.assembly.by_role("glazing")).sheet.kind == "glass"


def test_no_adhesive_where_an_autograph_is():
    glued = job(
        "puzzle frame", "puzzle", {"puzzle": {"mount": "spray adhesive"}}, worth="everyday", no_go="autograph"
    )
    found = next(f for f in plan(glued).findings if f.code == "mount.forbidden")
    assert "autograph" in found.title.mm
    cares = [q.label for s in stations(plan(glued)) if s.name == "mount" for q in s.questions if q.kind == "care"]
    assert any("autograph" in c for c in cares)


def test_a_cleat_is_two_thirds_of_the_width():
    from shadbo.core.decisions.edit import Edit

    p = plan(job("window mat", "paper"), Edit(at="hanging/kind", to="cleat"))
    told = next(q for s in stations(p) for q in s.questions if q.label == "Cleat, at least")
    wanted = value(p, "frame.outside_width") * 2 / 3
    assert float(told.value.mm.split(" ")[0]) == pytest.approx(wanted, abs=0.5)
