"""Putting a scene on paper: scale, place, lanes, and marks inside the paper."""

import itertools
from typing import Literal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.drawing.compose import LEAST_SIZE, LETTER_EM, compose, fit_to
from shadbo.core.drawing.marks import PX_PER_MM, Fit, Paper, Text
from shadbo.core.drawing.scene import Dim, Leader, Line, Round, Scene, Shape, Words
from shadbo.core.drawing.svg import write_svg

PAPER = Paper("test", 752, 460, (90, 40, 120, 60))


def box(w: float, h: float) -> Scene:
    scene = Scene("a box")
    scene.add(Shape(((0, 0), (w, 0), (w, h), (0, h)), "wood", "box"))
    return scene


@given(st.floats(5, 3000), st.floats(5, 3000))
def test_a_scene_fits_between_the_margins_at_a_scale_that_has_a_name(w: float, h: float):
    fit = fit_to(box(w, h), PAPER)
    left, top = fit.put((0, h))
    right, bottom = fit.put((w, 0))
    assert left >= 90 - 0.1
    assert top >= 40 - 0.1
    assert right <= 752 - 120 + 0.1
    assert bottom <= 460 - 60 + 0.1
    a, b = (int(n) for n in fit.ratio.split(" : "))
    assert fit.scale / PX_PER_MM == pytest.approx(a / b, rel=0.03)


def test_the_ratio_is_written_as_people_write_it():
    assert Fit(PX_PER_MM, 0, 0).ratio == "1 : 1"
    assert Fit(1.25 * PX_PER_MM, 0, 0).ratio == "5 : 4"
    assert Fit(PX_PER_MM / 8, 0, 0).ratio == "1 : 8"


def test_up_in_the_scene_is_up_on_the_paper():
    fit = fit_to(box(100, 100), PAPER)
    assert fit.put((0, 100))[1] < fit.put((0, 0))[1]
    assert fit.put((100, 0))[0] > fit.put((0, 0))[0]


@pytest.mark.parametrize("runs", ["across", "upright"])
@pytest.mark.parametrize("edge", ["low", "high"])
def test_dimensions_lie_outside_the_drawing_on_their_lanes(runs, edge):
    scene = box(100, 100)
    for lane in (1, 2):
        scene.add(Dim((0, 0), (100, 100), f"lane {lane}", runs, lane, edge, f"k{lane}"))
    sheet = compose(scene, PAPER)
    left, top = sheet.fit.put((0, 100))
    right, bottom = sheet.fit.put((100, 0))
    away = []
    for group in (g for g in sheet.groups if g.role == "dim"):
        x, y = next(m.at for m in group.marks if isinstance(m, Text))
        if runs == "across":
            away.append(top - y if edge == "high" else y - bottom)
        else:
            away.append(x - right if edge == "high" else left - x)
    assert 0 < away[0] < away[1]


def test_a_tape_is_hidden_until_it_is_asked_for():
    scene = box(50, 50)
    scene.add(Dim((0, 25), (50, 25), "50", "across", 0, "low", "canvas.width_top", "tape"))
    group = next(g for g in compose(scene, PAPER).groups if g.role == "tape")
    assert group.hidden
    assert 'visibility="hidden"' in write_svg(compose(scene, PAPER), "x")


def test_every_kind_of_element_is_drawn_with_its_key():
    scene = box(50, 50)
    scene.add(
        Line(((0, 0), (50, 50)), "hidden", "line"),
        Round((25, 25), 4, "screw", "round"),
        Words((10, 10), "3/8 in", key="words"),
        Leader((25, 25), ("one", "two"), "leader"),
    )
    svg = write_svg(compose(scene, PAPER), "a & b")
    for key in ("box", "line", "round", "words", "leader"):
        assert f'data-key="{key}"' in svg
    assert 'aria-label="a &amp; b"' in svg
    assert "frac" in svg, "fractions are set as fractions"


NAMES = st.lists(st.text("abc,0123456789", min_size=1, max_size=9), min_size=1, max_size=14).map(" ".join)


@given(st.lists(NAMES, min_size=1, max_size=16), st.booleans())
def test_words_beside_a_drawing_never_run_off_the_paper_nor_over_one_another(names: list[str], left: bool):
    scene = box(400, 300)
    side: Literal["left", "right"] = "left" if left else "right"
    scene.add(*(Leader((200, 100), (name,), "", side, n + 1) for n, name in enumerate(names)))
    paper = Paper("board", 752, 460, (262, 24, 28, 40) if left else (28, 24, 262, 40))
    groups = [g for g in compose(scene, paper).groups if g.role == "leader"]
    told = [[m for m in g.marks if isinstance(m, Text)] for g in groups]
    assert len(told) == len(names)
    for texts, name in zip(told, names, strict=True):
        assert 1 <= len(texts) <= 2
        for text in texts:
            wide = LETTER_EM * text.size * len(text.text)
            assert text.size >= LEAST_SIZE
            assert (text.at[0] - wide if left else paper.width - text.at[0] - wide) >= -0.5
        said = " ".join(t.text for t in texts)
        assert said == name or (said.endswith("…") and name.startswith(said[:-1].rstrip()))
    places = sorted(t.at[1] for texts in told for t in texts)
    assert all(b - a >= 12 for a, b in itertools.pairwise(places))


def test_a_long_name_goes_on_below_where_the_next_label_leaves_room():
    name = "9  points behind middle board, mdf 6 · 1 and more"
    for many, lines in ((6, 2), (16, 1)):
        scene = box(400, 300)
        scene.add(*(Leader((200, 100), (name,), "", "right", n + 1) for n in range(many)))
        groups = [g for g in compose(scene, Paper("board", 752, 460, (28, 24, 262, 40))).groups if g.role == "leader"]
        assert {sum(isinstance(m, Text) for m in g.marks) for g in groups} == {lines}
