"""What the lip holds and hides; rails that bow or sag."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look, measure_again
from shadbo.core.findings import Finding, Proposal
from shadbo.core.words.words import Mm, both

BOW_SEEN_MM = 1.0


def hold_small(look: Look) -> Iterator[Finding]:
    """The package slid to one side, the rails bowed, the sheet shrunk: what the lip still covers."""
    if "fit.worst_hold" not in look:
        return
    hold, p = look["fit.worst_hold"], look.desk.practice
    verdict = hold.judge(p.hold_stop_mm, p.hold_caution_mm)
    if verdict.severity == "fine":
        return
    if verdict.severity == "measure":
        yield measure_again(look, "hold.small", hold, verdict.read_again, "sizes", "The least hold of the lip")
        return
    lack = p.hold_caution_mm - hold.value
    proposals: list[Proposal] = []
    room = max(look[f"fit.allowance_{a}"].value for a in ("width", "height"))
    if room - lack >= 1.5 and not any(f"season.growth_{a}" in look for a in ("width", "height")):
        proposals += look.change(look.levers.allowance, look.length(room - lack), 1, "Allowance {}", Mm(room - lack))
    bow = max(abs(look[f"fit.bow_{a}"].value) for a in ("width", "height"))
    if bow > BOW_SEEN_MM:
        proposals += look.change(look.levers.strainer, True, 3, "Screw in a strainer back")
    for sheet in [x for x in look.desk.stock.sheets_of("glass") if not x.coated][:2]:
        if "season.growth_width" in look and "acrylic only" not in look.desk.job.hanging.demands:
            proposals += look.change(look.levers.glazing, sheet, 2, "{}", sheet.name)
    proposals += look.others(3)
    yield Finding(
        "hold.small",
        verdict.severity,
        "sizes",
        look.say("The lip holds only {}", Mm(max(hold.value, 0), "down"))
        if hold.value > 0
        else look.say("The package falls through: {} are lacking", Mm(-hold.value, "up")),
        look.say(
            "lip {}; it can slide by {}, the rails bow {}, the sheet shrinks {}; keep {}",
            look["profile.lip"],
            Mm(room),
            Mm(max(bow, 0)),
            Mm(max((look[k].value for k in ("season.growth_width", "season.growth_height") if k in look), default=0)),
            Mm(p.hold_caution_mm),
        ),
        keys=("fit.worst_hold", "profile.lip"),
        proposals=tuple(proposals),
        by_hand=both("Shim it to the middle, so that it cannot slide."),
    )


def rails_bow(look: Look) -> Iterator[Finding]:
    """Middle wider than the ends: long thin rails bow outwards till the glazing drops."""
    if look.decided(look.levers.strainer):
        return
    for axis in ("width", "height"):
        key = f"fit.bow_{axis}"
        if key not in look or abs(look[key].value) <= BOW_SEEN_MM:
            continue
        bow = look[key]
        where = "further apart in the middle than at the ends" if bow.value > 0 else "nearer in the middle"
        yield Finding(
            "rail.bow",
            "caution",
            "parts",
            look.say(f"Rails stand {{}} {where}", Mm(abs(bow.value))),
            look.say(f"on the {axis}, both together; half of it each"),
            place=axis,
            keys=(key,),
            proposals=look.change(look.levers.strainer, True, 3, "Pull them in, then a strainer back"),
            by_hand=both("Pull them in with blocks and clamps until middle and ends agree, then corner plates."),
        )


def rail_sags(look: Look) -> Iterator[Finding]:
    """The bottom rail under the package, upper bound."""
    if "rail.sag" not in look or look.decided(look.levers.strainer):
        return
    sag, most = look["rail.sag"], look.desk.practice.rail_sag_most_mm
    if sag.value <= most + 1e-6:
        return
    yield Finding(
        "rail.sag",
        "caution",
        "sizes",
        look.say("The bottom rail sags by {} to {}", look["rail.sag_least"], sag),
        look.say("{} on it; a stiff pane carries part; keep under {}", look["package.load"], Mm(most)),
        keys=("rail.sag", "rail.sag_least"),
        proposals=(*look.change(look.levers.strainer, True, 2, "Screw in a strainer back"), *look.others(4)),
    )


def mark_hidden(look: Look) -> Iterator[Finding]:
    """A signature or label that the lip or the mat covers."""
    for mark in look.desk.piece.edge_marks:
        axis = "width" if mark.side in ("left", "right") else "height"
        if "mat.overlap" in look:
            band = look["mat.overlap"]
        elif f"fit.hidden_{axis}" in look and "border.wanted" not in look and "mat.margin" not in look:
            band = look[f"fit.hidden_{axis}"] + look[f"fit.allowance_{axis}"] / 2
        else:
            continue
        if mark.inside.mm >= band.value - 1e-6:
            continue
        by = band.value - mark.inside.mm
        proposals: list[Proposal] = []
        if "mat.overlap" in look and mark.inside.mm >= 2:
            proposals += look.change(
                look.levers.overlap, look.length(mark.inside.mm), 1, "Overlap {}", Mm(mark.inside.mm)
            )
        if "mat.overlap" in look:
            proposals += look.change(look.levers.shows, "whole sheet", 1, "Show the whole sheet")
        for held in look.assembly.mouldings:
            lip = getattr(held.profile, "lip_mm", 1e9)
            if held.fits and lip <= mark.inside.mm:
                proposals += look.change(look.levers.profile, held.profile, 2, "{}", held.profile.name)
        yield Finding(
            "mark.hidden",
            "caution",
            "sizes",
            look.say(f"The {mark.what} at the {mark.side} goes under by {{}}", Mm(by, "up")),
            look.say("it begins {} inside the edge; up to {} are covered", Mm(mark.inside.mm), Mm(band.value)),
            place=mark.id,
            keys=(band.key or "fit.hidden_width",),
            proposals=tuple(proposals),
            by_hand=both("Show the owner what will be covered before anything is cut."),
        )
