"""What only one kind of piece is asked where it is measured; braces of a canvas."""

from collections.abc import Mapping
from typing import Any

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, choice_row, exact, length_row, text_row
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.job.job import new_id
from shadbo.core.pieces.objects import Sized
from shadbo.core.pieces.pieces import (
    PRESS_DAYS,
    Brace,
    Detail,
    LooseCanvas,
    Needlework,
    Panel,
    Paper,
    Piece,
    PressedPlant,
    Puzzle,
    StretchedCanvas,
)
from shadbo.core.stations.objects import object_rows
from shadbo.core.stations.stretch import stretch_questions


def of_kind(desk: Desk, piece: Piece, at: str) -> list[Question]:
    """What only this kind of piece is asked."""
    detail = piece.detail
    chosen = detail.model_fields_set

    def pick(name: str, label: str, words: Mapping[Any, str], note: str = "") -> Question:
        now = getattr(detail, name)
        choices = [Choice(to, word, picked=now == to) for to, word in words.items()]
        return choice_row(f"{at}/{name}", label, choices, name in chosen, note)

    if isinstance(detail, Sized):
        return object_rows(desk, piece, at, pick)
    if isinstance(detail, StretchedCanvas):
        return [pick("keyed", "Corners", {True: "keyed stretcher", False: "fixed strainer"})]
    if isinstance(detail, LooseCanvas):
        return stretch_questions(desk, detail, at)
    if isinstance(detail, Panel):
        return [pick("material", "Made of", {m: m for m in ("canvas board", "hardboard", "mdf", "plywood")})]
    if isinstance(detail, Puzzle):
        return [pick("state", "Now it is", {m: m for m in ("loose", "taped", "glued")})]
    if isinstance(detail, Needlework):
        edges = {m: m for m in ("top", "right", "bottom", "left")}
        return [pick("straightest", "Straightest edge of the design", edges, "mounting starts along it")]
    if isinstance(detail, PressedPlant):
        days = str(detail.days_pressed) if detail.days_pressed is not None else ""
        return [
            text_row(
                f"{at}/days_pressed",
                f"Days in the press, {PRESS_DAYS[0]} to {PRESS_DAYS[1]} under flat weight",
                days,
                "number",
            )
        ]
    if isinstance(detail, Paper):
        rows = []
        for side in ("top", "right", "bottom", "left"):
            if getattr(detail, f"margin_{side}") is not None:
                label = f"To trim, {side}"
                rows.append(
                    length_row(desk, f"{at}/trim_{side}", label, getattr(detail, f"trim_{side}"), None, "none")
                )
        return rows
    return []


def brace_rows(desk: Desk, detail: Detail, at: str) -> list[Question]:
    """Braces of a canvas, and a way to add one; nothing for other pieces."""
    if not isinstance(detail, StretchedCanvas | LooseCanvas):
        return []
    rows: list[Question] = []
    for brace in detail.braces:
        rows += _brace(desk, brace, f"{at}/braces/{brace.id}")
    return [*rows, *_add_brace(desk, at)]


def _brace(desk: Desk, brace: Brace, at: str) -> list[Question]:
    where = "from the left edge" if brace.runs == "down" else "from the top edge"
    return [
        length_row(desk, f"{at}/at", f"Brace {brace.runs}: middle {where}", brace.at, None, "read"),
        length_row(desk, f"{at}/width", "… and its width", brace.width, None, "read"),
        act(f"{at}-away", "Take this brace away", Edit(at=at)),
    ]


def _add_brace(desk: Desk, at: str) -> list[Question]:
    detail = desk.piece.detail
    if not isinstance(detail, StretchedCanvas | LooseCanvas):
        return []
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
