"""Runs in a copy of the program that has a sixteenth display: plans it, draws it, lists it, pins it and keeps it."""

import json
import sys

from sqlalchemy.orm import Session

import shadbo
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.registry import DISPLAYS
from shadbo.core.drawing.board import draw, views_of
from shadbo.core.drawing.tiles import A4
from shadbo.core.job.job import Job
from shadbo.core.stations import stations
from shadbo.demo.shop import demo_shop
from shadbo.files.papers import papers_of
from shadbo.store.database import engine
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops


def run(database: str) -> dict[str, object]:
    """What came of every step."""
    shop = demo_shop()

    def read(mm: float) -> dict[str, object]:
        return {"mm": mm, "typed": f"{mm:g}", "tool": "tape"}

    sides = {k: read(v) for k, v in (("width_top", 300), ("width_bottom", 300), ("height_left", 400))}
    detail = {"kind": "panel", **sides, "height_right": read(400), "thickness": read(4)}
    start = Job.model_validate(
        {"format": "shadbo-job", "version": 1, "title": "a panel on its rail", "display": "ledge rail",
         "pieces": [{"id": "piece", "detail": detail}]}
    )  # fmt: skip
    wider = Edit(at="options/ledge_rail/margin", to={"mm": 35})
    plan = change(start, [wider], shop).plan
    assert plan is not None
    assert plan.assembly is not None
    drawn = {view: draw(plan, view, system).svg for view in views_of(plan) for system in ("mm", "in")}
    rows = [q.at for s in stations(plan) for q in s.questions]
    e = engine(database)
    with Session(e) as s, s.begin():
        Workshops(s).add("sixteenth", shop)
        kept = Jobs(s, "sixteenth").make(start, "made")
        cut = [wider, Edit(at="pins/ledge.long", to={"mm": 371, "typed": "371"})]
        saved = Jobs(s, "sixteenth").save(kept.id, kept.version, cut, "cut")
        again = Jobs(s, "sixteenth").get(saved.id)
    return {
        "from": shadbo.__file__,
        "displays": len(DISPLAYS),
        "display": plan.display.name,
        "lines": {k: plan.desk.sheet[k].value for k in ("groove.wide", "groove.deep", "ledge.long")},
        "findings": [f.code for f in plan.findings],
        "drawn": {view: len(svg) for view, svg in drawn.items()},
        "rows": rows,
        "papers": [len(p.make(plan, A4, "mm", 1)) for p in papers_of(plan, "mm")],
        "pinned": again.job.pins["ledge.long"].mm,
        "frozen": again.job.materials.model_dump(mode="json", exclude_none=True),
        "margin": again.job.model_dump(mode="json", exclude_none=True)["options"]["ledge_rail"]["margin"]["mm"],
    }


if __name__ == "__main__":
    print(json.dumps(run(sys.argv[1])))
