"""What comes next at the bench: from how far the job has come, and what this build is made of."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both


def next_step(plan: Plan) -> Both:
    """One sentence; empty while something is to be measured or solved."""
    a = plan.assembly
    if plan.state == "handed over":
        return both("It has been handed over.")
    if a is None or plan.state in ("to measure", "to solve"):
        return both("")
    to_cut, made = [p for p in a.parts if p.to_cut], _is_joined(plan)
    rails = any(p.of_profile for p in to_cut)
    if plan.state == "to cut" and rails:
        return both("Next: cut the rails, and write down what came off the saw.")
    if plan.state == "to cut" and to_cut:
        return both(f"Next: cut the {to_cut[0].called}, and write down what it came to.")
    if plan.state == "cutting" and made:
        return both("Next: join the frame, then measure its inside at both ends and the middle.")
    return both(_put_in(a))


def _is_joined(plan: Plan) -> bool:
    """Whether the frame is joined here, so that it can be measured."""
    return any(q.kind == "made" and key.startswith("frame.inside_") for key, q in plan.desk.sheet.named.items())


def _put_in(a: Assembly) -> str:
    return f"Next: {a.goes_in}, look from the front, hang it."
