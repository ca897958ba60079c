"""Puzzle frame: taped, sprayed onto a board with a margin, or glued, behind glazing."""

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import length_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import size_text, told_line
from shadbo.core.displays.base import FrameForm
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.bands import band_parts, bands_of
from shadbo.core.displays.rabbeted.flat_front import border_margins, lying
from shadbo.core.displays.rabbeted.framed_piece import framed, front_of, in_mm, layers_of, place_seen, rough_size
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.puzzle.options import HOME, LEVERS
from shadbo.core.displays.rabbeted.rows import merged, package_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Piece, Puzzle
from shadbo.core.sheet.units import ONE
from shadbo.core.sums.flat import flat_sums
from shadbo.core.words.words import Mm, both, say, sizes

MOUNTS = ("tape across the back", "spray adhesive", "glue on the face", "sink")


class PuzzleFrame(OnePiece):
    """A puzzle in its frame, three ways of holding it and a sink."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Puzzle frame"
    takes = "puzzles"

    def suits(self, piece: Piece) -> bool:
        """Puzzles."""
        return isinstance(piece.detail, Puzzle)

    def build(self, desk: Desk) -> Assembly:
        """Margin, package, frame; the board is cut after the puzzle lies on it."""
        s, p, options = desk.sheet, desk.practice, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        told_facts = desk.piece.told
        margin = desk.choose(
            "border.wanted", "margin round the puzzle", options.margin, p.puzzle_margin_mm, "practice of the shop"
        )
        bare = margin.value <= 0
        rough = rough_size(desk, flat, margin.value)
        slabs, glazing = layers_of(desk, options, told_facts, flat, in_mm(rough), p.air_paper_mm)
        slabs, frame = framed(desk, flat, options, (margin, margin), slabs, rough, glazing.kind == "acrylic")
        mount = choose_mount(desk, told_facts, flat.mass.value, MOUNTS, options.mount)
        taped = mount.taken.mount.id == "tape across the back"
        bands = bands_of(desk, flat.height) if taped else 1
        s.let(
            "mount.count",
            "bands of tape" if taped else "surface glued",
            s.decide("ceil((height − overlap) ÷ (tape − overlap))", bands, ONE, flat.height),
        )
        load_sums(desk, mount, flat.mass, s.number(1, ONE), flat.width)
        placed = None if bare else place_seen(desk, flat)
        package = Package(
            tuple(lying(slabs, flat, placed)),
            mount,
            s.number(0, flat.mass.unit),
            lambda f: front_of(desk, flat, placed, "board"),
            (
                say(desk.mark, "margin {}", margin) if not bare else both("no margin: under the lip"),
                say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
            ),
            reach_mm=margin.value + frame.lip.value,
            margins=None if bare else border_margins(frame.face.value),
            back=options.back or "sealed paper",
            parts=band_parts(desk, bands, flat.width) if taped else (),
            effort="tape pulls off the back" if mount.taken.mount.reversible else "glued for good",
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Margin, bands of tape, the board."""
        o, s = HOME.of(desk.job), desk.sheet
        own: dict[StationName, list[Question]] = {
            "sizes": [
                length_row(desk, HOME.to("margin"), "Margin round the puzzle", o.margin, s.get("border.wanted"))
            ]
        }
        if assembly is None:
            return own
        own["sizes"] += told_line(desk, "border.least", "Least margin seen")
        board = size_text(desk, s["package.width"], s["package.height"])
        own["mount"] = [
            told("Board, cut afterwards", board, "package.width", "glue first, then cut parallel to the puzzle"),
            told(
                "Turn it over",
                "between two boards",
                "",
                say(desk.mark, "each {} larger all round", Mm(desk.practice.turning_board_mm)),
            ),
        ]
        return merged(own, package_questions(desk, assembly, HOME.at, o))


DISPLAY = PuzzleFrame()
