"""A quantity: a value that remembers how it was worked out.

Each quantity is a node of a graph. It holds its value, its unit, the sign or words of the operation
that made it, the quantities it was made from, and the slope of its value to each of them. From this
graph come the working shown to the framer and the uncertainty, so neither can disagree with the result.

Uncertainty follows the usual first-order propagation (JCGM 100:2008, "GUM", 5.1): every independent
source has a half-width, taken as rectangular; ``worst`` adds the half-widths, ``likely`` is the
expanded uncertainty for k = 2, never more than ``worst``.
"""

import heapq
import itertools
import math
from collections.abc import Callable, Iterable
from typing import Literal, TypeAlias

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.units import ONE, Unit, combine, unit_name

DUST = 1e-6
"""Float dust: differences smaller than this never decide anything."""

FAR = 1e9
"""What stands for a quotient that has no size: far beyond anything real, so that every limit speaks."""

Way = Literal["up", "down", "nearest"]
Kind = Literal["", "read", "choose", "let", "cut", "made"]
"""What kind of line of the sheet a quantity is; an unnamed step is none."""
Severity = Literal["stop", "caution", "measure", "note", "fine"]
Slopes = tuple[float, ...] | Callable[[], Iterable[float]]
HalfWidth: TypeAlias = "float | Overtaken"


@dataclass(frozen=True, slots=True)
class Broken:
    """A step of the sums that has no answer: what was asked, and the named lines that it was asked of."""

    says: str
    of: "tuple[Quantity, ...]"


class Ledger:
    """What quantities share. It knows none of them: a plan goes at once when nobody has it any more."""

    __slots__ = ("broken", "serials")

    def __init__(self) -> None:
        self.serials = itertools.count(1)
        self.broken: list[Broken] = []


@dataclass(frozen=True, slots=True)
class Overtaken:
    """How far the runners-up of a pick can get past the one that was picked, each at its worst."""

    winner: "Quantity"
    of: "tuple[Quantity, ...]"

    def __call__(self) -> float:
        near = [(q, behind) for q, behind in self._rivals() if q.reach() > behind]
        least = self.winner.worst if near else 0.0
        return max([0.0, *(q.worst - behind - least for q, behind in near if q.reach() - behind > least)])

    def reach(self) -> float:
        """How far the one that was picked and its runners-up move the pick between them; never less."""
        return max([self.winner.reach(), *(q.reach() - behind for q, behind in self._rivals())])

    def _rivals(self) -> "list[tuple[Quantity, float]]":
        rivals = [q for q in self.of if not (q is self.winner or q.exact)]
        return [(q, abs(q.value - self.winner.value)) for q in rivals]


@dataclass(frozen=True, slots=True)
class Verdict:
    """Outcome of a judgement: the severity, and the quantity to read again when it is ``measure``."""

    severity: Severity
    read_again: "Quantity | None" = None


class Quantity:
    """A value on a sheet. Arithmetic on quantities records itself; branching on one is refused.

    A named line has a ``key``, a ``label`` that people know it by, and perhaps the ``source`` of its number; ``way``
    says which way its text may be rounded, ``planned`` what it was to be where it was measured. A step has no key.
    """

    __slots__ = (
        "_blame",
        "_reach",
        "args",
        "exact",
        "half_width",
        "key",
        "kind",
        "label",
        "ledger",
        "op",
        "planned",
        "serial",
        "slopes",
        "source",
        "unit",
        "value",
        "way",
    )

    def __init__(
        self,
        ledger: Ledger,
        value: float,
        unit: Unit,
        op: str = "",
        args: "tuple[Quantity, ...]" = (),
        slopes: Slopes = (),
        half_width: HalfWidth = 0.0,
    ) -> None:
        self.ledger = ledger
        self.serial = next(ledger.serials)
        self.value = value
        self.unit = unit
        self.op = op
        self.args = args
        self.slopes = slopes
        self.half_width = half_width
        # No error enters here nor flows in, so that nothing has to be looked for behind it.
        self.exact = not half_width or isinstance(half_width, Overtaken)
        for arg in args:
            if not arg.exact:
                self.exact = False
                break
        # A line of the sheet has a name; ``Sheet`` gives it.
        self.key = self.label = self.source = ""
        self.kind: Kind = ""
        self.way: Way = "nearest"
        self.planned: Quantity | None = None
        self._blame: dict[Quantity, float] | None = None
        self._reach: float | None = None

    def __add__(self, other: "Quantity | float") -> "Quantity":
        b = other if isinstance(other, Quantity) else Quantity(self.ledger, float(other), ONE)
        if b.unit != self.unit:
            raise TypeError(f"{unit_name(self.unit) or '1'} + {unit_name(b.unit) or '1'}: units differ")
        return Quantity(self.ledger, self.value + b.value, self.unit, "+", (self, b), (1.0, 1.0))

    def __sub__(self, other: "Quantity | float") -> "Quantity":
        b = other if isinstance(other, Quantity) else Quantity(self.ledger, float(other), ONE)
        if b.unit != self.unit:
            raise TypeError(f"{unit_name(self.unit) or '1'} − {unit_name(b.unit) or '1'}: units differ")
        return Quantity(self.ledger, self.value - b.value, self.unit, "−", (self, b), (1.0, -1.0))

    def __mul__(self, other: "Quantity | float") -> "Quantity":
        b = other if isinstance(other, Quantity) else Quantity(self.ledger, float(other), ONE)
        u = self.unit if b.unit == ONE else combine(self.unit, b.unit, 1)
        return Quantity(self.ledger, self.value * b.value, u, "×", (self, b), (b.value, self.value))

    def __rmul__(self, factor: float) -> "Quantity":
        return Quantity(self.ledger, float(factor), ONE) * self

    def __truediv__(self, other: "Quantity | float") -> "Quantity":
        b = other if isinstance(other, Quantity) else Quantity(self.ledger, float(other), ONE)
        u = self.unit if b.unit == ONE else combine(self.unit, b.unit, -1)
        if abs(b.value) < 1e-12:
            self.ledger.broken.append(Broken("divided by nothing", (self, b)))
            value = math.copysign(FAR, self.value) if self.value else 0.0
            return Quantity(self.ledger, value, u, "÷", (self, b), (0.0, 0.0))
        value = self.value / b.value
        return Quantity(self.ledger, value, u, "÷", (self, b), (1 / b.value, -value / b.value))

    def _refuse(self, *_: object) -> bool:
        raise TypeError("an unrecorded branch: use pick, step, count or judge")

    __bool__ = __lt__ = __le__ = __gt__ = __ge__ = _refuse

    def __repr__(self) -> str:
        return f"<{self.key or self.op or 'number'} {self.value:g} {unit_name(self.unit)}>"

    def local_slopes(self) -> Iterable[float]:
        """The slope of this value to each of its arguments."""
        return self.slopes() if callable(self.slopes) else self.slopes

    def own_half_width(self) -> float:
        """The half-width that enters at this node itself, before anything flows in."""
        return self.half_width() if isinstance(self.half_width, Overtaken) else self.half_width

    def blame(self) -> "dict[Quantity, float]":
        """How far each independent source can move this value: one reverse sweep, on demand, kept."""
        if self.exact:
            return {}
        if self._blame is None:
            adjoint: dict[Quantity, float] = {self: 1.0}
            # Arguments are always older than what was made of them, so the youngest comes next: each
            # node is settled before it is passed on, and what no error flows into is never visited.
            todo = [(-self.serial, self)]
            self._blame = {}
            while todo:
                _, q = heapq.heappop(todo)
                share = adjoint[q]
                if not share:
                    continue
                own = q.own_half_width()
                if own:
                    self._blame[q] = share * own
                if not q.args:
                    continue
                for arg, slope in zip(q.args, q.local_slopes(), strict=True):
                    if slope and not arg.exact:
                        if arg not in adjoint:
                            adjoint[arg] = 0.0
                            heapq.heappush(todo, (-arg.serial, arg))
                        adjoint[arg] += share * slope
        return self._blame

    def reach(self) -> float:
        """Never less than ``worst``, for much less work: every error at its limit, none taking another back.

        Kept at each node, so that all judgements of a plan visit a node once between them.
        """
        if self.exact:
            return 0.0
        if self._reach is None:
            half = self.half_width
            if isinstance(half, Overtaken):
                self._reach = half.reach()
                return self._reach
            flown_in = 0.0
            for arg, slope in zip(self.args, self.local_slopes(), strict=True):
                if slope and not arg.exact:
                    flown_in += abs(slope) * arg.reach()
            self._reach = flown_in + half
        return self._reach

    @property
    def worst(self) -> float:
        """Worst-case half-width: every source at its limit the wrong way."""
        return sum(map(abs, self.blame().values()))

    @property
    def likely(self) -> float:
        """Expanded half-width, k = 2, of rectangular sources; never above ``worst``."""
        spread = 2 * math.sqrt(sum(part * part for part in self.blame().values()) / 3)
        return min(self.worst, spread)

    def judge(self, stop: float, caution: float = -math.inf) -> Verdict:
        """Whether the value clears its limits. Uncertainty never raises a stop: it asks for the tape."""
        if self.value < stop - DUST:
            return Verdict("stop")
        if self.value < caution - DUST:
            return Verdict("caution")
        if self.value - self.reach() < stop - DUST and self.value - self.likely < stop - DUST:
            source = max(self.blame().items(), key=lambda part: abs(part[1]))[0]
            return Verdict("measure", source)
        return Verdict("fine")
