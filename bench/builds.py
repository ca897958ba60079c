"""Random builds of every display, pinned and not: ``python -m bench.builds [--many N] [--seed S]``.

Prints how many were laid, and each kind of thing that only the judge of solids found wrong in a build that the
plan itself would have called made: with the display, and the first job that shows it.
"""

import argparse
import time
from collections import Counter

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st

from bench.common import machine
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from tests.core.test_any_piece import jobs
from tests.flat import SHOP


def pinned(the_job: Job, plan: Plan, n: int, off: float) -> Plan | None:
    """The same with one line really made otherwise than planned, by a share of its size."""
    pins = sorted({q.at for s in stations(plan) for q in s.questions if (q.at or "").startswith("pins/")})
    if not pins:
        return plan
    line = plan.desk.sheet.get(pins[n % len(pins)].removeprefix("pins/"))
    mm = round(max((line.value if line is not None else 100) * (1 + off), 1), 1)
    return change(
        the_job, [Edit(at=pins[n % len(pins)], to={"mm": mm, "typed": f"{mm:g}", "tool": "rule"})], SHOP
    ).plan


def main() -> None:
    """Lay, judge, print."""
    ask = argparse.ArgumentParser(description=__doc__)
    ask.add_argument("--many", type=int, default=5000)
    ask.add_argument("--seed", type=int, default=1)
    said = ask.parse_args()
    laid: Counter[str] = Counter()
    alone: Counter[str] = Counter()
    shown: dict[str, str] = {}
    crashed = 0

    @seed(said.seed)
    @settings(max_examples=said.many, deadline=None, database=None, derandomize=False, phases=(Phase.generate,),
              suppress_health_check=list(HealthCheck))  # fmt: skip
    @given(jobs(), st.booleans(), st.integers(0, 400), st.floats(-0.4, 0.4))
    def lay(the_job: Job, pin: bool, n: int, off: float) -> None:
        nonlocal crashed
        plan = change(the_job, [], SHOP).plan
        if plan is not None and plan.assembly is not None and pin:
            plan = pinned(the_job, plan, n, off)
        if plan is None:
            crashed += 1
            return
        laid[f"{the_job.display}{', one pin' if pin else ''}"] += 1
        stops = [f for f in plan.findings if f.severity == "stop"]
        if stops and all(f.code.startswith("solid.") for f in stops):
            for f in stops:
                what = f"{the_job.display}{', one pin' if pin else ''}: {f.code} {f.place}"
                alone[what] += 1
                shown.setdefault(what, f.title.mm)

    start = time.perf_counter()
    lay()
    print(machine())
    took = time.perf_counter() - start
    print(f"{sum(laid.values())} builds in {took:.0f} s, {crashed} whose sums failed")
    for what, n in sorted(alone.items()):
        print(f"{n:>5}  {what}   {shown[what]}")


if __name__ == "__main__":
    main()
