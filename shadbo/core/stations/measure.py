"""Measure: the readings of the piece, and what they say together. Display: which build suits it."""

from collections.abc import Iterable

from shadbo.core.desk import Desk
from shadbo.core.displays.base import Display
from shadbo.core.edits import Edit
from shadbo.core.job import new_id
from shadbo.core.pieces import Brace
from shadbo.core.questions import Choice, Question
from shadbo.core.rows import act, choice_row, exact, length_row, reading_row, told
from shadbo.core.sums.canvas import NEEDED, READINGS
from shadbo.core.words import both, say

HINTS = {
    "width_middle": "beside the folds",
    "height_middle": "beside the folds",
    "diagonal_down": "for squareness",
    "diagonal_up": "for squareness",
}


def questions(desk: Desk) -> list[Question]:
    """The rows of the station: readings in the order in which a tape goes round."""
    detail, at = desk.piece.detail, f"pieces/{desk.piece.id}/detail"
    rows = [
        reading_row(
            desk,
            f"{at}/{name}",
            label,
            getattr(detail, name),
            f"canvas.{name}",
            name in NEEDED,
            HINTS.get(name, ""),
        )
        for name, label in READINGS.items()
    ]
    rows.append(
        Question(
            id=f"pieces/{desk.piece.id}/weight_kg",
            kind="weight",
            label="Weight, on the scale",
            at=f"pieces/{desk.piece.id}/weight_kg",
            value=both(f"{desk.piece.weight_kg:g}") if desk.piece.weight_kg else None,
            decided=desk.piece.weight_kg is not None,
            note=say(desk.mark, "{} estimated", desk.sheet["canvas.mass"])
            if "canvas.mass" in desk.sheet and desk.piece.weight_kg is None
            else None,
            key="canvas.mass",
        )
    )
    rows.append(
        choice_row(
            f"{at}/keyed",
            "Corners",
            [
                Choice(True, "keyed stretcher", picked=detail.keyed),
                Choice(False, "fixed strainer", picked=not detail.keyed),
            ],
            "keyed" in detail.model_fields_set,
        )
    )
    for brace in detail.braces:
        rows += _brace(desk, brace, f"{at}/braces/{brace.id}")
    rows += _add_brace(desk, at)
    for key, label in (("canvas.rack", "Out of square"), ("canvas.misfit", "Readings fail to close by")):
        if key in desk.sheet:
            rows.append(told(label, say(desk.mark, "{}", desk.sheet[key]), key))
    return rows


def _brace(desk: Desk, brace: Brace, at: str) -> list[Question]:
    where = "from the left edge" if brace.runs == "down" else "from the top edge"
    return [
        length_row(desk, f"{at}/at", f"Brace {brace.runs}: middle {where}", brace.at, None, "read"),
        length_row(desk, f"{at}/width", "… and its width", brace.width, None, "read"),
        act(f"{at}-away", "Take this brace away", Edit(at=at)),
    ]


def _add_brace(desk: Desk, at: str) -> list[Question]:
    detail = desk.piece.detail
    if detail.width_top is None or detail.height_left is None:
        return []
    taken = [b.id for b in detail.braces]
    rows = []
    for runs, size in (("down", detail.width_top.mm), ("across", detail.height_left.mm)):
        id_ = new_id(taken, "brace")
        to = {"runs": runs, "at": {"mm": size / 2, "typed": exact(size / 2).pick(desk.mark.system)}}
        word = "upright brace" if runs == "down" else "cross brace"
        rows.append(
            act(
                f"brace-{runs}",
                f"Add an {word}" if runs == "down" else f"Add a {word}",
                Edit(at=f"{at}/braces/{id_}", to=to),
            )
        )
    return rows


def display_questions(desk: Desk, displays: Iterable[Display]) -> list[Question]:
    """Displays that suit the piece."""
    suiting = [d for d in displays if d.suits(desk.piece)]
    return [
        choice_row(
            "display",
            "Build",
            [Choice(d.kind, d.name, picked=d.kind == desk.job.display) for d in suiting],
            "display" in desk.job.model_fields_set,
        )
    ]
