"""The build taken apart: its bodies pulled off one another along the depth, from one of four fixed directions."""

from collections.abc import Sequence
from typing import Literal

from shadbo.core.cutting.cut_list import numbers_of
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.scene import Leader, Scene, Shape
from shadbo.core.plan import Plan
from shadbo.core.shapes.plane import Dot
from shadbo.core.shapes.polygon import anticlockwise, sides
from shadbo.core.solids.body import Body, Prism
from shadbo.core.words.lengths import System, metric_text, texts

LEANS: tuple[Dot, Dot, Dot, Dot] = ((0.62, 0.40), (-0.62, 0.40), (-0.62, -0.40), (0.62, -0.40))
"""How far right and up a millimetre of depth is drawn: from the right above, the left above, the left below …"""
FROM = ("from the right and above", "from the left and above", "from the left and below", "from the right and below")
APART = 1.7
"""How far the last layer is drawn from the first, as a share of the longer side."""
LEAST_MM, MOST_SHARE = 12.0, 0.45


@dataclass(frozen=True, slots=True)
class Lot:
    """Bodies that are pulled out together: the rails, the strips of one layer, the pieces of one plane."""

    name: str
    bodies: tuple[Body, ...]

    @property
    def front_mm(self) -> float:
        """Where the first of them begins."""
        return min(b.front_mm for b in self.bodies)

    @property
    def back_mm(self) -> float:
        """Where the last of them ends."""
        return max(b.back_mm for b in self.bodies)

    @property
    def deep_mm(self) -> float:
        """How deep they are together."""
        return self.back_mm - self.front_mm


def lots_of(bodies: Sequence[Body]) -> list[Lot]:
    """Lots from the front to the back: what is driven in from behind comes after what it goes into."""
    by: dict[tuple[str, str], list[Body]] = {}
    frame = {b.name for b in bodies if b.fixed}
    for b in bodies:
        if b.fixed or b.name in frame:
            lot = ("frame", "")
        elif b.lot:
            lot = ("lot", b.lot)
        else:
            lot = ("laid", f"{b.back_mm:.1f}") if b.laid else ("thing", b.name)
        by.setdefault(lot, []).append(b)
    out = []
    for here in by.values():
        many = len(here) > 1 and here[0].laid
        out.append(Lot(f"{len(here)} pieces" if many else here[0].short or here[0].name, tuple(here)))
    return sorted(out, key=lambda x: (x.back_mm if any(b.bites for b in x.bodies) else x.front_mm, x.bodies[0].id))


def apart_scene(plan: Plan, system: System, turn: int = 0) -> Scene:
    """Every lot in its outline and depth, farther back what lies behind; numbered as in the list of parts.

    ``turn`` counts steps round it, either way.
    """
    turn %= len(LEANS)
    a = plan.assembly
    assert a is not None
    scene = Scene(f"taken apart, {FROM[turn]}")
    lots = lots_of(plan.bodies)
    if not lots:
        return scene
    lean = LEANS[turn]
    long = a.long_side_mm
    gap = min(max(APART * long / max(len(lots) - 1, 1), LEAST_MM), MOST_SHARE * long)
    numbers = numbers_of(plan)
    leaders = []
    for n, lot in reversed(list(enumerate(lots))):
        off = n * gap
        ordered = sorted(lot.bodies, key=lambda b: -b.back_mm)
        for body in ordered:
            for prism in sorted(body.prisms, key=lambda p: -p.back_mm):
                scene.add(*faces_of(prism, body, lean, off - lot.front_mm))
        parts = dict.fromkeys(b.part for b in lot.bodies)
        said = ", ".join(str(numbers[x]) for x in parts if x in numbers)
        deep = metric_text(lot.deep_mm) if system == "mm" else texts(lot.deep_mm, plan.desk.mark).inch
        words = f"{said}  {lot.name} · {deep}" if said else f"{lot.name} · {deep}"
        side: Literal["left", "right"] = "right" if lean[0] > 0 else "left"
        leaders.append(Leader(_tip(lot, lean, off), (words,), "", side, -n if lean[1] > 0 else n))
    scene.add(*leaders)
    return scene


def faces_of(prism: Prism, body: Body, lean: Dot, off_mm: float) -> list[Shape]:
    """The sides that are seen from there, of outline and openings, and the front."""
    front, back = prism.front_mm + off_mm, prism.back_mm + off_mm
    out = []
    rings = [(anticlockwise(prism.ring), 1.0), *((anticlockwise(h), -1.0) for h in prism.holes)]
    for ring, outward in rings:
        for p, q in sides(ring):
            normal = ((q[1] - p[1]) * outward, (p[0] - q[0]) * outward)
            if normal[0] * lean[0] + normal[1] * lean[1] > 1e-9:
                quad = (at(p, front, lean), at(q, front, lean), at(q, back, lean), at(p, back, lean))
                out.append(Shape(quad, body.hatch, part=body.part))
    ring = tuple(at(d, front, lean) for d in prism.ring)
    holes = tuple(tuple(at(d, front, lean) for d in h) for h in prism.holes)
    return [*out, Shape(ring, body.hatch, part=body.part, holes=holes)]


def at(dot: Dot, deep_mm: float, lean: Dot) -> Dot:
    """Where a place of the front plane is drawn, that deep."""
    return dot[0] + lean[0] * deep_mm, dot[1] + lean[1] * deep_mm


def _tip(lot: Lot, lean: Dot, off_mm: float) -> Dot:
    """The corner of a lot that stands out towards its label."""
    dots = [d for b in lot.bodies for p in b.prisms for d in p.ring]
    return at(max(dots, key=lambda d: d[0] * lean[0] + d[1] * lean[1]), off_mm, lean)
