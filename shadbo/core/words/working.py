"""The working of a line, as tokens for the screen: numbers, signs, and the lines that they come from."""

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import ONE, unit_name
from shadbo.core.words.lengths import Both, Mark
from shadbo.core.words.words import both, number_text, value_text

SIGNS = "+−×÷"


@dataclass(frozen=True, slots=True)
class Token:
    """A piece of a working. With a key it stands for that line of the sheet, called ``label``."""

    text: Both
    key: str = ""
    label: str = ""


@dataclass(frozen=True, slots=True)
class Share:
    """How far one source of uncertainty can move a line."""

    label: str
    text: Both


@dataclass(frozen=True, slots=True)
class Line:
    """One line of the sheet, opened: value, working, source, plus-minus, and the plan when it is as built.

    ``plus_minus`` is None for instructions: a cut is done as said.
    """

    key: str
    label: str
    value: float
    unit: str
    text: Both
    working: tuple[Token, ...]
    source: str
    plus_minus: Both | None
    blame: tuple[Share, ...]
    planned: Both | None
    can_pin: bool
    pinned: bool


def working(q: Quantity, mark: Mark) -> tuple[Token, ...]:
    """Tokens of the formula that made this quantity; unnamed steps fold into the line that uses them."""
    return tuple(_tokens(q, mark, True))


def _tokens(q: Quantity, mark: Mark, top: bool) -> list[Token]:
    if q.key and not top:
        return [Token(number_text(q, mark), q.key, q.label)]
    if not q.args:
        plain = both(f"{q.value:g}") if q.unit == ONE else number_text(q, mark)
        return [Token(plain)]
    if q.op == "=":
        return _tokens(q.args[0], mark, top and not q.args[0].key)
    if q.op in SIGNS:
        a, b = (_tokens(arg, mark, False) for arg in q.args)
        line = [*a, Token(both(q.op)), *b]
        return line if top else [Token(both("(")), *line, Token(both(")"))]
    out = [Token(both(q.op))]
    for i, arg in enumerate(_shown(q)):
        out += ([Token(both(","))] if i else []) + _tokens(arg, mark, False)
    return out


def _shown(q: Quantity) -> tuple[Quantity, ...]:
    """Arguments worth showing: a solver's many points would drown the line."""
    return q.args if len(q.args) <= 12 else ()


def line(q: Quantity, mark: Mark) -> Line:
    """A line of the sheet, opened for reading."""
    formula = q.planned if q.planned is not None else q
    half = Quantity(q.ledger, q.likely, q.unit)
    half.way = "up"
    parts = sorted(q.blame().items(), key=lambda p: -abs(p[1]))[:4]

    def share(value: float) -> Both:
        part = Quantity(q.ledger, abs(value), q.unit)
        return _fine(part, mark)

    return Line(
        q.key,
        q.label,
        q.value,
        unit_name(q.unit),
        value_text(q, mark),
        working(formula, mark),
        q.source,
        _fine(half, mark) if q.likely > 1e-9 and q.kind != "cut" else None,
        tuple(Share(b.label or b.op, share(v)) for b, v in parts),
        value_text(q.planned, mark) if q.planned is not None else None,
        q.kind in ("cut", "made"),
        q.planned is not None,
    )


def _fine(q: Quantity, mark: Mark) -> Both:
    """Uncertainties to a tenth of a millimetre or 1/64 in: the shop's mark would swallow them."""
    return value_text(q, Mark.named("0.1 mm") if mark.system == "mm" else Mark.named("1/64 in"))
