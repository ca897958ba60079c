"""Sash display: an old window sash as frame, a textile wrapped round a card core behind its glass."""

import math

from shadbo.core.assembly import Assembly, Dimension
from shadbo.core.box_options import SashOptions
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import sheet_row, told_line
from shadbo.core.displays.base import Ask
from shadbo.core.displays.bought_box import packers
from shadbo.core.displays.glazed_questions import parts_questions
from shadbo.core.displays.sash_parts import sash_callouts, sash_layers
from shadbo.core.displays.slabs import first_sheet
from shadbo.core.edits import Edit
from shadbo.core.facts import tell
from shadbo.core.findings import StationName
from shadbo.core.hanging import hanger_down
from shadbo.core.marked import Shown
from shadbo.core.measures import measures
from shadbo.core.mounts import choose_mount, load_sums
from shadbo.core.objects import Flag
from shadbo.core.pieces import Piece
from shadbo.core.quantity import Quantity
from shadbo.core.questions import Choice, Question
from shadbo.core.rings import centred
from shadbo.core.rows import act, care, choice_row, length_row, reading_row, told
from shadbo.core.setting import BackRail, Room
from shadbo.core.sums.items import Item, item_of
from shadbo.core.sums.weight import by_area
from shadbo.core.units import KG, MM, ONE
from shadbo.core.words import both, say, sizes

AT = "options/sash"
LEVERS = {name: f"{AT}/{name}" for name in ("hidden", "core", "card", "card_over", "layers")}
ASKED = {
    "daylight_width": "glass that is seen, width",
    "daylight_height": "glass that is seen, height",
    "outside_width": "outside width",
    "outside_height": "outside height",
    "thickness": "thickness, front to back",
    "rebate": "room behind the glass",
    "glass": "glass, thickness",
}
RAIL_KG_PER_M = 0.5


class SashDisplay:
    """Flags, banners and quilts in an old window."""

    kind = "sash"
    name = "Old window sash"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Textiles that are folded to size."""
        return isinstance(piece.detail, Flag)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of the textile, then of the sash."""
        detail, at = desk.piece.detail, f"pieces/{desk.piece.id}/detail"
        out = [Ask(f"{at}/{m.name}", m.label) for m in measures(detail) if m.needed and not getattr(detail, m.name)]
        sash = desk.job.options.sash.sash
        return out + [
            Ask(f"{AT}/sash/{name}", f"sash, {label}") for name, label in ASKED.items() if getattr(sash, name) is None
        ]

    def build(self, desk: Desk) -> Assembly:
        """Layers of cloth by its folds, core that drops in, card that is screwed beyond the cloth."""
        s, o = desk.sheet, desk.job.options.sash
        item = item_of(desk, desk.piece)
        got = {
            name: desk.read(f"sash.{name}", f"sash, {label}", getattr(o.sash, name)) for name, label in ASKED.items()
        }
        layers = _layers(desk, o, item)
        core = _core(desk, o, item, got, layers)
        card = _card(desk, o, got, core)
        cloth = s.let("stack.cloth", "cloth before and behind the core", 2 * item.front * layers)
        s.let("box.depth", "room behind the glass", got["rebate"])
        core_sheet = first_sheet(desk, o.core, (core[0].value, core[1].value), "foam board", "mat")
        core_t = s.choose("stack.core", f"core: {core_sheet.name}", core_sheet.thick_mm, MM, core_sheet.name)
        total = cloth + core_t
        more = packers(desk, got["rebate"], total)
        if more is not None:
            sheet, n = more
            one = s.choose("filler.one", "packer board", sheet.thick_mm, MM, sheet.name)
            filler = s.let("stack.filler", "packers behind the core", one * s.number(n))
            total = total + filler
        s.let("depth.package", "package behind the glass", total)
        s.let("depth.left", "room still over behind the glass", got["rebate"] - total)
        card_sheet = first_sheet(desk, o.card, (card[0].value, card[1].value), "backing", "hardboard", "mat")
        card_t = s.choose("stack.card", f"rear card: {card_sheet.name}", card_sheet.thick_mm, MM, card_sheet.name)
        width = s.let("frame.outside_width", "outside width", got["outside_width"])
        height = s.let("frame.outside_height", "outside height", got["outside_height"])
        depth = s.let("frame.depth", "depth of the sash", got["thickness"] + card_t)
        hanger_down(desk, height)
        mass = _masses(desk, item, got)
        facts = tell(desk.piece.facts, desk.piece.detail.kind, desk.piece.worth)
        mount = choose_mount(desk, facts, item.mass.value, ("wrapped on a core",), o.mount)
        s.let("mount.count", "runs of tape behind the core", s.number(2, ONE))
        load_sums(desk, mount, item.mass, s["mount.count"], core[0])
        wall = s.let("sash.wall", "rail of the sash", (got["outside_width"] - got["daylight_width"]) / 2)
        parts, layer_list = sash_layers(desk, item, got, wall, core, card, mass, (core_sheet, card_sheet))
        w, h = width.value / 2, height.value / 2
        back = s.let(
            "rail.back_wall", "rail behind the glass", s.pick("largest", wall - s["sash.hidden"], s.number(8, MM))
        )
        deep = got["thickness"]
        room = got["thickness"].value - got["rebate"].value
        f = wall.value
        return Assembly(
            width,
            height,
            depth,
            BackRail("softwood", back, deep, s.number(0, MM), deep),
            tuple(parts),
            (),
            layer_list,
            (
                Dimension("edge", (0, 0), (0, f), wall, "upright", 1, "low", "rail"),
                Dimension("edge", (room, f), (deep.value, f), got["rebate"], "across", 1, "high", "room"),
                Dimension("front", (-w, -h), (w, -h), width, "across", 2, "low", "outside"),
                Dimension("front", (w, -h), (w, h), height, "upright", 2, "high", "outside"),
                Dimension("front", (-w + f, -h), (w - f, -h), got["daylight_width"], "across", 1, "low", "daylight"),
                Dimension("front", (w, -h + f), (w, h - f), got["daylight_height"], "upright", 1, "high", "daylight"),
            ),
            tuple(sash_callouts(parts)),
            "right rail of the sash, cut through",
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
            levers=LEVERS,
            mount=mount,
            effort="tape off, and the cloth is whole",
            shown=(Shown(item.id, item.name, centred(*(got[f"daylight_{a}"].value - 2 for a in ("width", "height"))),
                         f"{item.key}.width", "opening"),),
        )  # fmt: skip

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """The sash's readings first: all else follows it."""
        o, s = desk.job.options.sash, desk.sheet
        rows = [
            reading_row(desk, f"{AT}/sash/{n}", f"Sash, {label}", getattr(o.sash, n), f"sash.{n}", True)
            for n, label in ASKED.items()
        ]
        paint = [Choice(w, w, picked=o.sash.painted == w) for w in ("old paint", "stripped or new")]
        rows.append(choice_row(f"{AT}/sash/painted", "Its paint", paint, "painted" in o.sash.model_fields_set))
        own: dict[StationName, list[Question]] = {"display": rows}
        if o.sash.painted == "old paint":
            rows.append(care("Old paint may hold lead: test it, never sand it dry; wash hands, wet-wipe the bench."))
        if assembly is None:
            return own
        own["sizes"] = [
            length_row(desk, f"{AT}/hidden", "Core behind the rail, each side", o.hidden, s["sash.hidden"]),
            *told_line(desk, "fold.width", "Laid flat ÷ displayed, width"),
            *told_line(desk, "fold.height", "Laid flat ÷ displayed, height"),
            told("Layers at the core's edge", f"{s['fold.layers'].value:g}", "fold.layers", "fold and count them"),
            act("layers-more", "One layer more", Edit(at=f"{AT}/layers", to=int(s["fold.layers"].value) + 1)),
            *told_line(desk, "core.width", "Core, width", "daylight + 2 · hidden − 2 · cloth · layers − 2 mm"),
            *told_line(desk, "core.height", "Core, height"),
            length_row(desk, f"{AT}/card_over", "Rear card over the core, each side", o.card_over, s["card.over"]),
            *told_line(desk, "card.width", "Rear card, width", "screws land beyond the cloth, 10 mm inside the sash"),
            *told_line(desk, "card.height", "Rear card, height"),
        ]
        cores = desk.stock.sheets_of("foam board", "mat", "corrugated plastic")
        cards = desk.stock.sheets_of("backing", "hardboard", "mat", "mdf")
        own["depth"] = [
            sheet_row(desk, f"{AT}/core", "Core", cores, o.core, "the first that is large enough", "stack.core"),
            sheet_row(desk, f"{AT}/card", "Rear card", cards, o.card, "the first that is large enough", "stack.card"),
            *told_line(desk, "depth.package", "Package"),
            *told_line(desk, "depth.left", "Over", "packers fill it; the card closes it"),
        ]
        detail = desk.piece.detail
        law = []
        if isinstance(detail, Flag) and detail.sort == "flag":
            law = [
                care(f"The law of {detail.country or 'its country'} says which edge goes up, and what may touch it.")
            ]
        steps = assembly.mount.taken.mount.steps if assembly.mount else ()
        own["mount"] = [
            *law,
            *[told(f"Step {n}", step) for n, step in enumerate(steps, 1)],
            *told_line(desk, "mount.demand", "Each run of tape carries"),
            *told_line(desk, "mount.rating", "It may carry", "maker's rating, before the factor"),
            told("Test", "the tape on the hem, a day long", "", "it must come off without a trace"),
            care("Leave the glass in the sash. Loose putty: tape the pane before turning the sash over."),
        ]
        own["parts"] = parts_questions(desk, assembly)[1:]
        return own


def _layers(desk: Desk, o: SashOptions, item: Item) -> Quantity:
    """Layers of cloth at the core's edge: each axis wraps once to the back; what is over is folded in."""
    s, key = desk.sheet, item.key
    folds = [
        s.let(f"fold.{axis}", f"laid flat ÷ displayed, {axis}", s[f"{key}.flat_{axis}"] / size)
        for axis, size in (("width", item.width), ("height", item.height))
    ]
    usual = math.prod(max(1, math.ceil(f.value / 2 - 1e-6)) for f in folds)
    if o.layers is not None:
        return s.choose("fold.layers", "layers of cloth at the core's edge", o.layers, ONE, "decided for this job")
    many = s.decide("whole number of (folds ÷ 2), both ways", usual, ONE, *folds)
    return s.let("fold.layers", "layers of cloth at the core's edge", many)


def _core(
    desk: Desk, o: SashOptions, item: Item, got: dict[str, Quantity], layers: Quantity
) -> tuple[Quantity, Quantity]:
    """core = daylight + 2 · hidden − 2 · cloth · layers − 2 mm."""
    s, p = desk.sheet, desk.practice
    hidden = desk.choose("sash.hidden", "core behind the rail, each side", o.hidden, p.sash_hidden_mm, "practice")
    two = s.number(2, MM)
    w, h = (
        s.cut(
            f"core.{a}", f"core, {a}", got[f"daylight_{a}"] + 2 * hidden - 2 * item.front * layers - two, "down", 0.3
        )
        for a in ("width", "height")
    )
    return w, h


def _card(
    desk: Desk, o: SashOptions, got: dict[str, Quantity], core: tuple[Quantity, Quantity]
) -> tuple[Quantity, Quantity]:
    """Rear card: core and 15 mm all round, at most the sash less 10 mm all round."""
    s, p = desk.sheet, desk.practice
    over = desk.choose("card.over", "card over the core, each side", o.card_over, p.card_over_mm, "practice")
    out = []
    for axis, size in zip(("width", "height"), core, strict=True):
        most = got[f"outside_{axis}"] - s.number(2 * p.card_clear_mm, MM)
        wanted = s.pick("smallest", size + 2 * over, most)
        card = s.cut(f"card.{axis}", f"rear card, {axis}", wanted, "down", 0.5)
        s.let(f"card.beyond_{axis}", f"card beyond the cloth, {axis}, each side", (card - size) / 2, way="down")
        out.append(card)
    return out[0], out[1]


def _masses(desk: Desk, item: Item, got: dict[str, Quantity]) -> Quantity:
    """Glass by its area and half a kilogram for every metre of old rail."""
    s = desk.sheet
    pane = by_area(s, 2.5 * got["glass"].value, got["daylight_width"] * got["daylight_height"])
    metres = 2 * (got["outside_width"].value + got["outside_height"].value) / 1000
    rails = s.decide("0.5 kg for every metre of rail", metres * RAIL_KG_PER_M, KG, got["outside_width"])
    return s.let("frame.mass", "sash with its glass, estimated", pane + rails, "weigh it where it matters")
