"""Corner joints: glue where it is not enough, a biscuit slot that breaks out."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.findings import Finding
from shadbo.core.sums.joints import LIP_LEFT_MM, PLATE_SCREW_LEAST_MM, PLATE_WIDE_MM
from shadbo.core.words.words import Mm, both


def glue_alone(look: Look) -> Iterator[Finding]:
    """Glue alone under a heavy package, on a long side, or in a deep profile."""
    joint = look.assembly.joint
    if joint is None or joint.why is None or not joint.fails:
        return
    joined = look.desk.own_frame is not None
    yield Finding(
        "joint.weak",
        "caution",
        "parts",
        both("Glue alone will not hold these corners for good"),
        joint.why,
        keys=("joint.mitre",),
        proposals=(
            *(look.change(look.levers.joint, "splines", 3, "Splines") if not joined else ()),
            *(look.change(look.levers.joint, "biscuits", 3, "Biscuits") if not joined else ()),
            *look.change(look.levers.joint, "corner plates", 2, "Corner plates"),
        ),
        by_hand=both("Wedges or plates from behind serve a joined frame."),
    )


def plate_has_no_wood(look: Look) -> Iterator[Finding]:
    """A corner plate wider than the rail's back, or wood too thin for its screws."""
    if look.joints is None or look.joints.plate is None or look.joints.screw is None:
        return
    wood, screw = look.joints.plate, look.joints.screw
    narrow = wood.value < PLATE_WIDE_MM - 1e-6
    if not narrow and screw.value >= PLATE_SCREW_LEAST_MM - 1e-6:
        return
    yield Finding(
        "joint.plate",
        "stop",
        "parts",
        both("There is no wood for a corner plate"),
        look.say("the rail's back is {} wide, a plate {}", wood, Mm(PLATE_WIDE_MM))
        if narrow
        else look.say("its screws find {}, and want {}", screw, Mm(PLATE_SCREW_LEAST_MM)),
        keys=("joint.plate",),
        proposals=(*look.change(look.levers.joint, "splines", 3, "Splines"), *look.others(3)),
        by_hand=both("A wider moulding takes a plate."),
    )


def biscuit_breaks_out(look: Look) -> Iterator[Finding]:
    """A biscuit longer than its mitre: its slot would break through the face."""
    if (look.joints is None or look.joints.room is None) or look.joints.room.value >= -1e-6:
        return
    yield Finding(
        "joint.breaks",
        "stop",
        "parts",
        both("The biscuit's slot breaks through the face"),
        look.say(
            "the mitre is {}; {} must stay to the outer face, and the slot ends inside it",
            look.joints.mitre,
            Mm(LIP_LEFT_MM),
        ),
        keys=("joint.mitre", "joint.from_point"),
        proposals=(
            *look.change(look.levers.joint, "splines", 3, "Splines"),
            *look.change(look.levers.joint, "corner plates", 2, "Plates"),
        ),
        by_hand=both("A wider moulding takes a biscuit."),
    )
