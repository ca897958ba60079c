"""What every demo job's plan comes to, written down: a change that moves a number shows in the diff.

Run ``python -m tests.golden_plans`` to write the files anew, and say in the commit why each number moved.
"""

import json
from pathlib import Path
from typing import Any

from shadbo.core.assess import assess
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop

HOME = Path(__file__).parent / "core" / "golden"


def told(job: Job, shop: Shop) -> dict[str, Any]:
    """The plan as plain data: state, findings, every line of the sheet, every part."""
    plan = assess(job, shop)
    out: dict[str, Any] = {"title": job.title, "state": plan.state, "worst": plan.worst}
    out["findings"] = [
        f"{f.severity} {f.code} {f.place}: {f.title.mm} | {f.detail.mm} | {f.title.inch} | {f.detail.inch}"
        for f in plan.findings
    ]
    out["lines"] = {
        key: f"{round(q.value, 6):g} {q.label}" if abs(q.value) < 1e5 else f"{q.value:.1f}"
        for key, q in plan.desk.sheet.named.items()
    }
    if plan.assembly is not None:
        out["parts"] = [
            f"{p.count} x {p.id} {p.name}: "
            + " x ".join(f"{round(q.value, 4):g}" for q in (p.length, p.width, p.thick) if q is not None)
            for p in plan.assembly.parts
        ]
    return out


def path_of(n: int) -> Path:
    """Where the plan of the n-th demo job is written."""
    return HOME / f"demo-{n:02}.json"


def main() -> None:
    """Write every plan."""
    HOME.mkdir(exist_ok=True)
    for n, job in enumerate(demo_jobs(), 1):
        path_of(n).write_text(json.dumps(told(job, demo_shop()), indent=1, ensure_ascii=False) + "\n")


if __name__ == "__main__":
    main()
