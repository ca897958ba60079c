"""Readings that cannot all be right, and what a reading warns of."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.words import Mm, both


def sides_far_apart(look: Look) -> Iterator[Finding]:
    """Two readings of the same dimension differ more than a canvas does: one of them was misread."""
    for axis, one, other in (("width", "top", "bottom"), ("height", "left", "right")):
        key = f"canvas.taper_{axis}"
        if key not in look:
            continue
        taper = look[key]
        limit = max(8.0, 0.015 * look[f"canvas.{axis}"].value)
        if abs(taper.value) > limit:
            a, b = look[f"canvas.{axis}_{one}"], look[f"canvas.{axis}_{other}"]
            yield Finding(
                "readings.apart",
                "measure",
                "measure",
                look.say(f"{one.capitalize()} and {other} differ by {{}}: read both again", Mm(abs(taper.value))),
                look.say(f"{{}} at the {one}, {{}} at the {other}: more than a stretcher is ever out", a, b),
                place=axis,
                keys=(a.key, b.key),
                by_hand=both("Read both again with the same tool, over cloth and folds."),
                root=True,
            )


def diagonals_do_not_close(look: Look) -> Iterator[Finding]:
    """Four sides and one diagonal fix the shape; the second diagonal must then agree."""
    if "canvas.misfit" not in look:
        return
    misfit = look["canvas.misfit"]
    if abs(misfit.value) > misfit.likely + 1e-6:
        yield Finding(
            "readings.misfit",
            "measure",
            "measure",
            look.say("The second diagonal is {} off what the sides allow", Mm(abs(misfit.value))),
            look.say("the tools explain {} of it: read both diagonals and the sides again", Mm(misfit.likely)),
            keys=("canvas.diagonal_up", "canvas.diagonal_down", "canvas.misfit"),
            by_hand=both("Hook the tape at the corner of the bars, not at the fold."),
            root=True,
        )


def edge_hidden(look: Look) -> Iterator[Finding]:
    """The wall stands beside the canvas's edge: what is painted or signed there cannot be seen."""
    detail = look.desk.piece.detail
    if detail.edges == "plain" or "face.made" not in look:
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
