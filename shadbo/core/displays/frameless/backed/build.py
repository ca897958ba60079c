"""Frameless: a stiff backing glued to a puzzle or print, hung with wall strips or set on a ledge."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row, length_row, pin_row
from shadbo.core.build.assembly import Assembly, Callout, Dimension, Layer, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import sheet_row, told_line
from shadbo.core.displays.frameless.backed.options import HOME, LEVERS
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.displays.rabbeted.rows import mount_questions
from shadbo.core.displays.rabbeted.slabs import BACKING, HATCH
from shadbo.core.findings import StationName
from shadbo.core.hang.hanging_plain import wall_strips
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.pieces import Panel, Paper, Piece, Puzzle
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.boards import SheetKind, SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.solids.body import Body, Prism, Tie
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.flat import flat_sums
from shadbo.core.sums.weight import by_area
from shadbo.core.words.words import Mm, both, say, sizes

MOUNTS = ("glue to the backing", "glue on the face")
SEEN_MM = 60.0


class Backed(OnePiece):
    """No frame: a backing, and the wall."""

    home = HOME
    levers = LEVERS
    name = "Backed, no frame"
    takes = "puzzles, sheets and panels"

    def suits(self, piece: Piece) -> bool:
        """Puzzles, prints, panels."""
        return isinstance(piece.detail, Puzzle | Paper | Panel)

    def build(self, desk: Desk) -> Assembly:
        """Backing 2 mm inside every edge, in one sheet or two, and how it hangs."""
        s, p, o = desk.sheet, desk.practice, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        facts = desk.piece.told
        inset = desk.choose(
            "backing.inset", "backing inside the edge, each side", o.inset, p.backing_inset_mm, "practice of the shop"
        )
        stock = desk.take(
            SHEETS, "backing", LEVERS.backing, lambda: _stiff(desk, (flat.width.value, flat.height.value))
        )
        thick = s.choose("stack.backing", f"backing: {stock.name}", stock.thick_mm, MM, stock.name)
        width = s.cut("backing.width", "backing, width", flat.width - 2 * inset, "down", p.cut_tolerance_mm)
        height = s.cut("backing.height", "backing, height", flat.height - 2 * inset, "down", p.cut_tolerance_mm)
        pieces = _sheets(desk, stock, width, height)
        mass = s.let("mass.backing", "backing, mass", by_area(s, stock.kg_per_m2, width * height))
        mount = choose_mount(desk, facts, flat.mass.value, MOUNTS, o.mount)
        s.let("mount.count", "glued surface", s.number(1, ONE))
        load_sums(desk, mount, mass + flat.mass, s["mount.count"], flat.width)
        piece_line = s.let("stack.piece", "piece, in the package", flat.thick)
        depth = s.let("frame.depth", "piece and backing", piece_line + thick)
        outside_w = s.let("frame.outside_width", "outside width", flat.width)
        outside_h = s.let("frame.outside_height", "outside height", flat.height)
        hatch = KINDS[desk.piece.detail.kind].hatch
        t, b, i = piece_line.value, thick.value, inset.value
        w, h = flat.width.value, flat.height.value
        ring = tuple((x.value, y.value) for x, y in flat.shape.outline.points.values())
        parts = [
            Part(
                "piece",
                "piece",
                desk.piece.detail.kind,
                hatch,
                1,
                flat.width,
                flat.height,
                flat.thick,
                mass=flat.mass,
                key="stack.piece",
            ),
            Part(
                "backing",
                "backing",
                stock.name,
                HATCH[stock.kind],
                1,
                width,
                height,
                thick,
                mass=mass,
                seen_from=("back",),
                key="stack.backing",
                to_cut=True,
                note=pieces,
                price=width.value * height.value / 1e6 * stock.price_per_m2,
                sheet=stock,
            ),
            seen(
                "piece-seen",
                hatch,
                "piece",
                "piece.width",
                picture=Pictured.of(desk.piece, ring),
            ),
        ]
        bodies = (
            Body("piece", desk.piece.detail.kind, hatch, (Prism(ring, 0.0, t),), "piece",
                 enters="from the front"),
            Body("backing", f"backing: {stock.name}", HATCH[stock.kind],
                 (Prism(centred(width.value, height.value), t, t + b),), "backing", True),
        )  # fmt: skip
        return Assembly(
            outside_w,
            outside_h,
            depth,
            None,
            tuple(parts),
            (),
            (
                Layer("piece", 0, t, hatch, "stack.piece"),
                Layer("backing", t, t + b, HATCH[stock.kind], "stack.backing"),
            ),
            (
                Dimension("edge", (t, 0), (t, i), inset, "upright", 1, "low", "inset"),
                Dimension("edge", (0, SEEN_MM), (t + b, SEEN_MM), depth, "across", 1, "high", "deep"),
                Dimension("front", (-w / 2, -h / 2), (w / 2, -h / 2), outside_w, "across", 1, "low", "outside"),
                Dimension("front", (w / 2, -h / 2), (w / 2, h / 2), outside_h, "upright", 1, "high", "outside"),
            ),
            (
                Callout("edge", (t / 2, SEEN_MM - 6), desk.piece.detail.kind, flat.thick, key="stack.piece"),
                Callout("edge", (t + b / 2, SEEN_MM - 16), stock.name, thick, key="stack.backing"),
            ),
            "edge, cut through",
            Saw(SEEN_MM),
            {
                "sizes": (
                    sizes(desk.mark, outside_w, outside_h),
                    say(desk.mark, "backing {} inside", inset),
                ),
                "depth": (say(desk.mark, "{} deep", depth), both(stock.name)),
                "mount": (both(mount.taken.mount.id), both("weighted 2 to 4 h")),
                "parts": (say(desk.mark, "backing {}", sizes(desk.mark, width, height)), both("")),
            },
            hangs=(o.hung,) if o.hung else ("strips", "ledge") if wall_strips(desk) else ("ledge", "strips"),
            mount=mount,
            goes_in="glue the backing on and leave it under weights",
            effort="glued for good",
            wall_strip=o.strip,
            bodies=bodies,
            ties=(Tie("piece", "backing", mount.taken.mount.id),),
        )

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Backing, inset, strips or ledge."""
        o, s = HOME.of(desk.job), desk.sheet
        own: dict[StationName, list[Question]] = {
            "sizes": [length_row(desk, HOME.to("inset"), "Backing inside the edge", o.inset, s.get("backing.inset"))]
        }
        if assembly is None:
            return own
        stiff = desk.stock.sheets_of("mdf", "hardboard", "foam board", "corrugated plastic")
        own["depth"] = [sheet_row(desk, HOME.to("backing"), "Backing", stiff, o.backing, "stiff", "stack.backing")]
        own["depth"] += told_line(desk, "frame.depth", "Piece and backing")
        own["mount"] = mount_questions(desk, assembly, HOME.at)
        own["parts"] = [
            pin_row(desk, "backing.width", "Backing as cut, width"),
            pin_row(desk, "backing.height", "Backing as cut, height"),
            *told_line(
                desk,
                "backing.strip",
                "Second sheet, strip",
                say(desk.mark, "seam {} or more from a corner of the piece", Mm(desk.practice.seam_from_corner_mm)),
            ),
            *parts_questions(desk, assembly),
        ]
        choices = [
            Choice(None, "by its weight and size", picked=o.hung is None),
            Choice("strips", "wall strips", picked=o.hung == "strips"),
            Choice("ledge", "on a ledge", picked=o.hung == "ledge"),
        ]
        own["hang"] = [choice_row(HOME.to("hung"), "Shown on", choices, o.hung is not None)]
        own["hang"] += told_line(desk, "strips.count", "Wall strips", "even in number, corners first; unglazed only")
        return own


def _stiff(desk: Desk, size_mm: tuple[float, float]) -> SheetStock:
    """Foam board for small things, hardboard or MDF above: stiff enough not to bow on the wall."""
    kinds: tuple[SheetKind, ...] = (
        ("foam board", "mdf", "hardboard") if max(size_mm) <= 500 else ("mdf", "hardboard", "foam board")
    )
    for kind in kinds:
        fit = [x for x in desk.stock.sheets_of(kind) if x.holds(*size_mm)]
        if fit:
            return max(fit, key=lambda x: x.thick_mm)
    return next(iter(desk.stock.sheets_of("mdf", "hardboard", "foam board")), BACKING)


def _sheets(desk: Desk, stock: SheetStock, width: Quantity, height: Quantity) -> str:
    """One sheet, or two with the strip that the second must give."""
    if stock.holds(width.value, height.value):
        return "one sheet"
    s = desk.sheet
    small, large = sorted((stock.width_mm, stock.height_mm))
    short, long = sorted((width, height), key=lambda q: q.value)
    over = max(long.value - large, short.value - small, desk.practice.seam_from_corner_mm)
    across = short if long.value > large else long
    strip = s.let("backing.strip", "strip from a second sheet", s.decide("what one sheet lacks", over, MM, long))
    return say(desk.mark, "two sheets: a strip {}", sizes(desk.mark, strip, across)).pick(desk.mark.system)


DISPLAY = Backed()
