"""Layouts proposed for a job: solved, planned, and ranked with their reasons."""

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.marks import Paper
from shadbo.core.drawing.scene import Scene, Shape
from shadbo.core.drawing.svg import write_svg
from shadbo.core.findings import RANK
from shadbo.core.job.edits import length
from shadbo.core.job.job import Job
from shadbo.core.layout.solver import Proposal, Thing, propose
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import centred
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, say, sizes

PICTURE = Paper("layout", 132, 100, (3, 3, 3, 3))
MOST_SOLVED = 14
BORDERS = {"wide": 60.0, "narrow": 45.0}


@dataclass(frozen=True, slots=True)
class ProposedLayout:
    """One layout: what it is, what it comes to, why it stands where it stands in the list, the edits that make it."""

    name: str
    size: Both
    reason: Both
    edits: tuple[Edit, ...]
    picture: str


def propose_layouts(job: Job, shop: Shop) -> list[ProposedLayout]:
    """Layouts for the pieces of a job, the best first; empty where one piece stands alone or readings are missing."""
    plan = assess(job, shop)
    a = plan.assembly
    if a is None or len(a.shown) < 2 or not a.layout_at:
        return []
    if any(x.seat == "opening" for x in a.shown):
        return _rank(job, shop, plan, _sides(plan))
    s = plan.desk.sheet
    things = [Thing(x.id, *_size(x.ring)) for x in a.shown][:MOST_SOLVED]
    board = next((p.sheet for p in a.by_role("board") if p.sheet is not None), None)
    most = (board.width_mm - 30, board.height_mm - 30) if board is not None else None
    found = propose(things, s["layout.gap"].value, s["layout.margin"].value, most)
    named = [(p.wish if p.proven else f"{p.wish}, not proven", _edits(plan, p)) for p in found]
    return _rank(job, shop, plan, named)


def _size(ring: tuple[tuple[float, float], ...]) -> tuple[float, float]:
    left, low, right, high = box_of(ring)
    return right - left, high - low


def _edits(plan: Plan, p: Proposal) -> tuple[Edit, ...]:
    a = plan.assembly
    assert a is not None
    out = [
        Edit(at=f"{a.layout_at}/width", to=length(p.width)),
        Edit(at=f"{a.layout_at}/height", to=length(p.height)),
    ]
    for x in a.shown:
        if x.id in p.places:
            left, top = p.places[x.id]
            out.append(Edit(at=x.at, to={"left": length(left), "top": length(top)}))
    return tuple(out)


def _sides(plan: Plan) -> list[tuple[str, tuple[Edit, ...]]]:
    """A stepped mat: windows beside the opening or below it, single or in two borders."""
    a, levers = plan.assembly, plan.desk.levers
    if a is None or levers.windows is None or levers.border is None:
        return []
    places = [Edit(at=x.at) for x in a.shown if x.seat not in ("opening", "notch", "no corner")]
    return [
        (
            f"windows {side}, {name} border",
            (levers.windows.set(side), Edit(at=levers.border.at, to=length(mm)), *places),
        )
        for side in ("beside", "below")
        for name, mm in BORDERS.items()
    ]


def _rank(job: Job, shop: Shop, plan: Plan, named: list[tuple[str, tuple[Edit, ...]]]) -> list[ProposedLayout]:
    """Planned with each; fewest findings first, then the cheapest, each with what speaks for it."""
    tried = []
    for name, edits in named:
        after = change(job, _clean(job, edits), shop).plan
        if after is None or after.assembly is None:
            continue
        worst = RANK[after.worst]
        price = after.desk.sheet["price.materials"].value
        tried.append((max(worst, 1), round(price, 2), name, edits, after))
    tried.sort(key=lambda t: t[:3])
    if not tried:
        return []
    cheapest = min(t[1] for t in tried)
    out = []
    for _, price, name, edits, after in tried:
        a = after.assembly
        assert a is not None
        more = price - cheapest
        money = f"{shop.currency} {price:.2f}"
        first = "the cheapest frame" if more < 0.005 else f"{shop.currency} {more:.2f} more than the cheapest"
        found = [f for f in after.findings if f.severity in ("stop", "caution") and f.station == "sizes"]
        reason = say(plan.desk.mark, "{}; {}", first, found[0].title if found else both("nothing crowded"))
        size = say(plan.desk.mark, "outside {} · {}", sizes(plan.desk.mark, a.outside_width, a.outside_height), money)
        out.append(ProposedLayout(name, size, reason, _clean(job, edits), _picture(after)))
    return out


def _clean(job: Job, edits: tuple[Edit, ...]) -> tuple[Edit, ...]:
    """Edits that take away only what is there."""
    out = []
    for edit in edits:
        if edit.to is not None:
            out.append(edit)
            continue
        *way, last = edit.at.split("/")
        here: object = job
        for name in way:
            here = getattr(here, name, ())
        if any(getattr(x, "id", "") == last for x in here):  # type: ignore[attr-defined]
            out.append(edit)
    return tuple(out)


def _picture(plan: Plan) -> str:
    """The field with its pieces, small and to scale."""
    a, s = plan.assembly, plan.desk.sheet
    assert a is not None
    scene = Scene("a layout")
    scene.add(Shape(centred(s["field.width"].value, s["field.height"].value), "board"))
    for window in a.windows:
        if window.sheet == "mat":
            scene.add(Shape(window.ring, "paper"))
    scene.add(*(Shape(x.ring, "metal") for x in a.shown))
    sheet = compose(scene, PICTURE)
    sheet.groups = [g for g in sheet.groups if g.role != "note"]
    return write_svg(sheet, "a layout")
