"""DXF for a mat cutter or a sign maker: millimetres, layers by role, openings as closed polylines."""

import io
from collections.abc import Iterable

from ezdxf import filemanagement
from ezdxf.document import Drawing

from shadbo.core.cutting.mat_lines import mats_of
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import Dot, Ring, anticlockwise, mirrored, moved
from shadbo.core.shapes.rings import centred

LAYERS = {
    "BOARD": 8,
    "MAT_OUTER": 1,
    "MAT_INNER": 3,
    "BOARD_CUTS": 5,
    "OUTLINES": 9,
    "HOLES": 6,
    "PINS": 30,
    "SLITS": 40,
    "EDGE_HOLES": 7,
    "CORNERS": 4,
    "ZONES": 2,
}
SPACE_MM = 100.0


class NothingToCut(ValueError):
    """A plan without boards that are cut out or marked."""


def _new() -> Drawing:
    doc = filemanagement.new("R2010")
    doc.header["$INSUNITS"] = 4
    doc.header["$MEASUREMENT"] = 1
    for name, colour in LAYERS.items():
        doc.layers.add(name, color=colour)
    return doc


def _closed(doc: Drawing, ring: Iterable[Dot], layer: str) -> None:
    doc.modelspace().add_lwpolyline(list(ring), close=True, dxfattribs={"layer": layer})


def as_dxf(plan: Plan, back: bool = True) -> str:
    """All boards side by side, each with its left bottom corner on a line at y = 0. ``back``: mats mirrored.

    Raises NothingToCut where there is no opening and nothing to mark.
    """
    a = plan.assembly
    if a is None or not (a.windows or a.spots):
        raise NothingToCut("this plan has no opening to cut and nothing to mark on a board")
    doc = _new()
    x = 0.0
    for mat in mats_of(plan):
        layer = {"mat": "MAT_OUTER", "mat_inner": "MAT_INNER"}.get(mat.id, "BOARD_CUTS")
        turn = back and mat.id.startswith("mat")

        def lay(ring: Ring, x: float = x, w: float = mat.width, h: float = mat.height, turn: bool = turn) -> Ring:
            return moved(anticlockwise(mirrored(ring) if turn else ring), x + w / 2, h / 2)

        _closed(doc, lay(centred(mat.width, mat.height)), "BOARD")
        for window in mat.windows:
            _closed(doc, lay(window.ring), layer)
        x += mat.width + SPACE_MM
    if a.spots:
        _marks(doc, plan, x)
    out = io.StringIO()
    doc.write(out)
    return out.getvalue()


def _marks(doc: Drawing, plan: Plan, x: float) -> None:
    """The mount board from the front, with outlines, holes, pins, slits and zones."""
    a = plan.assembly
    assert a is not None
    w, h = (q.value for q in (a.board or (a.outside_width, a.outside_height)))
    space = doc.modelspace()
    _closed(doc, moved(centred(w, h), x + w / 2, h / 2), "BOARD")
    for shown in a.shown:
        _closed(doc, moved(shown.ring, x + w / 2, h / 2), "OUTLINES")
    for zone in a.zones:
        _closed(doc, moved(zone.ring, x + w / 2, h / 2), "ZONES")
    for spot in a.spots:
        cx, cy = spot.at[0] + x + w / 2, spot.at[1] + h / 2
        if spot.kind == "slit":
            for d in (-3.0, 3.0):
                ends = ((cx - spot.size_mm / 2, cy + d), (cx + spot.size_mm / 2, cy + d))
                space.add_line(*ends, dxfattribs={"layer": "SLITS"})
            continue
        if spot.ring:  # bored into an edge: seen from the front it is no hole of the face
            _closed(doc, moved(spot.ring, x + w / 2, h / 2), "EDGE_HOLES")
            continue
        if spot.kind == "cable":  # through a rail, whose own drawing says where
            continue
        if spot.kind == "corner":
            for dx, dy in ((spot.size_mm / 2, 0.0), (0.0, spot.size_mm / 2)):
                space.add_line((cx - dx, cy - dy), (cx + dx, cy + dy), dxfattribs={"layer": "CORNERS"})
            continue
        layer = "PINS" if spot.kind == "pin" else "HOLES"
        space.add_circle((cx, cy), spot.size_mm / 2, dxfattribs={"layer": layer})
