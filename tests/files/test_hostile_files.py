"""Files that are damaged, endless, or made to be a burden: refused in words, quickly, and never an error."""

import contextlib
import io
import struct
import time
from collections.abc import Sequence
from typing import Literal
from xml.etree.ElementTree import Element, XMLPullParser

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageFile

from shadbo.core.shop.stock import Stock
from shadbo.demo.pictures import shirt_photo
from shadbo.files.artwork import BadArtwork, read_artwork
from shadbo.files.pdf_page import to_pdf  # noqa: F401  (loads the library that lets cut-off pictures through)
from shadbo.files.photo import BadPhoto, Photo, take_in
from shadbo.files.stock_table import stock_table

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink">'
BOX = '<rect width="9" height="9"/>'
DRAWINGS = {
    "a thing that uses itself": f'{HEAD}<g id="a"><use xlink:href="#a"/></g></svg>',
    "nested without end": f"{HEAD}{'<g>' * 3000}{BOX}{'</g>' * 3000}</svg>",
    "too many things": f"{HEAD}{BOX * 30_000}</svg>",
    "styles by the ten thousand": f"{HEAD}<style>{'.a{fill:red}' * 30_000}</style>{BOX}</svg>",
    "segments without end": f'{HEAD}<path d="M0 0{"c1 1 2 2 3 3" * 60_000}"/></svg>',
    "turned without end": f'{HEAD}<rect width="9" height="9" transform="{"rotate(1) " * 50_000}"/></svg>',
    "a size without end": f'{HEAD}<rect width="1e999" height="9"/></svg>',
    "definitions of its own": f'<!DOCTYPE svg [<!ENTITY a "b">]>{HEAD}{BOX}</svg>',
    "a picture from elsewhere": f'{HEAD}<image href="http://example.test/x.png"/>{BOX}</svg>',
    "cut off": f"{HEAD}{BOX[:-5]}",
}


@pytest.mark.parametrize("what", DRAWINGS)
def test_a_drawing_that_is_a_burden_is_refused_quickly(what: str):
    start = time.process_time()
    with pytest.raises(BadArtwork):
        read_artwork(DRAWINGS[what])
    assert time.process_time() - start < 2


class KeepsBack:
    """A parser that gives everything out at its end, as newer Expat does with what stands in one long token."""

    def __init__(self, events: Sequence[Literal["start", "end"]]) -> None:
        self.parser: XMLPullParser[Element] = XMLPullParser(events)
        self.kept: list[str] = []
        self.feed, self.read_events = self.kept.append, self.parser.read_events

    def close(self) -> None:
        self.parser.feed("".join(self.kept))
        self.parser.close()


def test_a_burden_that_the_parser_keeps_back_to_its_end_is_counted(monkeypatch: pytest.MonkeyPatch):
    monkeypatch.setattr("shadbo.files.artwork.XMLPullParser", KeepsBack)
    start = time.process_time()
    with pytest.raises(BadArtwork, match="too much in it"):
        read_artwork(DRAWINGS["segments without end"])
    assert time.process_time() - start < 2


def test_a_few_styles_hurt_nobody():
    assert read_artwork(f"{HEAD}<style>.a{{fill:red}}</style>{BOX}</svg>").rings


@settings(max_examples=150)
@given(st.data())
def test_a_drawing_with_anything_changed_is_read_or_refused(data: st.DataObject):
    whole = f'{HEAD}<path d="M0 0C9 0 9 9 0 9Z" transform="translate(3,4)"/><circle r="4"/>{BOX}</svg>'
    at = data.draw(st.integers(0, len(whole) - 1))
    more = data.draw(st.text(max_size=6))
    with contextlib.suppress(BadArtwork):
        read_artwork(whole[:at] + more + whole[at + data.draw(st.integers(0, 5)) :])


def taken(data: bytes) -> Photo | None:
    """A photograph as it is kept; None where it is refused."""
    try:
        return take_in(data)
    except BadPhoto:
        return None


def test_a_photograph_cut_off_is_refused_whatever_else_is_loaded():
    whole = shirt_photo()
    ImageFile.LOAD_TRUNCATED_IMAGES = True
    with pytest.raises(BadPhoto):
        take_in(whole[: len(whole) * 2 // 3])
    assert take_in(whole).width > 0


def test_more_pixels_than_are_kept_are_refused_before_they_are_made():
    out = io.BytesIO()
    Image.new("1", (10_000, 10_000)).save(out, "PNG")
    start = time.process_time()
    with pytest.raises(BadPhoto, match="pixels"):
        take_in(out.getvalue())
    assert time.process_time() - start < 1


def test_a_camera_that_writes_nonsense_does_no_harm():
    entry = struct.pack("<HHII", 0x0112, 2, 9, 26)  # how it was held, as a word where a number belongs
    exif = b"Exif\0\0II*\0" + struct.pack("<IH", 8, 1) + entry + struct.pack("<I", 0) + b"upsidedo\0"
    out = io.BytesIO()
    Image.new("RGB", (40, 30), "teal").save(out, "JPEG", exif=exif)
    kept = taken(out.getvalue())
    assert kept is None or {kept.width, kept.height} == {40, 30}


@settings(max_examples=120)
@given(st.lists(st.tuples(st.integers(0, 4000), st.integers(0, 255)), min_size=1, max_size=20), st.integers(0, 4000))
def test_a_photograph_with_anything_changed_is_kept_or_refused(changes: list[tuple[int, int]], cut: int):
    out = io.BytesIO()
    Image.effect_noise((60, 40), 40).convert("RGB").save(out, "JPEG")
    data = bytearray(out.getvalue())
    for at, value in changes:
        data[at % len(data)] = value
    kept = taken(bytes(data[: len(data) - cut % 200]))
    assert kept is None or kept.full


@pytest.mark.parametrize("text", [
    ",".join(f"c{n}" for n in range(200_000)),
    "type,id,name\n" + "sheet,a,b\n" * 5000,
    'type,id,name\n"sheet,a',
    "type,id,name\n" + "x" * 900_000,
    "type;id;name\nsheet;a;\ud800",
    "",
])  # fmt: skip
def test_a_table_that_is_a_burden_is_refused_quickly_with_its_line(text: str):
    start = time.process_time()
    taken, _ = stock_table(text, Stock())
    assert taken.wrong
    assert len(taken.wrong) <= 600
    assert time.process_time() - start < 2


@settings(max_examples=100)
@given(st.text(alphabet=st.characters(codec="utf-8"), max_size=300))
def test_any_text_as_a_table_is_read_or_refused(text: str):
    taken, _ = stock_table("type,id,name,thick_mm\nsheet,a,A,3\n" + text, Stock())
    assert taken.rows or taken.wrong
