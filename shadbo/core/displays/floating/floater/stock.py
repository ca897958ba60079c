"""The floater's edge with one moulding; and which moulding of the stock suits a canvas, by those same sums."""

from collections.abc import Callable, Sequence

from shadbo.core.build.setting import Suitability
from shadbo.core.desk import Desk
from shadbo.core.displays.floating.floated import Body
from shadbo.core.displays.floating.screws import screw_length
from shadbo.core.job.own_frame import OwnFrame
from shadbo.core.sheet.quantity import DUST, Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.materials import FloaterProfile, PadStock
from shadbo.core.shop.values import Reading
from shadbo.core.sums.canvas import CanvasSums
from shadbo.core.sums.floater import face_position, ledge_spare, pad_made, pads_for
from shadbo.core.sums.order import order_mm
from shadbo.core.words.words import Mm, Sentence

NOTHING_READ = OwnFrame()
Pads = Callable[[Quantity], Sequence[PadStock]]


def body_in(
    desk: Desk,
    profile: FloaterProfile,
    held: tuple[Suitability, ...],
    canvas: CanvasSums,
    face: Quantity,
    pads_of: Pads,
    source: str,
) -> tuple[Body, Quantity]:
    """The edge that this moulding makes for a canvas, and the pad that it asks for; lengths in mm."""
    s = desk.sheet
    own = desk.own_frame or NOTHING_READ

    def line(key: str, label: str, listed_mm: float, read: Reading | None) -> Quantity:
        return desk.read(key, label, read) if read is not None else s.choose(key, label, listed_mm, MM, source)

    wall = line("profile.wall", "wall of the profile", profile.wall_mm, own.wall)
    ledge = line("profile.ledge", "ledge, from the wall", profile.ledge_mm, own.ledge)
    ledge_thick = line("profile.ledge_thick", "ledge, thickness", profile.ledge_thick_mm, own.ledge_thick)
    listed = line("profile.inside_depth", "inside depth, as listed", profile.inside_depth_mm, own.inside_depth)
    inside_depth = s.made("frame.inside_depth", "inside depth of the frame", listed)
    wanted = face_position(s, inside_depth, face, canvas.depth)
    pads = pads_of(wanted)
    pad = pad_made(s, wanted, pads, 0.2)
    made = s.made("face.made", "face behind the frame's front edge", inside_depth - canvas.depth - pad)
    return Body(profile, held, wall, ledge, ledge_thick, inside_depth, pad, pads, made), wanted


def suitability(
    desk: Desk, profile: FloaterProfile, canvas: CanvasSums, face: Quantity, gap: Quantity
) -> Suitability:
    """Hold one profile against the canvas by planning its edge: pad, screw, ledge; price of its rails."""
    p, trial = desk.practice, desk.on_trial()
    body, wanted = body_in(
        trial,
        profile,
        (),
        canvas,
        face,
        lambda pad: pads_for(pad.value, desk.stock.pads, p.pad_layers, p.face_off_mm),
        profile.name,
    )
    screw = screw_length(trial, None, body.ledge_thick, body.pad, canvas.depth)
    pad = wanted.value
    faults: list[Sentence] = []
    if pad < -DUST:
        faults.append(Sentence("{} too shallow", (Mm(-pad, "up"),)))
    if pad > DUST and abs(body.pad.value - pad) > p.face_off_mm + DUST:
        faults.append(Sentence("no pads in stock make {}", (Mm(pad),)))
    if pad >= -DUST and not screw.standard:
        faults.append(Sentence("no standard screw length fits"))
    if ledge_spare(trial.sheet, body.ledge, gap, p.ledge_beyond_gap_mm).value < -DUST:
        faults.append(Sentence("ledge too narrow for the gap"))
    more = 2 * (gap.value + profile.wall_mm)
    order = order_mm(canvas.width.value + more, canvas.height.value + more, profile.wall_mm)
    return Suitability(
        profile,
        Sentence("pad {}", (Mm(pad),)),
        tuple(faults),
        order / 1000 * profile.price_per_m,
        max(-pad, 0),
        profile.ledge_mm,
        Sentence(
            "inside {}, wall {}, ledge {} × {}",
            tuple(map(Mm, (profile.inside_depth_mm, profile.wall_mm, profile.ledge_mm, profile.ledge_thick_mm))),
        ),
    )


def held_against(desk: Desk, canvas: CanvasSums, face: Quantity, gap: Quantity) -> tuple[Suitability, ...]:
    """Every floater profile of the stock, the best first: those that work by price and pad, then the rest.

    The ones that fail are ordered by how much is missing, so the first is always the nearest thing to a fit.
    """
    all_ = (suitability(desk, p, canvas, face, gap) for p in desk.stock.floater_profiles)
    return tuple(sorted(all_, key=lambda s: (len(s.faults), s.missing_mm, s.price, s.profile.id)))
