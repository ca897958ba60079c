"""What only things with depth are asked: sleeves, clasps, feet, captions; and zones where nothing may go."""

from collections.abc import Callable, Mapping
from typing import Any

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, choice_row, length_row, text_row
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.job.job import new_id
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Plate
from shadbo.core.pieces.outlines import on_ribbon
from shadbo.core.pieces.pieces import Piece
from shadbo.core.words.lengths import Mark
from shadbo.core.words.words import length

Pick = Callable[..., Question]


def _same(*words: str) -> Mapping[Any, str]:
    return {w: w for w in words}


def object_rows(desk: Desk, piece: Piece, at: str, pick: Pick) -> list[Question]:
    """Rows of a garment, flag, badge, keepsake or plate."""
    detail = piece.detail
    if isinstance(detail, Garment):
        return [
            pick("sleeves", "Sleeves", _same("none", "spread", "folded"), "folded back behind the body, or spread")
        ]
    if isinstance(detail, Flag):
        rows = [pick("sort", "Sort", _same("flag", "banner", "quilt"))]
        if detail.sort == "flag":
            rows.append(
                text_row(f"{at}/country", "Flag of", detail.country, note="its law decides which edge goes up")
            )
        return rows
    if isinstance(detail, Badge):
        rows = [
            pick("sort", "Sort", _same("badge", "pin", "medal", "patch")),
        ]
        if not on_ribbon(detail):
            rows.append(pick("shape", "Shape", _same("round", "rectangle")))
        if detail.pin_off is not None:
            rows.append(pick("pin_side", "The pin sits", _same("above", "below", "left", "right"), "of its centre"))
        return rows
    if isinstance(detail, Keepsake):
        return [
            pick("stands", "It", {True: "stands", False: "hangs"}),
            text_row(f"{at}/touch", "May be touched at", detail.touch),
        ]
    assert isinstance(detail, Plate)
    rows = [pick("sort", "Sort", _same("photograph", "certificate", "nameplate", "letter"))]
    others = [p for p in desk.pieces if p.id != piece.id and not isinstance(p.detail, Plate)]
    if detail.sort == "nameplate" and others and desk.levers.layout_width is not None:
        choices = [Choice(None, "none", picked=detail.caption_of is None)]
        choices += [Choice(p.id, p.name or p.id, picked=detail.caption_of == p.id) for p in others]
        rows.append(choice_row(f"{at}/caption_of", "Names", choices, detail.caption_of is not None, menu=True))
    days = str(detail.lead_days) if detail.lead_days is not None else ""
    rows.append(text_row(f"{at}/lead_days", "Ordered: working days to come", days, "number", "5 as a rule"))
    return rows


def zone_rows(piece: Piece, at: str, desk: Desk) -> list[Question]:
    """Zones of the piece: a rectangle by its distances, or an outline traced on a photograph."""
    rows: list[Question] = []
    for zone in piece.zones:
        here = f"{at}/zones/{zone.id}"
        rows.append(text_row(f"{here}/what", "Nothing may go where its … is", zone.what))
        if zone.trace is None:
            for name, label in (
                ("left", "… begins, from the left edge"),
                ("top", "… begins, from the top edge"),
                ("width", "… and is wide"),
                ("height", "… and is high"),
            ):
                rows.append(length_row(desk, f"{here}/{name}", label, getattr(zone, name), None, "of the piece"))
        rows.append(act(f"{here}-away", f"Forget the zone of the {zone.what}", Edit(at=here)))
    id_ = new_id([z.id for z in piece.zones], "zone")
    to = {
        "what": "autograph",
        "left": _mm(50, desk.mark),
        "top": _mm(50, desk.mark),
        "width": _mm(120, desk.mark),
        "height": _mm(50, desk.mark),
    }
    rows.append(act("zone", "A zone where nothing may go", Edit(at=f"{at}/zones/{id_}", to=to)))
    rows.append(Question(id="outline", kind="outline", label="Trace a zone on a photograph", at=f"{at}/zones/{id_}"))
    return rows


def _mm(mm: float, mark: Mark) -> dict[str, object]:
    return {"mm": mm, "typed": length(mm, mark).pick(mark.system)}
