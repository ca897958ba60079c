"""Poster rails: clamping or magnetic rails along the top, and the bottom where the sheet would curl."""

from dataclasses import replace

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row
from shadbo.core.build.assembly import Assembly, Callout, Dimension, Layer, Part
from shadbo.core.build.marked import Pictured
from shadbo.core.build.mounts import carry, choose_mount
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import told_line, yes_no
from shadbo.core.displays.frameless.poster_rails.options import HOME, LEVERS
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.displays.rabbeted.rows import mount_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import Paper, Piece
from shadbo.core.shapes.rings import rect
from shadbo.core.sheet.units import KG, MM, ONE
from shadbo.core.shop.boards import PosterRail
from shadbo.core.shop.kept import POSTER_RAILS
from shadbo.core.solids.body import Body, Prism
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.flat import flat_sums
from shadbo.core.sums.hang import force
from shadbo.core.words.words import Mm, both, say

NONE = PosterRail(
    id="rail",
    name="poster rail, none listed",
    holds_by="clamp",
    length_mm=600,
    height_mm=22,
    depth_mm=14,
    hides_mm=18,
    mass_kg=0.3,
    rating_kg=1,
)
SEEN_MM = 60.0


class PosterRails(OnePiece):
    """A poster that hangs free between rails."""

    home = HOME
    levers = LEVERS
    name = "Poster rails"
    takes = "flat sheets"

    def suits(self, piece: Piece) -> bool:
        """Sheets of paper."""
        return isinstance(piece.detail, Paper)

    def build(self, desk: Desk) -> Assembly:
        """The nearest rail that is as long as the sheet is wide; what it hides; what the top one carries."""
        s, o = desk.sheet, HOME.of(desk.job)
        flat = flat_sums(desk, desk.piece)
        facts = desk.piece.told
        rail = desk.take(POSTER_RAILS, "rail", LEVERS.rail, lambda: _rail(desk, flat.width.value))
        bottom = o.bottom is not False
        source = rail.name + ("" if o.rail else ", the plan's choice")
        long = s.choose("rail.length", "rail, length", rail.length_mm, MM, source)
        s.let("rail.over", "rail beyond the sheet", long - flat.width)
        high = s.choose("rail.height", "rail, height", rail.height_mm, MM, source)
        deep = s.choose("rail.depth", "rail, depth", rail.depth_mm, MM, source)
        hides = s.choose("rail.hides", "each rail hides", rail.hides_mm, MM, source)
        n = 2 if bottom else 1
        s.let("sheet.seen", "height of the sheet that is seen", flat.height - float(n) * hides)
        tall = flat.height + float(n) * (high - hides)
        outside_h = s.let("frame.outside_height", "outside height, rails and all", tall)
        outside_w = s.let("frame.outside_width", "outside width", s.pick("largest", long, flat.width))
        rails = s.let("frame.mass", "rails", s.number(rail.mass_kg * n, KG), source)
        mount = choose_mount(desk, facts, flat.mass.value, ("clamping rail",), None)
        s.let("mount.count", "rails", s.number(n, ONE))
        held = flat.mass + s.number(rail.mass_kg if bottom else 0.0, KG)
        carry(desk, "mount", force(s, held), (rail.name, rail.rating_kg), desk.practice.magnet_factor)
        d, r, k = deep.value, high.value, hides.value
        middle = d / 2
        t = flat.thick.value
        w, h = outside_w.value / 2, outside_h.value / 2
        s.let("stack.piece", "sheet, in the rail", flat.thick)
        parts = [
            Part(
                "rail",
                "rail",
                rail.name,
                "wood",
                n,
                long,
                high,
                deep,
                mass=rails,
                seen_from=("front", "back"),
                key="rail.length",
                price=rail.price,
                fetched="poster rail",
            ),
            Part(
                "piece",
                "piece",
                "sheet",
                "paper",
                1,
                flat.width,
                flat.height,
                flat.thick,
                mass=flat.mass,
                key="stack.piece",
            ),
        ]
        low = -h + (r - k) if bottom else h - (r - k) - flat.height.value
        sheet = rect(-flat.width.value / 2, low, flat.width.value / 2, h - (r - k))
        bars = [(rect(-w, h - r, w, h), rect(-w, h - r + k, w, h))]
        bars += [(rect(-w, -h, w, -h + r), rect(-w, -h, w, -h + r - k))] if bottom else []
        bodies = (
            *(
                Body(f"rail-{i}", rail.name, "wood", (
                    Prism(bar, 0.0, middle - t / 2),
                    Prism(solid, middle - t / 2, middle + t / 2),
                    Prism(bar, middle + t / 2, d),
                ), "rail", i == 0)
                for i, (bar, solid) in enumerate(bars)
            ),
            Body("piece", "sheet", "paper", (Prism(sheet, middle - t / 2, middle + t / 2),), "piece",
                 enters="made with the frame"),
        )  # fmt: skip
        front = seen("sheet-seen", "paper", "piece", "piece.width", picture=Pictured.of(desk.piece, sheet))
        parts.insert(0, replace(front, seen_from=("front", "back")))
        return Assembly(
            outside_w,
            outside_h,
            s.let("frame.depth", "depth of the rail", deep),
            None,
            tuple(parts),
            (),
            (
                Layer("rail, front", 0, middle - t / 2, "wood", "rail.depth"),
                Layer("sheet", middle - t / 2, middle + t / 2, "paper", "stack.piece"),
                Layer("rail, back", middle + t / 2, d, "wood", "rail.depth"),
            ),
            (
                Dimension("edge", (0, 0), (0, r), high, "upright", 1, "low", "rail"),
                Dimension("edge", (d, 0), (d, k), hides, "upright", 1, "high", "hides"),
                Dimension("edge", (0, r), (d, r), deep, "across", 1, "high", "deep"),
                Dimension("front", (-w, -h), (w, -h), outside_w, "across", 1, "low", "rail"),
                Dimension("front", (w, -h), (w, h), outside_h, "upright", 1, "high", "outside"),
                Dimension(
                    "front",
                    (-flat.width.value / 2, h),
                    (flat.width.value / 2, h),
                    flat.width,
                    "across",
                    1,
                    "high",
                    "sheet",
                ),
            ),
            (Callout("edge", (middle, -20), "sheet", flat.thick, key="stack.piece"),),
            "top rail, cut through",
            Saw(SEEN_MM, side="top", zero_mm=h - r),
            {
                "sizes": (say(desk.mark, "rail {}", long), say(desk.mark, "{} of image seen", s["sheet.seen"])),
                "depth": (say(desk.mark, "{} deep", deep), both("the sheet hangs free")),
                "mount": (both(f"{n} rails" if n > 1 else "one rail"), say(desk.mark, "hides {} each", hides)),
                "parts": (both(f"{n} × {rail.name}"), both("")),
            },
            hangs=("cord",),
            mount=mount,
            bodies=bodies,
            goes_in="clamp the sheet into its rails",
            effort="rails off: nothing stays on it",
        )

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Which rail, one or two, a trial hang."""
        o, s = HOME.of(desk.job), desk.sheet
        if assembly is None:
            return {}
        choices = [
            Choice(
                None,
                "The plan chooses",
                both(_rail(desk, s["piece.width"].value).name),
                o.rail is None,
            )
        ]
        for rail in desk.stock.poster_rails:
            detail = say(desk.mark, "{} long, hides {}", Mm(rail.length_mm), Mm(rail.hides_mm))
            picked = o.rail is not None and o.rail.id == rail.id
            works = rail.length_mm >= s["piece.width"].value - 1e-6
            choices.append(Choice(rail.model_dump(mode="json"), rail.name, detail, picked, works))
        return {
            "display": [choice_row(HOME.to("rail"), "Rails", choices, o.rail is not None, menu=True)],
            "sizes": [
                yes_no(
                    HOME.to("bottom"),
                    "Bottom rail",
                    o.bottom is not False,
                    o.bottom is not None,
                    ("yes", "none"),
                    "its weight keeps the sheet flat, and the top rail carries it",
                ),
                *told_line(desk, "rail.length", "Rail"),
                *told_line(desk, "rail.over", "Rail beyond the sheet", "half on each side"),
                *told_line(desk, "sheet.seen", "Height that is seen"),
            ],
            "depth": told_line(desk, "rail.depth", "Depth"),
            "mount": [*mount_questions(desk, assembly, HOME.at), *told_line(desk, "rail.hides", "Each rail hides")],
            "parts": parts_questions(desk, assembly),
        }


def _rail(desk: Desk, width_mm: float) -> PosterRail:
    rails = sorted(desk.stock.poster_rails, key=lambda r: r.length_mm)
    return next((r for r in rails if r.length_mm >= width_mm - 1e-6), rails[-1] if rails else NONE)


DISPLAY = PosterRails()
