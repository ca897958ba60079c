"""Canvases in other frames, and flat work: paper, puzzles, needlework, a pressed plant. All invented."""

import datetime as dt

from shadbo.core.facts import Facts
from shadbo.core.job import Hanging, Job, Owner
from shadbo.core.options import (
    BoughtFrame,
    CanvasFrameOptions,
    MatOptions,
    Options,
    PanesOptions,
    PuzzleOptions,
    ReadyMadeOptions,
)
from shadbo.core.pieces import (
    Detail,
    EdgeMark,
    LooseCanvas,
    Needlework,
    Paper,
    Piece,
    PressedPlant,
    Puzzle,
    StretchedCanvas,
    ValueClass,
)
from shadbo.core.values import Length, Reading, Tool
from shadbo.demo.sheets import FRAMES, SHEETS


def r(mm: float, tool: Tool = "rule") -> Reading:
    """A reading as it is typed."""
    return Reading(mm=mm, typed=f"{mm:g}", tool=tool)


def at(mm: float) -> Length:
    """A decided length as it is typed."""
    return Length(mm=mm, typed=f"{mm:g}")


def around(width: float, height: float, bottom: float = 0, right: float = 0) -> dict[str, Reading]:
    """Two widths and two heights, the second of each a little off."""
    return {
        "width_top": r(width),
        "width_bottom": r(width + bottom),
        "height_left": r(height),
        "height_right": r(height + right),
    }


def margins(top: float, side: float, bottom: float) -> dict[str, Reading]:
    """Free cloth or paper on four sides."""
    return {"margin_top": r(top), "margin_right": r(side), "margin_bottom": r(bottom), "margin_left": r(side)}


def job(
    title: str, owner: str, contact: str, came: tuple[int, int], due: tuple[int, int], detail: Detail, **more: object
) -> Job:
    """A job with one piece; what belongs to the piece is picked out of ``more``."""
    own = {k: more.pop(k) for k in ("maker", "worth", "condition", "never", "facts", "edge_marks") if k in more}
    piece = Piece(id="piece", name=title, detail=detail, **own)
    return Job(
        title=title,
        owner=Owner(name=owner, contact=contact),
        received=dt.date(2026, *came),
        due=dt.date(2026, *due),
        pieces=(piece,),
        **more,
    )


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


def oyster_beds() -> Job:
    """Pastel: nothing may touch it, and no acrylic near it."""
    detail = Paper(**around(420, 297), thickness=r(0.4, "caliper"), sort="drawing")
    return job(
        "Oyster beds, pastel",
        "Ilka Bram",
        "Quay row 9",
        (11, 12),
        (12, 11),
        detail,
        maker="Ilka Bram",
        worth="irreplaceable",
        condition="loose pastel to the edges; never face down",
        facts=Facts(loose_surface=True),
        display="window mat",
        options=Options(window_mat=MatOptions(double=True, inner_mat=SHEETS[6])),
        hanging=Hanging(place="over the sideboard", demands=("sealed back",)),
    )


def certificate() -> Job:
    """A heavy package for a shallow moulding."""
    detail = Paper(**around(297, 420), thickness=r(0.3, "caliper"), sort="certificate", **margins(20, 18, 24))
    o = MatOptions(profile=FRAMES[0], mat=SHEETS[5], board=SHEETS[8], backing=SHEETS[12])
    return job(
        "Lifeboat medal certificate",
        "Skerrow lifeboat crew",
        "the boathouse",
        (11, 13),
        (12, 8),
        detail,
        worth="irreplaceable",
        display="window mat",
        options=Options(window_mat=o),
        hanging=Hanging(place="crew room", demands=("no wire",)),
    )


def regatta_bill() -> Job:
    """Framed last week; the rails have bowed since, and the glazing is loose."""
    detail = Paper(**around(594, 841), thickness=r(0.25, "caliper"), sort="poster")
    pins = {
        "rail.width": r(763),
        "rail.height": r(1020.5),
        "frame.inside_height.left": r(976.5),
        "frame.inside_height.middle": r(980.5),
        "frame.inside_height.right": r(976.5),
        "frame.inside_width.top": r(719),
        "frame.inside_width.middle": r(720),
        "frame.inside_width.bottom": r(719),
    }
    o = MatOptions(profile=FRAMES[3], glazing=SHEETS[2])
    return job(
        "Regatta bill, 61st year",
        "Skerrow rowing club",
        "Tomas Hale",
        (10, 30),
        (11, 30),
        detail,
        worth="dear",
        display="window mat",
        options=Options(window_mat=o),
        pins=pins,
        hanging=Hanging(place="boat hall, gable"),
    )


def dock_crane() -> Job:
    """A thousand pieces, kept reversible: taped across the back, a margin all round."""
    detail = Puzzle(**around(684, 484, 0.5), thickness=r(2, "caliper"), state="loose")
    return job(
        "Dock crane, 1000 pieces",
        "Skerrow school",
        "class 5",
        (11, 16),
        (12, 16),
        detail,
        maker="class 5",
        display="puzzle frame",
        options=Options(puzzle=PuzzleOptions(margin=at(18))),
        hanging=Hanging(place="school corridor", demands=("acrylic only", "no wire")),
    )


def tug_puzzle() -> Job:
    """A bought box, its glass to be left out: nothing stands in its place yet."""
    detail = Puzzle(**around(298, 398), thickness=r(2, "caliper"), state="taped")
    bought = BoughtFrame(
        aperture_width=r(362),
        aperture_height=r(462),
        outside_width=r(412),
        outside_height=r(512),
        depth=r(34),
        glass=r(2, "caliper"),
        lip=r(6),
        price=19.5,
    )
    o = ReadyMadeOptions(frame=bought, glass="left out", packers=False)
    return job(
        "Tug and barge, puzzle",
        "Hob Lindqvist",
        "Net street 3",
        (11, 18),
        (12, 4),
        detail,
        worth="everyday",
        display="ready-made box",
        options=Options(ready_made=o),
        hanging=Hanging(place="hall"),
    )


def sea_lavender() -> Job:
    """Between two panes, in an opening that is given."""
    detail = PressedPlant(**around(214, 302), thickness=r(0.8, "caliper"), days_pressed=21)
    o = PanesOptions(opening_width=at(300), opening_height=at(388))
    return job(
        "Sea lavender, pressed",
        "Allotment society",
        "Bea Nordahl",
        (11, 2),
        (12, 2),
        detail,
        display="two-pane float",
        options=Options(panes=o),
        hanging=Hanging(place="society hut, window bay"),
    )


def compass_rose() -> Job:
    """The quilting circle's compass: one side of the cloth is cut too near."""
    detail = Needlework(**around(318, 322, -1.5, 1), **margins(70, 48, 66), thickness=r(2.5), straightest="left")
    return job(
        "Compass rose, quilted",
        "Skerrow quilting circle",
        "Wil Harne",
        (11, 9),
        (12, 18),
        detail,
        maker="the circle",
        condition="clean; one loose thread behind",
        never="no wet cleaning",
        display="needlework frame",
        hanging=Hanging(place="parish room"),
    )


def june_puzzle() -> Job:
    """Glued and backed, no frame."""
    detail = Puzzle(**around(680, 480), thickness=r(2, "caliper"), state="glued")
    return job(
        "Allotment in June, puzzle",
        "Allotment society",
        "Bea Nordahl",
        (11, 19),
        (12, 3),
        detail,
        worth="everyday",
        facts=Facts(may_be_glued=True),
        display="backed",
        hanging=Hanging(place="tool shed door"),
    )


def tide_poster() -> Job:
    """A poster between magnet rails."""
    detail = Paper(**around(500, 707), thickness=r(0.2, "caliper"), sort="poster")
    return job(
        "Tide table poster",
        "Harbour office",
        "Dagny Roe",
        (11, 20),
        (12, 1),
        detail,
        worth="everyday",
        display="poster rails",
        hanging=Hanging(place="chart room"),
    )


def boat_names() -> Job:
    """A pair of prints that share one outside size."""
    first = Paper(**around(210, 297), thickness=r(0.3, "caliper"), sort="print")
    second = Paper(**around(213, 294), thickness=r(0.3, "caliper"), sort="print")
    worth: ValueClass = "everyday"
    pair = (
        Piece(id="piece", name="Boat names, one", worth=worth, detail=first),
        Piece(id="piece-2", name="Boat names, two", worth=worth, detail=second),
    )
    return Job(
        title="Boat names, a pair",
        owner=Owner(name="Skerrow rowing club", contact="Tomas Hale"),
        received=dt.date(2026, 11, 21),
        due=dt.date(2026, 12, 12),
        pieces=pair,
        display="window mat",
        options=Options(window_mat=MatOptions(shows="whole sheet")),
        hanging=Hanging(place="club bar, either side of the door"),
    )


def flat_jobs() -> list[Job]:
    """In the order in which they came in."""
    return [
        kelp(),
        net_loft(),
        breakwater(),
        oyster_beds(),
        certificate(),
        regatta_bill(),
        dock_crane(),
        tug_puzzle(),
        sea_lavender(),
        compass_rose(),
        june_puzzle(),
        tide_poster(),
        boat_names(),
    ]
