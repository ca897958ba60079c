"""Window mat: flat paper under a single or double mat, hinged to its mount board, behind glazing."""

from dataclasses import replace
from typing import Literal

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.base import FrameForm
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.frame import Frame, frame_round
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.rows import merged, package_questions
from shadbo.core.displays.rabbeted.slabs import (
    Slab,
    air_needed,
    depth_needed,
    first_sheet,
    glazing_for,
    piece_slab,
    slab,
    spare_depth,
    together,
)
from shadbo.core.displays.rabbeted.spacers import spacer_slabs
from shadbo.core.displays.rabbeted.strainer import strainer_slab
from shadbo.core.displays.rabbeted.window_mat.bare import without_mat
from shadbo.core.displays.rabbeted.window_mat.hinging import MOUNTS, hinges
from shadbo.core.displays.rabbeted.window_mat.openings import openings, window_dims
from shadbo.core.displays.rabbeted.window_mat.options import HOME, LEVERS, MatOptions
from shadbo.core.displays.rabbeted.window_mat.rows import mat_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Paper, Piece, PressedPlant
from shadbo.core.shapes.plane import Dot
from shadbo.core.shapes.rings import around
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.sums.flat import FlatSums, flat_sums
from shadbo.core.words.words import say, sizes

MAT_AIR_MM = 1.2


class WindowMat(OnePiece):
    """The classic frame for paper."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Window mat"
    takes = "flat sheets and pressed plants"

    def suits(self, piece: Piece) -> bool:
        """Flat sheets."""
        return isinstance(piece.detail, Paper | PressedPlant)

    def build(self, desk: Desk) -> Assembly:
        """Window, mat, package, frame."""
        s, options = desk.sheet, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        if options.shows == "no mat":
            return without_mat(desk, options, flat)
        told = desk.piece.told
        window = _window(desk, options, flat)
        outer = _double(desk, options, window)
        bordered = _borders(desk, options, outer)
        wanted, off = bordered.size, bordered.off
        size = (
            wanted[0].value + desk.set_excess_mm("width", flat.width.value),
            wanted[1].value + desk.set_excess_mm("height", flat.height.value),
        )
        least = desk.practice.air_loose_mm if told["loose_surface"] else desk.practice.air_paper_mm
        glazing = glazing_for(desk, told, size, least)
        contact = bool(options.contact)
        needed = air_needed(desk, told, size, glazing, MAT_AIR_MM, contact)
        slabs = [slab(desk, "glazing", glazing.name, "glazing", glazing)]
        mats = _mats(desk, options, size, bordered.right)
        mats_mm = sum(m.thick.value for m in mats)
        more = needed.value - mats_mm
        if options.stands_off:
            between = spacer_slabs(desk, max(more, desk.practice.air_paper_mm), "mat_spacer")
        else:
            between = spacer_slabs(desk, more)
        behind = between if options.stands_off else []
        slabs += [] if options.stands_off else between
        board = first_sheet(desk, "board", LEVERS.board, size, "mat", "foam board")
        backing = first_sheet(desk, "backing", LEVERS.backing, size, "backing", "foam board", "corrugated plastic")
        size_q = (flat.width, flat.height)
        piece = piece_slab(desk, desk.piece.detail.kind, "paper", flat.thick, size_q, flat.mass)
        piece = replace(piece, off=off)
        slabs += [
            *mats,
            *behind,
            piece,
            slab(desk, "board", board.name, "board", board),
            slab(desk, "backing", backing.name, "backing", backing),
        ]
        s.let("air.made", "air in front of the piece", together([x for x in slabs if x.role in ("mat", "spacer")]))
        slabs += strainer_slab(desk, options)
        depth = depth_needed(desk, slabs).value
        frame = frame_round(desk, options, wanted, depth, glazing.kind == "acrylic")
        spare_depth(desk, frame.rabbet_depth)
        mount = choose_mount(desk, told, flat.mass.value, MOUNTS, options.mount)
        join = hinges(desk, flat, mount.taken.mount.id, off)
        load_sums(desk, mount, flat.mass, s["mount.count"], s.number(50, MM))
        mat_size = sizes(desk.mark, s["package.width"], s["package.height"])
        package = Package(
            tuple(slabs),
            mount,
            s.number(0, flat.mass.unit),
            lambda f: _front(f, flat, off, options),
            (say(desk.mark, "window {}", sizes(desk.mark, *window)), say(desk.mark, "mat {}", mat_size)),
            (join,),
            dimensions=lambda f: window_dims(f, window, outer if options.double else window, off),
            reach_mm=bordered.right.value + (outer[0].value - window[0].value) / 2,
            back=options.back or "sealed paper",
            effort="comes off its hinges again" if mount.taken.mount.reversible else "for good",
            windows=openings(window, outer, off, bool(options.double)),
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Window, mats and borders before what every package asks."""
        own = mat_questions(desk)
        if assembly is None:
            return own
        return merged(own, package_questions(desk, assembly, HOME.at, HOME.of(desk.job)))


def _window(desk: Desk, o: MatOptions, flat: FlatSums) -> tuple[Quantity, Quantity]:
    """The innermost edge, which is the line drawn on the back."""
    s, p = desk.sheet, desk.practice
    if (o.shows or "image") == "image":
        by = desk.choose("mat.overlap", "mat over the sheet, each side", o.overlap, p.mat_overlap_mm, "practice")
        sizes = (flat.width - 2 * by, flat.height - 2 * by)
        way = "down"
    else:
        by = desk.choose("mat.margin", "air round the sheet in the window", o.margin, p.mat_margin_mm, "practice")
        sizes = (flat.width + 2 * by, flat.height + 2 * by)
        way = "up"
    w, h = (
        s.cut(f"window.{axis}", f"window, {axis}", size, way, p.cut_tolerance_mm)  # type: ignore[arg-type]
        for axis, size in zip(("width", "height"), sizes, strict=True)
    )
    return w, h


def _double(desk: Desk, o: MatOptions, window: tuple[Quantity, Quantity]) -> tuple[Quantity, Quantity]:
    if not o.double:
        return window
    s, p = desk.sheet, desk.practice
    reveal = desk.choose("mat.reveal", "reveal of the inner mat", o.reveal, p.mat_reveal_mm, "practice of the shop")
    w, h = (
        s.cut(f"window.outer_{axis}", f"outer window, {axis}", q + 2 * reveal, "up", p.cut_tolerance_mm)
        for axis, q in zip(("width", "height"), window, strict=True)
    )
    return w, h


@dataclass(frozen=True, slots=True)
class Bordered:
    """The mat's size wanted, its border at the right, and how far the window stands right of and above its middle."""

    size: tuple[Quantity, Quantity]
    right: Quantity
    off: Dot


def _borders(desk: Desk, o: MatOptions, outer: tuple[Quantity, Quantity]) -> Bordered:
    s, p = desk.sheet, desk.practice
    border = desk.choose("mat.border", "border of the mat", o.border, p.mat_border_mm, "practice of the shop")
    weighted = (o.borders or "weighted") == "weighted"
    more = s.choose(
        "mat.weighting",
        "bottom border, times the top",
        p.mat_weighting if weighted else 1.0,
        ONE,
        "bottom weighted" if weighted else "equal",
    )
    bottom = s.let("mat.bottom", "border at the bottom", border * more)
    if o.border_bottom is not None:
        bottom = desk.choose("mat.bottom_wanted", "border at the bottom, wanted", o.border_bottom, 0, "")
    top, right, left = (_own_border(desk, o, side, border) for side in ("top", "right", "left"))
    sides = 2 * border if left is right else left + right
    width = s.let("mat.width", "mat, width wanted", outer[0] + sides)
    height = s.let("mat.height", "mat, height wanted", outer[1] + top + bottom)
    return Bordered((width, height), right, ((left.value - right.value) / 2, (bottom.value - top.value) / 2))


def _own_border(desk: Desk, o: MatOptions, side: Literal["top", "right", "left"], border: Quantity) -> Quantity:
    """The border of one side where it was decided, else that of all."""
    decided = {"top": o.border_top, "right": o.border_right, "left": o.border_left}[side]
    if decided is None:
        return border
    return desk.choose(f"mat.{side}", f"border, {side}, wanted", decided, 0, "")


def _mats(desk: Desk, o: MatOptions, size_mm: tuple[float, float], right: Quantity) -> list[Slab]:
    outer = first_sheet(desk, "mat", LEVERS.mat, size_mm, "mat")
    out = [slab(desk, "mat", outer.name, "mat", outer, ring_mm=right.value)]
    if o.double:
        inner = first_sheet(desk, "mat_inner", LEVERS.inner_mat, size_mm, "mat")
        out.append(
            slab(
                desk,
                "mat_inner",
                inner.name,
                "mat",
                inner,
                hatch="inner-mat",
                ring_mm=right.value + desk.sheet["mat.reveal"].value,
            )
        )
    return out


def _front(
    frame: Frame,
    flat: FlatSums,
    off: Dot,
    o: MatOptions,
) -> list[Part]:
    tone = o.mat.colour if o.mat else None
    under = o.inner_mat.colour if o.inner_mat else None
    out = [seen("mat-seen", "mat", "mat", "mat.border", "mat", tone)]
    if o.double:
        out.append(seen("inner-seen", "inner-mat", "mat_inner", "mat.reveal", tone=under))
    sheet = around(flat.width.value, flat.height.value, off)
    picture = Pictured.of(frame.desk.piece, sheet)
    if o.shows == "whole sheet":
        out.append(seen("window", "board", "board", "window.width"))
        out.append(seen("sheet", "paper", "piece", "piece.width", picture=picture))
    else:
        out.append(seen("window", "paper", "piece", "window.width", picture=picture))
    return out


DISPLAY = WindowMat()
