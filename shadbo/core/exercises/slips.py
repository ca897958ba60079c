"""Slips: the working of a line with one step of it done wrong, tried one after the other until one gives the answer.

Nothing here knows what the line is. Its working is the sheet's own (``Quantity``): a sum may lose a term, take it
twice or with the wrong sign, a half may not be halved, the smaller of two readings may be taken for the larger.
"""

import math
from collections.abc import Callable, Iterator, Mapping
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.sheet.units import MM, ONE

SlipKind = Literal[
    "forgot",
    "twice",
    "sign",
    "one side",
    "not halved",
    "halved twice",
    "smaller",
    "other line",
    "unrounded",
    "mirrored",
    "choice",
]
SLIP_WORDS: dict[SlipKind, str] = {
    "forgot": "something forgotten",
    "twice": "something taken twice",
    "sign": "added for taken off, or the other way",
    "one side": "one side for two",
    "not halved": "not halved",
    "halved twice": "halved twice",
    "smaller": "the wrong one of several readings",
    "other line": "another size than was asked",
    "unrounded": "rounded the wrong way",
    "mirrored": "not mirrored, seen from the back",
    "choice": "something chosen that does not serve",
}
ARITHMETIC, PLAIN = ("+", "−", "×", "÷"), ("=", "to the mark", "up to the mark", "down to the mark")
MOST_GIVEN = 6
NO_NAME = "a constant"
DEEP = 3
"""So many named lines deep a slip is looked for: what a framer works out in one go."""
Wrong = Callable[[Quantity], float | None]


@dataclass(frozen=True, slots=True)
class Slip:
    """One way in which a line goes wrong: its kind, what was done in words, what comes of it in the line's unit."""

    kind: SlipKind
    says: str
    value: float


def formula(q: Quantity) -> Quantity:
    """The working of a line, whatever was really made."""
    return q.planned if q.planned is not None else q


def slips(q: Quantity, grid: float) -> list[Slip]:
    """Every slip of a line's working whose result differs from it by a mark or more, each value once."""
    right, found = q.value if q.planned is None else q.planned.value, []
    seen: set[float] = set()
    for kind, says, at, wrong in _steps(formula(q), DEEP):
        value = _with(formula(q), at, wrong, grid, {})
        told = round(value, 3)
        differs = math.isfinite(value) and abs(value - right) >= grid - 1e-6
        if differs and told not in seen and NO_NAME not in says:
            seen.add(told)
            found.append(Slip(kind, says, value))
    return found


def _with(q: Quantity, at: Quantity, wrong: float, grid: float, known: dict[int, float]) -> float:
    """The value of a working where one node of it has another value."""
    if q is at:
        return wrong
    if q.serial in known:
        return known[q.serial]
    args = [_with(formula(a), at, wrong, grid, known) for a in q.args]
    value = q.value
    if any(x != formula(a).value for x, a in zip(args, q.args, strict=True)):
        value = _again(q, args, grid)
    known[q.serial] = value
    return value


def with_given(q: Quantity, told: Mapping[str, float], top: bool = True) -> float:
    """What a working comes to with other values of the lines that it starts from, by their keys; not rounded."""
    if not top and q.key in told:
        return told[q.key]
    f = formula(q)
    if f.op not in (*ARITHMETIC, *PLAIN):
        return f.value
    args = [with_given(a, told, False) for a in f.args]
    return args[0] if f.op in PLAIN else _again(f, args, 0.0)


def _again(q: Quantity, args: list[float], grid: float) -> float:
    """An operation on other values; of what is no arithmetic only rounding and picking are done again."""
    match q.op:
        case "+":
            return args[0] + args[1]
        case "−":
            return args[0] - args[1]
        case "×":
            return args[0] * args[1]
        case "÷":
            return args[0] / args[1] if args[1] else math.inf
        case "=":
            return args[0]
        case "largest":
            return max(args)
        case "smallest":
            return min(args)
        case "to the mark":
            return to_mark(args[0], grid, "nearest")
        case "up to the mark":
            return to_mark(args[0], grid, "up")
        case "down to the mark":
            return to_mark(args[0], grid, "down")
    return q.value


def _steps(q: Quantity, deep: int) -> Iterator[tuple[SlipKind, str, Quantity, float]]:
    """Each node that can be done wrong, how that is said, and its value then; the nearest to the answer first."""
    todo, seen = [(q, deep)], {q.serial}
    while todo:
        node, left = todo.pop(0)
        yield from ((kind, says, node, value) for kind, says, value in _wrongs(node))
        for arg in node.args:
            below = left - bool(arg.key)
            inner = formula(arg)
            if below > 0 and inner.serial not in seen and inner.args:
                seen.add(inner.serial)
                todo.append((inner, below))


def _wrongs(q: Quantity) -> Iterator[tuple[SlipKind, str, float]]:
    if q.op in ("+", "−"):
        a, b = q.args
        sign = 1 if q.op == "+" else -1
        if abs(b.value) > 1e-9:
            yield "forgot", f"forgot {called(b)}", a.value
            yield "twice", f"took {called(b)} twice", q.value + sign * b.value
            way = "taken off, where it is added" if sign > 0 else "added, where it is taken off"
            yield "sign", f"{called(b)}: {way}", q.value - 2 * sign * b.value
        if sign > 0 and abs(a.value) > 1e-9:
            yield "forgot", f"forgot {called(a)}", b.value
            yield "twice", f"took {called(a)} twice", q.value + a.value
    elif q.op == "×":
        yield from _times(q)
    elif q.op == "÷" and _is(q.args[1], 2):
        yield "not halved", f"did not halve {called(q.args[0])}", q.args[0].value
        yield "halved twice", f"halved {called(q.args[0])} twice", q.value / 2
    elif q.op in ("largest", "smallest") and len(q.args) > 1:
        values = [a.value for a in q.args]
        other = min(values) if q.op == "largest" else max(values)
        word = "smallest, where the largest" if q.op == "largest" else "largest, where the smallest"
        yield "smaller", f"took the {word} of several counts", other
        yield "smaller", "put two readings of one side into the sum", sum(sorted(values)[-2:])
    elif q.op in ("up to the mark", "down to the mark", "to the mark"):
        yield "unrounded", "rounded to the mark the other way", _other_way(q)


def _other_way(q: Quantity) -> float:
    """To the mark on the other side of it; the same where it lies on a mark."""
    gap = q.value - q.args[0].value
    return q.args[0].value - (abs(gap) if gap > 0 else -abs(gap))


def _times(q: Quantity) -> Iterator[tuple[SlipKind, str, float]]:
    for factor, thing in (q.args, q.args[::-1]):
        if _is(factor, 2):
            yield "one side", f"took {called(thing)} once: there are two of it", thing.value
            yield "twice", f"took {called(thing)} for both sides twice", 4 * thing.value
            return
        if _is(factor, 0.5):
            yield "not halved", f"did not halve {called(thing)}", thing.value
            return


def _is(q: Quantity, value: float) -> bool:
    return not q.args and not q.key and q.unit == ONE and abs(q.value - value) < 1e-9


def called(q: Quantity) -> str:
    """What a part of a working is called: by its line, else by the lines in it."""
    names = list(dict.fromkeys(_names(q, 3)))
    if not names:
        return NO_NAME
    return " and ".join(f"“{n}”" for n in names[:2]) + (" and more" if len(names) > 2 else "")


def _names(q: Quantity, deep: int) -> Iterator[str]:
    if q.key:
        yield q.label
        return
    for arg in q.args if deep else ():
        yield from _names(arg, deep - 1)


def depth(q: Quantity, into: int = 0) -> int:
    """How many steps of arithmetic a line takes from what is given; ``into`` as with ``given``."""
    f = formula(q)
    below = sum(depth(a, _left(a, into)) for a in f.args if not _is_given(a, into))
    return below + (f.op in ARITHMETIC)


def given(q: Quantity, into: int = 0) -> list[Quantity]:
    """The named lines that a working starts from; so many lines ``into`` it those are worked out too."""
    out: list[Quantity] = []
    for arg in formula(q).args:
        found = [arg] if _is_given(arg, into) else given(arg, _left(arg, into))
        out += [x for x in found if x not in out and (x.key or x.args)]
    return out


def _left(q: Quantity, into: int) -> int:
    return into - 1 if q.key else into


def _is_given(q: Quantity, into: int) -> bool:
    """Whether a node is told and not worked out: a named line, unless it is one of arithmetic that is gone into."""
    if not q.key:
        return False
    return not into or q.kind in ("read", "choose") or not can_be_asked(q)


def can_be_asked(q: Quantity) -> bool:
    """Whether a line is a length that is worked out by arithmetic, from lines that can be given."""
    f = formula(q)
    while f.op in PLAIN and f.args and not f.args[0].key:
        f = f.args[0]
    return q.unit == MM and q.value > 0 and f.op in ARITHMETIC and 1 < len(given(q)) <= MOST_GIVEN
