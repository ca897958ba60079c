"""The package against the rabbet: too deep, loose, clips that do not reach, sheets that are too small."""

from collections.abc import Iterator

from shadbo.core.build.assembly import Part
from shadbo.core.checks.view import Look
from shadbo.core.decisions.levers import Lever
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.shop.boards import SheetKind, SheetStock
from shadbo.core.words.words import Mm, both


def lever_of(look: Look, part: Part) -> Lever[SheetStock] | None:
    """What decides the sheet that a part is cut from."""
    levers = look.levers
    by_id = {"mat_inner": levers.inner_mat, "middle": levers.middle, "core": levers.core, "card": levers.card,
             "sink": None, "diffuser": None}  # fmt: skip
    by_role = {"backing": levers.backing, "board": levers.board, "glazing": levers.glazing, "mat": levers.mat}
    return by_id[part.id] if part.id in by_id else by_role.get(part.role) or levers.pane


SAID = {"backing": "Backing", "board": "Mount board", "glazing": "Glazing"}
LIKE: dict[str, tuple[SheetKind, ...]] = {
    "backing": ("backing", "foam board", "corrugated plastic", "hardboard", "mdf"),
    "board": ("mat", "foam board", "hardboard"),
    "glazing": ("glass", "acrylic"),
    "mat": ("mat",),
}


def _thinner(look: Look, role: str, than_mm: float) -> tuple[Proposal, ...]:
    out: tuple[Proposal, ...] = ()
    part = next((p for p in look.assembly.by_role(role) if p.sheet is not None and p.thick is not None), None)
    if part is None or part.thick is None or part.length is None or part.width is None:
        return ()
    size = (part.length.value, part.width.value)
    for sheet in look.desk.stock.sheets_of(*LIKE[role]):
        if (
            sheet.thick_mm < part.thick.value - 1e-6
            and sheet.holds(*size)
            and part.thick.value - sheet.thick_mm >= than_mm
        ):
            out += look.change(
                lever_of(look, part), sheet, 2 if role == "glazing" else 1, f"{SAID[role]}: {{}}", sheet.name
            )
    return out


def too_deep(look: Look) -> Iterator[Finding]:
    """The package is deeper than the rabbet: points find no wall."""
    if look.depth is None or look.clips is not None:
        return
    left = look.depth.left
    slack = 1.0 if (look.depth is not None and look.depth.box is not None) else 0.0
    if left.value >= -slack - 1e-6:
        return
    lack = -left.value
    mark = look.desk.mark
    strip = to_mark(lack, 1.0 if mark.system == "mm" else mark.mm, "up")
    proposals = (
        *_thinner(look, "backing", lack),
        *_thinner(look, "board", lack),
        *_thinner(look, "glazing", lack),
        *look.others(1),
        *look.change(look.levers.extension, look.length(strip), 3, "Rabbet extension {}", Mm(strip)),
        *(
            look.change(look.levers.glass, "left out", 2, "Leave its glass out")
            if (look.depth is not None and look.depth.box is not None)
            else ()
        ),
    )
    room = next((q for q in (look.depth.box, look.depth.rabbet) if q is not None), look.depth.left)
    yield Finding(
        "depth.deep",
        "stop",
        "depth",
        look.say("The package is {} deeper than the rabbet", Mm(lack, "up")),
        look.say("{} of layers, and room for the fasteners, in {}", look.depth.package, room),
        keys=("depth.left", "depth.package"),
        proposals=proposals,
        by_hand=both("Or a back frame, glued and screwed behind the rails."),
    )


def rattles(look: Look) -> Iterator[Finding]:
    """More depth over than the fillers take up."""
    if look.depth is None or look.clips is not None:
        return
    left = look.depth.left
    most = 1.0 if (look.depth is not None and look.depth.box is not None) else look.desk.practice.spare_caution_mm
    if left.value <= most + 1e-6:
        return
    yield Finding(
        "depth.loose",
        "caution",
        "depth",
        look.say("{} of depth stay empty: the package rattles", left),
        look.say("fill all but {}", Mm(most)),
        keys=("depth.left",),
        proposals=(*look.change(look.levers.packers, None, 1, "Packers, as the plan stacks them"), *look.others(3)),
        by_hand=both("Glue packers for good, or lay a soft acid-free pad where it should come out again."),
    )


def glass_not_replaced(look: Look) -> Iterator[Finding]:
    """Glass left out, and nothing of its thickness in its place: the lip no longer holds the package tight."""
    if look.depth is None or look.depth.box_glass is None or look.depth.glass_packer is not None:
        return
    if look.decided(look.levers.glass) != "left out":
        return
    yield Finding(
        "glass.gone",
        "stop",
        "depth",
        look.say("The glass is left out, and nothing takes its place"),
        look.say("a packer of {} keeps the package against the lip", look.depth.box_glass),
        keys=("box.glass",),
        proposals=look.change(look.levers.packers, None, 1, "A packer as thick as the glass"),
    )


def clip_misses(look: Look) -> Iterator[Finding]:
    """No offset clip bridges the step from canvas to frame."""
    if look.clips is None:
        return
    off, step = look.clips.off, look.clips.step
    if abs(off.value) <= 2.0 + 1e-6:
        return
    deep = step.value > 0
    yield Finding(
        "clip.misses",
        "stop" if abs(off.value) > 6 else "caution",
        "depth",
        look.say(f"The canvas ends {{}} {'behind' if deep else 'inside'} the frame's back", Mm(abs(step.value))),
        look.say("the nearest clip bridges {}; {} are left", look.clips.offset, Mm(abs(off.value))),
        keys=("clip.step", "clip.offset"),
        proposals=(*look.others(4),),
        by_hand=both(
            "Screw a back frame behind the rails, and clip to that." if deep else "Lay packers behind the canvas."
        ),
    )


def sheet_small(look: Look) -> Iterator[Finding]:
    """A part larger than the sheet that it is cut from."""
    for part in look.assembly.parts:
        sheet = part.sheet
        if sheet is None or part.length is None or part.width is None or (not part.to_cut and part.role != "glazing"):
            continue
        size = (part.length.value, part.width.value)
        if sheet.holds(*size):
            continue
        large = [x for x in look.desk.stock.sheets_of(*LIKE.get(part.role, ())) if x.holds(*size)]
        proposals: tuple[Proposal, ...] = ()
        for other in large[:3]:
            proposals += look.change(lever_of(look, part), other, 2, "{}", other.name)
        strip = look.backing_strip.strip if look.backing_strip is not None and part.role == "backing" else None
        joined = strip is not None
        yield Finding(
            "sheet.small",
            "caution" if joined else "stop",
            "parts",
            look.say("{} is too small: {} × {} are wanted", sheet.name, part.length, part.width),
            look.say("a sheet of it is {} × {}", Mm(sheet.width_mm), Mm(sheet.height_mm)),
            place=part.id,
            keys=(part.length.key,),
            proposals=proposals,
            by_hand=look.say(
                "Join a strip of {} from a second sheet, its seam {} or more from a corner.",
                strip,
                Mm(look.desk.practice.seam_from_corner_mm),
            )
            if strip is not None
            else both("Order the larger sheet, or join two where the lip hides the seam."),
        )


STICK_ENDS_MM = 10.0
"""Trimmed off the ends of a stick: common practice, no source."""


def rail_too_long(look: Look) -> Iterator[Finding]:
    """A rail longer than the stick that it is cut from."""
    moulding = look.assembly.moulding
    if moulding is None:
        return
    rails = [p for p in look.assembly.by_role("rail") if p.to_cut and p.length is not None]
    longest = max((p.length.value for p in rails if p.length is not None), default=0.0)
    if longest <= moulding.stick_mm - STICK_ENDS_MM + 1e-6:
        return
    proposals: tuple[Proposal, ...] = ()
    for held in look.assembly.mouldings:
        if held.fits and held.profile.stick_mm - STICK_ENDS_MM >= longest:
            proposals += look.change(look.levers.profile, held.profile, 2, "{}", held.profile.name)
    yield Finding(
        "rail.long",
        "stop",
        "parts",
        look.say("A rail of {} is longer than its stick", Mm(longest, "up")),
        look.say("{} comes in sticks of {}; the ends are trimmed", moulding.name, Mm(moulding.stick_mm, "down")),
        keys=tuple(p.key for p in rails[:1]),
        proposals=proposals[:3],
        by_hand=both("Order a longer stick, or join the rail where it shows least."),
    )


def cut_early(look: Look) -> Iterator[Finding]:
    """Glazing or boards cut or ordered before the frame was measured."""
    pins = look.desk.job.pins
    early = [k for k in pins if k.startswith(("package.", "board."))]
    if (
        not early
        or any(k.startswith("frame.") for k in pins)
        or (look.depth is not None and look.depth.box is not None)
    ):
        return
    yield Finding(
        "order.early",
        "caution",
        "parts",
        look.say("Cut before the frame was measured"),
        look.say("measure the frame that was really made, both axes, ends and middle, after its finish"),
        keys=tuple(early[:1]),
        by_hand=both("Write down the rabbet as made; then see whether what is cut still fits."),
    )
