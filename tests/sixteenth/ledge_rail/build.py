"""Ledge rail: a panel stands in the groove of one rail that is screwed to the wall; it can be lifted out."""

from shadbo.core.displays.frameless.ledge_rail.options import HOME, LEVERS

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import care, length_row, pin_row
from shadbo.core.build.assembly import Assembly, Callout, Dimension, Layer, Part
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import told_line
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.displays.rabbeted.rows import mount_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Panel, Piece
from shadbo.core.shapes.rings import rect
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import PLAIN_STOCK
from shadbo.core.shop.materials import PlainStock
from shadbo.core.solids.body import Body, Prism
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.flat import flat_sums
from shadbo.core.sums.weight import solid
from shadbo.core.words.words import both, say, sizes

STOCK = PlainStock(id="square", name="square stock, none listed", face_mm=20, height_mm=45)
SEEN_MM = 60.0


class LedgeRail(OnePiece):
    """A panel in the groove of a rail."""

    home = HOME
    levers = LEVERS
    name = "Grooved ledge rail"

    def suits(self, piece: Piece) -> bool:
        """Panels: stiff enough to stand."""
        return isinstance(piece.detail, Panel)

    def build(self, desk: Desk) -> Assembly:
        """Groove by the panel's thickness and some play, half as deep as the rail is high."""
        s, p, o = desk.sheet, desk.practice, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        stock = desk.take(PLAIN_STOCK, "profile", LEVERS.profile, lambda: next(iter(desk.stock.plain_stock), STOCK))
        high = s.choose("ledge.high", "rail, height", stock.face_mm, MM, stock.name)
        deep = s.let(
            "frame.depth", "rail, from the wall", s.choose("ledge.deep", "rail", stock.height_mm, MM, stock.name)
        )
        more = desk.choose("ledge.beyond", "rail beyond the panel, each side", o.margin, 20, "the plan's")
        long = s.cut("ledge.long", "rail, length", flat.width + 2 * more, "up", p.cut_tolerance_mm)
        play = s.choose("groove.play", "play of the panel", p.core_play_mm, MM, "practice of the shop")
        wide = s.cut("groove.wide", "groove, width", flat.thick + play, "up", 0.2)
        into = s.cut("groove.deep", "groove, depth", high / 2, "down", 0.2)
        tall = s.let("frame.outside_height", "outside height", flat.height + high - into)
        across = s.let("frame.outside_width", "outside width", long)
        mass = s.let("frame.mass", "rail, estimated", solid(s, stock.species, high * deep - wide * into, long))
        d, r, g, t = deep.value, high.value, into.value, wide.value
        at = (d - t) / 2
        w, h, pw = across.value / 2, tall.value / 2, flat.width.value / 2
        low = -h + r - g
        bar, over, panel = rect(-w, -h, w, -h + r), rect(-w, -h, w, low), rect(-pw, low, pw, h)
        bodies = (
            Body("ledge", "grooved rail", "wood", (
                Prism(bar, 0.0, at), Prism(over, at, at + t), Prism(bar, at + t, d),
            ), "ledge", True),
            Body("piece", "panel", "cloth", (Prism(panel, at, at + flat.thick.value),), "piece",
                 enters="made with the frame"),
        )  # fmt: skip
        s.let("stack.piece", "panel, in the groove", flat.thick)
        parts = (
            seen("panel-seen", "cloth", "piece", "piece.width"),
            Part("ledge", "strip", f"grooved rail: {stock.name}", "wood", 1, long, high, deep, mass=mass,
                 seen_from=("front", "back"), key="ledge.long",
                 to_cut=True, price=long.value / 1000 * stock.price_per_m),
            Part("piece", "piece", "panel", "cloth", 1, flat.width, flat.height, flat.thick, mass=flat.mass,
                 key="stack.piece"),
        )  # fmt: skip
        return Assembly(
            across, tall, deep, None, parts, (),
            (Layer("rail", 0, at, "wood", "frame.depth"), Layer("panel", at, at + t, "cloth", "stack.piece"),
             Layer("rail, back", at + t, d, "wood", "frame.depth")),
            (Dimension("edge", (0, r), (d, r), deep, "across", 1, "high", "deep"),
             Dimension("front", (-w, -h), (w, -h), across, "across", 1, "low", "rail"),
             Dimension("front", (w, -h), (w, h), tall, "upright", 1, "high", "outside")),
            (Callout("edge", (at + t / 2, -20), "panel", flat.thick, key="stack.piece"),),
            "rail, cut through", Saw(SEEN_MM + h, side="top", zero_mm=-h),
            {"sizes": (sizes(desk.mark, across, tall), both("")),
             "depth": (say(desk.mark, "{} from the wall", deep), both(stock.name)),
             "mount": (both("stands in its groove"), both("lifts out")),
             "parts": (say(desk.mark, "rail {}", long), both(""))},
            bodies=bodies, hangs=("ledge",), goes_in="stand the panel in its groove", effort="lifts out",
        )  # fmt: skip

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """How long the rail is, and its groove."""
        o, s = HOME.of(desk.job), desk.sheet
        if assembly is None:
            return {}
        return {
            "sizes": [
                length_row(desk, HOME.to("margin"), "Rail beyond the panel", o.margin, s["ledge.beyond"]),
                *told_line(desk, "groove.wide", "Groove, width"),
                *told_line(desk, "groove.deep", "Groove, depth"),
            ],
            "mount": mount_questions(desk, assembly, HOME.at),
            "parts": [
                care("Router: hold-downs, and several passes to the depth."),
                pin_row(desk, "ledge.long", "Rail as cut"),
                *parts_questions(desk, assembly),
            ],
        }


DISPLAY = LedgeRail()
