"""How long a schedule takes, and how near it comes to its bound. Run: script/bench schedule"""

import datetime as dt
import random
import statistics
import time

from shadbo.core.schedule.drawn import draw_weeks
from shadbo.core.schedule.hours import Hand
from shadbo.core.schedule.outline import Need, Outline, Task
from shadbo.core.schedule.schedule import Case, schedule
from shadbo.core.schedule.table import House
from shadbo.core.schedule.views import ready_views, today_view
from shadbo.core.shop.calendar import Calendar

NOW = dt.datetime(2026, 11, 26, 9, 7, tzinfo=dt.UTC)
SIZES = ((20, 25), (60, 25), (120, 25))
RUNS = 5


def outline(dice: random.Random, steps: int) -> Outline:
    """Steps one after the other, with a clamping, a night's glue and an order among them."""
    tasks = []
    for n in range(steps):
        wait, days = dice.choice((0, 0, 0, 0, 45, 1440)), 5 if dice.random() < 0.03 else 0
        needs = (Need(n - 1, 0 if days else wait, days, "wait"),) if n else ()
        minutes, people = dice.choice((4, 5, 8, 12, 20, 40)), 2 if dice.random() < 0.05 else 1
        tasks.append(Task(f"t{n}", f"step {n}", "frame", "wood", minutes, people, needs))
    return Outline(tuple(tasks))


def main() -> None:
    house = House(Calendar(zone="Europe/Copenhagen"), tuple(Hand(x, x) for x in "abcd"), 4, 4)
    print(" jobs  tasks  schedule ms  views ms   late h  bound h late/bound")
    for jobs, steps in SIZES:
        dice = random.Random(jobs)
        due = [NOW.date() + dt.timedelta(days=dice.randint(1, jobs // 3)) for _ in range(jobs)]
        cases = [Case(100 + n, f"job {n}", due[n], outline(dice, steps)) for n in range(jobs)]
        took, seen = [], []
        for _ in range(RUNS):
            t = time.perf_counter()
            s = schedule(cases, house, NOW)
            took.append(1000 * (time.perf_counter() - t))
            t = time.perf_counter()
            draw_weeks(s), ready_views(s), today_view(s)
            seen.append(1000 * (time.perf_counter() - t))
        ratio = f"{s.late / s.least:.2f}" if s.least else "-"
        print(
            f"{jobs:5} {jobs * steps:6} {statistics.median(took):12.0f} {statistics.median(seen):9.0f} "
            f"{s.late / 60:8.1f} {s.least / 60:8.1f} {ratio:>10}"
        )


if __name__ == "__main__":
    main()
