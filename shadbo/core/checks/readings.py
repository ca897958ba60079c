"""Readings that cannot all be right, and what a reading warns of."""

import math
from collections.abc import Iterator

from shadbo.core.build.facets import Sides
from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.pieces.kinds import noun_of
from shadbo.core.pieces.objects import Badge
from shadbo.core.pieces.pieces import Piece, StretchedCanvas
from shadbo.core.words.words import Mm, both

WILD_SHARE = 0.05
"""Taper that no piece has: common practice, no source."""


def bars_fill_canvas(look: Look) -> Iterator[Finding]:
    """Stretcher bars so wide that two of them leave no opening: size or bar width was misread."""
    for piece in look.desk.pieces if look.desk.gathers else (look.desk.piece,):
        detail = piece.detail
        if not isinstance(detail, StretchedCanvas) or detail.bar_face is None:
            continue
        sizes = [r.mm for r in (detail.width_top, detail.width_bottom, detail.height_left, detail.height_right) if r]
        if not sizes or min(sizes) > 2 * detail.bar_face.mm:
            continue
        yield Finding(
            "readings.bars",
            "stop",
            "measure",
            look.say("{}Two bars of {} leave nothing between them", _whose(look, piece), Mm(detail.bar_face.mm)),
            look.say("the canvas is only {} on its shorter side", Mm(min(sizes))),
            place=_place(look, piece),
            by_hand=both("Read the bar's width from behind again, and the canvas."),
            root=True,
        )


def pin_outside(look: Look) -> Iterator[Finding]:
    """A pin that sits farther from the visible centre than the piece reaches."""
    for piece in look.desk.pieces:
        detail = piece.detail
        if not isinstance(detail, Badge) or detail.pin_off is None:
            continue
        across = detail.width if detail.pin_side in ("left", "right") else detail.height
        if across is None or detail.pin_off.mm <= across.mm / 2:
            continue
        yield Finding(
            "readings.pin",
            "stop",
            "measure",
            look.say("{}Its pin would sit outside it", _whose(look, piece)),
            look.say("{} from the centre, and it reaches {} to that side", Mm(detail.pin_off.mm), Mm(across.mm / 2)),
            place=_place(look, piece),
            by_hand=both("Read it from the visible centre, along the side that it is off to."),
            root=True,
        )


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
            wild = abs(taper.value) > WILD_SHARE * max(a.value, b.value)
            yield Finding(
                "readings.apart",
                "stop" if wild else "measure",
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
    return (
        f"{piece.name or noun_of(piece.detail.kind, getattr(piece.detail, 'sort', ''))}: "
        if len(look.desk.pieces) > 1
        else ""
    )


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
