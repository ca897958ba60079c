"""The cut list: every part to cut or buy, every fixing, as rows."""

from shadbo.core.build.uses import joint_uses, uses
from shadbo.core.dataclass import dataclass
from shadbo.core.hang.bodies import HANGER
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class CutRow:
    """One row. Sizes in mm, None where the part has none; ``kind`` is part, fixing or hardware."""

    kind: str
    count: int
    name: str
    length_mm: float | None
    width_mm: float | None
    thick_mm: float | None
    material: str
    note: str
    part: str = ""


def set_words(plan: Plan) -> str:
    """That the list is for one frame of a set; nothing for a frame alone."""
    many = plan.desk.of_set
    return (
        f"for one frame of the {many} of this set: outsides are alike, inside each has its own sizes"
        if many > 1
        else ""
    )


def numbers_of(plan: Plan) -> dict[str, int]:
    """The number that each part has in the list, by its id: its row, counted from 1."""
    return {row.part: n for n, row in enumerate(cut_list(plan), 1) if row.part}


def _mm(q: Quantity | None) -> float | None:
    return round(q.value, 2) if q is not None else None


def cut_list(plan: Plan) -> list[CutRow]:
    """All rows in the order of the parts; empty while readings are missing."""
    a, hang = plan.assembly, plan.hang
    if a is None or hang is None:
        return []
    rows = []
    for part in a.parts:
        if not part.to_cut or part.length is None:
            continue
        note = part.note
        if part.mitred and "long point" not in note:
            note = f"long point to long point; {note}".rstrip("; ")
        if part.of_profile and plan.desk.job.finish:
            note = f"{note}; finish: {plan.desk.job.finish}".removeprefix("; ")
        material = part.sheet.name if part.sheet else part.name.split(": ")[-1]
        width, thick = (None, None) if part.of_profile else (_mm(part.width), _mm(part.thick))
        rows.append(CutRow("part", part.count, part.called, _mm(part.length), width, thick, material, note, part.id))
    for part in a.parts:
        if part.fetched and not part.to_cut:
            length, width = _mm(part.length), _mm(part.width)
            rows.append(
                CutRow("hardware", part.count, part.name, length, width, None, part.fetched, part.note, part.id)
            )
    used = uses(plan.desk.sheet, a)
    stuck = used[0] if a.mounts and a.mounts[0].tape is not None else None
    for join in a.joins:
        if join.fixings and not join.part:
            name = stuck.name if join.id == "mount" and stuck is not None else join.item
            length = _mm(join.length)
            rows.append(CutRow("fixing", len(join.fixings), name, length, None, None, join.name, "", join.id))
    hinged = stuck is not None and any(j.id == "mount" and j.fixings for j in a.joins)
    for use in used[1:] if hinged else used:
        rows.append(CutRow("fixing", use.count, use.name, use.run_mm, None, None, use.what, use.whose))
    for use in joint_uses(a):
        rows.append(CutRow("fixing", use.count, use.name, use.run_mm, None, None, use.what, ""))
    if hang.hanger is not None:
        rows.append(
            CutRow("hardware", len(hang.places) or 1, hang.hanger.name, None, None, None, hang.kind, "", HANGER)
        )
    if hang.strip is not None:
        rows.append(CutRow("hardware", len(hang.places), hang.strip.name, None, None, None, "wall strips", ""))
    if hang.bumper_mm > 0:
        rows.append(CutRow("hardware", 2, "bumper", None, None, round(hang.bumper_mm, 2), "lower corners", ""))
    if hang.wire is not None and hang.wire_length is not None:
        length = _mm(hang.wire_length)
        rows.append(CutRow("hardware", 1, hang.wire.name, length, None, None, "wire", "with both tails"))
    return rows
