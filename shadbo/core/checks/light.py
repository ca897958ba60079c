"""Light boxes: letters that fall out, lamps that show, supplies that are too small, steps that are too narrow."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.words.words import Mm, both


def islands_fall(look: Look) -> Iterator[Finding]:
    """Cut-out letters whose middles would fall out; bridges too thin to hold them."""
    if (
        look.letters is not None
        and look.letters.islands.value > 0
        and (look.letters is None or look.letters.bridge is None)
    ):
        if look.decided(look.levers.islands) != "left as they are":
            return
        yield Finding(
            "letters.islands",
            "stop",
            "sizes",
            look.say("{} pieces fall out of the cut-out letters", int(look.letters.islands.value)),
            both("a closed letter needs a bridge to its middle, or a translucent sheet behind that carries it"),
            keys=("letters.islands",),
            proposals=(
                *look.change(look.levers.islands, "bridges", 1, "Bridges"),
                *look.change(look.levers.islands, "translucent sheet", 2, "A translucent sheet behind"),
            ),
        )
    least = look.desk.practice.bridge_mm
    if (look.letters is not None and look.letters.bridge is not None) and look.letters.bridge.value < least - 1e-6:
        yield Finding(
            "letters.bridge",
            "caution",
            "sizes",
            look.say("A bridge of {} breaks in cutting", look.letters.bridge),
            look.say("{} or more", Mm(least)),
            keys=("bridge.width",),
            proposals=look.change(look.levers.bridge, look.length(least), 1, "Bridges of {}", Mm(least)),
        )


def artwork_falls(look: Look) -> Iterator[Finding]:
    """Shapes inside shapes of the artwork that nothing holds."""
    if look.artwork is None or look.artwork.loose.value <= 0:
        return
    loose = int(look.artwork.loose.value)
    yield Finding(
        "artwork.islands",
        "stop",
        "sizes",
        both(f"{loose} piece{'s' if loose > 1 else ''} would fall out of the artwork"),
        both("an outline inside another is cut loose; draw a bridge to it, or carry it on a translucent sheet"),
        keys=("artwork.islands",),
        proposals=look.change(look.levers.islands, "translucent sheet", 2, "A translucent sheet behind"),
        by_hand=look.say(
            "Draw bridges of {} or more, and take the drawing in again.", Mm(look.desk.practice.bridge_mm)
        ),
    )


def artwork_wide(look: Look) -> Iterator[Finding]:
    """Artwork wider than the board that is seen."""
    if (
        look.artwork is None
        or look.field is None
        or look.artwork.width.value <= look.field.size.width.value - 20 + 1e-6
    ):
        return
    most = int(look.field.size.width.value - 20)
    yield Finding(
        "artwork.wide",
        "stop",
        "sizes",
        look.say("The artwork is {} wide", look.artwork.width),
        look.say("the board shows {}", look.field.size.width),
        keys=("artwork.width",),
        proposals=(
            *look.change(
                look.levers.artwork_width, look.length(max(most, 1)), 1, "Artwork {} wide", Mm(max(most, 1))
            ),
            *look.change(
                look.levers.layout_width,
                look.length(look.artwork.width.value + 2 * look.field.margin.value),
                2,
                "A wider field",
            ),
        ),
        by_hand=both("Make it smaller, or take a wider box."),
    )


def letters_wide(look: Look) -> Iterator[Finding]:
    """Lettering wider than the board that is seen, or signs that the alphabet lacks."""
    if (
        look.letters is not None
        and look.field is not None
        and look.letters.width.value > look.field.size.width.value - 20 + 1e-6
    ):
        lower = int(look.letters.height.value * (look.field.size.width.value - 20) / look.letters.width.value)
        wider = look.letters.width.value + 2 * look.field.margin.value
        yield Finding(
            "letters.wide",
            "stop",
            "sizes",
            look.say("The lettering is {} wide", look.letters.width),
            look.say("the board shows {}", look.field.size.width),
            keys=("letters.width",),
            proposals=(
                *look.change(look.levers.letter_height, look.length(lower), 1, "Letters {} high", Mm(lower)),
                *look.change(look.levers.layout_width, look.length(wider), 2, "Field {} wide", Mm(wider)),
            ),
            by_hand=both("Fewer words, or a wider box."),
        )
    if look.letters is not None and look.letters.unknown.value > 0:
        yield Finding(
            "letters.unknown",
            "caution",
            "sizes",
            look.say("{} signs are not in the block alphabet", int(look.letters.unknown.value)),
            both("they are left out; capitals, figures and - . + ! are there"),
            keys=("letters.unknown",),
            by_hand=both("Write it in capitals."),
        )


def lamps_show(look: Look) -> Iterator[Finding]:
    """A light void so shallow that each lamp shows; a supply that is too small or of another voltage."""
    if look.lamps is None:
        return
    void, least = look.lamps.void, look.lamps.void_least
    if void.value < least.value - 1e-6:
        rows = look.lamps.pitch.value * void.value / least.value
        yield Finding(
            "lamps.spots",
            "caution",
            "depth",
            look.say("A light void of {} shows every lamp as a spot", void),
            look.say("{} at least for lamps {} apart", least, look.lamps.pitch),
            keys=("stack.light_void", "lamp.void_least"),
            proposals=(
                *look.change(look.levers.light_void, None, 1, "The void that the lamps ask for"),
                *look.change(look.levers.rows_apart, look.length(int(rows)), 2, "Rows {} apart", Mm(int(rows))),
            ),
            by_hand=both("A milkier sheet behind the cut-outs hides a little of it."),
        )
    need, have = look.lamps.supply_needed, look.lamps.supply
    if have.value < need.value - 1e-6 or look.lamps.volts_off.value != 0:
        volts = look.lamps.volts.value
        larger = [x for x in look.desk.stock.supplies if x.watts >= need.value - 1e-6 and x.volts == volts]
        proposals: tuple[Proposal, ...] = ()
        for x in larger[:2]:
            proposals += look.change(look.levers.supply, x, 1, "{}", x.name)
        wrong = look.lamps.volts_off.value != 0
        yield Finding(
            "supply.small",
            "stop",
            "depth",
            both("The supply has another voltage than the lamps")
            if wrong
            else look.say("A supply of {} W is too small", f"{have.value:.3g}"),
            look.say(
                "{} W at least, at {} V: {} times what the strips draw",
                f"{need.value:.3g}",
                volts,
                look.desk.practice.supply_times,
            ),
            keys=("supply.needed", "supply.watts"),
            proposals=proposals,
            by_hand=both(
                "Only a listed low-voltage supply outside the box; a licensed electrician decides the rest."
            ),
        )


def _shallower_void(look: Look) -> tuple[Proposal, ...]:
    """The light void less what is lacking, where the lamps still mix in it."""
    if look.steps is None or look.lamps is None:
        return ()
    less = to_mark(look.lamps.void.value + look.steps.stock_over.value, look.desk.mark.mm, "down")
    if less < look.lamps.void_least.value - 1e-6:
        return ()
    return look.change(look.levers.light_void, look.length(less), 1, "Light void {}", Mm(less))


def steps_weak(look: Look) -> Iterator[Finding]:
    """Steps too narrow to carry a layer, or a wall that they leave too thin."""
    if look.steps is None:
        return
    least, wall = look.desk.practice.step_least_mm, look.steps.wall_left
    if look.steps.stock_over.value < -1e-6:
        yield Finding(
            "stock.low",
            "stop",
            "depth",
            look.say("The board is {} too low for all layers", Mm(-look.steps.stock_over.value, "up")),
            look.say("the rails are ripped to {}", look.steps.ripped),
            keys=("rail.ripped",),
            proposals=(*look.others(3), *_shallower_void(look)),
            by_hand=both("Glue up a deeper board, or take a shallower light void."),
            root=True,
        )
    if look.steps.width.value < least - 1e-6:
        yield Finding(
            "step.narrow",
            "caution",
            "depth",
            look.say("A step of {} hardly carries a layer", look.steps.width),
            look.say("{} or more", Mm(least)),
            keys=("step.width",),
            proposals=look.change(look.levers.step, look.length(least), 1, "Steps of {}", Mm(least)),
        )
    if wall.value < look.desk.practice.wall_least_mm - 1e-6:
        yield Finding(
            "step.wall",
            "stop",
            "depth",
            look.say("Behind the last step {} of wall stay", wall),
            look.say("{} at least, or the rail splits at its screws", Mm(look.desk.practice.wall_least_mm)),
            keys=("step.wall_left",),
            proposals=(
                *look.others(2),
                *(look.change(look.levers.step, look.length(least), 1, "Steps of {}", Mm(least))),
            ),
            by_hand=both("Thicker stock, or spacers in place of a step."),
        )
