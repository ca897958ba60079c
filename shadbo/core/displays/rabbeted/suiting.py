"""Mouldings of the rack held against a package: which take it, which nearly do, and at what price."""

from functools import lru_cache

from shadbo.core.build.setting import Suitability
from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import DUST
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.sums.order import order_mm
from shadbo.core.words.words import Mm, Sentence


def slack_mm(desk: Desk, profile: FrameProfile, size_mm: tuple[float, float], room_mm: float) -> float:
    """Air beside a package in rails of this moulding, when rails and boards are cut to the mark: the larger axis."""
    mark, out = desk.mark.mm, 0.0
    for size in size_mm:
        inside = to_mark(size + room_mm + 2 * profile.back_wall_mm, mark, "up") - 2 * profile.back_wall_mm
        out = max(out, inside - to_mark(inside - room_mm, mark, "down"))
    return out


def held_against(
    desk: Desk,
    size_mm: tuple[float, float],
    depth_mm: float,
    room_mm: tuple[float, float],
    most_spare_mm: float,
) -> tuple[Suitability, ...]:
    """Every rabbeted moulding of the rack: those that take the package by price, then the nearest misses.

    ``room_mm`` is the fit allowance, and what the glazing shrinks by.
    """
    p, out = desk.practice, []
    for profile in desk.stock.frames:
        faults: list[Sentence] = []
        spare = profile.rabbet_mm - depth_mm
        if spare < -DUST:
            faults.append(Sentence("{} too shallow", (Mm(-spare, "up"),)))
        hold = profile.lip_mm - slack_mm(desk, profile, size_mm, room_mm[0]) - room_mm[1]
        if hold < p.hold_caution_mm - DUST:
            faults.append(Sentence("lip covers too little"))
        wide = 2 * profile.back_wall_mm + room_mm[0]
        order = order_mm(size_mm[0] + wide, size_mm[1] + wide, profile.face_mm)
        missing = max(-spare, 0.0) + max(p.hold_caution_mm - hold, 0.0)
        out.append(
            Suitability(
                profile,
                Sentence("{} over", (Mm(max(spare, 0), "down"),)),
                tuple(faults),
                order / 1000 * profile.price_per_m,
                missing,
                0.0,
                _section(profile.rabbet_mm, profile.lip_mm, profile.face_mm),
            )
        )
    return tuple(
        sorted(
            out,
            key=lambda h: (len(h.faults), h.missing_mm, h.price + _waste(h, depth_mm, most_spare_mm), h.profile.id),
        )
    )


@lru_cache(maxsize=256)
def _section(rabbet_mm: float, lip_mm: float, face_mm: float) -> Sentence:
    """What a moulding is to who looks for one."""
    return Sentence("rabbet {}, lip {}, face {}", (Mm(rabbet_mm), Mm(lip_mm), Mm(face_mm)))


def _waste(held: Suitability, depth_mm: float, most_spare_mm: float) -> float:
    """A rabbet far deeper than the package costs filling: counted like price, so that the nearest is taken."""
    profile = held.profile
    if not isinstance(profile, FrameProfile):
        return 0.0
    return max(profile.rabbet_mm - depth_mm - most_spare_mm, 0.0) * 0.5
