"""Before it exists: a moulding still to be milled, a piece still on order."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.rabbeted.milled import FRONT_MM, LIP_MM, TEST_MM, milled_from
from shadbo.core.displays.rabbeted.window_mat.options import HOME
from shadbo.core.plan import Plan
from shadbo.core.shop.boards import MilledProfile
from shadbo.core.shop.materials import PlainStock
from shadbo.core.stations import stations
from shadbo.demo.shop import demo_shop
from shadbo.files.job_file import read, write
from tests.flat import detail, job, value
from tests.making import codes

SHOP = demo_shop()
AT = "options/window_mat/profile"


def planned(*edits: Edit) -> Plan:
    plan = change(job("window mat", detail("paper", 420, 297)), list(edits), SHOP).plan
    assert plan is not None
    return plan


def choice(plan: Plan) -> dict:
    """What the moulding's row offers to be milled first."""
    row = next(q for s in stations(plan) for q in s.questions if q.at == AT)
    return next(c.to for c in row.choices if isinstance(c.to, dict) and c.to.get("milled"))


def test_a_moulding_to_be_milled_is_planned_like_one_of_the_rack_and_ordered_with_a_rail_more():
    plan = planned(Edit(at=AT, to=choice(planned())))
    assert plan.assembly is not None
    assert isinstance(plan.assembly.moulding, MilledProfile)
    assert "depth.over" not in codes(plan)
    assert value(plan, "frame.rabbet_depth") >= value(plan, "depth.needed")
    w, h, face = (value(plan, k) for k in ("rail.width", "rail.height", "profile.face"))
    assert value(plan, "rail.order") == pytest.approx(2 * (w + h) + 8 * face + max(w, h) + TEST_MM, abs=1)
    said = {q.label: q for s in stations(plan) for q in s.questions}
    assert "passes" in (said["Rabbet to mill"].note or said["Mill with it"].note).mm
    assert any(q.label.startswith("Milling: shallow passes") for q in said.values())
    body = next(b for b in plan.assembly.bodies if b.id.startswith("rail"))
    assert body.volume_mm3 > 0


def test_a_package_that_grew_is_offered_a_deeper_rabbet_and_the_one_decided_is_told_as_such():
    decided = Edit(at=AT, to=choice(planned()))
    deeper = planned(decided, Edit(at="pieces/piece/detail/thickness", to={"mm": 9, "typed": "9", "tool": "rule"}))
    row = next(q for s in stations(deeper) for q in s.questions if q.at == AT)
    milled = [c for c in row.choices if isinstance(c.to, dict) and c.to.get("milled")]
    now = [c for c in milled if c.picked]
    assert [c.detail.mm.endswith("as it was decided") for c in now if c.detail] == [True]
    assert max(c.to["rabbet_mm"] for c in milled) > decided.to["rabbet_mm"]
    assert not any("no longer in stock" in c.detail.mm for c in row.choices if c.detail)


def test_it_stands_in_the_job_file_and_is_still_to_be_milled_when_it_is_read_again():
    done = change(job("window mat", detail("paper", 420, 297)), [Edit(at=AT, to=choice(planned()))], SHOP)
    again = read(write(done.job))
    assert isinstance(HOME.of(again).profile, MilledProfile)


@settings(max_examples=80, deadline=None)
@given(st.floats(5, 60), st.floats(10, 80), st.floats(3, 50), st.sampled_from([0.5, 1.0, 25.4 / 16]))
def test_what_is_milled_is_deep_enough_at_a_mark_and_leaves_wood_in_front_and_beside(face, high, deep, mark):
    stock = PlainStock(id="pine", name="pine", face_mm=face, height_mm=high)
    made = milled_from(stock, deep, mark)
    if made is None:
        assert face <= LIP_MM + 3 or high < deep + mark + FRONT_MM
        return
    assert deep - 1e-6 <= made.rabbet_mm < deep + mark
    assert made.rabbet_mm / mark == pytest.approx(round(made.rabbet_mm / mark), abs=1e-6)
    assert made.front_mm >= FRONT_MM - 1e-6
    assert made.back_wall_mm > 3


def test_a_piece_on_order_is_said_and_more_loudly_once_rails_are_cut_to_it():
    waits = Edit(at="pieces/piece/lead_days", to="6")
    found = next(f for f in planned(waits).findings if f.code == "order.lead")
    assert (found.severity, found.title.mm) == ("note", "The sheet comes 6 working days after it is ordered")
    cut = Edit(at="pins/rail.width", to={"mm": 500, "typed": "500", "tool": "rule"})
    assert next(f for f in planned(waits, cut).findings if f.code == "order.lead").severity == "caution"
    assert "order.lead" not in codes(planned(Edit(at="pieces/piece/lead_days", to="0")))
