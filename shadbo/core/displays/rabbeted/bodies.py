"""A rabbeted package as bodies: the frame that was really made, and every layer where it lies in it."""

from collections.abc import Iterable, Mapping, Sequence
from functools import partial
from itertools import pairwise

from shadbo.core.build.assembly import Dot, Join, Side
from shadbo.core.build.marked import Window
from shadbo.core.build.mounts import MountPlan
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.points import OVER_MM
from shadbo.core.displays.rabbeted.slabs import SAID, Slab
from shadbo.core.displays.rabbeted.strainer import STRAINER, strainer_bodies
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.rings import around, centred, mitred
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.solids.body import EVERY_WAY, Body, Prism, Tie, Way, framed, strips_round
from shadbo.core.solids.canvas import canvas_prisms
from shadbo.core.solids.rails import Step, grown, rails_round

BARS = "bars"


def frame_bodies(frame: Frame) -> list[Body]:
    """Four rails: lip, wall beside the rabbet and its further steps, and strips that extend it."""
    opening = frame.opening()
    wall = frame.face.value - frame.lip.value
    outside = grown(opening, 2 * wall)
    front, deep = frame.front.value, frame.profile.height_mm
    begins = [(front, 0.0), *frame.steps, (deep, 0.0)]
    steps = [Step(*grown(opening, -2 * frame.lip.value), 0.0, front)]
    for (at, thinner), (until, _) in pairwise(begins):
        steps.append(Step(*grown(opening, 2 * thinner), at, until))
    bodies = rails_round(outside, steps, "wood", f"rail, {frame.profile.name}")
    if frame.extension is not None:
        behind = [Step(*opening, deep, deep + frame.extension.value)]
        parts = ("extension-width", "extension-height")
        bodies += rails_round(outside, behind, "stretcher", "rabbet extension", parts, "rail-extension")
    return bodies


def begins_of(front_mm: float, slabs: Sequence[Slab]) -> dict[str, float]:
    """How deep each layer begins, from the frame's front edge."""
    out, deep = {}, front_mm
    for layer in slabs:
        out[layer.id] = deep
        deep += layer.thick.value
    return out


def holes_of(layer: Slab, size_mm: tuple[float, float], windows: Sequence[Window]) -> tuple[Ring, ...]:
    """What is cut out of a layer: its openings, or the middle of a ring."""
    holes = tuple(w.ring for w in windows if w.sheet == layer.id and not w.stays)
    if holes or layer.ring_mm <= 0 or layer.role == "mat":
        return holes
    return framed(centred(*size_mm), layer.ring_mm)


def cut_out_mm2(layer: Slab, size_mm: tuple[float, float], windows: Sequence[Window]) -> float:
    """How much of a layer's sheet is cut out; the sheet costs it, and does not weigh it."""
    holes = holes_of(layer, size_mm, windows)
    if not holes or min(size_mm) <= 0:
        return 0.0
    return size_mm[0] * size_mm[1] - Prism(centred(*size_mm), 0.0, 1.0, holes).volume_mm3


def slab_bodies(
    sheet: Sheet,
    slabs: Iterable[Slab],
    begins: Mapping[str, float],
    size_mm: tuple[float, float],
    windows: Sequence[Window] = (),
) -> list[Body]:
    """Every layer that is a thing: sheets with the openings cut in them, rings, and strips of their own length."""
    out: list[Body] = []
    for layer in slabs:
        if layer.role == "void":
            continue
        z0 = begins[layer.id]
        z1 = z0 + layer.thick.value
        if layer.id == STRAINER:
            out += strainer_bodies(layer, (z0, z1))
            continue
        own = layer.size if not layer.wrapped else None
        size = (own[0].value, own[1].value) if own is not None else size_mm
        name = f"{SAID[layer.role]}: {layer.name}" if layer.role in SAID else layer.name
        if layer.role == "spacer" and f"{layer.id}.across" in sheet:
            thick, across, upright = (sheet[f"{layer.id}.{way}"].value for way in ("thick", "across", "upright"))
            parts = (layer.id, layer.id)
            out += strips_round(size, thick, across, upright, (z0, z1), layer.hatch, name, parts, layer.id)
            continue
        if layer.role == "bar":
            out.append(_stretched(layer, size, (z0, z1)))
            continue
        ring = layer.ring or around(*size, layer.off)
        holes = holes_of(layer, size, windows)
        out.append(Body(layer.id, name, layer.hatch, (Prism(ring, z0, z1, holes),), layer.id, short=layer.name,
                        enters=layer.enters))  # fmt: skip
    return out


def _stretched(layer: Slab, size: tuple[float, float], deep: tuple[float, float]) -> Body:
    """A canvas on four mitred bars."""
    w, h = size[0] / 2, size[1] / 2
    prisms = canvas_prisms(centred(*size), partial(mitred, w, h), min(layer.ring_mm, w, h), deep, BARS)
    return Body(layer.id, layer.name, layer.hatch, tuple(prisms), layer.id, short=layer.name, enters=layer.enters)


OUT: Mapping[Side, Dot] = {"top": (0, 1), "bottom": (0, -1), "left": (-1, 0), "right": (1, 0)}


def fastened(frame: Frame, joins: Iterable[Join], slabs: Sequence[Slab], begins: Mapping[str, float]) -> list[Body]:
    """Points, clips and screws round a package, each at its place behind the layer that it holds.

    Their bars count from the rabbet's wall, which is farther from the package on one axis than on the other.
    """
    by = {x.id: x for x in slabs}
    air = {
        "width": (frame.width.least.value - frame.package_w.value) / 2,
        "height": (frame.height.least.value - frame.package_h.value) / 2,
    }
    out = []
    for join in joins:
        layer = by.get(join.holds[1], slabs[-1])
        back = begins[layer.id] + layer.thick.value
        into = ("rail", layer.id) if join.pulls else ("rail",)
        covers = {side: [(bar, bar.box(outwards)) for bar in join.bars] for side, outwards in OUT.items()}
        for n, x in enumerate(join.fixings if join.bars else (), 1):
            u, v = OUT[x.side]
            off = OVER_MM + air["width" if u else "height"]
            wall = (x.at[0] + u * off, x.at[1] + v * off)
            prisms = tuple([bar.prism(x.at if bar.at_place else wall, box, back) for bar, box in covers[x.side]])
            out.append(Body(f"{join.id}.{n}", join.name, "metal", prisms, join.id, bites=True, into=into,
                            stops=not join.pulls))  # fmt: skip
    return out


def ties_of(
    joins: Iterable[Join], bodies: Sequence[Body], slabs: Sequence[Slab], mount: MountPlan | None
) -> list[Tie]:
    """Screws keep what they name on the rail, or the last layer; points and clips stand there, and need no tie.

    A mount that fixes keeps the piece on the layer behind it.
    """
    last = slabs[-1].id
    ids = {b.id for b in bodies}
    rail = next((b.id for b in bodies if b.fixed), "")
    out = []
    for join in joins:
        if join.holds[0] != "rail" or not rail or not join.fixings or (join.bars and not join.pulls):
            continue
        wanted = join.holds[1] if join.holds[1] in ids or join.holds[1] == STRAINER else last
        held = [b.id for b in bodies if b.id == wanted or b.id.startswith(f"{wanted}-")]
        ways: tuple[Way, ...] = EVERY_WAY if join.pulls else ("backwards",)
        out += [Tie(x, rail, join.name, ways) for x in held]
    return [*out, *mount_ties(slabs, mount)]


def mount_ties(slabs: Sequence[Slab], mount: MountPlan | None) -> list[Tie]:
    """The piece is fixed to the layer behind it, where its mount fixes at all."""
    if mount is None or not mount.taken.mount.fixes:
        return []
    pairs = pairwise(slabs)
    return [Tie(x.id, behind.id, mount.taken.mount.name) for x, behind in pairs if x.role == "piece"]
