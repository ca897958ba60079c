"""What each fixing in the wall must be rated for."""

from shadbo.core.desk import Desk
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.sheet.units import ONE


def wall_load(desk: Desk, hang: HangPlan) -> None:
    """The line ``wall.each``, in kg: the weight by its share and the factor of metal; none for ledge and strips."""
    if hang.wall_fixings == 0:
        return
    s, p = desk.sheet, desk.practice
    factor = s.choose("wall.factor", "safety factor in the wall", p.hardware_factor, ONE, "practice of the shop")
    many = s.number(hang.wall_fixings, ONE)
    s.let("wall.each", "each fixing in the wall, rated for at least", hang.weight * factor / many, way="up")
