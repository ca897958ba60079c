"""What must never happen to a piece, and how it is told: decided for the piece, or usual for its kind and worth."""

from functools import lru_cache

from shadbo.core.dataclass import dataclass
from shadbo.core.pieces.kinds import KINDS, SORT_FACTS, SORTED, FactName
from shadbo.core.shop.values import Value

FACT_WORDS: dict[FactName, str] = {
    "may_touch_glazing": "May touch the glazing",
    "may_be_glued": "May be glued",
    "may_be_pierced": "May be pierced at its edge",
    "may_be_steamed": "May be steamed",
    "may_be_wetted": "May be wetted",
    "loose_surface": "Surface is loose (pastel, charcoal, flaking)",
    "must_be_reversible": "Mount must come off without a trace",
    "removable_later": "Owner wants it out again",
}


class Facts(Value):
    """Facts decided for this piece; absent ones follow its kind and worth."""

    may_touch_glazing: bool | None = None
    may_be_glued: bool | None = None
    may_be_pierced: bool | None = None
    may_be_steamed: bool | None = None
    may_be_wetted: bool | None = None
    loose_surface: bool | None = None
    must_be_reversible: bool | None = None
    removable_later: bool | None = None


@dataclass(frozen=True, slots=True)
class Told:
    """Facts as they count, each with the reason it is so."""

    is_so: dict[FactName, bool]
    why: dict[FactName, str]

    def __getitem__(self, name: FactName) -> bool:
        return self.is_so[name]


def tell(facts: Facts, kind: str, worth: str, sort: str = "") -> Told:
    """The facts that count: those of the kind, then of its sort, then of its worth.

    Dear and irreplaceable pieces are never glued, and their mount comes off again.
    """
    usual = _usual(kind, worth, sort)
    own = vars(facts)  # looked up as attributes each would go through the model
    decided = {name: told for name in FACT_WORDS if (told := own[name]) is not None}
    if not decided:
        return usual
    return Told(usual.is_so | decided, usual.why | dict.fromkeys(decided, "told by the owner"))


@lru_cache(maxsize=512)
def _usual(kind: str, worth: str, sort: str) -> Told:
    """What is usual for a kind, a sort and a worth."""
    is_so: dict[FactName, bool] = {}
    why: dict[FactName, str] = {}
    for name in FACT_WORDS:
        usual, reason = name in KINDS[kind].usual, f"usual for a {kind}"
        if kind in SORTED and name in SORT_FACTS.get(sort, {}):
            usual, reason = SORT_FACTS[sort][name], f"usual for a {sort}"
        if name == "must_be_reversible" and worth != "everyday":
            usual, reason = True, f"since it is {worth}"
        if name == "may_be_glued" and worth == "irreplaceable":
            usual, reason = False, f"since it is {worth}"
        is_so[name], why[name] = usual, reason
    return Told(is_so, why)
