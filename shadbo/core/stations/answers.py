"""The short answers that the docket shows: one line and one below it, for each station."""

from shadbo.core.asking.rows import EMPTY
from shadbo.core.findings import StationName
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import Both, texts
from shadbo.core.words.words import Mm, both, mass_told, say, value_text

KINDS = {
    "wire": "wire",
    "straps": "two straps",
    "cleat": "cleat",
    "plate": "single plate",
    "strips": "wall strips",
    "ledge": "on a ledge",
    "cord": "cord",
    "slanted hole": "slanted hole",
}


def answer(plan: Plan, name: StationName) -> tuple[Both, Both]:
    """Answer and second line of a station, in both systems."""
    job, desk = plan.desk.job, plan.desk
    if name == "receive":
        owner = f"for {job.owner.name}" if job.owner.name else "no owner yet"
        return both(job.title or "untitled"), both(owner)
    here = [ask for ask in plan.asks if ask.station == name]
    if here:
        n = len(here)
        to_take = both(f"{n} reading{'s' if n > 1 else ''} to take")
        return (both(plan.display.name), to_take) if name == "display" else (to_take, both(f"next: {here[0].label}"))
    if name == "measure" and plan.assembly is None:
        return both("measured"), EMPTY
    if name == "display":
        profile = plan.assembly.moulding if plan.assembly else None
        return both(plan.display.name), both(profile.name if profile else "")
    if plan.assembly is None or plan.hang is None:
        return both("waits for readings"), EMPTY
    s, mark = desk.sheet, desk.mark
    if name == "measure" and len(desk.pieces) > 1:
        masses = [s[f"{desk.prefix(p)}.mass"].value for p in desk.pieces if f"{desk.prefix(p)}.mass" in s]
        return both(f"{len(desk.pieces)} pieces"), say(mark, "{} together", mass_told(sum(masses)))
    if name == "measure":
        start = desk.prefix(desk.piece)
        rack = say(mark, ", {} out of square", Mm(abs(s[f"{start}.rack"].value))) if f"{start}.rack" in s else EMPTY
        weight = value_text(s[f"{start}.mass"], mark)
        sizes = [s[f"{start}.{k}"] for k in ("width", "height", "depth") if f"{start}.{k}" in s]
        size = [texts(q.value, mark, q.way) for q in sizes]
        first = Both(" × ".join(t.mm for t in size), " × ".join(t.inch for t in size))
        return first, Both(weight.mm + rack.mm, weight.inch + rack.inch)
    if name == "parts":
        cut = any(k.startswith("rail.") for k in job.pins)
        made = any(k.startswith("frame.") for k in job.pins)
        made = made or desk.own_frame is not None
        state = "frame measured" if made else "rails cut" if cut else "nothing cut yet"
        return plan.assembly.answers.get(name, (EMPTY, EMPTY))[0], both(state)
    if name in plan.assembly.answers:
        return plan.assembly.answers[name]
    what = {"strips": "top edge", "ledge": "ledge"}.get(plan.hang.kind, "hook")
    return both(KINDS[plan.hang.kind]), say(mark, f"{what} at {{}}", plan.hang.hook_marked(mark))
