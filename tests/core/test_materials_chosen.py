"""What the plan itself chooses: glazing that keeps off the piece, boards known to be acid-free, joints that hold."""

import pytest

from shadbo.core.advise import advise
from shadbo.core.decisions.edit import Edit
from shadbo.core.plan import Plan
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.shop import Shop
from shadbo.core.sums.plate import sag_mm
from tests.flat import SHOP, detail, job, plan, value
from tests.making import canvas, codes
from tests.making import job as floater
from tests.making import plan as floated

BUSY = Edit(at="hanging/demands", to=["busy place"])


def shop_with(*sheets: SheetStock) -> Shop:
    return SHOP.model_copy(update={"stock": SHOP.stock.model_copy(update={"sheets": sheets})})


def glazing(the_plan: Plan) -> SheetStock:
    sheet = next(p.sheet for p in the_plan.assembly.parts if p.id == "glazing")
    assert sheet is not None
    return sheet


def test_a_sheet_that_would_sag_onto_the_piece_is_not_the_plans_own_choice():
    for size in ((400, 300), (620, 500), (700, 640), (900, 700)):
        p = plan(job("needlework frame", detail("needlework", *size, 1, 90)))
        taken = glazing(p)
        w, h = value(p, "package.width"), value(p, "package.height")
        stiffer = [
            x
            for x in SHOP.stock.sheets_of(taken.kind)
            if not x.coated and x.holds(w, h) and sag_mm(w, h, x.thick_mm, x.kind) <= value(p, "air.needed")
        ]
        if stiffer:
            assert value(p, "air.sag") <= value(p, "air.made") + 0.5
    assert glazing(plan(job("needlework frame", detail("needlework", 400, 300, 1, 90)))).kind == "glass"


def test_glass_is_not_chosen_for_a_busy_place_and_is_said_where_decided():
    start = job("window mat", "paper")
    assert glazing(plan(start)).kind == "glass"
    assert glazing(plan(start, BUSY)).kind == "acrylic"
    glass = next(x for x in SHOP.stock.sheets if x.kind == "glass").model_dump(mode="json")
    decided = advise(plan(start, BUSY, Edit(at="options/window_mat/glazing", to=glass)).desk.job, SHOP)
    found = next(f for f in decided.findings if f.code == "glazing.busy")
    assert found.remedies
    loose = plan(job("window mat", "paper", facts={"loose_surface": True}), BUSY)
    assert glazing(loose).kind == "glass", "acrylic would lift a loose surface"
    assert "glazing.busy" not in codes(loose)


def test_acid_free_is_known_of_each_sheet_and_never_assumed():
    assert SheetStock(id="a", name="a", kind="mat", thick_mm=1.4).safe is None
    assert SheetStock(id="a", name="a", kind="mdf", thick_mm=6).safe is False
    assert SheetStock(id="a", name="a", kind="glass", thick_mm=2).safe is True
    assert SheetStock(id="a", name="a", kind="mat", thick_mm=1.4, acid_free=True).safe is True


@pytest.mark.parametrize(("known", "says"), [(None, "Nobody knows"), (False, "is not acid-free")])
def test_a_mat_that_is_not_known_to_be_acid_free_is_told_and_another_offered(known: bool | None, says: str):
    doubtful = next(x for x in SHOP.stock.sheets if x.kind == "mat").model_copy(
        update={"id": "old", "name": "old mat", "acid_free": known, "price_per_m2": 1.0}
    )
    start = job("window mat", "paper", {"window_mat": {"mat": doubtful.model_dump(mode="json")}})
    found = next(f for f in advise(start, SHOP).findings if f.code == "sheet.acid")
    assert says in found.title.mm
    assert found.remedies
    assert "sheet.acid" not in codes(plan(job("window mat", "paper")))
    cheap = shop_with(doubtful, *SHOP.stock.sheets)
    mats = [p.sheet for p in plan(job("window mat", "paper"), shop=cheap).assembly.by_role("mat")]
    assert all(x.safe for x in mats), "the cheapest is not taken where nobody knows what it is made of"


def test_floaters_are_asked_for_their_corner_joint():
    """Glue alone: up to 3 kg, sides of 900 mm, rails of 60 mm; common practice, no source."""
    light = floated(floater())
    assert light.assembly.joint.kind == "glue"
    heavy = floated(floater(canvas(w=1000, h=700), weight_kg=4))
    assert heavy.assembly.joint.kind == "splines"
    glued = floated(floater(canvas(w=1000, h=700), weight_kg=4), None, Edit(at="options/floater/joint", to="glue"))
    assert codes(glued)["joint.weak"] == "caution"
    assert value(heavy, "joint.mitre") == pytest.approx(value(heavy, "profile.wall") * 2**0.5)
