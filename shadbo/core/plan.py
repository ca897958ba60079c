"""The plan: what assessing a job gives."""

from dataclasses import replace
from typing import Literal

from shadbo.core.build.assembly import Assembly
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, Display
from shadbo.core.findings import RANK, Finding
from shadbo.core.hang.bodies import hung_by
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.sheet.quantity import Severity
from shadbo.core.solids.body import Body

State = Literal["to measure", "to solve", "to cut", "cutting", "made", "handed over"]


@dataclass(frozen=True, slots=True)
class Plan:
    """Sheet, assembly, hanging and findings of one job. Without the needed readings there are only asks."""

    desk: Desk
    display: Display
    asks: tuple[Ask, ...]
    assembly: Assembly | None
    hang: HangPlan | None
    findings: tuple[Finding, ...]

    @property
    def worst(self) -> Severity:
        """The gravest severity among the findings; fine when there are none."""
        return max((f.severity for f in self.findings), key=RANK.__getitem__, default="fine")

    @property
    def state(self) -> State:
        """How far the job has come, from what was measured, pinned and recorded."""
        job = self.desk.job
        if job.handed_over is not None:
            return "handed over"
        if self.asks:
            return "to measure"
        if any(key.startswith("frame.") for key in job.pins):
            return "made" if self.worst != "stop" else "to solve"
        if self.worst == "stop":
            return "to solve"
        return "cutting" if job.begun else "to cut"

    @property
    def bodies(self) -> tuple[Body, ...]:
        """All that the build is made of, its hangers behind it."""
        if self.assembly is None:
            return ()
        return self.assembly.bodies + (hung_by(self.assembly, self.hang)[0] if self.hang is not None else ())

    def with_findings(self, findings: tuple[Finding, ...]) -> "Plan":
        """The same plan with other findings."""
        return replace(self, findings=findings)
