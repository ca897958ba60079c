"""Small true drawings of a plan, its front and its edge cut through: shapes and lines to scale, no words."""

from dataclasses import replace

from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.edge import edge_scene
from shadbo.core.drawing.faces import front_scene
from shadbo.core.drawing.marks import Group, Paper, Path
from shadbo.core.drawing.scene import Line, Scene, Shape
from shadbo.core.drawing.svg import Albums, write_svg
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System

THUMB = Paper("thumb", 84, 56, (2, 2, 2, 2))
FRONT = Paper("thumb-front", 84, 68, (2, 2, 2, 2))


def _thin(group: Group) -> Group:
    """Hairlines, so that thin layers keep their tone."""
    marks = tuple(
        replace(m, stroke=replace(m.stroke, width=0.5)) if isinstance(m, Path) and m.stroke is not None else m
        for m in group.marks
    )
    return replace(group, marks=marks)


def thumb(plan: Plan, system: System) -> str:
    """The section as a picture of 84 × 56 px."""
    return _small(plan, edge_scene(plan, system), THUMB, "its edge cut through")


def front_thumb(plan: Plan, system: System, album: Albums | None = None) -> str:
    """The front as a picture of 84 × 68 px, with photographs where there is an album to take them from."""
    return _small(plan, front_scene(plan, system), FRONT, "from the front", album)


def _small(plan: Plan, full: Scene, paper: Paper, said: str, album: Albums | None = None) -> str:
    small = Scene(full.title, drawn_to_scale=True)
    small.add(*(e for e in full.elements if isinstance(e, Shape | Line) and getattr(e, "role", "") != "front"))
    sheet = compose(small, paper)
    sheet.groups = [_thin(g) for g in sheet.groups if g.role != "note"]
    return write_svg(sheet, f"{plan.display.name}, {said}", album=album)
