"""The order of steps: nothing before what it needs; among those that could be done, the order of the trade."""

import heapq
from collections.abc import Sequence

from shadbo.core.steps.step import Step, Thing
from shadbo.core.words.stages import STAGES


class NoOrder(Exception):
    """Something is needed that no step makes, or steps wait for one another."""


def makers(steps: Sequence[Step]) -> dict[Thing, int]:
    """Which step makes a thing, by its place in the list. Raises NoOrder where two do."""
    found: dict[Thing, int] = {}
    for n, step in enumerate(steps):
        for made in step.makes:
            if made.thing in found:
                raise NoOrder(f"{made.thing} is made by {steps[found[made.thing]].id} and by {step.id}")
            found[made.thing] = n
    return found


def in_order(steps: Sequence[Step]) -> tuple[Step, ...]:
    """Steps in an order that can be done (Kahn), ties by stage, then by the place where they were said."""
    made_by = makers(steps)
    waits: list[set[int]] = []
    for step in steps:
        missing = [t for t in step.needs if t not in made_by]
        if missing:
            raise NoOrder(f"{step.id} needs {missing[0]}, which no step makes")
        waits.append({made_by[t] for t in step.needs})
    free = [(STAGES.index(s.stage), n) for n, s in enumerate(steps) if not waits[n]]
    heapq.heapify(free)
    out: list[Step] = []
    while free:
        _, n = heapq.heappop(free)
        out.append(steps[n])
        for other, needs in enumerate(waits):
            if n in needs:
                needs.discard(n)
                if not needs:
                    heapq.heappush(free, (STAGES.index(steps[other].stage), other))
    if len(out) < len(steps):
        stuck = ", ".join(s.id for n, s in enumerate(steps) if waits[n])
        raise NoOrder(f"these wait for one another: {stuck}")
    return tuple(out)
