"""Openings of mats: too close to each other, to the edge of the mat, or over the garment."""

from collections.abc import Iterator

from shadbo.core.build.marked import Shown
from shadbo.core.checks.layout import back_to_rule
from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.shapes.polygon import apart, box_of, clear, overlap
from shadbo.core.words.words import Mm, both


def windows_close(look: Look) -> Iterator[Finding]:
    """Openings of a mat that overlap, or leave a strip too thin to stand; borders too mean."""
    p = look.desk.practice
    for sheet in ("mat", "mat_inner"):
        windows = [w for w in look.assembly.windows if w.sheet == sheet]
        for i, a in enumerate(windows):
            for b in windows[i + 1 :]:
                if clear(a.ring, b.ring, p.strip_least_mm - 1e-6):
                    continue
                gap = apart(a.ring, b.ring)
                over = gap <= 1e-6
                yield Finding(
                    "window.overlap" if over else "window.strip",
                    "stop" if over else "caution",
                    "sizes",
                    look.say("{} and {} run into each other", a.name, b.name)
                    if over
                    else look.say("Only {} of mat between {} and {}", Mm(gap, "down"), a.name, b.name),
                    look.say("a strip under {} tears and curls", Mm(p.strip_least_mm)),
                    place=f"{a.id}-{b.id}",
                    keys=(a.key,),
                    proposals=(
                        *back_to_rule(look, *[x for x in look.assembly.shown if x.id in (of(a.id), of(b.id))]),
                        *(
                            proposal
                            for mm in (p.strip_mm, p.strip_least_mm)
                            for proposal in look.change(look.levers.strip, look.length(mm), 1, "Strip {}", Mm(mm))
                        ),
                    ),
                    by_hand=both("Move a window, or give the mat more room."),
                )


def of(window: str) -> str:
    """The id that an inner window shares with its outer one."""
    return window.removesuffix("-inner")


def border_mean(look: Look) -> Iterator[Finding]:
    """A window too near the mat's edge."""
    if look.stepped is None:
        return
    least, w, h = (
        look.desk.practice.mat_border_least_mm,
        look.stepped.package.width.value,
        look.stepped.package.height.value,
    )
    for window in look.assembly.windows:
        if window.sheet != "mat":
            continue
        left, low, right, high = box_of(window.ring)
        edge = min(left + w / 2, w / 2 - right, low + h / 2, h / 2 - high)
        if edge >= least - 1e-6:
            continue
        yield Finding(
            "window.edge",
            "stop" if edge <= 0 else "caution",
            "sizes",
            look.say("{} leaves {} of border", window.name, Mm(edge, "down"))
            if edge > 0
            else look.say("{} runs past the mat", window.name),
            look.say("{} or more", Mm(least)),
            place=window.id,
            keys=("mat.border",),
            proposals=(
                *look.change(look.levers.border, look.length(least), 1, "Border {}", Mm(least)),
                *back_to_rule(look, *[x for x in look.assembly.shown if x.id == window.id]),
            ),
            by_hand=both("Move the window inwards."),
        )


def notch_covers(look: Look) -> Iterator[Finding]:
    """A notch of the mat that lies over the garment, and badges that no corner is left for."""
    openings = [w for w in look.assembly.windows if w.id in ("opening", "opening-inner")]
    garment = next((x for x in look.assembly.shown if x.seat == "opening"), None)
    if garment is None or not openings:
        return
    if look.stepped is not None and look.stepped.crowded is not None:
        yield Finding(
            "notch.crowded",
            "stop",
            "sizes",
            both("The notches leave nothing of the opening"),
            both("two of them meet along one side; they are left out of the drawing"),
            keys=("notch.room",),
            proposals=look.change(look.levers.margin, look.length(80), 2, "More round the garment: {}", Mm(80)),
            by_hand=both("Seat a badge on the mat, or give the opening more room."),
            root=True,
        )
    yield from _without_corner(look)
    ring = openings[-1].ring
    over = sides_over(ring, garment)
    if not over:
        return
    wider = look.stepped.margin.value + 20 if look.stepped is not None else 80.0
    edits: tuple[Proposal, ...] = ()
    badges = [x for x in look.assembly.shown if x.seat == "notch"]
    for x in badges:
        edits += (Proposal(look.say("{} on the mat", x.name), (Edit(at=x.seat_at, to="on the mat"),), 1),)
    if len(badges) > 1:
        both_edits = tuple(Edit(at=x.seat_at, to="on the mat") for x in badges)
        edits += (Proposal(both("All badges on the mat"), both_edits, 1),)
    yield Finding(
        "notch.covers",
        "caution",
        "sizes",
        look.say("A notch covers {} of {}", Mm(max(over)), garment.name),
        both("the mat in the corner hides part of the garment"),
        keys=("notch.room", "layout.margin"),
        proposals=(
            *edits,
            *look.change(look.levers.margin, look.length(wider), 2, "{} round the garment", Mm(wider)),
            *look.change(look.levers.notch_room, look.length(3), 1, "Notch closer to its badge"),
        ),
        by_hand=both("Fold the sleeves, or give the opening more room."),
    )


def _without_corner(look: Look) -> Iterator[Finding]:
    """What is to stand in a notch, and has no corner: they are all taken, or the one that it was given is."""
    if look.stepped is not None and look.stepped.crowded is not None:
        return
    for x in look.assembly.shown:
        if x.seat != "no corner":
            continue
        yield Finding(
            "notch.taken",
            "stop",
            "sizes",
            look.say("No corner of the opening is left for {}", x.name),
            both("each corner takes one; another piece stands in it"),
            place=x.id,
            keys=(x.key,),
            proposals=(
                Proposal(look.say("{} on the mat", x.name), (Edit(at=x.seat_at, to="on the mat"),), 1),
                Proposal(look.say("{} where the plan puts it", x.name), (Edit(at=x.seat_at),), 1),
            ),
            by_hand=both("Give it another corner."),
        )


def sides_over(opening: tuple[tuple[float, float], ...], garment: Shown) -> list[float]:
    """How deep each notch reaches over the garment: 0 notches give an empty list."""
    left, low, right, high = box_of(opening)
    out = []
    tips = [p for p in opening if left + 1e-6 < p[0] < right - 1e-6 and low + 1e-6 < p[1] < high - 1e-6]
    for x, y in tips:
        x0, x1 = (left, x) if x - left < right - x else (x, right)
        y0, y1 = (low, y) if y - low < high - y else (y, high)
        box = ((x0, y0), (x1, y0), (x1, y1), (x0, y1))
        deep = overlap(box, garment.ring)
        if deep > 1e-6:
            out.append(deep)
    return out
