"""The made frame from behind: where its inside is measured, and what was read there."""

from shadbo.core.build.assembly import Dot
from shadbo.core.build.facets import MadeFrame
from shadbo.core.drawing.scene import Line, LineRole, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.words.lengths import System
from shadbo.core.words.words import number_text

NEAR_END = 0.7
"""How far from the middle the ends are read, as a share of the half."""


def is_made(plan: Plan) -> bool:
    """Whether there is a frame whose inside is read."""
    a = plan.assembly
    return a is not None and any(b.fixed for b in a.bodies) and MadeFrame.of(plan.desk.sheet) is not None


def made_scene(plan: Plan, system: System) -> Scene:
    """The rails from behind, the lip beneath them, and a line for each reading with its number."""
    a, made = plan.assembly, MadeFrame.of(plan.desk.sheet)
    assert a is not None
    assert made is not None
    scene = Scene("from behind: the lip lies underneath")
    for body in (b for b in a.bodies if b.fixed):
        for prism in body.prisms:
            scene.add(Shape(tuple((-x, y) for x, y in prism.ring), body.hatch, "", body.part))
    w, h = made.middle.width.value / 2, made.middle.height.value / 2
    for q, y in ((made.top, h * NEAR_END), (made.middle.width, 0.0), (made.bottom, -h * NEAR_END)):
        if q is not None:
            _reading(scene, plan, system, q, ((-q.value / 2, y), (q.value / 2, y)), (0, y))
    for q, x in ((made.left, w * NEAR_END), (made.middle.height, w * 0.3), (made.right, -w * NEAR_END)):
        if q is not None:
            _reading(scene, plan, system, q, ((x, -q.value / 2), (x, q.value / 2)), (x, h * 0.45))
    return scene


def _reading(scene: Scene, plan: Plan, system: System, q: Quantity, line: tuple[Dot, Dot], at: Dot) -> None:
    """A line from wall to wall; firm where it was read, with what was read."""
    across = line[0][1] == line[1][1]
    tick = plan.assembly.outside_width.value * 0.015 if plan.assembly is not None else 5.0
    read = q.planned is not None
    role: LineRole = "mark" if read else "hidden"
    scene.add(Line(line, role, q.key))
    for x, y in line:
        ends = ((x, y - tick), (x, y + tick)) if across else ((x - tick, y), (x + tick, y))
        scene.add(Line(ends, "mark", q.key))
    text = number_text(q, plan.desk.mark).pick(system)
    scene.add(Words(at, text, "gap", q.key, nudge=(0, -10) if across else (0, 0), halo=True))
