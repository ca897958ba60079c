"""The sheet of sums: every number of a plan, with its working.

Three kinds of line matter to the bench. ``read`` is a measurement. ``cut`` is an instruction: it is
rounded to the workshop's mark, once, and hangs on the number read, not on the true size, so reading
error stops there and the cutter's tolerance starts. ``made`` is what comes out when cut things are put
together: error flows again. Only ``cut`` and ``made`` can be pinned at the real size.
"""

import math
from collections.abc import Callable, Iterator, Mapping, Sequence
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import DUST, Broken, Kind, Ledger, Overtaken, Quantity, Slopes, Way
from shadbo.core.sheet.units import ONE, Unit

MOST_COUNTED = 4000
"""More of one thing than any frame has: a count beyond it is a slip, not a plan."""


@dataclass(frozen=True, slots=True)
class AsBuilt:
    """What was really measured on the made thing: millimetres, half-width of the tool, its name."""

    mm: float
    half_width: float
    tool: str


def to_mark(value: float, grid: float, way: Way) -> float:
    """Round to a multiple of ``grid`` in a direction; float dust never costs a mark."""
    if way == "up":
        return math.ceil(value / grid - DUST) * grid
    if way == "down":
        return math.floor(value / grid + DUST) * grid
    return math.floor(value / grid + 0.5) * grid


class Sheet:
    """A fresh sheet for one plan. ``as_built`` maps keys of cut and made lines to what was measured."""

    def __init__(self, grid: float = 0.5, as_built: Mapping[str, AsBuilt] | None = None) -> None:
        self.ledger = Ledger()
        self.grid = grid
        self.named: dict[str, Quantity] = {}
        self.as_built = dict(as_built or {})
        self.pinned: list[Quantity] = []

    @property
    def broken(self) -> list[Broken]:
        """The steps that have no answer."""
        return self.ledger.broken

    def __getitem__(self, key: str) -> Quantity:
        return self.named[key]

    def get(self, key: str) -> Quantity | None:
        """The line of that key, or None."""
        return self.named.get(key)

    def __contains__(self, key: str) -> bool:
        return key in self.named

    def _put(self, q: Quantity, key: str, label: str, source: str, kind: Kind, way: Way = "nearest") -> Quantity:
        if key in self.named:
            raise KeyError(f"{key} is on the sheet already")
        if q.key:
            q = Quantity(self.ledger, q.value, q.unit, "=", (q,), (1.0,))
        q.key, q.label, q.source, q.kind, q.way = key, label, source, kind, way
        self.named[key] = q
        return q

    def number(self, value: float, u: Unit = ONE) -> Quantity:
        """A bare constant of a formula."""
        return Quantity(self.ledger, float(value), u)

    def read(self, key: str, label: str, value: float, u: Unit, half_width: float, tool: str) -> Quantity:
        """A measurement, with the half-width of the tool it was read with."""
        return self._put(Quantity(self.ledger, value, u, half_width=half_width), key, label, tool, "read")

    def choose(self, key: str, label: str, value: float, u: Unit, source: str) -> Quantity:
        """A decision, a stock size or a constant, with where it comes from."""
        return self._put(Quantity(self.ledger, float(value), u), key, label, source, "choose")

    def let(self, key: str, label: str, q: Quantity, source: str = "", way: Way = "nearest") -> Quantity:
        """A line worked out by formula. ``way`` says which way its text may be rounded."""
        return self._put(q, key, label, source, "let", way)

    def cut(self, key: str, label: str, q: Quantity, way: Way, tolerance: float) -> Quantity:
        """An instruction to the bench, rounded to the mark here and nowhere else."""
        value = to_mark(q.value, self.grid, way)
        op = "to the mark" if way == "nearest" else f"{way} to the mark"
        planned = Quantity(self.ledger, value, q.unit, op, (q,), (0.0,), tolerance)
        return self._real(planned, key, label, way, "cut")

    def made(self, key: str, label: str, q: Quantity, tolerance: float = 0.0, way: Way = "nearest") -> Quantity:
        """What comes out when cut things are put together: error flows in, and the joint adds its own."""
        planned = Quantity(self.ledger, q.value, q.unit, "=", (q,), (1.0,), tolerance)
        return self._real(planned, key, label, way, "made")

    def _real(self, planned: Quantity, key: str, label: str, way: Way, kind: Kind) -> Quantity:
        pin = self.as_built.get(key)
        if pin is None:
            return self._put(planned, key, label, "", kind, way)
        q = Quantity(self.ledger, pin.mm, planned.unit, half_width=pin.half_width)
        q.planned = planned
        self.pinned.append(q)
        return self._put(q, key, label, f"as built, {pin.tool}", kind, way)

    def pick(self, word: Literal["largest", "smallest"], *qs: Quantity) -> Quantity:
        """The largest or smallest of several; the runner-up's error counts as far as it can overtake."""
        choose = max if word == "largest" else min
        winner = choose(qs, key=lambda q: q.value)
        slopes = [0.0] * len(qs)
        slopes[qs.index(winner)] = 1.0  # once, though it may be among them twice
        return Quantity(self.ledger, winner.value, winner.unit, word, qs, tuple(slopes), Overtaken(winner, qs))

    def step(self, q: Quantity, rows: Sequence[tuple[float, float]], u: Unit) -> Quantity:
        """A row of a table ``(up to, value)``: a decision, so no error flows. The last row is open-ended."""
        if not rows:
            self.ledger.broken.append(Broken("a table without rows", (q,)))
            return Quantity(self.ledger, 0.0, u, "an empty table for", (q,), (0.0,))
        top, value = next(((t, v) for t, v in rows if q.value <= t + DUST), rows[-1])
        words = f"up to {top:g}:" if q.value <= top + DUST else f"over {rows[-2][0]:g}:" if len(rows) > 1 else "any:"
        return Quantity(self.ledger, value, u, words, (q,), (0.0,))

    def count(self, q: Quantity, at_least: int = 0) -> Quantity:
        """A whole number, never fewer than asked; dust never buys a screw."""
        if q.unit != ONE:
            raise TypeError("a count has no unit")
        if q.value > MOST_COUNTED:
            self.ledger.broken.append(Broken(f"over {MOST_COUNTED} of one thing", (q,)))
        value = max(at_least, math.ceil(min(q.value, MOST_COUNTED) - DUST))
        return Quantity(self.ledger, value, ONE, "whole number from", (q,), (0.0,))

    def call(
        self, says: str, fn: Callable[..., float], *args: Quantity, u: Unit, slopes: Slopes | None = None
    ) -> Quantity:
        """A handbook equation or solver as one opaque node; slopes by central difference when not given."""
        at = [a.value for a in args]
        value = self._tried(says, fn, at, args)

        def differences() -> Iterator[float]:
            for i, x in enumerate(at):
                h = 1e-6 * max(1.0, abs(x))
                above, below = fn(*at[:i], x + h, *at[i + 1 :]), fn(*at[:i], x - h, *at[i + 1 :])
                yield (above - below) / (2 * h)

        return Quantity(self.ledger, value, u, says, args, differences if slopes is None else slopes)

    def _tried(self, says: str, fn: Callable[..., float], at: list[float], args: tuple[Quantity, ...]) -> float:
        """The equation's answer; where it has none, nothing, and a note of it. NaN is left to whoever asked."""
        try:
            return fn(*at)
        except (ArithmeticError, ValueError):
            self.ledger.broken.append(Broken(says, args))
            return 0.0

    def decide(self, says: str, value: float, u: Unit, *args: Quantity) -> Quantity:
        """A decision taken from other quantities: it is done as said, so no error flows."""
        return Quantity(self.ledger, value, u, says, args, (0.0,) * len(args))

    def disagreements(self) -> Iterator[Quantity]:
        """Lines whose real size lies outside what their own formula allows."""
        for q in self.pinned:
            if q.planned is not None and abs(q.value - q.planned.value) > q.planned.worst + q.own_half_width() + DUST:
                yield q

    def unanswered_pins(self) -> list[str]:
        """Pins that nothing planned answers to: kept, and reported."""
        return [key for key in self.as_built if key not in self.named]
