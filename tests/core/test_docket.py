"""What the docket says of every display, and what each station asks of it: read as a framer reads it."""

import pytest

from shadbo.core.asking.questions import Question
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.rabbeted.ready_made.options import HOME as BOXED
from shadbo.core.displays.registry import DISPLAYS
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from tests.flat import boxed, detail, job, plan, r, value
from tests.making import pin

SAID = {
    ("window mat", "paper"): {
        "measure": ("300 × 400", "24 g"),
        "display": ("Window mat", "Buoy 16"),
        "sizes": ("window 292 × 392", "mat 422 × 532"),
        "depth": ("10 mm in 13 mm", "1 mm over"),
        "mount": ("linen hinges", "2 hinges"),
        "parts": ("4 rails, 2000 mm", "nothing cut yet"),
    },
    ("puzzle frame", "puzzle"): {
        "sizes": ("margin 20 mm", "outside 564 × 424"),
        "mount": ("tape across the back", "8 bands of tape"),
    },
    ("needlework frame", "needlework"): {
        "sizes": ("border 25 mm", "outside 340 × 400"),
        "mount": ("barbs", "88 barbs, all round"),
        "hang": ("single plate", "hook at 1691 mm"),
    },
    ("two-pane float", "plant"): {
        "sizes": ("border 40 mm", "outside 312 × 392"),
        "depth": ("7.5 mm in 13 mm", "1.5 mm over"),
        "mount": ("friction", ""),
        "hang": ("two straps", "hook at 1687 mm"),
    },
    ("backed", "puzzle"): {
        "sizes": ("480 × 340", "backing 2 mm inside"),
        "depth": ("7 mm deep", "foam board 5"),
        "hang": ("wall strips", "top edge at 1670 mm"),
    },
    ("poster rails", "paper"): {
        "sizes": ("rail 330 mm", "364 mm of image seen"),
        "depth": ("14 mm deep", "the sheet hangs free"),
        "parts": ("2 × Spar 330 magnet rail", "nothing cut yet"),
        "hang": ("cord", "hook at 1781.5 mm"),
    },
    ("canvas frame", "canvas"): {
        "measure": ("500 × 700 × 20", "1.11 kg"),
        "sizes": ("sight 491 × 691", "outside 523 × 723"),
        "depth": ("20 mm in 13 mm", "clips of 6 mm"),
        "mount": ("offset clips", "16 clips"),
    },
    ("canvas frame", "panel"): {
        "sizes": ("sight 291 × 391", "outside 323 × 423"),
        "mount": ("points", ""),
    },
    ("plain floater", "canvas"): {
        "display": ("Floater from plain stock", "pine 20 × 45"),
        "sizes": ("gap 6 mm", "outside 552 × 752"),
        "depth": ("3 mm back, strips 22 mm", "23 mm of 23 mm used"),
    },
    ("floater", "loose"): {
        "measure": ("602 × 502 × 21", "1.04 kg"),
        "sizes": ("gap 6 mm", "outside 628 × 528"),
    },
}


def made(display: str, what: str) -> Plan:
    return plan(job(display, what, worth="everyday"))


@pytest.mark.parametrize(("display", "what"), SAID)
def test_the_docket_says_it_in_short(display: str, what: str):
    here = {s.name: (s.answer.mm, s.second.mm) for s in stations(made(display, what))}
    for station, said in SAID[display, what].items():
        assert here[station] == said, station


def test_the_bought_box_says_whether_its_glass_is_used():
    used = {s.name: s for s in stations(plan(boxed("paper")))}
    assert used["depth"].second.mm == "its glass used"
    out = {s.name: s for s in stations(plan(boxed("paper", glass="left out")))}
    assert out["depth"].second.mm == "its glass left out"
    assert out["parts"].answer.mm == "inner board 361 × 461"


def rows(p: Plan) -> dict[str, Question]:
    return {q.label: q for s in stations(p) for q in s.questions}


@pytest.mark.parametrize(("display", "what"), SAID)
def test_every_station_has_something_to_say_once_the_piece_is_measured(display: str, what: str):
    for station in stations(made(display, what)):
        assert station.questions, station.name
        assert station.answer.mm
        for q in station.questions:
            assert q.label
            assert q.kind in ("told", "care", "act", "photos", "cutter", "fold", "way") or q.at, q.label


@pytest.mark.parametrize(("display", "what"), SAID)
def test_what_a_row_tells_is_on_the_sheet(display: str, what: str):
    p = made(display, what)
    for q in rows(p).values():
        if q.key:
            assert q.key in p.desk.sheet or q.key.startswith(("canvas.", "piece.", "set.", "box.", "hang.")), q.key


def test_cautions_stand_where_the_step_can_hurt():
    def cares(p: Plan, station: str) -> str:
        here = next(s for s in stations(p) if s.name == station)
        return " ".join(q.label for q in here.questions if q.kind == "care")

    assert "guard down" in cares(made("window mat", "paper"), "parts")
    assert "gloves" in cares(made("window mat", "paper"), "mount")
    assert "no flame" in cares(
        plan(job("puzzle frame", "puzzle", {"puzzle": {"mount": "spray adhesive"}}, worth="everyday")), "mount"
    )
    assert "tabs are sharp" in cares(plan(boxed("paper")), "depth")
    assert "eye protection" in cares(made("floater", "loose"), "measure").lower()
    assert "qualified fitter" in cares(made("window mat", "paper"), "hang")


def test_the_steps_of_a_mount_stand_in_their_order():
    labels = [q.label for s in stations(made("window mat", "paper")) if s.name == "mount" for q in s.questions]
    steps = [x for x in labels if x.startswith("Step ")]
    assert steps == [f"Step {n}" for n in range(1, len(steps) + 1)]
    assert len(steps) == 4


def test_bring_back_what_the_frame_really_measured():
    start = job("window mat", "paper")
    labels = rows(plan(start))
    assert labels["Rabbet width as made, middle"].kind == "pin"
    p = plan(start, pin("frame.inside_width.middle", 424))
    station = next(s for s in stations(p) if s.name == "parts")
    assert station.second.mm == "frame measured"
    assert rows(p)["Rabbet width as made, middle"].decided


def test_a_hanger_that_sat_on_the_back_panel_gets_a_new_place():
    assert "a new one" in rows(plan(boxed("paper")))["Its own hanger"].note.mm
    light = plan(boxed("paper"), Edit(at="hanging/kind", to="plate"))
    assert value(light, "hang.in") == 206, "outside width ÷ 2"
    stays = rows(plan(boxed("paper", frame={**BOXED.of(boxed("paper")).frame.model_dump(mode="json",
                            exclude_none=True), "hanger_on": "top rail"})))  # fmt: skip
    assert "Its own hanger" not in stays


def test_names_of_displays_are_told_apart():
    names = [d.name for d in DISPLAYS]
    assert len(set(names)) == len(names) == 15
    assert len({d.home.kind for d in DISPLAYS}) == 15


def test_the_measure_station_asks_for_what_a_kind_needs_and_no_more():
    wanted = {
        "stretched canvas": {"Depth, bar and cloth", "Bar width, seen from behind"},
        "loose canvas": {"Free cloth, top", "Free cloth, right", "Free cloth, bottom", "Free cloth, left"},
        "paper": set(),
        "needlework": {"Thickness, at its thickest", "Free cloth, top", "Free cloth, right", "Free cloth, bottom",
                       "Free cloth, left"},
        "puzzle": set(),
        "panel": {"Thickness, at its thickest"},
        "pressed plant": {"Thickness, at its thickest"},
    }  # fmt: skip
    for kind, own in wanted.items():
        p = plan(job("floater", {"kind": kind}))
        here = next(s for s in stations(p) if s.name == "measure")
        needed = {q.label for q in here.questions if q.needed}
        assert needed == own | {"Width along the top", "Width along the bottom", "Height at the left",
                                "Height at the right"}, kind  # fmt: skip


def test_taper_waist_and_rack_are_reported_with_the_readings():
    piece = detail("paper", 300, 400, 0.3, width_middle=r(297), width_bottom=r(302), diagonal_down=r(502.5),
                   diagonal_up=r(499))  # fmt: skip
    said = rows(plan(job("window mat", piece)))
    assert said["Taper, top less bottom"].value.mm == "-2 mm" or "2 mm" in said["Taper, top less bottom"].value.mm
    assert "Waist of the width" in said
    assert "Out of square" in said


def test_a_window_mat_can_be_cut_by_the_machine_and_coloured_by_a_photograph():
    one = made("window mat", "paper")
    found = rows(one)
    assert found["Mat cutter"].typed == "mat"
    assert found["Colours by the photograph"].kind == "colours"
    two = plan(job("window mat", "paper", {"window_mat": {"double": True}}))
    assert rows(two)["Mat cutter"].typed == "mat mat_inner"
