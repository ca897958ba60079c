"""How each piece is held: its places marked, then mounted, and left alone where something dries."""

from collections.abc import Iterator

from shadbo.core.build.mounts import MountPlan, said
from shadbo.core.pieces.pieces import Piece
from shadbo.core.steps import cautions
from shadbo.core.steps.framing import MEASURED
from shadbo.core.steps.site import HOUR, Site
from shadbo.core.steps.step import Check, Fetched, Made, Step, Thing
from shadbo.core.words.words import both

BOARDS = ("board", "mat", "mat_inner", "backing")


def mounting(site: Site) -> Iterator[Step]:
    """Marks first, one step for each mount after them."""
    if site.pegs is not None:
        return
    spots = [s for s in site.assembly.spots if s.plane in ("board", "mat")]
    boards = site.have(p for p in site.assembly.parts if p.id in BOARDS and p.to_cut and p.role == "board")
    marked = Thing("marked", "board")
    if spots and boards:
        yield Step(
            "mark.board",
            "mount",
            "Mark the board from its template",
            (Made(marked),),
            boards,
            (
                both("the template's check bar is measured before it is laid on"),
                both("top is up; holes are made from the front, into a soft board"),
            ),
            view="holes",
            stuff="paper",
            tools=("template", "awl", "pencil"),
            minutes=site.took("mark", each=len(spots)),
            papers=("templates.pdf",),
            cautions=(cautions.KNIFE,),
            checks=(Check("top", "Its top is marked, and every place of the list is on it"),),
        )
    for plan in at_the_bench(site):
        yield _mounted(site, plan, (*boards, *((marked,) if spots and boards else ())))


def mounted(site: Site) -> tuple[Thing, ...]:
    """All pieces in their mounts; where no mount is planned they lie in the package by themselves."""
    if site.pegs is not None:
        return ()
    done = at_the_bench(site)
    left = {p.id for p in site.desk.pieces} - {p.id for m in done for p in mounts_what(site, m)}
    return (*(Thing("mounted", m.of or "piece") for m in done), *(Thing("ready", id_) for id_ in sorted(left)))


def at_the_bench(site: Site) -> list[MountPlan]:
    """Mounts that are done before anything goes into a frame."""
    return [m for m in site.assembly.mounts if not (site.framed and m.taken.mount.in_frame)]


def in_the_frame(site: Site) -> list[MountPlan]:
    """Mounts that are done as the piece is laid into its frame."""
    return [m for m in site.assembly.mounts if site.framed and m.taken.mount.in_frame]


def mounts_what(site: Site, plan: MountPlan) -> list[Piece]:
    """The pieces that a mount holds."""
    return [p for p in site.desk.pieces if not plan.of or p.id == plan.of]


def _mounted(site: Site, plan: MountPlan, boards: tuple[Thing, ...]) -> Step:
    mount, of = plan.taken.mount, plan.of
    pieces = mounts_what(site, plan)
    ready = tuple(Thing("ready", p.id) for p in pieces)
    forms = site.have(p for p in site.assembly.parts if p.role == "board" and p.to_cut and p.id not in BOARDS)
    backing = site.have(p for p in site.assembly.parts if p.role == "backing" and p.to_cut and not site.framed)
    hours = float(getattr(site.practice, mount.dries)) if mount.dries else 0.0
    name = plan.name or pieces[0].name or pieces[0].noun
    care = [mount.care] if mount.care else []
    rails = [] if site.framed else [p for p in site.assembly.by_role("rail") if p.fetched]
    lines = site.desk.sheet
    count = int(lines[plan.used_key].value) if plan.used_key in lines else 0
    size = site.say("{}", lines[plan.run_key]) if plan.run_key in lines else both("")
    return Step(
        f"mount.{of or 'piece'}",
        "mount",
        f"Mount it: {name}, {mount.name}",
        (
            Made(
                Thing("mounted", of or "piece"),
                hours * HOUR,
                "sets under weights" if hours else "",
                "it shifts or lets go where it is moved too soon",
            ),
        ),
        (*ready, *boards, *forms, *backing, *((MEASURED,) if site.framed else ())),
        tuple(said(site.desk, line) for line in mount.steps),
        view="holes" if any(s.of == of for s in site.assembly.spots) else "front",
        stuff="piece",
        tools=("weights",) if hours else (),
        fetched=(*site.fetch(rails), *((Fetched(count, plan.tape.name, size),) if plan.tape and count else ())),
        minutes=site.took("mount", square=0.1, each=count),
        cautions=tuple(care),
        checks=(
            Check("straight", "It stands straight, at its place"),
            Check("held", "Nothing moves when it is tilted"),
        ),
    )
