"""A moulding that is still to be made: square-edged stock with a rabbet milled into it."""

import math

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import care, told
from shadbo.core.desk import Desk
from shadbo.core.shop.boards import LEAST_WALL_MM, FrameProfile, MilledProfile
from shadbo.core.shop.materials import PlainStock
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, say

LIP_MM, FRONT_MM, PASS_MM, TEST_MM = 8.0, 6.0, 4.0, 200.0
"""Lip left over the package, wood left in front of the rabbet, most that one pass takes, and the piece to try it on:
common practice, no source."""


def milled_from(stock: PlainStock, depth_mm: float, mark_mm: float) -> MilledProfile | None:
    """The moulding that a stock gives with a rabbet as deep as is needed; None where it is too small for one."""
    deep = math.ceil(depth_mm / mark_mm - 1e-6) * mark_mm
    if stock.face_mm <= LIP_MM + LEAST_WALL_MM or stock.height_mm < deep + FRONT_MM:
        return None
    return MilledProfile(
        id=f"milled-{stock.id}"[:40],
        name=f"{stock.name}, milled",
        face_mm=stock.face_mm,
        height_mm=stock.height_mm,
        rabbet_mm=deep,
        lip_mm=LIP_MM,
        species=stock.species,
        stick_mm=stock.stick_mm,
        price_per_m=stock.price_per_m,
        colour=stock.colour,
        milled=True,
    )


def spare_mm(profile: FrameProfile) -> float | None:
    """What is milled besides the longest rail once more; None for a moulding that is bought."""
    return TEST_MM if isinstance(profile, MilledProfile) else None


def milled_choices(desk: Desk, decided: FrameProfile | None) -> list[Choice]:
    """What the plain stock gives for this package, the shallowest first."""
    needed = desk.sheet.get("depth.needed")
    if needed is None:
        return []
    out: list[Choice] = []
    for stock in sorted(desk.stock.plain_stock, key=lambda x: (x.height_mm, x.face_mm)):
        profile = milled_from(stock, needed.value, desk.mark.mm)
        if profile is not None:
            out.append(_choice(desk, profile, decided == profile, "to be milled"))
    if isinstance(decided, MilledProfile) and not any(c.picked for c in out):
        out.append(_choice(desk, decided, True, "to be milled, as it was decided"))
    return out


def _choice(desk: Desk, profile: MilledProfile, picked: bool, how: str) -> Choice:
    size = say(desk.mark, "rabbet {}, lip {}", Mm(profile.rabbet_mm), Mm(profile.lip_mm))
    detail = Both(f"{size.mm} · {how}", f"{size.inch} · {how}")
    return Choice(profile.model_dump(mode="json"), profile.name, detail, picked, True, profile.colour or "")


def milled_rows(desk: Desk, profile: FrameProfile) -> list[Question]:
    """How the rabbet is milled, before any rail is cut."""
    if not isinstance(profile, MilledProfile):
        return []
    passes = math.ceil(profile.rabbet_mm / PASS_MM)
    size = say(desk.mark, "{} deep, {} wide", Mm(profile.rabbet_mm), Mm(profile.lip_mm))
    tried = say(desk.mark, "in {} passes of {} at most; a test piece of {} first", passes, Mm(PASS_MM), Mm(TEST_MM))
    return [
        told("Rabbet to mill", size, "profile.rabbet", tried),
        told("Mill with it", "one rail more", "rail.spare", "for the one that tears out; all in one setting"),
        care(
            "Milling: shallow passes, feather boards and push sticks, eyes and ears covered. "
            "Reclaimed wood: look for metal first."
        ),
    ]
