"""The short answers that the docket shows: one line and one below it, for each station."""

from shadbo.core.findings import StationName
from shadbo.core.lengths import Both, texts
from shadbo.core.plan import Plan
from shadbo.core.rows import EMPTY
from shadbo.core.words import Mm, both, say

KINDS = {"wire": "wire", "straps": "two straps", "cleat": "cleat", "plate": "single plate"}


def answer(plan: Plan, name: StationName) -> tuple[Both, Both]:
    """Answer and second line of a station, in both systems."""
    job, desk = plan.desk.job, plan.desk
    if name == "receive":
        owner = f"for {job.owner.name}" if job.owner.name else "no owner yet"
        return both(job.title or "untitled"), both(owner)
    if name == "measure" and plan.asks:
        n = len(plan.asks)
        return both(f"{n} reading{'s' if n > 1 else ''} to take"), both(f"next: {plan.asks[0].label}")
    if name == "display":
        profile = plan.assembly.moulding if plan.assembly else None
        return both(plan.display.name), both(profile.name if profile else "")
    if plan.assembly is None or plan.hang is None:
        return both("waits for readings"), EMPTY
    s, mark = desk.sheet, desk.mark

    def pair(a: str, b: str, *more: str) -> Both:
        sizes = [texts(s[key].value, mark, s[key].way) for key in (a, b, *more)]
        return Both(" × ".join(t.mm for t in sizes), " × ".join(t.inch for t in sizes))

    if name == "measure":
        rack = say(mark, ", {} out of square", Mm(abs(s["canvas.rack"].value))) if "canvas.rack" in s else EMPTY
        weight = f"{s['canvas.mass'].value:.1f} kg"
        return pair("canvas.width", "canvas.height", "canvas.depth"), Both(weight + rack.mm, weight + rack.inch)
    if name == "sizes":
        size = pair("frame.outside_width", "frame.outside_height")
        return say(mark, "gap {}", s["gap.wanted"]), Both(f"outside {size.mm}", f"outside {size.inch}")
    if name == "depth":
        face = s["face.made"]
        word = "flush" if abs(face.value) < 0.05 else "back" if face.value > 0 else "proud"
        first = both(word) if word == "flush" else say(mark, f"{{}} {word}", Mm(abs(face.value)))
        pad = say(mark, ", pad {}", s["pad.made"]) if s["pad.made"].value > 0 else both(", no pad")
        used = min(s["canvas.depth"].value + s["pad.made"].value + max(face.value, 0), s["frame.inside_depth"].value)
        return Both(first.mm + pad.mm, first.inch + pad.inch), say(
            mark, "{} of {} used", Mm(used), s["frame.inside_depth"]
        )
    if name == "mount":
        return say(mark, "{} screws, {}", f"{s['screw.count'].value:.0f}", s["screw.length"]), say(
            mark, "screw line {}", s["screw.line"]
        )
    if name == "parts":
        cut = sum(1 for k in job.pins if k.startswith("rail."))
        made = any(k.startswith("frame.") for k in job.pins)
        state = "frame measured" if made else "rails cut" if cut else "nothing cut yet"
        return say(mark, "4 rails, {}", s["rail.total"]), both(state)
    return both(KINDS[plan.hang.kind]), say(mark, "hook at {}", plan.hang.hook_height)
