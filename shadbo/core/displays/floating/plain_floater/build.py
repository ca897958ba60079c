"""Floater from plain stock: square-edged rails, mitred, with support strips glued inside."""

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.setting import Suitability
from shadbo.core.desk import Desk
from shadbo.core.displays.floating.floated import (
    Body,
    canvas_of,
    face_of,
    float_canvas,
    gap_of,
    is_canvas,
)
from shadbo.core.displays.floating.plain_floater.cleat import with_cleat
from shadbo.core.displays.floating.plain_floater.options import HOME, LEVERS
from shadbo.core.displays.floating.rows import floater_questions
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Piece
from shadbo.core.sheet.quantity import DUST
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import PLAIN_STOCK
from shadbo.core.shop.materials import PlainStock
from shadbo.core.sums.canvas import CanvasSums
from shadbo.core.sums.order import order_mm
from shadbo.core.words.words import Mm, Sentence

FALLBACK = PlainStock(id="square", name="square stock, none listed", face_mm=20, height_mm=50)
LEAST_STRIP_MM = 6.0


class PlainFloater(OnePiece):
    """The floater that a shop builds without a floater moulding."""

    home = HOME
    levers = LEVERS
    name = "Floater from plain stock"
    takes = "canvases on bars, or to be put on bars"

    def suits(self, piece: Piece) -> bool:
        """Canvases on bars."""
        return is_canvas(piece)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Stock, gap, face position, strips and screws."""
        return floater_questions(desk, assembly, plain=True)

    def build(self, desk: Desk) -> Assembly:
        """The strip's height sets the face: stock height less canvas depth less face position."""
        s, p, options = desk.sheet, desk.practice, HOME.of(desk.job)
        canvas = canvas_of(desk)
        gap, face = gap_of(desk, options, canvas), face_of(desk, options)
        held = _held(desk, canvas, face.value, gap.value)
        best = held[0].profile if held else FALLBACK
        planned = best if isinstance(best, PlainStock) else FALLBACK
        stock = desk.take(PLAIN_STOCK, "profile", LEVERS.profile, lambda: planned)
        source = stock.name + ("" if options.stock else ", the plan's choice")
        wall = s.choose("profile.wall", "face of the stock", stock.face_mm, MM, source)
        high = s.choose("profile.height", "height of the stock", stock.height_mm, MM, source)
        wanted = s.let("strip.wanted", "support strip, height wanted", high - canvas.depth - face)
        s.let("pad.wanted", "room behind the canvas less the least strip", wanted - s.number(LEAST_STRIP_MM, MM))
        least = s.pick("largest", wanted, s.number(LEAST_STRIP_MM, MM))
        strip = s.cut("strip.height", "support strip, height", least, "nearest", p.cut_tolerance_mm)
        bevel = strip if options.bevelled else None
        default = max(gap.value + p.ledge_beyond_gap_mm, 20.0) + (strip.value if bevel is not None else 0.0)
        ledge = desk.choose("profile.ledge", "support strip, width", options.strip_width, default, "gap and grip")
        inside = s.made("frame.inside_depth", "depth in front of the strips", high - strip)
        made = s.made("face.made", "face behind the frame's front edge", inside - canvas.depth)
        mitred = options.glued == "before mitring"
        body = Body(stock, held, wall, ledge, strip, inside, s.number(0, MM), (), made, mitred, bevel)
        assembly = float_canvas(desk, options, canvas, gap, body)
        return assembly if bevel is None else with_cleat(desk, assembly, ledge, strip)


def _held(desk: Desk, canvas: CanvasSums, face_mm: float, gap_mm: float) -> tuple[Suitability, ...]:
    """Plain stock held against the canvas: what is left for the strips, and the price of the rails."""
    out = []
    for stock in desk.stock.plain_stock:
        strip = stock.height_mm - canvas.depth.value - face_mm
        low = Sentence("{} too low", (Mm(LEAST_STRIP_MM - strip, "up"),))
        faults = [] if strip >= LEAST_STRIP_MM - DUST else [low]
        more = 2 * (gap_mm + stock.face_mm)
        order = order_mm(canvas.width.value + more, canvas.height.value + more, stock.face_mm)
        out.append(
            Suitability(
                stock,
                Sentence("strips {}", (Mm(max(strip, 0)),)),
                tuple(faults),
                order / 1000 * stock.price_per_m,
                max(LEAST_STRIP_MM - strip, 0),
                1000.0,
                Sentence("face {}, height {}", (Mm(stock.face_mm), Mm(stock.height_mm))),
            )
        )
    return tuple(sorted(out, key=lambda h: (len(h.faults), h.missing_mm, h.price, h.profile.id)))


DISPLAY = PlainFloater()
