"""The build as solid things for other programs: each part's prisms, material, mass and price, by a JSON Schema."""

from dataclasses import dataclass
from typing import Any

from pydantic import TypeAdapter

from shadbo.core.plan import Plan
from shadbo.core.shapes.plane import Ring


@dataclass(frozen=True, slots=True)
class SolidPrism:
    """An outline in the front plane, x right and y up from the frame's middle, over a stretch of depth, in mm."""

    outline: Ring
    holes: tuple[Ring, ...]
    front_mm: float
    back_mm: float


@dataclass(frozen=True, slots=True)
class Solid:
    """One thing in its place. ``part`` is its id in the list of parts; mass and price are its own share of that.

    ``pinned``: its size was really measured. ``fixed``: it is what all else is held by. None where nobody knows.
    """

    id: str
    part: str
    name: str
    material: str
    prisms: tuple[SolidPrism, ...]
    volume_mm3: float
    mass_kg: float | None
    price: float | None
    pinned: bool
    fixed: bool


_SOLIDS = TypeAdapter(list[Solid])


def solids_of(plan: Plan) -> list[Solid]:
    """Every body of a plan. A part that is several things shares its mass and price among them by their volume."""
    a = plan.assembly
    if a is None:
        return []
    parts = {p.id: p for p in reversed(a.parts)}  # a part that is only seen may share its id, and stands behind
    whole: dict[str, float] = {}
    for b in plan.bodies:
        whole[b.part] = whole.get(b.part, 0.0) + b.volume_mm3
    out = []
    for b in plan.bodies:
        part = parts.get(b.part)
        share = b.volume_mm3 / whole[b.part] if whole[b.part] else 0.0
        mass = part.mass.value * share if part is not None and part.mass is not None else None
        price = round(part.price * part.count * share, 4) if part is not None and part.price else None
        line = plan.desk.sheet.get(part.key) if part is not None and part.key else None
        pinned = line is not None and line.planned is not None
        prisms = tuple(SolidPrism(p.ring, p.holes, p.front_mm, p.back_mm) for p in b.prisms)
        out.append(Solid(b.id, b.part, b.name, b.hatch, prisms, round(b.volume_mm3, 3), mass, price, pinned, b.fixed))
    return out


def solids_data(plan: Plan) -> list[dict[str, Any]]:
    """The same as plain data."""
    data: list[dict[str, Any]] = _SOLIDS.dump_python(solids_of(plan), mode="json")
    return data


def solids_schema() -> dict[str, Any]:
    """The JSON Schema of ``solids`` in ``shadbo plan --json``."""
    schema = _SOLIDS.json_schema()
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "title": "Solids of a plan", **schema}
