"""Layered light box: glazing, a void with objects, a board with cut-out letters, a void with lamps, a back."""

from dataclasses import replace

from shadbo.core.assembly import Assembly, Callout, Part
from shadbo.core.boards import FrameProfile, LampStrip
from shadbo.core.box_options import LightOptions
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask
from shadbo.core.displays.flat_front import seen
from shadbo.core.displays.framed_piece import bordered
from shadbo.core.displays.gathered import Gathered, gather, item_asks, item_parts, items_of, total_mass, zones_of
from shadbo.core.displays.glazed import LEVERS as FRAME_LEVERS
from shadbo.core.displays.glazed import Package, build_package
from shadbo.core.displays.held import hold_items
from shadbo.core.displays.light_questions import AT, light_questions
from shadbo.core.displays.light_sums import LAMP, cable_spot, cut_outs_of, front_void, lamp_rows, light_void
from shadbo.core.displays.rabbeted import Frame, frame_round
from shadbo.core.displays.shadow_box import item_sections, nearest_edge
from shadbo.core.displays.slabs import Slab, depth_sums, first_sheet, glazing_for, slab
from shadbo.core.facts import tell
from shadbo.core.findings import StationName
from shadbo.core.flat_options import GlazedOptions
from shadbo.core.letters import Lettering
from shadbo.core.marked import Window
from shadbo.core.materials import PlainStock
from shadbo.core.objects import Keepsake
from shadbo.core.pieces import Piece
from shadbo.core.quantity import Quantity
from shadbo.core.questions import Question
from shadbo.core.rings import centred, rect
from shadbo.core.setting import Suitability
from shadbo.core.sums.lamps import Rows
from shadbo.core.sums.order import order_mm
from shadbo.core.sums.polygon import moved
from shadbo.core.units import MM
from shadbo.core.words import Mm, say, sizes

LEVERS = {name: f"{AT}/{name}" for name in (*FRAME_LEVERS, "margin", "islands", "bridge", "letter_height",
          "artwork_width", "step", "light_void", "rows_apart", "supply", "lamp", "middle", "backing", "glazing")} | {
    "profile": f"{AT}/stock",
    "gap": f"{AT}/layout/gap",
    "layout_width": f"{AT}/layout/width",
    "layout_height": f"{AT}/layout/height",
}  # fmt: skip
LIP_THICK_MM = 6.0
STOCK = PlainStock(id="board", name="board, none listed", face_mm=28, height_mm=150)
NO_SHEET = GlazedOptions()


class LightBox:
    """Objects before a lit board."""

    kind = "light box"
    name = "Layered light box"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Objects."""
        return isinstance(piece.detail, Keepsake)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of every object."""
        return item_asks(desk)

    def build(self, desk: Desk) -> Assembly:
        """Field by objects and letters; voids by objects and lamps; a step for each layer; rails ripped to it all."""
        s, p, o = desk.sheet, desk.practice, desk.job.options.light_box
        items = items_of(desk)
        text = cut_outs_of(desk, o)
        above = text.height + p.layout_gap_mm if text is not None else 0.0
        group = gather(desk, items, o.layout, o.margin, f"{AT}/layout", above)
        size = (group.width.value + 40, group.height.value + 40)
        facts = tell(desk.piece.facts, desk.piece.detail.kind, desk.piece.worth)
        glazing = o.glazing or glazing_for(desk, NO_SHEET, facts, size)
        middle = first_sheet(desk, o.middle, size, "mdf", "hardboard", "mat", "foam board")
        backing = first_sheet(desk, o.backing, size, "hardboard", "backing", "mdf")
        step = desk.choose("step.width", "step of each layer", o.step, p.step_least_mm, "practice of the shop")
        lamp = o.lamp or (desk.stock.lamps[0] if desk.stock.lamps else LAMP)
        rows = lamp_rows(desk, o, lamp, size)
        front = front_void(desk, group)
        light = light_void(desk, o, rows)
        slabs = [
            slab(desk, "glazing", glazing.name, "glazing", glazing),
            Slab("front_void", "front void", "void", front, "air"),
            slab(desk, "middle", f"middle board, {middle.name}", "board", middle, starts_mm=-step.value),
            Slab("light_void", "light void", "void", light, "air", starts_mm=-step.value),
            slab(desk, "backing", backing.name, "backing", backing, starts_mm=-2 * step.value),
        ]
        deep = sum(x.thick.value for x in slabs) + p.fastener_room_mm
        held_stock = _held(desk, size, deep + LIP_THICK_MM, step.value)
        best = held_stock[0].profile if held_stock else STOCK
        stock = o.stock or (best if isinstance(best, PlainStock) else STOCK)
        frame = _frame(desk, o, group, stock, deep, glazing.kind == "acrylic", slabs, step.value, held_stock)
        s.let("step.wall_left", "wall behind the last step", frame.face - 3 * step, "face − 3 · step", "down")
        slabs = _sized(desk, frame, slabs, step)
        depth_sums(desk, slabs, frame.rabbet_depth)
        zones = zones_of(desk, group)
        board = (s["middle.width"], s["middle.height"])
        held = hold_items(desk, group, o.mounts, f"{AT}/mounts", board, zones)
        reach = nearest_edge(group)
        windows = _windows(text, group)
        cable = cable_spot(desk, o, frame)
        package = Package(
            tuple(slabs),
            held.mounts[0],
            total_mass(items),
            lambda f: _front(desk, group, windows, text),
            (
                say(desk.mark, "field {}", sizes(desk.mark, group.width, group.height)),
                say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
            ),
            reach_mm=min(reach + 30, 76),
            back="none",
            levers=LEVERS,
            effort="back off, and all comes out",
            strainer=False,
            points=False,
            sections=lambda begins: [
                *item_sections(frame, group, begins["middle"], reach),
                *_strip_sections(frame, lamp, begins["backing"], rows),
            ],
            more_mounts=held.mounts[1:],
            shown=group.shown(),
            spots=(*held.spots, cable),
            windows=windows,
            zones=zones,
            layout_at=f"{AT}/layout",
            callouts=(Callout("edge", (_lamp_x(frame, slabs), frame.face.value + 18), lamp.name, key="lamp.length"),),
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Letters, voids, lamps, supply, cable and access."""
        return light_questions(desk, assembly)


def _held(desk: Desk, size_mm: tuple[float, float], deep_mm: float, step_mm: float) -> tuple[Suitability, ...]:
    """Boards to rip the rails from: high enough for all layers, thick enough for three steps and a wall."""
    out = []
    for stock in desk.stock.plain_stock:
        lack = max(deep_mm - stock.height_mm, 0.0)
        thin = max(3 * step_mm + 6 - stock.face_mm, 0.0)
        faults = [f"{lack:.4g} mm too low"] if lack > 0 else []
        faults += [f"{thin:.4g} mm too thin for the steps"] if thin > 0 else []
        order = order_mm(size_mm[0] + 2 * stock.face_mm, size_mm[1] + 2 * stock.face_mm, stock.face_mm)
        size = say(desk.mark, "face {}, height {}", Mm(stock.face_mm), Mm(stock.height_mm))
        says = say(desk.mark, "{} to rip off", Mm(max(stock.height_mm - deep_mm, 0), "down"))
        price = order / 1000 * stock.price_per_m
        out.append(Suitability(stock, says, tuple(faults), price, lack + thin, 0.0, size))
    return tuple(sorted(out, key=lambda h: (len(h.faults), h.missing_mm, h.price, h.profile.id)))


def _frame(
    desk: Desk,
    o: LightOptions,
    group: Gathered,
    stock: PlainStock,
    deep_mm: float,
    acrylic: bool,
    slabs: list[Slab],
    step_mm: float,
    held: tuple[Suitability, ...],
) -> Frame:
    """Rails ripped to the layers' depth: a profile of the shop's own, with a step for every layer."""
    s = desk.sheet
    height = s.cut("rail.ripped", "rails, ripped to", s.number(deep_mm + LIP_THICK_MM, MM), "up", 0.5)
    s.let("rail.stock_over", "board higher than the rails by", s.number(stock.height_mm, MM) - height, stock.name)
    face = max(stock.face_mm, step_mm + 4)
    profile = FrameProfile(
        id=stock.id, name=f"{stock.name}, stepped", face_mm=face, height_mm=height.value,
        rabbet_mm=height.value - LIP_THICK_MM, lip_mm=step_mm, species=stock.species, price_per_m=stock.price_per_m,
    )  # fmt: skip
    none = (s.number(0, MM), s.number(0, MM))
    options = o.model_copy(update={"profile": profile, "extension": None})
    wanted = bordered(desk, (group.width, group.height), options, none, profile, acrylic)
    frame = frame_round(desk, options, wanted, deep_mm, acrylic, chosen=(profile, held))
    x = LIP_THICK_MM
    at = []
    for layer in slabs:
        if layer.id in ("middle", "backing"):
            at.append(x)
            s.let(f"step.{layer.id}", f"step for the {layer.role}, from the front", s.number(x, MM))
        x += layer.thick.value
    return replace(frame, steps=((at[0], step_mm), (at[1], 2 * step_mm)))


def _sized(desk: Desk, frame: Frame, slabs: list[Slab], step: Quantity) -> list[Slab]:
    """Each layer is cut to its own step: wider by two steps than the one before."""
    s, out = desk.sheet, []
    for layer in slabs:
        times = {"middle": 1, "backing": 2}.get(layer.id, 0)
        size = None
        if times:
            w, h = (
                s.cut(f"{layer.id}.{axis}", f"{layer.id}, {axis}", whole + 2 * times * step, "down", 0.3)
                for axis, whole in (("width", frame.package_w), ("height", frame.package_h))
            )
            size = (w, h)
        out.append(replace(layer, size=size or layer.size))
    return out


def _windows(text: Lettering | None, group: Gathered) -> tuple[Window, ...]:
    """The letters, at the top of the field, and the islands that stay on a translucent sheet."""
    if text is None:
        return ()
    y = group.height.value / 2 - 20 - text.height / 2
    rings = [(f"letter-{n}", r) for n, r in enumerate(text.rings, 1)]
    islands = [(f"island-{n}", r) for n, r in enumerate(text.holes, 1)]
    return tuple(Window(i, i.replace("-", " "), moved(r, 0, y), "middle", False, "letters.height")
                 for i, r in (*rings, *islands))  # fmt: skip


def _front(desk: Desk, group: Gathered, windows: tuple[Window, ...], text: Lettering | None) -> list[Part]:
    s = desk.sheet
    sight = centred(s["frame.sight_width"].value, s["frame.sight_height"].value)
    out = [seen("field", "board", sight, "field.width", "field")]
    for w in windows:
        lit = not w.id.startswith("island")
        out.append(seen(w.id, "lit" if lit else "board", w.ring, w.key, w.name))
    return [*out, *item_parts(desk, group)]


def _lamp_x(frame: Frame, slabs: list[Slab]) -> float:
    return frame.front.value + sum(x.thick.value for x in slabs[:4]) - 2


def _strip_sections(frame: Frame, lamp: LampStrip, back_x: float, rows: Rows) -> list[Part]:
    """Strips on the back board, looking forwards."""
    y = frame.face.value + 14
    return [Part("strip", "clip", lamp.name, "lit", section=rect(back_x - 3, y, back_x, y + 10), key="lamp.length")]
