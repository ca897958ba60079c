"""The year indoors: what a sheet of acrylic leaves of its allowance, and what the lip still holds of it."""

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.sums.movement import SEASONS, SPECIES_AS, TANGENTIAL, growth_mm, moisture_percent, swelling_mm

AS_MADE = next(s for s in SEASONS if s[0] == "as made")


@dataclass(frozen=True, slots=True)
class Stop:
    """One stop of the year: air, moisture of the wood, and what is left beside the sheet and under the lip.

    ``left_mm`` is the allowance that the grown sheet leaves, ``hold_mm`` the least hold of the shrunk one,
    ``rail_mm`` the change of a rail's face across the grain against how it was made.
    """

    name: str
    celsius: float
    rh: float
    moisture: float
    left_mm: float
    hold_mm: float
    rail_mm: float


def seasons(desk: Desk, species: str) -> list[Stop]:
    """Seven stops from dry winter to damp summer; empty where nothing that moves decides a size.

    Reckoned from the size at 20 °C and 50 %, cut to the frame as it was made. Aids to judgement.
    """
    s = desk.sheet
    axes = [a for a in ("width", "height") if f"season.growth_{a}" in s and f"package.{a}" in s]
    if not axes:
        return []
    out = []
    wood = moisture_percent(AS_MADE[1], AS_MADE[2])
    rate = TANGENTIAL[SPECIES_AS.get(species, "eastern white pine")][1]
    for name, celsius, rh in SEASONS:
        left, hold = [], []
        for axis in axes:
            sheet = s[f"package.{axis}"].value
            grown = growth_mm(sheet, celsius - AS_MADE[1], rh - AS_MADE[2])
            slack = s[f"fit.rabbet_{axis}"].value - sheet - grown
            left.append(slack)
            hold.append(s["profile.lip"].value - slack - max(s[f"fit.bow_{axis}"].value, 0.0))
        moisture = moisture_percent(celsius, rh)
        rail = swelling_mm(s["profile.face"].value, rate, wood, moisture)
        out.append(Stop(name, celsius, rh, moisture, min(left), min(hold), rail))
    return out
