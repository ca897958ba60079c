"""Sums of a sash: layers of cloth by its folds, core, rear card and its screws, masses."""

import math

from shadbo.core.build.assembly import Fixing
from shadbo.core.build.screws import screw_between
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.sash.options import SashOptions
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.items import Item
from shadbo.core.sums.spacing import evenly
from shadbo.core.sums.weight import by_area, solid

GLASS_PAST_CORE_MM = 3.0
PUTTY_MM = 3.0
"""The glass slot reaches that far beyond what the glass hides: common practice, no source."""
CARD_CORNER_MM, CARD_APART_MM = 40.0, 150.0
"""Screws of a rear card: from its corners, and at most apart: common practice, no source."""


def card_screws(desk: Desk, o: SashOptions, got: dict[str, Quantity], card: Quantity) -> None:
    """Screws through the rear card: driven towards the glass, so how far they keep from its edge and its plane.

    The glass is taken to reach 3 mm further into the rail than the core does; it cannot be seen in a puttied sash.
    """
    s = desk.sheet
    least = card.value + desk.practice.card_grip_mm
    most = card.value + got["rebate"].value - desk.practice.tip_to_glass_mm
    best, _ = screw_between(desk, least, most)
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


def cloth_of(desk: Desk, item: Item, layers: Quantity) -> Quantity:
    """Cloth before the core, and behind it at its corners, where both axes turn: one and three times the layers."""
    s = desk.sheet
    front = s.let("stack.cloth_front", "cloth before the core", item.front * layers)
    corners = 3 * item.front * layers
    behind = s.let("stack.cloth_behind", "cloth turned behind the core, at its corners", corners, "both axes, folded")
    for axis, size in (("width", item.width), ("height", item.height)):
        over = size - s[f"sash.daylight_{axis}"]
        s.let(f"cloth.cover_{axis}", f"cloth displayed over the glass that is seen, {axis}", over, way="down")
    return s.let("stack.cloth", "cloth before and behind the core", front + behind)


def cloth_reaches(desk: Desk, item: Item, core: tuple[Quantity, Quantity]) -> None:
    """Cloth that is left to turn behind the core, each side: laid flat, less the core."""
    s = desk.sheet
    for axis, size in zip(("width", "height"), core, strict=True):
        flat = s[f"{item.key}.flat_{axis}"]
        s.let(
            f"cloth.turn_{axis}", f"cloth to turn behind the core, {axis}, each side", (flat - size) / 2, way="down"
        )


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


def masses_of(desk: Desk, got: dict[str, Quantity]) -> Quantity:
    """Glass by its slot, rails by the wood that stands round daylight and slot."""
    s = desk.sheet
    day_w, day_h, more = got["daylight_width"], got["daylight_height"], 2 * s["sash.slot"]
    pane = by_area(s, 2.5 * got["glass"].value, (day_w + more) * (day_h + more))
    whole = got["outside_width"] * got["outside_height"]
    seat = got["rebate"] + got["glass"]
    front = (whole - day_w * day_h) * (got["thickness"] - seat)
    behind = (whole - (day_w + more) * (day_h + more)) * seat
    rails = solid(s, "softwood", front + behind)
    return s.let("frame.mass", "sash with its glass, estimated", pane + rails, "weigh it where it matters")


def slot_of(desk: Desk) -> Quantity:
    """How far the glass and its slot reach behind the rail, each side; under putty nobody sees it."""
    s = desk.sheet
    more = s.choose("sash.putty", "slot of the glass beyond what is hidden", PUTTY_MM, MM, "common practice")
    return s.let("sash.slot", "slot of the glass, behind the rail", s["sash.hidden"] + more)


def card_fixings(desk: Desk, card: tuple[Quantity, Quantity]) -> tuple[Fixing, ...]:
    """Screws round the card, in the middle of what it reaches beyond the cloth; places from the sash's corner."""
    s = desk.sheet
    out = []
    size = dict(zip(("width", "height"), card, strict=True))
    for side, axis, other in (
        ("top", "width", "height"), ("right", "height", "width"), ("bottom", "width", "height"),
        ("left", "height", "width"),
    ):  # fmt: skip
        run, outside = size[axis].value, s[f"frame.outside_{axis}"].value
        inset = min(CARD_CORNER_MM, run / 4)
        n = max(2, int((run - 2 * inset) // CARD_APART_MM) + 2)
        off = size[other].value / 2 - s[f"card.beyond_{other}"].value / 2
        for i, at in enumerate(evenly(inset, run - inset, n), 1):
            label = f"card screw {i}, {side}, from the corner"
            along = s.let(f"card.screw.{side}.{i}", label, s.number(at + (outside - run) / 2, MM))
            x, y = run / 2 - at, off
            dot = {"top": (x, y), "bottom": (x, -y), "left": (-y, x), "right": (y, x)}[side]
            out.append(Fixing(dot, side, along))  # type: ignore[arg-type]
    s.let("card.screw_count", "screws through the card", s.number(len(out), ONE))
    return tuple(out)
