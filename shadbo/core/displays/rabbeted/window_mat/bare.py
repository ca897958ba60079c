"""A sheet behind spacers without a mat: floated with air round it on its board, or edge to edge under the lip."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.flat_front import border_margins, lying
from shadbo.core.displays.rabbeted.framed_piece import framed, front_of, in_mm, layers_of, place_seen, rough_size
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.window_mat.hinging import MOUNTS, hinges
from shadbo.core.displays.rabbeted.window_mat.options import MatOptions
from shadbo.core.sheet.units import MM
from shadbo.core.sums.flat import FlatSums
from shadbo.core.words.words import both, say, sizes


def without_mat(desk: Desk, o: MatOptions, flat: FlatSums) -> Assembly:
    """Board, spacers under the lip, and the sheet hinged to the board; lengths in mm."""
    s, p, told = desk.sheet, desk.practice, desk.piece.told
    air = desk.choose("border.wanted", "air round the sheet, seen", o.margin, p.mat_margin_mm, "practice of the shop")
    bare = air.value <= 0
    rough = rough_size(desk, flat, air.value)
    slabs, glazing = layers_of(desk, o, told, flat, in_mm(rough), p.air_paper_mm, board_kinds=("mat", "foam board"))
    slabs, frame = framed(desk, flat, o, (air, air), slabs, rough, glazing.kind == "acrylic")
    mount = choose_mount(desk, told, flat.mass.value, MOUNTS, o.mount)
    join = hinges(desk, flat, mount.taken.mount.id)
    load_sums(desk, mount, flat.mass, s["mount.count"], s.number(50, MM))
    placed = None if bare else place_seen(desk, flat)
    package = Package(
        tuple(lying(slabs, flat, placed)),
        mount,
        s.number(0, flat.mass.unit),
        lambda f: front_of(desk, flat, placed, "board"),
        (
            both("edge to edge, under the lip") if bare else say(desk.mark, "air {} round it", air),
            say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
        ),
        (join,),
        reach_mm=air.value + frame.lip.value,
        margins=None if bare else border_margins(frame.face.value),
        back=o.back or "sealed paper",
        effort="comes off its hinges again" if mount.taken.mount.reversible else "for good",
    )
    return build_package(desk, frame, package)
