"""What a decision changes: two whole plans held side by side, lines, places, parts and what is thrown away."""

from collections.abc import Iterator

from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.dataclass import dataclass
from shadbo.core.findings import Effect
from shadbo.core.plan import Plan
from shadbo.core.shapes.polygon import box_of
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, length, value_text

MOVED_MM = 0.05
TELLING = {
    "rail.total": "rails",
    "face.made": "face",
    "pad.made": "pad",
    "screw.length": "screw",
    "gap.least": "least gap",
    "fit.worst_hold": "hold",
    "depth.left": "depth over",
    "brace.bow_width": "bow",
    "brace.bow_height": "bow",
    "stretch.spare_width": "cloth over",
    "stretch.spare_height": "cloth over",
    "border.least": "border",
    "hang.hook": "hook",
}
"""Lines that say best what a decision changes, in the order in which they are looked for."""


@dataclass(frozen=True, slots=True)
class Change:
    """From one plan to another: lines of the sheet, pieces that move, parts, and money.

    ``wasted`` are parts that were made already and are of no use in the plan after; ``price`` is what has then to
    be bought more, in the shop's currency; ``unpriced`` are new parts that the shop keeps no price for,
    ``moulding`` the one that is taken in another's place.
    """

    lines: tuple[Effect, ...]
    moved: tuple[str, ...]
    added: tuple[str, ...]
    dropped: tuple[str, ...]
    wasted: tuple[str, ...]
    unpriced: tuple[str, ...]
    moulding: str
    price: float
    rails_mm: float

    @property
    def nothing(self) -> bool:
        """Whether the plans are the same."""
        return not (self.lines or self.moved or self.added or self.dropped or self.wasted)

    @property
    def effects(self) -> tuple[Effect, ...]:
        """Everything that changes, the telling first."""
        none = both("")
        things = (
            *(Effect("", name, both("made"), both("to be made again")) for name in self.wasted),
            *((Effect("", "moulding", none, both(self.moulding)),) if self.moulding else ()),
            *(Effect("", name, none, both("moves")) for name in self.moved),
            *(Effect("", name, none, both("added")) for name in self.added),
            *(Effect("", name, both("there"), both("left out")) for name in self.dropped),
        )
        return (*things, *sorted(self.lines, key=lambda e: e.key not in TELLING))


def between(before: Plan, after: Plan) -> Change:
    """Hold two plans of one job side by side."""
    a, b = before.assembly, after.assembly
    old, new = before.desk.sheet, after.desk.sheet
    wasted = list(_wasted(before, after))
    price = new["price.materials"].value - old["price.materials"].value + sum(_price(a, p) for p in wasted)
    longer = new["rail.total"].value - old["rail.total"].value if "rail.total" in new and "rail.total" in old else 0.0
    were, are = _parts(a), _parts(b)
    added, dropped = list(_more(were, are)), list(_more(are, were))
    return Change(
        differences(before, after),
        tuple(_moved(a, b)),
        tuple(p.name for p in added),
        tuple(p.name for p in dropped),
        tuple(dict.fromkeys("the rails" if p.role == "rail" else p.name for p in wasted)),
        tuple(p.name for p in added if p.unpriced),
        b.moulding.name if a and b and a.moulding and b.moulding and a.moulding.name != b.moulding.name else "",
        round(price, 2),
        longer,
    )


def differences(before: Plan, after: Plan) -> tuple[Effect, ...]:
    """Lines of the sheet whose value changed, by at least what a framer would see."""
    out = []
    for key, q in after.desk.sheet.named.items():
        was = before.desk.sheet.named.get(key)
        if was is not None and abs(was.value - q.value) > 1e-3:
            mark = after.desk.mark
            out.append(Effect(key, q.label or key, value_text(was, mark), value_text(q, mark)))
    return tuple(out)


def said(change: Change, before: Plan, asked: str = "") -> Both:
    """A change in few words: what is made again, what moves, the line that tells most. ``asked`` is a line
    to tell where none of those changes."""
    parts: list[Both] = []
    if change.wasted:
        parts.append(both(f"make again: {_listed(change.wasted)}"))
    if change.moved:
        parts.append(both(f"moves {_listed(change.moved)}"))
    if change.moulding and not parts:
        parts.append(both(f"in {change.moulding}"))
    telling = _telling(change, before, asked)
    if telling is not None and not (change.wasted or change.moulding):
        parts.append(telling)
    if change.added and not parts:
        parts.append(both(f"with {_listed(change.added)}"))
    if not parts:
        parts.append(both("nothing else changes" if change.nothing else "no size changes"))
    return Both(" · ".join(p.mm for p in parts[:2]), " · ".join(p.inch for p in parts[:2]))


def cost(change: Change, currency: str) -> str:
    """What has to be bought more, or less; wood that has no price is said to have none."""
    none = f"{change.unpriced[0]} not priced" if change.unpriced else ""
    if abs(change.price) < 0.005:
        return none or "no cost"
    more = f"{'+' if change.price > 0 else '−'} {currency} {abs(change.price):.2f}"
    return f"{more}, {none}" if none else more


def _telling(change: Change, before: Plan, asked: str) -> Both | None:
    """The line that says most: one of the usual ones, else one that is cut or made, else the one asked about."""
    lines = {e.key: e for e in change.lines if e.key != "price.materials"}
    named = before.desk.sheet.named
    if change.moved:
        lines = {key: e for key, e in lines.items() if key in TELLING}
    made = [key for key in lines if named[key].kind in ("cut", "made")]
    first = next((lines[key] for key in (*TELLING, *made, asked) if key in lines), None)
    if first is None:
        return None
    if first.key == "rail.total":
        text = length(abs(change.rails_mm), before.desk.mark)
        sign = "+" if change.rails_mm > 0 else "−"
        return Both(f"rails {sign} {text.mm}", f"rails {sign} {text.inch}")
    name = TELLING.get(first.key, first.label)
    return Both(f"{name} {first.before.mm} → {first.after.mm}", f"{name} {first.before.inch} → {first.after.inch}")


def _listed(names: tuple[str, ...], most: int = 2) -> str:
    """Two names, and how many more."""
    more = len(names) - most
    return ", ".join(names[:most]) + (f" and {more} more" if more > 0 else "")


def _parts(assembly: Assembly | None) -> dict[str, Part]:
    return {p.id: p for p in assembly.parts} if assembly is not None else {}


def _more(were: dict[str, Part], are: dict[str, Part]) -> Iterator[Part]:
    """Parts of a role that was not there, the first of each, or more of the same; another size is no more."""
    roles = {p.role for p in were.values()}
    for id_, part in are.items():
        if part.role not in roles or (id_ in were and part.count > were[id_].count):
            roles.add(part.role)
            yield part


def _moved(before: Assembly | None, after: Assembly | None) -> Iterator[str]:
    """Names of pieces that stand elsewhere, whichever edge or middle of the frame they are measured from."""
    if before is None or after is None:
        return
    wider = after.outside_width.value - before.outside_width.value
    taller = after.outside_height.value - before.outside_height.value
    were = {x.id: x for x in before.shown}
    for x in after.shown:
        was = were.get(x.id)
        if was is None or len(was.ring) != len(x.ring):
            continue
        (left, low, _, _), (left_was, low_was, _, _) = box_of(x.ring), box_of(was.ring)
        if _stays(left - left_was, wider) and _stays(low - low_was, taller):
            continue
        yield x.name


def _stays(shift_mm: float, grown_mm: float) -> bool:
    """Whether a place is the same from the middle, or from one of the edges, of a frame that has grown."""
    return any(abs(shift_mm - part * grown_mm) <= MOVED_MM for part in (-0.5, 0.0, 0.5))


def _wasted(before: Plan, after: Plan) -> Iterator[Part]:
    """Parts that are made, by their pins, and not kept: the pin is dropped, or the part is of another thing."""
    pins, kept = before.desk.job.pins, after.desk.job.pins
    are = _parts(after.assembly)
    for part in _parts(before.assembly).values():
        keys = {q.key for q in (part.length, part.width) if q is not None and q.key} & pins.keys()
        now = are.get(part.id)
        if keys and (now is None or now.name != part.name or not keys <= kept.keys()):
            yield part


def _price(assembly: Assembly | None, part: Part) -> float:
    """Of a part with all its copies; a rail by its length."""
    if part.price or assembly is None or assembly.moulding is None or part.role != "rail" or part.length is None:
        return part.price * part.count
    return part.length.value * part.count * assembly.moulding.price_per_m / 1000
