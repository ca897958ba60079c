"""Sash display: an old window sash as frame, a textile wrapped round a card core behind its glass."""

from functools import partial

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly, Dimension, Join
from shadbo.core.build.marked import Shown
from shadbo.core.build.mounts import choose_mount, load_sums
from shadbo.core.build.setting import BackRail, Room
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.displays.gathered.sash.bodies import sash_bodies
from shadbo.core.displays.gathered.sash.options import HOME, LEVERS
from shadbo.core.displays.gathered.sash.parts import SEEN_MM, sash_callouts, sash_layers
from shadbo.core.displays.gathered.sash.rows import ASKED, sash_questions
from shadbo.core.displays.gathered.sash.sums import (
    card_fixings,
    card_of,
    card_screws,
    cloth_of,
    cloth_reaches,
    core_of,
    layers_of,
    masses_of,
    slot_of,
)
from shadbo.core.displays.rabbeted.ready_made.bought_box import packers
from shadbo.core.displays.rabbeted.slabs import first_sheet
from shadbo.core.findings import StationName
from shadbo.core.hang.hanging import hanger_down
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Flag
from shadbo.core.pieces.pieces import Piece
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.kept import SCREWS, role
from shadbo.core.solids.slices import Saw
from shadbo.core.sums.items import item_of
from shadbo.core.words.words import both, say, sizes


class SashDisplay:
    """Flags, banners and quilts in an old window."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "none"
    name = "Old window sash"
    takes = "flags, banners and quilts"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Textiles that are folded to size."""
        return isinstance(piece.detail, Flag)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of the textile, then of the sash."""
        detail, at = desk.piece.detail, f"pieces/{desk.piece.id}/detail"
        out = [Ask(f"{at}/{m.name}", m.label) for m in measures(detail) if m.needed and not getattr(detail, m.name)]
        sash = HOME.of(desk.job).sash
        return out + [
            Ask(f"{HOME.at}/sash/{name}", f"sash, {label}", "display")
            for name, label in ASKED.items()
            if getattr(sash, name) is None
        ]

    def build(self, desk: Desk) -> Assembly:
        """Layers of cloth by its folds, core that drops in, card that is screwed beyond the cloth."""
        s, o = desk.sheet, HOME.of(desk.job)
        item = item_of(desk, desk.piece)
        got = {
            name: desk.read(f"sash.{name}", f"sash, {label}", getattr(o.sash, name)) for name, label in ASKED.items()
        }
        layers = layers_of(desk, o, item)
        core = core_of(desk, o, item, got, layers)
        card = card_of(desk, o, got, core)
        cloth = cloth_of(desk, item, layers)
        cloth_reaches(desk, item, core)
        slot_of(desk)
        s.let("box.depth", "room behind the glass", got["rebate"])
        core_sheet = first_sheet(desk, "core", LEVERS.core, (core[0].value, core[1].value), "foam board", "mat")
        core_t = s.choose("stack.core", f"core: {core_sheet.name}", core_sheet.thick_mm, MM, core_sheet.name)
        total = cloth + core_t
        more = packers(desk, got["rebate"], total)
        if more is not None:
            sheet, n = more
            one = s.choose("filler.one", "packer board", sheet.thick_mm, MM, sheet.name)
            many = s.let("filler.count", "packers", s.number(n, ONE))
            filler = s.let("stack.filler", "packers behind the core", one * many)
            total = total + filler
        s.let("depth.package", "package behind the glass", total)
        s.let("depth.left", "room still over behind the glass", got["rebate"] - total)
        card_sheet = first_sheet(
            desk, "card", LEVERS.card, (card[0].value, card[1].value), "backing", "hardboard", "mat"
        )
        card_t = s.choose("stack.card", f"rear card: {card_sheet.name}", card_sheet.thick_mm, MM, card_sheet.name)
        card_screws(desk, o, got, card_t)
        width = s.let("frame.outside_width", "outside width", got["outside_width"])
        height = s.let("frame.outside_height", "outside height", got["outside_height"])
        depth = s.let("frame.depth", "depth of the sash", got["thickness"] + card_t)
        hanger_down(desk, height)
        mass = masses_of(desk, got)
        screw_mm = s["card.screw"].value
        screw = desk.take(SCREWS, role("screw", f"{screw_mm:g}"), None, lambda: desk.screw(screw_mm))
        fixings = card_fixings(desk, card)
        join = Join(
            "card-screws", "screws through the card", screw.name, ("rail", "card"), fixings, s["card.screw"],
            screw.diameter_mm, operations=("pilot holes and washers; the pane stays taped",), key="card.screw_count",
            price=screw.price, pulls=True, wood="softwood",
        )  # fmt: skip
        facts = desk.piece.told
        mount = choose_mount(desk, facts, item.mass.value, ("wrapped on a core",), o.mount)
        s.let("mount.count", "runs of tape behind the core", s.number(2, ONE))
        load_sums(desk, mount, item.mass, s["mount.count"], core[0])
        wall = s.let("sash.wall", "rail of the sash", (got["outside_width"] - got["daylight_width"]) / 2)
        parts, layer_list = sash_layers(
            desk, item, got, wall, core, card, mass, (core_sheet, card_sheet), more[0] if more is not None else None
        )
        w, h = width.value / 2, height.value / 2
        free = s.pick("smallest", (width - card[0]) / 2, (height - card[1]) / 2)
        back = s.let("rail.back_wall", "back of the sash beside its card", free, way="down")
        deep = got["thickness"]
        room = got["thickness"].value - got["rebate"].value
        bodies, ties = sash_bodies(desk, item, got, core, card, join)
        saw = Saw(wall.value + SEEN_MM)
        f, tall = wall.value, got["daylight_height"].value / 2
        return Assembly(
            width,
            height,
            depth,
            BackRail("softwood", back, deep, s.number(0, MM), deep),
            tuple(parts),
            (join,),
            layer_list,
            (
                Dimension("edge", (0, 0), (0, f), wall, "upright", 1, "low", "rail"),
                Dimension("edge", (room, f), (deep.value, f), got["rebate"], "across", 1, "high", "room"),
                Dimension("front", (-w, -h), (w, -h), width, "across", 2, "low", "outside"),
                Dimension("front", (w, -h), (w, h), height, "upright", 2, "high", "outside"),
                Dimension("front", (-w + f, -h), (w - f, -h), got["daylight_width"], "across", 1, "low", "daylight"),
                Dimension("front", (w, -tall), (w, tall), got["daylight_height"], "upright", 1, "high", "daylight"),
            ),
            (),
            "right rail of the sash, cut through",
            saw,
            {
                "sizes": (
                    say(desk.mark, "core {}", sizes(desk.mark, *core)),
                    say(desk.mark, "outside {}", sizes(desk.mark, width, height)),
                ),
                "depth": (say(desk.mark, "{} in {}", s["depth.package"], got["rebate"]), both("its own glass")),
                "mount": (both(mount.taken.mount.id), both("nothing pierces it")),
                "parts": (say(desk.mark, "card {}", sizes(desk.mark, *card)), both("sash as it came")),
            },
            Room(room, deep.value, "box.depth", "behind the glass"),
            glazed=True,
            mount=mount,
            bodies=bodies,
            ties=ties,
            labels=partial(sash_callouts, parts),
            goes_in="lay the wrapped core behind the glass and screw its card on",
            effort="tape off, and the cloth is whole",
            shown=(Shown(item.id, item.name, centred(*(got[f"daylight_{a}"].value - 2 for a in ("width", "height"))),
                         f"{item.key}.width", "opening"),),
        )  # fmt: skip

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """The sash's readings first: all else follows it."""
        return sash_questions(desk, assembly)


DISPLAY = SashDisplay()
