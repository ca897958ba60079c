"""The package of a bought box frame, front to back, up to the depth at which its tabs close."""

from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.ready_made.bought_box import Box, packers
from shadbo.core.displays.rabbeted.ready_made.options import ReadyMadeOptions
from shadbo.core.displays.rabbeted.slabs import (
    GLASS,
    HATCH,
    Slab,
    air_needed,
    first_sheet,
    piece_slab,
    slab,
    together,
)
from shadbo.core.displays.rabbeted.spacers import spacer_slabs
from shadbo.core.pieces.facts import Told
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.sums.flat import FlatSums


def box_slabs(
    desk: Desk, o: ReadyMadeOptions, flat: FlatSums, box: Box, facts: Told, board: tuple[Quantity, Quantity]
) -> list[Slab]:
    """Glass or its packer, spacer, piece, inner board, packers up to where the tabs close."""
    s, p = desk.sheet, desk.practice
    kind = desk.piece.detail.kind
    size = (board[0].value, board[1].value)
    slabs: list[Slab] = []
    play = s.number(1, MM)
    slot = (box.width + 2 * box.lip - play, box.height + 2 * box.lip - play)
    if o.glass == "left out":
        if o.packers is not False:
            thick = s.let("stack.glass_packer", "packer in place of the glass", box.glass)
            slabs.append(
                Slab(
                    "glass_packer",
                    "packer, as thick as the glass",
                    "packer",
                    thick,
                    "pad",
                    ring_mm=12.0,
                    size=slot,
                    note="no thinner and no thicker",
                    enters="made with the frame",
                )
            )
    else:
        thick = s.let("stack.glazing", "glass of the frame", box.glass)
        pane = GLASS.model_copy(update={"thick_mm": box.glass.value, "price_per_m2": 0.0})
        slabs.append(Slab("glazing", "its glass", "glazing", thick, "glass", pane, cut=False, size=slot,
                          enters="made with the frame"))  # fmt: skip
        least = p.air_textile_mm if kind == "needlework" else p.air_paper_mm
        needed = air_needed(desk, facts, size, pane, least, False)
        spacers = spacer_slabs(desk, needed.value)
        slabs += spacers
        if spacers:
            s.let("air.made", "air in front of the piece", together(spacers))
    slabs.append(piece_slab(desk, kind, KINDS[kind].hatch, flat.thick, (flat.width, flat.height), flat.mass))
    card = first_sheet(desk, "board", desk.levers.board, size, "foam board", "mat")
    slabs.append(slab(desk, "board", card.name, "board", card))
    total = slabs[0].thick
    for layer in slabs[1:]:
        total = total + layer.thick
    more = packers(desk, box.room, total) if o.packers is not False else None
    if more is not None:
        sheet, n = more
        one = s.choose("filler.one", "packer board", sheet.thick_mm, MM, sheet.name)
        fill = s.let("stack.filler", "packers behind", one * s.number(n))
        stack = sheet.model_copy(update={"thick_mm": sheet.thick_mm * n, "price_per_m2": sheet.price_per_m2 * n})
        slabs.append(Slab("filler", sheet.name, "packer", fill, HATCH[sheet.kind], stack, count=n))
        total = total + fill
    s.let("depth.package", "package, all layers", total)
    s.let("depth.left", "depth still over at the tabs", box.room - total)
    return slabs
