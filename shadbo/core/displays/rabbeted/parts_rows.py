"""Rows of frame and parts: what is cut, what was really made, what is cut to that."""

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import pin_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import money_rows, size_text, told_line
from shadbo.core.displays.rabbeted.bench_rows import saw_care
from shadbo.core.displays.rabbeted.milled import milled_rows
from shadbo.core.shop.boards import FrameProfile


def _sticks(desk: Desk, assembly: Assembly) -> str:
    """Whether it comes out of one stick of its moulding, as a figure that runs round asks for."""
    stick = desk.sheet.get("rail.stick")
    if stick is None or assembly.moulding is None:
        return ""
    whole = stick.value <= assembly.moulding.stick_mm
    return "figure can match" if whole else "more than a stick: match the figure by eye"


def parts_questions(desk: Desk, assembly: Assembly) -> list[Question]:
    """Rails to cut, what was made, then the boards that are cut or ordered to the frame that was made."""
    s = desk.sheet
    rows = [
        *([saw_care()] if any(p.of_profile and p.to_cut for p in assembly.parts) else []),
        *told_line(desk, "rail.order", "Moulding to order", assembly.moulding.name if assembly.moulding else ""),
        *told_line(desk, "rail.stick", "One frame from one stick", _sticks(desk, assembly)),
        *(milled_rows(desk, assembly.moulding) if isinstance(assembly.moulding, FrameProfile) else []),
    ]
    if "rail.width" in s:
        rows.append(pin_row(desk, "rail.width", "Rails, top and bottom: outside"))
        rows.append(pin_row(desk, "rail.height", "Rails, left and right: outside"))
        for axis, ends in (("width", ("top", "middle", "bottom")), ("height", ("left", "middle", "right"))):
            rows += [pin_row(desk, f"frame.inside_{axis}.{end}", f"Rabbet {axis} as made, {end}") for end in ends]
    if assembly.glazed and not any(key.startswith("frame.") for key in desk.job.pins) and desk.own_frame is None:
        rows.append(told("Glazing and boards", "after the frame is measured", "", "cut or order nothing to its plan"))
    for part in assembly.parts:
        if part.to_cut and not part.mitred and part.length is not None and part.width is not None:
            size = size_text(desk, *[q for q in (part.length, part.width, part.thick) if q is not None])
            rows.append(told(f"{part.count} × {part.called}", size, part.length.key, part.note or ""))
    for key, label in (
        ("package.width", "Glazing and boards as cut, width"),
        ("package.height", "Glazing and boards as cut, height"),
    ):
        if key in s:
            rows.append(pin_row(desk, key, label))
    return [*rows, *money_rows(desk)]
