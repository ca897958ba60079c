"""Short ways of writing a demo job down."""

import datetime as dt

from shadbo.core.job.job import Job, Owner
from shadbo.core.pieces.pieces import (
    Detail,
    Piece,
)
from shadbo.core.shop.values import Length, Reading, Tool


def r(mm: float, tool: Tool = "rule") -> Reading:
    """A reading as it is typed."""
    return Reading(mm=mm, typed=f"{mm:g}", tool=tool)


def at(mm: float) -> Length:
    """A decided length as it is typed."""
    return Length(mm=mm, typed=f"{mm:g}")


def around(width: float, height: float, bottom: float = 0, right: float = 0) -> dict[str, Reading]:
    """Two widths and two heights, the second of each a little off."""
    return {
        "width_top": r(width),
        "width_bottom": r(width + bottom),
        "height_left": r(height),
        "height_right": r(height + right),
    }


def margins(top: float, side: float, bottom: float) -> dict[str, Reading]:
    """Free cloth or paper on four sides."""
    return {"margin_top": r(top), "margin_right": r(side), "margin_bottom": r(bottom), "margin_left": r(side)}


def job(
    title: str, owner: str, contact: str, came: tuple[int, int], due: tuple[int, int], detail: Detail, **more: object
) -> Job:
    """A job with one piece; what belongs to the piece is picked out of ``more``."""
    own = {
        k: more.pop(k) for k in ("maker", "worth", "condition", "never", "facts", "edge_marks", "no_go") if k in more
    }
    piece = Piece(id="piece", name=title, detail=detail, **own)
    return Job(
        title=title,
        owner=Owner(name=owner, contact=contact),
        received=dt.date(2026, *came),
        due=dt.date(2026, *due),
        pieces=(piece,),
        **more,
    )
