"""Canvas in a rabbeted frame: held by offset clips that bridge the difference of depth, no glazing."""

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import Assembly, Callout, Join, Part
from shadbo.core.build.mounts import carry, choose_mount
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import told_line
from shadbo.core.displays.base import FrameForm
from shadbo.core.displays.floating.floated import canvas_of, is_canvas
from shadbo.core.displays.floating.stretched import stretching_parts
from shadbo.core.displays.one_piece import OnePiece
from shadbo.core.displays.rabbeted.bodies import BARS
from shadbo.core.displays.rabbeted.canvas_frame.options import HOME, LEVERS
from shadbo.core.displays.rabbeted.flat_front import opening_part
from shadbo.core.displays.rabbeted.frame import Frame, frame_round
from shadbo.core.displays.rabbeted.package import Package, build_package
from shadbo.core.displays.rabbeted.points import FixingLine, side_fixings
from shadbo.core.displays.rabbeted.rows import merged, package_questions
from shadbo.core.displays.rabbeted.slabs import Slab, depth_needed, piece_slab, spare_depth
from shadbo.core.displays.rabbeted.strainer import strainer_slab
from shadbo.core.findings import StationName
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.pieces import Panel, Piece
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import KG, MM, ONE
from shadbo.core.shop.boards import Clip
from shadbo.core.shop.kept import CLIPS
from shadbo.core.solids.bites import Bar
from shadbo.core.sums.border import clip_count
from shadbo.core.sums.flat import flat_sums
from shadbo.core.sums.hang import force
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import say, sizes

CLIP_MM = (12.0, 20.0, 16.0, 1.2)
"""A clip: on the rail, over the canvas, wide, thick: common practice, no source."""
CLIP_SCREW_MM = 10.0
"""Of a clip's screw in the rail, shorter than the wood: common practice, no source."""
NONE = Clip(id="clip", name="offset clip, none listed", offset_mm=0, rating_kg=2)


class CanvasFrame(OnePiece):
    """A painting in its frame."""

    home = HOME
    levers = LEVERS
    frames: FrameForm = "rabbet"
    name = "Rabbeted frame"
    takes = "canvases and panels"

    def suits(self, piece: Piece) -> bool:
        """Canvases and painted panels."""
        return is_canvas(piece) or isinstance(piece.detail, Panel)

    def build(self, desk: Desk) -> Assembly:
        """The canvas is the package: it may end behind the frame or inside it."""
        s, options = desk.sheet, HOME.of(desk.job)
        panel = isinstance(desk.piece.detail, Panel)
        if panel:
            flat = flat_sums(desk, desk.piece)
            width, height, depth, mass, bar = flat.width, flat.height, flat.thick, flat.mass, 0.0
        else:
            canvas = canvas_of(desk)
            width, height, depth, mass = canvas.width, canvas.height, canvas.depth, canvas.mass
            bar = canvas.bar_face.value
        facts = desk.piece.told
        layer = piece_slab(
            desk,
            "canvas" if not panel else "panel",
            "stretcher" if bar else KINDS["panel"].hatch,
            depth,
            (width, height),
            mass,
        )
        if bar:
            layer = Slab(
                "piece",
                "canvas",
                "bar",
                layer.thick,
                "stretcher",
                ring_mm=bar,
                size=(width, height),
                mass=mass,
                cut=False,
            )
        slabs = (layer, *strainer_slab(desk, options))
        strained = len(slabs) > 1
        needed = depth_needed(desk, slabs).value
        asked = needed if panel or strained else max(depth.value - 12, 4.0)
        frame = frame_round(desk, options, (width, height), asked, False, panel, 12.0)
        spare_depth(desk, frame.rabbet_depth)
        ids = ("points",) if panel else ("offset clips", "plates and screws")
        mount = choose_mount(desk, facts, mass.value, ids, options.mount)
        clips = None if panel or strained else _clips(desk, frame, depth, mass)
        joins = () if clips is None else (clips,)
        package = Package(
            slabs,
            mount,
            s.number(0, KG),
            lambda f: _seen(f, bar),
            (
                say(desk.mark, "sight {}", sizes(desk.mark, s["frame.sight_width"], s["frame.sight_height"])),
                say(desk.mark, "outside {}", sizes(desk.mark, s["frame.outside_width"], s["frame.outside_height"])),
            ),
            joins,
            tuple(stretching_parts(desk)),
            back=options.back or "vented paper",
            goes_in="lay the piece in, even all round, and fasten it",
            effort="clips off, and the canvas comes out",
            points=panel,
            callouts=() if clips is None else (_clip_label(frame, depth, clips.item),),
            depth=None if clips is None else _depth_said(desk, depth),
        )
        return build_package(desk, frame, package)

    def questions(self, desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
        """The clip, then what every frame asks."""
        o = HOME.of(desk.job)
        if assembly is None:
            return {}
        own: dict[StationName, list[Question]] = {
            "depth": [
                *told_line(desk, "clip.step", "Canvas ends behind the frame's back by"),
                *told_line(desk, "clip.offset", "Offset clip", _clip_name(desk)),
            ],
        }
        return merged(own, package_questions(desk, assembly, HOME.at, o))


def _seen(frame: Frame, bar: float) -> list[Part]:
    """The painting inside the lip from the front; its bars from behind."""
    front = opening_part(frame, "cloth", "canvas.width" if bar else "piece.width", "canvas")
    if not bar:
        return [front]
    return [front, Part(BARS, "bar", "stretcher bars", "stretcher", seen_from=("back",), key="canvas.depth")]


def _clip_label(frame: Frame, depth: Quantity, clip: str) -> Callout:
    at = (frame.front.value + depth.value + 0.6, frame.face.value - frame.lip.value + 14)
    return Callout("edge", at, clip, key="clip.offset")


def _clip_bars(frame: Frame, depth: Quantity) -> tuple[Bar, ...]:
    """On the frame's back, down its rabbet, on the canvas; and the screw into the rail."""
    plate, arm, wide, thick = CLIP_MM
    back = frame.profile.height_mm - frame.front.value - depth.value
    low, high = min(0.0, back), max(0.0, back) + thick
    deep, r = min(CLIP_SCREW_MM, frame.profile.height_mm - 2), 1.5
    middle = plate / 2
    return (
        Bar((0.0, plate), wide, (back, back + thick)),
        Bar((-thick, 0.0), wide, (low, high)),
        Bar((-arm, -thick), wide, (0.0, thick)),
        Bar((middle - r, middle + r), 2 * r, (back - deep, back)),
    )


def _depth_said(desk: Desk, depth: Quantity) -> tuple[Both, Both]:
    s, mark = desk.sheet, desk.mark
    first = say(mark, "{} in {}", depth, s["profile.rabbet"])
    return first, say(mark, "clips of {}", s["clip.offset"])


def _clip_name(desk: Desk) -> str:
    s = desk.sheet
    if "clip.offset" not in s:
        return ""
    turned = s["clip.step"].value < 0
    return "turned round: it reaches down to the canvas" if turned else "screwed to the frame, never to the canvas"


def _clips(desk: Desk, frame: Frame, depth: Quantity, mass: Quantity) -> Join:
    """Clips: floor((side − 80) / 150) + 1 a side, none within 40 mm of a corner; the offset nearest the step."""
    s, p = desk.sheet, desk.practice
    step = s.let("clip.step", "canvas depth less rabbet depth", depth - frame.rabbet_depth)
    clips = desk.stock.clips or (NONE,)
    nearest = min(clips, key=lambda c: (abs(c.offset_mm - abs(step.value)), c.offset_mm))
    clip = desk.take(CLIPS, "clip", None, lambda: nearest)
    offset = s.choose("clip.offset", "offset of the clip", clip.offset_mm, MM, clip.name)
    gap = step - offset if step.value >= 0 else s.number(0, MM) - step - offset
    s.let("clip.off", "step that the clip leaves", gap, "the clip bends so far")
    fixings = side_fixings(desk, frame, "clip", lambda side: clip_count(side, p.clips_apart_mm), FixingLine(60.0))
    count = s.let("mount.count", "clips", s.number(len(fixings), ONE))
    carry(desk, "mount", force(s, mass) / count, (clip.name, clip.rating_kg), p.hardware_factor)
    steps = ("pilot the frame's back; screws shorter than the wood", "finger-tight, then a quarter turn")
    return Join(
        "clips",
        "offset clips",
        clip.name,
        ("rail", "bar"),
        fixings,
        diameter_mm=5.0,
        operations=steps,
        key="mount.count",
        price=clip.price,
        bars=_clip_bars(frame, depth),
        wood=frame.profile.species,
    )


DISPLAY = CanvasFrame()
