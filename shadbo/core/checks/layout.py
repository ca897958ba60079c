"""Layout and mats: pieces that overlap, leave the field or crowd its edge; windows, strips and notches."""

from collections.abc import Iterator

from shadbo.core.assembly import Shown
from shadbo.core.checks.view import Look
from shadbo.core.edits import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sums.polygon import apart, box_of, clear
from shadbo.core.words import Mm, both


def _back_to_rule(look: Look, *shown: Shown) -> tuple[Proposal, ...]:
    """Give hand-placed pieces back to the rule."""
    layout = look.assembly.layout_at
    here: object = look.desk.job
    for name in layout.split("/"):
        here = getattr(here, name)
    placed = {p.id for p in getattr(here, "places", ())}
    out = [
        Proposal(look.say("{} back to the rule", x.name), (Edit(at=x.at),), 1)
        for x in shown
        if x.id in placed and x.at
    ]
    if len([x for x in shown if x.id in placed]) > 1:
        out.append(Proposal(both("Both back to the rule"), tuple(Edit(at=x.at) for x in shown if x.id in placed), 1))
    return tuple(out)


def pieces_overlap(look: Look) -> Iterator[Finding]:
    """Two pieces over each other, or closer than looks meant."""
    shown = [x for x in look.assembly.shown if x.seat == "field"]
    least = look.desk.practice.layout_gap_least_mm
    for i, a in enumerate(shown):
        for b in shown[i + 1 :]:
            if clear(a.ring, b.ring, least - 1e-6):
                continue
            gap = apart(a.ring, b.ring)
            over = gap < -1e-6
            yield Finding(
                "layout.overlap" if over else "layout.close",
                "stop" if over else "caution",
                "sizes",
                look.say("{} lies over {} by {}", a.name, b.name, Mm(-gap))
                if over
                else look.say("Only {} between {} and {}", Mm(gap, "down"), a.name, b.name),
                look.say("outline to outline; {} or more look meant", Mm(least)),
                place=f"{a.id}-{b.id}",
                keys=(a.key,) if a.key in look else (),
                proposals=(
                    *_back_to_rule(look, a, b),
                    *look.change("gap", look.length_to(max(least, 25)), 1, "Gap {}", Mm(max(least, 25))),
                ),
                by_hand=both("Move one of them, or make the field larger."),
                root=over,
            )


def outside_field(look: Look) -> Iterator[Finding]:
    """A piece that runs past the field that is seen, or crowds its edge."""
    if "field.width" not in look or "frame.sight_width" not in look:
        return
    w, h = look["frame.sight_width"].value / 2, look["frame.sight_height"].value / 2
    least = look.desk.practice.box_margin_least_mm
    for x in look.assembly.shown:
        left, low, right, high = box_of(x.ring)
        edge = min(left + w, w - right, h - high, low + h if not _stands(look, x) else w)
        if edge >= least - 1e-6:
            continue
        out = edge < -1e-6
        wide = look["field.width"].value + 2 * (least - edge)
        tall = look["field.height"].value + 2 * (least - edge)
        grow = (
            *look.change("layout_width", look.length_to(wide), 2, "Field {} wide", Mm(wide)),
            *look.change("layout_height", look.length_to(tall), 2, "Field {} high", Mm(tall)),
        )
        yield Finding(
            "layout.outside" if out else "layout.margin",
            "stop" if out else "caution",
            "sizes",
            look.say("{} runs {} under the lip", x.name, Mm(-edge))
            if out
            else look.say("Only {} between {} and the frame", Mm(edge, "down"), x.name),
            look.say("{} or more of the field should be seen all round", Mm(least)),
            place=x.id,
            keys=(x.key,) if x.key in look else (),
            proposals=(*_back_to_rule(look, x), *grow),
            by_hand=both("Move it inwards, or make the field larger."),
        )


def _stands(look: Look, x: Shown) -> bool:
    piece = next(p for p in look.desk.pieces if p.id == x.id)
    return bool(getattr(piece.detail, "stands", False))


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
                        *_back_to_rule(look, *[x for x in look.assembly.shown if x.id in (_of(a.id), _of(b.id))]),
                        *look.change("strip", look.length_to(p.strip_mm), 1, "Strip {}", Mm(p.strip_mm)),
                    ),
                    by_hand=both("Move a window, or give the mat more room."),
                )


def _of(window: str) -> str:
    return window.removesuffix("-inner")


def border_mean(look: Look) -> Iterator[Finding]:
    """A window too near the mat's edge."""
    if "opening.width" not in look:
        return
    least, w, h = look.desk.practice.mat_border_least_mm, look["package.width"].value, look["package.height"].value
    for window in look.assembly.windows:
        if window.sheet != "mat":
            continue
        left, low, right, high = box_of(window.ring)
        edge = min(left + w / 2, w / 2 - right, low + h / 2, h / 2 - high)
        if edge >= least - 1e-6:
            continue
        yield Finding(
            "mat.narrow",
            "stop" if edge <= 0 else "caution",
            "sizes",
            look.say("{} leaves {} of border", window.name, Mm(edge, "down"))
            if edge > 0
            else look.say("{} runs past the mat", window.name),
            look.say("{} or more", Mm(least)),
            place=window.id,
            keys=("mat.border",),
            proposals=(
                *look.change("border", look.length_to(least), 1, "Border {}", Mm(least)),
                *_back_to_rule(look, *[x for x in look.assembly.shown if x.id == window.id]),
            ),
            by_hand=both("Move the window inwards."),
        )


def notch_covers(look: Look) -> Iterator[Finding]:
    """A notch of the mat that lies over the garment, and badges that no corner is left for."""
    openings = [w for w in look.assembly.windows if w.id in ("opening", "opening-inner")]
    garment = next((x for x in look.assembly.shown if x.seat == "opening"), None)
    if garment is None or not openings:
        return
    if "notch.crowded" in look:
        yield Finding(
            "notch.crowded",
            "stop",
            "sizes",
            both("The notches leave nothing of the opening"),
            both("two of them meet along one side; they are left out of the drawing"),
            keys=("notch.room",),
            proposals=look.change("margin", look.length_to(80), 2, "More round the garment: {}", Mm(80)),
            by_hand=both("Seat a badge on the mat, or give the opening more room."),
            root=True,
        )
    ring = openings[-1].ring
    over = _sides_over(ring, garment)
    if not over:
        return
    wider = look["layout.margin"].value + 20
    edits: tuple[Proposal, ...] = ()
    badges = [x for x in look.assembly.shown if x.seat == "notch"]
    at = look.assembly.layout_at.removesuffix("/layout")
    for x in badges:
        edits += (Proposal(look.say("{} on the mat", x.name), (Edit(at=f"{at}/seats/{x.id}", to="on the mat"),), 1),)
    if len(badges) > 1:
        both_edits = tuple(Edit(at=f"{at}/seats/{x.id}", to="on the mat") for x in badges)
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
            *look.change("margin", look.length_to(wider), 2, "{} round the garment", Mm(wider)),
            *look.change("notch_room", look.length_to(3), 1, "Notch closer to its badge"),
        ),
        by_hand=both("Fold the sleeves, or give the opening more room."),
    )


def _sides_over(opening: tuple[tuple[float, float], ...], garment: Shown) -> list[float]:
    """How deep each notch reaches over the garment: 0 notches give an empty list."""
    left, low, right, high = box_of(opening)
    out = []
    tips = [p for p in opening if left + 1e-6 < p[0] < right - 1e-6 and low + 1e-6 < p[1] < high - 1e-6]
    for x, y in tips:
        x0, x1 = (left, x) if x - left < right - x else (x, right)
        y0, y1 = (low, y) if y - low < high - y else (y, high)
        box = ((x0, y0), (x1, y0), (x1, y1), (x0, y1))
        gap = apart(box, garment.ring)
        if gap < -1e-6:
            out.append(-gap)
    return out


def zone_fixed(look: Look) -> Iterator[Finding]:
    """Pins left out over a zone leave the seam with too wide a stretch; steam near ink."""
    for shown in look.assembly.shown:
        key = f"item.{shown.id}.pins_moved"
        if key not in look or look[key].value <= 0:
            continue
        yield Finding(
            "zone.pins",
            "note",
            "mount",
            look.say("{}: {} pins are left out over a zone", shown.name, int(look[key].value)),
            both("the seam there hangs from its neighbours: look that it does not sag"),
            place=shown.id,
            keys=(f"item.{shown.id}.pins",),
            by_hand=both("Stitch the seam to the inner form there, where no ink is."),
        )


def steam_near(look: Look) -> Iterator[Finding]:
    """A garment that may be steamed, with ink on it: how far the steam must keep off."""
    for zone in look.assembly.zones:
        if not zone.steam:
            continue
        shown = next((x for x in look.assembly.shown if x.id == zone.of), None)
        if shown is None:
            continue
        left, low, right, high = box_of(shown.ring)
        a = box_of(zone.steam)
        most = min(a[0] <= left, a[1] <= low, a[2] >= right, a[3] >= high)
        yield Finding(
            "zone.steam",
            "caution" if most else "note",
            "mount",
            look.say("No steam within {} of the {}", Mm(look.desk.practice.steam_clear_mm), zone.name),
            both("ink runs and stickers lift; the line is drawn on the front view"),
            place=f"{zone.of}-{zone.name}".replace(" ", "-").lower(),
            keys=(),
            by_hand=both("Press that part dry between boards, or leave its creases."),
        )


def tips_over(look: Look) -> Iterator[Finding]:
    """A standing figure that tips over easily."""
    for shown in look.assembly.shown:
        key = f"item.{shown.id}.tip"
        if key not in look or look[key].value >= look.desk.practice.tilt_least_deg:
            continue
        yield Finding(
            "object.tips",
            "caution",
            "mount",
            look.say("{} tips over at {} degrees", shown.name, f"{look[key].value:.0f}"),
            both("its centre of gravity is high over its foot; its ties must hold it, tilt the box before closing"),
            place=shown.id,
            keys=(key,),
            by_hand=both("Tie it above its centre of gravity, and widen its foot with a plate."),
        )
