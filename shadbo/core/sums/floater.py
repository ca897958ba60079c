"""The floater: inside and outside size, face position and pad, line and length of the screws."""

from bisect import bisect_left
from collections.abc import Sequence
from functools import lru_cache
from itertools import combinations_with_replacement

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import DUST, Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.shop.materials import PadStock
from shadbo.core.shop.shop import Practice


def pads_for(
    wanted_mm: float, stock: Sequence[PadStock], most_layers: int, thinner_by_mm: float
) -> tuple[PadStock, ...]:
    """The layers of pad stock whose sum comes nearest to what is wanted: fewest, then cheapest.

    A stack thicker than wanted would push the face forward, so it is taken only when nothing as thin
    comes within ``thinner_by_mm``. No pad at all is an answer too.
    """
    if wanted_mm <= DUST:
        return ()

    def cost(stack: tuple[float, tuple[int, ...]]) -> tuple[float, int, float, tuple[int, ...]]:
        off = stack[0] - wanted_mm
        far = -off if off <= DUST else off + thinner_by_mm
        return round(far, 3), len(stack[1]), sum([stock[i].price_per_m2 for i in stack[1]]), stack[1]

    stacks = _stacks(tuple([p.thick_mm for p in stock]), most_layers)
    at = bisect_left(stacks, (wanted_mm,))
    near = min([abs(total - wanted_mm) for total, _ in stacks[max(at - 1, 0) : at + 1]]) + thinner_by_mm + DUST
    first, last = bisect_left(stacks, (wanted_mm - near,)), bisect_left(stacks, (wanted_mm + near + DUST,))
    _, layers = min([x for x in stacks[first:last] if abs(x[0] - wanted_mm) <= near], key=cost)
    return tuple([stock[i] for i in layers])


@lru_cache(maxsize=64)
def _stacks(thick_mm: tuple[float, ...], most_layers: int) -> tuple[tuple[float, tuple[int, ...]], ...]:
    """Every stack of up to so many layers, the thinnest first: its thickness, and which layers it has."""
    indexes = range(len(thick_mm))
    return tuple(
        sorted(
            (sum(thick_mm[i] for i in layers), layers)
            for n in range(most_layers + 1)
            for layers in combinations_with_replacement(indexes, n)
        )
    )


def shortest_screw(least_mm: float, most_mm: float, lengths_mm: Sequence[float]) -> tuple[float, bool]:
    """The shortest standard length from least to most, and whether there is one.

    When none lies between, the shortest that is long enough (or the longest made) is returned for the
    check to speak about.
    """
    lengths = sorted(lengths_mm)
    if not lengths:
        return max(least_mm, 1.0), False
    fitting = [x for x in lengths if least_mm - DUST <= x <= most_mm + DUST]
    if fitting:
        return fitting[0], True
    return next((x for x in lengths if x >= least_mm - DUST), lengths[-1]), False


def grip_window(depth_mm: float, practice: Practice) -> tuple[float, float]:
    """Least and most of a screw that may stand in a bar ``depth_mm`` deep, short of the cloth."""
    most = min(practice.screw_in_bar_most_mm, depth_mm - practice.screw_to_cloth_mm)
    return practice.screw_in_bar_least_mm, most


@dataclass(frozen=True, slots=True)
class ScrewLine:
    """Where the holes lie across the ledge, and how far from its edges and the bar's."""

    line: Quantity
    to_bar_edge: Quantity
    to_ledge_edge: Quantity
    to_bar_inside: Quantity


def screw_line(
    sheet: Sheet, wall: Quantity, ledge: Quantity, gap: Quantity, bar_face: Quantity, tolerance_mm: float
) -> ScrewLine:
    """The line of holes from the frame's outer edge: the middle of where ledge and bar overlap."""
    reach = sheet.pick("smallest", ledge, gap + bar_face)
    line = sheet.cut(
        "screw.line",
        "screw line, from the frame's outer edge",
        wall + (gap + reach) / 2,
        "nearest",
        tolerance_mm,
    )
    return ScrewLine(
        line,
        sheet.let("screw.to_bar_edge", "screw line to the bar's outer edge", line - wall - gap, way="down"),
        sheet.let("screw.to_ledge_edge", "screw line to the ledge's inner edge", wall + ledge - line, way="down"),
        sheet.let(
            "screw.to_bar_inside",
            "screw line to the bar's inner edge",
            wall + gap + bar_face - line,
            way="down",
        ),
    )


def ledge_spare(sheet: Sheet, ledge: Quantity, gap: Quantity, beyond_mm: float) -> Quantity:
    """What the ledge has beyond the gap and a grip of ``beyond_mm`` on the bar; below nothing, no screw holds."""
    return sheet.let("ledge.spare", "ledge beyond gap and grip", ledge - gap - sheet.number(beyond_mm, MM))


def face_position(sheet: Sheet, inside_depth: Quantity, face: Quantity, depth: Quantity) -> Quantity:
    """The pad that sets the face: inside depth less face position less canvas depth; may come out negative."""
    return sheet.let("pad.wanted", "pad, wanted", inside_depth - face - depth)


def pad_made(sheet: Sheet, wanted: Quantity, pads: Sequence[PadStock], tolerance_mm: float) -> Quantity:
    """The pad as its layers make it; none where the canvas lies on the ledge."""
    names = " + ".join(p.name for p in pads) or "none: the canvas lies on the ledge"
    stack = sheet.decide(f"{names}, for", sum(p.thick_mm for p in pads), MM, wanted)
    return sheet.made("pad.made", "pad, as stacked", stack, tolerance_mm if pads else 0.0)
