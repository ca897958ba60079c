"""A small true drawing of a plan's edge section: shapes and lines to scale, no words."""

from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.marks import Paper
from shadbo.core.drawing.scene import Line, Scene, Shape
from shadbo.core.drawing.svg import write_svg
from shadbo.core.lengths import System
from shadbo.core.plan import Plan

THUMB = Paper("thumb", 84, 84, (2, 2, 2, 2))


def thumb(plan: Plan, system: System) -> str:
    """The section as a picture of 84 × 84 px."""
    full = edge_scene(plan, system)
    small = Scene(full.title, drawn_to_scale=True)
    small.add(*(e for e in full.elements if isinstance(e, Shape | Line) and getattr(e, "role", "") != "front"))
    sheet = compose(small, THUMB)
    sheet.groups = [g for g in sheet.groups if g.role != "note"]
    return write_svg(sheet, f"{plan.display.name}, its edge cut through")
