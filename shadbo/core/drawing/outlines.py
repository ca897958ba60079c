"""What is seen of a part from the front or from behind: its bodies' outermost prisms on that side."""

from dataclasses import replace
from typing import Literal

from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.shapes.polygon import area
from shadbo.core.solids.body import Prism

HAIR_MM = 1e-6


def seen_of(a: Assembly, part: Part, side: Literal["front", "back"]) -> tuple[Prism, ...]:
    """The prisms that are outermost on that side; where the part is marked on one, its outline as deep as that is."""
    if part.of:
        prisms = [p for b in a.bodies if b.id == part.of for p in b.prisms]
    else:
        bodies = [b for b in a.bodies if not b.bites]
        prisms = [p for b in bodies for p in b.prisms if (p.part or b.part) == part.id]
    ends = [-p.front_mm if side == "front" else p.back_mm for p in prisms]
    outer = tuple(p for p, end in zip(prisms, ends, strict=True) if end > max(ends) - HAIR_MM)
    if part.face and outer:
        return tuple(replace(outer[0], ring=ring, holes=()) for ring in part.face)
    return outer


def ledges(a: Assembly) -> list[tuple[Part, Prism]]:
    """What stands out inwards behind the front of the rails, strips that are fixed there too: seen through a gap."""
    parts = {p.id: p for p in a.parts if p.role == "rail" or (p.role == "strip" and p.hatch == "stretcher")}
    out = []
    for body in a.bodies:
        part, widest = parts.get(body.part), 0.0
        if part is None:
            continue
        for prism in sorted(body.prisms, key=lambda p: p.front_mm):
            wide = abs(area(prism.ring))
            if part.role == "strip" or 0 < widest < wide - HAIR_MM:
                out.append((part, prism))
            widest = max(widest, wide)
    return out
