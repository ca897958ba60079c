"""What is ordered cut to size: from measured sizes alone, with the day when it should be here."""

import datetime as dt
from dataclasses import dataclass

from shadbo.core.plan import Plan
from shadbo.core.steps.site import Site, site_of


@dataclass(frozen=True, slots=True)
class Ordered:
    """One line of an order, sizes in mm. ``sent`` and ``due`` are None until it has gone out, ``came`` until then."""

    part: str
    count: int
    name: str
    kind: str
    width_mm: float
    height_mm: float
    thick_mm: float
    lead_days: int
    sent: dt.datetime | None
    due: dt.datetime | None
    came: dt.datetime | None


def orders(plan: Plan) -> tuple[Ordered, ...]:
    """Every sheet that is cut elsewhere."""
    site = site_of(plan)
    return tuple(_lines(site)) if site is not None else ()


def released(plan: Plan) -> bool:
    """Whether its sizes are those of a frame that was measured, or of no frame that is made here."""
    site = site_of(plan)
    if site is None:
        return False
    made = site.made_frame
    if made is None or not site.sawn:
        return True
    return all(q.planned is not None for q in made.middle.both())


def _lines(site: Site) -> list[Ordered]:
    out, calendar = [], site.desk.shop.calendar
    for part in site.assembly.parts:
        sheet = part.sheet
        if sheet is None or sheet.lead_days is None or not part.to_cut:
            continue
        if part.length is None or part.width is None:
            continue
        sent = site.job.work.get(f"order.{part.id}")
        came = site.job.work.get(f"come.{part.id}")
        gone = sent.ended if sent is not None else None
        due = calendar.after_working_days(gone, sheet.lead_days) if gone is not None else None
        out.append(
            Ordered(
                part.id,
                part.count,
                part.called,
                sheet.kind,
                part.length.value,
                part.width.value,
                sheet.thick_mm,
                sheet.lead_days,
                gone,
                due,
                came.ended if came is not None else None,
            )
        )
    return out
