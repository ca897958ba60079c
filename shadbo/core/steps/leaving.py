"""The back is closed, the frame gets its hangers, everything is looked through, and it leaves the shop."""

from collections.abc import Iterator

from shadbo.core.decisions.edit import Edit
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.stations.closing import ASKED, two_people
from shadbo.core.steps import cautions
from shadbo.core.steps.fitting import fastened
from shadbo.core.steps.site import Site
from shadbo.core.steps.step import Check, Fetched, Made, Step, Thing
from shadbo.core.sums.hang import pilot_mm
from shadbo.core.words.words import Mm, both, drill_text

COVERED, HUNG, WIRED = Thing("covered"), Thing("hung", "hangers"), Thing("hung", "wire")
LABELLED, CHECKED, PICTURED, PACKED = Thing("labelled"), Thing("checked"), Thing("pictured"), Thing("packed")
GONE = Thing("gone")
HAND_OVER = "hand.over"
REASON_AT = f"work/{HAND_OVER}/note"
"""Where the reason stands for which a job is opened again."""
REOPENING = tuple(Edit(at=at) for at in ("handed_over", f"work/{HAND_OVER}/ended", f"work/{HAND_OVER}/taken_by"))
"""Edits that open a job again, with its reason beside them."""


def leaving(site: Site) -> Iterator[Step]:
    """Cover, hangers, label, closing list, photograph, packing, handing over."""
    after = fastened(site)
    covers = [p for p in site.assembly.by_role("cover") if p.to_cut]
    if covers:
        yield Step(
            "cover",
            "close",
            f"Close the back: {covers[0].called}",
            (*(Made(t) for t in site.have(covers)), Made(COVERED)),
            after,
            (
                site.say(
                    "cut with cloth to spare all round, trim {} inside the edge", Mm(site.practice.cover_inside_mm)
                ),
            ),
            view="back",
            lit=tuple(p.key for p in covers),
            sizes=site.asked(covers),
            stuff="paper",
            tools=("double-sided tape", "knife"),
            fetched=site.fetch(covers),
            minutes=site.took("cover", metres=site.metres),
            cautions=(cautions.KNIFE,),
            checks=(Check("sealed", "Tight as a drum, trimmed, sealed or vented as planned"),),
        )
        after = (COVERED,)
    hung = _hung(site, after)
    yield from hung
    done = tuple(m.thing for step in hung for m in step.makes) or after
    yield _labelled(site, done)
    yield _closing(site)
    yield Step(
        "picture",
        "close",
        "Photograph it as it leaves",
        (Made(PICTURED),),
        (CHECKED,),
        (both("front and back, its label too"),),
        view="front",
        stuff="piece",
        tools=("camera",),
        minutes=site.took("photograph"),
        checks=(Check("photographed", "The photographs are with the job", pictured=True),),
    )
    yield from _gone(site)


def _hung(site: Site, after: tuple[Thing, ...]) -> list[Step]:
    hang, a = site.hang, site.assembly
    steps = []
    if hang.hanger is not None:
        count = len(hang.places) or 1
        wood = a.back_rail.species if a.back_rail is not None else ""
        how = [both("pilot holes; no hammer near glass or piece")]
        if wood:
            drill = drill_text(pilot_mm(hang.hanger.screw_diameter_mm, wood))
            how = [site.say("pilot holes of {}; no hammer near glass or piece", drill)]
        marks: list[Quantity] = [q for q in (hang.down, hang.inwards) if q.kind == "cut"]
        steps.append(
            Step(
                "hangers",
                "close",
                f"Screw on the hangers: {count} {hang.hanger.name}",
                (Made(HUNG),),
                after,
                tuple(how),
                view="back",
                lit=tuple(q.key for q in marks),
                sizes=tuple(marks),
                tools=("drill", "screwdriver"),
                fetched=(Fetched(count, hang.hanger.name, both("")),),
                minutes=site.took("hang", each=count),
                cautions=(cautions.DRILL,),
                checks=(
                    Check("alike", "They stand at one height, from the same edge")
                    if count > 1
                    else Check("alike", "It stands in the middle, and level"),
                ),
            )
        )
    if hang.wire is not None and hang.wire_length is not None:
        how = [site.say("wound back {}, its ends taped", Mm(site.practice.wire_wound_mm))]
        steps.append(
            Step(
                "wire",
                "close",
                f"String it: {hang.wire.name}",
                (Made(WIRED),),
                (HUNG,) if hang.hanger is not None else after,
                tuple(how),
                view="back",
                lit=tuple(q.key for q in (hang.rise,) if q is not None),
                sizes=tuple(q for q in (hang.wire_length, hang.rise) if q is not None),
                tools=("pliers",),
                fetched=(Fetched(1, hang.wire.name, site.say("{}", hang.wire_length)),),
                minutes=site.took("hang", each=1),
                checks=(Check("ends", "Its ends are wound and covered"), Check("rise", "It rises as far as planned")),
            )
        )
    return steps


def _labelled(site: Site, after: tuple[Thing, ...]) -> Step:
    bumpers = site.hang.bumper_mm > 0
    return Step(
        "label",
        "close",
        "Label and bumpers" if bumpers else "Label it",
        (Made(LABELLED),),
        after,
        (both("label at the bottom centre of the back: title, maker, date, materials"),),
        view="back",
        stuff="paper",
        fetched=(Fetched(2, "bumper", site.say("{}", Mm(site.hang.bumper_mm, "up"))),) if bumpers else (),
        minutes=site.took("label"),
        papers=("label.pdf",),
        checks=(
            Check("label", "Its label is filled in and sits at the bottom centre"),
            *((Check("bumpers", "A bumper sits at each lower corner"),) if bumpers else ()),
        ),
    )


def _closing(site: Site) -> Step:
    checks = [
        Check("tilt", "Tilted and turned, nothing is loose inside"),
        Check("clean", "Clean outside, no splinter"),
    ]
    checks += [
        Check(f"asked.{demand.replace(' ', '-')}", f"Asked for, and given: {ASKED[demand]}")
        for demand in site.job.hanging.demands
    ]
    return Step(
        "closing",
        "close",
        "Go through the closing list",
        (Made(CHECKED),),
        (LABELLED,),
        view="front",
        stuff="piece",
        minutes=site.took("look"),
        checks=tuple(checks),
    )


def _gone(site: Site) -> Iterator[Step]:
    two = two_people(site.plan)
    yield Step(
        "pack",
        "leave",
        "Pack it",
        (Made(PACKED),),
        (PICTURED,),
        (both("corners first, then wrapped; it stands and travels upright"),),
        view="front",
        stuff="paper",
        tools=("corner guards", "wrap"),
        minutes=site.took("pack", square=site.square),
        people=2 if two else 1,
        cautions=(cautions.LIFT,) if two else (),
        checks=(Check("with-it", "Care sheet, certificate and wall fixings are with it"),),
    )
    yield Step(
        HAND_OVER,
        "leave",
        "Hand it over",
        (Made(GONE),),
        (PACKED,),
        (site.say("for the wall: {} above the floor", site.hang.hook_marked(site.desk.mark)),),
        view="back",
        stuff="piece",
        minutes=site.took("label"),
        people=2 if two else 1,
        closes=True,
        ends_with=(Edit(at="handed_over", to="today"),),
        papers=("care.pdf", "certificate.pdf"),
        cautions=(cautions.WALL,),
        checks=(
            Check("shown", "Shown to its owner, and as agreed"),
            Check("taken-by", "Taken by, in their own name", signed=True),
        ),
    )
