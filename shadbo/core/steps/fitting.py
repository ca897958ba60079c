"""The package goes into the frame: cleaned, laid in, looked at from the front, fastened."""

from collections.abc import Iterator

from shadbo.core.build.assembly import Join
from shadbo.core.build.mounts import said
from shadbo.core.stations.closing import dust_minutes, two_people
from shadbo.core.steps import cautions
from shadbo.core.steps.framing import STANDS, UNCLAMPED
from shadbo.core.steps.mounting import in_the_frame, mounted
from shadbo.core.steps.site import Site
from shadbo.core.steps.step import Check, Fetched, Made, Step, Thing
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, drill_text

CLEAN, LAID, LOOKED = Thing("clean", "panes"), Thing("laid"), Thing("looked")
LIT = Thing("tried", "lamps")


def fitting(site: Site) -> Iterator[Step]:
    """From the clean pane to the last fixing."""
    a = site.assembly
    early, late = _joins(site)
    if site.glazed:
        yield _clean(site)
    before: tuple[Thing, ...] = (*_stands(site), *_clean_panes(site), *_parts(site))
    for join in early:
        behind = () if "glazing" in join.holds else mounted(site)
        yield _fixed(site, join, (*before, *behind))
        before = (Thing("fixed", join.id),)
    if site.lamps is not None:
        yield _lit(site, early)
    if site.framed and site.pegs is None:
        yield _laid(site, early)
    yield _looked(site)
    for join in late:
        yield _fixed(site, join, (LOOKED,))
    if not late and site.framed and site.pegs is None:
        yield Step(
            "fasten",
            "fit",
            "Close its back as it was: tabs, clips, screws",
            (Made(Thing("fixed", "back")),),
            (LOOKED,),
            (both(a.goes_in),),
            view="back",
            minutes=site.took("fix", each=8),
            cautions=(cautions.OLD_FRAME,),
            checks=(Check("count", "Every tab or screw that was there holds again"),),
        )


def fastened(site: Site) -> tuple[Thing, ...]:
    """What holds of it when nothing more is opened."""
    early, late = _joins(site)
    if late:
        return tuple(Thing("fixed", j.id) for j in (*early, *late))
    return (Thing("fixed", "back"),) if site.framed and site.pegs is None else (LOOKED,)


def _joins(site: Site) -> tuple[list[Join], list[Join]]:
    """Joins that fasten layers further in before the rest is laid on them, and those that close it: the rearmost."""
    fix = [j for j in site.assembly.joins if j.fixings and not j.part and "rail" in j.holds]
    if len(fix) < 2:
        return [], fix
    depth = {b.part: b.front_mm for b in site.assembly.bodies}
    behind = [max(depth.get(h, 0.0) for h in j.holds) for j in fix]
    last = max(behind)
    return (
        [j for j, d in zip(fix, behind, strict=True) if d < last - 1e-6],
        [j for j, d in zip(fix, behind, strict=True) if d >= last - 1e-6],
    )


def _stands(site: Site) -> tuple[Thing, ...]:
    return STANDS if site.framed and site.pegs is None else ()


def _clean_panes(site: Site) -> tuple[Thing, ...]:
    return (CLEAN,) if site.glazed else ()


def _parts(site: Site) -> tuple[Thing, ...]:
    """Everything that is cut to lie in the frame, with its openings."""
    parts = [p for p in site.sealed_in if not (site.pegs is not None and p.role == "strip")]
    windows = tuple(Thing("opened", p.id) for p in site.opened)
    return (*site.have(parts), *windows)


def _clean(site: Site) -> Step:
    acrylic = "acrylic" in site.panes
    coated = any(p.sheet is not None and p.sheet.coated for p in site.assembly.by_role("glazing"))
    panes = site.have(p for p in site.assembly.by_role("glazing") if p.to_cut)
    large = acrylic and site.assembly.long_side_mm > site.practice.acrylic_over_mm
    people = 2 if large and two_people(site.plan) else 1
    how = [both("both faces, edges too; no cleaner near mat or piece")]
    if acrylic or coated:
        how = [both("no ammonia on it; its film comes off last, and slowly")]
    return Step(
        "clean",
        "fit",
        "Clean both faces of the glazing",
        (Made(CLEAN, site.practice.pane_dry_min, "glass dries", "damp shuts itself in as mist on the inner face"),),
        (*panes, *_stands(site)),
        tuple(how),
        view="edge",
        lit=tuple(p.key for p in site.assembly.by_role("glazing")),
        stuff="glass",
        tools=("lint-free cloth", "cleaner"),
        minutes=dust_minutes(site.plan) if large else site.took("clean", square=site.square),
        people=people,
        cautions=(cautions.GLASS,) if panes and not acrylic else (),
        checks=(Check("inner", "Both inner faces are clean and dry, seen against the light"),),
    )


def _lit(site: Site, early: list[Join]) -> Step:
    p = site.practice
    lamps = [x for x in site.assembly.parts if x.role == "clip" and (x.to_cut or x.fetched)]
    return Step(
        "lamps",
        "fit",
        "Stick the lamps down, wire them, and let them burn",
        (Made(LIT, p.lamps_burn_min, "lamps burn for a trial", "a bad joint shows only when it is warm"),),
        (
            *_parts(site),
            *(t for t in site.have(x for x in lamps if x.to_cut)),
            *(Thing("fixed", j.id) for j in early),
        ),
        (both("the supply stays outside, its cable through the hole with a strain relief"),),
        view="edge",
        stuff="wood",
        tools=("wire stripper", "meter"),
        fetched=site.fetch(lamps),
        minutes=site.took("fix", each=20),
        cautions=(cautions.MAINS,),
        checks=(
            Check("even", "The light is even, with no dots that show"),
            Check("cool", "Nothing is warmer than the hand bears after the trial"),
        ),
    )


def _laid(site: Site, early: list[Join]) -> Step:
    a = site.assembly
    layers = [layer.name for layer in a.layers if layer.hatch != "air"]
    two = two_people(site.plan)
    return Step(
        "lay.in",
        "fit",
        _in_words(site),
        (Made(LAID),),
        (
            *_stands(site),
            *_parts(site),
            *mounted(site),
            *_clean_panes(site),
            *(Thing("fixed", j.id) for j in early),
            *((LIT,) if site.lamps is not None else ()),
        ),
        (
            both("front to back: " + ", ".join(dict.fromkeys(layers))),
            both("blow the dust out before each layer"),
            *(said(site.desk, line) for m in in_the_frame(site) for line in m.taken.mount.steps),
        ),
        view="edge",
        stuff="glass" if site.glazed else "piece",
        tools=("blower", "soft brush"),
        minutes=site.took("lay in", square=site.square),
        people=2 if two else 1,
        cautions=(cautions.LIFT,) if two else (),
        checks=(Check("play", "It lies without force, with its play all round"),),
    )


def _in_words(site: Site) -> str:
    """How it goes in, in one sentence."""
    if site.lamps is not None:
        return "Lay the layers on their steps"
    if site.assembly.see_through:
        return "Lay the piece between its panes, by the corner marks"
    if site.glazed:
        return "Lay the package into the frame"
    return "Set the canvas into its frame, even all round" if site.gaps is not None else "Lay it into the frame"


def _looked(site: Site) -> Step:
    a = site.assembly
    checks = [Check("top-up", "Its top is up")]
    if site.glazed:
        checks += [
            Check("inner-faces", "Both inner faces are clean: no dust, no thread, no hair"),
        ]
    if a.windows or a.margins is not None or a.shown:
        checks.append(Check("borders", "Borders and stripes are straight and even"))
    needs: tuple[Thing, ...] = (LAID,)
    if not site.framed:
        needs = mounted(site)
    elif site.pegs is not None:
        needs = (UNCLAMPED,)
    return Step(
        "look",
        "fit",
        "Look at it from the front before it is closed",
        (Made(LOOKED),),
        needs,
        (both("upright, from where it will be seen; light from the side"),),
        view="front",
        stuff="piece",
        minutes=site.took("look"),
        checks=tuple(checks),
    )


def _fixed(site: Site, join: Join, needs: tuple[Thing, ...]) -> Step:
    screws = join.diameter_mm > 0 and join.wood != ""
    how: list[Both] = [both(x) for x in join.operations]
    if screws:
        how.append(site.say("pilot holes of {}", drill_text(join.drill_mm)))
    how.append(both("two a side first; look once more from the front, then the rest"))
    size = site.say("{}", join.length) if join.length is not None else both("")
    count = len(join.fixings)
    marks = {f.along.key: f.along for f in join.fixings if f.along.kind == "cut"}
    return Step(
        f"fix.{join.id}",
        "fit",
        f"Fasten it: {count} {join.item}" if count else f"Fasten it: {join.item}",
        (Made(Thing("fixed", join.id)),),
        needs,
        tuple(how),
        view="back",
        lit=tuple(marks),
        sizes=tuple(marks.values()),
        tools=("drill", "screwdriver") if screws else ("point driver",),
        fetched=(Fetched(count, join.item, size),),
        minutes=site.took("fix", each=count),
        cautions=(cautions.DRILL,) if screws else (cautions.STAPLER,),
        checks=(Check("count", "As many as planned, none near a glass edge, none in the piece"),),
    )
