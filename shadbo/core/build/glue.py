"""The corner joint a frame takes, and where glue alone does not hold it."""

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, mass_text, say


@dataclass(frozen=True, slots=True)
class JointPiece:
    """What a corner takes besides glue: its name, how many, how long in mm where that is known, the price of one."""

    name: str
    each: int
    long_mm: float | None = None
    price: float = 0.0


@dataclass(frozen=True, slots=True)
class CornerJoint:
    """The joint a frame takes; ``why`` says why glue alone would not do, None where it would.

    ``pieces`` is what each corner takes.
    """

    kind: str
    why: Both | None
    pieces: tuple[JointPiece, ...] = ()

    @property
    def fails(self) -> bool:
        """Whether it is glue alone where glue alone will not do."""
        return self.kind == "glue" and self.why is not None


def why_not_glue(desk: Desk, mass_kg: float, long_mm: float, deep_mm: float) -> Both | None:
    """Why glue alone will not do, by the practice of the shop; None where it will."""
    p = desk.practice
    if mass_kg > p.joint_over_kg:
        return say(desk.mark, "the package weighs over {}", mass_text(p.joint_over_kg))
    if long_mm > p.joint_over_mm:
        return say(desk.mark, "a side is over {}", Mm(p.joint_over_mm))
    return (
        say(desk.mark, "the rail is deeper than {}", Mm(p.joint_deeper_mm)) if deep_mm > p.joint_deeper_mm else None
    )
