"""Pieces of a job from a table: kind, name, width, height, and what the kind measures; lengths as they are typed."""

from typing import Any

from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job, new_id
from shadbo.core.pieces.pieces import Piece
from shadbo.core.words.lengths import NotALength, System, parse
from shadbo.files.tables import Row, Table, Taken, Wrong, fits, said

KINDS = ("garment", "flag", "badge", "keepsake", "plate")
MEASURES: dict[str, tuple[str, ...]] = {
    "garment": ("thickness", "body_width"),
    "flag": ("flat_width", "flat_height", "cloth"),
    "badge": ("relief", "back_relief", "pin_off", "pin_width"),
    "keepsake": ("depth", "base_depth", "centre_up"),
    "plate": ("thickness",),
}
LENGTHS = ("width", "height", *dict.fromkeys(m for ms in MEASURES.values() for m in ms))
PIECE_COLUMNS = ("kind", "name", "sort", "weight_kg", *LENGTHS)


def pieces_table(text: str, job: Job, system: System) -> Taken:
    """Pieces to add to a job. Columns: kind, name, width, height, and what the kind measures; lengths as typed."""
    table = Table(text, ("kind", "width", "height"), PIECE_COLUMNS)
    wrong, rows, edits = list(table.wrong), [], []
    taken = [p.id for p in job.pieces]
    for line, cells in table.rows:
        kind = cells.get("kind", "").lower()
        if kind not in KINDS:
            wrong.append(Wrong(line, "kind", said(kind), f"one of {', '.join(KINDS)}"))
            continue
        detail: dict[str, Any] = {"kind": kind}
        for name in LENGTHS:
            typed = cells.get(name, "")
            if not typed:
                continue
            if name not in ("width", "height", *MEASURES[kind]):
                wrong.append(Wrong(line, name, said(typed), f"nothing: a {kind} has no {name.replace('_', ' ')}"))
                continue
            mm = _length(typed, system, line, name, wrong)
            if mm is not None:
                detail[name] = {"mm": mm, "typed": typed, "tool": "rule"}
        if cells.get("sort"):
            detail["sort"] = cells["sort"]
        data: dict[str, Any] = {"name": cells.get("name", ""), "detail": detail}
        weight = cells.get("weight_kg", "")
        if weight:
            try:
                data["weight_kg"] = float(weight.replace(",", "."))
            except ValueError:
                wrong.append(Wrong(line, "weight_kg", said(weight), "a number of kilograms"))
                continue
        id_ = new_id(taken, kind)
        if fits(Piece, {"id": id_, **data}, line, wrong):
            taken.append(id_)
            edits.append(Edit(at=f"pieces/{id_}", to=data))
            w, h = cells.get("width", ""), cells.get("height", "")
            rows.append(Row(line, f"{cells.get('name') or kind}: {kind}, {w} × {h}"))
    if len(taken) > 60:
        wrong.append(Wrong(1, "the file", f"{len(taken)} pieces in one job", "at most 60"))
    return Taken(tuple(rows), tuple(wrong), tuple(edits) if not wrong else ())


def _length(typed: str, system: System, line: int, column: str, wrong: list[Wrong]) -> float | None:
    try:
        mm = parse(typed, system)
    except NotALength as bad:
        wrong.append(Wrong(line, column, said(typed), str(bad)))
        return None
    if mm <= 0:
        wrong.append(Wrong(line, column, said(typed), "a length above nothing"))
        return None
    return mm
