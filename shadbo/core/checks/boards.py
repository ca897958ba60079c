"""Boards beside the piece: whether they are acid-free, and whether pins hold in them."""

from collections.abc import Iterator, Sequence

from shadbo.core.build.assembly import Part
from shadbo.core.checks.package import lever_of
from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding, Proposal
from shadbo.core.shop.boards import PINS_NEED_MM, SheetStock
from shadbo.core.words.words import Mm, both


def _instead(look: Look, part: Part, sheets: Sequence[SheetStock]) -> tuple[Proposal, ...]:
    """Up to three of these sheets that a part can be cut from."""
    if part.length is None or part.width is None:
        return ()
    size = (part.length.value, part.width.value)
    lever = lever_of(look, part)
    return tuple(p for x in sheets if x.holds(*size) for p in look.change(lever, x, 1, "{}", x.name))[:3]


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
        foam = [x for x in look.desk.stock.sheets_of("foam board") if x.thick_mm >= PINS_NEED_MM]
        yield Finding(
            "mount.pins",
            "stop",
            "depth",
            look.say("Pins do not hold in {}", sheet.name),
            look.say("foam board of {} or more, so that they go in aslant", Mm(PINS_NEED_MM)),
            keys=(part.key,),
            proposals=_instead(look, part, foam),
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
        known = [x for x in look.desk.stock.sheets_of(sheet.kind, "mat", "foam board") if x.safe and x != sheet]
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
            proposals=_instead(look, part, known),
            by_hand=both("Lay a barrier sheet between, or take a board that its maker calls acid-free."),
        )
