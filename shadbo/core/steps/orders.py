"""What is sent out: sheets from measured sizes alone, a frame to be finished; with the day when it should be here."""

import datetime as dt

from shadbo.core.dataclass import dataclass
from shadbo.core.plan import Plan
from shadbo.core.steps.outside import by_machine, lead_days
from shadbo.core.steps.site import Site, site_of


@dataclass(frozen=True, slots=True)
class Ordered:
    """One line of an order, sizes in mm. ``sent`` and ``due`` are None until it has gone out, ``came`` until then.

    ``work`` is what is to be done. ``released``: it may go out, since its sizes were measured, or do not matter.
    """

    part: str
    count: int
    name: str
    kind: str
    work: str
    width_mm: float
    height_mm: float
    thick_mm: float
    lead_days: int
    released: bool
    sent: dt.datetime | None
    due: dt.datetime | None
    came: dt.datetime | None


def orders(plan: Plan) -> tuple[Ordered, ...]:
    """All that is done elsewhere."""
    site = site_of(plan)
    return tuple(_lines(site)) if site is not None else ()


def _measured(site: Site) -> bool:
    """Whether sizes are those of a frame that was measured, or of no frame that is made here."""
    made = site.made_frame
    if made is None or not site.sawn:
        return True
    return all(q.planned is not None for q in made.middle.both())


def _lines(site: Site) -> list[Ordered]:
    out, measured, machined = [], _measured(site), by_machine(site)
    job, a = site.job, site.assembly
    if job.finish and job.finish_days and site.sawn:
        sizes = a.outside_width.value, a.outside_height.value, a.depth.value
        out.append(_line(site, "finish", (1, "frame, joined", "frame", job.finish), sizes, job.finish_days, True))
    for part in a.parts:
        days = lead_days(site, part)
        if days is None or part.sheet is None or not part.to_cut or part.length is None or part.width is None:
            continue
        work = "openings by machine" if part in machined else "cut to size"
        sizes = part.length.value, part.width.value, part.sheet.thick_mm
        out.append(_line(site, part.id, (part.count, part.called, part.sheet.kind, work), sizes, days, measured))
    return out


def _line(
    site: Site,
    id_: str,
    what: tuple[int, str, str, str],
    sizes_mm: tuple[float, float, float],
    days: int,
    released: bool,
) -> Ordered:
    work, calendar = site.job.work, site.desk.shop.calendar
    sent, came = work.get(f"order.{id_}"), work.get(f"come.{id_}")
    gone = sent.ended if sent is not None else None
    due = calendar.after_working_days(gone, days) if gone is not None else None
    return Ordered(id_, *what, *sizes_mm, days, released, gone, due, came.ended if came is not None else None)
