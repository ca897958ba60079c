"""Four canvases on the bench: one that fits, one too deep, one out of square, one whose frame is cut."""

import datetime as dt

from shadbo.core.displays.floating.floater.options import FloaterOptions
from shadbo.core.job.job import Hanging, Job, Owner
from shadbo.core.job.options import Options
from shadbo.core.pieces.pieces import Brace, Piece, StretchedCanvas
from shadbo.core.shop.values import Length, Reading, Tool
from shadbo.demo.flat_jobs import flat_jobs
from shadbo.demo.object_jobs import object_jobs
from shadbo.demo.shop import PROFILES


def _r(mm: float, tool: Tool = "rule") -> Reading:
    return Reading(mm=mm, typed=f"{mm:g}", tool=tool)


def harbour() -> Job:
    """Fits at once."""
    canvas = StretchedCanvas(
        width_top=_r(412),
        width_middle=_r(411),
        width_bottom=_r(412),
        height_left=_r(613),
        height_middle=_r(612.5),
        height_right=_r(613),
        depth=_r(38),
        bar_face=_r(45),
    )
    return Job(
        title="Slipway at low water",
        owner=Owner(name="Maren Tolv", contact="slip 4, Skerrow"),
        received=dt.date(2026, 11, 9),
        due=dt.date(2026, 12, 11),
        pieces=(
            Piece(
                id="piece",
                name="Slipway at low water",
                maker="Maren Tolv",
                condition="clean; one soft corner, lower left",
                never="no wax on the edges",
                detail=canvas,
            ),
        ),
        hanging=Hanging(place="boat club, over the stair"),
    )


def lifeboat() -> Job:
    """A canvas on deep bars, put into a shallow moulding."""
    canvas = StretchedCanvas(
        width_top=_r(760),
        width_bottom=_r(760.5),
        height_left=_r(508),
        height_right=_r(508),
        depth=_r(44),
        bar_face=_r(42),
        keyed=False,
        braces=(Brace(id="brace", runs="down", at=Length(mm=380, typed="380"), width=Length(mm=42, typed="42")),),
    )
    return Job(
        title="Lifeboat crew, night launch",
        owner=Owner(name="Skerrow lifeboat crew", contact="the boathouse"),
        received=dt.date(2026, 11, 12),
        due=dt.date(2026, 12, 4),
        pieces=(
            Piece(
                id="piece",
                name="Night launch",
                maker="Ilse Brandt",
                worth="irreplaceable",
                condition="sound",
                detail=canvas,
                weight_kg=2.6,
            ),
        ),
        options=Options(floater=FloaterOptions(profile=PROFILES[1])),
        hanging=Hanging(place="crew room"),
    )


def regatta() -> Job:
    """Racked by some millimetres: the gap shows it."""
    canvas = StretchedCanvas(
        width_top=_r(702),
        width_middle=_r(700),
        width_bottom=_r(701),
        height_left=_r(502),
        height_middle=_r(500.5),
        height_right=_r(501),
        diagonal_down=_r(865),
        diagonal_up=_r(860),
        depth=_r(19, "caliper"),
        bar_face=_r(38),
    )
    return Job(
        title="Regatta in a squall",
        owner=Owner(name="Skerrow rowing club", contact="Tomas Hale"),
        received=dt.date(2026, 11, 16),
        due=dt.date(2026, 12, 18),
        pieces=(
            Piece(
                id="piece",
                name="Regatta in a squall",
                maker="R. Osk",
                condition="stretcher out of true; keys loose",
                detail=canvas,
            ),
        ),
        options=Options(floater=FloaterOptions(profile=PROFILES[0])),
    )


def allotment() -> Job:
    """Rails already cut, the frame joined and measured: shims bring the canvas to the middle."""
    canvas = StretchedCanvas(
        width_top=_r(915.5),
        width_middle=_r(913),
        width_bottom=_r(914),
        height_left=_r(610),
        height_middle=_r(609),
        height_right=_r(610.5),
        depth=_r(38),
        bar_face=_r(45),
        braces=(
            Brace(id="brace", runs="down", at=Length(mm=305, typed="305"), width=Length(mm=45, typed="45")),
            Brace(id="brace-2", runs="down", at=Length(mm=610, typed="610"), width=Length(mm=45, typed="45")),
        ),
    )
    return Job(
        title="Allotment sheds, August",
        owner=Owner(name="Skerrow allotment society", contact="Bea Nordahl"),
        received=dt.date(2026, 10, 28),
        due=dt.date(2026, 11, 27),
        pieces=(
            Piece(
                id="piece",
                name="Allotment sheds",
                maker="Bea Nordahl",
                worth="everyday",
                condition="new",
                detail=canvas,
                weight_kg=3.1,
            ),
        ),
        options=Options(floater=FloaterOptions(profile=PROFILES[2], gap=Length(mm=6, typed="6"))),
        hanging=Hanging(place="society hut, end wall"),
        pins={
            "rail.width": _r(944),
            "rail.height": _r(640.5),
            "frame.inside_width.middle": _r(927),
            "frame.inside_width.top": _r(925.5),
            "frame.inside_width.bottom": _r(925.5),
            "frame.inside_height.middle": _r(622.5),
        },
    )


def demo_jobs() -> list[Job]:
    """All demo jobs, in the order in which they came in."""
    return [allotment(), harbour(), lifeboat(), regatta(), *flat_jobs(), *object_jobs()]
