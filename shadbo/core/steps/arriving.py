"""The piece comes in, what is on order is waited for, and the plan is read through once more."""

from collections.abc import Iterator

from shadbo.core.cutting.cut_list import set_words
from shadbo.core.displays.registry import others_of_set
from shadbo.core.pieces.pieces import Piece
from shadbo.core.plan import Plan
from shadbo.core.steps.site import DAY, Site
from shadbo.core.steps.step import Check, Made, Step, Thing
from shadbo.core.steps.times import minutes
from shadbo.core.words.words import both

WEEK_PER_WORKING_DAYS = 7 / 5
SETTLED = Thing("settled")


def named(piece: Piece) -> str:
    """What a piece is called."""
    return piece.name or piece.noun


def working_days(days: float) -> float:
    """Minutes that so many working days take on the calendar: five of them a week."""
    return days * WEEK_PER_WORKING_DAYS * DAY


def on_order(thing: Thing, days: float, why: str = "on order") -> Made:
    """What is sent for, and comes after so many working days."""
    return Made(thing, working_days(days), why, "it is not here yet", days)


def before_readings(plan: Plan) -> Iterator[Step]:
    """The steps of a job that is not measured yet: nothing can be planned beyond them."""
    yield _receive(plan)
    yield from _on_order(plan)
    n = len(plan.asks)
    yield Step(
        "measure",
        "receive",
        "Measure it",
        (Made(SETTLED),),
        tuple(Thing("here", p.id) for p in plan.desk.pieces),
        (both("front to you, top edge up; both ends and the middle"),),
        view="tape",
        stuff="piece",
        tools=("tape", "rule"),
        minutes=minutes("measure", each=n),
        stops=f"{n} reading{'s' if n > 1 else ''} to take, at the station Measure",
    )


def _receive(plan: Plan) -> Step:
    here = [p for p in plan.desk.pieces if p.comes_in_days is None]
    checks = [
        Check("condition", "Its condition is written down"),
        Check("photographed", "Photographed from the front and the back", pictured=True),
    ]
    return Step(
        "receive",
        "receive",
        "Take the piece in" if len(here) == 1 else "Take the pieces in",
        tuple(Made(Thing("here", p.id)) for p in here),
        how=(both("look it over with the owner: tears, dents, stains, loose parts"),),
        stuff="piece",
        minutes=minutes("receive"),
        papers=("ticket.pdf",),
        checks=tuple(checks),
    )


def arriving(site: Site) -> Iterator[Step]:
    """Receive, wait for what is on order, read the plan."""
    yield _receive(site.plan)
    yield from _on_order(site.plan)
    yield _read_plan(site)


def _on_order(plan: Plan) -> Iterator[Step]:
    """Pieces that are not here yet."""
    for piece in plan.desk.pieces:
        if piece.comes_in_days is None:
            continue
        ordered = Thing("ordered", piece.id)
        yield Step(
            f"order.{piece.id}",
            "receive",
            f"Order it: {named(piece)}",
            (on_order(ordered, piece.comes_in_days),),
            stuff="piece",
            minutes=minutes("order"),
            checks=(Check("sent", "The order has gone out"),),
        )
        yield Step(
            f"come.{piece.id}",
            "receive",
            f"It comes: {named(piece)}",
            (Made(Thing("here", piece.id)),),
            (ordered,),
            (both("measure it now: it was planned by what was ordered"),),
            view="tape",
            stuff="piece",
            minutes=minutes("receive"),
            checks=(Check("as-ordered", "It measures what was ordered"),),
        )


def _read_plan(site: Site) -> Step:
    stops = [f for f in site.plan.findings if f.severity == "stop"]
    system = site.desk.mark.system
    return Step(
        "plan",
        "receive",
        "Read the plan through before anything is cut",
        (Made(SETTLED),),
        tuple(Thing("here", p.id) for p in site.desk.pieces if p.comes_in_days is None),
        (
            both("hold a rule to the piece once more: every size that counts"),
            *((both(set_words(site.plan)),) if set_words(site.plan) else ()),
            *(both(f"{p.name or p.noun} has a frame, and a job, of its own") for p in others_of_set(site.desk.job)),
        ),
        view="edge",
        stuff="paper",
        minutes=site.took("read the plan"),
        papers=("work-sheet.pdf",),
        checks=(
            Check("agrees", "Sizes, moulding and colours are as agreed with the owner"),
            Check("measured-again", "The piece was measured once more, and agrees"),
        ),
        stops=f"to be settled first: {stops[0].title.pick(system)}" if stops else "",
    )
