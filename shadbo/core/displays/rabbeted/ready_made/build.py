"""Adapted ready-made box frame: measured as bought; glass used or left out, inner board cut down, packers added."""

from dataclasses import replace
from functools import partial

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import care, choice_row, reading_row, told
from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.build.setting import BackRail, Room
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import sheet_row, told_line
from shadbo.core.displays.base import Ask
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.bands import band_parts, bands_of
from shadbo.core.displays.rabbeted.bodies import begins_of, mount_ties, slab_bodies
from shadbo.core.displays.rabbeted.flat_front import border_margins, lying, place_in, placed_ring, seen
from shadbo.core.displays.rabbeted.layer_parts import layer_part
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.displays.rabbeted.ready_made.bought_box import (
    ASKED,
    LIP_THICK_MM,
    box_bodies,
    box_dimensions,
    box_ladder,
    box_of,
    box_parts,
    box_saw,
)
from shadbo.core.displays.rabbeted.ready_made.options import HOME, LEVERS
from shadbo.core.displays.rabbeted.ready_made.package import box_slabs
from shadbo.core.displays.rabbeted.rows import mount_questions
from shadbo.core.displays.rabbeted.under_spacer import beside_piece
from shadbo.core.displays.rabbeted.views import callouts
from shadbo.core.findings import StationName
from shadbo.core.hang.hanging import hanger_down
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.pieces import Needlework, Panel, Paper, Piece, PressedPlant, Puzzle
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.solids.body import Tie
from shadbo.core.sums.border import hinge_count
from shadbo.core.sums.flat import flat_sums
from shadbo.core.words.words import both, say, sizes

MOUNTS = {
    "paper": ("linen hinges", "corners", "tape all round"),
    "puzzle": ("tape across the back", "spray adhesive", "sink"),
    "needlework": ("stitching", "lacing", "barbs"),
    "pressed plant": ("linen hinges", "corners"),
    "panel": ("top tape", "sink"),
}


class ReadyMade(OnePiece):
    """A bought box frame, adapted."""

    home = HOME
    levers = LEVERS
    name = "Ready-made box, adapted"
    takes = "flat things"

    def suits(self, piece: Piece) -> bool:
        """Flat things."""
        return isinstance(piece.detail, Paper | Puzzle | Needlework | PressedPlant | Panel)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of the piece, then of the frame that was bought."""
        frame = HOME.of(desk.job).frame
        return super().asks(desk) + [
            Ask(f"{HOME.at}/frame/{name}", f"bought frame, {label}", "display")
            for name, (label, needed) in ASKED.items()
            if needed and getattr(frame, name) is None
        ]

    def build(self, desk: Desk) -> Assembly:
        """The frame is pinned from the start: boards and packers follow it."""
        s, p, o = desk.sheet, desk.practice, HOME.of(desk.job)
        flat, box = flat_sums(desk, desk.piece), box_of(desk, o.frame)
        facts = desk.piece.told
        one = s.number(1, MM)
        board_w = s.cut("board.width", "inner board, width", box.width - one, "down", p.cut_tolerance_mm)
        board_h = s.cut("board.height", "inner board, height", box.height - one, "down", p.cut_tolerance_mm)
        placed = place_in(desk, flat, box.width, box.height)
        slabs = box_slabs(desk, o, flat, box, facts, (board_w, board_h))
        hanger_down(desk, s["frame.outside_height"])
        mount = choose_mount(desk, facts, flat.mass.value, MOUNTS[desk.piece.detail.kind], o.mount)
        taped = mount.taken.mount.id == "tape across the back"
        count = hinge_count(flat.width.value) if mount.taken.mount.id == "linen hinges" else 4
        if taped:
            count = bands_of(desk, flat.height)
        around = 2 * (flat.width.value + flat.height.value)
        if mount.taken.mount.id in ("stitching", "lacing", "barbs"):
            count = max(int(around // p.stitches_apart_mm), 4)
        s.let("mount.count", "bands of tape" if taped else "fixings", s.number(count, ONE))
        if taped:
            load_sums(desk, mount, flat.mass, s.number(1, ONE), flat.width)
        else:
            load_sums(desk, mount, flat.mass, s["mount.count"], s.number(50, MM))
        saw = box_saw(box, (box.width.value - flat.width.value) / 2)
        parts: list[Part] = box_parts(desk, box)
        for layer in slabs:
            part = layer_part(desk, (board_w, board_h), layer)
            if part is not None:
                parts.append(replace(part, seen_from=("back",)) if layer is slabs[-1] else part)
        if taped:
            parts += band_parts(desk, count, flat.width)
        parts += [
            seen("field", "board", "board", "board.width"),
            seen(
                "piece-seen",
                KINDS[desk.piece.detail.kind].hatch,
                "piece",
                "piece.width",
                picture=Pictured.of(desk.piece, placed_ring(flat, placed)),
            ),
        ]
        slabs = lying(slabs, flat, placed)
        begins = begins_of(LIP_THICK_MM, slabs)
        beside = beside_piece(desk, (board_w, board_h), slabs, begins, mount)
        parts += beside.parts
        layered = slab_bodies(s, slabs, begins, (board_w.value, board_h.value))
        bodies = [*box_bodies(box), *layered, *beside.bodies]
        wall = s.let("rail.back_wall", "wall at the back", s.pick("largest", box.wall, s.number(6, MM)))
        room_end = LIP_THICK_MM + box.room.value
        return Assembly(
            s["frame.outside_width"],
            s["frame.outside_height"],
            box.depth,
            BackRail("softwood", wall, box.depth, s.number(0, MM), box.depth),
            tuple(parts),
            (),
            box_ladder(slabs),
            box_dimensions(desk, box),
            (),
            "right wall of the box, cut through",
            saw,
            {
                "sizes": (
                    say(desk.mark, "border {}", s["border.least"]),
                    say(desk.mark, "outside {}", sizes(desk.mark, box.outside_w, box.outside_h)),
                ),
                "depth": (
                    say(desk.mark, "{} in {}", s["depth.package"], box.room),
                    both(f"its glass {o.glass or 'used'}"),
                ),
                "mount": (
                    both(mount.taken.mount.id),
                    both(
                        ""
                        if mount.taken.mount.id in ("sink", "spray adhesive")
                        else f"{count} bands of tape"
                        if taped
                        else f"{count} fixings"
                    ),
                ),
                "parts": (say(desk.mark, "inner board {}", sizes(desk.mark, board_w, board_h)), both("")),
            },
            Room(LIP_THICK_MM, room_end, "box.depth", "to the tabs"),
            border_margins(box.wall.value),
            glazed=o.glass != "left out",
            mount=mount,
            goes_in="lay the package in and close the tabs",
            bodies=tuple(bodies),
            windows=beside.windows,
            board=(board_w, board_h),
            labels=partial(callouts, slabs),
            ties=(Tie(slabs[-1].id, bodies[0].id, "tabs", ("backwards",)), *mount_ties(slabs, mount)),
            effort="tabs up, and all comes out again",
        )

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """The bought frame's measures first: it is what all else follows."""
        o, _s = HOME.of(desk.job), desk.sheet
        rows = [
            reading_row(
                desk,
                f"{HOME.at}/frame/{name}",
                f"Bought frame, {label}",
                getattr(o.frame, name),
                f"box.{name}",
                needed,
            )
            for name, (label, needed) in ASKED.items()
        ]
        own: dict[StationName, list[Question]] = {"display": rows}
        if assembly is None:
            return own
        glass = o.glass or "used"
        own["sizes"] = [
            *told_line(desk, "border.least", "Least border"),
            *told_line(desk, "border.most", "Widest border"),
            *told_line(desk, "board.width", "Inner board, width", "under the clear opening: it drops inside"),
            *told_line(desk, "board.height", "Inner board, height"),
        ]
        boards = desk.stock.sheets_of("foam board", "mat", "hardboard")
        own["depth"] = [
            choice_row(
                HOME.to("glass"),
                "Its glass",
                [Choice(w, w, picked=w == glass) for w in ("used", "left out")],
                o.glass is not None,
                "left out, a packer of the same thickness takes its place",
            ),
            *told_line(desk, "air.needed", "Air in front of the piece, at least"),
            sheet_row(desk, HOME.to("board"), "Inner board", boards, o.board, "the first in the rack", "stack.board"),
            *told_line(desk, "depth.package", "New package"),
            *told_line(desk, "box.depth", "Tabs close at"),
            *told_line(desk, "depth.left", "Over", "the tabs take a millimetre either way"),
            care("Turned-up tabs are sharp: lift them with a tool, never a nail. Leave the glass in when you can."),
        ]
        own["mount"] = mount_questions(desk, assembly, HOME.at)
        hanger = o.frame.hanger_on
        own["parts"] = [
            told("Cut new cards", "on the waste side of a spare board", "", "never on the one you keep"),
            *parts_questions(desk, assembly),
        ]
        own["hang"] = [
            *(
                []
                if hanger == "top rail"
                else [told("Its own hanger", "does not come back", "", f"it sat on the {hanger}: a new one as below")]
            ),
            choice_row(
                HOME.to("frame/hanger_on"),
                "Its own hanger sat on",
                [Choice(w, w, picked=w == hanger) for w in ("top rail", "back panel", "stand")],
                True,
                "a part that is left out or turned round takes its hanger with it",
            ),
        ]
        return own


DISPLAY = ReadyMade()
