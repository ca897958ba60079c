"""What the docket and the stations say of boxes and objects: read as a framer reads it."""

import pytest

from shadbo.core.asking.questions import Question
from shadbo.core.build.mount_table import MOUNTS
from shadbo.core.displays.gathered.sash.options import HOME as SASH_HOME
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.core.test_box_slips import BADGE, MODEL, PHOTO, SHIRT, jersey, lit, pegged
from tests.flat import gathered, plan, sashed, sized

PLANS: dict[str, Plan] = {
    "badges": plan(gathered("shadow box", {"detail": BADGE}, {"detail": BADGE})),
    "shirt": plan(jersey({"detail": PHOTO, "name": "crew"})),
    "model": plan(lit()),
    "banner": plan(sashed()),
    "tool": plan(pegged()),
}
SAID = {
    "badges": {
        "measure": ("2 pieces", "70 g together"),
        "display": ("Shadow box", "Hawser 30 ash"),
        "sizes": ("field 193 × 124", "outside 253 × 184"),
        "mount": ("clasp through the board", ""),
    },
    "shirt": {
        "measure": ("2 pieces", "0.27 kg together"),
        "sizes": ("opening 680 × 780", "mat 1021 × 912"),
        "mount": ("stainless pins", ""),
    },
    "model": {
        "measure": ("330 × 170 × 58", "0.70 kg"),
        "sizes": ("field 410 × 315", "outside 466 × 371"),
    },
    "banner": {
        "display": ("Old window sash", ""),
        "sizes": ("core 494 × 660", "outside 588 × 772"),
        "depth": ("14.5 mm in 15 mm", "its own glass"),
        "mount": ("wrapped on a core", "nothing pierces it"),
        "parts": ("card 524 × 690", "nothing cut yet"),
    },
    "tool": {
        "depth": ("rails 45 mm deep", "no glazing, no back"),
        "mount": ("3 pegs", "62 mm long"),
    },
}

NAMES = [MOUNTS[m].name for m in ("clasp through the board", "sink", "top tape")]


def here(p: Plan, name: str):
    return next(s for s in stations(p) if s.name == name)


def rows(p: Plan) -> dict[str, Question]:
    return {q.label: q for s in stations(p) for q in s.questions}


@pytest.mark.parametrize(("what", "station"), [(w, s) for w, said in SAID.items() for s in said])
def test_the_docket_says_it_in_short(what: str, station: str):
    found = here(PLANS[what], station)
    assert (found.answer.mm, found.second.mm) == SAID[what][station]


@pytest.mark.parametrize("what", PLANS)
def test_every_station_has_something_to_say_and_every_row_a_name(what: str):
    for station in stations(PLANS[what]):
        assert station.questions, station.name
        assert station.answer.mm
        assert station.answer.inch
        for q in station.questions:
            assert q.label
            assert q.value is None or bool(q.value.mm) == bool(q.value.inch)


@pytest.mark.parametrize("what", PLANS)
def test_what_a_row_tells_is_on_the_sheet(what: str):
    p = PLANS[what]
    for q in rows(p).values():
        if q.key and q.kind not in ("reading", "weight"):
            assert q.key in p.desk.sheet or q.key.startswith(("item.", "sash.", "peg.", "hang.")), q.key


@pytest.mark.parametrize("job", [j for j in demo_jobs() if j.display in ("shadow box", "jersey box", "light box",
                                                                        "sash", "open frame")],
                         ids=lambda j: j.title)  # fmt: skip
def test_no_two_rows_of_a_station_answer_to_the_same_place(job):
    from shadbo.core.assess import assess

    for station in stations(assess(job, demo_shop())):
        places = [q.at for q in station.questions if q.kind in ("reading", "length", "text", "pin")]
        assert len(set(places)) == len(places), station.name


def test_cautions_stand_where_the_step_can_hurt():
    def cares(p: Plan, station: str) -> str:
        return " ".join(q.label for q in here(p, station).questions if q.kind == "care").lower()

    assert "lead" in cares(PLANS["banner"], "display")
    assert "glass in the sash" in cares(PLANS["banner"], "mount")
    assert "licensed electrician" in cares(PLANS["model"], "depth")
    assert "heat" in cares(PLANS["model"], "depth")
    assert "clamp the piece" in cares(PLANS["tool"], "mount")
    assert "guard" in cares(PLANS["shirt"], "parts")
    signed = plan(jersey()).desk.job
    assert signed is not None
    zone = {"id": "z", "what": "autographs", "left": {"mm": 200}, "top": {"mm": 300}}
    inked = plan(gathered("jersey box", {"detail": SHIRT, "zones": [zone]}))
    assert "no steam, pin or adhesive on the autographs" in cares(inked, "mount")


def test_a_sash_that_was_stripped_needs_no_word_of_lead():
    job = sashed()
    bare = {**SASH_HOME.of(job).sash.model_dump(mode="json", exclude_none=True), "painted": "stripped or new"}
    p = plan(gathered("sash", {"detail": sized("flag", 496, 662, flat_width=880, flat_height=1210, cloth=0.9)},
                      options={"sash": {"sash": bare}}))  # fmt: skip
    assert not any("lead" in q.label for q in here(p, "display").questions if q.kind == "care")


def test_a_flag_names_the_law_of_its_country():
    flag = sized("flag", 496, 662, flat_width=880, flat_height=1210, cloth=0.9, sort="flag", country="Norway")
    p = plan(sashed(flag))
    care = [q.label for q in here(p, "mount").questions if q.kind == "care"]
    assert any("The law of Norway" in text for text in care)
    assert not any("law" in q.label for q in here(PLANS["banner"], "mount").questions)


def test_each_piece_is_asked_for_its_own_mount_with_reasons():
    p = plan(gathered("shadow box", {"detail": BADGE, "name": "cox"}, {"detail": PHOTO, "name": "crew"}))
    found = rows(p)
    cox, crew = found["cox: held by"], found["crew: held by"]
    assert (cox.at, crew.at) == ("options/shadow_box/mounts/piece", "options/shadow_box/mounts/piece-2")
    assert [c.label for c in cox.choices] == ["The plan chooses", *NAMES]
    assert "corner" in crew.choices[1].label
    assert all(c.detail.mm for c in cox.choices)


def test_what_may_not_be_glued_or_pierced_is_said_at_the_mount():
    dear = {"detail": SHIRT, "worth": "irreplaceable", "facts": {"may_be_pierced": False}}
    p = plan(gathered("jersey box", dear))
    row = next(q for q in here(p, "mount").questions if q.label.endswith("held by"))
    pins = next(c for c in row.choices if "pins" in c.label)
    assert not pins.works
    assert "may not be pierced" in pins.detail.mm
    assert any(f.code == "mount.forbidden" for f in p.findings)


def test_further_pieces_are_added_named_and_taken_away():
    p = PLANS["badges"]
    found = rows(p)
    more = found["Add a badge, medal or patch"].edits[0]
    assert more.at == "pieces/badge"
    assert found["Add a photograph or nameplate"].edits[0].to == {"detail": {"kind": "plate"}}
    away = found["Take this away"].edits[0]
    assert (away.at, away.to) == ("pieces/piece-2", None)
    assert found["Pieces from a table (CSV)"].kind == "table"


def test_a_nameplate_can_be_told_what_it_names():
    plate = sized("plate", 60, 15, sort="nameplate", thickness=1)
    p = plan(gathered("shadow box", {"detail": BADGE, "name": "cox"}, {"detail": plate, "name": "words"}))
    names = next(q for q in rows(p).values() if q.label == "Names")
    assert [c.label for c in names.choices] == ["none", "cox"]
    told = plan(gathered("shadow box", {"detail": BADGE}, {"detail": {**plate, "caption_of": "piece"}}))
    assert "Captions" in rows(told)


def test_moved_pieces_show_their_distances_and_a_way_back():
    place = {"id": "piece", "left": {"mm": 50}, "top": {"mm": 44}}
    options = {"shadow_box": {"layout": {"places": [place]}}}
    p = plan(gathered("shadow box", {"detail": BADGE, "name": "cox"}, {"detail": BADGE}, options=options))
    found = rows(p)
    assert found["cox: from the left"].value.mm == "50"
    assert found["cox: from the top"].decided
    back = found["Give cox back to the rule"].edits[0]
    assert (back.at, back.to) == ("options/shadow_box/layout/places/piece", None)
    move = next(q for q in here(p, "sizes").questions if q.kind == "move" and q.label == "cox")
    assert move.note.mm == "put there by hand"
    assert move.edits == ()


def test_the_light_box_asks_only_for_what_there_is():
    plain = rows(plan(lit(letters="")))
    assert "Letters, height" not in plain
    assert "Closed letters and shapes" not in plain
    closed = rows(plan(lit(letters="BOB")))
    assert "5 middles would fall out" in closed["Closed letters and shapes"].note.mm
    assert "Bridges" in closed
    drawn = rows(plan(lit(letters="", artwork={"name": "sail.svg", "rings": [[[0, 0], [40, 0], [0, 60]]]})))
    assert drawn["Artwork, height"].note.mm == "sail.svg"
    assert drawn["Leave the artwork out"].edits[0].to is None


def test_three_or_four_pegs_have_holes_in_the_level_rails_too():
    p = plan(pegged(pegs=4))
    sides = {f.side for j in p.assembly.joins for f in j.fixings}
    assert sides == {"left", "right", "top", "bottom"}
    assert len([x for x in p.assembly.spots if x.plane == "object"]) == 4


def test_missing_readings_are_asked_piece_by_piece():
    p = plan(gathered("shadow box", {"detail": {"kind": "badge"}}, {"detail": {"kind": "keepsake"}, "name": "fid"}))
    labels = [a.label for a in p.asks]
    assert labels[0] == "badge: width, as displayed"
    assert "fid: depth, front to back" in labels
    assert here(p, "measure").answer.mm == f"{len(p.asks)} readings to take"
    standing = plan(gathered("shadow box", {"detail": {**MODEL, "base_depth": None}}))
    assert [a.at for a in standing.asks] == ["pieces/piece/detail/base_depth"], "the tilt test needs its foot"
