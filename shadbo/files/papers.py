"""What goes to the bench on paper, and to machines as files: which there are for a plan, and how each is made."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import partial

from shadbo.core.cutting.mat_lines import mats_of
from shadbo.core.drawing.templates import templates_of
from shadbo.core.drawing.tiles import Page
from shadbo.core.plan import Plan
from shadbo.core.steps.orders import orders
from shadbo.core.steps.step import PAPER_TITLES, PaperName
from shadbo.core.words.lengths import System

XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
PDF = "application/pdf"


@dataclass(frozen=True, slots=True)
class Paper:
    """One file. ``paged``: it comes on A4 or Letter. ``make`` takes plan, page, system and the job's number."""

    name: str
    title: str
    says: str
    kind: str
    paged: bool
    make: Callable[[Plan, Page, System, int], bytes]


def papers_of(plan: Plan, system: System) -> list[Paper]:
    """The files that this plan has use for; the work sheet always, even while readings are missing."""
    out = [_paged("work-sheet.pdf", "sizes, depth, mounts, parts, drawings, cautions", _work)]
    out.append(_paged("ticket.pdf", "goes with the piece: whose, what, its state, what was agreed", _ticket))
    if plan.assembly is None:
        return out
    out.append(_paged("label.pdf", "title, maker, materials, care; one more for the owner", _label))
    out.append(_paged("care.pdf", "for the owner: light, cleaning, how it hangs, what to leave alone", _care))
    out.append(
        _paged("certificate.pdf", "what it is, of what it is made, by whom, with a line to sign", _certificate)
    )
    templates = templates_of(plan, system)
    mats = mats_of(plan)
    if templates:
        said = ", ".join(t.name.split(",")[0] for t in templates)
        out.append(_paged("templates.pdf", f"tiled over pages: {said}", _templates))
    if any(m.id.startswith("mat") for m in mats):
        said = "from the back, every line from two edges, start and stop"
        out.append(_paged("mats.pdf", said, _mats))
    if any(line.released for line in orders(plan)):
        said = "sheets that are cut elsewhere, from the measured frame"
        out.append(_paged("order.pdf", said, _order))
        out.append(Paper("order.csv", "Order, CSV", "the same as CSV", "text/csv", False, _order_csv))
    out.append(Paper("cut-list.csv", "Cut list, CSV", "parts, fixings, hardware in mm", "text/csv", False, _csv))
    out.append(Paper("cut-list.xlsx", "Cut list, spreadsheet", "the same as XLSX", XLSX, False, _xlsx))
    if mats or plan.assembly.spots:
        said = "openings as closed outlines, marks; layers by role, mm"
        out.append(Paper("cut.dxf", "Cutting file, DXF", said, "image/vnd.dxf", False, _dxf))
    if plan.assembly.bodies:
        said = "every part in its place at true size, for any 3-D viewer"
        out.append(Paper("build.glb", "The build in 3-D, glTF", said, "model/gltf-binary", False, _glb))
    for mat in mats:
        side = "from the back, mirrored" if mat.id.startswith("mat") else "from the front"
        title, make = f"{mat.name[:1].upper()}{mat.name[1:]}, SVG", partial(_svg, mat.id)
        out.append(
            Paper(
                f"{mat.id}.svg",
                title,
                f"true size, {side}",
                "image/svg+xml",
                False,
                make,
            )
        )
    return out


def _paged(name: PaperName, says: str, make: Callable[[Plan, Page, System, int], bytes]) -> Paper:
    return Paper(name, PAPER_TITLES[name], says, PDF, True, make)


def _work(plan: Plan, page: Page, system: System, number: int) -> bytes:
    from shadbo.files.work_sheet import work_sheet

    return work_sheet(plan, page, system, number)


def _ticket(plan: Plan, page: Page, system: System, number: int) -> bytes:
    from shadbo.files.label_sheet import ticket

    return ticket(plan, page, system, number)


def _label(plan: Plan, page: Page, _: System, number: int) -> bytes:
    from shadbo.files.label_sheet import label_sheet

    return label_sheet(plan, page, number)


def _care(plan: Plan, page: Page, system: System, number: int) -> bytes:
    from shadbo.files.hand_over import care_sheet

    return care_sheet(plan, page, system, number)


def _certificate(plan: Plan, page: Page, system: System, number: int) -> bytes:
    from shadbo.files.hand_over import certificate

    return certificate(plan, page, system, number)


def _order(plan: Plan, page: Page, system: System, number: int) -> bytes:
    from shadbo.files.order_sheet import order_sheet

    return order_sheet(plan, page, system, number)


def _order_csv(plan: Plan, _: Page, __: System, number: int) -> bytes:
    from shadbo.files.order_sheet import order_csv

    return order_csv(plan, number).encode()


def _templates(plan: Plan, page: Page, system: System, _: int) -> bytes:
    from shadbo.files.template_sheet import template_sheet

    return template_sheet(plan, page, system)


def _mats(plan: Plan, page: Page, system: System, _: int) -> bytes:
    from shadbo.files.mat_sheet import mat_sheet

    return mat_sheet(plan, page, system)


def _csv(plan: Plan, _: Page, __: System, ___: int) -> bytes:
    from shadbo.files.cut_list_file import as_csv

    return as_csv(plan).encode()


def _xlsx(plan: Plan, _: Page, __: System, ___: int) -> bytes:
    from shadbo.files.cut_list_file import as_xlsx

    return as_xlsx(plan)


def _dxf(plan: Plan, _: Page, __: System, ___: int) -> bytes:
    from shadbo.files.dxf import as_dxf

    return as_dxf(plan).encode()


def _glb(plan: Plan, _: Page, __: System, ___: int) -> bytes:
    from shadbo.files.glb import as_glb

    return as_glb(plan)


def _svg(sheet: str, plan: Plan, _: Page, __: System, ___: int) -> bytes:
    from shadbo.files.cut_svg import as_cut_svg

    mat = next(m for m in mats_of(plan) if m.id == sheet)
    return as_cut_svg(mat, sheet.startswith("mat")).encode()
