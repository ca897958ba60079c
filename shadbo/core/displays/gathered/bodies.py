"""Pieces of a gathering as bodies: each in front of the layer that it sits on, and tied to it."""

from collections.abc import Mapping

from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.solids.body import Body, Prism, Tie


def item_bodies(group: Gathered, seats: Mapping[str, tuple[str, float]]) -> tuple[list[Body], list[Tie]]:
    """Every piece with its relief. ``seats``: by piece, the layer that it is fixed to, and how deep its back lies."""
    bodies, ties = [], []
    for x in group.items:
        layer, back = seats[x.id]
        prism = Prism(group.ring(x), back - x.front.value, back)
        bodies.append(Body(f"item-{x.id}", x.name, x.hatch, (prism,), f"item-{x.id}", laid=True))  # type: ignore[arg-type]
        ties.append(Tie(f"item-{x.id}", layer, "its mount"))
    return bodies, ties
