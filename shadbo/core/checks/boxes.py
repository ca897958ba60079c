"""Pegs, sashes and light boxes: dowels too thick, too weak or unlike their drill; cards, letters, lamps, steps."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding, Proposal
from shadbo.core.words import Mm, both

DRILL_OFF_MM = 0.2


def peg_thick(look: Look) -> Iterator[Finding]:
    """A dowel thicker than a third of the object: too little wood beside it."""
    if "peg.most" not in look or look["peg.diameter"].value <= look["peg.most"].value + 1e-6:
        return
    thinner = [d for d in look.desk.stock.dowels if d.diameter_mm <= look["peg.most"].value + 1e-6]
    proposals: tuple[Proposal, ...] = ()
    for d in thinner[-2:]:
        proposals += look.change("dowel", d.model_dump(mode="json"), 1, "{}", d.name)
    yield Finding(
        "peg.thick",
        "stop",
        "mount",
        look.say("A dowel of {} is too thick for it", look["peg.diameter"]),
        look.say("{} at most, so that 1.5 diameters of wood stay on either side", look["peg.most"]),
        keys=("peg.most", "peg.diameter"),
        proposals=proposals,
        by_hand=both("Take a thinner dowel, or hang it another way."),
    )


def peg_behind(look: Look) -> Iterator[Finding]:
    """An object deeper than its rails: it would touch the wall before the frame does."""
    if "peg.behind" not in look or look["peg.behind"].value >= -1e-6:
        return
    yield Finding(
        "peg.behind",
        "stop",
        "depth",
        look.say("The object stands {} out behind the rails", Mm(-look["peg.behind"].value, "up")),
        both("it would touch the wall before the frame does"),
        keys=("peg.behind",),
        proposals=look.others(2),
        by_hand=both("Deeper rails, or blocks behind the frame that keep it off the wall."),
    )


def peg_bends(look: Look) -> Iterator[Finding]:
    """A dowel that bends under the object."""
    most = look.desk.practice.peg_stress_mpa
    if "peg.stress" not in look or look["peg.stress"].value <= most + 1e-6:
        return
    d, gap = look["peg.diameter"].value, look["gap.made_width"].value
    closer = max(int(gap * most / look["peg.stress"].value), 3)
    proposals: tuple[Proposal, ...] = ()
    for dowel in look.desk.stock.dowels:
        if dowel.diameter_mm > d and dowel.diameter_mm <= look["peg.most"].value + 1e-6:
            proposals += look.change("dowel", dowel.model_dump(mode="json"), 1, "{}", dowel.name)
    proposals += look.change("gap", look.length_to(closer), 3, "{} of air", Mm(closer))
    yield Finding(
        "peg.bends",
        "stop",
        "mount",
        look.say("A dowel bends: {} MPa", f"{look['peg.stress'].value:.1f}"),
        look.say("{} MPa at most; each side carries {} across {}", most, look["peg.load"], look["gap.made_width"]),
        keys=("peg.stress",),
        proposals=proposals,
        by_hand=both("A thicker dowel, or less air round the object."),
    )


def drill_differs(look: Look) -> Iterator[Finding]:
    """Drill and dowel that differ: the joint rattles, or splits the object."""
    if "peg.read" not in look or "peg.drill" not in look:
        return
    off = look["peg.drill"].value - look["peg.read"].value
    if abs(off) <= DRILL_OFF_MM + 1e-6:
        return
    yield Finding(
        "peg.drill",
        "stop" if off < 0 else "caution",
        "mount",
        look.say("The drill bores {}, the dowel is {}", look["peg.drill"], look["peg.read"]),
        both("driven in, it splits the object" if off < 0 else "the dowel sits loose: glue alone has to hold it"),
        keys=("peg.drill", "peg.read"),
        by_hand=both("Try another bit in scrap of this wood, or sand the dowel, before the object is drilled."),
    )


def card_lands(look: Look) -> Iterator[Finding]:
    """A rear card whose screws would land on the cloth."""
    least = 7.0
    for axis in ("width", "height"):
        key = f"card.beyond_{axis}"
        if key not in look or look[key].value >= least - 1e-6:
            continue
        yield Finding(
            "card.lands",
            "stop",
            "depth",
            look.say("The rear card reaches only {} beyond the cloth on the {}", look[key], axis),
            look.say("its screws need {} clear of the piece, 10 mm inside the sash's edge", Mm(least)),
            place=axis,
            keys=(key,),
            proposals=(
                *look.change("card_over", look.length_to(15), 1, "Card 15 mm over, all round"),
                *look.change("hidden", look.length_to(2), 2, "Core only 2 mm behind the rail"),
            ),
            by_hand=both("Hold the core with turn buttons on the rail instead of a card."),
        )


def islands_fall(look: Look) -> Iterator[Finding]:
    """Cut-out letters whose middles would fall out; bridges too thin to hold them."""
    if "letters.islands" in look and look["letters.islands"].value > 0 and "bridge.width" not in look:
        if look.decided("islands") != "left as they are":
            return
        yield Finding(
            "letters.islands",
            "stop",
            "sizes",
            look.say("{} pieces fall out of the cut-out letters", int(look["letters.islands"].value)),
            both("a closed letter needs a bridge to its middle, or a translucent sheet behind that carries it"),
            keys=("letters.islands",),
            proposals=(
                *look.change("islands", "bridges", 1, "Bridges"),
                *look.change("islands", "translucent sheet", 2, "A translucent sheet behind"),
            ),
        )
    least = look.desk.practice.bridge_mm
    if "bridge.width" in look and look["bridge.width"].value < least - 1e-6:
        yield Finding(
            "letters.bridge",
            "caution",
            "sizes",
            look.say("A bridge of {} breaks in cutting", look["bridge.width"]),
            look.say("{} or more", Mm(least)),
            keys=("bridge.width",),
            proposals=look.change("bridge", look.length_to(least), 1, "Bridges of {}", Mm(least)),
        )


def letters_wide(look: Look) -> Iterator[Finding]:
    """Lettering wider than the board that is seen, or signs that the alphabet lacks."""
    if "letters.width" in look and look["letters.width"].value > look["field.width"].value - 20 + 1e-6:
        lower = int(look["letters.height"].value * (look["field.width"].value - 20) / look["letters.width"].value)
        wider = look["letters.width"].value + 2 * look["layout.margin"].value
        yield Finding(
            "letters.wide",
            "stop",
            "sizes",
            look.say("The lettering is {} wide", look["letters.width"]),
            look.say("the board shows {}", look["field.width"]),
            keys=("letters.width",),
            proposals=(
                *look.change("letter_height", look.length_to(lower), 1, "Letters {} high", Mm(lower)),
                *look.change("layout_width", look.length_to(wider), 2, "Field {} wide", Mm(wider)),
            ),
            by_hand=both("Fewer words, or a wider box."),
        )
    if "letters.unknown" in look and look["letters.unknown"].value > 0:
        yield Finding(
            "letters.unknown",
            "caution",
            "sizes",
            look.say("{} signs are not in the block alphabet", int(look["letters.unknown"].value)),
            both("they are left out; capitals, figures and - . & ! are there"),
            keys=("letters.unknown",),
            by_hand=both("Write it in capitals."),
        )


def lamps_show(look: Look) -> Iterator[Finding]:
    """A light void so shallow that each lamp shows; a supply that is too small or of another voltage."""
    if "lamp.void_least" not in look:
        return
    void, least = look["stack.light_void"], look["lamp.void_least"]
    if void.value < least.value - 1e-6:
        rows = look["lamp.pitch"].value * void.value / least.value
        yield Finding(
            "lamps.spots",
            "caution",
            "depth",
            look.say("A light void of {} shows every lamp as a spot", void),
            look.say("{} at least for lamps {} apart", least, look["lamp.pitch"]),
            keys=("stack.light_void", "lamp.void_least"),
            proposals=(
                *look.change("light_void", None, 1, "The void that the lamps ask for"),
                *look.change("rows_apart", look.length_to(int(rows)), 2, "Rows {} apart", Mm(int(rows))),
            ),
            by_hand=both("A milkier sheet behind the cut-outs hides a little of it."),
        )
    need, have = look["supply.needed"], look["supply.watts"]
    if have.value < need.value - 1e-6 or look["supply.volts_off"].value != 0:
        volts = look["lamp.volts"].value
        larger = [x for x in look.desk.stock.supplies if x.watts >= need.value - 1e-6 and x.volts == volts]
        proposals: tuple[Proposal, ...] = ()
        for x in larger[:2]:
            proposals += look.change("supply", x.model_dump(mode="json"), 1, "{}", x.name)
        wrong = look["supply.volts_off"].value != 0
        yield Finding(
            "supply.small",
            "stop",
            "depth",
            both("The supply has another voltage than the lamps")
            if wrong
            else look.say("A supply of {} W is too small", f"{have.value:.3g}"),
            look.say("{} W at least, at {} V: 1.2 times what the strips draw", f"{need.value:.3g}", volts),
            keys=("supply.needed", "supply.watts"),
            proposals=proposals,
            by_hand=both(
                "Only a listed low-voltage supply outside the box; a licensed electrician decides the rest."
            ),
        )


def steps_weak(look: Look) -> Iterator[Finding]:
    """Steps too narrow to carry a layer, or a wall that they leave too thin."""
    if "step.width" not in look:
        return
    least, wall = look.desk.practice.step_least_mm, look["step.wall_left"]
    if look["rail.stock_over"].value < -1e-6:
        yield Finding(
            "stock.low",
            "stop",
            "depth",
            look.say("The board is {} too low for all layers", Mm(-look["rail.stock_over"].value, "up")),
            look.say("the rails are ripped to {}", look["rail.ripped"]),
            keys=("rail.ripped",),
            proposals=look.others(3),
            by_hand=both("Glue up a deeper board, or take a shallower light void."),
            root=True,
        )
    if look["step.width"].value < least - 1e-6:
        yield Finding(
            "step.narrow",
            "caution",
            "depth",
            look.say("A step of {} hardly carries a layer", look["step.width"]),
            look.say("{} or more", Mm(least)),
            keys=("step.width",),
            proposals=look.change("step", look.length_to(least), 1, "Steps of {}", Mm(least)),
        )
    if wall.value < 6.0 - 1e-6:
        yield Finding(
            "step.wall",
            "stop",
            "depth",
            look.say("Behind the last step {} of wall stay", wall),
            both("6 mm at least, or the rail splits at its screws"),
            keys=("step.wall_left",),
            proposals=(
                *look.others(2),
                *(look.change("step", look.length_to(least), 1, "Steps of {}", Mm(least))),
            ),
            by_hand=both("Thicker stock, or spacers in place of a step."),
        )


def order_late(look: Look) -> Iterator[Finding]:
    """Plates that are ordered: the days until they come."""
    for piece in look.desk.pieces:
        days = getattr(piece.detail, "lead_days", None)
        if not days:
            continue
        yield Finding(
            "order.lead",
            "note",
            "parts",
            look.say("{} comes {} working days after it is ordered", piece.name or "The plate", days),
            both("order it now; its place is kept in the layout"),
            place=piece.id,
            by_hand=both("Read it again when it is there."),
        )
