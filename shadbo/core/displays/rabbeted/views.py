"""The section of a rabbeted package: layers, dimensions and labels in the edge plane."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Callout, Dimension, Layer, Ring
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.shapes.rings import rect

SEEN_MM = 34.0
MOST_SEEN_MM = 110.0


def section_of(frame: Frame, slabs: Sequence[Slab], reach_mm: float) -> tuple[dict[str, Ring], tuple[Layer, ...]]:
    """Every layer as a rectangle by id, and the depth ladder. ``reach_mm`` is how far in the piece begins."""
    x, low = frame.front.value, frame.start_mm
    seen = SEEN_MM if reach_mm <= 0 else min(reach_mm + 18, MOST_SEEN_MM)
    top = frame.face.value + seen
    rings: dict[str, Ring] = {}
    ladder = []
    for layer in slabs:
        thick = layer.thick.value
        own = layer.size is not None and not layer.wrapped
        start = low + ((frame.package_w.value - layer.size[0].value) / 2 if own and layer.size else layer.starts_mm)
        high = min(start + layer.ring_mm, top) if layer.ring_mm > 0 else top
        if start < top:
            rings[layer.id] = rect(x, start, x + thick, high)
        ladder.append(Layer(_short(layer), x, x + thick, layer.hatch, layer.key))
        x += thick
    room = frame.desk.sheet["depth.fastener"].value
    if room > 0 and slabs[-1].role != "bar":
        ladder.append(Layer("to close", x, x + room, "air", "depth.fastener"))
    return rings, tuple(ladder)


def _short(layer: Slab) -> str:
    words = {
        "glazing": "glazing",
        "piece": "piece",
        "bar": "canvas",
        "backing": "backing",
        "board": "board",
        "packer": "filler",
        "void": layer.name,
    }
    if layer.role == "mat":
        return "inner mat" if layer.id.endswith("inner") else "mat"
    return words.get(layer.role, layer.id.replace("_", " "))


def dimensions(frame: Frame, back_mm: float) -> list[Dimension]:
    """Face, lip and rabbet on the section; sight, rabbet and outside from the front."""
    face, lip, front = frame.face, frame.lip, frame.front
    s = frame.desk.sheet
    w, h = s["frame.outside_width"].value / 2, s["frame.outside_height"].value / 2
    f, wall = face.value, face.value - lip.value
    filled = s["depth.filled"] if "depth.filled" in s else s["depth.package"]
    deep = frame.profile.height_mm
    out = [
        Dimension("edge", (0, 0), (0, f), face, "upright", 1, "low", "face"),
        Dimension("edge", (deep, wall), (front.value, wall), frame.rabbet_depth, "across", 1, "low", "rabbet"),
        Dimension("edge", (front.value, f), (back_mm, f), filled, "across", 1, "high", "package"),
        Dimension("edge", (deep, wall), (deep, f), lip, "upright", 1, "high", "lip"),
        Dimension("front", (-w, -h), (w, -h), s["frame.outside_width"], "across", 2, "low", "outside"),
        Dimension("front", (w, -h), (w, h), s["frame.outside_height"], "upright", 2, "high", "outside"),
        Dimension("front", (-w + f, -h), (w - f, -h), s["frame.sight_width"], "across", 1, "low", "sight"),
        Dimension("front", (w, -h + f), (w, h - f), s["frame.sight_height"], "upright", 1, "high", "sight"),
    ]
    for axis, ends in (("width", ("top", "middle", "bottom")), ("height", ("left", "middle", "right"))):
        fit = frame.width if axis == "width" else frame.height
        half_w, half_h = frame.width.most.value / 2, frame.height.most.value / 2
        for n, end in enumerate(ends):
            at = (1 - n) * 0.85
            key = f"frame.inside_{fit.axis}.{end}"
            half = s[key].value / 2
            start, stop = ((-half, at * half_h), (half, at * half_h))
            if axis == "height":
                start, stop = ((-at * half_w, -half), (-at * half_w, half))
            runs = "across" if axis == "width" else "upright"
            out.append(Dimension("front", start, stop, s[key], runs, 0, "low", "tape", "tape"))  # type: ignore[arg-type]
    return out


def frame_low(section: dict[str, Ring]) -> float:
    """Where the lowest layer of the section begins."""
    return min(y for ring in section.values() for _, y in ring)


def callouts(slabs: Sequence[Slab], section: dict[str, Ring]) -> tuple[Callout, ...]:
    """One label a layer, the front one on top, so that the leaders never cross."""
    out = []
    last = 1e9
    for layer in (x for x in slabs if x.id in section and x.role != "void"):
        ring = section[layer.id]
        xs, ys = [x for x, _ in ring], [y for _, y in ring]
        if layer.role == "piece" and min(ys) > frame_low(section) + 12:
            y = min(ys) + 3
        elif max(ys) - min(ys) < 10:
            y = (max(ys) + min(ys)) / 2
        else:
            y = last = max(min(last - 6, max(ys) - 3), min(ys) + 2)
        twice = sum(x.name == layer.name for x in slabs) > 1
        words = f"{_short(layer)}: {layer.name}" if twice else layer.name
        out.append(Callout("edge", ((xs[0] + xs[1]) / 2, y), words, layer.thick, key=layer.key))
    return tuple(out)
