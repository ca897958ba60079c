"""Needlework frame: textile drawn over a board, behind glazing, no mat."""

from dataclasses import replace

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import length_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import MountPlan, choose_mount, load_sums
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import size_text, told_line
from shadbo.core.displays.base import FrameForm
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.flat_front import border_margins
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.framed_piece import framed, front_of, in_mm, layers_of, place_seen, rough_size
from shadbo.core.displays.rabbeted.needlework.options import HOME, LEVERS
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.rows import merged, package_questions
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Needlework, Piece
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.sums.flat import FlatSums, flat_sums
from shadbo.core.words.words import Mm, say, sizes

MOUNTS = ("barbs", "stitching", "lacing")
FOLDS_MM = 2.0
"""What folds and tape add behind the board: common practice, no source."""


class NeedleworkFrame(OnePiece):
    """Cloth over a board under glazing."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Needlework frame"
    takes = "needlework and woven textiles"

    def suits(self, piece: Piece) -> bool:
        """Textiles with a design."""
        return isinstance(piece.detail, Needlework)

    def build(self, desk: Desk) -> Assembly:
        """Border, package, frame; the board is the package less the cloth on both sides."""
        s, p, options = desk.sheet, desk.practice, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        facts = desk.piece.told
        border = desk.choose(
            "border.wanted", "border round the design", options.border, p.textile_border_mm, "practice of the shop"
        )
        rough = rough_size(desk, flat, border.value)
        cloth = cloth_of(desk)
        least = s.number(FOLDS_MM, MM)
        folds = s.let("stack.folds", "folds and tape behind the board", s.pick("largest", least, 2 * cloth),
                      "two layers at least, more of a thick cloth")  # fmt: skip
        slabs, glazing = layers_of(desk, options, facts, flat, in_mm(rough), p.air_textile_mm)
        slabs.insert(-1, Slab("folds", "folds and tape", "pad", folds, "textile", ring_mm=25, cut=False))
        slabs, frame = framed(desk, flat, options, (border, border), slabs, rough, glazing.kind == "acrylic")
        slabs = [replace(x, wrapped=x.id == "piece") for x in slabs]
        mount = choose_mount(desk, facts, flat.mass.value, MOUNTS, options.mount)
        slabs = _board(desk, frame, flat, slabs)
        _fixings(desk, frame, mount)
        load_sums(desk, mount, flat.mass, s["mount.count"])
        placed = place_seen(desk, flat)
        package = Package(
            tuple(slabs),
            mount,
            s.number(0, flat.mass.unit),
            lambda f: front_of(desk, flat, placed, "textile", "piece"),
            (
                say(desk.mark, "border {}", border),
                say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
            ),
            reach_mm=0,
            margins=border_margins(frame.face.value),
            back=options.back or "sealed paper",
            effort="unpicked, the cloth comes back whole",
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Border, board, cloth, the line of the fixings."""
        o, s = HOME.of(desk.job), desk.sheet
        own: dict[StationName, list[Question]] = {
            "sizes": [
                length_row(desk, HOME.to("border"), "Border round the design", o.border, s.get("border.wanted"))
            ]
        }
        if assembly is None:
            return own
        own["sizes"] += told_line(desk, "border.least", "Least border seen")
        board = size_text(desk, s["board.width"], s["board.height"])
        cloth = size_text(desk, s["cloth.width"], s["cloth.height"])
        straight = getattr(desk.piece.detail, "straightest", "bottom")
        own["mount"] = [
            told("Board, to wrap", board, "board.width", "rabbet less allowance and the cloth on both sides"),
            told(
                "Cloth wanted, at least",
                cloth,
                "cloth.width",
                say(desk.mark, "the board and {} to turn on each side", Mm(desk.practice.cloth_turn_mm)),
            ),
            told("Start", f"at a corner, along the {straight} edge", "", "it is the straightest"),
            *told_line(desk, "mount.line", "Line of fixings from the board's edge, at most", "hidden under the lip"),
        ]
        return merged(own, package_questions(desk, assembly, HOME.at, o))


def cloth_of(desk: Desk) -> Quantity:
    """The cloth where it turns: as it was read, else as cloth usually is."""
    read = getattr(desk.piece.detail, "thickness", None)
    if read is not None:
        return desk.sheet.let("cloth.thick", "cloth, thickness", desk.sheet[f"{desk.prefix(desk.piece)}.thickness"])
    return desk.sheet.choose("cloth.thick", "cloth, thickness", desk.practice.cloth_mm, MM, "common practice")


def _board(desk: Desk, frame: Frame, flat: FlatSums, slabs: list[Slab]) -> list[Slab]:
    """The board that the cloth is drawn over, and how much cloth that takes."""
    s, p = desk.sheet, desk.practice
    cloth = s["cloth.thick"]
    turn = s.choose("cloth.turn", "cloth turned behind, each side", p.cloth_turn_mm, MM, "practice of the shop")
    sizes = []
    for axis, package in (("width", frame.package_w), ("height", frame.package_h)):
        board = s.cut(f"board.{axis}", f"board, {axis}", package - 2 * cloth, "down", p.cut_tolerance_mm)
        s.let(f"cloth.{axis}", f"cloth, {axis}, at least", board + 2 * turn, way="up")
        design = flat.width if axis == "width" else flat.height
        ends = ("left", "right") if axis == "width" else ("top", "bottom")
        free = s.pick("smallest", *[s[f"piece.margin_{end}"] for end in ends])
        s.let(f"cloth.spare_{axis}", f"cloth to spare on the {axis}", free - (board - design) / 2 - turn, way="down")
        sizes.append(board)
    return [
        Slab(x.id, x.name, x.role, x.thick, x.hatch, x.sheet, x.ring_mm, (sizes[0], sizes[1]), x.mass)
        if x.role == "board"
        else x
        for x in slabs
    ]


def _fixings(desk: Desk, frame: Frame, mount: MountPlan) -> None:
    """How many fixings go round the board, and the line that stays under the lip."""
    s, p = desk.sheet, desk.practice
    apart = p.barbs_apart_mm if mount.taken.mount.id == "barbs" else p.stitches_apart_mm
    step = s.choose("mount.apart", f"{mount.taken.mount.id}, apart", apart, MM, "practice of the shop")
    around = 2 * (s["board.width"] + s["board.height"])
    s.let("mount.count", f"{mount.taken.mount.id}, all round", s.count(around / step))
    one = s.number(1, MM)
    slid = s["fit.worst_hold"] - s["cloth.thick"] - one
    s.let("mount.line", "line from the board's edge, at most", slid, "hidden when it slides over, unshimmed", "down")


DISPLAY = NeedleworkFrame()
