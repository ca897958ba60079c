"""Boards beside the piece: whether they are acid-free, and whether pins hold in them."""

from collections.abc import Iterator

from shadbo.core.checks.package import lever_of
from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding, Proposal
from shadbo.core.shop.boards import PINS_NEED_MM
from shadbo.core.words.words import Mm, both


def pins_in_card(look: Look) -> Iterator[Finding]:
    """Pins in a board that is too hard or too thin for them: they bend, or come out at its back."""
    if not any(m.taken.mount.id == "stainless pins" for m in look.assembly.mounts):
        return
    for part in look.assembly.by_role("board"):
        sheet = part.sheet
        if part.id != "board" or sheet is None:
            continue
        if sheet.kind == "foam board" and sheet.thick_mm >= PINS_NEED_MM - 1e-6:
            continue
        proposals: tuple[Proposal, ...] = ()
        for other in look.desk.stock.sheets_of("foam board"):
            if other.thick_mm >= PINS_NEED_MM and part.length is not None and part.width is not None:
                fits = other.holds(part.length.value, part.width.value)
                proposals += look.change(lever_of(look, part), other, 1, "{}", other.name) if fits else ()
        yield Finding(
            "mount.pins",
            "stop",
            "depth",
            look.say("Pins do not hold in {}", sheet.name),
            look.say("foam board of {} or more, so that they go in aslant", Mm(PINS_NEED_MM)),
            keys=(part.key,),
            proposals=proposals[:3],
            by_hand=both("Two thinner foam boards, glued over their whole face, serve as well."),
        )


ACID_FADES = ("paper", "needlework", "garment", "flag", "pressed plant", "plate", "puzzle")


def acid_near(look: Look) -> Iterator[Finding]:
    """A mat or board that lies against paper or cloth and is not known to be acid-free: it browns what it touches."""
    kinds = {p.detail.kind for p in (look.desk.pieces if look.desk.gathers else (look.desk.piece,))}
    if not kinds & set(ACID_FADES) or look.desk.piece.worth == "everyday":
        return
    for part in look.assembly.by_role("mat", "board"):
        sheet = part.sheet
        if sheet is None or sheet.safe:
            continue
        proposals: tuple[Proposal, ...] = ()
        lever = lever_of(look, part)
        for other in look.desk.stock.sheets_of(sheet.kind, "mat", "foam board"):
            if other.safe and other != sheet and part.length is not None and part.width is not None:
                fits = other.holds(part.length.value, part.width.value)
                proposals += look.change(lever, other, 1, "{}", other.name) if fits else ()
        yield Finding(
            "sheet.acid",
            "caution",
            "depth",
            look.say("{} is not acid-free", sheet.name)
            if sheet.safe is False
            else look.say("Nobody knows whether {} is acid-free", sheet.name),
            both("it lies against the piece, and would brown it in some years"),
            place=part.id,
            keys=(part.key,),
            proposals=proposals[:3],
            by_hand=both("Lay a barrier sheet between, or take a board that its maker calls acid-free."),
        )
