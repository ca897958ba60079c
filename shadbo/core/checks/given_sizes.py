"""Sizes that were decided inside a frame whose outside is given: what each of them comes to is said."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.decisions.levers import Lever
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.values import Length
from shadbo.core.words.words import Mm, both

DIFFER_SEEN_MM = 2.0
"""Two borders that differ by more are seen to differ: common practice, no source."""
Giving = tuple[str, Lever[Length] | None, Quantity | None, int]
"""What a decision is called, where it stands, its line, and how many sides of the frame share what is over."""


def given_way(look: Look) -> Iterator[Finding]:
    """A border, margin, gap, field or opening that was decided, where the frame leaves another."""
    inside, levers = look.inside, look.levers
    exists = look.desk.own_frame is not None
    if inside is None:
        return
    for axis, outside in (("width", levers.outside_width), ("height", levers.outside_height)):
        over = inside.made[axis].value - inside.wanted[axis].value
        if abs(over) <= 2 * look.desk.mark.mm or (look.decided(outside) is None and not exists):
            continue
        if exists:
            why, ways = both("the frame that exists decides it"), look.new_rails()
        else:
            why = both(f"an outside {axis} is given, and what is inside follows it")
            ways = look.change(outside, None, 2, f"Outside {axis} as it comes from inside")
        for name, lever, line, sides in _giving(look, axis):
            decided = look.decided(lever)
            if lever is None or line is None or decided is None or abs(decided.mm - line.value) > 1e-6:
                continue
            comes = Mm(line.value + over * sides / 2)
            yield Finding(
                "size.given_way",
                "note",
                "sizes",
                look.say(f"{name}, {{}} as decided, comes to {{}} on the {axis}", line, comes),
                why,
                place=f"{lever.at} {axis}",
                keys=(inside.made[axis].key,),
                proposals=(*look.change(lever, None, 1, "Let the plan decide it"), *ways),
            )


def _giving(look: Look, axis: str) -> tuple[Giving, ...]:
    """What takes up on an axis what a frame has over: in each build that with which its inside is made up."""
    v, t, wide = look.levers, look.taking_up, axis == "width"
    opening = v.opening_width if wide else v.opening_height
    fixed: tuple[Giving, ...] = (
        ("The gap", v.gap, t.gap, 1),
        ("The fit allowance", v.allowance, t.allowance if look.boards is None else None, 2),
        ("The opening", opening, t.opening_width if wide else t.opening_height, 2),
    )
    if t.mat_border is not None:
        return *fixed, *_of_mat(look, wide)
    if t.margin is not None:
        field = v.layout_width if wide else v.layout_height
        if look.decided(field) is not None:
            return *fixed, ("The field", field, t.field[axis] if t.field else None, 2)
        return *fixed, ("The margin", v.margin, t.margin, 1)
    border = None if look.decided(opening) is not None else t.border
    return *fixed, ("The border", v.border, border, 1), ("The margin", v.margin, border, 1)


def _of_mat(look: Look, wide: bool) -> tuple[Giving, ...]:
    """Each side of a mat that has a border of its own; the border of all where one has not."""
    v, t = look.levers, look.taking_up
    first: Giving = ("The left border", v.border_left, t.left, 1)
    second: Giving = ("The right border", v.border_right, t.right, 1)
    if not wide:
        first = ("The top border", v.border_top, t.top, 1)
        second = ("The bottom border", v.border_bottom, t.bottom, 1)
    every = t.mat_border if first[2] is None or second[2] is None else None
    return first, second, ("The border", v.border, every, 1)


def borders_differ(look: Look) -> Iterator[Finding]:
    """A border at the sides other than above and below: by how much, which way an opening would have to change."""
    v = look.levers
    if any(look.decided(x) is not None for x in (v.border_top, v.border_right, v.border_bottom, v.border_left)):
        return
    window = look.window.sides_and_ends if look.window is not None else None
    pair = (look.border.sides, look.border.ends) if look.border is not None else window
    if pair is None or abs(pair[0].value - pair[1].value) <= DIFFER_SEEN_MM:
        return
    sides, ends = pair
    over = 2 * (sides - ends)
    by = Mm(abs(over.value))
    more, less = ("higher", "narrower") if over.value > 0 else ("lower", "wider")
    yield Finding(
        "border.unequal",
        "note",
        "sizes",
        look.say("The border is {} at the sides and {} above and below", sides, ends),
        look.say(f"for equal ones the opening would have to be {{}} {more}, or {{}} {less}", by, by),
        proposals=(
            *_equal(look, "height", over.value),
            *_equal(look, "width", -over.value),
            *(look.new_rails() if look.desk.own_frame is not None else ()),
        ),
    )


def _equal(look: Look, axis: str, more_mm: float) -> tuple[Proposal, ...]:
    """The opening or the outside that was given, changed on one axis."""
    v, wide = look.levers, axis == "width"
    for lever in (v.opening_width if wide else v.opening_height, v.outside_width if wide else v.outside_height):
        now = look.decided(lever)
        if now is not None and now.mm + more_mm > 0:
            to = look.length(now.mm + more_mm)
            word = "Opening" if lever in (v.opening_width, v.opening_height) else "Outside"
            return look.change(lever, to, 2, f"{word}, {axis}, {{}}", Mm(to.mm))
    return ()


def border_for_nothing(look: Look) -> Iterator[Finding]:
    """A border that was decided, where the opening is given both ways."""
    v = look.levers
    if v.border is None or look.decided(v.border) is None:
        return
    if look.decided(v.opening_width) and look.decided(v.opening_height):
        yield Finding(
            "size.unused",
            "note",
            "sizes",
            both("The border decided for this job is not followed"),
            both("the opening is given both ways, and the border is half of what is over"),
            place=v.border.at,
            proposals=look.change(v.border, None, 1, "Let the opening decide it"),
        )
