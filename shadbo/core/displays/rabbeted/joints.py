"""Which corner joint a frame takes, and its sums: by the load, the longest side and the depth of the rail."""

import math
from typing import get_args

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.glue import CornerJoint, JointPiece, why_not_glue
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.displays.rabbeted.options import Joint
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.kept import CORNERS, role
from shadbo.core.sums import joints
from shadbo.core.words.words import Mm, say

CLAMP_MIN, LOAD_H = 45, 24
"""Wood glue: common practice, no source."""
ERROR_DEG = 0.1
KINDS: tuple[Joint, ...] = get_args(Joint)


@dataclass(frozen=True, slots=True)
class PlateSeat:
    """What a corner plate lies on, seen from behind: how wide the wood is, and how deep its screws may go."""

    wide: Quantity
    deep: Quantity


def joint_lines(
    desk: Desk,
    decided: str | None,
    face: Quantity,
    lip: Quantity,
    depth: Quantity,
    long_mm: float,
    mass_kg: float,
    behind: PlateSeat | None = None,
) -> CornerJoint:
    """The joint's lines ``joint.*`` and the joint: the decided one, else glue, or splines where glue will not do."""
    s = desk.sheet
    why = why_not_glue(desk, mass_kg, long_mm, depth.value)
    kind = decided or ("splines" if why else "glue")
    if desk.own_frame is not None and kind != "corner plates":
        kind = "glue"  # it is joined, however that was done
    s.let("joint.mitre", "length of the mitre", joints.mitre(face), "the face times √2")
    opens = joints.gap_of_error(face, ERROR_DEG)
    s.let(
        "joint.gap",
        f"{ERROR_DEG:g}° in every mitre opens the last by",
        opens,
        "a pair cut on both legs of a square cancels",
    )
    pieces: tuple[JointPiece, ...] = ()
    if kind == "biscuits":
        biscuit = joints.biscuit_for(face.value) or joints.BISCUITS[0]
        s.choose("joint.slot", f"slot for biscuit no. {biscuit.number}", biscuit.slot, MM, "half its width")
        deep = joints.biscuit_from_point(s["joint.slot"], s.number(joints.LIP_LEFT_MM, MM))
        least = s.pick("largest", deep, s.number(biscuit.length / 2 + joints.END_MM, MM))
        s.cut("joint.from_point", "slot's middle, from the long point", least, "up", 0.5)
        left = (s["joint.from_point"] - s["joint.slot"]) / joints.ROOT2
        s.let("joint.left", "wood left to the outer face", left, "what the slot leaves", "down")
        room = s["joint.mitre"] - s["joint.from_point"] - s.number(biscuit.length / 2 + joints.END_MM, MM)
        s.let("joint.room", "mitre left past the biscuit", room, f"no. {biscuit.number}", "down")
        many = joints.biscuit_count(s["joint.mitre"].value, biscuit)
        s.let("joint.count", "biscuits along the mitre, halves allowed", s.number(many, ONE))
        pieces = (_bought(desk, f"biscuit no. {biscuit.number}", max(math.ceil(many), 1)),)
    elif kind == "splines":
        slot = joints.spline_slot(face, lip, s.number(joints.SPLINE_KEPT_MM, MM))
        s.let("joint.slot", "spline slot along the diagonal, at most", slot, way="down")
        s.let("joint.slip", "slip: a right triangle of that height, base", 2 * slot, "and a little, trimmed flush")
        s.let(
            "joint.count", "splines a corner", s.number(joints.spline_count(depth.value), ONE), "by the rail's depth"
        )
        pieces = (JointPiece("spline slip", int(s["joint.count"].value)),)
    elif kind == "corner plates":
        seat = behind or PlateSeat(face - lip, depth)
        s.let("joint.plate", "wood for a corner plate, behind", seat.wide, "the rail's back", "down")
        s.choose("joint.leg", "corner plate, each leg", joints.PLATE_MM, MM, "from the drawers; common practice")
        room = s.pick(
            "smallest", seat.deep - s.number(desk.practice.screw_short_mm, MM), s.number(joints.PLATE_SCREW_MM, MM)
        )
        screw = s.let("joint.screw", "its screws, at most", room, "short of the far side of the wood", "down")
        s.let("joint.count", "plates a corner", s.number(1, ONE), "flat over the mitre, from behind")
        pieces = (
            _bought(desk, "corner plate", 1, joints.PLATE_MM),
            JointPiece("screw of the corner plate", joints.PLATE_SCREWS, screw.value),
        )
    return CornerJoint(kind, why, pieces)


def _bought(desk: Desk, kind: str, each: int, long_mm: float | None = None) -> JointPiece:
    """A piece out of the drawers, with its price; by its kind alone where none is there."""
    here = (x for x in desk.stock.corners if x.kind == kind)
    piece = desk.found(CORNERS, role("corner", kind), lambda: min(here, key=lambda x: x.price, default=None))
    return JointPiece(piece.name if piece is not None else kind, each, long_mm, piece.price if piece else 0.0)


def joint_sums(desk: Desk, frame: Frame, mass: Quantity) -> CornerJoint:
    """The joint of a rabbeted frame."""
    s = desk.sheet
    long = max(s["frame.outside_width"].value, s["frame.outside_height"].value)
    return joint_lines(desk, frame.joint, frame.face, frame.lip, frame.depth, long, mass.value)


def joint_questions(desk: Desk, assembly: Assembly, at: str, decided: str | None) -> list[Question]:
    """Which joint, its slots, what an error of the saw does."""
    s, mark = desk.sheet, desk.mark
    joint = assembly.joint
    if joint is None:
        return []
    joined = desk.own_frame is not None
    kinds = {k: "as it is" if joined and k == "glue" else k for k in KINDS}
    choices = [
        Choice(k, word, picked=k == joint.kind)
        for k, word in kinds.items()
        if not joined or k in ("glue", "corner plates")
    ]
    note = joint.why or "small and light: glue is enough"
    rows = [choice_row(at, "Corner joint", choices, decided is not None, note)]
    for key, label in (
        ("joint.slot", "Slot, deep"),
        ("joint.from_point", "Slot's middle, from the long point"),
        ("joint.left", "Wood left to the outer face"),
        ("joint.count", "In each corner"),
        ("joint.slip", "Slip, base"),
        ("joint.plate", "Wood for the plate, behind"),
        ("joint.leg", "Plate, each leg"),
        ("joint.screw", "Its screws, at most"),
        ("joint.gap", f"{ERROR_DEG:g}° in every mitre opens the last by"),
    ):
        if key in s:
            rows.append(told(label, say(mark, "{}", s[key]), key))
    accepted = say(mark, "{} clear finished, {} filled and painted", Mm(0.2), Mm(0.5))
    rows.append(
        told(
            "Mitre gap to accept",
            accepted,
            "",
            f"clamp {CLAMP_MIN} min, load after {LOAD_H} h; diagonals while clamped",
        )
    )
    return rows
