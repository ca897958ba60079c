"""Receive: whose piece it is, what it is, its pictures, and what must never happen to it."""

from typing import get_args

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, beside, choice_row, folded, length_row, text_row
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.job.job import Demand, new_id
from shadbo.core.pieces.facts import FACT_WORDS
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.objects import Plate, Sized
from shadbo.core.pieces.pieces import LooseCanvas, Piece, Sided, StretchedCanvas
from shadbo.core.stations.objects import zone_rows
from shadbo.core.words.days import day_text
from shadbo.core.words.words import length

WORTH = {"everyday": "can be had again", "dear": "dear to the owner", "irreplaceable": "cannot be replaced"}
EDGES = {"plain": "plain or white", "painted": "picture goes round", "signed": "signed on the edge"}
USUAL_INSIDE_MM = 10
WALLS = {"solid": "masonry", "board": "board on studs", "doubtful": "not known"}


def questions(desk: Desk) -> list[Question]:
    """The rows of the station."""
    job, piece = desk.job, desk.piece
    at = f"pieces/{piece.id}"
    worth = [Choice(word, label, picked=piece.worth == word) for word, label in WORTH.items()]
    wall = [Choice(word, label, picked=job.hanging.wall == word) for word, label in WALLS.items()]
    more = [
        text_row(f"{at}/maker", "Made by", piece.maker),
        text_row("note", "Notes", job.note, "note"),
        text_row("received", "Received on", day_text(job.received) if job.received else "", "date"),
        text_row("owner/contact", "Reached at", job.owner.contact),
        text_row("agreed", f"Price agreed, {desk.shop.currency}", _money(job.agreed), "number"),
        text_row("insured", f"Insured while it is here, {desk.shop.currency}", _money(job.insured), "number"),
        *_on_order(piece, at),
        text_row(f"{at}/condition", "Condition on arrival", piece.condition, "note"),
        text_row(f"{at}/never", "What must never happen to it", piece.never, "note"),
        text_row(
            f"{at}/no_go", "No steam, pin or adhesive where its … is", piece.no_go, note="autograph, sticker, label"
        ),
        *(zone_rows(piece, at, desk) if isinstance(piece.detail, Sized) else []),
        *_edge_marks(desk, at),
    ]
    where = [
        text_row("hanging/place", "Where it will hang", job.hanging.place),
        choice_row(
            "hanging/wall",
            "Wall there",
            [*wall, Choice(None, "not told", picked=job.hanging.wall is None)],
            job.hanging.wall is not None,
        ),
        *_demands(desk),
    ]
    return [
        text_row("title", "What it is", job.title),
        text_row("owner/name", "Owner", job.owner.name),
        text_row("due", "Due", day_text(job.due) if job.due else "", "date"),
        _kind(desk, at),
        *_sort(desk, at),
        *beside([choice_row(f"{at}/worth", "Worth", worth, "worth" in piece.model_fields_set)]),
        *folded("facts", "May be done to it", _facts_say(desk), _facts(desk, at)),
        *folded("more", "Maker, condition, marks", _more_says(desk), [*_edges(desk, at), *more]),
        *folded("where", "Where it goes, who asks", _where_says(desk), where),
        Question(id="photos", kind="photos", label="Photographs"),
        *folded("pictures", "In the drawing", _pictures_say(desk), _pictures(desk)),
    ]


def _money(value: float | None) -> str:
    return "" if value is None else f"{value:.2f}"


def _on_order(piece: Piece, at: str) -> list[Question]:
    """The days until a piece comes that is not here yet; a plate's are asked where it is measured."""
    if isinstance(piece.detail, Plate):
        return []
    days = str(piece.lead_days) if piece.lead_days is not None else ""
    return [text_row(f"{at}/lead_days", "Still on order: working days to come", days, "number", "none: it is here")]


def _pictures(desk: Desk) -> list[Question]:
    """For each piece the photograph that the front view shows; a decided one can be left out again."""
    return [
        Question(
            id=f"picture:{p.id}",
            kind="picture",
            label=p.name or p.noun,
            at=f"pieces/{p.id}/picture",
            decided=p.picture is not None,
        )
        for p in desk.pieces
    ]


def _pictures_say(desk: Desk) -> str:
    shown, of = sum(p.picture is not None for p in desk.pieces), len(desk.pieces)
    if not shown:
        return "drawn, not photographed"
    return "its photograph" if of == 1 else f"{shown} of {of} by photograph"


def _facts_say(desk: Desk) -> str:
    """What the owner told otherwise than usual; that all is usual where nothing was told."""
    piece = desk.piece
    told = sum(getattr(piece.facts, name) is not None for name in FACT_WORDS)
    kind = piece.noun
    return f"{told} told by the owner" if told else f"as usual for a {kind}"


def _more_says(desk: Desk) -> str:
    """What is written down of it; its maker first."""
    piece = desk.piece
    marks = len(piece.edge_marks) + len(piece.zones)
    said = [
        f"by {piece.maker}" if piece.maker else "",
        "still on order" if piece.comes_in_days else "",
        "condition noted" if piece.condition else "",
        "a “never” noted" if piece.never else "",
        f"{marks} marked" if marks else "",
    ]
    return ", ".join(x for x in said if x) or "nothing noted"


def _where_says(desk: Desk) -> str:
    hanging = desk.job.hanging
    asked = len(hanging.demands)
    said = [hanging.place, WALLS.get(hanging.wall or "", ""), f"{asked} asked for" if asked else ""]
    return ", ".join(x for x in said if x) or "nothing asked"


def _kind(desk: Desk, at: str) -> Question:
    """Another kind keeps the readings that both have."""
    detail = desk.piece.detail
    written = detail.model_dump(mode="json", exclude_defaults=True)
    shared = {name: written[name] for name in (*Sided.model_fields, *Sized.model_fields) if name in written}
    if not isinstance(detail, Sized):
        shared = {k: v for k, v in shared.items() if k in Sided.model_fields}
    choices = [
        Choice(
            {"kind": kind, **_kept(kind, shared)} if kind != detail.kind else written | {"kind": kind},
            said.words,
            None,
            kind == detail.kind,
        )
        for kind, said in KINDS.items()
    ]
    return choice_row(f"{at}/detail", "Kind of piece", choices, True, menu=True)


def _sort(desk: Desk, at: str) -> list[Question]:
    """The sort of a sheet, badge or flag, which says what is usual for it; whether a cloth is painted already."""
    detail = desk.piece.detail
    if isinstance(detail, LooseCanvas):
        is_ = [
            Choice(False, "painted already", picked=not detail.printed),
            Choice(True, "to be printed", picked=detail.printed),
        ]
        return [choice_row(f"{at}/detail/printed", "The cloth is", is_, "printed" in detail.model_fields_set)]
    sort = type(detail).model_fields.get("sort")
    if sort is None:
        return []
    now = getattr(detail, "sort", "")
    choices = [Choice(w, w, picked=now == w) for w in get_args(sort.annotation)]
    row = choice_row(f"{at}/detail/sort", "Sort", choices, "sort" in detail.model_fields_set, menu=len(choices) > 5)
    return [row]


def _kept(kind: str, shared: dict[str, object]) -> dict[str, object]:
    """Readings that the other kind has too."""
    sized = kind in ("garment", "flag", "badge", "keepsake", "plate")
    return {k: v for k, v in shared.items() if (k in Sized.model_fields) == sized}


def _edges(desk: Desk, at: str) -> list[Question]:
    detail = desk.piece.detail
    if not isinstance(detail, StretchedCanvas):
        return []
    choices = [Choice(word, label, picked=detail.edges == word) for word, label in EDGES.items()]
    return [choice_row(f"{at}/detail/edges", "Edges of the canvas", choices, "edges" in detail.model_fields_set)]


def _facts(desk: Desk, at: str) -> list[Question]:
    piece = desk.piece
    told = piece.told
    rows = []
    for name, label in FACT_WORDS.items():
        so = told[name]
        choices = [Choice(True, "yes", picked=so), Choice(False, "no", picked=not so)]
        rows.append(
            choice_row(f"{at}/facts/{name}", label, choices, getattr(piece.facts, name) is not None, told.why[name])
        )
    return rows


def _edge_marks(desk: Desk, at: str) -> list[Question]:
    rows = []
    for mark in desk.piece.edge_marks:
        here = f"{at}/edge_marks/{mark.id}"
        sides = [Choice(side, side, picked=mark.side == side) for side in ("top", "right", "bottom", "left")]
        rows += [
            text_row(f"{here}/what", "Near the edge stands", mark.what),
            choice_row(f"{here}/side", "… at which edge", sides, True),
            length_row(desk, f"{here}/inside", "… and begins inside it by", mark.inside, None, "from that edge"),
            act(f"{here}-away", "Forget this mark", Edit(at=here)),
        ]
    id_ = new_id([m.id for m in desk.piece.edge_marks], "mark")
    usual = length(USUAL_INSIDE_MM, desk.mark).pick(desk.mark.system)
    to = {"side": "bottom", "inside": {"mm": USUAL_INSIDE_MM, "typed": usual}, "what": "signature"}
    return [*rows, act("edge-mark", "A signature or label near an edge", Edit(at=f"{at}/edge_marks/{id_}", to=to))]


BUSY = "It hangs where people pass, or children play"


def _demands(desk: Desk) -> list[Question]:
    now = desk.job.hanging.demands
    rows = []
    for demand in get_args(Demand):
        have = demand in now
        more, less = [*now, demand], [d for d in now if d != demand]
        choices = [
            Choice(list(now) if have else more, "asked for", picked=have),
            Choice((less or None) if have else (list(now) or None), "not asked", picked=not have),
        ]
        rows.append(
            Question(
                id=f"demand:{demand}",
                kind="choice",
                label=BUSY if demand == "busy place" else f"Recipient: {demand}",
                at="hanging/demands",
                decided=have,
                choices=tuple(choices),
            )
        )
    return rows
