"""Cutting files: SVG at true size, the cutter's own job, the cut list as CSV and XLSX; hostile words stay words."""

import csv
import io
import xml.etree.ElementTree as ET

import pytest
from openpyxl import load_workbook

from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.cutting.mat_lines import mats_of
from shadbo.files.cut_job import cut_job
from shadbo.files.cut_list_file import as_csv, as_xlsx, head
from shadbo.files.cut_svg import as_cut_svg
from shadbo.files.dxf import NothingToCut, as_dxf
from tests.core.test_box_slips import PHOTO, jersey, lit
from tests.flat import gathered, job, plan, sized, value

SVG = "{http://www.w3.org/2000/svg}"


def test_svg_is_at_true_size_and_mirrored():
    p = plan(jersey({"detail": PHOTO}))
    mat = mats_of(p)[0]
    root = ET.fromstring(as_cut_svg(mat))
    assert root.get("width") == f"{mat.width:.3f}mm"
    assert root.get("viewBox") == f"0 0 {mat.width:.3f} {mat.height:.3f}"
    paths = {e.get("id"): e.get("d") for e in root.iter(f"{SVG}path")}
    assert set(paths) == {w.id for w in mat.windows}
    assert all(d.startswith("M") and d.endswith("Z") for d in paths.values())
    xs = [float(pair.split()[0]) for pair in paths["piece-2"][1:-2].split(" L")]
    window = next(w for w in mat.windows if w.id == "piece-2")
    assert max(xs) == pytest.approx(mat.width / 2 - min(x for x, _ in window.ring), abs=0.001)
    assert "mirrored" in (root.findtext(f"{SVG}title") or "")


def test_letters_are_cut_from_the_front():
    middle = next(m for m in mats_of(plan(lit())) if m.id == "middle")
    root = ET.fromstring(as_cut_svg(middle, back=False))
    assert "from the front" in (root.findtext(f"{SVG}title") or "")
    assert len(list(root.iter(f"{SVG}path"))) == len(middle.windows)


def test_the_cutters_job_has_the_board_face_down_from_its_lower_left_corner():
    mat = mats_of(plan(jersey({"detail": PHOTO})))[0]
    data = cut_job(mat, "a test")
    assert data["board"]["width_mm"] == mat.width
    points = [p for o in data["openings"] for p in o["points"]]
    assert min(x for x, _ in points) > 0
    assert max(x for x, _ in points) < mat.width
    photo = next(o for o in data["openings"] if o["id"] == "piece-2")
    assert max(x for x, _ in photo["points"]) < mat.width / 2, "beside on the right in front, on the left behind"


def test_the_cut_list_names_parts_fixings_and_hardware():
    p = plan(jersey({"detail": PHOTO}))
    rows = list(csv.DictReader(io.StringIO(as_csv(p))))
    assert list(rows[0]) == list(head("mm"))
    kinds = {r["kind"] for r in rows}
    assert kinds == {"part", "fixing", "hardware"}
    rails = [r for r in rows if r["part"].startswith("rail")]
    assert all("long point" in r["note"] for r in rails)
    assert {float(r["length mm"]) for r in rails} == {value(p, "rail.width"), value(p, "rail.height")}
    pins = next(r for r in rows if r["material"] == "stainless pins")
    assert int(pins["count"]) == value(p, "item.piece.pins")
    assert cut_list(plan(job("sash", "banner"))) == []


def test_the_spreadsheet_holds_numbers_as_numbers():
    p = plan(jersey())
    sheet = load_workbook(io.BytesIO(as_xlsx(p))).active
    rows = list(sheet.iter_rows(values_only=True))
    assert rows[0] == head("mm")
    assert len(rows) - 1 == len(cut_list(p))
    assert all(isinstance(r[1], int) for r in rows[1:])
    assert sheet.freeze_panes == "A2"


def test_a_name_that_a_spreadsheet_would_run_stays_a_name():
    bad = {"name": "=HYPERLINK(1)", "detail": sized("garment", 400, 500, body_width=400, thickness=14)}
    p = plan(gathered("jersey box", bad))
    assert "\n=HYPERLINK" not in as_csv(p)
    for row in load_workbook(io.BytesIO(as_xlsx(p))).active.iter_rows():
        assert all(cell.data_type != "f" for cell in row)


def test_a_name_with_markup_stays_words_in_svg():
    bad = {"name": 'a <b> & "c"', "detail": sized("plate", 100, 80, thickness=0.3)}
    p = plan(gathered("jersey box", {"detail": sized("garment", 400, 500, body_width=400, thickness=14)}, bad))
    for mat in mats_of(p):
        ET.fromstring(as_cut_svg(mat))


def test_a_plan_without_openings_and_marks_has_no_cutting_file():
    with pytest.raises(NothingToCut):
        as_dxf(plan(job("canvas frame", "panel")))
