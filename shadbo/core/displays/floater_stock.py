"""Which floater moulding of the stock suits a canvas, worked backwards from what is wanted."""

from collections.abc import Sequence

from shadbo.core.assembly import Suitability
from shadbo.core.materials import FloaterProfile, PadStock
from shadbo.core.quantity import DUST
from shadbo.core.shop import Practice, Stock
from shadbo.core.sums.floater import pads_for, shortest_screw


def suitability(
    profile: FloaterProfile,
    depth_mm: float,
    face_mm: float,
    gap_mm: float,
    size_mm: tuple[float, float],
    pads: Sequence[PadStock],
    practice: Practice,
) -> Suitability:
    """Hold one profile against the canvas: pad, screw, ledge; price of its rails by the ordering estimate.

    ``face_mm`` is recessed (+) or proud (−). Order estimate: 2 · (w + h) + 8 · face (common practice).
    """
    pad = profile.inside_depth_mm - face_mm - depth_mm
    faults: list[str] = []
    if pad < -DUST:
        faults.append(f"{-pad:.4g} mm too shallow")
    stack = pads_for(pad, pads, practice.pad_layers, practice.face_off_mm)
    made = sum(p.thick_mm for p in stack)
    if pad > DUST and abs(made - pad) > practice.face_off_mm + DUST:
        faults.append(f"no pads in stock make {pad:.4g} mm")
    base = profile.ledge_thick_mm + max(made, 0)
    most = min(practice.screw_in_bar_most_mm, depth_mm - practice.screw_to_cloth_mm)
    _, screws = shortest_screw(base + practice.screw_in_bar_least_mm, base + most, practice.screw_lengths_mm)
    if pad >= -DUST and not screws:
        faults.append("no standard screw length fits")
    if profile.ledge_mm < gap_mm + practice.ledge_beyond_gap_mm - DUST:
        faults.append("ledge too narrow for the gap")
    around = 2 * sum(size_mm) + 8 * (gap_mm + profile.wall_mm) + 8 * profile.wall_mm
    return Suitability(profile, pad, tuple(faults), around / 1000 * profile.price_per_m)


def held_against(
    stock: Stock,
    depth_mm: float,
    face_mm: float,
    gap_mm: float,
    size_mm: tuple[float, float],
    practice: Practice,
) -> tuple[Suitability, ...]:
    """Every floater profile of the stock, the best first: those that work by price and pad, then the rest.

    The ones that fail are ordered by how much is missing, so the first is always the nearest thing to a fit.
    """
    all_ = (suitability(p, depth_mm, face_mm, gap_mm, size_mm, stock.pads, practice) for p in stock.floater_profiles)
    return tuple(sorted(all_, key=lambda s: (len(s.faults), max(-s.pad_mm, 0), s.price, s.pad_mm)))
