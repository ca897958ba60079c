"""Every slip that frames, packages, mounts and stretching can meet: found, said, and mended by a remedy."""

import pytest

from shadbo.core.checks import CHECKS
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from tests.flat import SHOP, boxed, detail, job, plan, r, value
from tests.making import length, pin
from tests.slips import Slip, found_and_mended

FRAMES = {f.id: f.model_dump(mode="json") for f in SHOP.stock.frames}
SHEETS = {x.id: x.model_dump(mode="json") for x in SHOP.stock.sheets}
SPACERS = {x.id: x.model_dump(mode="json") for x in SHOP.stock.spacers}


def mat(what: str | dict = "paper", **options: object) -> Job:
    return job("window mat", what, {"window_mat": options})


def at(name: str, to: object) -> Edit:
    return Edit(at=f"options/window_mat/{name}", to=to)


BIG = detail("paper", 594, 841, 0.3)
SAGGING = mat(BIG, profile=FRAMES["buoy-16"], glazing=SHEETS["glass-2"])
WIDE_SPACER = {**SPACERS["spacer-6"], "thick_mm": 8}
SLIPS = {
    "no four sides allow the diagonal": Slip(
        "readings.impossible",
        "stop",
        mat(detail("paper", 300, 400, 0.3, diagonal_down=r(900), diagonal_up=r(500))),
        mended=False,
    ),
    "diagonals do not close": Slip(
        "readings.misfit",
        "measure",
        mat(detail("paper", 300, 400, 0.3, diagonal_down=r(500), diagonal_up=r(507))),
        mended=False,
    ),
    "lip holds too little": Slip(
        "hold.small", "stop", mat(profile=FRAMES["buoy-16"]), [length("options/window_mat/allowance", 4.5)]
    ),
    "lip holds just enough to worry": Slip(
        "hold.small", "caution", mat(profile=FRAMES["buoy-16"]), [length("options/window_mat/allowance", 3.5)]
    ),
    "rails bow": Slip(
        "rail.bow",
        "caution",
        mat(profile=FRAMES["bollard-35"]),
        [
            pin("frame.inside_height.left", 566.5),
            pin("frame.inside_height.right", 566.5),
            pin("frame.inside_height.middle", 569),
        ],
    ),
    "bottom rail sags": Slip("rail.sag", "caution", SAGGING),
    "signature under the mat": Slip(
        "mark.hidden",
        "caution",
        mat(),
        [Edit(at="pieces/piece/edge_marks/m", to={"side": "bottom", "inside": {"mm": 2.5}})],
    ),
    "signature under the lip": Slip(
        "mark.hidden",
        "caution",
        job("canvas frame", "canvas"),
        [Edit(at="pieces/piece/edge_marks/m", to={"side": "left", "inside": {"mm": 3}})],
        mended=False,
    ),
    "package deeper than the rabbet": Slip(
        "depth.deep",
        "stop",
        mat(profile=FRAMES["buoy-16"], board=SHEETS["foam-5-board"], backing=SHEETS["hardboard-3"]),
    ),
    "package rattles": Slip(
        "depth.loose",
        "caution",
        boxed("paper", packers=False),
    ),
    "glass out and no packer": Slip("glass.gone", "stop", boxed("puzzle", glass="left out", packers=False)),
    "no clip bridges the step": Slip(
        "clip.misses",
        "stop",
        job(
            "canvas frame",
            detail("stretched canvas", 500, 700, depth=r(60), bar_face=r(45)),
            {"canvas_frame": {"profile": FRAMES["buoy-16"]}},
        ),
    ),
    "mat larger than its sheet": Slip(
        "sheet.small", "stop", mat(detail("paper", 760, 700, 0.3)), [at("mat", SHEETS["mat-sail"])]
    ),
    "boards cut before the frame was measured": Slip(
        "order.early", "caution", mat(), [pin("package.width", 422)], mended=False
    ),
    "against the glazing, and it may not": Slip(
        "glazing.touches", "stop", job("needlework frame", "needlework", {"needlework": {"contact": True}})
    ),
    "against the glazing, and it may": Slip(
        "glazing.touches", "caution", job("puzzle frame", "puzzle", {"puzzle": {"contact": True}})
    ),
    "glazing sags onto cloth": Slip(
        "glazing.sags",
        "caution",
        job(
            "needlework frame",
            detail("needlework", 1200, 860, 1, 120),
            {"needlework": {"glazing": SHEETS["acrylic-2"], "spacer": SPACERS["spacer-6"]}},
        ),
    ),
    "spacer shows inside the lip": Slip(
        "spacer.shows", "caution", job("puzzle frame", "puzzle", {"puzzle": {"spacer": WIDE_SPACER}})
    ),
    "adhesive on coated glazing": Slip(
        "spacer.stuck",
        "caution",
        job(
            "puzzle frame",
            "puzzle",
            {"puzzle": {"glazing": SHEETS["glass-2-coated"], "spacer_held": "adhesive strip"}},
        ),
    ),
    "acrylic over pastel": Slip(
        "glazing.static",
        "stop",
        mat(),
        [Edit(at="pieces/piece/facts/loose_surface", to=True), at("glazing", SHEETS["acrylic-2"])],
    ),
    "hinges all round a dear sheet": Slip("mount.forbidden", "stop", mat(mount="tape all round")),
    "glue on what must come off": Slip(
        "mount.forbidden", "stop", job("puzzle frame", "puzzle", {"puzzle": {"mount": "spray adhesive"}})
    ),
    "fixing overloaded": Slip("mount.weak", "stop", job("window mat", "paper", weight_kg=6), mended=False),
    "cloth too short": Slip("cloth.short", "stop", job("needlework frame", detail("needlework", 240, 300, 1, 50))),
    "trimmed into the image": Slip(
        "trim.deep",
        "stop",
        mat(detail("paper", 300, 400, 0.3, 10)),
        [length("pieces/piece/detail/trim_left", 9)],
    ),
    "a piece that its box does not take": Slip("border.small", "stop", boxed("puzzle"), mended=False),
    "a border that looks like a slip": Slip(
        "border.small", "caution", job("two-pane float", "plant", {"panes": {"border": {"mm": 2}}})
    ),
    "no window left": Slip("window.none", "stop", mat(), [length("options/window_mat/overlap", 160)]),
    "mean border": Slip("mat.narrow", "caution", mat(), [length("options/window_mat/border", 20)]),
    "plant still damp": Slip(
        "plant.damp",
        "caution",
        job("two-pane float", detail("pressed plant", 200, 280, 0.8, days_pressed=5)),
        mended=False,
    ),
    "canvas sealed in": Slip(
        "back.sealed", "caution", job("canvas frame", "canvas", {"canvas_frame": {"back": "sealed paper"}})
    ),
    "paper vented": Slip("back.vented", "caution", mat(back="vented paper")),
    "wire where none is wanted": Slip(
        "recipient.asks",
        "caution",
        mat(),
        [Edit(at="hanging/demands", to=["no wire"]), Edit(at="hanging/kind", to="wire")],
    ),
    "wire on a display that is seen through": Slip(
        "hang.kind", "caution", job("two-pane float", "plant"), [Edit(at="hanging/kind", to="wire")]
    ),
    "bars bend": Slip(
        "brace.few", "stop", job("floater", detail("stretched canvas", 1180, 700, depth=r(18), bar_face=r(42)))
    ),
    "long bars want a brace": Slip(
        "brace.few", "caution", job("floater", detail("stretched canvas", 880, 500, depth=r(38), bar_face=r(45)))
    ),
    "free cloth does not reach": Slip(
        "stretch.short", "stop", job("floater", detail("loose canvas", 600, 500, margin=58))
    ),
    "corner trimmed too deep": Slip(
        "corner.trim", "stop", job("floater", "loose"), [length("pieces/piece/detail/corner_trim", 30)]
    ),
    "a mat that nobody knows": Slip(
        "sheet.acid",
        "caution",
        mat(mat={**SHEETS["mat-sail"], "id": "old", "name": "old mat", "acid_free": None}),
    ),
    "glass where people pass": Slip(
        "glazing.busy",
        "caution",
        mat(glazing=SHEETS["glass-2"]),
        [Edit(at="hanging/demands", to=["busy place"])],
    ),
    "a rail longer than its stick": Slip("rail.long", "stop", mat(detail("paper", 2900, 500, 0.3)), mended=False),
    "outside that no rail has": Slip("built.wall", "stop", mat(), [pin("frame.outside_width", 200)]),
    "rail typed at its inside": Slip("built.inside", "stop", mat(), [pin("rail.width", 425)]),
}


@pytest.mark.parametrize("name", SLIPS)
def test_the_slip_is_found_and_mended(name: str):
    found_and_mended(SLIPS[name])


def test_no_slip_is_found_where_none_was_made():
    for display, what in (("window mat", "paper"), ("needlework frame", "needlework"), ("puzzle frame", "puzzle"),
                          ("two-pane float", "plant"), ("canvas frame", "canvas"), ("canvas frame", "panel"),
                          ("plain floater", "canvas"), ("poster rails", "paper")):  # fmt: skip
        p = plan(job(display, what))
        assert [f.code for f in p.findings if f.severity in ("stop", "caution")] == [], (display, what)


def test_every_check_has_a_slip():
    """A check that no job here makes speak would be no check."""
    from tests.core import test_box_slips, test_decided_slips, test_findings

    said = {
        slip.code
        for slips in (SLIPS, test_findings.SLIPS, test_box_slips.SLIPS, test_decided_slips.SLIPS)
        for slip in slips.values()
    }
    said |= {"hang.screws", "hang.none", "hang.weak", "hang.shallow", "wire.tight", "built.off"}
    assert len(said) >= len(CHECKS)


def test_an_impossible_diagonal_draws_nothing_aslant():
    p = plan(SLIPS["no four sides allow the diagonal"].job)
    assert "piece.rack" not in p.desk.sheet
    found = next(f for f in p.findings if f.code == "readings.impossible")
    assert "500 mm" in found.detail.mm, "a square one of 300 × 400 would read 500"
    assert value(p, "piece.width") == 300


def test_a_lip_wider_than_the_face_is_refused_where_it_is_given():
    from shadbo.core.decisions.edit import BadEdit

    bad = {**FRAMES["buoy-16"], "lip_mm": 15}
    with pytest.raises(BadEdit, match="at most 13 mm"):
        apply(mat(), [at("profile", bad)])
