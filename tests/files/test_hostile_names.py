"""Names that would break a file from within: whatever a piece, a sheet or an owner is called, every file is whole."""

import csv
import io
from xml.etree import ElementTree as ET

import dxfgrabber
import openpyxl
import pdfplumber
import pytest
import trimesh

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.board import draw
from shadbo.core.drawing.tiles import A4
from shadbo.core.plan import Plan
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.papers import papers_of

NAMES = ("Cod & Sons <b>", "a\ufffeb\uffff", "=cmd|' /C calc'!A0", "</text><script>x</script>", 'quote"and\\',
         "+1 @2 -3", "\u202eright to left", "emoji \U0001f6a3", "]]>", "%<</>>%", "line\nbreak")  # fmt: skip
TITLES = ("Shirt of the winning eight", "Four coxswains, badges and medals", "Regatta bill, 61st year")


def named(title: str, name: str) -> Plan:
    """A demo job whose pieces, owner, title and stock are all called that."""
    the_job = next(j for j in demo_jobs() if j.title == title)
    shop = demo_shop()
    plain = name.replace("\n", " ")
    sheets = tuple(s.model_copy(update={"name": plain}) for s in shop.stock.sheets)
    frames = tuple(s.model_copy(update={"name": plain}) for s in shop.stock.frames)
    stock = shop.stock.model_copy(update={"sheets": sheets, "frames": frames})
    edits = [Edit(at="title", to=plain), Edit(at="owner/name", to=plain), Edit(at="note", to=name)]
    edits += [Edit(at=f"pieces/{p.id}/name", to=plain) for p in the_job.pieces]
    done = change(the_job, edits, shop.model_copy(update={"stock": stock})).plan
    assert done is not None
    return done


@pytest.mark.parametrize("name", NAMES)
def test_every_file_is_whole_whatever_things_are_called(name: str):
    p = named(TITLES[NAMES.index(name) % len(TITLES)], name)
    made = {x.name: x.make(p, A4, "mm", 101) for x in papers_of(p, "mm") if not x.name.endswith(".pdf")}
    assert len(made) >= 4
    for file, data in made.items():
        if file.endswith(".svg"):
            root = ET.fromstring(data)
            assert {e.tag.rpartition("}")[2] for e in root.iter()} & {"script"} == set()
        elif file.endswith(".xlsx"):
            sheet = openpyxl.load_workbook(io.BytesIO(data)).active
            assert sheet is not None
            assert not [c for row in sheet.iter_rows() for c in row if c.data_type == "f"], "no formulas"
        elif file.endswith(".csv"):
            rows = list(csv.reader(io.StringIO(data.decode())))
            assert len({len(r) for r in rows}) == 1
            assert not [
                c for row in rows for c in row if c[:1] in ("=", "+", "@") or (c[:1] == "-" and not _number(c))
            ]
        elif file.endswith(".dxf"):
            assert dxfgrabber.read(io.StringIO(data.decode()))
        elif file.endswith(".glb"):
            assert trimesh.load(io.BytesIO(data), file_type="glb")


def test_every_page_is_whole_whatever_things_are_called():
    """Pages are of one kind, and slow to set: one job with all names at once."""
    p = named(TITLES[1], " ".join(n for n in NAMES if n.isascii() and n.isprintable()))
    for paper in (x for x in papers_of(p, "mm") if x.name.endswith(".pdf")):
        pages = pdfplumber.open(io.BytesIO(paper.make(p, A4, "mm", 101))).pages
        text = "".join(x.extract_text() for x in pages).replace(" ", "").replace("\n", "")
        assert "Cod&Sons<b>" in text, paper.name
        assert "<script>x</script>" in text, "told, not run"


def _number(cell: str) -> bool:
    try:
        float(cell)
    except ValueError:
        return False
    return True


@pytest.mark.parametrize("name", NAMES)
def test_every_drawing_is_well_formed_whatever_things_are_called(name: str):
    p = named(TITLES[NAMES.index(name) % len(TITLES)], name)
    for view in ("edge", "front", "back", "parts", "apart", "holes", "mat"):
        root = ET.fromstring(draw(p, view, "mm").svg)
        assert "script" not in {e.tag.rpartition("}")[2] for e in root.iter()}
