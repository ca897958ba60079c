"""What an archive holds for readers: the record and the cut list as CSV, the drawings as SVG."""

import csv
import io
from collections.abc import Iterator

from shadbo.core.drawing.board import BOARDS, TITLES, scene_of, views_of
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.svg import write_svg
from shadbo.core.plan import Plan
from shadbo.core.record.record import record
from shadbo.files.cut_list_file import as_csv, safe

VIEWS = ("front", "edge", "back")


def readable(plan: Plan) -> Iterator[tuple[str, bytes]]:
    """Names and contents."""
    yield "record.csv", record_csv(plan).encode()
    if plan.assembly is None:
        return
    yield "cut-list.csv", as_csv(plan).encode()
    system = plan.desk.mark.system
    for view in views_of(plan):
        if view in VIEWS:
            sheet = compose(scene_of(plan, view, system), BOARDS[view])
            yield f"{view}.svg", write_svg(sheet, TITLES[view], printed=True).encode()


def record_csv(plan: Plan) -> str:
    """Sizes planned and made in mm, then steps with who, when, minutes planned and taken, and what went otherwise."""
    found = record(plan)
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(["size", "line", "planned", "made", "made less planned mm", "tool"])
    for size in found.sizes:
        writer.writerow(
            [safe(x) for x in ("size", size.label, size.planned.mm, size.made.mm, size.off_mm, size.tool)]
        )
    writer.writerow(["step", "done", "by", "ended", "minutes planned", "minutes taken", "again", "not as planned"])
    for d in found.doings:
        told = ("step", d.says, d.who, d.ended.isoformat(), d.planned, d.took, d.remade, d.note)
        writer.writerow(["" if x is None else safe(x) for x in told])
    return out.getvalue()
