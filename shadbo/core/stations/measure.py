"""Measure: the readings of the piece, and what they say together. Display: which build suits it."""

from collections.abc import Iterable, Mapping
from typing import Any, get_args

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, choice_row, exact, length_row, reading_row, text_row, told
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Display
from shadbo.core.displays.own_frame import frame_rows
from shadbo.core.job.job import new_id
from shadbo.core.pieces.kinds import PaperSort
from shadbo.core.pieces.measures import Measure, measures
from shadbo.core.pieces.objects import Sized
from shadbo.core.pieces.pieces import (
    PRESS_DAYS,
    Brace,
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
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both, say


def questions(desk: Desk) -> list[Question]:
    """The rows of the station: readings in the order in which a tape goes round, piece by piece."""
    if not desk.gathers:
        return [*_of_piece(desk, desk.piece), *_set(desk)]
    rows: list[Question] = []
    for n, piece in enumerate(desk.pieces):
        if n:
            rows.append(text_row(f"pieces/{piece.id}/name", f"Piece {n + 1}", piece.name))
        rows += _of_piece(desk, piece)
        if n:
            rows.append(
                act(f"pieces/{piece.id}-away", f"Take {piece.name or 'this'} away", Edit(at=f"pieces/{piece.id}"))
            )
    return [*rows, *_more_pieces(desk)]


def _of_piece(desk: Desk, piece: Piece) -> list[Question]:
    detail, at, start = piece.detail, f"pieces/{piece.id}/detail", desk.prefix(piece)
    rows = [
        reading_row(
            desk, f"{at}/{m.name}", m.label, getattr(detail, m.name), f"{start}.{m.name}", m.needed, _hint(desk, m)
        )
        for m in measures(detail)
    ]
    mass = desk.sheet.get(f"{start}.mass")
    rows.append(
        Question(
            id=f"pieces/{piece.id}/weight_kg",
            kind="weight",
            label="Weight, on the scale",
            at=f"pieces/{piece.id}/weight_kg",
            value=both(f"{piece.weight_kg:g}") if piece.weight_kg else None,
            decided=piece.weight_kg is not None,
            note=say(desk.mark, "{} estimated", mass) if mass is not None and piece.weight_kg is None else None,
            key=f"{start}.mass",
        )
    )
    rows += _of_kind(desk, piece, at)
    if isinstance(detail, StretchedCanvas | LooseCanvas) and not desk.gathers:
        for brace in detail.braces:
            rows += _brace(desk, brace, f"{at}/braces/{brace.id}")
        rows += _add_brace(desk, at)
    for key, label in (
        (f"{start}.taper_width", "Taper, top less bottom"),
        (f"{start}.taper_height", "Taper, left less right"),
        (f"{start}.waist_width", "Waist of the width"),
        (f"{start}.waist_height", "Waist of the height"),
        (f"{start}.rack", "Out of square"),
        (f"{start}.misfit", "Readings fail to close by"),
    ):
        if key in desk.sheet and abs(desk.sheet[key].value) > 1e-9:
            rows.append(told(label, say(desk.mark, "{}", desk.sheet[key]), key))
    return rows


def _hint(desk: Desk, m: Measure) -> Both | str:
    return say(desk.mark, m.hint, *map(Mm, m.usual_mm)) if m.usual_mm else m.hint


MORE: tuple[tuple[str, str, dict[str, str]], ...] = (
    ("badge", "Add a badge, medal or patch", {"kind": "badge"}),
    ("plate", "Add a photograph or nameplate", {"kind": "plate"}),
    ("object", "Add a tool, figure or model", {"kind": "keepsake"}),
    ("shirt", "Add a shirt or jacket", {"kind": "garment"}),
)


def _more_pieces(desk: Desk) -> list[Question]:
    """Further pieces for the same frame: one by one, or many from a table."""
    taken = [p.id for p in desk.job.pieces]
    if len(taken) >= 60:
        return []
    rows = []
    for stem, label, detail in MORE:
        id_ = new_id(taken, stem)
        rows.append(act(f"more:{stem}", label, Edit(at=f"pieces/{id_}", to={"detail": detail})))
    return [*rows, Question(id="table", kind="table", label="Pieces from a table (CSV)")]


def _of_kind(desk: Desk, piece: Piece, at: str) -> list[Question]:
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
        rows = [
            choice_row(
                f"{at}/sort",
                "Sort",
                [Choice(w, w, picked=detail.sort == w) for w in get_args(PaperSort)],
                "sort" in chosen,
                menu=True,
            )
        ]
        for side in ("top", "right", "bottom", "left"):
            if getattr(detail, f"margin_{side}") is not None:
                label = f"To trim, {side}"
                rows.append(
                    length_row(desk, f"{at}/trim_{side}", label, getattr(detail, f"trim_{side}"), None, "none")
                )
        return rows
    return []


def _set(desk: Desk) -> list[Question]:
    """Other pieces of a set that shares the outside size; each keeps its own readings."""
    rows = []
    taken = [p.id for p in desk.job.pieces]
    for n, piece in enumerate(desk.job.pieces[1:], 2):
        at = f"pieces/{piece.id}"
        rows.append(text_row(f"{at}/name", f"Piece {n} of the set", piece.name))
        for name, label in (("width_top", "width"), ("height_left", "height")):
            reading = getattr(piece.detail, name, None)
            rows.append(reading_row(desk, f"{at}/detail/{name}", f"{label}, piece {n}", reading, f"set.{n}.{label}"))
        rows.append(act(f"{at}-away", f"Take piece {n} out of the set", Edit(at=at)))
    if len(taken) < 12:
        id_ = new_id(taken, "piece")
        to = {"worth": desk.piece.worth, "detail": {"kind": desk.piece.detail.kind}}
        rows.append(act("set", "Add a piece that shares this outside size", Edit(at=f"pieces/{id_}", to=to)))
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


def display_questions(desk: Desk, displays: Iterable[Display], now: Display) -> list[Question]:
    """Displays that suit the piece, held against each other; and a frame that exists already."""
    suiting = [d for d in displays if d.suits(desk.piece)]
    return [
        Question(
            id="display",
            kind="compare",
            label="What shows it",
            at="display",
            decided="display" in desk.job.model_fields_set,
            choices=tuple(Choice(d.home.kind, d.name, picked=d.home.kind == desk.job.display) for d in suiting),
        ),
        *frame_rows(desk, now.frames),
    ]
