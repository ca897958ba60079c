"""Which floater moulding of the stock suits a canvas, worked backwards from what is wanted."""

from collections.abc import Sequence

from shadbo.core.build.setting import Suitability
from shadbo.core.sheet.quantity import DUST
from shadbo.core.shop.materials import FloaterProfile, PadStock
from shadbo.core.shop.shop import Practice, Stock
from shadbo.core.sums.floater import grip_window, pads_for, shortest_screw
from shadbo.core.sums.order import order_mm
from shadbo.core.words.lengths import Mark
from shadbo.core.words.words import Mm, say


def suitability(
    profile: FloaterProfile,
    depth_mm: float,
    face_mm: float,
    gap_mm: float,
    size_mm: tuple[float, float],
    pads: Sequence[PadStock],
    practice: Practice,
    mark: Mark,
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
    least, most = grip_window(depth_mm, practice)
    _, screws = shortest_screw(base + least, base + most, practice.screw_lengths_mm)
    if pad >= -DUST and not screws:
        faults.append("no standard screw length fits")
    if profile.ledge_mm < gap_mm + practice.ledge_beyond_gap_mm - DUST:
        faults.append("ledge too narrow for the gap")
    more = 2 * (gap_mm + profile.wall_mm)
    order = order_mm(size_mm[0] + more, size_mm[1] + more, profile.wall_mm)
    return Suitability(
        profile,
        say(mark, "pad {}", Mm(pad)),
        tuple(faults),
        order / 1000 * profile.price_per_m,
        max(-pad, 0),
        profile.ledge_mm,
        say(
            mark,
            "inside {}, wall {}, ledge {} × {}",
            *map(Mm, (profile.inside_depth_mm, profile.wall_mm, profile.ledge_mm, profile.ledge_thick_mm)),
        ),
    )


def held_against(
    stock: Stock,
    depth_mm: float,
    face_mm: float,
    gap_mm: float,
    size_mm: tuple[float, float],
    practice: Practice,
    mark: Mark,
) -> tuple[Suitability, ...]:
    """Every floater profile of the stock, the best first: those that work by price and pad, then the rest.

    The ones that fail are ordered by how much is missing, so the first is always the nearest thing to a fit.
    """
    all_ = (
        suitability(p, depth_mm, face_mm, gap_mm, size_mm, stock.pads, practice, mark) for p in stock.floater_profiles
    )
    return tuple(sorted(all_, key=lambda s: (len(s.faults), s.missing_mm, s.price, s.profile.id)))
