"""Slips about decisions and frames that exist: what cannot be followed is said, with its reason and a way out."""

import pytest

from shadbo.core.decisions.edit import Edit
from tests.core.test_flat_slips import FRAMES, at, mat
from tests.core.test_own_frame import own
from tests.flat import job, r
from tests.making import canvas
from tests.making import job as canvas_job
from tests.slips import Slip, found_and_mended

NARROW = {**FRAMES["buoy-16"], "face_mm": 14, "lip_mm": 6}
EXISTS = own(400, 500)
SLIPS = {
    "two hooks for straps": Slip(
        "hang.unused",
        "note",
        mat(),
        [Edit(at="hanging/kind", to="straps"), Edit(at="hanging/hooks", to=2)],
    ),
    "bevelled strips that nothing hangs by": Slip(
        "cleat.unused",
        "caution",
        canvas_job(canvas(900, 600), display="plain floater"),
        [Edit(at="options/plain_floater/bevelled", to=True), Edit(at="hanging/kind", to="straps")],
    ),
    "a plate wider than its wood": Slip("joint.plate", "stop", mat(profile=NARROW), [at("joint", "corner plates")]),
    "a frame for a display that takes none": Slip(
        "frame.unused", "caution", job("backed", "puzzle", worth="everyday"), [Edit(at="frame", to=EXISTS)]
    ),
    "a joint for a frame that is joined": Slip(
        "frame.joined", "note", mat(), [Edit(at="frame", to=EXISTS), at("joint", "splines")]
    ),
    "hangers that nobody rated": Slip(
        "hang.unrated",
        "caution",
        mat(),
        [Edit(at="frame", to={**EXISTS, "hanger": "on its rails", "hanger_kind": "plate"})],
    ),
    "a border where an outside is given": Slip(
        "size.given_way",
        "note",
        mat(),
        [at("border", {"mm": 60, "typed": "60"}), at("outside_width", {"mm": 560, "typed": "560"})],
    ),
    "the glass of a frame that holds a canvas": Slip(
        "frame.glass", "note", job("canvas frame", "panel"), [Edit(at="frame", to={**EXISTS, "glass": r(2)})]
    ),
    "the glass of a second frame where none is described": Slip(
        "pane.second",
        "note",
        job("two-pane float", "plant"),
        [Edit(at="options/panes/second_frame", to=True)],
    ),
    "a border of two widths": Slip(
        "border.unequal",
        "note",
        job("two-pane float", "plant"),
        [
            Edit(at="options/panes/opening_width", to={"mm": 500, "typed": "500"}),
            Edit(at="options/panes/opening_height", to={"mm": 500, "typed": "500"}),
        ],
    ),
    "a border where the opening is given both ways": Slip(
        "size.unused",
        "note",
        job("two-pane float", "plant"),
        [
            Edit(at="options/panes", to={f"opening_{x}": {"mm": 500, "typed": "500"} for x in ("width", "height")}),
            Edit(at="options/panes/border", to={"mm": 40, "typed": "40"}),
        ],
    ),
    "inside taken for outside": Slip(
        "frame.disagrees",
        "measure",
        mat(),
        [Edit(at="frame", to={**EXISTS, "outside_width": r(400)})],
        mended=False,
    ),
}


@pytest.mark.parametrize("name", SLIPS)
def test_the_slip_is_found_and_mended(name: str):
    found_and_mended(SLIPS[name])
