"""How each piece of a group is held: its mount by its facts, where each fixing goes, and what that carries."""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import replace

from shadbo.core.build.assembly import Dot, Ring
from shadbo.core.build.marked import Forbidden, Plane, Spot
from shadbo.core.build.mounts import MountPlan, carry, choose_mount, load_sums
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.objects import Badge, Garment, Keepsake
from shadbo.core.pieces.outlines import garment_lines
from shadbo.core.shapes.plane import Box
from shadbo.core.shapes.polygon import box_of, grown_box, near
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.border import hinge_count
from shadbo.core.sums.hang import force
from shadbo.core.sums.items import Item

PIN_INSET_MM = 3.0
ZONE_CLEAR_MM = 3.0
"""So near to a zone no pin goes: common practice, no source."""
ONE_PIN_MM = 8.0
"""Where two seams meet within so much, one pin serves both: common practice, no source."""
SLIT_TAPE_MM = 25.0


@dataclass(frozen=True, slots=True)
class Held:
    """Mounts of all pieces, and every fixing's place."""

    mounts: tuple[MountPlan, ...]
    spots: tuple[Spot, ...]


def hold_items(
    desk: Desk,
    group: Gathered,
    decided: Mapping[str, str],
    at: str,
    board: tuple[Quantity, Quantity],
    zones: Sequence[Forbidden],
    on_mat: Collection[str] = (),
) -> Held:
    """Mount, fixings and load for each piece. Holes are measured on ``board``, from its left and top edges.

    ``on_mat`` are the pieces that are fixed to the mat, not to the board.
    """
    mounts, spots = [], []
    for x in group.items:
        detail, key = x.piece.detail, f"{x.key}.mount"
        facts = x.piece.told
        ids = KINDS[detail.kind].mounts
        sort = x.piece.sort
        if sort == "patch":
            ids = ("top tape", "sink")
        elif isinstance(detail, Badge) and x.back.value <= 0:
            ids = ("sink", "top tape")
        elif sort == "nameplate":
            ids = ("top tape", "corners")
        plan = choose_mount(desk, facts, x.mass.value, ids, decided.get(x.id), x.piece, key)
        plan = replace(plan, of=x.id, name=x.name, at=f"{at}/{x.id}")
        own = _spots(desk, x, plan.taken.mount.id, group.at[x.id], board, zones, "mat" if x.id in on_mat else "board")
        spots += own
        _load(desk, x, plan, own)
        mounts.append(plan)
    return Held(tuple(mounts), tuple(spots))


def _load(desk: Desk, x: Item, plan: MountPlan, spots: Sequence[Spot]) -> None:
    s = desk.sheet
    mount = plan.taken.mount
    if mount.id in ("ties", "padded brackets"):
        tape = plan.tape
        if tape is not None:
            share = force(s, x.mass) / 2
            pull = s[f"{x.key}.pull_out"]
            most = s.pick("largest", share, pull)
            carry(desk, plan.key, most, (tape.name, tape.rating_kg), desk.practice.hardware_factor)
        return
    carrying = [spot for spot in spots if spot.kind in ("pin", "slit", "corner") and spot.size_mm > 0]
    shoulders = [spot for spot in carrying if spot.id.startswith("carries")]
    count = len(shoulders or carrying) or 1
    line = s.let(f"{plan.key}.count", "fixings that carry", s.number(count, ONE))
    load_sums(desk, plan, x.mass, line, s.number(max(x.width.value - 20, 10), MM), x.piece)


def _spots(
    desk: Desk,
    x: Item,
    mount: str,
    at: Dot,
    board: tuple[Quantity, Quantity],
    zones: Sequence[Forbidden],
    plane: Plane,
) -> list[Spot]:
    detail = x.piece.detail
    if isinstance(detail, Garment) and mount == "stainless pins":
        return _pins(desk, x, detail, at, [z for z in zones if z.of == x.id], plane)
    if isinstance(detail, Badge) and mount == "clasp through the board":
        return [_hole(desk, x, detail, at, board, plane)]
    if isinstance(detail, Keepsake):
        return _supports(desk, x, detail, mount, at, board, plane)
    w, h = x.width.value / 2, x.height.value / 2
    if mount == "corners":
        return [
            Spot(f"corner-{n}", "corner", (at[0] + sx * w, at[1] + sy * h), 25.0, x.id, f"{x.key}.left", plane)
            for n, (sx, sy) in enumerate(((-1, 1), (1, 1), (1, -1), (-1, -1)))
        ]
    if mount == "linen hinges":
        p = desk.practice
        n = hinge_count(x.width.value)
        inset = min(60.0, x.width.value / 5)
        step = (x.width.value - 2 * inset) / (n - 1)
        return [
            Spot(
                f"slit-{i}",
                "slit",
                (at[0] - w + inset + i * step, at[1] + h - p.hinge_down_mm),
                SLIT_TAPE_MM + p.slit_beyond_mm,
                x.id,
                f"{x.key}.left",
                plane,
            )
            for i in range(n)
        ]
    return []


def _pins(desk: Desk, x: Item, detail: Garment, at: Dot, zones: Sequence[Forbidden], plane: Plane) -> list[Spot]:
    """Pins along the seams, 3 mm inside the outline; none in a zone; at most so far apart as the practice says."""
    p = desk.practice
    body = detail.body_width.mm if detail.body_width else None
    _, seams = garment_lines(x.width.value, x.height.value, body, detail.sleeves)
    out: list[Spot] = []
    skipped, key, id_ = 0, f"{x.key}.pins", x.id
    ends: list[Dot] = []
    kept_off = [(z.ring, grown_box(box_of(z.ring), ZONE_CLEAR_MM)) for z in zones]
    for seam in seams:
        (x0, y0), (x1, y1) = seam.ends
        long = math.hypot(x1 - x0, y1 - y0)
        apart = p.pins_carry_mm if seam.carries else p.pins_else_mm
        n = max(1, math.ceil(long / apart - 1e-9))
        in_x, in_y = seam.inside * (y0 - y1) / long * PIN_INSET_MM, seam.inside * (x1 - x0) / long * PIN_INSET_MM
        left, low = at[0] + x0, at[1] + y0
        name = f"{'carries' if seam.carries else 'pin'}-{seam.name}"
        for i in range(n + 1):
            t = i / n
            dot = (left + (x1 - x0) * t + in_x, low + (y1 - y0) * t + in_y)
            if i in (0, n):
                if _one_serves(dot, ends):
                    continue
                ends.append(dot)
            if _forbidden(dot, kept_off):
                skipped += 1
                continue
            out.append(Spot(f"{name}-{i}", "pin", dot, 1.2, id_, key, plane))
    s = desk.sheet
    s.let(key, f"{x.name}, pins", s.number(len(out), ONE), "along the seams; none in a zone")
    s.let(f"{x.key}.pins_moved", f"{x.name}, pins left out over a zone", s.number(skipped, ONE))
    return out


def _forbidden(dot: Dot, zones: Sequence[tuple[Ring, Box]]) -> bool:
    """Whether a pin there would stand in a zone, or too near to one; the box of that, with each, settles most."""
    x, y = dot
    for ring, (left, low, right, high) in zones:
        if left < x < right and low < y < high and near(ring, dot) < ZONE_CLEAR_MM:
            return True
    return False


def _one_serves(dot: Dot, ends: Sequence[Dot]) -> bool:
    """Whether the pin at another seam's end serves here too."""
    x, y = dot
    # Most seams begin where the one before ended.
    return any(abs(x - x1) < ONE_PIN_MM and math.hypot(x - x1, y - y1) < ONE_PIN_MM for x1, y1 in reversed(ends))


def from_edges(desk: Desk, key: str, label: str, at: Dot, board: tuple[Quantity, Quantity]) -> None:
    """Where to mark a point on the board: from its left and its top edge, as seen from the front."""
    s = desk.sheet
    s.cut(f"{key}_left", f"{label}, from the board's left edge", board[0] / 2 + s.number(at[0], MM), "nearest", 0.5)
    s.cut(f"{key}_top", f"{label}, from the board's top edge", board[1] / 2 - s.number(at[1], MM), "nearest", 0.5)


def _hole(desk: Desk, x: Item, detail: Badge, at: Dot, board: tuple[Quantity, Quantity], plane: Plane) -> Spot:
    """The hole stands where the visible badge is centred, moved by its pin's offset."""
    off = detail.pin_off.mm if detail.pin_off else 0.0
    dx, dy = {"above": (0, 1), "below": (0, -1), "left": (-1, 0), "right": (1, 0)}[detail.pin_side]
    dot = (at[0] + dx * off, at[1] + dy * off)
    size = detail.pin_width.mm if detail.pin_width else 2.0
    from_edges(desk, f"{x.key}.hole", f"{x.name}, hole", dot, board)
    return Spot("hole", "hole", dot, size, x.id, f"{x.key}.hole_left", plane)


def _supports(
    desk: Desk, x: Item, detail: Keepsake, mount: str, at: Dot, board: tuple[Quantity, Quantity], plane: Plane
) -> list[Spot]:
    """Two supports below the centre of gravity and one above, and what pulls the upper one out of the board."""
    s = desk.sheet
    w, h = x.width.value, x.height.value
    if detail.centre_up is not None:
        centre = s[f"{x.key}.centre_up"]
    else:
        centre = s.let(f"{x.key}.centre", f"{x.name}, centre of gravity", x.height / 2, "not read: half its height")
    low = -h / 2 + centre.value / 2
    high = -h / 2 + centre.value + (h - centre.value) * 0.6
    apart = s.let(f"{x.key}.supports_apart", f"{x.name}, upper support above the lower", s.number(high - low, MM))
    s.let(
        f"{x.key}.pull_out",
        f"{x.name}, pull on the upper support",
        force(s, x.mass) * (x.front / 2) / apart,
        "weight · half its depth ÷ height between supports",
    )
    if detail.stands and detail.base_depth is not None:
        tip = s.decide(
            "atan(half its foot ÷ centre of gravity), degrees",
            math.degrees(math.atan2(s[f"{x.key}.base_depth"].value / 2, max(centre.value, 1e-6))),
            ONE,
            centre,
            s[f"{x.key}.base_depth"],
        )
        s.let(f"{x.key}.tip", f"{x.name} tips over at, degrees", tip, "without its ties; try it before closing")
    out = []
    for n, (dx, y) in enumerate(((-w / 4, low), (w / 4, low), (0.0, high)), 1):
        dot = (at[0] + dx, at[1] + y)
        from_edges(desk, f"{x.key}.support{n}", f"{x.name}, support {n}", dot, board)
        size = 2.0 if mount == "ties" else 4.0
        out.append(Spot(f"support-{n}", "support", dot, size, x.id, f"{x.key}.support{n}_left", plane))
    return out
