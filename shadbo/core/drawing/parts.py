"""Parts to cut: every rail with its slants and its long-point length, every strip, and how many."""

from collections import Counter

from shadbo.core.build.assembly import Part
from shadbo.core.cutting.cut_list import cut_list, set_words
from shadbo.core.drawing.scene import Line, Scene, Shape, Words
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System, texts
from shadbo.core.words.words import number_text

ROW = 26.0
LONGEST = 118.0
NAME_AT = 44.0
NAME_PX = 240.0
BOARD_PX = 406.0
LINE, LINE_SIGNS = 9.0, 78


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
        if not part.of_profile and part.width is not None and part.thick is not None:
            size = f" × {number_text(part.width, mark).pick(system)} × {number_text(part.thick, mark).pick(system)}"
        scene.add(Words((0, y + height / 2), f"{part.count} ×", "side", part.key, "start"))
        scene.add(Words((name_at + drawn / 2, y - 3.4), f"{number}{size}", "gap", part.key))
        scene.add(
            Words(
                (name_at * 0.2, y + height / 2 + 1.6),
                part.called if not part.of_profile else part.name.split(": ")[0],
                "part",
                part.key,
                "start",
                (0, -3),
            )
        )
        scene.add(Words((name_at * 0.2, y + height / 2 - 2.8), how, "note", part.key, "start"))
        y -= ROW if part.mitred else ROW * 0.72
    rows = _lines(plan, system)
    if not cut:
        scene.add(Words((0, y + 12), "nothing to cut", "part", "", "start"))
    for n, row in enumerate(rows):
        scene.add(Words((0, y + 4 - n * LINE), row, "side", "screw.count", "start"))
    below = y + 1 - max(len(rows) - 1, 0) * LINE
    scene.add(Line(((0, below), (name_at + LONGEST, below)), "thin"))
    return scene


def _lines(plan: Plan, system: System) -> list[str]:
    """What is fetched, each thing once, in lines that the board takes; with its length where it comes off a roll."""
    many: Counter[str] = Counter()
    lengths: set[str] = set()
    for row in cut_list(plan):
        if row.kind != "part":
            long = row.length_mm if not row.part else None
            said = f"{texts(long, plan.desk.mark).pick(system)} of {row.name}" if long is not None else row.name
            many[said] += row.count
            if long is not None:
                lengths.add(said)
    words = [x if n == 1 and x in lengths else f"{n} × {x}" for x, n in many.items()]
    told = set_words(plan)
    out = [*([told] if told else []), "from the drawers: "]
    for n, word in enumerate(words, 1):
        text = word + (", " if n < len(words) else "")
        if len(out[-1]) + len(text) > LINE_SIGNS:
            out.append("")
        out[-1] += text
    return [x.rstrip() for x in out]


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
