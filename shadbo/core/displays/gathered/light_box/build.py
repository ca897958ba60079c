"""Layered light box: glazing, a void with objects, a board with cut-out letters, a void with lamps, a back."""

import math
from collections.abc import Sequence

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly, Callout, Part
from shadbo.core.build.marked import Window
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.displays.gathered.bodies import item_bodies
from shadbo.core.displays.gathered.gathered import (
    Gathered,
    gather,
    item_asks,
    item_parts,
    items_of,
    total_mass,
    zones_of,
)
from shadbo.core.displays.gathered.held import hold_items
from shadbo.core.displays.gathered.light_box.frame import LIP_THICK_MM, boards_of, layer_room, layers_of, rails_of
from shadbo.core.displays.gathered.light_box.joins import step_joins
from shadbo.core.displays.gathered.light_box.options import HOME, LEVERS, LightOptions
from shadbo.core.displays.gathered.light_box.rows import light_questions
from shadbo.core.displays.gathered.light_box.sums import (
    LAMP,
    LAMPS_CLEAR_MM,
    cable_spot,
    cut_outs_of,
    front_void,
    lamp_bodies,
    lamp_parts,
    lamp_rows,
    light_void,
    stood,
)
from shadbo.core.displays.gathered.shadow_box.build import laid_at, nearest_edge
from shadbo.core.displays.rabbeted.flat_front import seen
from shadbo.core.displays.rabbeted.frame import Frame, lip_room_mm
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.slabs import Slab, depth_needed, first_sheet, glazing_for, slab, spare_depth
from shadbo.core.findings import StationName
from shadbo.core.pieces.objects import Keepsake
from shadbo.core.pieces.pieces import Piece
from shadbo.core.shapes.letters import Lettering
from shadbo.core.shapes.polygon import moved
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import LampStrip
from shadbo.core.shop.kept import LAMPS, PLAIN_STOCK
from shadbo.core.shop.materials import PlainStock
from shadbo.core.solids.body import Body, Tie
from shadbo.core.sums.lamps import Rows
from shadbo.core.words.words import say, sizes

STOCK = PlainStock(id="board", name="board, none listed", face_mm=28, height_mm=150)


class LightBox:
    """Objects before a lit board."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "none"
    name = "Layered light box"
    takes = "a tool, figure or model first"
    gathers = True

    def suits(self, piece: Piece) -> bool:
        """Objects."""
        return isinstance(piece.detail, Keepsake)

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of every object."""
        return item_asks(desk)

    def build(self, desk: Desk) -> Assembly:
        """Field by objects and letters; voids by objects and lamps; a step for each layer; rails ripped to it all."""
        s, p, o = desk.sheet, desk.practice, HOME.of(desk.job)
        items = items_of(desk)
        text = cut_outs_of(desk, o)
        above = text.height + p.layout_gap_mm if text is not None else 0.0
        group = gather(desk, items, o.layout, o.margin, HOME.to("layout"), above)
        more = s.number(40, MM)
        about = (group.width + more, group.height + more)
        size = (about[0].value, about[1].value)
        facts = desk.piece.told
        glazing = glazing_for(desk, facts, size, p.void_round_object_mm)
        middle = first_sheet(desk, "middle", LEVERS.middle, size, "mdf", "hardboard", "mat", "foam board")
        backing = first_sheet(desk, "backing", LEVERS.backing, size, "hardboard", "backing", "mdf")
        step = desk.choose("step.width", "step of each layer", o.step, p.step_least_mm, "practice of the shop")
        lamp = desk.take(LAMPS, "lamp", LEVERS.lamp, lambda: next(iter(desk.stock.lamps), LAMP))
        rows, supply = lamp_rows(desk, o, lamp, size)
        front = front_void(desk, group)
        light = light_void(desk, o, rows)
        slabs = [
            slab(desk, "glazing", glazing.name, "glazing", glazing),
            Slab("front_void", "front void", "void", front, "air"),
            slab(desk, "middle", f"middle board, {middle.name}", "board", middle),
            *_diffuser(desk, o, size),
            layer_room(desk, "middle"),
            Slab("light_void", "light void", "void", light, "air"),
            slab(desk, "backing", backing.name, "backing", backing),
            layer_room(desk, "backing"),
        ]
        deep = depth_needed(desk, slabs).value
        acrylic = glazing.kind == "acrylic"
        room = sum(lip_room_mm(desk, o, about, acrylic)) + desk.mark.mm + p.hold_caution_mm
        lip = max(step.value, math.ceil(2 * room - 1e-9) / 2)
        held_stock = boards_of(desk, size, deep + LIP_THICK_MM, lip + 2 * step.value)
        best = held_stock[0].profile if held_stock else STOCK
        planned = best if isinstance(best, PlainStock) else STOCK
        stock = desk.take(PLAIN_STOCK, "profile", LEVERS.profile, lambda: planned)
        frame = rails_of(desk, o, group, stock, deep, acrylic, slabs, (lip, step.value), held_stock)
        wall = frame.face - frame.lip - 2 * step
        s.let("step.wall_left", "wall behind the last step", wall, "what lip and steps leave", "down")
        slabs = layers_of(desk, frame, slabs, step)
        spare_depth(desk, frame.rabbet_depth)
        group = stood(desk, o, group, frame)
        zones = zones_of(desk, group)
        board = (s["middle.width"], s["middle.height"])
        held = hold_items(desk, group, o.mounts, HOME.to("mounts"), board, zones)
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
            step_joins(desk, frame, slabs, step.value, o.access == "hinged back"),
            reach_mm=min(reach + 30, 76),
            back="none",
            goes_in="lay the layers on their steps, burn the lamps for an hour and put the back on",
            effort="back off, and all comes out",
            points=False,
            laid_mm=laid_at(reach),
            bodies=lambda begins: _bodies(desk, group, (lamp, rows, size[1] - LAMPS_CLEAR_MM), begins),
            more_mounts=held.mounts[1:],
            shown=group.shown(),
            spots=(*held.spots, cable),
            windows=windows,
            zones=zones,
            layout_at=HOME.to("layout"),
            arranged=group.rule,
            board=board,
            parts=lamp_parts(desk, lamp, supply),
            callouts=(Callout("edge", (_lamp_x(frame, slabs), frame.face.value + 18), lamp.name, key="lamp.length"),),
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """Letters, voids, lamps, supply, cable and access."""
        return light_questions(desk, assembly)


def _bodies(
    desk: Desk, group: Gathered, lamps: tuple[LampStrip, Rows, float], begins: dict[str, float]
) -> tuple[Sequence[Body], Sequence[Tie]]:
    """What stands on the middle board, and the lamps on the back."""
    bodies, ties = item_bodies(group, dict.fromkeys(group.at, ("middle", begins["middle"])), begins)
    strip, stuck = lamp_bodies(desk, *lamps, begins["backing"])
    return (*bodies, strip), (*ties, stuck)


def _diffuser(desk: Desk, o: LightOptions, size: tuple[float, float]) -> tuple[Slab, ...]:
    """A translucent sheet behind the cut-out board, where it carries what would fall out; it takes depth as well."""
    if o.islands != "translucent sheet":
        return ()
    sheet = first_sheet(desk, "diffuser", None, size, "acrylic")
    return (slab(desk, "diffuser", f"translucent sheet, {sheet.name}", "board", sheet),)


def _windows(text: Lettering | None, group: Gathered) -> tuple[Window, ...]:
    """The letters, at the top of the field, and the islands that stay on a translucent sheet."""
    if text is None:
        return ()
    y = group.height.value / 2 - 20 - text.height / 2
    rings = [(f"letter-{n}", r, False) for n, r in enumerate(text.rings, 1)]
    islands = [(f"island-{n}", r, True) for n, r in enumerate(text.holes, 1)]
    return tuple(Window(i, i.replace("-", " "), moved(r, 0, y), "middle", False, stays, "letters.height")
                 for i, r, stays in (*rings, *islands))  # fmt: skip


def _front(desk: Desk, group: Gathered, windows: tuple[Window, ...], text: Lettering | None) -> list[Part]:
    out = [seen("field", "board", "middle", "field.width", "field")]
    for w in windows:
        lit = not w.stays
        out.append(seen(w.id, "lit" if lit else "board", "middle", w.key, w.name, ring=w.ring))
    return [*out, *item_parts(desk, group)]


def _lamp_x(frame: Frame, slabs: list[Slab]) -> float:
    behind = next(n for n, x in enumerate(slabs) if x.id == "light_void")
    return frame.front.value + sum(x.thick.value for x in slabs[: behind + 1]) - 2


DISPLAY = LightBox()
