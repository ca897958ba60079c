"""What one step cuts, alone and in proportion: rails with their slants, strips, sheets with both sizes."""

from collections.abc import Collection

from shadbo.core.build.assembly import Part
from shadbo.core.drawing.scene import Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System
from shadbo.core.words.words import number_text

SORT = ": "
SLIM = 6.0
"""Longer than so many widths, a part is drawn as a bar."""
BAR, STEP, APART = 0.075, 0.24, 0.12
"""Height of a bar, from one bar to the next, between sheets: shares of the longest part."""


def cutting_scene(plan: Plan, system: System, ids: Collection[str]) -> Scene:
    """The named parts; alike sheets once, with all their names."""
    a = plan.assembly
    assert a is not None
    scene = Scene("to cut", drawn_to_scale=False)
    parts = [p for p in a.parts if p.id in ids and p.length is not None]
    longest = max((p.length.value for p in parts if p.length is not None), default=1.0)
    y = 0.0
    for part in (p for p in parts if _slim(p)):
        _bar(scene, plan, system, part, y, longest)
        y -= longest * STEP
    alike: dict[tuple[float, float], list[Part]] = {}
    for part in (p for p in parts if not _slim(p)):
        assert part.length is not None
        assert part.width is not None
        alike.setdefault((part.length.value, part.width.value), []).append(part)
    x = 0.0
    for (wide, high), same in alike.items():
        _sheet(scene, plan, system, same, (x, y - high if y else 0.0))
        x += wide + longest * APART
    if not parts:
        scene.add(Words((0, 0), "nothing to cut", "part"))
    return scene


def _slim(part: Part) -> bool:
    if part.mitred or part.width is None or part.length is None:
        return True
    return part.length.value > SLIM * part.width.value


def _bar(scene: Scene, plan: Plan, system: System, part: Part, y: float, longest: float) -> None:
    """A rail or strip at its length; its slants lean as they are cut."""
    assert part.length is not None
    mark, long, high = plan.desk.mark, part.length.value, longest * BAR
    slant = high if part.mitred else 0.0
    ring = ((0.0, y + high), (long, y + high), (long - slant, y), (slant, y))
    scene.add(Shape(ring, part.hatch, part.key, part.id))
    size = number_text(part.length, mark).pick(system)
    if not part.of_profile and part.width is not None:
        size += f" × {number_text(part.width, mark).pick(system)}"
    how = "long point to long point" if part.mitred else part.called
    name = part.name.split(SORT)[0] if part.of_profile else part.called
    scene.add(
        Words((0, y + high), f"{part.count} × {name}", "part", part.key, "start", (0, -10)),
        Words((long / 2, y), size, "gap", part.key, nudge=(0, 14)),
    )
    if part.mitred:
        scene.add(Words((long / 2, y + high / 2), how, "tiny", part.key, halo=True))


def _sheet(scene: Scene, plan: Plan, system: System, same: list[Part], at: tuple[float, float]) -> None:
    """Sheets of one size: how many of what."""
    first, mark = same[0], plan.desk.mark
    assert first.length is not None
    assert first.width is not None
    (x, y), wide, high = at, first.length.value, first.width.value
    scene.add(Shape(((x, y), (x + wide, y), (x + wide, y + high), (x, y + high)), first.hatch, first.key, first.id))
    for n, part in enumerate(same):
        lift = (len(same) - 1) * 9.0 - n * 18.0
        words = f"{part.count} × {part.called.split(SORT)[0]}"
        scene.add(Words((x + wide / 2, y + high / 2), words, "part", part.key, nudge=(0, -lift), halo=True))
    scene.add(
        Words((x + wide / 2, y), number_text(first.length, mark).pick(system), "gap", first.key, nudge=(0, 15)),
        Words((x, y + high / 2), number_text(first.width, mark).pick(system), "gap", first.key, "end", (-8, 0)),
    )
