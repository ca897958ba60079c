"""Several pieces in one frame: read, arranged by rule or by hand, with the field that shows round them."""

from collections.abc import Mapping, Sequence
from functools import cached_property

from shadbo.core.build.assembly import Dot, Part, Ring
from shadbo.core.build.marked import Forbidden, Pictured, Shown
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask
from shadbo.core.displays.gathered.options import Layout
from shadbo.core.layout.rules import Block, arrange, rule_for
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Keepsake, Plate
from shadbo.core.pieces.zones import zone_ring
from shadbo.core.shapes.polygon import moved, offset
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.values import Length
from shadbo.core.sums.items import Item, item_of


@dataclass(frozen=True)
class Gathered:
    """Items with the middles of their outlines in the front plane, and the field that is seen."""

    items: tuple[Item, ...]
    at: Mapping[str, Dot]
    width: Quantity
    height: Quantity
    rule: str
    layout_at: str

    @cached_property
    def rings(self) -> Mapping[str, Ring]:
        """By item, its outline where it stands."""
        return {x.id: moved(x.ring, *self.at[x.id]) for x in self.items}

    def shown(self, seats: Mapping[str, str] | None = None, seats_at: str = "") -> tuple[Shown, ...]:
        """Every item as the layout has it; ``seats_at`` is where seats are kept in the job."""
        return tuple(
            Shown(
                x.id,
                x.name,
                self.rings[x.id],
                f"{x.key}.left",
                (seats or {}).get(x.id, "field"),
                f"{self.layout_at}/places/{x.id}",
                f"{seats_at}/{x.id}" if seats_at else "",
            )
            for x in self.items
        )


def item_asks(desk: Desk) -> list[Ask]:
    """Readings still missing of every piece that is shown."""
    out = []
    for piece in desk.pieces:
        noun = piece.name or piece.noun
        for m in measures(piece.detail):
            if m.needed and getattr(piece.detail, m.name) is None:
                label = m.label if len(desk.pieces) == 1 else f"{noun}: {m.label}"
                out.append(Ask(f"pieces/{piece.id}/detail/{m.name}", label))
    return out


def items_of(desk: Desk) -> tuple[Item, ...]:
    """Every piece on the sheet."""
    return tuple(item_of(desk, piece) for piece in desk.pieces)


def blocks_of(desk: Desk, items: Sequence[Item], captions: bool) -> list[Block]:
    """Blocks to arrange: a nameplate goes under the piece that it names."""
    ids = {x.id for x in items}
    under: dict[str, Item] = {}
    for x in items:
        of = x.piece.detail.caption_of if isinstance(x.piece.detail, Plate) else None
        if captions and of in ids and of not in under and of != x.id:
            under[of] = x
    taken = {x.id for x in under.values()}
    gap = desk.practice.caption_gap_mm
    out = []
    for x in items:
        if x.id in taken:
            continue
        plate = under.get(x.id)
        caption = (plate.id, plate.width.value, plate.height.value) if plate is not None else None
        out.append(Block(x.id, x.width.value, x.height.value, caption, gap))
    return out


def gather(
    desk: Desk,
    items: tuple[Item, ...],
    layout: Layout,
    margin: Length | None,
    layout_at: str,
    above_mm: float = 0.0,
) -> Gathered:
    """Arrange the items, and size the field: the group and a margin all round, or as it was decided.

    ``above_mm`` is kept free over the group for something else.
    """
    s, p = desk.sheet, desk.practice
    gap = desk.choose("layout.gap", "gap between outlines", layout.gap, p.layout_gap_mm, "practice of the shop")
    edge = desk.choose("layout.margin", "margin round the group", margin, p.box_margin_mm, "practice of the shop")
    blocks = blocks_of(desk, items, layout.captions is not False)
    rule = layout.rule or rule_for(blocks)
    group = arrange(blocks, rule, gap.value, layout.columns)
    optical = layout.centre == "optical"
    more = edge.value * (p.mat_weighting - 1) if optical else 0.0
    sizes = []
    for axis, size, decided, extra in (
        ("width", group.width, layout.width, 0.0),
        ("height", group.height, layout.height, more + above_mm),
    ):
        of = [x.width if axis == "width" else x.height for x in items]
        line = s.let(f"layout.{axis}", f"group, {axis}", s.decide(f"{rule}, equal gaps", size, MM, *of, gap))
        wanted = line + 2 * edge + s.number(extra, MM)
        if decided is not None:
            sizes.append(desk.choose(f"field.{axis}", f"field that is seen, {axis}", decided, 0, ""))
        else:
            sizes.append(s.let(f"field.{axis}", f"field that is seen, {axis}", wanted))
    width, height = sizes
    at = dict(group.at)
    for x in items:
        px, py = at[x.id]
        if isinstance(x.piece.detail, Keepsake) and x.piece.detail.stands:
            at[x.id] = (px, x.height.value / 2 - height.value / 2)
        else:
            at[x.id] = (px, py + (more - above_mm) / 2)
    return Gathered(items, places(desk, items, at, layout, (width, height)), width, height, rule, layout_at)


def places(
    desk: Desk,
    items: Sequence[Item],
    at: Mapping[str, Dot],
    layout: Layout,
    field: tuple[Quantity, Quantity],
) -> dict[str, Dot]:
    """Every middle in the front plane: by rule, or as put by hand; with its distances from the field's edges."""
    s = desk.sheet
    hand = {x.id: x for x in layout.places}
    w, h = field[0].value, field[1].value
    out: dict[str, Dot] = {}
    for x in items:
        px, py = at[x.id]
        place = hand.get(x.id)
        half_w, half_h = x.width.value / 2, x.height.value / 2
        left, top = px - half_w + w / 2, h / 2 - py - half_h
        if place is not None:
            left_q = desk.choose(f"{x.key}.left", f"{x.name}, from the left", place.left, 0, "")
            top_q = desk.choose(f"{x.key}.top", f"{x.name}, from the top", place.top, 0, "")
            left, top = left_q.value, top_q.value
        else:
            s.let(f"{x.key}.left", f"{x.name}, from the left", s.decide("by the rule", left, MM, x.width, field[0]))
            s.let(f"{x.key}.top", f"{x.name}, from the top", s.decide("by the rule", top, MM, x.height, field[1]))
        out[x.id] = (left + half_w - w / 2, h / 2 - top - half_h)
    return out


def item_parts(desk: Desk, group: Gathered) -> list[Part]:
    """Every piece as it is seen, with its mass."""
    return [
        Part(
            f"item-{x.id}",
            "piece",
            x.name,
            x.hatch,  # type: ignore[arg-type]
            1,
            x.width,
            x.height,
            x.front,
            mass=x.mass,
            seen_from=("front",),
            key=f"{x.key}.left",
            picture=Pictured.of(x.piece, group.rings[x.id]),
        )
        for x in group.items
    ]


def zones_of(desk: Desk, group: Gathered) -> tuple[Forbidden, ...]:
    """Zones of all pieces where they stand; round ink no steam within the practice's distance."""
    out = []
    for x in group.items:
        if not x.piece.zones:
            continue
        facts = x.piece.told
        for zone in x.piece.zones:
            ring = moved(zone_ring(zone, x.width.value, x.height.value), *group.at[x.id])
            try:
                steam = offset(ring, desk.practice.steam_clear_mm) if facts["may_be_steamed"] else ()
            except ValueError:
                steam = ()
            out.append(Forbidden(zone.what, x.id, ring, steam))
    return tuple(out)


def total_mass(items: Sequence[Item]) -> Quantity:
    """Mass of all pieces together."""
    total = items[0].mass
    for x in items[1:]:
        total = total + x.mass
    return total
