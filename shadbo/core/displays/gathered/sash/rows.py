"""What a sash asks: its own readings, core and card, packers, the law of flags, its old paint."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, care, choice_row, length_row, reading_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import said
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import sheet_row, told_line
from shadbo.core.displays.gathered.sash.options import HOME, SashOptions
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.objects import Flag
from shadbo.core.words.words import Mm, length, say

ASKED = {
    "daylight_width": "glass that is seen, width",
    "daylight_height": "glass that is seen, height",
    "outside_width": "outside width",
    "outside_height": "outside height",
    "thickness": "thickness, front to back",
    "rebate": "room behind the glass",
    "glass": "glass, thickness",
}


def sash_questions(desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
    """The sash's readings first: all else follows it."""
    o, s = HOME.of(desk.job), desk.sheet
    rows = [
        reading_row(desk, f"{HOME.at}/sash/{n}", f"Sash, {label}", getattr(o.sash, n), f"sash.{n}", True)
        for n, label in ASKED.items()
    ]
    paint = [Choice(w, w, picked=o.sash.painted == w) for w in ("old paint", "stripped or new")]
    rows.append(choice_row(HOME.to("sash/painted"), "Its paint", paint, "painted" in o.sash.model_fields_set))
    own: dict[StationName, list[Question]] = {"display": rows}
    if o.sash.painted == "old paint":
        rows.append(care("Old paint may hold lead: test it, never sand it dry; wash hands, wet-wipe the bench."))
    if assembly is None:
        return own
    own["sizes"] = [
        length_row(desk, HOME.to("hidden"), "Core behind the rail, each side", o.hidden, s["sash.hidden"]),
        *told_line(desk, "fold.width", "Laid flat ÷ displayed, width"),
        *told_line(desk, "fold.height", "Laid flat ÷ displayed, height"),
        told("Layers at the core's edge", f"{s['fold.layers'].value:g}", "fold.layers", "fold and count them"),
        act("layers-more", "One layer more", Edit(at=HOME.to("layers"), to=int(s["fold.layers"].value) + 1)),
        *told_line(desk, "core.width", "Core, width", "daylight and what is hidden, less the cloth and some play"),
        *told_line(desk, "core.height", "Core, height"),
        length_row(desk, HOME.to("card_over"), "Rear card over the core, each side", o.card_over, s["card.over"]),
        *told_line(
            desk,
            "card.width",
            "Rear card, width",
            say(desk.mark, "screws land beyond the cloth, {} inside the sash", Mm(desk.practice.card_clear_mm)),
        ),
        *told_line(desk, "card.height", "Rear card, height"),
    ]
    cores = desk.stock.sheets_of("foam board", "mat", "corrugated plastic")
    cards = desk.stock.sheets_of("backing", "hardboard", "mat", "mdf")
    own["depth"] = [
        sheet_row(desk, HOME.to("core"), "Core", cores, o.core, "the first that is large enough", "stack.core"),
        sheet_row(desk, HOME.to("card"), "Rear card", cards, o.card, "the first that is large enough", "stack.card"),
        *told_line(desk, "depth.package", "Package"),
        *told_line(desk, "depth.left", "Over", "packers fill it; the card closes it"),
        screw_row(desk, o),
        *told_line(desk, "card.tip", "Wood left before the glass's plane", "the screws are driven towards it"),
    ]
    detail = desk.piece.detail
    law = []
    if isinstance(detail, Flag) and detail.sort == "flag":
        law = [care(f"The law of {detail.country or 'its country'} says which edge goes up, and what may touch it.")]
    steps = assembly.mount.taken.mount.steps if assembly.mount else ()
    own["mount"] = [
        *law,
        *[told(f"Step {n}", said(desk, step)) for n, step in enumerate(steps, 1)],
        *told_line(desk, "mount.demand", "Each run of tape carries"),
        *told_line(desk, "mount.rating", "It may carry", "maker's rating, before the factor"),
        told("Test", "the tape on the hem, a day long", "", "it must come off without a trace"),
        care("Leave the glass in the sash. Loose putty: tape the pane before turning the sash over."),
    ]
    own["parts"] = parts_questions(desk, assembly)
    return own


def screw_row(desk: Desk, o: SashOptions) -> Question:
    """Which screw goes through the card."""

    def called(mm: float) -> str:
        return length(mm, desk.mark).pick(desk.mark.system)

    now, decided = desk.sheet["card.screw"].value, o.screw_mm is not None
    choices = [Choice(None, "the plan chooses", picked=not decided)]
    choices += [Choice(x, called(x), picked=decided and x == now) for x in desk.screw_lengths_mm[:6]]
    at, label = HOME.to("screw_mm"), "Screws through the card"
    return choice_row(at, label, choices, decided, called(now), menu=True, key="card.screw")
