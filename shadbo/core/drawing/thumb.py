"""A small true drawing of a plan's edge section: shapes and lines to scale, no words."""

from dataclasses import replace

from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.marks import Group, Paper, Path
from shadbo.core.drawing.scene import Line, Scene, Shape
from shadbo.core.drawing.svg import write_svg
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System

THUMB = Paper("thumb", 84, 84, (2, 2, 2, 2))


def _thin(group: Group) -> Group:
    """Hairlines, so that thin layers keep their tone."""
    marks = tuple(
        replace(m, stroke=replace(m.stroke, width=0.5)) if isinstance(m, Path) and m.stroke is not None else m
        for m in group.marks
    )
    return replace(group, marks=marks)


def thumb(plan: Plan, system: System) -> str:
    """The section as a picture of 84 × 84 px."""
    full = edge_scene(plan, system)
    small = Scene(full.title, drawn_to_scale=True)
    small.add(*(e for e in full.elements if isinstance(e, Shape | Line) and getattr(e, "role", "") != "front"))
    sheet = compose(small, THUMB)
    sheet.groups = [_thin(g) for g in sheet.groups if g.role != "note"]
    return write_svg(sheet, f"{plan.display.name}, its edge cut through")
