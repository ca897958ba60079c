"""What a check looks at, and the short ways of saying what it found."""

from typing import TypeVar

from shadbo.core.build.assembly import Assembly
from shadbo.core.checks.faceted import Faceted
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.decisions.levers import Lever, Levers, written
from shadbo.core.findings import Finding, Proposal, StationName
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.values import Length
from shadbo.core.solids.body import Tie
from shadbo.core.solids.space import Space
from shadbo.core.words.lengths import FINER, Both
from shadbo.core.words.words import Sayable, both, give_or_take, length, say

T = TypeVar("T")


@dataclass(frozen=True, kw_only=True)
class Look(Faceted):
    """Assembly and sheet of a plan in the making. Checks read it, and never which display it is.

    ``space`` has all bodies in their places, hangers among them, ``ties`` what is fixed to what.
    """

    assembly: Assembly
    hang: HangPlan
    space: Space
    ties: tuple[Tie, ...]

    def say(self, sentence: str, *values: Sayable) -> Both:
        """A sentence in both systems."""
        return say(self.desk.mark, sentence, *values)

    @property
    def levers(self) -> Levers:
        """What the framer can decide for this display."""
        return self.desk.levers

    def change(
        self, lever: Lever[T] | None, to: T | None, effort: int, sentence: str, *values: Sayable
    ) -> tuple[Proposal, ...]:
        """A proposal that moves one lever; none where the display has no such lever."""
        if lever is None:
            return ()
        return (Proposal(self.say(sentence, *values), (lever.set(to),), effort),)

    def decided(self, lever: Lever[T] | None) -> T | None:
        """What the framer decided at a lever; None where the plan decides, or there is no such lever."""
        return lever.of(self.desk.job) if lever is not None else None

    def length(self, mm: float) -> Length:
        """A length as this workshop types it; one that no field can hold is refused when it is tried."""
        return Length.model_construct(mm=round(mm, 3), typed=length(mm, self.desk.mark).pick(self.desk.mark.system))

    def length_to(self, mm: float) -> dict[str, object]:
        """The same as an edit writes it, for places that have no lever."""
        return written(self.length(mm))  # type: ignore[no-any-return]

    def new_rails(self) -> tuple[Proposal, ...]:
        """To make the frame again as it was planned: what was really measured of it is taken back."""
        if self.desk.own_frame is not None:
            return (Proposal(self.say("Make a frame to the piece"), (Edit(at="frame/used", to=False),), 4),)
        made = ("rail.", "frame.inside_width", "frame.inside_height")
        edits = tuple(Edit(at=f"pins/{key}") for key in self.desk.job.pins if key.startswith(made))
        return (Proposal(self.say("Make new rails"), edits, 4),) if edits else ()

    def finer_mark(self) -> tuple[Proposal, ...]:
        """To cut this job to the next finer mark: shown only where that alone mends what was found."""
        finer = FINER.get(self.desk.mark.name)
        if finer is None:
            return ()
        return (Proposal(self.say("Cut to a mark of {}", finer), (Edit(at="mark", to=finer),), 1),)

    def others(self, most: int, severity_effort: int = 2) -> tuple[Proposal, ...]:
        """Mouldings of the rack that would take it."""
        now = self.assembly.moulding
        fit = [h for h in self.assembly.mouldings if h.fits and h.profile != now][:most]
        out: tuple[Proposal, ...] = ()
        for held in fit:
            out += self.change(self.levers.profile, held.profile, severity_effort, "{}", held.profile.name)
        return out


def measure_again(
    look: Look, code: str, q: Quantity, source: Quantity | None, station: StationName, what: str
) -> Finding:
    """A reading leaves a limit open: name the one to repeat, and with what."""
    label = (source.label if source is not None else "") or "the reading"
    read: Both | str = ""
    if source is not None and source.source:
        read = look.say(" ({} ± {})", source.source, give_or_take(source))
    return Finding(
        code,
        "measure",
        station,
        look.say("Read again: {}{}", label, read),
        look.say("{} comes to {}, give or take {}", what, q, look.say("{}", _half(q))),
        keys=tuple(k for k in (q.key, source.key if source is not None else "") if k),
        by_hand=both("Repeat that one reading with a finer tool."),
    )


def _half(q: Quantity) -> Quantity:
    half = Quantity(q.ledger, q.likely, q.unit)
    half.way = "up"
    return half
