"""Which screw: one that the job keeps, else one of the drawers, else one that is made at all."""

from shadbo.core.desk import Desk
from shadbo.core.sums.floater import shortest_screw


def screw_between(desk: Desk, least_mm: float, most_mm: float) -> tuple[float, bool]:
    """The shortest length from least to most, and whether there is one.

    A job that was begun is never moved by what lies in the drawers later: it has its own screws and the practice's
    lengths.
    """
    kept = [x.length_mm for x in desk.job.materials.screws.values()]
    drawers = [x.length_mm for x in desk.stock.screws] if not desk.job.begun else []
    for lengths in (kept, drawers):
        value, fits = shortest_screw(least_mm, most_mm, lengths)
        if fits:
            return value, True
    return shortest_screw(least_mm, most_mm, desk.screw_lengths_mm)
