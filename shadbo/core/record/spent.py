"""Minutes of a job and what they cost, by whom; materials and the price that was agreed beside them."""

from collections.abc import Mapping, Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.plan import Plan
from shadbo.core.schedule.said import lasts


@dataclass(frozen=True, slots=True)
class By:
    """Minutes of one who worked at it."""

    name: str
    minutes: float
    said: str


@dataclass(frozen=True, slots=True)
class Said:
    """A line of hours or money in words."""

    label: str
    value: str


@dataclass(frozen=True, slots=True)
class Spent:
    """Minutes of work and what they cost: planned, taken; by whom. Costs are None where nobody's rate is known."""

    planned_min: float
    took_min: float
    by: tuple[By, ...]
    cost: float | None
    said: tuple[Said, ...]


def spent(plan: Plan, doings: Sequence[tuple[str, float | None, float]], rates: Mapping[str, float]) -> Spent:
    """Of steps that were done: by whom, the minutes taken (None where nobody knows), the minutes planned."""
    by: dict[str, float] = {}
    for who, minutes, usual in doings:
        by[who] = by.get(who, 0.0) + (minutes if minutes is not None else usual)
    known = {name: minutes for name, minutes in by.items() if name in rates}
    cost = sum(minutes / 60 * rates[name] for name, minutes in known.items()) if known else None
    took, planned = sum(by.values()), sum(usual for _, _, usual in doings)
    price, agreed = plan.desk.sheet.get("price.materials"), plan.desk.job.agreed
    money = (
        ("work, by their rates", cost),
        ("materials, as planned", price.value if price is not None else None),
        ("agreed with the owner", agreed),
    )
    said = [Said("taken, planned", f"{lasts(took)}, {lasts(planned)}")]
    said += [Said(label, f"{plan.desk.shop.currency} {x:.2f}") for label, x in money if x is not None]
    each = tuple(By(name or "nobody named", round(m, 1), lasts(m)) for name, m in sorted(by.items()))
    return Spent(round(planned, 1), round(took, 1), each, round(cost, 2) if cost is not None else None, tuple(said))
