"""Pegs, sashes and light boxes: dowels too thick, too weak or unlike their drill; cards, letters, lamps, steps."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding, Proposal
from shadbo.core.pieces.objects import Keepsake, Plate
from shadbo.core.sums.pegs import turns
from shadbo.core.words.words import Mm, both

DRILL_OFF_MM = 0.2


def peg_thick(look: Look) -> Iterator[Finding]:
    """A dowel thicker than a third of the object: too little wood beside it."""
    if look.pegs is None or look.pegs.diameter.value <= look.pegs.most.value + 1e-6:
        return
    thinner = [d for d in look.desk.stock.dowels if d.diameter_mm <= look.pegs.most.value + 1e-6]
    proposals: tuple[Proposal, ...] = ()
    for d in thinner[-2:]:
        proposals += look.change(look.levers.dowel, d, 1, "{}", d.name)
    yield Finding(
        "peg.thick",
        "stop",
        "mount",
        look.say("A dowel of {} is too thick for it", look.pegs.diameter),
        look.say("{} at most, so that 1.5 diameters of wood stay on either side", look.pegs.most),
        keys=("peg.most", "peg.diameter"),
        proposals=proposals,
        by_hand=both("Take a thinner dowel, or hang it another way."),
    )


def peg_behind(look: Look) -> Iterator[Finding]:
    """An object deeper than its rails: it would touch the wall before the frame does."""
    if look.pegs is None or look.pegs.behind.value >= -1e-6:
        return
    yield Finding(
        "peg.behind",
        "stop",
        "depth",
        look.say("The object stands {} out behind the rails", Mm(-look.pegs.behind.value, "up")),
        both("it would touch the wall before the frame does"),
        keys=("peg.behind",),
        proposals=look.others(2),
        by_hand=both("Deeper rails, or blocks behind the frame that keep it off the wall."),
    )


def peg_bends(look: Look) -> Iterator[Finding]:
    """A dowel that bends under the object."""
    most = look.desk.practice.peg_stress_mpa
    if look.pegs is None or look.pegs.stress.value <= most + 1e-6:
        return
    d, gap = look.pegs.diameter.value, look.pegs.gap.value
    closer = max(int(gap * most / look.pegs.stress.value), 3)
    proposals: tuple[Proposal, ...] = ()
    for dowel in look.desk.stock.dowels:
        if dowel.diameter_mm > d and dowel.diameter_mm <= look.pegs.most.value + 1e-6:
            proposals += look.change(look.levers.dowel, dowel, 1, "{}", dowel.name)
    proposals += look.change(look.levers.gap, look.length(closer), 3, "{} of air", Mm(closer))
    yield Finding(
        "peg.bends",
        "stop",
        "mount",
        look.say("A dowel bends: {} MPa", f"{look.pegs.stress.value:.1f}"),
        look.say("{} MPa at most; each side carries {} across {}", most, look.pegs.load, look.pegs.gap),
        keys=("peg.stress",),
        proposals=proposals,
        by_hand=both("A thicker dowel, or less air round the object."),
    )


def peg_turns(look: Look) -> Iterator[Finding]:
    """Two dowels in one line: the object turns about them, unless it is heavier below that line."""
    if look.pegs is None or look.pegs.count.value > 2:
        return
    piece = look.desk.piece
    centre = piece.detail.centre_up if isinstance(piece.detail, Keepsake) else None
    if not turns(centre.mm if centre is not None else None, look.pegs.object_up.value):
        return
    name = piece.name or "the object"
    yield Finding(
        "peg.turns",
        "caution",
        "mount",
        look.say("On two dowels in one line {} turns", name),
        look.say("its weight lies {} above its lowest point, the dowels {}", Mm(centre.mm), look.pegs.object_up)
        if centre is not None
        else both("where its weight lies was not read: balance it on an edge"),
        keys=("peg.count",),
        proposals=look.change(look.levers.pegs, 3, 1, "A third dowel from below"),
        by_hand=both("Or glue the dowels in the object and in the rail."),
    )


def drill_differs(look: Look) -> Iterator[Finding]:
    """Drill and dowel that differ: the joint rattles, or splits the object."""
    if (look.pegs is None or look.pegs.read is None) or (look.pegs is None or look.pegs.drill is None):
        return
    off = look.pegs.drill.value - look.pegs.read.value
    if abs(off) <= DRILL_OFF_MM + 1e-6:
        return
    yield Finding(
        "peg.drill",
        "stop" if off < 0 else "caution",
        "mount",
        look.say("The drill bores {}, the dowel is {}", look.pegs.drill, look.pegs.read),
        both("driven in, it splits the object" if off < 0 else "the dowel sits loose: glue alone has to hold it"),
        keys=("peg.drill", "peg.read"),
        by_hand=both("Try another bit in scrap of this wood, or sand the dowel, before the object is drilled."),
    )


def card_lands(look: Look) -> Iterator[Finding]:
    """A rear card whose screws would land on the cloth."""
    least = 7.0
    for axis in ("width", "height"):
        if look.card is None or look.card.beyond[axis].value >= least - 1e-6:
            continue
        beyond = look.card.beyond[axis]
        yield Finding(
            "card.lands",
            "stop",
            "depth",
            look.say("The rear card reaches only {} beyond the cloth on the {}", beyond, axis),
            look.say(
                "its screws need {} clear of the piece, {} inside the sash's edge",
                Mm(least),
                Mm(look.desk.practice.card_clear_mm),
            ),
            place=axis,
            keys=(beyond.key,),
            proposals=(
                *look.change(look.levers.card_over, look.length(15), 1, "Card {} over, all round", Mm(15)),
                *look.change(look.levers.hidden, look.length(2), 2, "Core only {} behind the rail", Mm(2)),
            ),
            by_hand=both("Hold the core with turn buttons on the rail instead of a card."),
        )


TURN_LEAST_MM = 15.0
"""Cloth that a tape holds behind a core: common practice, no source."""
SASH_FRONT_MM = 3.0
"""Wood that stands before the glass of any sash: common practice, no source."""


def cloth_small(look: Look) -> Iterator[Finding]:
    """Cloth that does not cover the glass that is seen, or cannot be turned behind its core."""
    for axis in ("width", "height"):
        if look.wrapped is None:
            return
        cover, turn = look.wrapped.cover[axis], look.wrapped.turn[axis]
        if cover.value < -1e-6:
            lack = Mm(-cover.value, "up")
            yield Finding(
                "cloth.small",
                "stop",
                "sizes",
                look.say("The cloth is {} smaller than the glass that is seen, on the {}", lack, axis),
                look.say("as displayed it has to cover all of the daylight"),
                place=axis,
                keys=(cover.key,),
                by_hand=both("Fold it larger, or stitch it to a backing cloth that fills the daylight."),
            )
        elif turn.value < TURN_LEAST_MM - 1e-6:
            left = Mm(max(turn.value, 0.0), "down")
            yield Finding(
                "cloth.small",
                "stop",
                "sizes",
                look.say("Only {} of cloth turn behind the core, on the {}", left, axis),
                look.say("{} on each side at least, for the tape", Mm(TURN_LEAST_MM)),
                place=axis,
                keys=(turn.key,),
                by_hand=both("Fold it less, or stitch it to a backing cloth that turns behind."),
            )


def sash_impossible(look: Look) -> Iterator[Finding]:
    """A room behind the glass that is as deep as the sash, or deeper: one of the readings is wrong."""
    if look.wrapped is None:
        return
    left = look.wrapped.thickness - look.wrapped.rebate - look.wrapped.glass
    if left.value >= SASH_FRONT_MM - 1e-6:
        return
    yield Finding(
        "sash.deep",
        "stop",
        "measure",
        look.say("Room and glass take all of the sash: {} of wood stand before the glass", Mm(left.value, "down")),
        look.say(
            "{} thick; {} behind the glass of {}", look.wrapped.thickness, look.wrapped.rebate, look.wrapped.glass
        ),
        keys=("sash.rebate", "sash.thickness"),
        by_hand=both("Read the sash again: thickness over all, and the room from the glass to its back."),
    )


def screw_near_glass(look: Look) -> Iterator[Finding]:
    """A screw driven towards the glazing near its edge, and long enough to reach its plane."""
    if look.card is None:
        return
    tip, off, p = look.card.tip, look.card.to_glass, look.desk.practice
    if tip.value >= p.tip_to_glass_mm - 1e-6 or off.value >= p.glass_edge_mm - 1e-6:
        return
    yield Finding(
        "screw.glass",
        "stop",
        "depth",
        look.say("The screw's tip comes within {} of the glass's plane", Mm(max(tip.value, 0.0), "down"))
        if tip.value > 0
        else both("The screw reaches the glass's plane"),
        look.say("and stands {} from its edge: {} or more", off, Mm(p.glass_edge_mm)),
        keys=("card.tip", "card.to_glass"),
        proposals=look.change(look.levers.screw_mm, None, 1, "The shortest screw that grips"),
        by_hand=both("Drill to depth, and turn it in by hand."),
    )


def order_late(look: Look) -> Iterator[Finding]:
    """Pieces that are still on order: the days until they come, and what was cut to a size that nobody has read."""
    cut = any(key.startswith("rail.") for key in look.desk.job.pins)
    for piece in look.desk.pieces:
        days = piece.comes_in_days
        if days is None:
            continue
        name = piece.name or f"The {piece.noun}"
        if isinstance(piece.detail, Plate):
            why, alone = "order it now; its place is kept in the layout", False
        elif cut and not look.desk.gathers:
            why, alone = "the rails are cut to what it is said to measure", True
        else:
            why, alone = "cut nothing to it before it is read", False
        yield Finding(
            "order.lead",
            "caution" if alone else "note",
            "parts",
            look.say("{} comes {} working days after it is ordered", name, days),
            both(why),
            place=piece.id,
            by_hand=both("Read it again when it is there."),
        )
