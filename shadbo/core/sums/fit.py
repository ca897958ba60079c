"""Fit chain of a rabbeted frame: package, allowance, lip, face."""

from dataclasses import dataclass

from shadbo.core.quantity import Quantity
from shadbo.core.sheet import Sheet


@dataclass(frozen=True, slots=True)
class Fit:
    """One dimension of the chain, front to back of the rail."""

    rabbet: Quantity
    sight: Quantity
    outside: Quantity
    worst_hold: Quantity
    hidden: Quantity


def fit(
    sheet: Sheet,
    axis: str,
    package: Quantity,
    allowance: Quantity,
    lip: Quantity,
    face: Quantity,
    cut_tolerance_mm: float,
    joint_tolerance_mm: float,
) -> Fit:
    """Rabbet, sight and outside for one dimension (``axis`` is ``width`` or ``height``).

    ``worst hold`` is what the lip still covers when the package slides to the other side, taken from the
    rail that is really cut; ``hidden`` is the rim that the lip covers when the package is centred.
    """
    wanted = sheet.let(f"fit.rabbet_{axis}", f"rabbet {axis}, wanted", package + allowance, way="up")
    outside = sheet.cut(f"rail.{axis}", f"rail, outside {axis}", wanted + 2 * (face - lip), "up", cut_tolerance_mm)
    rabbet = sheet.made(f"frame.rabbet_{axis}", f"rabbet {axis}", outside - 2 * (face - lip), joint_tolerance_mm)
    sight = sheet.let(f"frame.sight_{axis}", f"sight {axis}", rabbet - 2 * lip)
    slack = rabbet - package
    worst = sheet.let(f"fit.worst_hold_{axis}", f"least hold on the {axis}, slid over", lip - slack, way="down")
    hidden = sheet.let(f"fit.hidden_{axis}", f"rim hidden on the {axis}, centred", lip - slack / 2)
    return Fit(rabbet, sight, outside, worst, hidden)
