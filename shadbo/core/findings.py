"""What the checks say, and the edits that they propose."""

from dataclasses import replace
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.sheet.quantity import Severity
from shadbo.core.words.lengths import Both

StationName = Literal["receive", "measure", "display", "sizes", "depth", "mount", "parts", "hang"]
STATIONS: tuple[StationName, ...] = (
    "receive",
    "measure",
    "display",
    "sizes",
    "depth",
    "mount",
    "parts",
    "hang",
)
RANK: dict[Severity, int] = {"stop": 3, "caution": 2, "measure": 1, "note": 0, "fine": -1}


class CannotPlan(Exception):
    """Something went wrong inside the plan of a job: what it was, for the log and for the framer."""

    def __init__(self, why: str) -> None:
        super().__init__(why)
        self.why = why


@dataclass(frozen=True, slots=True)
class Proposal:
    """Edits that should mend a finding. ``effort`` orders them: 1 a choice, 2 material, 3 work, 4 remake."""

    label: Both
    edits: tuple[Edit, ...]
    effort: int = 1


@dataclass(frozen=True, slots=True)
class Effect:
    """One line of the sheet that a remedy changes."""

    key: str
    label: str
    before: Both
    after: Both


@dataclass(frozen=True, slots=True)
class Remedy:
    """A proposal that was tried by planning again with it, and what it changes."""

    proposal: Proposal
    changes: Both
    cost: str
    effects: tuple[Effect, ...]
    price: float

    @property
    def says(self) -> Both:
        """What it changes and costs, in one line."""
        return Both(f"{self.changes.mm} · {self.cost}", f"{self.changes.inch} · {self.cost}")


@dataclass(frozen=True, slots=True)
class Finding:
    """Something to stop for, beware of, measure or know; ``code`` and ``place`` tell it from others.

    ``root`` marks a slip that other findings follow from; ``by_hand`` is what to do where no edit can help.
    """

    code: str
    severity: Severity
    station: StationName
    title: Both
    detail: Both
    place: str = ""
    keys: tuple[str, ...] = ()
    proposals: tuple[Proposal, ...] = ()
    remedies: tuple[Remedy, ...] = ()
    by_hand: Both | None = None
    root: bool = False

    def with_remedies(self, remedies: tuple[Remedy, ...]) -> "Finding":
        """The same finding with its tried remedies."""
        return replace(self, remedies=remedies)


def by_weight(findings: list[Finding]) -> list[Finding]:
    """Worst first; among equals what causes others, then the order of work."""
    return sorted(findings, key=lambda f: (-RANK[f.severity], not f.root, STATIONS.index(f.station)))
