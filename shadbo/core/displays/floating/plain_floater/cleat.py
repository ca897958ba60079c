"""Bevelled top strips as a cleat: the upper one is glued in the frame, the lower one screwed to the wall."""

from dataclasses import replace

from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM

PLAY_MM = 20.0
"""How much shorter than the room between the side strips the wall's half is: common practice, no source."""


def with_cleat(desk: Desk, assembly: Assembly, ledge: Quantity, strip: Quantity) -> Assembly:
    """The same frame, hung by its own top strip: both halves bevelled 45°, the wall's between the side strips."""
    s = desk.sheet
    room = s["frame.inside_width.middle"] - 2 * ledge - s.number(PLAY_MM, MM)
    length = s.cut("cleat.length", "wall's half of the cleat", s.pick("largest", room, s.number(PLAY_MM, MM)), "down",
                   desk.practice.cut_tolerance_mm)  # fmt: skip
    least = assembly.outside_width * s.number(desk.practice.cleat_fraction)
    s.let("cleat.over", "cleat over the least that holds level", length - least, "two thirds of the width as a rule")
    s.let(
        "hang.from_top",
        "wall half's point below the top edge",
        s["profile.wall"] + ledge - strip,
        "the bevel rises by the strip's height from the wall to the canvas",
    )
    wall_half = Part(
        "cleat-wall",
        "strip",
        "cleat, wall half",
        "stretcher",
        1,
        length,
        ledge,
        strip,
        key="cleat.length",
        to_cut=True,
        unpriced=True,
        note="one long edge bevelled 45°, point to the front and up; screwed to the wall, level",
    )
    parts = tuple(
        replace(p, note=f"the top one bevelled 45° below, point to the wall; {p.note}") if p.id == "strip-0" else p
        for p in assembly.parts
    )
    return replace(assembly, parts=(*parts, wall_half), hangs=("cleat", "wire", "straps"), own_cleat=length)
