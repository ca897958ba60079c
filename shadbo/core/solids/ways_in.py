"""Ways in: what cannot get to its place, because the frame is narrower on the way than the thing is large."""

import numpy as np

from shadbo.core.dataclass import dataclass
from shadbo.core.solids.body import Body
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
    enters = np.array([b.enters for b in space.bodies])[space.owner]
    behind = space.low[:, 2] >= space.high[:, None, 2] - EPS_MM
    before = space.high[:, 2] <= space.low[:, None, 2] + EPS_MM
    way = np.where((enters == "from behind")[:, None], behind, before) & (enters != "made with the frame")[:, None]
    worst: dict[int, Barred] = {}
    for i, j in pairs_in(space.near & way & loose[:, None] & fixed):
        n = int(space.owner[i])
        by = float(min(space.shared[0, i, j], space.shared[1, i, j]))
        if n not in worst or worst[n].by_mm < by:
            worst[n] = Barred(space.bodies[n], space.bodies[int(space.owner[j])], by)
    return list(worst.values())
