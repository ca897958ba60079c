"""Jobs and shops for tests: the worked floater, and ways to change one thing about it."""

from typing import Any

from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.pieces.pieces import Piece, StretchedCanvas
from shadbo.core.plan import Plan
from shadbo.core.shop.materials import FloaterProfile, Hanger, PadStock, Wire
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock import Stock
from shadbo.core.shop.values import Reading, Tool

WORKED = FloaterProfile(
    id="worked", name="worked", wall_mm=9, inside_depth_mm=46, ledge_mm=25, ledge_thick_mm=6, price_per_m=8
)
DEEP = FloaterProfile(
    id="deep", name="deep", wall_mm=12, inside_depth_mm=68, ledge_mm=32, ledge_thick_mm=12, price_per_m=11
)
SHALLOW = FloaterProfile(
    id="shallow", name="shallow", wall_mm=7, inside_depth_mm=32, ledge_mm=24, ledge_thick_mm=10, price_per_m=6
)
PADS = tuple(
    PadStock(id=f"pad-{n}", name=f"pad {n}", thick_mm=n, species="foam board", price_per_m2=n)
    for n in (1, 2, 3, 5, 18)
)
HANGERS = (
    Hanger(id="plate", name="plate", kind="plate", rating_kg=2, rating_is="picture weight"),
    Hanger(id="ring", name="ring", kind="wire", rating_kg=30, stands_out_mm=5),
    Hanger(id="strap", name="strap", kind="straps", rating_kg=60, screws=2, hook_above_mm=24, stands_out_mm=6),
)


def reading(mm: float, tool: Tool = "rule") -> Reading:
    return Reading(mm=mm, typed=f"{mm:g}", tool=tool)


def canvas(w: float = 412, h: float = 613, depth: float = 38, bar: float = 45, **more: Any) -> StretchedCanvas:
    names = {"width_top": w, "width_bottom": w, "height_left": h, "height_right": h, "depth": depth, "bar_face": bar}
    fields: dict[str, Any] = {name: reading(mm) for name, mm in names.items()}
    return StretchedCanvas(**{**fields, **more})


def job(detail: StretchedCanvas | None = None, weight_kg: float | None = None, **more: Any) -> Job:
    piece = Piece(id="piece", detail=detail or canvas(), weight_kg=weight_kg)
    return Job(title="a test", pieces=(piece,), **more)


def shop(*profiles: FloaterProfile, **more: Any) -> Shop:
    stock = Stock(
        floater_profiles=profiles or (WORKED,),
        pads=PADS,
        hangers=HANGERS,
        wires=(Wire(id="wire", name="wire", rating_kg=40, price_per_m=1),),
    )
    return Shop(stock=stock, **more)


def plan(the_job: Job | None = None, the_shop: Shop | None = None, *edits: Edit) -> Plan:
    start = the_job or job()
    done = change(start, edits, the_shop or shop()).plan
    assert done is not None
    return done


def length(at: str, mm: float) -> Edit:
    return Edit(at=at, to={"mm": mm, "typed": f"{mm:g}"})


def pin(key: str, mm: float, tool: Tool = "rule") -> Edit:
    return Edit(at=f"pins/{key}", to={"mm": mm, "typed": f"{mm:g}", "tool": tool})


def codes(p: Plan) -> dict[str, str]:
    return {f.code: f.severity for f in p.findings}
