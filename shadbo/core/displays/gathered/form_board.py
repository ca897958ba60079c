"""Inner forms of garments: a board a little inside the outline, that gives a pinned shirt its body."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Part
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.displays.gathered.held import Held
from shadbo.core.displays.rabbeted.slabs import first_sheet
from shadbo.core.pieces.objects import Garment
from shadbo.core.shapes.polygon import area, box_of, moved
from shadbo.core.sheet.units import MM, MM2
from shadbo.core.shop.kept import role
from shadbo.core.solids.body import Body, Prism, Tie
from shadbo.core.sums.form import form_ring
from shadbo.core.sums.weight import by_area
from shadbo.core.words.words import say

Made = tuple[Sequence[Body], Sequence[Tie]]


def with_forms(desk: Desk, group: Gathered, forms: Sequence[Part], made: Made) -> Made:
    """The bodies of a gathering and, in each garment, its form, which lies on the board."""
    bodies, ties = made
    more: list[Body] = []
    by = {b.id: b for b in bodies}
    for part in forms:
        x = next(x for x in group.items if part.id == f"form-{x.id}")
        whole, ring = by.get(f"item-{x.id}"), form_ring(desk, x.id, x.ring)
        if part.thick is None or whole is None or not ring:
            continue
        prism = Prism(moved(ring, *group.at[x.id]), whole.back_mm - part.thick.value, whole.back_mm)
        more.append(
            Body(part.id, part.name, "board", (prism,), part.id, laid=True, short=f"form for {x.name}", lot="form")
        )
    return (*bodies, *more), (*ties, *(Tie(b.id, f"item-{b.id.removeprefix('form-')}", "the garment") for b in more))


def form_parts(desk: Desk, group: Gathered, held: Held) -> list[Part]:
    """A form for each garment that hangs on pins; its outline is printed at full size as a template."""
    s, out = desk.sheet, []
    by = {m.of: m.taken.mount.id for m in held.mounts}
    for x in group.items:
        if not isinstance(x.piece.detail, Garment) or by.get(x.id) != "stainless pins":
            continue
        inside = s.choose(
            f"{x.key}.form_inside", "form inside the outline", desk.practice.form_inside_mm, MM, "practice"
        )
        left, low, right, high = box_of(x.ring)
        w, h = (
            s.cut(f"{x.key}.form_{axis}", f"form of {x.name}, {axis}", size - 2 * inside, "down", 1.0)
            for axis, size in (("width", x.width), ("height", x.height))
        )
        sheet = first_sheet(desk, role("form", x.id), None, (right - left, high - low), "foam board", "mat")
        ring = form_ring(desk, x.id, x.ring)
        net = s.decide("its outline", abs(area(ring)), MM2, inside) if ring else w * h
        thick = s.choose(f"{x.key}.form_thick", f"form: {sheet.name}", sheet.thick_mm, MM, sheet.name)
        note = say(desk.mark, "cut to its template, {} inside the outline; edges eased", inside)
        out.append(
            Part(
                f"form-{x.id}",
                "board",
                f"form for {x.name}: {sheet.name}",
                "board",
                1,
                w,
                h,
                thick,
                mass=by_area(s, sheet.kg_per_m2, net),
                key=f"{x.key}.form_width",
                to_cut=True,
                note=note.pick(desk.mark.system),
                price=w.value * h.value / 1e6 * sheet.price_per_m2,
                sheet=sheet,
            )
        )
    return out
