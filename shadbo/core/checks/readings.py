"""Readings that cannot all be right, and what a reading warns of."""

import math
from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.pieces.pieces import StretchedCanvas
from shadbo.core.words.words import Mm, both


def sides_far_apart(look: Look) -> Iterator[Finding]:
    """Two readings of the same dimension differ more than a piece does: one of them was misread."""
    start = look.desk.prefix(look.desk.piece)
    for axis, one, other in (("width", "top", "bottom"), ("height", "left", "right")):
        key = f"{start}.taper_{axis}"
        if key not in look:
            continue
        taper = look[key]
        a, b = look[f"{start}.{axis}_{one}"], look[f"{start}.{axis}_{other}"]
        limit = max(8.0, 0.015 * max(a.value, b.value))
        if abs(taper.value) > limit:
            yield Finding(
                "readings.apart",
                "measure",
                "measure",
                look.say(f"{one.capitalize()} and {other} differ by {{}}: read both again", Mm(abs(taper.value))),
                look.say(f"{{}} at the {one}, {{}} at the {other}: more than such a piece is ever out", a, b),
                place=axis,
                keys=(a.key, b.key),
                by_hand=both("Read both again with the same tool."),
                root=True,
            )


def diagonals_impossible(look: Look) -> Iterator[Finding]:
    """A diagonal that no four sides of these lengths allow: say which, and what would be possible."""
    start = look.desk.prefix(look.desk.piece)
    names = [f"{start}.{n}" for n in ("width_top", "width_bottom", "height_left", "height_right", "diagonal_down")]
    if f"{start}.misfit" in look or f"{start}.diagonal_up" not in look or any(n not in look for n in names):
        return
    top, bottom, left, right, down = (look[n] for n in names)
    least = max(abs(left.value - bottom.value), abs(top.value - right.value))
    most = min(left.value + bottom.value, top.value + right.value)
    square = math.hypot((top.value + bottom.value) / 2, (left.value + right.value) / 2)
    yield Finding(
        "readings.impossible",
        "stop",
        "measure",
        look.say("No four such sides allow a diagonal of {}", down),
        look.say("it must lie between {} and {}; a square one would read {}", Mm(least), Mm(most), Mm(square)),
        keys=(down.key,),
        by_hand=both("Read the diagonal from top left to bottom right again."),
        root=True,
    )


def diagonals_do_not_close(look: Look) -> Iterator[Finding]:
    """Four sides and one diagonal fix the shape; the second diagonal must then agree."""
    start = look.desk.prefix(look.desk.piece)
    if f"{start}.misfit" not in look:
        return
    misfit = look[f"{start}.misfit"]
    if abs(misfit.value) > misfit.likely + 1e-6:
        yield Finding(
            "readings.misfit",
            "measure",
            "measure",
            look.say("The second diagonal is {} off what the sides allow", Mm(abs(misfit.value))),
            look.say("the tools explain {} of it: read both diagonals and the sides again", Mm(misfit.likely)),
            keys=(f"{start}.diagonal_up", f"{start}.diagonal_down", f"{start}.misfit"),
            by_hand=both("Hook the tape at the corner itself, not at a fold."),
            root=True,
        )


def edge_hidden(look: Look) -> Iterator[Finding]:
    """The wall stands beside the canvas's edge: what is painted or signed there cannot be seen."""
    detail = look.desk.piece.detail
    if not isinstance(detail, StretchedCanvas) or detail.edges == "plain" or "face.made" not in look:
        return
    signed = detail.edges == "signed"
    yield Finding(
        "edge.hidden",
        "caution" if signed else "note",
        "receive",
        look.say("The wall hides the {} edge", "signed" if signed else "painted"),
        look.say("show the owner how little of it is seen through the gap of {}", look["gap.wanted"]),
        keys=("gap.wanted",),
        by_hand=both("Ask the owner before the rails are cut; photograph the edge for the record."),
    )
