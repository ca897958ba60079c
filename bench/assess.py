"""assess(), advise() and drawing, per demo job. Run: python -m bench.assess

Every round changes a reading by a hair, as typing does, so that nothing is served from a cache of sums. All jobs are
gone through several times: on a shared machine a neighbour's busy second would else fall upon one job alone.
"""

import time
from collections.abc import Callable
from functools import partial

from bench.common import machine, show
from shadbo.core.advise import advise
from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.board import draw, draw_ladder
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.web.settle import settle

ROUNDS = 120
PASSES = 3
BARS = {"assess": "median < 5 ms", "remedies": "< 150 ms"}


def variants(job: Job) -> list[Job]:
    """The same job with its first reading moved by hundredths of a millimetre."""
    detail = job.pieces[0].detail
    name = "width_top" if hasattr(detail, "width_top") else "width"
    at, width = f"pieces/{job.pieces[0].id}/detail/{name}", getattr(detail, name)
    assert width is not None
    return [apply(job, [Edit(at=at, to={"mm": width.mm + n / 100, "tool": "rule"})])[0] for n in range(ROUNDS)]


def timed(what: Callable[[], object]) -> float:
    start = time.perf_counter()
    what()
    return (time.perf_counter() - start) * 1000


def main() -> None:
    shop = demo_shop()
    print(machine())
    settle()
    took: dict[str, list[float]] = {}
    for _ in range(PASSES):
        for job in demo_jobs():
            jobs, plan = variants(job), assess(job, shop)

            def paint(plan: Plan = plan) -> None:
                draw(plan, "edge", "mm")
                draw_ladder(plan, "mm")
                stations(plan)

            for name, times in (
                ("assess", [timed(partial(assess, j, shop)) for j in jobs]),
                ("remedies", [timed(partial(advise, j, shop)) for j in jobs[:12]]),
                ("drawing", [timed(paint) for _ in range(20)]),
            ):
                took.setdefault(f"{name:<8} {job.title}", []).extend(times)
    for name, times in took.items():
        show(name, times, BARS.get(name.split()[0], ""))


if __name__ == "__main__":
    main()
