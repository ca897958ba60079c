"""A sash as bodies: its rails as they were measured, its glass, the wrapped core, packers and card."""

from shadbo.core.build.assembly import Join
from shadbo.core.desk import Desk
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.solids.bites import screws_through
from shadbo.core.solids.body import Body, Prism, Tie, framed
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.sums.items import Item

PRESSED_MM = 1.0
"""The card, screwed on, draws up on packers that differ from its room by as much: common practice, no source."""
TURNED_MM = 34.0
"""How far the cloth is turned behind its core: common practice, no source."""

Size = tuple[Quantity, Quantity]


def sash_bodies(
    desk: Desk, item: Item, got: dict[str, Quantity], core: Size, card: Size, join: Join
) -> tuple[tuple[Body, ...], tuple[Tie, ...]]:
    """From the glass back: cloth, core, cloth turned behind, packers, card."""
    s = desk.sheet
    deep, rebate, glass = got["thickness"].value, got["rebate"].value, got["glass"].value
    day = (got["daylight_width"].value, got["daylight_height"].value)
    slot = (day[0] + 2 * s["sash.slot"].value, day[1] + 2 * s["sash.slot"].value)
    seat = deep - rebate - glass
    steps = [Step(*day, 0.0, seat), Step(*slot, seat, deep)]
    outside = (got["outside_width"].value, got["outside_height"].value)
    bodies = rails_round(outside, steps, "wood", "old sash", ("rail", "rail"))
    sash = bodies[0].id if bodies else ""
    pane = centred(slot[0] - 2, slot[1] - 2)
    bodies.append(Body("glazing", "its own glass", "glass", (Prism(pane, seat, deep - rebate),), "glazing"))
    cloth, folded = s["stack.cloth_front"].value, s["stack.cloth_behind"].value
    wrapped = centred(core[0].value + 2 * cloth, core[1].value + 2 * cloth)
    board = centred(core[0].value, core[1].value)
    x = deep - rebate
    core_mm = s["stack.core"].value
    behind = x + cloth + core_mm
    turned = deep if 0 < behind + folded - deep <= PRESSED_MM else behind + folded
    bodies.append(
        Body("piece", item.name, "textile", (
            Prism(wrapped, x, x + cloth), Prism(board, behind, turned, framed(board, TURNED_MM)),
        ), "piece")
    )  # fmt: skip
    bodies.append(Body("core", "core", "board", (Prism(board, x + cloth, behind),), "core"))
    x = turned
    if "stack.filler" in s:
        fill = s["stack.filler"].value
        if abs(x + fill - deep) <= PRESSED_MM:
            fill = deep - x
        bodies.append(Body("filler", "packers", "board", (Prism(board, x, x + fill),), "filler"))
    cover = centred(card[0].value, card[1].value)
    bodies.append(Body("card", "rear card", "backing", (Prism(cover, deep, deep + s["stack.card"].value),), "card"))
    tail = deep + s["stack.card"].value
    into = ("rail", "card")
    length = s["card.screw"].value
    bodies += screws_through("card-screws", join.name, [f.at for f in join.fixings], join.diameter_mm,
                             (tail - length, tail), into)  # fmt: skip
    return tuple(bodies), (Tie("glazing", sash, "putty or pins"), Tie("card", sash, "screws through the card"))
