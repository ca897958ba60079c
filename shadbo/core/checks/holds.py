"""What the lip holds and hides; rails that bow or sag."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look, measure_again
from shadbo.core.findings import Finding, Proposal
from shadbo.core.words.words import Mm, both

BOW_SEEN_MM = 1.0


def hold_small(look: Look) -> Iterator[Finding]:
    """The package slid to one side, the rails bowed, the sheet shrunk: what the lip still covers."""
    if look.fit is None:
        return
    hold, p = look.fit.worst_hold, look.desk.practice
    verdict = hold.judge(p.hold_stop_mm, p.hold_caution_mm)
    if verdict.severity == "fine":
        return
    if verdict.severity == "measure":
        yield measure_again(look, "hold.small", hold, verdict.read_again, "sizes", "The least hold of the lip")
        return
    lack = p.hold_caution_mm - hold.value
    proposals: list[Proposal] = []
    room = max(look.fit.allowance[a].value for a in ("width", "height"))
    if room - lack >= 1.5 and not any(
        (look.fit is not None and look.fit.growth is not None) for a in ("width", "height")
    ):
        proposals += look.change(look.levers.allowance, look.length(room - lack), 1, "Allowance {}", Mm(room - lack))
    bow = max(abs(look.fit.bow[a].value) for a in ("width", "height"))
    if bow > BOW_SEEN_MM:
        proposals += look.change(look.levers.strainer, True, 3, "Screw in a strainer back")
    for sheet in [x for x in look.desk.stock.sheets_of("glass") if not x.coated][:2]:
        if (
            look.fit is not None and look.fit.growth is not None
        ) and "acrylic only" not in look.desk.job.hanging.demands:
            proposals += look.change(look.levers.glazing, sheet, 2, "{}", sheet.name)
    proposals += look.others(3)
    proposals += look.finer_mark()
    yield Finding(
        "hold.small",
        verdict.severity,
        "sizes",
        look.say("The lip holds only {}", Mm(max(hold.value, 0), "down"))
        if hold.value > 0
        else look.say("The package falls through: {} are lacking", Mm(-hold.value, "up")),
        look.say(
            "lip {}; it can slide by {}, the rails bow {}, the sheet shrinks {}; keep {}",
            look.fit.lip,
            Mm(room),
            Mm(max(bow, 0)),
            Mm(look.fit.growth.largest() if look.fit.growth is not None else 0),
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
        if look.fit is None or abs(look.fit.bow[axis].value) <= BOW_SEEN_MM:
            continue
        bow = look.fit.bow[axis]
        where = "further apart in the middle than at the ends" if bow.value > 0 else "nearer in the middle"
        yield Finding(
            "rail.bow",
            "caution",
            "parts",
            look.say(f"Rails stand {{}} {where}", Mm(abs(bow.value))),
            look.say(f"on the {axis}, both together; half of it each"),
            place=axis,
            keys=(bow.key,),
            proposals=look.change(look.levers.strainer, True, 3, "Pull them in, then a strainer back"),
            by_hand=both("Pull them in with blocks and clamps until middle and ends agree, then corner plates."),
        )


def strainer_unfit(look: Look) -> Iterator[Finding]:
    """A strainer back that one would see, or that no screw holds through so wide a rail."""
    if look.strainer is None:
        return
    x = look.strainer
    if look.assembly.see_through:
        yield Finding(
            "strainer.seen",
            "stop",
            "parts",
            look.say("The strainer's bars of {} stand where one sees through", x.bar),
            both("a frame that is seen through has nothing behind its opening"),
            keys=("strainer.bar",),
            proposals=look.change(look.levers.strainer, None, 1, "No strainer back"),
            by_hand=both("Corner plates let into the rails, or a heavier moulding."),
        )
    if not x.screw_least.value - 1e-6 <= x.screw.value <= x.screw_most.value + 1e-6:
        yield Finding(
            "strainer.screw",
            "stop",
            "parts",
            look.say("No screw of the drawers goes from {} to {}, through the rail into the strainer",
                     Mm(x.screw_least.value, "up"), Mm(x.screw_most.value, "down")),
            look.say("the nearest is {}", x.screw),
            keys=("strainer.screw", "strainer.screw_least"),
            by_hand=both("Counterbore the rail so that a shorter one grips, and plug the hole."),
        )  # fmt: skip


def rail_sags(look: Look) -> Iterator[Finding]:
    """The bottom rail under the package, upper bound."""
    if look.sag is None:
        return
    sag, most = look.sag.most, look.desk.practice.rail_sag_most_mm
    if sag.value <= most + 1e-6:
        return
    yield Finding(
        "rail.sag",
        "caution",
        "sizes",
        look.say("The bottom rail sags by {} to {}", look.sag.least, sag),
        look.say("{} on it; a stiff pane carries part; keep under {}", look.sag.load, Mm(most)),
        keys=("rail.sag", "rail.sag_least"),
        proposals=(
            *(
                ()
                if look.decided(look.levers.strainer)
                else look.change(look.levers.strainer, True, 2, "Screw in a strainer back")
            ),
            *look.others(4),
        ),
    )


def mark_hidden(look: Look) -> Iterator[Finding]:
    """A signature or label that the lip or the mat covers."""
    for mark in look.desk.piece.edge_marks:
        axis = "width" if mark.side in ("left", "right") else "height"
        if look.mat is not None and look.mat.overlap is not None:
            band = look.mat.overlap
        elif look.fit is not None and look.border_wanted is None and (look.mat is None or look.mat.margin is None):
            band = look.fit.hidden[axis] + look.fit.allowance[axis] / 2
        else:
            continue
        if mark.inside.mm >= band.value - 1e-6:
            continue
        by = band.value - mark.inside.mm
        proposals: list[Proposal] = []
        if (look.mat is not None and look.mat.overlap is not None) and mark.inside.mm >= 2:
            proposals += look.change(
                look.levers.overlap, look.length(mark.inside.mm), 1, "Overlap {}", Mm(mark.inside.mm)
            )
        if look.mat is not None and look.mat.overlap is not None:
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
