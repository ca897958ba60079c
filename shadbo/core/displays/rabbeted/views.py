"""The section of a rabbeted package: layers, dimensions and labels in the edge plane."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Callout, Dimension, Layer, Ring
from shadbo.core.build.marked import Window
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.slices import Saw, Slice

SEEN_MM = 34.0
MOST_SEEN_MM = 110.0
HAIR_MM = 1e-6


def saw_of(frame: Frame, windows: Sequence[Window], reach_mm: float, laid_mm: float | None = None) -> Saw:
    """Where the section is cut: through the window that is nearest to the right edge, else through the middle.

    ``reach_mm`` is how far in the piece begins, ``laid_mm`` where what is laid out is shown, from the sight's edge.
    """
    seen = SEEN_MM if reach_mm <= 0 else min(reach_mm + 18, MOST_SEEN_MM)
    at, boxes = 0.0, [box_of(w.ring) for w in windows if w.bevelled and not w.stays]
    edge = max((x[2] for x in boxes), default=0.0)
    nearest = [x for x in boxes if x[2] >= edge - HAIR_MM]
    if nearest and not any(low <= 0 < high for _, low, _, high in nearest):
        at = (nearest[0][1] + nearest[0][3]) / 2
    return Saw(frame.face.value + seen, at, laid_mm=None if laid_mm is None else frame.face.value + laid_mm)


def ladder(frame: Frame, slabs: Sequence[Slab]) -> tuple[Layer, ...]:
    """The depth ladder: every layer where it lies, and what closing takes."""
    x, out = frame.front.value, []
    for layer in slabs:
        thick = layer.thick.value
        out.append(Layer(_short(layer), x, x + thick, layer.hatch, layer.key))
        x += thick
    room = frame.desk.sheet["depth.fastener"].value
    if room > 0 and slabs[-1].role != "bar":
        out.append(Layer("to close", x, x + room, "air", "depth.fastener"))
    return tuple(out)


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


def callouts(slabs: Sequence[Slab], cut: Sequence[Slice]) -> tuple[Callout, ...]:
    """One label a layer, the front one on top, so that the leaders never cross."""
    rings: dict[str, Ring] = {}
    for x in cut:
        rings.setdefault(x.body, x.ring)
        rings.setdefault(x.body.rsplit("-", 1)[0], x.ring)
    out = []
    last = 1e9
    lowest = min((box_of(rings[x.id])[1] for x in slabs if x.id in rings), default=0.0)
    for layer in (x for x in slabs if x.id in rings and x.role != "void"):
        left, low, right, high = box_of(rings[layer.id])
        if layer.role == "piece" and low > lowest + 12:
            y = low + 3
        elif high - low < 10:
            y = (high + low) / 2
        else:
            y = last = max(min(last - 6, high - 3), low + 2)
        twice = sum(x.name == layer.name for x in slabs) > 1
        words = f"{_short(layer)}: {layer.name}" if twice else layer.name
        out.append(Callout("edge", ((left + right) / 2, y), words, layer.thick, key=layer.key))
    return tuple(out)
