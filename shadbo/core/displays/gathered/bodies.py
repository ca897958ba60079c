"""Pieces of a gathering as bodies: each in front of the layer that it sits on, and tied to it."""

from collections.abc import Mapping

from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism, Tie
from shadbo.core.solids.slices import CLASPS

CLASP_SHARE = 0.4
"""How wide a clasp is of its badge: common practice, no source."""


def item_bodies(
    group: Gathered, seats: Mapping[str, tuple[str, float]], begins: Mapping[str, float]
) -> tuple[list[Body], list[Tie]]:
    """Every piece with its relief. ``seats``: by piece, the layer that it is fixed to, and how deep its back lies.

    A clasp goes through the board: it stands in what is behind it.
    """
    bodies: list[Body] = []
    ties: list[Tie] = []
    for x in group.items:
        (layer, back), seen = seats[x.id], group.rings[x.id]
        prism = Prism(seen, back - x.front.value, back)
        bodies.append(Body(f"item-{x.id}", x.name, x.hatch, (prism,), f"item-{x.id}", laid=True))  # type: ignore[arg-type]
        ties.append(Tie(f"item-{x.id}", layer, "its mount"))
        if x.back.value <= 0:
            continue
        behind = min((z for z in begins.values() if z > begins[layer] + 1e-6), default=back)
        if back + x.back.value > behind:
            left, low, right, high = box_of(seen)
            w, h = (right - left) * CLASP_SHARE / 2, (high - low) * CLASP_SHARE / 2
            middle = ((left + right) / 2, (low + high) / 2)
            ring = rect(middle[0] - w, middle[1] - h, middle[0] + w, middle[1] + h)
            clasp = Prism(ring, behind, back + x.back.value)
            bodies.append(
                Body(
                    f"clasp-{x.id}",
                    f"clasp of {x.name}",
                    "metal",
                    (clasp,),
                    f"item-{x.id}",
                    short="clasps",
                    lot=CLASPS,
                )
            )
            ties.append(Tie(f"clasp-{x.id}", f"item-{x.id}", "its own pin"))
    return bodies, ties
