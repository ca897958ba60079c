"""Rails of a light box: which board they are ripped from, their lip and steps, each layer cut to its own step."""

from dataclasses import replace

from shadbo.core.build.setting import Suitability
from shadbo.core.desk import Desk
from shadbo.core.displays.gathered.gathered import Gathered
from shadbo.core.displays.gathered.light_box.options import LightOptions
from shadbo.core.displays.rabbeted.frame import Frame, frame_round
from shadbo.core.displays.rabbeted.framed_piece import bordered
from shadbo.core.displays.rabbeted.slabs import Slab
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.shop.materials import PlainStock
from shadbo.core.sums.order import order_mm
from shadbo.core.words.words import Mm, Sentence

LIP_THICK_MM = 6.0


def boards_of(desk: Desk, size_mm: tuple[float, float], deep_mm: float, cut_mm: float) -> tuple[Suitability, ...]:
    """Boards to rip the rails from: high enough for all layers, thick enough for lip, steps and a wall."""
    out = []
    for stock in desk.stock.plain_stock:
        lack = max(deep_mm - stock.height_mm, 0.0)
        thin = max(cut_mm + 6 - stock.face_mm, 0.0)
        faults = [Sentence("{} too low", (Mm(lack, "up"),))] if lack > 0 else []
        faults += [Sentence("{} too thin for the steps", (Mm(thin, "up"),))] if thin > 0 else []
        order = order_mm(size_mm[0] + 2 * stock.face_mm, size_mm[1] + 2 * stock.face_mm, stock.face_mm)
        size = Sentence("face {}, height {}", (Mm(stock.face_mm), Mm(stock.height_mm)))
        says = Sentence("{} to rip off", (Mm(max(stock.height_mm - deep_mm, 0), "down"),))
        price = order / 1000 * stock.price_per_m
        out.append(Suitability(stock, says, tuple(faults), price, lack + thin, 0.0, size))
    return tuple(sorted(out, key=lambda h: (len(h.faults), h.missing_mm, h.price, h.profile.id)))


def layer_room(desk: Desk, layer: str) -> Slab:
    """Room behind a layer, so that its step is a little deeper than it is thick."""
    room = desk.sheet.choose(
        f"stack.{layer}_room", f"room behind the {layer}", desk.practice.layer_room_mm, MM, "practice"
    )
    return Slab(f"{layer}_room", "room", "void", room, "air")


def rails_of(
    desk: Desk,
    o: LightOptions,
    group: Gathered,
    stock: PlainStock,
    deep_mm: float,
    acrylic: bool,
    slabs: list[Slab],
    cuts_mm: tuple[float, float],
    held: tuple[Suitability, ...],
) -> Frame:
    """Rails ripped to the layers' depth: a profile of the shop's own, with its lip and a step for every layer."""
    s = desk.sheet
    lip, step_mm = cuts_mm
    height = s.cut("rail.ripped", "rails, ripped to", s.number(deep_mm + LIP_THICK_MM, MM), "up", 0.5)
    s.let("rail.stock_over", "board higher than the rails by", s.number(stock.height_mm, MM) - height, stock.name)
    face = max(stock.face_mm, lip + 4)
    profile = FrameProfile(
        id=stock.id, name=f"{stock.name}, stepped", face_mm=face, height_mm=height.value,
        rabbet_mm=height.value - LIP_THICK_MM, lip_mm=lip, species=stock.species, price_per_m=stock.price_per_m,
        colour=stock.colour,
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


def layers_of(desk: Desk, frame: Frame, slabs: list[Slab], step: Quantity) -> list[Slab]:
    """Each layer is cut to its own step: wider by two steps than the one before."""
    s, out = desk.sheet, []
    for layer in slabs:
        times = {"middle": 1, "diffuser": 1, "backing": 2}.get(layer.id, 0)
        size = None
        if times:
            w, h = (
                s.cut(f"{layer.id}.{axis}", f"{layer.id}, {axis}", whole + 2 * times * step, "down", 0.3)
                for axis, whole in (("width", frame.package_w), ("height", frame.package_h))
            )
            size = (w, h)
        out.append(replace(layer, size=size or layer.size))
    return out
