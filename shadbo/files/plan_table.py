"""A plan as tables: text for reading, CSV for a spreadsheet, JSON for another program."""

import csv
import io
from collections.abc import Iterator
from typing import Any

from pydantic import TypeAdapter

from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, unit_name
from shadbo.core.stations import stations
from shadbo.core.words.lengths import inch_text
from shadbo.core.words.working import Line, line
from shadbo.files.solids import solids_data

COLUMNS = ("key", "label", "value", "unit", "inch", "plus_minus", "source")


def _rows(plan: Plan) -> Iterator[tuple[str, ...]]:
    for key, q in plan.desk.sheet.named.items():
        inch = inch_text(q.value, 32, q.way) if q.unit == MM else ""
        plus_minus = "" if q.kind == "cut" else f"{q.likely:.2f}"
        yield (
            key,
            _label(q),
            f"{q.value:.6g}",
            unit_name(q.unit),
            inch,
            plus_minus,
            (q.name.source or "") if q.name else "",
        )


def _label(q: Quantity) -> str:
    return q.name.label if q.name else ""


def as_csv(plan: Plan) -> str:
    """Every line of the sheet, with a header row; a cell that a spreadsheet would run as a formula is quoted."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(COLUMNS)
    for row in _rows(plan):
        writer.writerow([("'" + cell) if cell[:1] in ("=", "@", "+") else cell for cell in row])
    return out.getvalue()


def as_text(plan: Plan) -> str:
    """The figures as a table for a terminal, the findings below."""
    out = [f"{plan.desk.job.title or 'untitled'} — {plan.display.name}, {plan.state}", ""]
    for _, label, value, unit, inch, plus_minus, source in _rows(plan):
        sure = f"± {plus_minus}" if plus_minus not in ("", "0.00") else ""
        out.append(f"{label:<46.46} {value:>10} {unit:<6} {inch:>10}  {sure:<8} {source}".rstrip())
    out += _parts(plan) + _bench(plan)
    if plan.asks:
        out += ["", "still to measure: " + "; ".join(a.label for a in plan.asks)]
    for finding in plan.findings:
        out.append("")
        out.append(f"{finding.severity.upper()}: {finding.title.mm} — {finding.detail.mm}")
        out += [f"    {r.proposal.label.mm}: {r.says.mm}" for r in finding.remedies]
        if finding.by_hand is not None:
            out.append(f"    {finding.by_hand.mm}")
    return "\n".join(out) + "\n"


def _parts(plan: Plan) -> list[str]:
    """What is cut and bought: count, name, sizes."""
    if plan.assembly is None:
        return []
    out = ["", "TO CUT"]
    for part in plan.assembly.parts:
        sizes = [q for q in (part.length, part.width, part.thick) if q is not None]
        if not part.to_cut or not sizes:
            continue
        shown = sizes[:1] if part.of_profile else sizes
        size = " × ".join(f"{q.value:g}" for q in shown) + (" long point to long point" if part.mitred else "")
        note = f"; {part.note}" if part.note and not part.of_profile else ""
        out.append(f"{part.count} × {part.called}: {size} mm{note}")
    for join in plan.assembly.joins:
        out.append(f"{len(join.fixings)} × {join.item}")
    return out


def _bench(plan: Plan) -> list[str]:
    """What each station tells, in the order of work: mount, parts that go with it, closing and hanging."""
    out: list[str] = []
    for station in stations(plan):
        if station.name not in ("mount", "hang"):
            continue
        out += ["", f"{station.label.upper()}: {station.answer.mm}"]
        for q in station.questions:
            if q.kind == "care":
                out.append(f"take care: {q.label}")
            elif q.value is not None and q.value.mm:
                note = f" ({q.note.mm})" if q.note else ""
                out.append(f"{q.label}: {q.value.mm}{note}")
    return out


_LINES = TypeAdapter(list[Line])


def as_data(plan: Plan) -> dict[str, Any]:
    """The whole plan as plain data: state, asks, every line with its working, parts, joins, hanging, findings."""
    mark = plan.desk.mark
    lines = [line(q, mark) for q in plan.desk.sheet.named.values()]
    a, hang = plan.assembly, plan.hang
    return {
        "job": plan.desk.job.as_written(),
        "display": plan.display.home.kind,
        "state": plan.state,
        "asks": [{"at": ask.at, "label": ask.label} for ask in plan.asks],
        "lines": _LINES.dump_python(lines, mode="json"),
        "parts": [
            {
                "id": p.id,
                "name": p.name,
                "count": p.count,
                "length": p.length.value,
                "mitred": p.mitred,
                "note": p.note,
            }
            for p in (a.parts if a else ())
            if p.to_cut and p.length is not None
        ],
        "joins": [
            {
                "id": j.id,
                "item": j.item,
                "places": [{"side": f.side, "along": f.along.value} for f in j.fixings],
            }
            for j in (a.joins if a else ())
        ],
        "solids": solids_data(plan),
        "hanging": None
        if hang is None
        else {"kind": hang.kind, "reason": hang.reason, "hanger": hang.hanger.name if hang.hanger else None},
        "findings": [
            {
                "code": f.code,
                "place": f.place,
                "severity": f.severity,
                "title": f.title.mm,
                "detail": f.detail.mm,
                "remedies": [
                    {
                        "label": r.proposal.label.mm,
                        "effect": r.says.mm,
                        "edits": [e.model_dump() for e in r.proposal.edits],
                    }
                    for r in f.remedies
                ],
            }
            for f in plan.findings
        ],
    }
