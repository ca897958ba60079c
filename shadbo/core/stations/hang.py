"""Close and hang: hardware for the weight, places on the back, height of the hook, what to look at last."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import beside, care, choice_row, length_row, text_row, told
from shadbo.core.hang.hanging import RAILED
from shadbo.core.plan import Plan
from shadbo.core.shop.materials import Hanger
from shadbo.core.stations.answers import KINDS
from shadbo.core.stations.closing import at_the_wall, before_closing, two_people
from shadbo.core.sums.hang import pilot_mm
from shadbo.core.words.days import day_text
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both, drill_text, say


def questions(plan: Plan) -> list[Question]:
    """The rows of the station."""
    hang, desk = plan.hang, plan.desk
    if hang is None:
        return []
    job, mark, s = desk.job.hanging, desk.mark, desk.sheet
    allowed = plan.assembly.hangs if plan.assembly and plan.assembly.hangs else RAILED
    picked = job.kind if job.kind in allowed else None
    many = len(allowed) > 1 or job.kind is not None
    kinds = [Choice(None, "by weight" if allowed is RAILED else "as it hangs", picked=picked is None)]
    kinds += [Choice(kind, KINDS[kind], picked=picked == kind) for kind in allowed]
    own_cleat = hang.kind == "cleat" and plan.assembly is not None and plan.assembly.own_cleat is not None
    rows = [
        *before_closing(plan),
        *([choice_row("hanging/kind", "Hung by", kinds, job.kind is not None, hang.reason)] if many else []),
        told(
            "Weighs",
            say(mark, "{}", hang.weight),
            "weight.total",
            hang.hanger.name if hang.hanger else "none in stock" if hang.kind in RAILED and not own_cleat else "",
        ),
    ]
    if hang.kind == "cleat" and plan.assembly is not None:
        least = plan.assembly.outside_width.value * desk.practice.cleat_fraction
        rows.append(told("Cleat, at least", say(mark, "{} long", Mm(least, "up")), "", "two thirds of the width"))
        if plan.assembly.own_cleat is not None:
            own = say(mark, "{} long", plan.assembly.own_cleat)
            rows.append(told("Wall's half of it", own, "cleat.length", "screwed to the wall, level, point up"))
    if hang.kind in ("wire", "straps"):
        rows.append(length_row(desk, "hanging/down", "Hangers below the top edge", job.down, hang.down))
        rows.append(told("Hangers, from the side", say(mark, "{}", hang.inwards), "hang.in", hang.screws_at))
        rows.append(
            told(
                "Their screws",
                say(mark, "{}", Mm(hang.screw_mm, "down")),
                "hang.hold",
                _piloted(plan, hang.hanger),
            )
        )
    if "hang.pull_out" in s:
        note = "a deep box leans forward: its wall fixings carry this too"
        rows.append(told("Pull-out at the upper fixings", say(mark, "{}", s["hang.pull_out"]), "hang.pull_out", note))
    if hang.tension is not None and hang.rise is not None and hang.wire_length is not None:
        if hang.kind == "wire":
            rows.append(
                choice_row(
                    "hanging/hooks",
                    "Hooks in the wall",
                    [Choice(n, word, picked=len(hang.hooks) == n) for n, word in ((1, "one"), (2, "two"))],
                    job.hooks is not None,
                )
            )
        rows.append(length_row(desk, "hanging/rise", "Rise of the wire at the hook", job.rise, hang.rise))
        rows.append(
            told(
                "Pull in the wire",
                say(mark, "{}", hang.tension),
                "wire.tension",
                f"{hang.angle_deg:.0f}° from level",
            )
        )
        rows.append(
            told(
                "Wire to cut",
                say(mark, "{}", hang.wire_length),
                "wire.length",
                say(mark, "wind the tails back {}, tape the ends", Mm(desk.practice.wire_wound_mm)),
            )
        )
    rows.append(length_row(desk, "hanging/eye", "Eye height", job.eye, s["hang.eye"]))
    what = {"strips": "Top edge above the floor", "ledge": "Ledge above the floor"}.get(
        hang.kind, "Wall half's point above the floor" if own_cleat else "Hook above the floor"
    )
    rows.append(told(what, say(mark, "{}", hang.hook_marked(mark)), "hang.hook"))
    if len(hang.hooks) == 2:
        rows.append(told("Between the hooks", say(mark, "{}", Mm(hang.hooks[1] - hang.hooks[0])), "", "level them"))
    if hang.bumper_mm > 0:
        rows.append(
            told(
                "Bumpers, lower corners",
                say(mark, "{} thick", Mm(hang.bumper_mm, "up")),
                "",
                "as the hanger stands out",
            )
        )
    rows.append(at_the_wall(plan))
    rows.append(care("Wall: clear of cables and pipes. A doubtful wall is for a qualified fitter."))
    if two_people(plan):
        rows.append(care("Lift and hang this with two people."))
    several = len(desk.job.pieces) > 1
    for piece in desk.job.pieces:
        label = f"Condition as it leaves{': ' + (piece.name or piece.noun) if several else ''}"
        rows += beside([text_row(f"pieces/{piece.id}/leaves", label, piece.leaves, "note")])
    handed = day_text(desk.job.handed_over) if desk.job.handed_over else ""
    rows.append(text_row("handed_over", "Handed over on", handed, "date"))
    return rows


def _piloted(plan: Plan, hanger: Hanger | None) -> Both:
    """The drill for a hanger's screws, by the wood that they go into, and what no hammer comes near."""
    a = plan.assembly
    keep = "no hammer near glass" if a is not None and a.glazed else "no hammer near the piece"
    if a is None or a.back_rail is None or hanger is None:
        return both(f"pilot holes; {keep}")
    drill = drill_text(pilot_mm(hanger.screw_diameter_mm, a.back_rail.species))
    return say(plan.desk.mark, f"pilot holes of {{}}; {keep}", drill)
