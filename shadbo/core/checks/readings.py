"""Readings that cannot all be right, and what a reading warns of."""

import math
from collections.abc import Iterator

from shadbo.core.build.facets import Sides
from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.pieces import Piece, StretchedCanvas
from shadbo.core.words.words import Mm, both


def sides_far_apart(look: Look) -> Iterator[Finding]:
    """Two readings of the same dimension differ more than a piece does: one of them was misread."""
    for piece, sides in _sides(look):
        yield from _apart(look, piece, sides)


def _apart(look: Look, piece: Piece, sides: Sides) -> Iterator[Finding]:
    for axis, a, b, one, other in (
        ("width", sides.width_top, sides.width_bottom, "top", "bottom"),
        ("height", sides.height_left, sides.height_right, "left", "right"),
    ):
        taper = sides.taper[axis]
        limit = max(8.0, 0.015 * max(a.value, b.value))
        if abs(taper.value) > limit:
            yield Finding(
                "readings.apart",
                "measure",
                "measure",
                look.say(
                    "{}{} and {} differ by {}: read both again",
                    _whose(look, piece),
                    one.capitalize(),
                    other,
                    Mm(abs(taper.value)),
                ),
                look.say(f"{{}} at the {one}, {{}} at the {other}: more than such a piece is ever out", a, b),
                place=_place(look, piece, axis),
                keys=(a.key, b.key),
                by_hand=both("Read both again with the same tool."),
                root=True,
            )


def diagonals_impossible(look: Look) -> Iterator[Finding]:
    """A diagonal that no four sides of these lengths allow: say which, and what would be possible."""
    for piece, sides in _sides(look):
        yield from _impossible(look, piece, sides)


def _impossible(look: Look, piece: Piece, sides: Sides) -> Iterator[Finding]:
    if sides.misfit is not None or sides.diagonal_up is None or sides.diagonal_down is None:
        return
    top, bottom, left, right = sides.width_top, sides.width_bottom, sides.height_left, sides.height_right
    down = sides.diagonal_down
    least = max(abs(left.value - bottom.value), abs(top.value - right.value))
    most = min(left.value + bottom.value, top.value + right.value)
    square = math.hypot((top.value + bottom.value) / 2, (left.value + right.value) / 2)
    yield Finding(
        "readings.impossible",
        "stop",
        "measure",
        look.say("{}No four such sides allow a diagonal of {}", _whose(look, piece), down),
        look.say("it must lie between {} and {}; a square one would read {}", Mm(least), Mm(most), Mm(square)),
        place=_place(look, piece),
        keys=(down.key,),
        by_hand=both("Read the diagonal from top left to bottom right again."),
        root=True,
    )


def diagonals_do_not_close(look: Look) -> Iterator[Finding]:
    """Four sides and one diagonal fix the shape; the second diagonal must then agree."""
    for piece, sides in _sides(look):
        yield from _open(look, piece, sides)


def _open(look: Look, piece: Piece, sides: Sides) -> Iterator[Finding]:
    if sides.misfit is None or sides.diagonal_up is None or sides.diagonal_down is None:
        return
    misfit = sides.misfit
    if abs(misfit.value) > misfit.likely + 1e-6:
        yield Finding(
            "readings.misfit",
            "measure",
            "measure",
            look.say(
                "{}The second diagonal is {} off what the sides allow", _whose(look, piece), Mm(abs(misfit.value))
            ),
            look.say("the tools explain {} of it: read both diagonals and the sides again", Mm(misfit.likely)),
            place=_place(look, piece),
            keys=(sides.diagonal_up.key, sides.diagonal_down.key, misfit.key),
            by_hand=both("Hook the tape at the corner itself, not at a fold."),
            root=True,
        )


def _sides(look: Look) -> Iterator[tuple[Piece, Sides]]:
    """Every piece whose four sides were read, with them."""
    for piece in look.desk.pieces if look.desk.gathers else (look.desk.piece,):
        sides = look.sides(piece)
        if sides is not None:
            yield piece, sides


def _whose(look: Look, piece: Piece) -> str:
    """Which piece is spoken of, where there are several."""
    return f"{piece.name or KINDS[piece.detail.kind].noun}: " if len(look.desk.pieces) > 1 else ""


def _place(look: Look, piece: Piece, axis: str = "") -> str:
    return "-".join(x for x in (piece.id if len(look.desk.pieces) > 1 else "", axis) if x)


def edge_hidden(look: Look) -> Iterator[Finding]:
    """The wall stands beside the canvas's edge: what is painted or signed there cannot be seen."""
    detail = look.desk.piece.detail
    if not isinstance(detail, StretchedCanvas) or detail.edges == "plain" or look.gaps is None:
        return
    signed = detail.edges == "signed"
    yield Finding(
        "edge.hidden",
        "caution" if signed else "note",
        "receive",
        look.say("The wall hides the {} edge", "signed" if signed else "painted"),
        look.say("show the owner how little of it is seen through the gap of {}", look.gaps.wanted),
        keys=("gap.wanted",),
        by_hand=both("Ask the owner before the rails are cut; photograph the edge for the record."),
    )
