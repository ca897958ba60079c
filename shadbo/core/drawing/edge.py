"""Edge section: the frame's edge cut through, depth running from the front (left) to the wall (right)."""

from collections.abc import Iterator, Mapping, Sequence

from shadbo.core.build.assembly import Assembly, Dimension, Dot, Part, Ring
from shadbo.core.drawing.scene import Dim, Leader, Line, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.slices import Slice, sawn
from shadbo.core.words.lengths import Mark, System
from shadbo.core.words.words import number_text

SCREW_LONG = 2.5
"""A screw is at least so many times as long as it is thick: common practice, no source."""


def dim_of(d: Dimension, mark: Mark, system: System) -> Dim:
    """A dimension of the assembly as an element, with its number and its plus-minus where that helps."""
    number = number_text(d.quantity, mark).pick(system)
    if d.label == "proud":
        number = number.removeprefix("−")  # the word says the direction
    text = f"{d.label} {number}" if d.label and d.role != "tape" else number
    key = d.label if d.label.startswith("canvas.") else d.quantity.key
    return Dim(d.start, d.end, text, d.runs, d.lane, d.edge, key, d.role)


def edge_scene(plan: Plan, system: System) -> Scene:
    """The section with its layers, the screw, the wall behind, dimensions and labels."""
    a = _assembly(plan)
    mark = plan.desk.mark
    scene = Scene(a.section_name)
    back, stand = a.depth.value, plan.hang.bumper_mm if plan.hang else 0.0
    cut = sawn(a.bodies, a.saw)
    parts = {p.id: p for p in reversed(a.parts)}
    heights = [0.0, *(y for x in cut for _, y in x.ring)]
    top, low = max(heights), min(heights)
    scene.add(*_solid(a, cut, parts))
    bars = {p.id for p in a.by_role("bar")}
    stretched = {x.body for x in cut if x.part in bars}
    if stretched:
        scene.add(*_cloth([dot for x in cut if x.body in stretched for dot in x.ring], top))
    front_high = top + 13
    scene.add(
        Line(((0, low), (0, front_high)), "front"),
        Words((0, front_high), "front", "side", nudge=(-8, -2), anchor="end"),
    )
    wall_x = back + max(stand, 3)
    scene.add(Line(((wall_x, low - 4), (wall_x, front_high)), "wall"))
    scene.add(*(Line(((wall_x, y), (wall_x + 2.5, y - 2.5)), "wall") for y in range(int(low), int(front_high), 5)))
    scene.add(Words((wall_x, front_high), "wall", "side", nudge=(16, -2), anchor="start"))
    for x in cut:
        part = parts.get(x.part)
        if part is not None and part.role in ("bar", "rail") and _roomy(x.ring):
            scene.add(_name(part.name, x.ring, part.role == "bar"))
    scene.add(*(dim_of(d, mark, system) for d in a.dimensions if d.view == "edge"))
    for c in (*a.callouts, *(a.labels(cut) if a.labels is not None else ())):
        if c.view == "edge":
            first = c.words
            if c.quantity is not None and not c.words[-1:].isdigit():  # the name of a sheet tells its thickness
                first += f" {number_text(c.quantity, mark).pick(system)}"
            more = (
                (f"{number_text(c.second_quantity, mark).pick(system)} {c.second}",)
                if c.second_quantity is not None
                else ()
            )
            scene.add(Leader(c.at, (first, *more), c.key, c.towards))
    return scene


def _solid(a: Assembly, cut: Sequence[Slice], parts: Mapping[str, Part]) -> Iterator[Shape | Line]:
    """What is cut through, hatched by its part; fixings as they are, screws from behind by their sign."""
    joins = {j.id: j for j in a.joins}
    for x in cut:
        of = parts.get(x.part) or joins.get(x.part)
        key = of.key if of is not None else ""
        if x.brought and isinstance(of, Part) and of.thick is not None:
            key = of.thick.key  # its place is not shown here, how far it stands out is
        if x.bites and _long(x.ring):
            yield from _screw(x.ring, key)
        else:
            yield Shape(x.ring, of.hatch if isinstance(of, Part) and not x.bites else x.hatch, key, x.part)


def _assembly(plan: Plan) -> Assembly:
    if plan.assembly is None:
        raise ValueError("nothing to draw before the readings are in")
    return plan.assembly


def _cloth(bar: Sequence[Dot], top: float) -> list[Line]:
    front, low = min(x for x, _ in bar), min(y for _, y in bar)
    rear = max(x for x, _ in bar)
    off = 0.5
    return [
        Line(
            (
                (front - off, top + 9),
                (front - off, low - off),
                (rear + off, low - off),
                (rear + off, low + 25),
            ),
            "cloth",
            "canvas.depth",
        )
    ]


def _long(ring: Ring) -> bool:
    """Whether a fixing runs along the depth, as a screw from behind does."""
    left, low, right, high = box_of(ring)
    return right - left > SCREW_LONG * (high - low)


def _screw(ring: Ring, key: str) -> list[Shape | Line]:
    """A screw from behind, its head countersunk at the back."""
    tip, low, head, high = box_of(ring)
    y, r, c = (low + high) / 2, (high - low) / 2, high - low
    shaft = ((head, y + r), (tip + 4, y + r), (tip, y), (tip + 4, y - r), (head, y - r))
    sink = ((head, y + c), (head - c * 0.7, y + r), (head - c * 0.7, y - r), (head, y - c))
    turns = max(int((head - tip - 8) / 1.6 * 0.6), 3)
    step = 1.6
    thread = [
        Line(((tip + 4 + i * step, y + r + 0.35), (tip + 3.2 + i * step, y - r - 0.35)), "screw", key)
        for i in range(turns)
    ]
    axis = Line(((tip - 8, y), (head + 8, y)), "centre", key)
    return [Shape(shaft, "metal", key), Shape(sink, "metal", key), *thread, axis]


def _roomy(ring: tuple[tuple[float, float], ...]) -> bool:
    """Whether a name can stand in the shape: thin things are named beside it."""
    xs, ys = [x for x, _ in ring], [y for _, y in ring]
    return max(xs) - min(xs) >= 16 and max(ys) - min(ys) >= 8


def _name(name: str, ring: tuple[tuple[float, float], ...], middle: bool) -> Words:
    xs, ys = [x for x, _ in ring], [y for _, y in ring]
    if middle:
        return Words(((min(xs) + max(xs)) / 2, min(ys) + (max(ys) - min(ys)) * 0.68), name)
    low = sorted(set(ys))
    return Words(((min(xs) + max(xs)) / 2, (low[0] + low[1]) / 2), name.split(": ")[-1])
