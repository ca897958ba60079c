"""Flat work: paper, puzzles, needlework, a pressed plant. All invented."""

import datetime as dt

from shadbo.core.displays.rabbeted.panes.options import PanesOptions
from shadbo.core.displays.rabbeted.puzzle.options import PuzzleOptions
from shadbo.core.displays.rabbeted.ready_made.options import BoughtFrame, ReadyMadeOptions
from shadbo.core.displays.rabbeted.window_mat.options import MatOptions
from shadbo.core.job.job import Hanging, Job, Owner
from shadbo.core.job.options import Options
from shadbo.core.pieces.facts import Facts
from shadbo.core.pieces.pieces import (
    Needlework,
    Paper,
    Piece,
    PressedPlant,
    Puzzle,
    ValueClass,
)
from shadbo.demo.canvas_jobs import canvas_jobs
from shadbo.demo.making import around, at, job, margins, r
from shadbo.demo.sheets import FRAMES, SHEETS


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
        no_go="seal and signatures",
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
        *canvas_jobs(),
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
