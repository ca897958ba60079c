"""Two-pane float: the piece between two panes with a clear border all round; both sides are seen."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row, length_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import sheet_row, told_line
from shadbo.core.displays.base import FrameForm
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.bench_rows import GLASS_DRIES_MIN
from shadbo.core.displays.rabbeted.flat_front import border_margins, lying
from shadbo.core.displays.rabbeted.framed_piece import framed, front_of, in_mm, place_seen, rough_size
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.panes.options import HOME, LEVERS, PanesOptions
from shadbo.core.displays.rabbeted.rows import merged, package_questions
from shadbo.core.displays.rabbeted.slabs import GLASS, own_glass, piece_slab, slab
from shadbo.core.findings import StationName
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.pieces import Needlework, Paper, Piece, PressedPlant
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import ONE
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.sums.border import border_in
from shadbo.core.sums.flat import FlatSums, flat_sums
from shadbo.core.words.words import say, sizes

MOUNTS = ("friction", "top tape")
THIN_MM = 2.0


class TwoPanes(OnePiece):
    """A float between panes, seen through."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Two-pane float"
    takes = "flat light things: sheets, pressed plants, textiles"

    def suits(self, piece: Piece) -> bool:
        """Flat light things."""
        return isinstance(piece.detail, Paper | PressedPlant | Needlework)

    def build(self, desk: Desk) -> Assembly:
        """Border in the opening, panes, ring behind them, straps on the top rail."""
        s, options = desk.sheet, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        facts = desk.piece.told
        border = _border(desk, options, flat)
        least = min(q.value for q in border)
        rough = rough_size(desk, flat, least)
        hatch = KINDS[desk.piece.detail.kind].hatch
        own = own_glass(desk)
        cut = None if own is not None and options.second_frame else _pane(desk, facts["loose_surface"], in_mm(rough))
        pane, behind = own or cut or GLASS, cut or own or GLASS
        slabs = [
            slab(desk, "glazing", f"front pane, {pane.name}", "glazing", pane),
            piece_slab(desk, desk.piece.detail.kind, hatch, flat.thick, (flat.width, flat.height), flat.mass),
            slab(desk, "back_pane", f"back pane, {_of_second(behind, own)}", "glazing", behind),
        ]
        slabs, frame = framed(desk, flat, options, border, slabs, rough, pane.kind == "acrylic")
        ids = MOUNTS if pane.thick_mm >= THIN_MM else ("top tape",)
        mount = choose_mount(desk, facts, flat.mass.value, ids, options.mount)
        s.let("mount.count", "strips along the top edge", s.number(1, ONE))
        load_sums(desk, mount, flat.mass, s["mount.count"], flat.width)
        placed = place_seen(desk, flat)
        package = Package(
            tuple(lying(slabs, flat, placed)),
            mount,
            s.number(0, flat.mass.unit),
            lambda f: front_of(desk, flat, placed, "glass", "back_pane", both_sides=True),
            (
                say(desk.mark, "border {}", s["border.least"]),
                say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
            ),
            reach_mm=least + frame.lip.value,
            margins=border_margins(frame.face.value),
            see_through=True,
            back=options.back or "sealed paper",
            goes_in="lay the piece between its panes by the corner marks and close them",
            effort="open the panes: nothing stays on it" if mount.taken.mount.id == "friction" else "peel one strip",
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Border or given opening, the panes, corner marks."""
        o, s = HOME.of(desk.job), desk.sheet
        own: dict[StationName, list[Question]] = {
            "sizes": [
                *(
                    []
                    if o.opening_width and o.opening_height
                    else [
                        length_row(
                            desk, HOME.to("border"), "Border, clear all round", o.border, s.get("border.wanted")
                        )
                    ]
                ),
                length_row(
                    desk, HOME.to("opening_width"), "Opening given, width", o.opening_width, None, "none given"
                ),
                length_row(
                    desk, HOME.to("opening_height"), "Opening given, height", o.opening_height, None, "none given"
                ),
            ]
        }
        if assembly is None:
            return own
        own["sizes"] += told_line(desk, "border.width", "Border, left and right")
        own["sizes"] += told_line(desk, "border.height", "Border, top and bottom")
        own["sizes"] += told_line(desk, "border.differ", "For equal borders the opening would have to change by")
        own["depth"] = [*self._second(desk, o), *self._panes(desk, o)]
        own["mount"] = [
            told("Faces to clean", "four", "", f"and dry for {GLASS_DRIES_MIN} min before the piece goes down"),
            told("Corner marks", "four, low tack", "", "from the front as given; mirrored as read from behind"),
        ]
        return merged(own, package_questions(desk, assembly, HOME.at, o))

    def _panes(self, desk: Desk, o: PanesOptions) -> list[Question]:
        if own_glass(desk) is not None and o.second_frame:
            return []
        panes, what = [x for x in desk.stock.sheets if x.glazing], "Panes" if own_glass(desk) is None else "Back pane"
        return [sheet_row(desk, HOME.to("pane"), what, panes, o.pane, "two of a kind", "stack.glazing")]

    def _second(self, desk: Desk, o: PanesOptions) -> list[Question]:
        """Where a frame was bought with its glass: whether a second like it gives the other pane; what is left."""
        if own_glass(desk) is None:
            return []
        choices = [
            Choice(None, "cut anew", picked=not o.second_frame),
            Choice(True, "of a second frame", picked=bool(o.second_frame)),
        ]
        rows = [choice_row(HOME.to("second_frame"), "The back pane", choices, o.second_frame is not None)]
        if o.second_frame and "frame.outside_width" in desk.sheet:
            outside = sizes(desk.mark, desk.sheet["frame.outside_width"], desk.sheet["frame.outside_height"])
            left = say(desk.mark, "its rails, outside {}", outside)
            rows.append(told("Left of the second frame", left, "", "its mat, back and hangers too: label them"))
        return rows


def _of_second(pane: SheetStock, own: SheetStock | None) -> str:
    return "glass of a second frame like it" if pane is own else pane.name


def _border(desk: Desk, options: PanesOptions, flat: FlatSums) -> tuple[Quantity, Quantity]:
    """Wanted border; on an axis whose opening is given it is half of what is over."""
    s, p = desk.sheet, desk.practice
    wanted = desk.choose("border.wanted", "border, clear all round", options.border, p.pane_border_mm, "practice")
    given = (("width", options.opening_width, flat.width), ("height", options.opening_height, flat.height))
    across, up = (
        wanted
        if decided is None
        else border_in(s, axis, desk.choose(f"opening.{axis}", f"opening, {axis}", decided, 0, ""), size)
        for axis, decided, size in given
    )
    return across, up


def _pane(desk: Desk, loose: bool, size_mm: tuple[float, float]) -> SheetStock:
    """Glass lifts no loose pigment; large panes are acrylic."""
    return desk.take(SHEETS, "pane", LEVERS.pane, lambda: _nearest_pane(desk, loose, size_mm))


def _nearest_pane(desk: Desk, loose: bool, size_mm: tuple[float, float]) -> SheetStock:
    large = max(size_mm) > desk.practice.acrylic_over_mm and not loose
    for kind in ("acrylic", "glass") if large else ("glass", "acrylic"):
        fit = [x for x in desk.stock.sheets_of(kind) if x.holds(*size_mm) and not x.coated]
        if fit:
            return fit[0]
    return next((x for x in desk.stock.sheets if x.glazing), GLASS)


DISPLAY = TwoPanes()
