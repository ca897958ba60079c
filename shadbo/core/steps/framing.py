"""The frame: cut, joined, finished and measured; or one that exists, looked over."""

from collections.abc import Iterator

from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import MilledProfile
from shadbo.core.shop.materials import PlainStock
from shadbo.core.steps import cautions
from shadbo.core.steps.arriving import SETTLED
from shadbo.core.steps.outside import finished_elsewhere
from shadbo.core.steps.preparing import GLUED, STRETCHED, needs_stretching
from shadbo.core.steps.site import HOUR, Site
from shadbo.core.steps.step import Check, Fetched, Made, Step, Thing
from shadbo.core.sums.order import END_TRIM_MM
from shadbo.core.words.words import both

KERFS_MM = 40.0
"""How far off a left-over may be before it is read again: some cuts more, an end trimmed farther."""

SLOTTED, JOINED, UNCLAMPED = Thing("slotted"), Thing("joined", "frame"), Thing("unclamped", "frame")
STRONG, FINISHED, MEASURED = Thing("strong", "frame"), Thing("finished", "frame"), Thing("measured", "frame")
STANDS = (STRONG, FINISHED, MEASURED)
"""What holds of a frame before anything goes into it."""
BEYOND = "glazing, mats and boards follow what was read"


def framing(site: Site) -> Iterator[Step]:
    """All steps of the frame, by what it is made of; nothing where there is none."""
    if not site.framed:
        return
    if not site.sawn:
        yield _existing(site)
        return
    yield from _cut(site)
    if site.pegs is not None:
        return
    yield joined(site, slotted(site))
    yield unclamped(site)
    yield from finishing(site, UNCLAMPED)
    yield measured(site, (UNCLAMPED, FINISHED))


def _existing(site: Site) -> Step:
    """A frame that exists, was bought, or is an old sash: its sizes are on the plan already."""
    made = site.made_frame
    rails = site.assembly.by_role("rail")
    checks = [Check("sound", "Its corners are sound, and nothing is loose"), Check("clear", "Its rabbet is clear")]
    if site.job.own_frame is None and made is not None:
        checks += [site.read(q, beyond=BEYOND) for q in made.read]
    return Step(
        "frame.check",
        "frame",
        f"Look the frame over: {rails[0].called}",
        tuple(Made(t) for t in (JOINED, *STANDS)),
        (SETTLED,),
        (both("take out what was in it; keep its glass if it is whole"),),
        view="back",
        tools=("tape", "rule"),
        fetched=site.fetch(p for p in rails if p.fetched),
        minutes=site.took("measure", each=1),
        cautions=(cautions.OLD_FRAME,),
        checks=tuple(checks),
    )


def _cut(site: Site) -> Iterator[Step]:
    """Milled or ripped where the stock asks for it, cut, and made ready for what its corners take."""
    needs = (SETTLED, *((STRETCHED,) if needs_stretching(site) else ()))
    milled = isinstance(site.assembly.moulding, MilledProfile)
    if milled or site.steps is not None:
        wanted = site.lines(("rail.ripped",))
        yield Step(
            "mill",
            "frame",
            "Mill the rabbet into the stock" if milled else "Rip the boards, and mill their steps",
            (Made(Thing("part", "stock")),),
            needs,
            (
                both("several shallow passes; try the stock's orientation on scrap first"),
                both("all rails with one setting, one spare rail and a test piece among them"),
            ),
            view="edge",
            sizes=tuple(wanted),
            tools=("router table", "test piece"),
            minutes=site.took("mill", metres=site.metres),
            cautions=(cautions.ROUTER,),
            checks=(Check("fits", "A layer of the package lies in the test piece's rabbet"),),
        )
        needs = (Thing("part", "stock"),)
    rails = site.sawn
    yield Step(
        "cut.rails",
        "frame",
        "Cut the rails",
        tuple(Made(t) for t in site.have(rails)),
        needs,
        (
            both("opposite rails against one stop, so that they are equal"),
            both("long point to long point; the two mitres of a rail lean opposite ways"),
        ),
        view="parts",
        lit=tuple(p.key for p in rails),
        drawn=tuple(p.id for p in rails),
        sizes=site.asked(rails),
        tools=("mitre saw", "stop", "tape"),
        fetched=site.fetch(rails),
        minutes=site.took("saw", metres=site.metres, each=4),
        cautions=(cautions.SAW,),
        checks=(
            *(site.read(q, beyond="what is not cut yet follows it") for q in site.asked(rails)),
            Check("equal", "Opposite rails are equal, laid side by side"),
            *left_of_stick(site),
        ),
    )
    joint = site.assembly.joint
    if joint is not None and joint.pieces:
        yield Step(
            "slot",
            "frame",
            f"Make the corners ready: {joint.kind}",
            (Made(SLOTTED),),
            site.have(rails),
            (both("left and right ends are marked apart; try one corner dry"),),
            view="parts",
            tools=("slot cutter", "drill"),
            fetched=tuple(Fetched(4 * x.each, x.name, both("")) for x in joint.pieces),
            minutes=site.took("slot", each=4),
            cautions=(cautions.ROUTER,),
            checks=(Check("dry", "One corner closes dry, flush at the face"),),
        )


def slotted(site: Site) -> tuple[Thing, ...]:
    """Rails ready for the glue."""
    joint = site.assembly.joint
    return (*site.have(site.sawn), *((SLOTTED,) if joint is not None and joint.pieces else ()))


def in_clamps(thing: Thing, minutes: float) -> Made:
    """What is glued, and a set of clamps on it."""
    return Made(thing, minutes, GLUED, "a corner opens when the clamp comes off too soon", clamped=True)


def joined(site: Site, needs: tuple[Thing, ...]) -> Step:
    """Glue in four corners, its clamping and its hardening."""
    p = site.practice
    return Step(
        "join",
        "frame",
        "Join the frame",
        (
            in_clamps(JOINED, p.clamp_min),
            Made(STRONG, p.glue_load_h * HOUR, "glue hardens", "the glue does not bear a load yet"),
        ),
        needs,
        (
            both("lay it dry first; wet or size open grain"),
            both("glue, clamp, and wipe off what comes out inside the rabbet"),
        ),
        view="front",
        lit=tuple(x.key for x in site.sawn),
        drawn=tuple(x.id for x in site.sawn),
        tools=("wood glue", "clamps", "square"),
        minutes=site.took("join", metres=site.metres),
        checks=(Check("mitres", "No mitre stands open by more than a sheet of paper"),),
    )


def unclamped(site: Site) -> Step:
    """Out of the clamps, and square."""
    return Step(
        "unclamp",
        "frame",
        "Take it out of the clamps",
        (Made(UNCLAMPED),),
        (JOINED,),
        view="frame",
        tools=("tape",),
        minutes=site.took("look"),
        checks=(
            Check("diagonals", "Both diagonals are alike"),
            Check("flat", "It lies flat: no corner rocks"),
        ),
    )


LEFT = "left-of-stick"


def left_of_stick(site: Site) -> Iterator[Check]:
    """For the book: what is left of a stick tells what the saw takes; not of square-edged stock, which is turned."""
    moulding, stick = site.assembly.moulding, site.desk.sheet.get("rail.stick")
    if stick is None or moulding is None or isinstance(moulding, MilledProfile | PlainStock):
        return
    left_mm = moulding.stick_mm - stick.value
    if left_mm > END_TRIM_MM and site.steps is None:
        left = site.desk.sheet.decide("left of a stick", left_mm, MM)
        yield Check(LEFT, "For the book, if all came from one new stick: left of it", left, KERFS_MM, book=True)


def finishing(site: Site, needs: Thing) -> Iterator[Step]:
    """Its finish in coats where the job names one, here or elsewhere; else it comes finished."""
    if site.job.finish and site.job.finish_days:
        yield from finished_elsewhere(site, needs, FINISHED)
    else:
        yield _finished(site, needs)


def _finished(site: Site, needs: Thing) -> Step:
    p, finish = site.practice, site.job.finish
    hours = (p.coats - 1) * p.coat_h + p.coats_dry_h
    wait = Made(FINISHED, hours * HOUR if finish else 0.0, "finish dries", "paint that is soft prints and sticks")
    return Step(
        "finish",
        "frame",
        f"Finish it: {finish}" if finish else "Fill and touch up the corners",
        (wait,),
        (needs,),
        (
            (
                site.say("{} coats, {} h between them", p.coats, f"{p.coat_h:g}"),
                both("outer edges are eased now, a chamfer adds to the sight and not to the lip"),
            )
            if finish
            else (both("rub filler into the mitres, wipe across them, touch up"),)
        ),
        view="front",
        tools=("brush", "fine paper") if finish else ("filler", "touch-up"),
        minutes=site.took("finish", metres=site.metres * (p.coats if finish else 0)),
        cautions=(cautions.SOLVENT,) if finish else (),
        checks=(Check("even", "Even all round, seen along the light"),),
    )


def measured(site: Site, needs: tuple[Thing, ...], dry: bool = False) -> Step:
    """The inside that was really made; ``dry``: of rails that are not glued yet."""
    made = site.made_frame
    read = made.read if made is not None else ()
    where = "between the pegs' rails, laid dry" if dry else "inside, behind the lip"
    return Step(
        "measure.frame",
        "frame",
        f"Measure the frame {where}",
        (Made(MEASURED),),
        needs,
        (
            both("both ends and the middle, in both directions, after the finish"),
            both("what goes into it is cut and ordered to what you read now"),
        ),
        view="frame",
        lit=tuple(q.key for q in read),
        tools=("tape", "caliper"),
        minutes=site.took("measure", each=len(read)),
        checks=tuple(site.read(q, beyond=BEYOND, wanted=made.by_its_rails(q)) for q in read) if made else (),
    )
