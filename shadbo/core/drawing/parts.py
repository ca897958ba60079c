"""Parts to cut: every rail with its slants and its long-point length, every strip, and how many."""

from shadbo.core.build.assembly import Part
from shadbo.core.cutting.cut_list import CutRow, cut_list
from shadbo.core.drawing.scene import Line, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System, texts
from shadbo.core.words.words import number_text

ROW = 26.0
LONGEST = 118.0
NAME_AT = 44.0
NAME_PX = 240.0
BOARD_PX = 406.0


def parts_scene(plan: Plan, system: System) -> Scene:
    """A list in drawing: rails broken where they are long, lengths in proportion, names and numbers beside."""
    a, mark = plan.assembly, plan.desk.mark
    assert a is not None
    scene = Scene("to cut; long parts are shown broken", drawn_to_scale=False)
    cut = [p for p in a.parts if p.to_cut and p.length is not None]
    longest = max((p.length.value for p in cut if p.length is not None), default=1.0)
    y = 0.0
    high = sum(ROW if part.mitred else ROW * 0.72 for part in cut)
    name_at = max(NAME_AT, NAME_PX * max(high, 1) / BOARD_PX)  # words keep their size when the rows grow many
    for part in cut:
        assert part.length is not None
        drawn = LONGEST * (0.45 + 0.55 * part.length.value / longest)
        height = 9.0 if part.mitred else 5.0
        _bar(scene, part, name_at, y, drawn, height)
        number = number_text(part.length, mark).pick(system)
        how = "long point to long point" if part.mitred else "square ends"
        size = ""
        if not part.mitred and part.width is not None and part.thick is not None:
            size = f" × {number_text(part.width, mark).pick(system)} × {number_text(part.thick, mark).pick(system)}"
        scene.add(Words((0, y + height / 2), f"{part.count} ×", "side", part.key, "start"))
        scene.add(Words((name_at + drawn / 2, y - 3.4), f"{number}{size}", "gap", part.key))
        scene.add(
            Words(
                (name_at * 0.2, y + height / 2 + 1.6),
                part.called if not part.mitred else part.name.split(": ")[0],
                "part",
                part.key,
                "start",
                (0, -3),
            )
        )
        scene.add(Words((name_at * 0.2, y + height / 2 - 2.8), how, "note", part.key, "start"))
        y -= ROW if part.mitred else ROW * 0.72
    bought = [_fetched(row, plan, system) for row in cut_list(plan) if row.kind != "part"]
    if not cut:
        scene.add(Words((0, y + 12), "nothing to cut", "part", "", "start"))
    scene.add(Words((0, y + 4), "from the drawers: " + ", ".join(bought), "side", "screw.count", "start"))
    scene.add(Line(((0, y + 1), (name_at + LONGEST, y + 1)), "thin"))
    return scene


def _fetched(row: CutRow, plan: Plan, system: System) -> str:
    """A row of what is not cut: how many, and how long where it comes off a roll or a stick."""
    long = texts(row.length_mm, plan.desk.mark).pick(system) if row.length_mm is not None else ""
    if row.count == 1 and long:
        return f"{long} of {row.name}"
    return f"{row.count} × {row.name}"


def _bar(scene: Scene, part: Part, x: float, y: float, length: float, height: float) -> None:
    slant = height if part.mitred else 0.0
    left, right = x + length * 0.42, x + length * 0.58 - 2
    zig = 1.2
    long_edge, short_edge = y + height, y
    scene.add(
        Shape(
            (
                (x, long_edge),
                (left, long_edge),
                (left + zig, y + height * 0.6),
                (left - zig, y + height * 0.4),
                (left, short_edge),
                (x + slant, short_edge),
            ),
            part.hatch,
            part.key,
            part.id,
        ),
        Shape(
            (
                (right, long_edge),
                (x + length, long_edge),
                (x + length - slant, short_edge),
                (right, short_edge),
                (right - zig, y + height * 0.4),
                (right + zig, y + height * 0.6),
            ),
            part.hatch,
            part.key,
            part.id,
        ),
    )
