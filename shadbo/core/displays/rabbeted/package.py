"""Build a rabbeted package, with or without glazing, into an assembly: the part that all such displays share."""

from collections.abc import Callable, Sequence
from functools import partial

from shadbo.core.build.assembly import Assembly, Back, Callout, Dimension, Join, Part
from shadbo.core.build.marked import Forbidden, Shown, Spot, Window
from shadbo.core.build.mounts import MountPlan
from shadbo.core.build.setting import Margins, Room
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.bodies import begins_of, fastened, frame_bodies, slab_bodies, ties_of
from shadbo.core.displays.rabbeted.filling import filler_slabs
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.joints import joint_sums
from shadbo.core.displays.rabbeted.layer_parts import layer_part
from shadbo.core.displays.rabbeted.points import cover_bodies, cover_parts, point_join
from shadbo.core.displays.rabbeted.rails import rail_parts
from shadbo.core.displays.rabbeted.slabs import Slab, together
from shadbo.core.displays.rabbeted.strainer import STRAINER, sized, strainer_join, strainer_parts
from shadbo.core.displays.rabbeted.under_spacer import beside_piece
from shadbo.core.displays.rabbeted.views import callouts, dimensions, ladder, saw_of
from shadbo.core.hang.hanging import hangers_at
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.solids.body import Body, Tie
from shadbo.core.sums.bending import rail_sag
from shadbo.core.sums.hang import force
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both, say

LEAST_RING_MM = 3.0


@dataclass(frozen=True, slots=True)
class Package:
    """What a display puts into the rabbet, and how it is seen.

    ``front`` draws what stands inside the rails; ``joins`` are the mount's own fixings; ``bodies`` adds what
    stands between the layers, given how deep each begins. ``laid_mm`` is where the section shows the deepest of it,
    from the edge of the field.
    """

    slabs: tuple[Slab, ...]
    mount: MountPlan | None
    mass: Quantity
    front: Callable[[Frame], Sequence[Part]]
    sizes: tuple[Both, Both]
    joins: tuple[Join, ...] = ()
    parts: tuple[Part, ...] = ()
    dimensions: Callable[[Frame], Sequence[Dimension]] | None = None
    reach_mm: float = 0.0
    margins: Margins | None = None
    see_through: bool = False
    back: Back = "sealed paper"
    effort: str = ""
    goes_in: str = "clean both faces of the glazing, lay the package in and close it"
    depth: tuple[Both, Both] | None = None
    points: bool = True
    callouts: tuple[Callout, ...] = ()
    laid_mm: float | None = None
    bodies: Callable[[dict[str, float]], tuple[Sequence[Body], Sequence[Tie]]] | None = None
    more_mounts: tuple[MountPlan, ...] = ()
    shown: tuple[Shown, ...] = ()
    spots: tuple[Spot, ...] = ()
    windows: tuple[Window, ...] = ()
    zones: tuple[Forbidden, ...] = ()
    layout_at: str = ""
    board: tuple[Quantity, Quantity] | None = None
    arranged: str = ""


def build_package(desk: Desk, frame: Frame, package: Package) -> Assembly:
    """Depth, filler, parts, fixings, back, sag of the rail, views."""
    s = desk.sheet
    spare = s["depth.spare"]
    slabs = sized(desk, frame, package.slabs)
    ring = max(frame.lip.value - frame.slack_mm, LEAST_RING_MM) if package.see_through else 0.0
    fillers = filler_slabs(desk, spare.value, ring, desk.practice.spare_caution_mm)
    strained = slabs[-1].id == STRAINER
    if fillers:
        at = next((i for i, x in enumerate(slabs) if x.role == "backing"), len(slabs) - strained)
        slabs[at:at] = fillers
        filled = together(fillers)
        s.let("depth.filled", "package with what fills it", s["depth.package"] + filled)
        s.let("depth.left", "depth still over", spare - filled, way="down")
    else:
        s.let("depth.left", "depth still over", spare, way="down")
    hangers_at(desk, s["frame.outside_height"])
    rails = frame_bodies(frame)
    parts = rail_parts(frame, rails)
    mass = package.mass
    for layer in slabs:
        for part in _parts_of(desk, frame, layer, package.windows):
            parts.append(part)
            mass = mass + part.mass if part.mass is not None else mass
    begins = begins_of(frame.front.value, slabs)
    beside = beside_piece(desk, (frame.package_w, frame.package_h), slabs, begins, package.mount)
    for part in beside.parts:
        parts.append(part)
        mass = mass + part.mass if part.mass is not None else mass
    s.let("package.mass", "package, all that the rails carry", mass)
    weight = s.let("package.load", "load on the bottom rail", force(s, s["package.mass"]))
    section_mm = (frame.face, frame.depth, frame.rabbet_depth, frame.lip)
    rail_sag(s, weight, s["frame.outside_width"], frame.profile.species, section_mm)
    joins = list(package.joins)
    if strained:
        joins.append(strainer_join(desk, frame))
    elif package.points:
        joins.append(point_join(desk, frame, package.see_through))
    parts += cover_parts(desk, frame, package.back, package.see_through)
    parts += [*package.front(frame), *package.parts]
    back = frame.front.value + sum(x.thick.value for x in slabs)
    size = (frame.package_w.value, frame.package_h.value)
    bodies = [*rails, *slab_bodies(s, slabs, begins, size, package.windows)]
    bodies += [*beside.bodies, *fastened(frame, joins, slabs, begins)]
    covers = cover_bodies(desk, frame, package.back, package.see_through, back)
    bodies += covers
    ties = ties_of(joins, bodies, slabs, package.mount)
    ties += [Tie(x.id, rails[0].id, "its glue") for x in covers if rails]
    if package.bodies is not None:
        more, fixed = package.bodies(begins)
        bodies += more
        ties += fixed
    joint = joint_sums(desk, frame, s["package.mass"])
    saw = saw_of(frame, package.windows, package.reach_mm, package.laid_mm)
    room_end = frame.depth.value
    extra = tuple(package.dimensions(frame)) if package.dimensions is not None else ()
    rail = frame.back_rail()
    return Assembly(
        s["frame.outside_width"],
        s["frame.outside_height"],
        frame.depth,
        rail,
        tuple(parts),
        tuple(joins),
        ladder(frame, slabs),
        (*dimensions(frame, back), *extra),
        package.callouts,
        "right rail, cut through",
        saw,
        _answers(desk, package),
        Room(frame.front.value, room_end, frame.rabbet_depth.key, "rabbet"),
        package.margins,
        see_through=package.see_through,
        glazed=any(x.role == "glazing" for x in slabs),
        moulding=frame.profile,
        mouldings=frame.held,
        mount=package.mount,
        effort=package.effort,
        goes_in=package.goes_in,
        back=package.back,
        joint=joint,
        arranged=package.arranged,
        bodies=tuple(bodies),
        ties=tuple(ties),
        more_mounts=package.more_mounts,
        shown=package.shown,
        spots=package.spots,
        windows=(*package.windows, *beside.windows),
        zones=package.zones,
        layout_at=package.layout_at,
        board=package.board or (frame.package_w, frame.package_h),
        labels=partial(callouts, slabs),
    )


def _parts_of(desk: Desk, frame: Frame, layer: Slab, windows: tuple[Window, ...]) -> Sequence[Part]:
    if layer.id == STRAINER:
        return strainer_parts(desk, layer)
    part = layer_part(desk, (frame.package_w, frame.package_h), layer, windows)
    return () if part is None else (part,)


def _answers(desk: Desk, package: Package) -> dict[str, tuple[Both, Both]]:
    s, mark = desk.sheet, desk.mark
    left = s["depth.left"]
    over = say(mark, "{} over", left) if left.value >= 0 else say(mark, "{} too deep", Mm(-left.value, "up"))
    mount = package.mount
    name = mount.taken.mount.id if mount else "points"
    count = s.get("mount.count")
    many = both(f"{count.value:.0f} {count.label}" if count is not None and count.value > 1 else "")
    return {
        "sizes": package.sizes,
        "depth": package.depth or (say(mark, "{} in {}", s["depth.needed"], s["profile.rabbet"]), over),
        "mount": (both(name), many),
        "parts": (
            say(mark, "4 rails, {}", s["rail.total"]) if "rail.total" in s else both("joined already"),
            both(""),
        ),
    }
