"""Ways in: what cannot get to its place, because the frame is narrower on the way than the thing is large."""

from shadbo.core.dataclass import dataclass
from shadbo.core.solids.body import Body, Enters
from shadbo.core.solids.space import EPS_MM, Space, pairs_in


@dataclass(frozen=True, slots=True)
class Barred:
    """A body, the part of the frame that stands in its way, and by how much that reaches over it."""

    body: Body
    by: Body
    by_mm: float


def barred(space: Space) -> list[Barred]:
    """Everything that its frame does not let in, the way that it enters; each once, by what bars it most.

    What is not frame goes in after it, or before, and never bars. A rail that the thing lies against on the side
    that it comes from bars it as well: a lip behind a pane.
    """
    fixed, loose = space.fixed, ~(space.fixed | space.bites | space.gives)
    worst: dict[int, Barred] = {}
    for i, j in pairs_in(space.near & loose[:, None] & fixed):
        n = int(space.owner[i])
        if not _on_the_way(space, space.bodies[n].enters, i, j):
            continue
        by = min(space.shared_mm(0, i, j), space.shared_mm(1, i, j))
        if n not in worst or worst[n].by_mm < by:
            worst[n] = Barred(space.bodies[n], space.bodies[int(space.owner[j])], by)
    return list(worst.values())


def _on_the_way(space: Space, enters: Enters, i: int, j: int) -> bool:
    """Whether prism i comes past the wood j to its place, or lies against it from there."""
    thing, wood = space.prisms[i], space.prisms[j]
    if enters == "from behind":
        return wood.front_mm >= thing.back_mm - EPS_MM
    return enters == "from the front" and wood.back_mm <= thing.front_mm + EPS_MM
