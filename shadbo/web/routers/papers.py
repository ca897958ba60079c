"""Paper and cutting files of a job: work sheet, templates, mats, DXF, SVG, cut list."""

from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Query, Response
from fastapi.concurrency import run_in_threadpool

from shadbo.core.assess import assess
from shadbo.core.cutting.mat_lines import mats_of
from shadbo.core.drawing.tiles import PAGES
from shadbo.core.lengths import System
from shadbo.core.plan import Plan
from shadbo.web.deps import JobsDep
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/jobs/{job_id}/papers", tags=["papers"], responses=RESPONSES)
PageName = Literal["a4", "letter"]
XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"


def _plan(jobs: JobsDep, job_id: int) -> Plan:
    _, job, shop = jobs.laid_out(job_id)
    return assess(job, shop)


def _file(content: bytes | str, kind: str, name: str) -> Response:
    return Response(content, media_type=kind, headers={"Content-Disposition": f'attachment; filename="{name}"'})


@router.get("/work.pdf", response_class=Response)
async def work(jobs: JobsDep, job_id: int, page: PageName = "a4", system: System = "mm") -> Response:
    """The work sheet."""
    from shadbo.files.work_sheet import work_sheet

    plan = await run_in_threadpool(_plan, jobs, job_id)
    pdf = await run_in_threadpool(work_sheet, plan, PAGES[page], system, job_id)
    return _file(pdf, "application/pdf", f"job-{job_id}-work-sheet.pdf")


@router.get("/templates.pdf", response_class=Response)
async def templates(
    jobs: JobsDep,
    job_id: int,
    page: PageName = "a4",
    system: System = "mm",
    which: Annotated[str, Query(max_length=20)] = "",
) -> Response:
    """Templates at full size, tiled."""
    from shadbo.files.template_sheet import NoTemplate, template_sheet

    plan = await run_in_threadpool(_plan, jobs, job_id)
    try:
        pdf = await run_in_threadpool(template_sheet, plan, PAGES[page], system, which)
    except NoTemplate as none:
        raise HTTPException(404, str(none)) from None
    return _file(pdf, "application/pdf", f"job-{job_id}-templates.pdf")


@router.get("/mats.pdf", response_class=Response)
async def mats(jobs: JobsDep, job_id: int, page: PageName = "a4", system: System = "mm") -> Response:
    """The mat cutting sheet, from the back."""
    from shadbo.files.mat_sheet import NoMat, mat_sheet

    plan = await run_in_threadpool(_plan, jobs, job_id)
    try:
        pdf = await run_in_threadpool(mat_sheet, plan, PAGES[page], system)
    except NoMat as none:
        raise HTTPException(404, str(none)) from None
    return _file(pdf, "application/pdf", f"job-{job_id}-mats.pdf")


@router.get("/cut.dxf", response_class=Response)
def dxf(jobs: JobsDep, job_id: int) -> Response:
    """Openings and marks as DXF, mats from the back."""
    from shadbo.files.dxf import NothingToCut, as_dxf

    try:
        return _file(as_dxf(_plan(jobs, job_id)), "image/vnd.dxf", f"job-{job_id}.dxf")
    except NothingToCut as none:
        raise HTTPException(404, str(none)) from None


@router.get("/{sheet}.svg", response_class=Response)
def svg(jobs: JobsDep, job_id: int, sheet: Literal["mat", "mat_inner", "middle"]) -> Response:
    """One board with its openings as SVG at true size, mats from the back."""
    from shadbo.files.cut_svg import as_cut_svg

    mat = next((m for m in mats_of(_plan(jobs, job_id)) if m.id == sheet), None)
    if mat is None:
        raise HTTPException(404, "This plan has no such board to cut out")
    return _file(as_cut_svg(mat, sheet != "middle"), "image/svg+xml", f"job-{job_id}-{sheet}.svg")


@router.get("/cut-list.csv", response_class=Response)
def cut_csv(jobs: JobsDep, job_id: int) -> Response:
    """The cut list as CSV."""
    from shadbo.files.cut_list_file import as_csv

    return _file(as_csv(_plan(jobs, job_id)), "text/csv", f"job-{job_id}-cut-list.csv")


@router.get("/cut-list.xlsx", response_class=Response)
def cut_xlsx(jobs: JobsDep, job_id: int) -> Response:
    """The cut list as a spreadsheet."""
    from shadbo.files.cut_list_file import as_xlsx

    return _file(as_xlsx(_plan(jobs, job_id)), XLSX, f"job-{job_id}-cut-list.xlsx")
