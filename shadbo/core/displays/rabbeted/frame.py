"""The rabbeted frame that several displays stand in: profile from the rack, fit, hold, rails, depth."""

from collections.abc import Sequence

from shadbo.core.build.setting import BackRail, Suitability
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.milled import spare_mm
from shadbo.core.displays.rabbeted.options import FrameOptions
from shadbo.core.displays.rabbeted.section import section_read
from shadbo.core.displays.rabbeted.suiting import held_against
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.shop.kept import FRAMES
from shadbo.core.shop.values import Length
from shadbo.core.solids.rails import Spans
from shadbo.core.sums.fit import Fit, Hold, allowance_of, frame_axis, hold
from shadbo.core.sums.order import rail_order

AXES = ("width", "height")
FALLBACK = FrameProfile(
    id="plain-frame", name="moulding, none listed", face_mm=25, height_mm=24, rabbet_mm=18, lip_mm=6
)


@dataclass(frozen=True, slots=True)
class Frame:
    """The frame as it will be or was made, with the size that boards are cut to.

    ``steps`` are further rabbets behind the first: from which depth on, and how much thinner the wall is there.
    """

    desk: Desk
    profile: FrameProfile
    held: tuple[Suitability, ...]
    face: Quantity
    lip: Quantity
    front: Quantity
    rabbet_depth: Quantity
    depth: Quantity
    extension: Quantity | None
    width: Fit
    height: Fit
    package_w: Quantity
    package_h: Quantity
    hold_w: Hold
    hold_h: Hold
    steps: tuple[tuple[float, float], ...] = ()
    joint: str | None = None

    def opening(self) -> Spans:
        """Rabbet width at top, middle and bottom, height at left, middle and right, as made or pulled in."""
        return self.width.spans_mm(), self.height.spans_mm()

    @property
    def slack_mm(self) -> float:
        """Half of the air beside the package, where the section is cut: in the middle of the side rails."""
        inside = self.desk.sheet["frame.inside_width.middle"].value
        return max((inside - self.package_w.value) / 2, 0)

    @property
    def start_mm(self) -> float:
        """Where the package begins, from the frame's outer edge."""
        return self.face.value - self.lip.value + self.slack_mm

    def back_rail(self) -> BackRail:
        """What the hanger's screws find."""
        s = self.desk.sheet
        thinner = s.number(max((t for _, t in self.steps), default=0.0), MM)
        wall = s.let("rail.back_wall", "wall beside the rabbet", self.face - self.lip - thinner)
        return BackRail(self.profile.species, wall, self.depth, s.number(0, MM), self.depth)


Size = tuple[Quantity, Quantity]


def allowance(
    desk: Desk, decided: Length | None, axis: str, package: Quantity, acrylic: bool, base: Quantity | None = None
) -> Size:
    """The allowance that a package gets on one axis, and what its glazing grows by.

    ``base`` is the line of the shop's or the decided allowance, where it is on the sheet.
    """
    p, s = desk.practice, desk.sheet
    if base is None:
        base = s.number(p.fit_allowance_mm if decided is None else decided.mm, MM)
    room, growth = allowance_of(s, axis, package, base, acrylic, p.growth_room_mm, p.season_k, p.season_rh)
    return (room if decided is None else base), growth


def lip_room_mm(desk: Desk, options: FrameOptions, size: Size, acrylic: bool) -> tuple[float, float]:
    """What slides away behind a lip, and what a sheet of acrylic shrinks away besides."""
    trial = desk.on_trial()
    return _room_mm([allowance(trial, options.allowance, a, q, acrylic) for a, q in zip(AXES, size, strict=True)])


def _room_mm(axes: Sequence[Size]) -> tuple[float, float]:
    """The larger allowance of both axes, and what a sheet shrinks by on the longer one."""
    return max(room.value for room, _ in axes), max(growth.value for _, growth in axes)


def profile_for(
    desk: Desk,
    options: FrameOptions,
    size: Size,
    depth_mm: float,
    acrylic: bool,
    most_spare_mm: float = 3.0,
    room_mm: tuple[float, float] | None = None,
) -> tuple[FrameProfile, tuple[Suitability, ...]]:
    """The decided moulding or the best of the rack, and every one held against the package.

    ``room_mm`` is what ``lip_room_mm`` would tell, where the frame's own sums have told it already.
    """
    if desk.own_frame is not None:
        return desk.own_frame.moulding(), ()
    room_mm = room_mm or lip_room_mm(desk, options, size, acrylic)
    held = held_against(desk, (size[0].value, size[1].value), depth_mm, room_mm, most_spare_mm)
    best = held[0].profile if held else FALLBACK
    planned = best if isinstance(best, FrameProfile) else FALLBACK
    return desk.take(FRAMES, "profile", desk.levers.profile, lambda: planned), held


def _given(desk: Desk, options: FrameOptions, axis: str) -> Quantity | None:
    """An outside that was decided, where the frame is still to be made."""
    decided = options.outside_width if axis == "width" else options.outside_height
    if decided is None or desk.own_frame is not None:
        return None
    return desk.choose(f"outside.{axis}", f"outside {axis}, given", decided, 0, "")


def frame_round(
    desk: Desk,
    options: FrameOptions,
    wanted: tuple[Quantity, Quantity],
    depth_mm: float,
    acrylic: bool,
    boards: bool = True,
    most_spare_mm: float = 3.0,
    chosen: tuple[FrameProfile, tuple[Suitability, ...]] | None = None,
) -> Frame:
    """The frame for a package of the wanted size and depth; ``boards`` are cut to it, a canvas is as it is."""
    s, p = desk.sheet, desk.practice
    base = desk.choose(
        "fit.allowance", "fit allowance", options.allowance, p.fit_allowance_mm, "practice of the shop"
    )
    sizes, rooms = [], []
    for axis, size in zip(AXES, wanted, strict=True):
        if not desk.gathers:
            size = desk.largest_of_set(axis, size, s[f"{desk.prefix(desk.piece)}.{axis}"])
        sizes.append(size)
        rooms.append(allowance(desk, options.allowance, axis, size, acrylic, base))
    profile, held = chosen or profile_for(
        desk, options, (sizes[0], sizes[1]), depth_mm, acrylic, most_spare_mm, _room_mm(rooms)
    )
    face, lip, high, listed = section_read(desk, profile, bool(options.profile))
    exists = desk.own_frame is not None
    rabbet = s.made("frame.rabbet_depth", "rabbet depth", listed)
    extension = None
    if options.extension is not None:
        extension = desk.choose("frame.extension", "rabbet extension, height", options.extension, 0, "")
        depth = s.let("frame.depth", "depth of the frame", high + extension)
        rabbet = s.let("frame.rabbet_extended", "rabbet depth with its extension", rabbet + extension)
    else:
        depth = s.let("frame.depth", "depth of the frame", high)
    tolerances, pulled_in = (p.cut_tolerance_mm, p.joint_tolerance_mm), bool(options.strainer)
    w, h = (
        frame_axis(s, axis, size, room, growth, lip, face, tolerances, pulled_in, exists, _given(desk, options, axis))
        for axis, size, (room, growth) in zip(AXES, sizes, rooms, strict=True)
    )
    if not exists:
        rail_order(s, s["rail.width"], s["rail.height"], face, p.kerf_mm, spare_mm(profile))
    if boards:
        package_w, package_h = (
            s.cut(
                f"package.{f.axis}",
                f"boards and glazing, {f.axis}",
                f.least - f.allowance,
                "down",
                p.cut_tolerance_mm,
            )
            for f in (w, h)
        )
    else:
        package_w, package_h = wanted
    hold_w, hold_h = hold(s, w, package_w, lip), hold(s, h, package_h, lip)
    s.let("fit.worst_hold", "least hold of the lip", s.pick("smallest", hold_w.worst, hold_h.worst), way="down")
    front = s.let("profile.front", "lip, thickness", high - listed)
    return Frame(
        desk,
        profile,
        held,
        face,
        lip,
        front,
        rabbet,
        depth,
        extension,
        w,
        h,
        package_w,
        package_h,
        hold_w,
        hold_h,
        joint=options.joint,
    )


def edge_walk(length_mm: float, count: int, inset_mm: float) -> Sequence[float]:
    """Places along a side, from its start: even, the first and last that far in."""
    if count == 1:
        return (length_mm / 2,)
    step = (length_mm - 2 * inset_mm) / (count - 1)
    return tuple(inset_mm + i * step for i in range(count))
