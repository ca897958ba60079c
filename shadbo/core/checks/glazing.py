"""Glazing: what touches it, how far it sags, spacers that show or stick, what it does to loose pigment."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding, Proposal
from shadbo.core.words.words import Mm, both


def touches(look: Look) -> Iterator[Finding]:
    """No air between glazing and piece: chosen, or for want of spacers."""
    if look.air is None or not look.assembly.glazed:
        return
    piece = look.desk.piece
    told = piece.told
    needed = look.air.needed.value
    made = look.air.made.value if (look.air is not None and look.air.made is not None) else 0.0
    if needed > 1e-6 and made >= needed - 1e-6:
        return
    may = told["may_touch_glazing"] and needed <= 1e-6
    yield Finding(
        "glazing.touches",
        "caution" if may else "stop",
        "depth",
        look.say("The piece lies against the glazing") if made <= 1e-6 else look.say("Only {} of air", Mm(made)),
        look.say("it can stick, and damp condenses there")
        if may
        else look.say("it may not touch the glazing: {}", told.why["may_touch_glazing"]),
        keys=("air.needed",),
        proposals=look.change(look.levers.contact, None, 1, "Spacers behind the glazing"),
    )


def sags_onto(look: Look) -> Iterator[Finding]:
    """A large sheet would come down on the piece while the box lies on its back."""
    if (look.air is None or look.air.sag is None) or (
        (look.air is None or look.air.made is None) and (look.air is None or look.air.left is None)
    ):
        return
    piece = look.desk.piece
    told = piece.told
    sag = look.air.sag
    air = look.air.left if look.air.left is not None else look.air.made
    if air is None:
        return
    if sag.value <= air.value + 1e-6 or told["may_touch_glazing"]:
        return
    grave = told["loose_surface"] or piece.detail.kind in ("needlework", "garment", "flag")
    proposals: list[Proposal] = []
    part = next((p for p in look.assembly.by_role("glazing") if p.sheet is not None), None)
    if part is not None and part.sheet is not None:
        for sheet in look.desk.stock.sheets:
            stiffer = sheet.glazing and (sheet.kind == "glass" or sheet.thick_mm > part.sheet.thick_mm)
            if stiffer and sheet != part.sheet and not sheet.coated:
                proposals += look.change(look.levers.glazing, sheet, 2, "{}", sheet.name)
    for spacer in look.desk.stock.spacers:
        if spacer.height_mm > sag.value:
            proposals += look.change(look.levers.spacer, spacer, 1, "{}", spacer.name)
    yield Finding(
        "glazing.sags",
        "caution" if grave else "note",
        "depth",
        look.say("Lying on its back, the glazing sags {}", sag),
        look.say("{} of air are in front of the piece; an aid to judgement, for a sheet held at its rim", air),
        keys=("air.sag", "air.made"),
        proposals=tuple(proposals),
        by_hand=both("Carry and store it upright."),
    )


def glass_in_a_busy_place(look: Look) -> Iterator[Finding]:
    """Glass where people pass close by, or children play: it breaks into the piece and onto them."""
    told = look.desk.piece.told
    if "busy place" not in look.desk.job.hanging.demands or told["loose_surface"]:
        return
    if not any(p.sheet is not None and p.sheet.kind == "glass" for p in look.assembly.by_role("glazing")):
        return
    proposals: tuple[Proposal, ...] = look.change(look.levers.glazing, None, 1, "Glazing as the plan chooses")
    for sheet in look.desk.stock.sheets_of("acrylic"):
        if not sheet.coated:
            proposals += look.change(look.levers.glazing or look.levers.pane, sheet, 2, "{}", sheet.name)
    yield Finding(
        "glazing.busy",
        "caution",
        "depth",
        both("Glass in a busy place"),
        both("acrylic does not splinter; glass there only behind a film, or for a loose surface"),
        keys=("stack.glazing",),
        proposals=proposals,
        by_hand=both("Hang it higher, or away from where people pass."),
    )


def spacer_shows(look: Look) -> Iterator[Finding]:
    """A spacer wider than the lip hides."""
    if look.spacers is None or look.fit is None:
        return
    lip = look.fit.lip
    strips = [x for x in (look.spacers.thick, look.spacers.second) if x is not None]
    thick = max(strips, key=lambda x: x.value)
    stuck = look.decided(look.levers.spacer_held) == "adhesive strip"
    room = max(look.fit.allowance[a].value for a in ("width", "height"))
    hidden = lip.value - 1 - (room if stuck else 0)
    if thick.value <= hidden + 1e-6:
        return
    proposals: list[Proposal] = []
    for spacer in look.desk.stock.spacers:
        if spacer.thick_mm <= hidden:
            proposals += look.change(look.levers.spacer, spacer, 1, "{}", spacer.name)
    if stuck:
        proposals += look.change(look.levers.spacer_held, "by friction", 1, "Held by friction against the wall")
    proposals += look.others(3)
    yield Finding(
        "spacer.shows",
        "caution",
        "depth",
        look.say("{} of the spacer show inside the lip", Mm(thick.value - hidden, "up")),
        look.say("it is {} wide, and {} stay hidden", thick, Mm(hidden)),
        keys=(thick.key, "profile.lip"),
        proposals=tuple(proposals),
    )


def stuck_on_glazing(look: Look) -> Iterator[Finding]:
    """Adhesive lifts a coating and crazes acrylic: what the sheet costs to replace."""
    glazing = [p for p in look.assembly.by_role("glazing") if p.sheet is not None]
    part = next((p for p in glazing if p.sheet and (p.sheet.coated or p.sheet.kind == "acrylic")), None)
    if part is None or part.sheet is None or look.decided(look.levers.spacer_held) != "adhesive strip":
        return
    what = "coated glazing" if part.sheet.coated else "acrylic"
    yield Finding(
        "spacer.stuck",
        "caution",
        "depth",
        look.say("Adhesive on {}", what),
        look.say(
            "what it lifts or clouds cannot be mended: the sheet costs {} {}",
            look.desk.shop.currency,
            f"{part.price:.2f}",
        ),
        keys=("stack.glazing",),
        proposals=look.change(look.levers.spacer_held, "by friction", 1, "Held by friction"),
        by_hand=both("Hard against the rabbet's wall, pressed straight down once, wholly under the lip."),
    )


def static_lifts(look: Look) -> Iterator[Finding]:
    """Acrylic charges up, and loose pigment jumps to it."""
    piece = look.desk.piece
    told = piece.told
    acrylic = next((p for p in look.assembly.by_role("glazing") if p.sheet and p.sheet.kind == "acrylic"), None)
    if acrylic is None or not told["loose_surface"]:
        return
    proposals: tuple[Proposal, ...] = ()
    for sheet in look.desk.stock.sheets_of("glass"):
        proposals += look.change(look.levers.glazing or look.levers.pane, sheet, 2, "{}", sheet.name)
    yield Finding(
        "glazing.static",
        "stop",
        "depth",
        look.say("Acrylic lifts a loose surface by its static"),
        look.say("glass for pastel, charcoal and flaking paint"),
        keys=("stack.glazing",),
        proposals=proposals,
    )
