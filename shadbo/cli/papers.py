"""Everything that goes to the bench on paper, and to machines as files, written into one folder."""

from collections.abc import Callable, Iterator
from functools import partial
from pathlib import Path

from shadbo.core.assess import assess
from shadbo.core.cutting.mat_lines import Mat, mats_of
from shadbo.core.drawing.tiles import PAGES
from shadbo.core.job import Job
from shadbo.core.shop import Shop
from shadbo.files.cut_list_file import as_csv, as_xlsx
from shadbo.files.cut_svg import as_cut_svg
from shadbo.files.dxf import NothingToCut, as_dxf
from shadbo.files.mat_sheet import NoMat, mat_sheet
from shadbo.files.template_sheet import NoTemplate, template_sheet
from shadbo.files.work_sheet import work_sheet


def write_papers(job: Job, shop: Shop, folder: Path, page_name: str) -> Iterator[str]:
    """Write what this plan has use for, and tell each file's name. OSError where the folder cannot be written."""
    plan, page = assess(job, shop), PAGES[page_name]
    system = shop.system
    folder.mkdir(parents=True, exist_ok=True)
    makers: list[tuple[str, Callable[[], bytes]]] = [
        ("work-sheet.pdf", lambda: work_sheet(plan, page, system)),
        ("templates.pdf", lambda: template_sheet(plan, page, system)),
        ("mats.pdf", lambda: mat_sheet(plan, page, system)),
        ("cut.dxf", lambda: as_dxf(plan).encode()),
        ("cut-list.csv", lambda: as_csv(plan).encode()),
        ("cut-list.xlsx", lambda: as_xlsx(plan)),
    ]
    makers += [(f"{m.id}.svg", partial(_svg, m)) for m in mats_of(plan)]
    for name, make in makers:
        try:
            (folder / name).write_bytes(make())
        except (NoTemplate, NoMat, NothingToCut):
            continue
        yield name


def _svg(mat: Mat) -> bytes:
    return as_cut_svg(mat, mat.id.startswith("mat")).encode()
