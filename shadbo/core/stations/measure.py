"""Measure: the readings of the piece, and what they say together. Display: which build suits it."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from shadbo.core.asking.questions import Choice, Question, Spot
from shadbo.core.asking.rows import act, beside, folded, length_row, reading_row, text_row, told
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Display
from shadbo.core.displays.own_frame import frame_rows
from shadbo.core.job.job import new_id
from shadbo.core.pieces.measures import Measure, measures
from shadbo.core.pieces.pieces import Piece
from shadbo.core.pieces.taping import Taping, equal_pieces, taping, taping_among
from shadbo.core.stations.of_kind import brace_rows, of_kind
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, mass_text, say


def questions(desk: Desk) -> list[Question]:
    """The rows of the station: readings in the order in which a tape goes round, equal pieces once."""
    if not desk.gathers:
        return [*_of_piece(desk, desk.piece, taping(desk.piece.detail)), *_set(desk)]
    rows: list[Question] = []
    groups = equal_pieces(desk.pieces)
    for n, (piece, *like) in enumerate(groups):
        if n or like or len(groups) > 1:
            rows.append(text_row(f"pieces/{piece.id}/name", _called(piece, len(like)), piece.name))
        laid = taping_among(piece.detail, n, len(groups))
        rows += [_for_all(q, piece, like) for q in _of_piece(desk, piece, laid)]
        rows.append(_one_more(desk, piece, like))
        if n:
            rows.append(_away(piece))
        for other in like:
            inside = [text_row(f"pieces/{other.id}/name", "Its name", other.name)]
            inside += _of_piece(desk, other, None)
            rows += folded(other.id, other.name or other.id, "like the one before", [*inside, _away(other)])
    return [*rows, *_more_pieces(desk)]


def _called(piece: Piece, like: int) -> str:
    return f"{like + 1} alike: the first" if like else f"Name, {piece.noun}"


def _for_all(q: Question, piece: Piece, like: Sequence[Piece]) -> Question:
    """A row of one piece, whose answer goes to those that are like it too; a row of words is its own."""
    start = f"pieces/{piece.id}/"
    if not like or not q.at.startswith(start):
        return q
    return replace(q, also=tuple(f"pieces/{x.id}/{q.at.removeprefix(start)}" for x in like))


def _away(piece: Piece) -> Question:
    return act(f"pieces/{piece.id}-away", f"Take {piece.name or 'this'} away", Edit(at=f"pieces/{piece.id}"))


def _one_more(desk: Desk, piece: Piece, like: Sequence[Piece]) -> Question:
    """One more piece like this one, with its readings."""
    stem = piece.id.rstrip("0123456789-") or "piece"
    id_ = new_id([p.id for p in desk.job.pieces], stem)
    to = piece.model_dump(mode="json", exclude_defaults=True, exclude={"id", "name", "zones", "edge_marks"})
    to["detail"] = {"kind": piece.detail.kind, **to.get("detail", {})}
    name = piece.name or piece.noun
    to["name"] = f"{name} {len(like) + 2}"
    more = act(f"like:{piece.id}", f"One more like it ({len(like) + 1} now)", Edit(at=f"pieces/{id_}", to=to))
    return replace(more, adds=True)


def _of_piece(desk: Desk, piece: Piece, laid: Taping | None) -> list[Question]:
    """Readings that the plan needs; then, folded, those that matter now and then; then what they say together."""
    detail, at, start = piece.detail, f"pieces/{piece.id}/detail", desk.prefix(piece)
    needed: list[Question] = []
    others: list[Question] = []
    for m in measures(detail):
        if m.wanted:
            wanted = length_row(
                desk, f"{at}/{m.name}", m.label, getattr(detail, m.name), desk.sheet.get(f"stretch.{m.name}")
            )
            needed.append(replace(wanted, needed=m.needed, spot=_spot(piece, laid, m)))
            continue
        reading = getattr(detail, m.name)
        taken = _taken(desk, f"{start}.{m.name}") if reading is None else None
        note = _hint(desk, m) if taken is None else taken
        row = reading_row(desk, f"{at}/{m.name}", m.label, reading, f"{start}.{m.name}", m.needed, note)
        row = replace(row, spot=_spot(piece, laid, m) if m.needed else None)
        (needed if m.needed else others).append(row)
    mass = desk.sheet.get(f"{start}.mass")
    others.append(
        Question(
            id=f"pieces/{piece.id}/weight_kg",
            kind="weight",
            label="Weight, on the scale",
            at=f"pieces/{piece.id}/weight_kg",
            value=mass_text(piece.weight_kg) if piece.weight_kg else None,
            decided=piece.weight_kg is not None,
            note=say(desk.mark, "{} estimated", mass) if mass is not None and piece.weight_kg is None else None,
            key=f"{start}.mass",
        )
    )
    others += of_kind(desk, piece, at)
    if not desk.gathers:
        others += brace_rows(desk, detail, at)
    rows = [*needed, *folded(f"{piece.id}-more", "When it matters", _matters(others), others)]
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


def _spot(piece: Piece, laid: Taping | None, m: Measure) -> Spot | None:
    """Where its field stands on the board; among several pieces by its short name, and whose it is."""
    place = laid.places.get(m.name) if laid is not None else None
    if laid is None or place is None:
        return None
    if not laid.among:
        return Spot(*place.share)
    label = m.short or m.label
    return Spot(*place.share, label[:1].upper() + label[1:], piece.name or piece.noun)


def _matters(rows: Sequence[Question]) -> str:
    """What of the folded rows is read or decided already, else what they are."""
    done = [q.label.lower() for q in rows if q.decided and q.kind != "act"]
    if done:
        return ", ".join(done[:2]) + (f" and {len(done) - 2} more" if len(done) > 2 else "")
    names = [q.label.lower() for q in rows if q.kind in ("reading", "weight", "choice")]
    return ", ".join(names[:3]) + ("…" if len(names) > 3 else "")


def _taken(desk: Desk, key: str) -> Both | None:
    """What the plan takes where nobody has read it, and why; None where it takes nothing."""
    q = desk.sheet.get(key)
    return say(desk.mark, "{} taken, {}", q, q.source) if q is not None and q.key else None


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
        more = act(f"more:{stem}", label, Edit(at=f"pieces/{id_}", to={"detail": detail}))
        rows.append(replace(more, adds=True))
    return [*rows, Question(id="table", kind="table", label="Pieces from a table (CSV)")]


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
        more = act("set", "Add a piece that shares this outside size", Edit(at=f"pieces/{id_}", to=to))
        rows.append(replace(more, adds=True))
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
            choices=tuple(Choice(d.home.kind, d.name, picked=d is now) for d in suiting),
        ),
        *frame_rows(desk, now.frames),
        *beside([text_row("finish", "Finish of the frame: wax, stain, paint", desk.job.finish)]),
    ]
