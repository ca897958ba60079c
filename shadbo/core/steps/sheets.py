"""What goes into the frame: panes and boards, cut here or ordered, mats with their windows, strips."""

from collections.abc import Iterator

from shadbo.core.build.assembly import Part
from shadbo.core.steps import cautions
from shadbo.core.steps.arriving import SETTLED
from shadbo.core.steps.framing import MEASURED
from shadbo.core.steps.outside import by_machine, lead_days, ordered
from shadbo.core.steps.preparing import STRETCHED, needs_stretching
from shadbo.core.steps.site import Site
from shadbo.core.steps.step import Check, Made, Step, Stuff, Thing
from shadbo.core.steps.times import WorkKind
from shadbo.core.words.words import both

MATS = ("mat", "mat_inner")


def sheets(site: Site) -> Iterator[Step]:
    """Panes first, since what is ordered comes late; then mats, boards, strips."""
    wood = {p.id for p in site.assembly.parts if p.role in ("rail", "bar", "brace", "cover")}
    pegs = site.pegs is not None
    parts = [p for p in site.assembly.parts if p.to_cut and p.id not in wood and not (pegs and p.role == "strip")]
    after = _after(site)
    elsewhere = [p for p in parts if lead_days(site, p) is not None]
    read: set[str] = set()
    for part in elsewhere:
        yield from ordered(site, part, after)
    for group, says, stuff in _groups([p for p in parts if p not in elsewhere]):
        yield _cut(site, group, says, stuff, after, read)
    machined = by_machine(site)
    for part in site.opened:
        if part not in machined:
            yield _opened(site, part, read)


def _after(site: Site) -> tuple[Thing, ...]:
    """What must be known before any of it is cut."""
    if site.framed:
        return (MEASURED,)
    return (SETTLED, *((STRETCHED,) if needs_stretching(site) else ()))


def _groups(parts: list[Part]) -> Iterator[tuple[list[Part], str, Stuff]]:
    """Parts that are cut in one go at one table."""
    glass = [p for p in parts if p.sheet is not None and p.sheet.glazing]
    mats = [p for p in parts if p.role == "mat"]
    boards = [p for p in parts if p.sheet is not None and p not in glass and p not in mats]
    strips = [p for p in parts if p.sheet is None and p.role != "mat"]
    yield from ((g, says, stuff) for g, says, stuff in _named(glass, mats, boards, strips) if g)


def _named(
    glass: list[Part], mats: list[Part], boards: list[Part], strips: list[Part]
) -> tuple[tuple[list[Part], str, Stuff], ...]:
    return (
        (glass, "Cut the glazing" if len(glass) == 1 else "Cut the panes", "glass"),
        (mats, "Cut the mat to size" if len(mats) == 1 else "Cut the mats to size", "paper"),
        (boards, "Cut the board" if len(boards) == 1 else "Cut the boards", "paper"),
        (strips, "Cut what fills and lifts", "wood"),
    )


def _cut(site: Site, parts: list[Part], says: str, stuff: Stuff, after: tuple[Thing, ...], read: set[str]) -> Step:
    sizes = site.asked(parts)
    once = [q for q in sizes if q.key not in read]
    read |= {q.key for q in sizes}
    glass = stuff == "glass"
    acrylic = any(p.sheet is not None and p.sheet.kind == "acrylic" for p in parts)
    how = {
        "glass": "factory edge or a strip wide enough to break clean; support what falls",
        "paper": "face down; grain and colour the same way on all",
        "wood": "in pairs against one stop",
        "piece": "",
    }[stuff]
    count = sum(p.count for p in parts)
    kind: WorkKind = "cut glass" if glass else "cut board" if stuff == "paper" else "cut strip"
    care = (cautions.ACRYLIC if acrylic else cautions.GLASS) if glass else cautions.KNIFE
    return Step(
        f"cut.{parts[0].id}",
        "boards",
        says,
        tuple(Made(t) for t in site.have(parts)),
        after,
        (both(how),),
        view="parts",
        lit=tuple(p.key for p in parts),
        drawn=tuple(p.id for p in parts),
        sizes=sizes,
        stuff=stuff,
        tools=("glass cutter", "straight edge") if glass else ("knife", "straight edge"),
        fetched=site.fetch(parts),
        minutes=site.took(kind, square=site.square * (count if stuff != "wood" else 0), each=count),
        cautions=(care,),
        checks=(
            *(site.read(q, beyond="what lies on it follows") for q in once),
            Check("slides-in", "It goes into the frame with its play, and lies flat"),
        ),
    )


def _opened(site: Site, part: Part, read: set[str]) -> Step:
    """The openings of one mat or board; those of a mat are marked and cut from behind, mirrored."""
    openings = [w for w in site.assembly.windows if w.sheet == part.id and not w.stays]
    sizes = {q.key: q for w in openings for q in w.sizes if q.kind == "cut"}
    mat = part.role == "mat"
    once = [q for key, q in sizes.items() if key not in read]
    read |= set(sizes)
    count = len(openings)
    return Step(
        f"window.{part.id}",
        "boards",
        f"Cut the {'window' if count == 1 else 'windows'} from behind: {part.called}"
        if mat
        else f"Cut out the {'opening' if count == 1 else 'openings'}: {part.called}",
        (Made(Thing("opened", part.id)),),
        (Thing("part", part.id),),
        (
            both("mark from behind: left and right change places"),
            both("over a slip sheet; stop at the corner, never beyond it"),
        )
        if mat
        else (both("small holes first, then from hole to hole; bridges stay"),),
        view="mat" if mat else "front",
        lit=tuple(w.key for w in openings if w.key),
        drawn=(part.id,),
        sizes=tuple(sizes.values()),
        stuff="paper",
        tools=("mat cutter", "fresh blade") if mat else ("fret saw", "knife"),
        minutes=site.took("cut window", each=count),
        papers=("mats.pdf",) if mat else (),
        cautions=(cautions.KNIFE,),
        checks=(
            *(site.read(q, beyond="what shows in it follows") for q in once),
            Check("corners", "Its corners are clean, with no overcut that shows"),
        ),
    )
