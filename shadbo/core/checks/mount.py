"""Mounts: what the piece's facts forbid, what is overloaded, cloth and margins that do not suffice, the back."""

from collections.abc import Iterator

from shadbo.core.build.mounts import MountPlan
from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.pieces.pieces import PRESS_DAYS, Margined, PressedPlant
from shadbo.core.words.words import Mm, both, unlike


def _others(look: Look, plan: MountPlan) -> tuple[Proposal, ...]:
    out: tuple[Proposal, ...] = ()
    for w in plan.weighed:
        if w.serves and w.mount.id != plan.taken.mount.id:
            if plan.at:
                out += (Proposal(look.say("{}", w.mount.name), (Edit(at=plan.at, to=w.mount.id),), 1),)
            else:
                out += look.change(look.levers.mount, w.mount.id, 1, "{}", w.mount.name)
    return out


def forbidden(look: Look) -> Iterator[Finding]:
    """A mount that the piece's facts forbid."""
    for plan in look.assembly.mounts:
        if plan.taken.serves:
            continue
        whose = f"{plan.name}: not" if plan.of else "Not"
        count = look.count(plan)
        yield Finding(
            "mount.forbidden",
            "stop",
            "mount",
            look.say("{} {}: {}", whose, plan.taken.mount.name, plan.taken.against[0]),
            look.say("{}", "; ".join(plan.taken.against[1:]) or "its facts stand where it was received"),
            place=plan.of,
            keys=(count.count.key,) if count is not None else (),
            proposals=_others(look, plan),
            by_hand=both("Ask the owner, or choose another display."),
        )


def overloaded(look: Look) -> Iterator[Finding]:
    """Demand · factor over the rating of a fixing."""
    for plan in look.assembly.mounts:
        load = look.load(plan)
        if load is None or load.margin.value >= -1e-6:
            continue
        whose = f"{plan.name}: each" if plan.of else "Each"
        rating, factor = load.rating, load.factor
        carries, safe = unlike(load.demand, rating / factor, look.desk.mark)
        yield Finding(
            "mount.weak",
            "stop",
            "mount",
            look.say("{} fixing carries {}; {} are safe", whose, carries, safe),
            look.say("maker's rating {} and a factor of {}", rating, factor),
            place=plan.of,
            keys=(load.margin.key, load.demand.key),
            proposals=(*_others(look, plan), *look.change(look.levers.bottom, False, 1, "No bottom rail")),
            by_hand=both("Use more fixings, or a stronger kind."),
        )


def cloth_short(look: Look) -> Iterator[Finding]:
    """Free cloth that does not reach round its board."""
    for axis in ("width", "height"):
        if look.cloth is None or look.cloth.spare[axis].value >= -1e-6:
            continue
        key = look.cloth.spare[axis].key
        lack = -look.cloth.spare[axis].value
        border = look.cloth.border.value - lack
        proposals: tuple[Proposal, ...] = ()
        if border > 0:
            proposals = look.change(look.levers.border, look.length(border), 1, "Border {}", Mm(border, "down"))
        yield Finding(
            "cloth.short",
            "stop",
            "sizes",
            look.say(f"The cloth is {{}} too short on the {axis}", Mm(lack, "up")),
            look.say("it turns {} behind the board", look.cloth.turn),
            place=axis,
            keys=(key,),
            proposals=proposals,
            by_hand=both("Or sew a strip of like cloth on, where it is not seen."),
        )


def trimmed_too_deep(look: Look) -> Iterator[Finding]:
    """A trim that cuts into the image or the strip that must stay."""
    detail = look.desk.piece.detail
    if not isinstance(detail, Margined):
        return
    keep = detail.keep.mm if detail.keep else look.desk.practice.trim_keep_mm
    for side in ("top", "right", "bottom", "left"):
        here = look.trim(side)
        if here is None:
            continue
        trim, margin = here.trim, here.margin
        left = margin.value - trim.value
        if left >= keep - 1e-6:
            continue
        most = max(margin.value - keep, 0.0)
        at = f"pieces/{look.desk.piece.id}/detail/trim_{side}"
        edit = Edit(at=at, to=look.length_to(most) if most > 0 else None)
        yield Finding(
            "trim.deep",
            "stop",
            "measure",
            look.say(f"Trimming {{}} at the {side} cuts into the image", trim)
            if left < 0
            else look.say(f"Only {{}} of margin stay at the {side}", Mm(left)),
            look.say("{} of margin were read; {} must stay", margin, Mm(keep)),
            place=side,
            keys=(f"trim.{side}",),
            proposals=(Proposal(look.say("Trim {}", Mm(most, "down")), (edit,), 1),),
        )


def window_nothing(look: Look) -> Iterator[Finding]:
    """An overlap that leaves no window, or borders under what a mat should have."""
    if look.window is None:
        return
    small = min(look.window.size.width.value, look.window.size.height.value)
    if small <= 0:
        size = min(look.window.sheet.width.value, look.window.sheet.height.value)
        yield Finding(
            "window.none",
            "stop",
            "sizes",
            look.say("No window is left"),
            look.say("the mat may cover at most {} of each side", Mm(size / 2 - 5)),
            keys=("window.width", "mat.overlap"),
            proposals=look.change(look.levers.overlap, None, 1, "Overlap as the shop does it"),
            root=True,
        )
        return
    (side, border), least = look.window.narrowest, look.desk.practice.mat_border_least_mm
    if border.value < least - look.desk.mark.mm / 2:
        levers = look.levers
        own = {"top": levers.border_top, "right": levers.border_right, "bottom": levers.border_bottom,
               "left": levers.border_left}.get(side)  # fmt: skip
        decided = own if own is not None and own.of(look.desk.job) is not None else levers.border
        outside = levers.outside_height if side in ("top", "bottom") else levers.outside_width
        yield Finding(
            "mat.narrow",
            "stop" if border.value <= 0 else "caution",
            "sizes",
            look.say(f"No mat is left at the {side}")
            if border.value <= 0
            else look.say("A border of {} looks mean and tears easily", border),
            look.say("{} or more", Mm(least)),
            keys=(border.key,),
            proposals=(
                *look.change(decided, look.length(least), 1, "Border {}", Mm(least)),
                *look.change(outside, None, 1, "Outside as the border asks"),
            ),
        )


def pressed_short(look: Look) -> Iterator[Finding]:
    """A plant that is still damp moulds between panes."""
    detail = look.desk.piece.detail
    if isinstance(detail, PressedPlant) and detail.days_pressed is not None and detail.days_pressed < PRESS_DAYS[0]:
        yield Finding(
            "plant.damp",
            "caution",
            "measure",
            look.say("{} days in the press are too few", detail.days_pressed),
            look.say("{} to {} days between acid-free sheets, or it moulds behind the glazing", *PRESS_DAYS),
            keys=("piece.thickness",),
            by_hand=both("Leave it in the press, and book the fitting later."),
        )


def back_wrong(look: Look) -> Iterator[Finding]:
    """Canvas sealed in, or paper vented: each the wrong way round."""
    canvas = look.desk.piece.detail.kind in ("stretched canvas", "loose canvas", "panel")
    if canvas and look.assembly.back == "sealed paper":
        yield Finding(
            "back.sealed",
            "caution",
            "depth",
            look.say("A canvas is not sealed in"),
            look.say("both its faces should see the same air, or it slackens and shrinks unevenly"),
            keys=("cover.width",),
            proposals=look.change(look.levers.back, "vented paper", 1, "Vented paper"),
        )
    if look.assembly.glazed and look.assembly.back == "vented paper":
        yield Finding(
            "back.vented",
            "caution",
            "depth",
            look.say("Behind glazing the back is sealed"),
            look.say("a vent lets dust, damp and insects to the paper"),
            keys=("cover.width",),
            proposals=look.change(look.levers.back, "sealed paper", 1, "Sealed paper"),
        )
