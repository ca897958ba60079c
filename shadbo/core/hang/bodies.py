"""Hangers as bodies: what they cover of the frame's back, and how far they stand out behind it."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism

HANGER = "hanger"


def hanger_bodies(assembly: Assembly, hang: HangPlan) -> tuple[Body, ...]:
    """Every hanger at its place behind the frame; none where it hangs without a rail."""
    if hang.hanger is None or assembly.back_rail is None:
        return ()
    wide, high = hang.hanger.footprint_mm
    back = assembly.back_rail.thick_at_wall.value
    out = max(hang.hanger.stands_out_mm, 1.0)
    return tuple(
        Body(f"{HANGER}-{n}", hang.hanger.name, "metal",
             (Prism(rect(x - wide / 2, y - high / 2, x + wide / 2, y + high / 2), back, back + out),), HANGER)
        for n, (x, y) in enumerate(hang.places, 1)
    )  # fmt: skip
