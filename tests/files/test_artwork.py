"""Artwork from SVG: outlines at their size, islands told, and files that are none refused with the reason."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from shadbo.core.shapes.artwork import Artwork, brought_to
from shadbo.core.shapes.polygon import area, box_of
from shadbo.files.artwork import BadArtwork, read_artwork
from tests.core.test_box_slips import RING, SAIL, lit
from tests.flat import plan, value

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">'


def drawn(body: str) -> Artwork:
    return read_artwork(f"{HEAD}{body}</svg>", "sign.svg")


def test_shapes_paths_and_groups_become_closed_outlines_y_up():
    art = drawn('<g transform="translate(5 5)"><rect width="40" height="30"/></g><polygon points="60,0 90,0 60,30"/>')
    assert len(art.rings) == 2
    assert box_of(art.rings[0]) == (5, -35, 45, -5)
    assert abs(area(art.rings[1])) == 450


def test_curves_are_followed_to_two_thousandths_of_their_area():
    circle = drawn('<circle cx="50" cy="50" r="40"/>').rings[0]
    assert abs(area(circle)) == pytest.approx(3.14159265 * 1600, rel=2e-3)


@given(st.integers(20, 400))
@settings(max_examples=30, deadline=None)
def test_the_size_is_the_width_that_is_wanted(width):
    out = brought_to(Artwork.model_validate(SAIL), width)
    assert out.width == pytest.approx(width)
    assert out.height == pytest.approx(width * 1.5)
    left, low, right, high = box_of(out.rings[0])
    assert (right - left, high - low) == (pytest.approx(width), pytest.approx(width * 1.5))
    assert (left + right, low + high) == (pytest.approx(0, abs=1e-9), pytest.approx(0, abs=1e-9))


def test_what_lies_inside_falls_out_and_what_lies_inside_that_is_cut_again():
    three = drawn("".join(f'<circle cx="50" cy="50" r="{r}"/>' for r in (40, 25, 10)))
    out = brought_to(three, 80)
    assert (len(out.rings), out.islands) == (2, 1)
    cut = sum(Polygon(r).area for r in out.rings) - sum(Polygon(r).area for r in out.holes)
    assert cut == pytest.approx(3.14159265 * (1600 - 625 + 100), rel=3e-3)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("not a drawing", "no SVG drawing"),
        ("<html><body/></html>", "no SVG drawing"),
        (f"{HEAD}<rect width='4'", "damaged at line 1"),
        (f"{HEAD}</svg>", "no outline"),
        (f"{HEAD}<text>QUAY</text></svg>", "turn text into paths"),
        (f"{HEAD}<path d='M0 0 L10 10'/></svg>", "no outline"),
        (f"{HEAD}<path d='M0 0 L10 what'/></svg>", "no outline"),
        (f"<!DOCTYPE svg [<!ENTITY a 'b'>]>{HEAD}</svg>", "DOCTYPE"),
        (f"{HEAD}<rect width='1e9' height='5'/></svg>", "out of all bounds"),
        (f"{HEAD}" + "<rect width='4' height='5'/>" * 301 + "</svg>", "too much in it"),
        ("<svg>" + " " * 1_000_001, "at most 1 MB"),
    ],
    ids=range(11),
)
def test_a_file_that_is_none_says_what_would_be(text: str, says: str):
    with pytest.raises(BadArtwork, match=says):
        read_artwork(text)


def test_artwork_stands_under_the_letters_and_is_cut_from_the_middle_board():
    p = plan(lit(letters="QUAY", artwork=SAIL, artwork_width={"mm": 60}))
    assert value(p, "artwork.height") == pytest.approx(90)
    cuts = [w for w in p.assembly.windows if w.sheet == "middle" and w.id.startswith("letter")]
    letters = [w for w in plan(lit(letters="QUAY")).assembly.windows if w.id.startswith("letter")]
    assert len(cuts) == len(letters) + 1
    lows = [box_of(w.ring)[1] for w in cuts]
    assert min(lows) == lows[-1], "below the letters"
    carried = plan(lit(letters="", artwork=RING, islands="translucent sheet"))
    assert value(carried, "artwork.loose") == 0
    assert sum(w.id.startswith("island") for w in carried.assembly.windows) == 1
