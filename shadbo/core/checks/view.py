"""What a check looks at, and the short ways of saying what it found."""

from dataclasses import dataclass

from shadbo.core.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.edits import Edit
from shadbo.core.findings import Finding, Proposal, StationName
from shadbo.core.hang_plan import HangPlan
from shadbo.core.lengths import Both
from shadbo.core.quantity import Quantity
from shadbo.core.words import Sayable, both, length, say


@dataclass(frozen=True, slots=True)
class Look:
    """Assembly and sheet of a plan in the making. Checks read it, and never which display it is."""

    desk: Desk
    assembly: Assembly
    hang: HangPlan

    def __contains__(self, key: str) -> bool:
        return key in self.desk.sheet

    def __getitem__(self, key: str) -> Quantity:
        return self.desk.sheet[key]

    def say(self, sentence: str, *values: Sayable) -> Both:
        """A sentence in both systems."""
        return say(self.desk.mark, sentence, *values)

    def change(self, lever: str, to: object, effort: int, sentence: str, *values: Sayable) -> tuple[Proposal, ...]:
        """A proposal that moves one lever of the display; none where the display has no such lever."""
        at = self.assembly.levers.get(lever)
        if at is None:
            return ()
        return (Proposal(self.say(sentence, *values), (Edit(at=at, to=to),), effort),)

    def decided(self, lever: str) -> object:
        """What stands in the job at a lever of the display; None where the plan decides."""
        at = self.assembly.levers.get(lever)
        here: object = self.desk.job
        for name in (at or "").split("/"):
            here = getattr(here, name, None)
        return here if at is not None else None

    def length_to(self, mm: float) -> dict[str, object]:
        """A length as an edit writes it, typed as this workshop types."""
        return {"mm": round(mm, 3), "typed": length(mm, self.desk.mark).pick(self.desk.mark.system)}

    def others(self, most: int, severity_effort: int = 2) -> tuple[Proposal, ...]:
        """Mouldings of the rack that would take it."""
        now = self.assembly.moulding
        fit = [h for h in self.assembly.mouldings if h.fits and h.profile != now][:most]
        out: tuple[Proposal, ...] = ()
        for held in fit:
            out += self.change(
                "profile", held.profile.model_dump(mode="json"), severity_effort, "{}", held.profile.name
            )
        return out


def measure_again(
    look: Look, code: str, q: Quantity, source: Quantity | None, station: StationName, what: str
) -> Finding:
    """A reading leaves a limit open: name the one to repeat, and with what."""
    name = source.name if source is not None else None
    label = name.label if name else "the reading"
    tool = f" ({name.source})" if name and name.source else ""
    return Finding(
        code,
        "measure",
        station,
        look.say("Read again: {}{}", label, tool),
        look.say("{} comes to {}, give or take {}", what, q, look.say("{}", _half(q))),
        keys=tuple(k for k in (q.key, source.key if source is not None else "") if k),
        by_hand=both("Repeat that one reading with a finer tool."),
    )


def _half(q: Quantity) -> Quantity:
    half = Quantity(q.sheet, q.likely, q.unit)
    half.way = "up"
    return half
