"""Work that is sent out: sheets cut to size, boards and mats cut by machine with their openings, a finish."""

from collections.abc import Iterator

from shadbo.core.build.assembly import Part
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.steps import cautions
from shadbo.core.steps.arriving import on_order
from shadbo.core.steps.site import Site
from shadbo.core.steps.step import Check, Made, Step, Thing
from shadbo.core.words.words import both

ORDERED_WITHIN_MM = 0.5
"""How far off its order a pane that was cut elsewhere may be: common practice, no source."""


def by_machine(site: Site) -> list[Part]:
    """Sheets with openings, where the job has those cut by a machine elsewhere."""
    return site.opened if site.job.machine_days else []


def lead_days(site: Site, part: Part) -> int | None:
    """Working days that a part takes which is cut elsewhere; None where it is cut here."""
    own = part.sheet.lead_days if part.sheet is not None else None
    days = site.job.machine_days if part in by_machine(site) else None
    return max((d for d in (own, days) if d is not None), default=None)


def ordered(site: Site, part: Part, after: tuple[Thing, ...]) -> Iterator[Step]:
    """Sent from measured sizes, waited for, and read against the order when it comes."""
    days, machine = lead_days(site, part) or 0, part in by_machine(site)
    gone = Thing("ordered", part.id)
    sizes = site.asked([part])
    openings = [w for w in site.assembly.windows if w.sheet == part.id and not w.stays] if machine else []
    windows = {q.key: q for w in openings for q in w.sizes if q.kind == "cut"}
    glazing = part.sheet is not None and part.sheet.glazing
    yield Step(
        f"order.{part.id}",
        "boards",
        f"Order it cut {'by machine, with its openings' if machine else 'to size'}: {part.called}",
        (on_order(gone, days),),
        after,
        (
            both("its sizes are those of the frame that was measured"),
            *((both("send the cutting file with it; say which face is the front"),) if machine else ()),
            site.say("comes in about {} working days", days),
        ),
        view="parts",
        lit=(part.key,),
        drawn=(part.id,),
        sizes=(*sizes, *windows.values()),
        stuff="paper",
        fetched=site.fetch([part]),
        minutes=site.took("order"),
        papers=("order.pdf", "cut.dxf") if machine else ("order.pdf",),
        checks=(Check("sent", "The order has gone out, with both sizes and the kind"),),
    )
    makes = [Thing("part", part.id), *([Thing("opened", part.id)] if machine else [])]
    yield Step(
        f"come.{part.id}",
        "boards",
        f"It comes: {part.called}",
        tuple(map(Made, makes)),
        (gone,),
        (both("read both sizes before it is unwrapped, and look at its edges"),),
        view="front" if machine else "parts",
        lit=(part.key, *(w.key for w in openings if w.key)),
        drawn=(part.id,),
        stuff="glass" if glazing else "paper",
        tools=("tape",),
        fetched=site.fetch([part]),
        minutes=site.took("measure"),
        cautions=(cautions.GLASS,) if glazing else (),
        checks=(*(_as_ordered(site, q) for q in (*sizes, *windows.values())), _whole(machine)),
    )


def _as_ordered(site: Site, q: Quantity) -> Check:
    label = q.label or q.key
    within = max(ORDERED_WITHIN_MM, site.desk.mark.mm / 2)
    return Check(
        f"came.{q.key}", f"{label}, as it came", q, within, beyond="it goes back: it is not what was ordered"
    )


def _whole(machine: bool) -> Check:
    if machine:
        return Check("whole", "Clean corners, no burr or scorch, the right face to the front")
    return Check("whole", "No chip, no scratch, the right kind")


def finished_elsewhere(site: Site, needs: Thing, finished: Thing) -> Iterator[Step]:
    """The joined frame goes out to be sprayed or finished, and comes back hard."""
    days, gone = site.job.finish_days or 0, Thing("ordered", "finish")
    yield Step(
        "order.finish",
        "frame",
        f"Send it out to be finished: {site.job.finish}",
        (on_order(gone, days, "being finished"),),
        (needs,),
        (
            both("corners filled and eased before it goes; a sample of the colour goes with it"),
            site.say("comes back in about {} working days", days),
        ),
        view="front",
        tools=("filler", "fine paper"),
        minutes=site.took("order"),
        papers=("order.pdf",),
        checks=(Check("sent", "It has gone out, with the finish written on the order"),),
    )
    yield Step(
        "come.finish",
        "frame",
        "It comes back finished",
        (Made(finished),),
        (gone,),
        (both("smell it and press a nail into the back: what is soft goes back, or waits"),),
        view="front",
        tools=("lamp",),
        minutes=site.took("look"),
        checks=(
            Check("even", "Even all round, seen along the light"),
            Check("hard", "It is hard, and smells of nothing"),
            Check("as-sample", "Its colour and gloss are those of the sample"),
        ),
    )
