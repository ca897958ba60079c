"""Whatever is measured and decided, a plan is made or asks; and the same slip never hides behind a crash."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.advise import BUDGET, advise
from shadbo.core.displays import DISPLAYS
from shadbo.core.drawing.board import draw, draw_ladder, views_of
from shadbo.core.findings import RANK
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from tests.flat import BOX, PIECES, SHOP, detail, job, plan, r, value

SIZES = st.floats(40, 1600).map(lambda x: round(x, 1))
KINDS = {"canvas": "stretched canvas", "loose": "loose canvas", "plant": "pressed plant"}


@st.composite
def pieces(draw_: st.DrawFn) -> tuple[str, dict[str, Any]]:
    what = draw_(st.sampled_from(list(PIECES)))
    kind = KINDS.get(what, what)
    w, h = draw_(SIZES), draw_(SIZES)
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


@settings(max_examples=120, deadline=None)
@given(pieces(), st.sampled_from(["everyday", "dear", "irreplaceable"]), st.booleans())
def test_every_piece_is_planned_in_every_display_that_suits_it(piece, worth, loose):
    _, measured = piece
    frame = {k: r(v) for k, v in BOX.items()}
    for display in DISPLAYS:
        the_job = job(
            display.kind,
            measured,
            {"ready_made": {"frame": frame}},
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


@settings(max_examples=25, deadline=None)
@given(pieces())
def test_every_piece_can_be_drawn(piece):
    _, measured = piece
    for display in DISPLAYS:
        the_job = job(display.kind, measured, {"ready_made": {"frame": {k: r(v) for k, v in BOX.items()}}})
        if display.suits(the_job.pieces[0]):
            p = plan(the_job)
            for view in views_of(p):
                assert draw(p, view, "in").svg.endswith("</svg>")
            assert "</svg>" in draw_ladder(p, "mm")


OPTIONS = {
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
}
CASES = [(home, field, to) for home, fields in OPTIONS.items() for field, all_ in fields.items() for to in all_]


@pytest.mark.parametrize(("home", "field", "to"), CASES, ids=str)
def test_any_option_gives_a_plan_or_a_finding_never_a_crash(home: str, field: str, to: Any):
    display, what = HOMES[home]
    own: dict[str, Any] = {field: to}
    if home == "ready_made":
        own["frame"] = {k: r(v) for k, v in BOX.items()}
    p = advise(job(display, what, {home: own}), SHOP)
    assert p.assembly is not None
    for view in views_of(p):
        draw(p, view, "mm")
    for f in p.findings:
        for remedy in f.remedies:
            assert remedy.says.mm


def test_a_shop_without_stock_still_plans_and_says_what_is_missing():
    from shadbo.core.shop import Shop

    for home, (display, what) in HOMES.items():
        own = {"frame": {k: r(v) for k, v in BOX.items()}} if home == "ready_made" else {}
        p = plan(job(display, what, {home: own}), shop=Shop())
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
    assert {j.display for j in jobs} == {d.kind for d in DISPLAYS}
    states = [plan(j).state for j in jobs]
    assert states.count("to solve") >= 4
    assert states.count("to cut") >= 6
