"""What the steps of a plan are made from: its assembly, its facets, and short ways of saying sizes."""

from collections.abc import Iterable

from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.build.closing import glazing_kinds
from shadbo.core.checks.faceted import Faceted
from shadbo.core.dataclass import dataclass
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.shop import Practice
from shadbo.core.steps.step import Check, Fetched, Thing
from shadbo.core.steps.times import WorkKind, minutes
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Sayable, both, say, sizes

WOODEN = ("rail", "bar", "brace")
FITTED = ("glazing", "mat", "board", "backing", "packer", "spacer", "pad", "shim", "strip")
"""Roles of what lies in the frame before it is closed."""
HOUR, DAY = 60.0, 1440.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Site(Faceted):
    """A plan as the bench sees it."""

    plan: Plan
    assembly: Assembly
    hang: HangPlan

    @property
    def job(self) -> Job:
        """The job."""
        return self.desk.job

    @property
    def practice(self) -> Practice:
        """The habits that count for this job."""
        return self.desk.practice

    def say(self, sentence: str, *values: Sayable) -> Both:
        """A sentence in both systems."""
        return say(self.desk.mark, sentence, *values)

    def took(self, kind: WorkKind, metres: float = 0.0, square: float = 0.0, each: float = 0.0) -> float:
        """Minutes of one person at this shop's pace."""
        return round(self.practice.pace_times * minutes(kind, metres, square, each), 1)

    @property
    def metres(self) -> float:
        """Once round the frame, in metres."""
        a = self.assembly
        return 2 * (a.outside_width.value + a.outside_height.value) / 1000

    @property
    def square(self) -> float:
        """Its outside, in square metres."""
        return self.assembly.outside_width.value * self.assembly.outside_height.value / 1e6

    @property
    def glazed(self) -> bool:
        """Whether there is any glass in it, cut here, bought or its own."""
        return bool(self.assembly.by_role("glazing"))

    @property
    def panes(self) -> frozenset[str]:
        """Kinds of its panes."""
        return glazing_kinds(self.assembly)

    @property
    def sawn(self) -> list[Part]:
        """Rails that are cut here."""
        return [p for p in self.assembly.parts if p.role == "rail" and p.to_cut]

    @property
    def framed(self) -> bool:
        """Whether there is a frame at all that something lies in, made here or bought or old."""
        return bool(self.assembly.by_role("rail")) and self.assembly.back_rail is not None

    @property
    def sealed_in(self) -> list[Part]:
        """What is cut here or ordered and lies in the frame before it is closed."""
        return [p for p in self.assembly.parts if p.role in FITTED and p.to_cut]

    @property
    def opened(self) -> list[Part]:
        """Sheets that openings are cut out of."""
        ids = {w.sheet for w in self.assembly.windows if not w.stays}
        return [p for p in self.assembly.parts if p.id in ids and p.to_cut]

    def size(self, part: Part) -> Both:
        """Length, and width where it is cut to one."""
        if part.length is None:
            return both("")
        if part.of_profile or part.width is None or part.role in WOODEN:
            return say(self.desk.mark, "{}", part.length)
        return sizes(self.desk.mark, part.length, part.width)

    def fetch(self, parts: Iterable[Part]) -> tuple[Fetched, ...]:
        """Parts as they are laid out on the bench."""
        return tuple(Fetched(p.count, p.called, self.size(p)) for p in parts)

    def asked(self, parts: Iterable[Part]) -> tuple[Quantity, ...]:
        """Sizes that the plan asks of parts, each once."""
        found = [q for p in parts for q in (p.length, p.width) if q is not None and q.kind == "cut"]
        return tuple({q.key: q for q in found}.values())

    def read(self, q: Quantity, words: str = "", beyond: str = "", wanted: Quantity | None = None) -> Check:
        """A check by measure of a line that is cut or made: its real size, which the plan then follows.

        It is held against what was planned, or against ``wanted``.
        """
        planned = wanted if wanted is not None else q.planned if q.planned is not None else q
        label = q.label or q.key
        within = max(planned.likely, self.desk.mark.mm, self.practice.cut_tolerance_mm)
        return Check(f"size.{q.key}", words or label, planned, within, q.key, beyond)

    def lines(self, keys: Iterable[str]) -> list[Quantity]:
        """Those of these lines that the sheet has."""
        return [q for key in keys if (q := self.desk.sheet.get(key)) is not None]

    def have(self, parts: Iterable[Part]) -> tuple[Thing, ...]:
        """Parts as things that are needed."""
        return tuple(Thing("part", p.id) for p in parts)


def site_of(plan: Plan) -> Site | None:
    """The site of a plan; None while readings are missing."""
    if plan.assembly is None or plan.hang is None:
        return None
    return Site(desk=plan.desk, plan=plan, assembly=plan.assembly, hang=plan.hang)
