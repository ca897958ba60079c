"""Whatever is measured and decided, a plan is made or asks; and the same slip never hides behind a crash."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.advise import BUDGET, advise
from shadbo.core.displays.registry import DISPLAYS
from shadbo.core.drawing.board import draw, draw_ladder, views_of
from shadbo.core.findings import RANK
from shadbo.core.job.job import Job
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from tests.flat import BOX, PIECES, SASH, SHOP, detail, job, plan, r, sized, value

SIZES = st.floats(40, 1600).map(lambda x: round(x, 1))
SASHED = {k: r(v) for k, v in SASH.items()}
GIVEN = {"ready_made": {"frame": {k: r(v) for k, v in BOX.items()}}, "sash": {"sash": SASHED}}
KINDS = {"canvas": "stretched canvas", "loose": "loose canvas", "plant": "pressed plant"}


DEPTHS = {
    "garment": ("thickness", "body_width"),
    "flag": ("flat_width", "flat_height", "cloth"),
    "badge": ("relief", "back_relief", "pin_off", "pin_width"),
    "keepsake": ("depth", "centre_up", "base_depth"),
    "plate": ("thickness",),
}


@st.composite
def sized_pieces(draw_: st.DrawFn, kind: str, w: float, h: float) -> dict[str, Any]:
    """A thing with depth: what a plan needs is always read, the rest now and then."""
    more: dict[str, Any] = {}
    for name in DEPTHS[kind]:
        large = name in ("body_width", "flat_width", "flat_height")
        needed = name in ("thickness", "relief", "depth", "flat_width", "flat_height", "cloth")
        if needed or draw_(st.booleans()):
            more[name] = draw_(st.floats(40, 3000) if large else st.floats(0.2, 120))
    if kind == "garment":
        more["sleeves"] = draw_(st.sampled_from(["none", "spread", "folded"]))
    if kind == "keepsake" and "base_depth" in more:
        more["stands"] = draw_(st.booleans())
    return sized(kind, w, h, **more)


@st.composite
def pieces(draw_: st.DrawFn) -> tuple[str, dict[str, Any]]:
    what = draw_(st.sampled_from(list(PIECES)))
    w, h = draw_(SIZES), draw_(SIZES)
    if "width" in PIECES[what]:
        return what, draw_(sized_pieces(PIECES[what]["kind"], w, h))
    kind = KINDS.get(what, what)
    more: dict[str, Any] = {}
    if what == "canvas":
        more = {"depth": r(draw_(st.floats(6, 70))), "bar_face": r(draw_(st.floats(8, 80)))}
    else:
        more = {"thickness": r(draw_(st.floats(0.1, 12)))} if what != "loose" else {}
    if what in ("loose", "needlework"):
        more |= {f"margin_{s}": r(draw_(st.floats(1, 150))) for s in ("top", "right", "bottom", "left")}
    if draw_(st.booleans()):
        more["width_bottom"] = r(max(w + draw_(st.floats(-12, 12)), 5))
    if draw_(st.booleans()):
        more |= {"diagonal_down": r(draw_(st.floats(10, 2500))), "diagonal_up": r(draw_(st.floats(10, 2500)))}
    return what, detail(kind, w, h, **more)


@st.composite
def jobs(draw_: st.DrawFn) -> Job:
    """Any piece in any display that suits it."""
    _, measured = draw_(pieces())
    any_ = [job(d.home.kind, measured, GIVEN) for d in DISPLAYS]
    return draw_(st.sampled_from([j for d, j in zip(DISPLAYS, any_, strict=True) if d.suits(j.pieces[0])]))


@settings(max_examples=120, deadline=None)
@given(pieces(), st.sampled_from(["everyday", "dear", "irreplaceable"]), st.booleans())
def test_every_piece_is_planned_in_every_display_that_suits_it(piece, worth, loose):
    _, measured = piece
    for display in DISPLAYS:
        the_job = job(
            display.home.kind,
            measured,
            GIVEN,
            worth=worth,
            facts={"loose_surface": loose},
        )
        if not display.suits(the_job.pieces[0]):
            continue
        p = plan(the_job)
        assert p.asks == ()
        assert p.hang is not None
        for q in p.desk.sheet.named.values():
            assert q.value == q.value, f"{q.key} is no number"
        assert stations(p)[2].answer.mm == display.name
        for f in p.findings:
            assert f.title.mm
            assert "None" not in f.title.mm + f.detail.mm
        if "fit.worst_hold" in p.desk.sheet and p.worst in ("fine", "note", "caution"):
            assert value(p, "fit.worst_hold") >= p.desk.practice.hold_stop_mm - 1e-6


@pytest.mark.parametrize("display", DISPLAYS, ids=lambda d: d.home.kind)
def test_a_piece_that_does_not_suit_is_planned_all_the_same(display):
    for what in PIECES:
        p = plan(job(display.home.kind, what, GIVEN))
        assert stations(p)[2].answer.mm == p.display.name
        assert draw(p, "front", "mm").svg.endswith("</svg>")


@settings(max_examples=25, deadline=None)
@given(pieces())
def test_every_piece_can_be_drawn(piece):
    _, measured = piece
    for display in DISPLAYS:
        the_job = job(display.home.kind, measured, GIVEN)
        if display.suits(the_job.pieces[0]):
            p = plan(the_job)
            for view in views_of(p):
                assert draw(p, view, "in").svg.endswith("</svg>")
            assert "</svg>" in draw_ladder(p, "mm")


OPTIONS: dict[str, dict[str, list[object]]] = {
    "window_mat": {
        "double": [True, False],
        "borders": ["equal", "weighted"],
        "shows": ["image", "whole sheet"],
        "border": [{"mm": 5}, {"mm": 150}],
        "overlap": [{"mm": 0}, {"mm": 400}],
        "margin": [{"mm": 0}, {"mm": 300}],
        "allowance": [{"mm": 0}, {"mm": 40}],
        "extension": [{"mm": 1}, {"mm": 90}],
        "strainer": [True],
        "contact": [True],
        "spacer_held": ["adhesive strip"],
        "back": ["tape", "vented paper"],
        "mount": ["corners", "tape all round", "no such mount"],
    },
    "puzzle": {"margin": [{"mm": 0}, {"mm": 200}], "mount": ["sink", "glue on the face"], "contact": [True]},
    "needlework": {"border": [{"mm": 0}, {"mm": 300}], "mount": ["lacing", "stitching"]},
    "panes": {"border": [{"mm": 0}], "opening_width": [{"mm": 50}], "opening_height": [{"mm": 3000}]},
    "ready_made": {"glass": ["left out"], "packers": [False], "mount": ["tape all round"]},
    "backed": {"inset": [{"mm": 0}, {"mm": 500}], "hung": ["ledge"]},
    "poster_rails": {"bottom": [False]},
    "canvas_frame": {"back": ["tape"], "mount": ["plates and screws"], "allowance": [{"mm": 60}]},
    "plain_floater": {"gap": [{"mm": 0}, {"mm": 80}], "face": ["flush", "proud"], "bevelled": [True]},
    "shadow_box": {
        "margin": [{"mm": 0}, {"mm": 400}],
        "lining": ["lined walls"],
        "joint": ["glue", "biscuits", "splines", "corner plates"],
        "mounts": [{"piece": "stitching"}, {"nobody": "sink"}],
        "layout": [
            {"width": {"mm": 5}},
            {"rule": "grid", "columns": 60},
            {"places": [{"id": "nobody", "left": {"mm": 1}, "top": {"mm": 1}}]},
        ],
    },
    "jersey_box": {
        "border": [{"mm": 0}, {"mm": 500}],
        "margin": [{"mm": 0}],
        "reveal": [{"mm": 0}, {"mm": 60}],
        "double": [False],
        "seats": [{"piece": "window", "nobody": "notch"}],
    },
    "light_box": {
        "letters": ["A", "???", "BOB BOB BOB BOB BOB BOB!"],
        "letter_height": [{"mm": 5}, {"mm": 900}],
        "step": [{"mm": 0.5}, {"mm": 60}],
        "light_void": [{"mm": 1}, {"mm": 900}],
        "rows_apart": [{"mm": 5}, {"mm": 900}],
        "cable": ["left", "top"],
    },
    "sash": {"hidden": [{"mm": 0}, {"mm": 300}], "layers": [1, 64], "card_over": [{"mm": 0}, {"mm": 300}]},
    "pegs": {"gap": [{"mm": 0}, {"mm": 500}], "pegs": [3, 4], "joint": ["biscuits", "splines"]},
}
HOMES = {
    "window_mat": ("window mat", "paper"),
    "puzzle": ("puzzle frame", "puzzle"),
    "needlework": ("needlework frame", "needlework"),
    "panes": ("two-pane float", "plant"),
    "ready_made": ("ready-made box", "paper"),
    "backed": ("backed", "puzzle"),
    "poster_rails": ("poster rails", "paper"),
    "canvas_frame": ("canvas frame", "canvas"),
    "plain_floater": ("plain floater", "canvas"),
    "shadow_box": ("shadow box", "badge"),
    "jersey_box": ("jersey box", "shirt"),
    "light_box": ("light box", "tool"),
    "sash": ("sash", "banner"),
    "pegs": ("open frame", "tool"),
}
CASES = [(home, field, to) for home, fields in OPTIONS.items() for field, all_ in fields.items() for to in all_]


@pytest.mark.parametrize(("home", "field", "to"), CASES, ids=str)
def test_any_option_gives_a_plan_or_a_finding_never_a_crash(home: str, field: str, to: Any):
    display, what = HOMES[home]
    own: dict[str, Any] = {**GIVEN.get(home, {}), field: to}
    p = advise(job(display, what, {home: own}), SHOP)
    assert p.assembly is not None
    for view in views_of(p):
        draw(p, view, "mm")
    for f in p.findings:
        for remedy in f.remedies:
            assert remedy.says.mm


def test_a_shop_without_stock_still_plans_and_says_what_is_missing():
    from shadbo.core.shop.shop import Shop

    for home, (display, what) in HOMES.items():
        p = plan(job(display, what, {home: GIVEN.get(home, {})}), shop=Shop())
        assert p.assembly is not None
        assert p.hang is not None


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_remedies_of_the_demo_jobs_keep_to_the_budget_and_help(the_job):
    p = advise(the_job, SHOP)
    assert sum(len(f.proposals) for f in p.findings) <= 3 * BUDGET
    for f in p.findings:
        assert len(f.remedies) <= 3
        if RANK[f.severity] >= RANK["caution"]:
            assert f.remedies or f.by_hand, f"{f.code} leaves the framer alone"


def test_the_demo_shows_every_display_and_some_problems():
    jobs = demo_jobs()
    assert len(jobs) >= 12
    assert {j.display for j in jobs} == {d.home.kind for d in DISPLAYS}
    states = [plan(j).state for j in jobs]
    assert states.count("to solve") >= 4
    assert states.count("to cut") >= 6
