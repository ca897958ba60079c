"""A hanger on its rail: its screws in the wood, the wood beside them, what lies beside the rail."""

from collections.abc import Iterator

from shadbo.core.checks.hanging import hang_by
from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.hang.placing import HOOK_HIDDEN_MM, OVER_MM
from shadbo.core.hang.screw import least_beside_mm
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, N
from shadbo.core.sums.hang import LEAST_THREADS
from shadbo.core.words.words import Mm, both


def _across_n(look: Look) -> float:
    """What pulls across the screws of one hanger, in newtons."""
    return look.hang.each_kg * GRAVITY_N_PER_KG


def beside_wood(look: Look) -> Iterator[Finding]:
    """A hanger whose screws stand too near an edge, that lies beside its rail, or whose hook shows over the top."""
    hang, rail = look.hang, look.assembly.back_rail
    if hang.hanger is None or rail is None or hang.beside is None:
        return
    seen, at = look.assembly.see_through, hang.beside
    edge = least_beside_mm(look.desk, hang.hanger, seen)
    if at.wood_mm < edge - 1e-6:
        yield Finding(
            "hang.edge",
            "stop",
            "hang",
            look.say("The hanger's screws have {} of wood beside them", Mm(max(at.wood_mm, 0.0), "down")),
            look.say("keep {}: nearer to an edge or a glue line they split it", Mm(edge)),
            keys=("hang.in",),
            proposals=hang_by(look, "cleat"),
            by_hand=both("Glue a block behind the rail where the hanger sits, or screw in a strainer back."),
        )
    elif at.over_mm > OVER_MM:
        yield Finding(
            "hang.over",
            "stop" if seen else "caution",
            "hang",
            look.say("{} reaches {} beyond its rail", hang.hanger.name, Mm(at.over_mm, "up")),
            look.say("the rail's back is {} wide; a plate should lie wholly on wood", rail.wall + rail.ledge),
            keys=("hang.in",),
            by_hand=both("A narrower hanger, or keyhole plates let into the rail."),
        )
    if hang.kind != "cleat" and at.hook_down_mm < (HOOK_HIDDEN_MM if seen else 0.0) - 1e-6:
        yield Finding(
            "hang.hook_shows",
            "caution",
            "hang",
            look.say("The hook in the wall shows over the frame's top edge")
            if at.hook_down_mm < 0
            else look.say("The hook in the wall is only {} below the frame's top edge", Mm(at.hook_down_mm, "down")),
            look.say("{} reaches {} above its screws", hang.hanger.name, Mm(hang.hanger.hook_above_mm)),
            keys=("hang.hook",),
            by_hand=both("Hang it lower on the rail, or on uprights below the corner."),
        )


def screws_too_weak(look: Look) -> Iterator[Finding]:
    """The hanger's screws, in what wood they find."""
    hang, rail = look.hang, look.assembly.back_rail
    if hang.hanger is None or rail is None:
        return
    least = LEAST_THREADS * hang.hanger.screw_diameter_mm
    if hang.screw_mm < least - 1e-6:
        wood = hang.room_mm < least - 1e-6
        yield Finding(
            "hang.shallow",
            "stop",
            "hang",
            look.say("Only {} of wood for the hanger's screws: they need {}", Mm(hang.room_mm, "down"), Mm(least))
            if wood
            else look.say(
                "No screw for the hanger that the wood takes: from {} to {}", Mm(least), Mm(hang.room_mm, "down")
            ),
            look.say("the ledge is {} thick and the wall {} wide", rail.thick_at_ledge, rail.wall),
            keys=(rail.thick_at_ledge.key,),
            by_hand=both("Glue a block behind the rail where the hanger sits, or hang it by a cleat across the top."),
            proposals=hang_by(look, "cleat"),
        )
        return
    if hang.screws_across is not None and hang.screws_across.value < _across_n(look) - 1e-6:
        yield Finding(
            "hang.across",
            "stop",
            "hang",
            look.say(
                "The hanger's screws carry {} across, and {} pulls",
                hang.screws_across,
                look.desk.sheet.number(_across_n(look), N),
            ),
            look.say("{} of thread in the wood, with a factor of {}", Mm(hang.screw_mm, "down"),
                     look.desk.practice.lateral_factor),
            keys=("hang.across",),
            proposals=hang_by(look, "straps", "cleat"),
            by_hand=both("Longer or thicker screws, or hardware with more of them."),
        )  # fmt: skip
    if hang.screw_hold is not None and hang.screw_load is not None and hang.screw_load.value > hang.screw_hold.value:
        yield Finding(
            "hang.screws",
            "stop",
            "hang",
            look.say("The hanger's screws hold {}, and {} pulls", hang.screw_hold, hang.screw_load),
            look.say("withdrawal from side grain, with a factor of {}", look.desk.practice.withdrawal_factor),
            keys=("hang.hold", "hang.pull"),
            proposals=hang_by(look, "straps", "cleat"),
        )
