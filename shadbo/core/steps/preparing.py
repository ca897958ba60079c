"""Each piece is made ready for its mount: stretched, flattened, turned, pressed, or only looked over."""

from collections.abc import Iterator
from itertools import groupby

from shadbo.core.pieces.objects import Flag, Garment
from shadbo.core.pieces.pieces import LooseCanvas, Needlework, Piece, PressedPlant
from shadbo.core.stations.prepare import handling, made_ready
from shadbo.core.steps import cautions
from shadbo.core.steps.arriving import SETTLED, named, on_order
from shadbo.core.steps.site import DAY, Site
from shadbo.core.steps.step import Check, Made, Step, Thing
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both

CANVAS = ("canvas.width", "canvas.height", "canvas.depth")
STRETCHED = Thing("measured", "canvas")

GLUED = "glue in clamps"


def preparing(site: Site) -> Iterator[Step]:
    """Canvases that are stretched, cloth that is flattened, and all others looked over, alike ones together."""
    plain = []
    for piece in site.desk.pieces:
        if isinstance(piece.detail, LooseCanvas) and site.stretching is not None:
            yield from _stretched(site, piece)
        elif isinstance(piece.detail, Garment | Flag | Needlework):
            yield from _flattened(site, piece)
        elif isinstance(piece.detail, PressedPlant):
            yield _pressed(site, piece)
        else:
            plain.append((_how(site, piece), piece))
    for how, pieces in groupby(sorted(plain, key=lambda x: str(x[0])), key=lambda x: x[0]):
        yield _plain(site, how, [p for _, p in pieces])


def _how(site: Site, piece: Piece) -> tuple[Both, ...]:
    """What is done to it, in lines."""
    lines = []
    for label, what, note in (*made_ready(site.desk, piece), handling(piece)):
        said, more = (both(x) if isinstance(x, str) else x for x in (what, note))
        tail = Both(f"; {more.mm}" if more.mm else "", f"; {more.inch}" if more.inch else "")
        lines.append(Both(f"{label}: {said.mm}{tail.mm}", f"{label}: {said.inch}{tail.inch}"))
    return tuple(lines)


def _area(piece: Piece) -> float:
    """Square metres of it, roughly: of its first two sizes."""
    sizes = [getattr(piece.detail, f, None) for f in ("width", "height", "width_top", "height_left", "face_width")]
    found = [r.mm / 1000 for r in sizes if r is not None]
    return found[0] * found[1] if len(found) > 1 else 0.1


def _plain(site: Site, how: tuple[Both, ...], pieces: list[Piece]) -> Step:
    names = ", ".join(dict.fromkeys(named(p) for p in pieces))
    return Step(
        f"ready.{pieces[0].id}",
        "prepare",
        f"Make ready: {names}",
        tuple(Made(Thing("ready", p.id)) for p in pieces),
        tuple(Thing("here", p.id) for p in pieces),
        how,
        stuff="piece",
        minutes=site.took("make ready", square=sum(_area(p) for p in pieces)),
        checks=(Check("handled", "Clean hands, a clean cover under it"),),
    )


def _pressed(site: Site, piece: Piece) -> Step:
    assert isinstance(piece.detail, PressedPlant)
    days = piece.detail.days_pressed or 0
    left = max(site.practice.press_days - days, 0.0)
    return Step(
        f"press.{piece.id}",
        "prepare",
        f"Look whether it is dry: {named(piece)}",
        (Made(Thing("ready", piece.id), left * DAY, "in the press", "a plant that is not dry mists its panes"),),
        (Thing("here", piece.id),),
        _how(site, piece),
        stuff="piece",
        tools=("press", "blotters"),
        minutes=site.took("make ready", square=_area(piece)),
        checks=(Check("stiff", "Its thickest part is stiff and cold no longer"),),
    )


def _flattened(site: Site, piece: Piece) -> Iterator[Step]:
    """A dye test before water, then steam or mist by what it bears; else flat under weight."""
    p, here, facts = site.practice, Thing("here", piece.id), piece.told
    ready = Thing("ready", piece.id)
    steam, mist = facts["may_be_steamed"], facts["may_be_wetted"]
    if not (steam or mist):
        yield Step(
            f"flatten.{piece.id}",
            "prepare",
            f"Lay it flat: {named(piece)}",
            (Made(ready),),
            (here,),
            _how(site, piece),
            stuff="piece",
            minutes=site.took("make ready", square=_area(piece)),
            checks=(Check("flat", "It lies flat, threads and dust are off"),),
        )
        return
    tested = Thing("tried", f"dye.{piece.id}")
    early = "a dye that runs shows only when the thread has dried"
    yield Step(
        f"dye.{piece.id}",
        "prepare",
        f"Test its dye on a hidden thread: {named(piece)}",
        (Made(tested, p.dye_test_min, "dye test", early),),
        (here,),
        (both("a damp white cloth held on a thread of each colour"),),
        stuff="piece",
        tools=("white cloth", "water"),
        minutes=site.took("make ready"),
        checks=(Check("dry-cloth", "Nothing has come off onto the cloth"),),
    )
    yield Step(
        f"flatten.{piece.id}",
        "prepare",
        f"{'Steam' if steam else 'Mist'} it flat: {named(piece)}",
        (Made(ready, 0.0 if steam else p.mist_min, "" if steam else "mist dries", "damp cloth creases again"),),
        (tested,),
        _how(site, piece),
        stuff="piece",
        tools=("steamer", "clean cloth") if steam else ("sprayer with alcohol", "clean cloth"),
        minutes=site.took("steam", square=_area(piece)),
        cautions=(cautions.STEAM if steam else cautions.MIST,),
        checks=(Check("flat", "It lies flat, threads and dust are off"),),
    )


def _stretched(site: Site, piece: Piece) -> Iterator[Step]:
    """Bars cut and joined, cloth cut, stretched by the staples' numbers, then measured as it came out."""
    bars = [p for p in site.assembly.parts if p.role in ("bar", "brace") and p.to_cut]
    here, frame, cut = Thing("here", piece.id), Thing("joined", "bars"), Thing("part", "cloth")
    sheet = site.desk.sheet
    yield Step(
        "cut.bars",
        "prepare",
        "Cut the stretcher bars",
        tuple(Made(t) for t in site.have(bars)),
        (SETTLED,),
        (both("opposite bars against one stop, so that they are equal"),),
        view="parts",
        lit=tuple(p.key for p in bars),
        drawn=tuple(p.id for p in bars),
        sizes=site.asked(bars),
        tools=("mitre saw", "rule"),
        fetched=site.fetch(bars),
        minutes=site.took("saw", each=2 * len(bars)),
        cautions=(cautions.SAW,),
        checks=tuple(site.read(q) for q in site.asked(bars)),
    )
    yield Step(
        "join.bars",
        "prepare",
        "Join the bars, and square them",
        (
            Made(
                frame,
                site.practice.clamp_min,
                GLUED,
                "the corners open when the cloth pulls",
                clamped=True,
            ),
        ),
        site.have(bars),
        (both("measure both diagonals before it is pinned"),),
        view="stretch",
        tools=("clamps", "square"),
        minutes=site.took("join"),
        checks=(Check("diagonals", "Both diagonals of the bars are alike"),),
    )
    cloth = tuple(site.lines(("stretch.cloth_width", "stretch.cloth_height")))
    printed = tuple(_printed(site)) if isinstance(piece.detail, LooseCanvas) and piece.detail.printed else ()
    yield from printed
    yield Step(
        "cut.cloth",
        "prepare",
        "Cut the cloth",
        (Made(cut),),
        (SETTLED, here, *(m.thing for step in printed for m in step.makes)),
        (both("along a thread; what is painted is not cut"),),
        view="stretch",
        sizes=cloth,
        stuff="paper",
        tools=("scissors", "rule"),
        minutes=site.took("cut cloth"),
        cautions=(cautions.KNIFE,),
        checks=(Check("threads", "Cut along its threads, with cloth for the pliers on all sides"),),
    )
    staples = int(sheet["stretch.staples"].value) if "stretch.staples" in sheet else 0
    yield Step(
        "stretch",
        "prepare",
        "Stretch it by the numbers of the staples",
        (Made(Thing("joined", "canvas")),),
        (frame, cut),
        (
            both("the four middles first, pulling; then outwards in opposite pairs, corners last"),
            site.say("{} staples", staples),
            both("tape over the cut cloth, then the keys, tapped in lightly"),
        ),
        view="stretch",
        stuff="piece",
        tools=("canvas pliers", "stapler"),
        minutes=site.took("stretch", each=staples),
        cautions=(cautions.STAPLER,),
        checks=(
            Check("drum", "It sounds like a drum, with no pull at the corners"),
            Check("threads-straight", "Its threads run straight along the bars"),
        ),
    )
    made = [q for q in site.lines(CANVAS) if q.kind == "made"]
    yield Step(
        "measure.canvas",
        "prepare",
        "Measure the canvas as it came out",
        (Made(Thing("ready", piece.id)), Made(STRETCHED)),
        (Thing("joined", "canvas"),),
        (both("over the folds: the frame is cut to what you read now"),),
        view="tape",
        lit=tuple(q.key for q in made),
        stuff="piece",
        tools=("rule", "caliper"),
        minutes=site.took("measure", each=len(made)),
        checks=tuple(site.read(q, beyond="the frame follows it") for q in made),
    )


def _printed(site: Site) -> Iterator[Step]:
    """A print that is still to be made: its file goes out, and the cloth comes back."""
    file = tuple(site.lines(("stretch.file_width", "stretch.file_height")))
    days = site.practice.order_days
    yield Step(
        "order.print",
        "prepare",
        "Send the file out to be printed",
        (on_order(Thing("ordered", "print"), days, "at the printer's"),),
        (SETTLED,),
        (
            both("the file holds the edges too: the printer neither crops nor scales it"),
            site.say("comes in about {} working days", f"{days:g}"),
        ),
        view="stretch",
        sizes=file,
        stuff="paper",
        minutes=site.took("order"),
        checks=(Check("sent", "The file has gone out, with its size in writing"),),
    )


def needs_stretching(site: Site) -> bool:
    """Whether its canvas is stretched here, so that the frame is cut to what comes out."""
    return site.stretching is not None and any(isinstance(p.detail, LooseCanvas) for p in site.desk.pieces)
