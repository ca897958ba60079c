"""Receive: whose piece it is, what it is, and what must never happen to it."""

from shadbo.core.desk import Desk
from shadbo.core.questions import Choice, Question
from shadbo.core.rows import choice_row, text_row

WORTH = {"everyday": "can be had again", "dear": "dear to the owner", "irreplaceable": "cannot be replaced"}
EDGES = {"plain": "plain or white", "painted": "picture goes round", "signed": "signed on the edge"}


def questions(desk: Desk) -> list[Question]:
    """The rows of the station."""
    job, piece = desk.job, desk.piece
    at = f"pieces/{piece.id}"
    return [
        text_row("title", "What it is", job.title),
        text_row(f"{at}/maker", "Made by", piece.maker),
        text_row("owner/name", "Owner", job.owner.name),
        text_row("owner/contact", "Reached at", job.owner.contact),
        text_row("due", "Due", job.due.isoformat() if job.due else "", "date"),
        choice_row(
            f"{at}/worth",
            "Worth",
            [Choice(word, label, picked=piece.worth == word) for word, label in WORTH.items()],
            "worth" in piece.model_fields_set,
        ),
        choice_row(
            f"{at}/detail/edges",
            "Edges of the canvas",
            [Choice(word, label, picked=piece.detail.edges == word) for word, label in EDGES.items()],
            "edges" in piece.detail.model_fields_set,
        ),
        text_row(f"{at}/condition", "Condition on arrival", piece.condition, "note"),
        text_row(f"{at}/never", "What must never happen to it", piece.never, "note"),
        text_row("hanging/place", "Where it will hang", job.hanging.place),
    ]
