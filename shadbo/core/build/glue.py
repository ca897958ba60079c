"""The corner joint a frame takes, and where glue alone does not hold it."""

from dataclasses import dataclass

from shadbo.core.shop.shop import Practice


@dataclass(frozen=True, slots=True)
class CornerJoint:
    """The joint a frame takes; ``why`` says why glue alone would not do, empty where it would."""

    kind: str
    why: str

    @property
    def fails(self) -> bool:
        """Whether it is glue alone where glue alone will not do."""
        return self.kind == "glue" and bool(self.why)


def why_not_glue(practice: Practice, mass_kg: float, long_mm: float, deep_mm: float) -> str:
    """Why glue alone will not do; empty where it will."""
    if mass_kg > practice.joint_over_kg:
        return f"the package weighs over {practice.joint_over_kg:g} kg"
    if long_mm > practice.joint_over_mm:
        return f"a side is over {practice.joint_over_mm:g} mm"
    return f"the rail is deeper than {practice.joint_deeper_mm:g} mm" if deep_mm > practice.joint_deeper_mm else ""
