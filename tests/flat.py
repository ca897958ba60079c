"""Pieces and jobs of every kind for tests, in the demo workshop."""

from typing import Any

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.pieces.pieces import Piece
from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop
from shadbo.demo.shop import demo_shop
from tests.making import reading

SHOP = demo_shop()
MARGINS = ("margin_top", "margin_right", "margin_bottom", "margin_left")
BOX = {
    "aperture_width": 362,
    "aperture_height": 462,
    "outside_width": 412,
    "outside_height": 512,
    "depth": 34,
    "glass": 2,
    "lip": 6,
}


def r(mm: float) -> dict[str, Any]:
    return reading(mm).model_dump(mode="json")


def detail(
    kind: str, w: float, h: float, thick: float | None = None, margin: float | None = None, **more: Any
) -> dict:
    out: dict[str, Any] = {"kind": kind, "width_top": r(w), "width_bottom": r(w), "height_left": r(h)}
    out["height_right"] = r(h)
    if thick is not None:
        out["thickness"] = r(thick)
    if margin is not None:
        out |= {name: r(margin) for name in MARGINS}
    return out | more


def sized(kind: str, w: float, h: float, **more: Any) -> dict:
    """A piece of one width and one height; numbers are readings."""
    read = {k: r(v) if isinstance(v, int | float) and not isinstance(v, bool) else v for k, v in more.items()}
    return {"kind": kind, "width": r(w), "height": r(h), **read}


PIECES = {
    "canvas": detail("stretched canvas", 500, 700, depth=r(20), bar_face=r(45)),
    "loose": detail("loose canvas", 600, 500, margin=90),
    "panel": detail("panel", 300, 400, 4),
    "paper": detail("paper", 300, 400, 0.3),
    "puzzle": detail("puzzle", 480, 340, 2),
    "needlework": detail("needlework", 240, 300, 1, 90),
    "plant": detail("pressed plant", 200, 280, 0.8),
    "shirt": sized("garment", 620, 720, body_width=480, thickness=14),
    "banner": sized("flag", 496, 662, flat_width=880, flat_height=1210, cloth=0.9),
    "badge": sized("badge", 44, 44, relief=4.5, back_relief=7, pin_off=8),
    "tool": sized("keepsake", 320, 130, depth=60),
    "plate": sized("plate", 120, 22, sort="nameplate", thickness=1),
}
SASH = {
    "daylight_width": 486,
    "daylight_height": 652,
    "outside_width": 588,
    "outside_height": 772,
    "thickness": 40,
    "rebate": 15,
    "glass": 3,
}


def job(display: str, what: str | dict, options: dict | None = None, **more: Any) -> Job:
    """A job with one piece; ``more`` is split between the piece and the job by its fields."""
    own = {k: more.pop(k) for k in list(more) if k in Piece.model_fields}
    piece = {"id": "piece", "detail": PIECES[what] if isinstance(what, str) else what, **own}
    data = {"format": "shadbo-job", "version": 1, "title": "a test", "pieces": [piece], "display": display, **more}
    return Job.model_validate({**data, "options": options or {}})


def boxed(what: str | dict, **more: Any) -> Job:
    frame = {k: r(v) for k, v in BOX.items()}
    return job("ready-made box", what, {"ready_made": {"frame": frame, **more}}, worth="everyday")


def sashed(what: str | dict = "banner", sash: dict | None = None, **more: Any) -> Job:
    """A textile in a sash of these readings."""
    read = {k: r(v) for k, v in {**SASH, **(sash or {})}.items()}
    return job("sash", what, {"sash": {"sash": read, **more}}, worth="irreplaceable")


def gathered(display: str, *pieces: dict, options: dict | None = None, **more: Any) -> Job:
    """A job with several pieces: each as its fields with a ``detail``; ids ``piece``, ``piece-2`` … unless given."""
    named = [{"id": "piece" if n == 1 else f"piece-{n}", **p} for n, p in enumerate(pieces, 1)]
    data = {"format": "shadbo-job", "version": 1, "title": "a test", "pieces": named, "display": display, **more}
    return Job.model_validate({**data, "options": options or {}})


def plan(the_job: Job, *edits: Edit, shop: Shop = SHOP) -> Plan:
    done = change(the_job, edits, shop).plan
    assert done is not None
    return done


def value(p: Plan, key: str) -> float:
    return p.desk.sheet[key].value
