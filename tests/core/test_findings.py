"""Every slip that the floater can meet: it is found, said, and mended by one of its remedies."""

from dataclasses import dataclass, field

import pytest

from shadbo.core.advise import advise
from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import RANK
from shadbo.core.job.edits import apply
from shadbo.core.pieces.pieces import StretchedCanvas
from shadbo.core.shop.materials import FloaterProfile, Wire
from shadbo.core.shop.shop import Shop
from tests.flat import gathered, sized
from tests.flat import plan as plan_of
from tests.making import DEEP, SHALLOW, WORKED, canvas, codes, job, length, pin, reading, shop

NARROW = FloaterProfile(id="narrow", name="narrow", wall_mm=9, inside_depth_mm=46, ledge_mm=16, ledge_thick_mm=6)
TIGHT = FloaterProfile(id="tight", name="tight", wall_mm=9, inside_depth_mm=24, ledge_mm=25, ledge_thick_mm=10)


@dataclass
class Slip:
    code: str
    severity: str
    detail: StretchedCanvas = field(default_factory=canvas)
    edits: list[Edit] = field(default_factory=list)
    the_shop: Shop = field(default_factory=lambda: shop(WORKED, DEEP))
    weight_kg: float | None = None
    mended: bool = True


def profile(p: FloaterProfile) -> Edit:
    return Edit(at="options/floater/profile", to=p.model_dump(mode="json"))


def brace(at: float) -> dict:
    return {"id": "b", "at": {"mm": at}}


SLIPS = {
    "proud of a shallow moulding": Slip("face.cannot", "stop", edits=[profile(SHALLOW)]),
    "depth read by eye leaves it open": Slip(
        "face.cannot",
        "measure",
        canvas().model_copy(update={"depth": reading(43.6, "eye")}),
        [profile(WORKED)],
        mended=False,
    ),
    "pads that miss the wanted face": Slip(
        "face.off", "caution", edits=[Edit(at="options/floater/pads", to=[])], mended=True
    ),
    "canvas larger than the frame": Slip(
        "gap.small", "stop", edits=[pin("rail.width", 430), pin("frame.inside_width.middle", 411)]
    ),
    "fold eats the gap": Slip(
        "gap.small", "caution", canvas(width_bottom=reading(416)), [pin("frame.inside_width.middle", 420)]
    ),
    "gap uneven": Slip("gap.uneven", "caution", canvas(w=700, h=500, height_right=reading(495))),
    "ledge too narrow": Slip("ledge.narrow", "stop", edits=[profile(NARROW)]),
    "screw too short": Slip("screw.short", "stop", edits=[Edit(at="options/floater/screw_mm", to=20)]),
    "screw dents the cloth": Slip("screw.long", "stop", edits=[Edit(at="options/floater/screw_mm", to=50)]),
    "screw longer than it needs": Slip("screw.long", "caution", edits=[Edit(at="options/floater/screw_mm", to=35)]),
    "screw line misses the bar": Slip(
        "screw.line", "stop", canvas(bar=9), [length("options/floater/gap", 6)], mended=False
    ),
    "screw on a brace": Slip(
        "screw.on",
        "stop",
        canvas(w=600, braces=[brace(300)]),
        [length("options/floater/screw_from_corner", 90), length("options/floater/screws_apart", 250)],
    ),
    "screw on a key": Slip("screw.on", "stop", edits=[length("options/floater/screw_from_corner", 40)]),
    "screws too far apart": Slip(
        "screw.few",
        "caution",
        canvas(w=300, h=170, bar=60),
        [length("options/floater/screws_apart", 20)],
        mended=False,
    ),
    "single plate on a heavy frame": Slip(
        "hang.kind", "stop", edits=[Edit(at="hanging/kind", to="plate")], weight_kg=5
    ),
    "wire on a large frame": Slip(
        "hang.kind", "caution", canvas(w=1400, h=800), [Edit(at="hanging/kind", to="wire")]
    ),
    "hanger below the weight": Slip("hang.weak", "stop", edits=[Edit(at="hanging/kind", to="plate")], weight_kg=9),
    "no such hanger in stock": Slip("hang.none", "caution", edits=[Edit(at="hanging/kind", to="cleat")]),
    "wire too tight": Slip(
        "wire.tight",
        "caution",
        edits=[Edit(at="hanging/kind", to="wire"), Edit(at="hanging/hooks", to=1), length("hanging/rise", 60)],
        weight_kg=3,
    ),
    "wire tighter than its rating": Slip(
        "wire.tight",
        "stop",
        edits=[Edit(at="hanging/kind", to="wire"), Edit(at="hanging/hooks", to=1), length("hanging/rise", 12)],
        weight_kg=6,
    ),
    "inside typed for outside": Slip("built.inside", "stop", edits=[pin("rail.width", 424)]),
    "outside typed for inside": Slip("built.inside", "stop", edits=[pin("frame.inside_height.middle", 643)]),
    "cut off plan": Slip("built.off", "note", edits=[pin("rail.height", 644.5)]),
    "a pin without a part": Slip("built.unanswered", "note", edits=[pin("mat.width", 300)]),
    "one side misread": Slip("readings.apart", "measure", canvas(width_bottom=reading(402)), mended=False),
    "diagonals that do not close": Slip(
        "readings.misfit",
        "measure",
        canvas(w=600, h=400, diagonal_up=reading(721.5), diagonal_down=reading(728)),
        mended=False,
    ),
    "signed edge behind the wall": Slip("edge.hidden", "caution", canvas(edges="signed"), mended=False),
    "painted edge behind the wall": Slip("edge.hidden", "note", canvas(edges="painted"), mended=False),
    "reading leaves the screw line open": Slip(
        "screw.line", "measure", canvas(bar_face=reading(16, "eye")), mended=False
    ),
    "thin ledge for the hanger": Slip(
        "hang.shallow",
        "stop",
        edits=[
            profile(WORKED.model_copy(update={"wall_mm": 9.0, "inside_depth_mm": 46.0, "ledge_thick_mm": 6.0})),
            Edit(at="hanging/kind", to="straps"),
            Edit(
                at="hanging/hanger",
                to={
                    "id": "long",
                    "name": "strap, long screws",
                    "kind": "straps",
                    "rating_kg": 60,
                    "screw_mm": 80,
                    "screw_diameter_mm": 3,
                },
            ),
        ],
        mended=False,
    ),
    "narrow wall for the hanger": Slip(
        "hang.edge",
        "stop",
        edits=[profile(WORKED.model_copy(update={"wall_mm": 8.0})), Edit(at="hanging/kind", to="straps")],
        mended=False,
    ),
    "fine screws under a heavy canvas": Slip(
        "hang.across", "stop", weight_kg=30, edits=[Edit(at="hanging/kind", to="straps")], mended=False
    ),
}


@pytest.mark.parametrize("name", SLIPS)
def test_the_slip_is_found_and_mended(name: str):
    slip = SLIPS[name]
    the_job, _ = apply(job(slip.detail, slip.weight_kg), slip.edits)
    plan = advise(the_job, slip.the_shop)
    found = [f for f in plan.findings if f.code == slip.code]
    assert found, f"{slip.code} not among {codes(plan)}"
    finding = found[0]
    assert finding.severity == slip.severity
    assert finding.title.mm
    assert finding.detail.mm
    assert finding.remedies or finding.by_hand or not slip.mended, "it says what to do"
    if slip.mended:
        assert finding.remedies or finding.by_hand
    for remedy in finding.remedies:
        mended = assess(apply(the_job, remedy.proposal.edits)[0], slip.the_shop)
        left = [f for f in mended.findings if (f.code, f.place) == (finding.code, finding.place)]
        assert not left or RANK[left[0].severity] < RANK[finding.severity]
        assert remedy.says.mm


NEED_A_BUTTON = [
    "proud of a shallow moulding",
    "pads that miss the wanted face",
    "canvas larger than the frame",
    "gap uneven",
    "ledge too narrow",
    "screw too short",
    "screw dents the cloth",
    "screw on a brace",
    "screw on a key",
    "single plate on a heavy frame",
    "wire on a large frame",
    "wire too tight",
    "wire tighter than its rating",
    "inside typed for outside",
    "outside typed for inside",
    "cut off plan",
]


@pytest.mark.parametrize("name", NEED_A_BUTTON)
def test_a_button_mends_it(name: str):
    slip = SLIPS[name]
    the_job, _ = apply(job(slip.detail, slip.weight_kg), slip.edits)
    plan = advise(the_job, slip.the_shop)
    assert next(f for f in plan.findings if f.code == slip.code).remedies


def test_every_check_can_fail():
    """A check that no job here makes speak would be no check."""
    said = set()
    for slip in SLIPS.values():
        the_job, _ = apply(job(slip.detail, slip.weight_kg), slip.edits)
        said |= set(codes(assess(the_job, slip.the_shop)))
    weak_screws = assess(apply(job(weight_kg=40), [Edit(at="hanging/kind", to="straps")])[0], shop())
    said |= set(codes(weak_screws))
    assert {"hang.screws"} <= said


def test_the_cause_comes_before_what_follows_from_it():
    plan = advise(apply(job(), [pin("rail.width", 424)])[0], shop())
    assert plan.findings[0].code == "built.inside"
    assert plan.findings[0].remedies[0].proposal.label.mm == "It was the inside"
    moved = assess(apply(job(), [pin("rail.width", 424), *plan.findings[0].remedies[0].proposal.edits])[0], shop())
    assert moved.desk.sheet["frame.inside_width.middle"].value == 424
    assert moved.desk.sheet["gap.least"].value == pytest.approx(6)


def test_taking_back_a_cut_is_the_last_remedy():
    edits = [pin("rail.width", 436), pin("rail.height", 643)]
    plan = advise(apply(job(canvas(width_bottom=reading(409))), edits)[0], shop())
    finding = next(f for f in plan.findings if f.code.startswith("gap"))
    assert finding.remedies[-1].proposal.label.mm == "Make new rails"


def test_remedies_say_what_they_change_and_cost():
    plan = advise(apply(job(), [profile(SHALLOW)])[0], shop(SHALLOW, DEEP))
    stop = plan.findings[0]
    says = {r.proposal.label.mm: r.says.mm for r in stop.remedies}
    assert says["Accept proud 6 mm"].endswith("no cost")
    assert says["deep"].startswith("rails + 40 mm · + €")


def test_findings_speak_both_systems():
    plan = advise(apply(job(), [profile(SHALLOW)])[0], shop())
    assert "6 mm proud" in plan.findings[0].title.mm
    assert "1/4 in proud" in plan.findings[0].title.inch


def test_a_wire_is_chosen_for_its_pull_not_for_the_weight():
    strong = shop()
    weak = strong.model_copy(
        update={
            "stock": strong.stock.model_copy(
                update={"wires": (Wire(id="w", name="w", rating_kg=5), *strong.stock.wires)}
            )
        }
    )
    plan = assess(job(weight_kg=3), weak)
    assert plan.hang.kind == "wire"
    assert plan.hang.wire.rating_kg == 40


def test_readings_that_nothing_real_has_stop():
    """A canvas without an opening between its bars, one a quarter wider below, a pin beside its medal."""
    assert codes(assess(job(canvas(w=80, h=400, bar=45)), shop()))["readings.bars"] == "stop"
    assert "readings.bars" not in codes(assess(job(canvas(w=92, h=400, bar=45)), shop()))
    wide = canvas(w=400, h=400).model_copy(update={"width_bottom": reading(500)})
    assert codes(assess(job(wide), shop()))["readings.apart"] == "stop"
    off = canvas(w=400, h=400).model_copy(update={"width_bottom": reading(412)})
    assert codes(assess(job(off), shop()))["readings.apart"] == "measure"
    medal = sized("badge", 38, 92, sort="medal", relief=14, back_relief=6, pin_off=50)
    assert codes(plan_of(gathered("shadow box", {"detail": medal})))["readings.pin"] == "stop"
    inside = {**medal, "pin_off": {"mm": 40, "typed": "40", "tool": "rule"}}
    assert "readings.pin" not in codes(plan_of(gathered("shadow box", {"detail": inside})))
