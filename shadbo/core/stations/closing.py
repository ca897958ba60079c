"""Before the back is closed, and at the wall: what is looked at, who asks for what, what the wall must carry."""

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import care, told
from shadbo.core.build.closing import glazing_kinds
from shadbo.core.checks.recipient import gives
from shadbo.core.job.job import Demand
from shadbo.core.plan import Plan
from shadbo.core.words.words import say

ASKED: dict[Demand, str] = {
    "no wire": "no wire",
    "acrylic only": "acrylic, no glass",
    "sealed back": "a sealed back",
    "two fixed points": "two fixed points",
    "busy place": "safe where people pass",
}
WALLS = {
    "solid": ("plug and screw, drilled without hammer in old plaster", "clear of cables and pipes"),
    "board": ("into a stud; else a fixing that spreads behind the board", "a fixing in board alone carries little"),
    "doubtful": ("nothing until a qualified fitter has looked", "the wall decides, not the fixing"),
    None: ("not told yet: ask, and look at the wall", "masonry, board on studs, or a qualified fitter's"),
}


def before_closing(plan: Plan) -> list[Question]:
    """What is looked at once more from the front, and what the recipient asks for."""
    a, rows = plan.assembly, []
    if a is None or plan.hang is None:
        return []
    kinds = glazing_kinds(a)
    if kinds:
        bad = "acrylic" in kinds or any(p.sheet is not None and p.sheet.coated for p in a.by_role("glazing"))
        clean = "no ammonia on it, its film off last" if bad else "no cleaner near the mat"
        rows.append(told("Both inner faces", "clean and dry, no dust, no thread", "", clean))
    if "acrylic" in kinds and a.long_side_mm > plan.desk.practice.acrylic_over_mm:
        rows.append(told("Dust on the acrylic", *_dust(plan)))
    rows.append(
        told(
            "Look from the front", "before it is closed", "", "borders straight, top is up, nothing loose when tilted"
        )
    )
    rows += [_asked(plan, demand) for demand in plan.desk.job.hanging.demands]
    rows.append(care("Eye protection at points, staples and the drill; a bent tab is sharp: lift it with a tool."))
    return rows


def _dust(plan: Plan) -> tuple[str, str, str]:
    a = plan.assembly
    assert a is not None
    minutes = dust_minutes(plan)
    two = two_people(plan)
    people = "two people" if two else "one person"
    return (
        f"{people}, {minutes:.0f} min",
        "",
        "temporary screws before it is turned" if two else "work upwards from it",
    )


def dust_minutes(plan: Plan) -> float:
    """Minutes a person at the dust on a large sheet of acrylic."""
    assert plan.assembly is not None
    area = plan.assembly.outside_width.value * plan.assembly.outside_height.value / 1e6
    return plan.desk.practice.dust_min + plan.desk.practice.dust_min_per_m2 * area


def _asked(plan: Plan, demand: Demand) -> Question:
    """One demand of the recipient, and whether this plan gives it."""
    assert plan.assembly is not None
    assert plan.hang is not None
    met = gives(plan.assembly, plan.hang, demand)
    return told(f"Asked for: {ASKED[demand]}", "this plan gives it" if met else "not given: settle it first", "")


def two_people(plan: Plan) -> bool:
    """Whether it is too heavy or too long for one."""
    assert plan.assembly is not None
    assert plan.hang is not None
    p = plan.desk.practice
    return plan.assembly.long_side_mm > p.fixed_points_over_mm or plan.hang.weight.value > p.fixed_points_over_kg


def at_the_wall(plan: Plan) -> Question:
    """What each of the wall's fixings must be rated for, by the kind of wall."""
    assert plan.hang is not None
    desk = plan.desk
    how, note = WALLS[desk.job.hanging.wall]
    each = desk.sheet.get("wall.each")
    if each is None:
        return told("Fixings in the wall", how, "", note)
    rated = say(desk.mark, "{}, each rated for {} or more", plan.hang.wall_fixings, each)
    return told("Fixings in the wall", rated, "wall.each", f"{how}; {note}")
