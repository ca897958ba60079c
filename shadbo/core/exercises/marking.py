"""Marking: whether an answer is right, which slip it shows, and what a frame that was made so would come to."""

from collections.abc import Iterator
from contextlib import suppress

from shadbo.core.asking.rows import exact
from shadbo.core.assess import assess
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.board import draw
from shadbo.core.exercises.choices import Choosing
from shadbo.core.exercises.exercise import FINEST_IN, INTO, laid_out
from shadbo.core.exercises.slips import Slip, SlipKind, formula, given, slips, with_given
from shadbo.core.findings import CannotPlan
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both, NotALength, System, parse
from shadbo.core.words.words import value_text
from shadbo.core.words.working import Token, working


@dataclass(frozen=True, slots=True)
class Marked:
    """An answer with its mark: right, or which slip it shows, or none that is known; then the working.

    ``happens`` is what would come of it, ``picture`` the frame that was made so, where that can be drawn.
    """

    key: str
    right: bool
    kind: SlipKind | None
    says: str
    answer: Both
    working: tuple[Token, ...]
    happens: str
    picture: str


def mark_choice(choice: Choosing, picked: str, system: System) -> Marked:
    """A choice that was made: why it serves, or why not and what would have. Raises LookupError for none of them."""
    offer = next((o for o in choice.offers if o.id == picked), None)
    if offer is None:
        raise LookupError("pick one of them")
    serve = [o.says for o in choice.offers if o.right]
    answer = Both("; ".join(x.mm for x in serve), "; ".join(x.inch for x in serve))
    if offer.right:
        return Marked(choice.key, True, None, "right", answer, (), "", "")
    says = f"it does not serve: {offer.why.pick(system)}"
    return Marked(choice.key, False, "choice", says, answer, (), "", "")


def mark(job: Job, shop: Shop, key: str, answer_mm: float, system: System, level: int = 1) -> Marked:
    """An answer to one line. Right within half a mark of the plan, of its text, or of the sum by what was given; else
    the nearest slip that gives it.
    """
    plan, mirrored = laid_out(job, shop)
    q, grid = plan.desk.sheet[key], plan.desk.mark.mm
    right = formula(q).value
    shown, how = value_text(q, plan.desk.mark), working(formula(q), plan.desk.mark)
    rights = (right, _by_hand(q, INTO[level], system), *_read(shown.pick(system), system))
    if any(abs(answer_mm - x) <= max(grid, FINEST_IN if system == "in" else 0) / 2 + 1e-6 for x in rights):
        return Marked(key, True, None, "right", shown, how, "", "")
    back = mirrored.get(key)
    slip = back if back is not None and abs(back.value - answer_mm) <= grid / 2 + 1e-6 else None
    slip = slip or _slip(plan, q, answer_mm, grid)
    says = slip.says if slip is not None else "wrong, by no slip that is known: go through the working"
    made = q.kind in ("cut", "made")
    happens, picture = _happens(job, shop, key, answer_mm, system) if made else ("", "")
    return Marked(key, False, slip.kind if slip is not None else None, says, shown, how, happens, picture)


def _by_hand(q: Quantity, into: int, system: System) -> float:
    """What a line comes to by the given lines as they are told, which are rounded."""
    told = {g.key: next(_read(exact(g.value).pick(system), system), g.value) for g in given(q, into) if g.unit == MM}
    return with_given(q, told)


def _read(text: str, system: System) -> Iterator[float]:
    """A length as it stands on the screen, in mm; nothing where it is none."""
    with suppress(NotALength):
        yield parse(text, system)


def _slip(plan: Plan, q: Quantity, answer_mm: float, grid: float) -> Slip | None:
    near = [s for s in slips(q, grid) if abs(s.value - answer_mm) <= grid / 2 + 1e-6]
    if near:
        return min(near, key=lambda s: abs(s.value - answer_mm))
    for other in plan.desk.sheet.named.values():
        if other is not q and other.unit == q.unit and abs(other.value - answer_mm) <= 1e-6 and other.key:
            return Slip("other line", f"that is “{other.label}”: another line than was asked", other.value)
    return None


def _happens(job: Job, shop: Shop, key: str, answer_mm: float, system: System) -> tuple[str, str]:
    """What a frame made by a wrong answer comes to: the gravest that is said of it, and its edge cut through."""
    if not 0 < answer_mm <= 20_000:
        return "", ""
    pin = Edit(at=f"pins/{key}", to={"mm": answer_mm, "typed": f"{answer_mm:g} mm"})
    try:
        wrong, was = assess(apply(job, [pin])[0], shop), assess(job, shop)
    except (CannotPlan, ValueError):
        return "it cannot be built at all", ""
    told = {(f.code, f.title.mm) for f in was.findings}
    new = [f for f in wrong.findings if (f.code, f.title.mm) not in told and f.severity != "note"]
    if not new or key not in wrong.desk.sheet or wrong.desk.sheet[key].planned is None:
        return "", ""
    return new[0].title.pick(system), draw(wrong, "edge", system).svg
