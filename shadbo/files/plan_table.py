"""A plan as tables: text for reading, CSV for a spreadsheet, JSON for another program."""

import csv
import io
from collections.abc import Iterator
from typing import Any

from pydantic import TypeAdapter

from shadbo.core.asking.questions import Station
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, unit_name
from shadbo.core.stations import stations
from shadbo.core.steps import steps
from shadbo.core.steps.step import Step
from shadbo.core.words.lengths import System, inch_text
from shadbo.core.words.words import give_or_take, size_text, value_text
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
            q.source,
        )


def _label(q: Quantity) -> str:
    return q.label


def as_csv(plan: Plan) -> str:
    """Every line of the sheet, with a header row; a cell that a spreadsheet would run as a formula is quoted."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(COLUMNS)
    for row in _rows(plan):
        writer.writerow([("'" + cell) if cell[:1] in ("=", "@", "+") else cell for cell in row])
    return out.getvalue()


def as_text(plan: Plan) -> str:
    """The figures as a table for a terminal, the findings below; all in the shop's own system."""
    system, mark = plan.desk.mark.system, plan.desk.mark
    out = [f"{plan.desk.job.title or 'untitled'} — {plan.display.name}, {plan.state}", ""]
    for q in plan.desk.sheet.named.values():
        value, source = value_text(q, mark).pick(system), q.source
        off = "" if q.kind == "cut" or q.likely < 0.005 else f"± {give_or_take(q).pick(system)}"
        out.append(f"{_label(q):<46.46} {value:>14}  {off:<12} {source}".rstrip())
    out += _parts(plan) + _bench(plan)
    if plan.asks:
        out += ["", "still to measure: " + "; ".join(a.label for a in plan.asks)]
    for finding in plan.findings:
        out.append("")
        out.append(f"{finding.severity.upper()}: {finding.title.pick(system)} — {finding.detail.pick(system)}")
        out += [f"    {r.proposal.label.pick(system)}: {r.says.pick(system)}" for r in finding.remedies]
        if finding.by_hand is not None:
            out.append(f"    {finding.by_hand.pick(system)}")
    return "\n".join(out) + "\n"


def _parts(plan: Plan) -> list[str]:
    """What is cut and bought: count, name, sizes."""
    if plan.assembly is None:
        return []
    out, system = ["", "TO CUT"], plan.desk.mark.system
    for part in plan.assembly.parts:
        sizes = [q for q in (part.length, part.width, part.thick) if q is not None]
        if not part.to_cut or not sizes:
            continue
        shown = sizes[:1] if part.of_profile else sizes
        size = " × ".join(size_text(q.value, plan.desk.mark, system) for q in shown)
        size += f" {system}" + (", long point to long point" if part.mitred else "")
        note = f"; {part.note}" if part.note and not part.of_profile else ""
        out.append(f"{part.count} × {part.called}: {size}{note}")
    for join in plan.assembly.joins:
        out.append(f"{len(join.fixings)} × {join.item}")
    return out


def _bench(plan: Plan) -> list[str]:
    """What each station tells, in the order of work: mount, parts that go with it, closing and hanging."""
    out: list[str] = []
    system = plan.desk.mark.system
    for station in stations(plan):
        if station.name not in ("mount", "hang"):
            continue
        out += ["", f"{station.label.upper()}: {station.answer.pick(system)}"]
        for q in station.questions:
            if q.kind == "care":
                out.append(f"take care: {q.label}")
            elif q.value is not None and q.value.pick(system):
                note = f" ({q.note.pick(system)})" if q.note else ""
                out.append(f"{q.label}: {q.value.pick(system)}{note}")
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
                "width": p.width.value if p.width is not None else None,
                "thick": p.thick.value if p.thick is not None else None,
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
        "windows": [
            {"id": w.id, "name": w.name, "sheet": w.sheet, "stays": w.stays, "ring": [list(dot) for dot in w.ring]}
            for w in (a.windows if a else ())
        ],
        "marks": [
            {"id": m.id, "kind": m.kind, "of": m.of, "plane": m.plane, "at": list(m.at), "size": m.size_mm}
            for m in (a.spots if a else ())
        ],
        "stations": [_station_data(s, mark.system) for s in stations(plan)],
        "steps": [_step_data(s, mark.system) for s in steps(plan)],
        "solids": solids_data(plan),
        "hanging": None
        if hang is None
        else {
            "kind": hang.kind,
            "reason": hang.reason.pick(mark.system),
            "hanger": hang.hanger.name if hang.hanger else None,
        },
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


def _station_data(station: Station, system: System) -> dict[str, Any]:
    """A station's answer, and every row of it that says something; cautions by themselves."""
    rows = [
        {
            "label": q.label,
            "value": q.value.pick(system) if q.value is not None else "",
            "note": q.note.pick(system) if q.note is not None else "",
            "at": q.at,
            "decided": q.decided,
        }
        for q in station.questions
        if q.kind != "care" and (q.value is not None or q.at)
    ]
    cautions = [q.label for q in station.questions if q.kind == "care"]
    answer = [station.answer.pick(system), station.second.pick(system)]
    return {"name": station.name, "answer": [x for x in answer if x], "rows": rows, "cautions": cautions}


def _step_data(step: Step, system: System) -> dict[str, Any]:
    """One step of the work; sizes in mm, times in minutes."""
    return {
        "id": step.id,
        "stage": step.stage,
        "says": step.says,
        "how": [line.pick(system) for line in step.how],
        "takes": [{"count": f.count, "name": f.name, "size": f.size.pick(system)} for f in step.fetched],
        "tools": list(step.tools),
        "sizes": {q.key: q.value for q in step.sizes},
        "checks": [check.words for check in step.checks],
        "cautions": list(step.cautions),
        "minutes": step.minutes,
        "people": step.people,
        "waits": [{"for": made.why, "minutes": made.after_min} for made in step.makes if made.after_min > 0],
    }
