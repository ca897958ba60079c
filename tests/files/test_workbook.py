"""Spreadsheets: all that lies in the racks goes out and comes back, and what is no table is refused."""

import io
import math
import zipfile

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from openpyxl import Workbook
from python_calamine import CalamineWorkbook

from shadbo.core.shop.stock import Stock
from shadbo.demo.shop import demo_shop
from shadbo.files.stock_table import KINDS, STOCK_COLUMNS, stock_csv, stock_table, stock_xlsx
from shadbo.files.workbook import MOST_UNPACKED, NotATable, as_text, workbook

STOCK = demo_shop().stock


def test_every_kind_of_stock_comes_back_as_it_went():
    text = as_text(stock_xlsx(STOCK))
    taken, after = stock_table(text, Stock())
    assert taken.wrong == ()
    for home, *_ in KINDS.values():
        assert getattr(STOCK, home), f"the demo has no {home}"
        came, went = ([x.model_dump() for x in getattr(s, home)] for s in (after, STOCK))
        assert [x["id"] for x in came] == [x["id"] for x in went], home
        for one, other in zip(came, went, strict=True):
            assert same(one, other), home


THINGS = [f"{home}/{x.id}" for home, *_ in KINDS.values() for x in getattr(STOCK, home)]


@given(st.sets(st.sampled_from(THINGS), max_size=6), st.booleans())
@settings(max_examples=12)
def test_what_is_offered_no_more_comes_back_so(gone: set[str], spreadsheet: bool):
    stock = STOCK.model_copy(update={"retired": tuple(gone)})
    taken, after = stock_table(as_text(stock_xlsx(stock)) if spreadsheet else stock_csv(stock), Stock())
    assert taken.wrong == ()
    assert set(after.retired) == gone
    again, offered = stock_table(stock_csv(STOCK), stock)
    assert again.wrong == ()
    assert offered.retired == ()


def test_a_table_that_does_not_say_so_leaves_what_is_offered_alone():
    head = "type,id,name,offered,thick_mm,kind\n"
    stock = Stock(retired=("sheets/a",))
    silent, after = stock_table(head + "sheet,a,A,,3,mdf\n", stock)
    assert (silent.wrong, after.retired, len(after.sheets)) == ((), ("sheets/a",), 1)
    assert stock_table(head + "sheet,a,A,yes,3,mdf\n", stock)[1].retired == ()
    wrong, same_stock = stock_table(head + "sheet,a,A,perhaps,3,mdf\n", stock)
    assert [(w.line, w.column, w.expected) for w in wrong.wrong] == [(2, "offered", "yes or no")]
    assert same_stock is stock


def same(one: dict[str, object], other: dict[str, object]) -> bool:
    """Alike, numbers to the fifteen digits that a spreadsheet keeps."""
    return all(
        math.isclose(float(str(one[k])), v, rel_tol=1e-14) if isinstance(v, float) else one[k] == v
        for k, v in other.items()
    )


def test_another_reader_finds_the_same_cells():
    rows = CalamineWorkbook.from_filelike(io.BytesIO(stock_xlsx(STOCK))).get_sheet_by_index(0).to_python()
    assert tuple(rows[0]) == STOCK_COLUMNS
    named = {row[2]: row for row in rows[1:]}
    assert named["acrylic 3"][STOCK_COLUMNS.index("thick_mm")] == 3.0
    assert named["acrylic 3"][STOCK_COLUMNS.index("lead_days")] == 5.0


def test_a_sheet_made_elsewhere_is_read_as_it_shows():
    book = Workbook()
    sheet = book.active
    sheet.append(["type", "id", "name", "thick_mm", "kind", "coated"])
    sheet.append(["sheet", "card-1", 'card "stone", 1', 1.5, "mat", True])
    out = io.BytesIO()
    book.save(out)
    text = as_text(out.getvalue())
    assert text == 'type,id,name,thick_mm,kind,coated\nsheet,card-1,"card ""stone"", 1",1.5,mat,yes\n'


def test_a_cell_that_would_run_is_plain_text():
    rows = (
        CalamineWorkbook.from_filelike(io.BytesIO(workbook("T", [["a"], ["=1+1"]]))).get_sheet_by_index(0).to_python()
    )
    assert rows[1] == ["'=1+1"]


def bomb() -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("xl/worksheets/sheet1.xml", b" " * (MOST_UNPACKED + 1))
    return out.getvalue()


@pytest.mark.parametrize(
    ("data", "why"),
    [
        (b"", "no spreadsheet"),
        (b"type,id,name\n", "no spreadsheet"),
        (b"PK\x03\x04 and no more", "no spreadsheet"),
        (stock_xlsx(STOCK)[:2000], "no spreadsheet"),
        (b"PK\x03\x04" + b"x" * 1_000_001, "more than 1 MB"),
        (bomb(), "unpacks to more than"),
    ],
    ids=["nothing", "a CSV", "half a header", "cut short", "too large", "a bomb"],
)
def test_what_is_no_spreadsheet_is_refused(data: bytes, why: str):
    with pytest.raises(NotATable, match=why):
        as_text(data)
