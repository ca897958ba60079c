"""Layout and mats: pieces that overlap, leave the field or crowd its edge; windows, strips and notches."""

from collections.abc import Iterator

from shadbo.core.build.marked import Shown
from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.pieces.objects import Keepsake
from shadbo.core.shapes.polygon import apart, box_of, boxes_clear
from shadbo.core.words.words import Mm, both


def back_to_rule(look: Look, *shown: Shown) -> tuple[Proposal, ...]:
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
    boxes = [box_of(x.ring) for x in shown]
    for i, a in enumerate(shown):
        for n, b in enumerate(shown[i + 1 :], i + 1):
            if boxes_clear(boxes[i], boxes[n], least - 1e-6):
                continue
            gap = apart(a.ring, b.ring)
            if gap >= least - 1e-6:
                continue
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
                keys=(a.key,) if a.key else (),
                proposals=(
                    *back_to_rule(look, a, b),
                    *look.change(look.levers.gap, look.length(max(least, 25)), 1, "Gap {}", Mm(max(least, 25))),
                ),
                by_hand=both("Move one of them, or make the field larger."),
                root=over,
            )


def outside_field(look: Look) -> Iterator[Finding]:
    """A piece that runs past the field that is seen, or crowds its edge."""
    if look.field is None or (look.field is None or look.field.sight is None):
        return
    w, h = look.field.sight.width.value / 2, look.field.sight.height.value / 2
    least = look.desk.practice.box_margin_least_mm
    for x in look.assembly.shown:
        left, low, right, high = box_of(x.ring)
        edge = min(left + w, w - right, h - high)
        if low + h < edge and not _stands(look, x):
            edge = low + h
        if edge >= least - 1e-6:
            continue
        out = edge < -1e-6
        wide = look.field.size.width.value + 2 * (least - edge)
        tall = look.field.size.height.value + 2 * (least - edge)
        grow = (
            *look.change(look.levers.layout_width, look.length(wide), 2, "Field {} wide", Mm(wide)),
            *look.change(look.levers.layout_height, look.length(tall), 2, "Field {} high", Mm(tall)),
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
            keys=(x.key,) if x.key else (),
            proposals=(*back_to_rule(look, x), *grow),
            by_hand=both("Move it inwards, or make the field larger."),
        )


def _stands(look: Look, x: Shown) -> bool:
    return any(p.id == x.id and isinstance(p.detail, Keepsake) and p.detail.stands for p in look.desk.pieces)


def zone_fixed(look: Look) -> Iterator[Finding]:
    """Pins left out over a zone leave the seam with too wide a stretch; steam near ink."""
    for shown in look.assembly.shown:
        pins = look.pins(shown.id)
        if pins is None or pins.moved.value <= 0:
            continue
        yield Finding(
            "zone.pins",
            "note",
            "mount",
            look.say("{}: {} pins are left out over a zone", shown.name, int(pins.moved.value)),
            both("the seam there hangs from its neighbours: look that it does not sag"),
            place=shown.id,
            keys=(pins.pins.key,),
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
        tilt = look.tilt(shown.id)
        if tilt is None or tilt.tip.value >= look.desk.practice.tilt_least_deg:
            continue
        yield Finding(
            "object.tips",
            "caution",
            "mount",
            look.say("{} tips over at {} degrees", shown.name, f"{tilt.tip.value:.0f}"),
            both("its centre of gravity is high over its foot; its ties must hold it, tilt the box before closing"),
            place=shown.id,
            keys=(tilt.tip.key,),
            by_hand=both("Tie it above its centre of gravity, and widen its foot with a plate."),
        )
