"""Every display that suits the piece, held against each other: size, depth, weight, price, what it asks and costs."""

from shadbo.core.change import planned
from shadbo.core.dataclass import dataclass
from shadbo.core.displays.registry import DISPLAYS, display_of
from shadbo.core.drawing.svg import Albums
from shadbo.core.drawing.thumb import front_thumb, thumb
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.words import both, say, sizes, value_text


@dataclass(frozen=True, slots=True)
class Compared:
    """One display for this piece. ``worst`` is the gravest severity; ``asks`` are readings still missing."""

    kind: str
    name: str
    picked: bool
    says: Both
    second: Both
    worst: str
    stops: int
    cautions: int
    first: Both | None
    asks: int
    picture: str
    front: str


def compare(job: Job, shop: Shop, system: System, album: Albums | None = None) -> list[Compared]:
    """One line for each display that suits the piece; their options are those that the job keeps for each."""
    now = display_of(job).home.kind
    out = []
    for display in DISPLAYS:
        if not display.suits(job.pieces[0]):
            continue
        plan = planned(job.model_copy(update={"display": display.home.kind}), shop)
        if plan is None:
            continue
        if plan.assembly is None or plan.hang is None:
            first = both(plan.asks[0].label if plan.asks else "")
            out.append(
                Compared(
                    display.home.kind,
                    display.name,
                    display.home.kind == now,
                    both("waits for readings"),
                    both(f"next: {first.mm}"),
                    "open",
                    0,
                    0,
                    None,
                    len(plan.asks),
                    "",
                    "",
                )
            )
            continue
        a, mark, desk = plan.assembly, plan.desk.mark, plan.desk
        weight, price = value_text(plan.hang.weight, mark), desk.sheet["price.materials"]
        size = say(mark, "{}, {} deep", sizes(mark, a.outside_width, a.outside_height), sizes(mark, a.depth))
        money = f"{shop.currency} {price.value:.2f}"
        out.append(
            Compared(
                display.home.kind,
                display.name,
                display.home.kind == now,
                size,
                Both(f"{weight.mm} · {money} · {a.effort}", f"{weight.inch} · {money} · {a.effort}"),
                plan.worst,
                sum(f.severity == "stop" for f in plan.findings),
                sum(f.severity == "caution" for f in plan.findings),
                plan.findings[0].title if plan.findings and plan.worst in ("stop", "caution") else None,
                0,
                thumb(plan, system),
                front_thumb(plan, system, album),
            )
        )
    return out
