"""A frame whose dowels carry its object: the order in which that can be put together at all."""

from collections.abc import Iterator

from shadbo.core.steps import cautions
from shadbo.core.steps.framing import FINISHED, MEASURED, finishing, in_clamps, joined, measured, slotted, unclamped
from shadbo.core.steps.site import Site
from shadbo.core.steps.step import Check, Made, Step, Thing
from shadbo.core.words.words import both


def pegging(site: Site) -> Iterator[Step]:
    """Dowels before the glue: three rails, the object pushed on, and the last rail over its dowel."""
    if site.pegs is None:
        return
    pegs = [p for p in site.assembly.parts if p.role == "strip" and p.to_cut]
    three, on = Thing("three sides", "frame"), Thing("mounted", "pegs")
    marks = site.lines(("peg.rail_upright", "peg.rail_across", "peg.rail_deep", "peg.in_rail", "peg.in_object"))
    ready = tuple(Thing("ready", p.id) for p in site.desk.pieces)
    yield measured(site, site.have(site.sawn), dry=True)
    yield Step(
        "drill.rails",
        "frame",
        "Drill the rails for their dowels",
        (Made(Thing("marked", "rails")),),
        site.have(site.sawn),
        tuple(both(x) for join in site.assembly.joins if join.part for x in join.operations[:1]),
        view="holes",
        sizes=tuple(marks),
        tools=("drill", "stop", "template"),
        papers=("templates.pdf",),
        minutes=site.took("drill", each=len(pegs) * 2),
        cautions=(cautions.DRILL,),
        checks=(Check("scrap", "The dowel in hand fits a hole drilled in scrap"),),
    )
    yield Step(
        "cut.pegs",
        "frame",
        "Cut the dowels, and seat them in the rails",
        tuple(Made(t) for t in site.have(pegs)),
        (MEASURED, Thing("marked", "rails")),
        view="parts",
        lit=tuple(p.key for p in pegs),
        drawn=tuple(p.id for p in pegs),
        sizes=site.asked(pegs),
        tools=("fine saw", "rule"),
        fetched=site.fetch(pegs),
        minutes=site.took("cut strip", each=len(pegs)),
        cautions=(cautions.SAW,),
        checks=tuple(site.read(q) for q in site.asked(pegs) if q.key == "peg.length"),
    )
    yield Step(
        "drill.object",
        "mount",
        "Mark the object on the seated dowels, and drill it",
        (Made(Thing("marked", "object")),),
        (*site.have(pegs), *ready),
        (both("lay the object on the dowels; mark, drill with a stop, try"),),
        view="holes",
        sizes=tuple(site.lines(("peg.object_up", "peg.object_across", "peg.object_deep"))),
        stuff="piece",
        tools=("drill", "stop"),
        minutes=site.took("drill", each=2),
        cautions=(cautions.DRILL,),
        checks=(Check("slides", "The object slides onto both dowels without force"),),
    )
    yield from finishing(site, Thing("marked", "rails"))
    p = site.practice
    yield Step(
        "join.three",
        "frame",
        "Join three rails",
        (in_clamps(three, p.clamp_min),),
        (*slotted(site), *site.have(pegs), FINISHED, Thing("marked", "object")),
        (both("the fourth goes on last, over its dowel: lay it on dry as a spacer"),),
        view="front",
        tools=("wood glue", "clamps", "square"),
        minutes=site.took("join", metres=site.metres),
        checks=(Check("mitres", "No mitre stands open by more than a sheet of paper"),),
    )
    yield Step(
        "pegs.on",
        "mount",
        "Push the object onto its dowel",
        (Made(on),),
        (three, Thing("marked", "object")),
        view="front",
        stuff="piece",
        minutes=site.took("mount"),
        checks=(Check("level", "It stands level and at its height"),),
    )
    last = joined(site, (on,))
    yield Step(
        "join.last",
        last.stage,
        "Close the frame with the last rail, over its dowel",
        last.makes,
        (on,),
        (both("glue both mitres, clamp with padded jaws, nothing on the object"),),
        view="front",
        tools=last.tools,
        minutes=last.minutes,
        checks=last.checks,
    )
    yield unclamped(site)
