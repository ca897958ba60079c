"""Choices to practise: which moulding of the rack takes it, what it hangs by; right and wrong as the plan says."""

from collections.abc import Iterator

from shadbo.core.dataclass import dataclass
from shadbo.core.exercises.chance import share
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.materials import HangerKind
from shadbo.core.stations.answers import KINDS
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, say

OFFERED = 4
WAYS: tuple[HangerKind, ...] = ("wire", "straps", "plate")
"""What the plan itself chooses among."""


@dataclass(frozen=True, slots=True)
class Offer:
    """One thing that can be picked: what it is in words, whether it serves, and why not, or why."""

    id: str
    says: Both
    right: bool
    why: Both


@dataclass(frozen=True, slots=True)
class Choosing:
    """A choice to be made, from what is known, with at least one that serves and one that does not."""

    key: str
    label: str
    given: tuple[Quantity, ...]
    offers: tuple[Offer, ...]


def choosing(plan: Plan, seed: int) -> Choosing | None:
    """One choice of a plan, the same for the same seed; None where nothing is to be chosen."""
    able = list(_choosings(plan, seed))
    return min(able, key=lambda c: share(seed, f"choice {c.key}"), default=None)


def _choosings(plan: Plan, seed: int) -> Iterator[Choosing]:
    a, s, job, mark = plan.assembly, plan.desk.sheet, plan.desk.job, plan.desk.mark
    if a is None:
        return
    depth = [q for q in (s.get("depth.needed"),) if q is not None]
    given = depth or [q for key in ("canvas.depth", "face.wanted", "gap.wanted") if (q := s.get(key)) is not None]
    held = [
        Offer(
            h.profile.id,
            say(mark, "{}: {}", h.profile.name, h.size.said(mark)),
            h.fits,
            h.faults[0].said(mark) if h.faults else both("it takes it"),
        )
        for h in a.mouldings
    ]
    if given and _differ(held):
        yield Choosing("choice.moulding", "A moulding of the rack that takes it", tuple(given), _some(held, seed))
    hang = plan.hang
    if hang is None or a.hangs or hang.kind not in WAYS:
        return
    if job.hanging.kind is None and a.back_rail is not None and job.frame is None:
        reason = hang.reason if isinstance(hang.reason, Both) else both(hang.reason)
        ways = [Offer(k, both(KINDS[k]), k == hang.kind, reason) for k in WAYS]
        known = (hang.weight, a.outside_width, a.outside_height)
        yield Choosing("choice.hanging", "What it hangs by, by this shop's habits", known, tuple(ways))


def _differ(offers: list[Offer]) -> bool:
    """Whether some serve and some do not."""
    return len({o.right for o in offers}) == 2


def _some(offers: list[Offer], seed: int) -> tuple[Offer, ...]:
    """A few of them in no order, of either sort at least one."""
    mixed = sorted(offers, key=lambda o: share(seed, o.id))
    one = [next(o for o in mixed if o.right is right) for right in (True, False)]
    few = [*one, *(o for o in mixed if o not in one)][:OFFERED]
    return tuple(sorted(few, key=lambda o: share(seed, f"{o.id} shown")))
