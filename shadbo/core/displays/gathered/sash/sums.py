"""Sums of a sash: layers of cloth by its folds, core, rear card and its screws, masses."""

import math

from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.sash.options import SashOptions
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import KG, MM, ONE
from shadbo.core.sums.floater import shortest_screw
from shadbo.core.sums.items import Item
from shadbo.core.sums.weight import by_area

RAIL_KG_PER_M = 0.5
GLASS_PAST_CORE_MM = 3.0


def card_screws(desk: Desk, o: SashOptions, got: dict[str, Quantity], card: Quantity) -> None:
    """Screws through the rear card: driven towards the glass, so how far they keep from its edge and its plane.

    The glass is taken to reach 3 mm further into the rail than the core does; it cannot be seen in a puttied sash.
    """
    s = desk.sheet
    least = card.value + desk.practice.card_grip_mm
    best, _ = shortest_screw(least, math.inf, desk.practice.screw_lengths_mm)
    screw = s.choose("card.screw", "screw through the card", o.screw_mm or best, MM, "the shortest that grips")
    beyond = s.pick("smallest", s["card.beyond_width"], s["card.beyond_height"])
    edge = s.number(GLASS_PAST_CORE_MM, MM)
    s.let(
        "card.to_glass", "screws from the glass's edge", beyond / 2 - edge, "half of what the card is beyond", "down"
    )
    s.let(
        "card.tip", "wood between the screw's tip and the glass's plane", got["rebate"] - (screw - card), way="down"
    )


def layers_of(desk: Desk, o: SashOptions, item: Item) -> Quantity:
    """Layers of cloth at the core's edge: each axis wraps once to the back; what is over is folded in."""
    s, key = desk.sheet, item.key
    folds = [
        s.let(f"fold.{axis}", f"laid flat ÷ displayed, {axis}", s[f"{key}.flat_{axis}"] / size)
        for axis, size in (("width", item.width), ("height", item.height))
    ]
    usual = math.prod(max(1, math.ceil(f.value / 2 - 1e-6)) for f in folds)
    if o.layers is not None:
        return s.choose("fold.layers", "layers of cloth at the core's edge", o.layers, ONE, "decided for this job")
    many = s.decide("whole number of (folds ÷ 2), both ways", usual, ONE, *folds)
    return s.let("fold.layers", "layers of cloth at the core's edge", many)


def core_of(
    desk: Desk, o: SashOptions, item: Item, got: dict[str, Quantity], layers: Quantity
) -> tuple[Quantity, Quantity]:
    """core = daylight + 2 · hidden − 2 · cloth · layers − play."""
    s, p = desk.sheet, desk.practice
    hidden = desk.choose("sash.hidden", "core behind the rail, each side", o.hidden, p.sash_hidden_mm, "practice")
    two = s.number(p.core_play_mm, MM)
    w, h = (
        s.cut(
            f"core.{a}", f"core, {a}", got[f"daylight_{a}"] + 2 * hidden - 2 * item.front * layers - two, "down", 0.3
        )
        for a in ("width", "height")
    )
    return w, h


def card_of(
    desk: Desk, o: SashOptions, got: dict[str, Quantity], core: tuple[Quantity, Quantity]
) -> tuple[Quantity, Quantity]:
    """Rear card: core and 15 mm all round, at most the sash less 10 mm all round."""
    s, p = desk.sheet, desk.practice
    over = desk.choose("card.over", "card over the core, each side", o.card_over, p.card_over_mm, "practice")
    out = []
    for axis, size in zip(("width", "height"), core, strict=True):
        most = got[f"outside_{axis}"] - s.number(2 * p.card_clear_mm, MM)
        wanted = s.pick("smallest", size + 2 * over, most)
        card = s.cut(f"card.{axis}", f"rear card, {axis}", wanted, "down", 0.5)
        s.let(f"card.beyond_{axis}", f"card beyond the cloth, {axis}, each side", (card - size) / 2, way="down")
        out.append(card)
    return out[0], out[1]


def masses_of(desk: Desk, item: Item, got: dict[str, Quantity]) -> Quantity:
    """Glass by its area and half a kilogram for every metre of old rail."""
    s = desk.sheet
    pane = by_area(s, 2.5 * got["glass"].value, got["daylight_width"] * got["daylight_height"])
    metres = 2 * (got["outside_width"].value + got["outside_height"].value) / 1000
    rails = s.decide(
        f"{RAIL_KG_PER_M:g} kg for every metre of rail", metres * RAIL_KG_PER_M, KG, got["outside_width"]
    )
    return s.let("frame.mass", "sash with its glass, estimated", pane + rails, "weigh it where it matters")
