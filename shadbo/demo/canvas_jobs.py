"""Canvases in other frames than the floater of a moulding. All invented."""

from shadbo.core.displays.rabbeted.canvas_frame.options import CanvasFrameOptions
from shadbo.core.job.job import Hanging, Job
from shadbo.core.job.options import Options
from shadbo.core.pieces.pieces import (
    EdgeMark,
    LooseCanvas,
    StretchedCanvas,
)
from shadbo.demo.making import around, at, job, margins, r
from shadbo.demo.sheets import FRAMES


def kelp() -> Job:
    """In a rabbeted frame; the signature begins so near the edge that the lip takes it."""
    detail = StretchedCanvas(
        **around(508, 656, -1, 0.5), width_middle=r(507), depth=r(19, "caliper"), bar_face=r(40), edges="plain"
    )
    mark = EdgeMark(id="mark", side="bottom", inside=at(4), what="signature")
    return job(
        "Kelp gatherers",
        "Skerrow painters' room",
        "Anke Furst",
        (11, 10),
        (12, 9),
        detail,
        maker="Anke Furst",
        condition="lifting paint, upper right",
        edge_marks=(mark,),
        display="canvas frame",
        options=Options(canvas_frame=CanvasFrameOptions(profile=FRAMES[1])),
        hanging=Hanging(place="library, reading corner"),
    )


def net_loft() -> Job:
    """A floater built from plain stock."""
    detail = StretchedCanvas(**around(600, 400, 0.5), depth=r(32), bar_face=r(42), keyed=False)
    return job(
        "Net loft stairs",
        "Pell Arden",
        "the chandlery",
        (11, 11),
        (12, 15),
        detail,
        maker="Pell Arden",
        worth="everyday",
        display="plain floater",
        hanging=Hanging(place="chandlery, counter"),
    )


def breakwater() -> Job:
    """Off its bars, long, and not braced yet."""
    detail = LooseCanvas(**around(1180, 720, 1, -1), **margins(62, 60, 64), edge="colour", bar_depth=at(18))
    return job(
        "Breakwater, low sun",
        "Harbour office",
        "Dagny Roe",
        (11, 17),
        (12, 22),
        detail,
        maker="Osk and daughter",
        condition="rolled, clean",
        hanging=Hanging(place="harbour office, stair"),
    )


def canvas_jobs() -> list[Job]:
    """In the order in which they came in."""
    return [kelp(), net_loft(), breakwater()]
