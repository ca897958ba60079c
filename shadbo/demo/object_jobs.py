"""Boxes and objects: a shirt, badges, a banner in an old sash, tools, a lit model. All invented."""

import datetime as dt

from shadbo.core.displays.gathered.jersey_box.options import JerseyOptions
from shadbo.core.displays.gathered.light_box.options import LightOptions
from shadbo.core.displays.gathered.options import Layout, Place
from shadbo.core.displays.gathered.pegs.options import PegOptions
from shadbo.core.displays.gathered.sash.options import Sash, SashOptions
from shadbo.core.displays.gathered.shadow_box.options import BoxOptions
from shadbo.core.job.job import Hanging, Job, Owner
from shadbo.core.job.options import DisplayKind, Options
from shadbo.core.pieces.facts import Facts
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Plate, Zone
from shadbo.core.pieces.pieces import Detail, Piece
from shadbo.core.shapes.artwork import Artwork
from shadbo.demo.making import at, r
from shadbo.demo.sheets import SHEETS


def _piece(id_: str, name: str, detail: Detail, **more: object) -> Piece:
    return Piece(id=id_, name=name, detail=detail, **more)


def _job(
    title: str,
    owner: tuple[str, str],
    dates: tuple[tuple[int, int], tuple[int, int]],
    display: DisplayKind,
    pieces: tuple[Piece, ...],
    options: Options,
    place: str,
) -> Job:
    return Job(
        title=title,
        owner=Owner(name=owner[0], contact=owner[1]),
        received=dt.date(2026, *dates[0]),
        due=dt.date(2026, *dates[1]),
        pieces=pieces,
        display=display,
        options=options,
        hanging=Hanging(place=place),
    )


def rowing_shirt() -> Job:
    """The shirt of the winning eight, signed by the crew, with its patches, the crew's photograph and a plate."""
    shirt = Garment(width=r(640), height=r(700), body_width=r(500), thickness=r(14, "caliper"), sleeves="spread")
    signed = Zone(id="zone", what="crew's autographs", left=at(240), top=at(330), width=at(160), height=at(90))
    return _job(
        "Shirt of the winning eight",
        ("Skerrow rowing club", "Tomas Hale"),
        ((11, 17), (12, 19)),
        "jersey box",
        (
            _piece("piece", "club shirt", shirt, worth="irreplaceable", zones=(signed,), weight_kg=0.24,
                   condition="washed; eight names in marker under the crest", no_go="crew's autographs"),
            _piece("patch", "crew patch", Badge(sort="patch", shape="rectangle", width=r(70), height=r(80),
                   relief=r(2, "caliper"))),
            _piece("patch-2", "course patch", Badge(sort="patch", width=r(70), height=r(70), relief=r(2, "caliper"))),
            _piece("photo", "crew photograph", Plate(width=r(180), height=r(130), thickness=r(0.3, "caliper"))),
            _piece("photo-2", "finish line", Plate(width=r(180), height=r(130), thickness=r(0.3, "caliper"))),
            _piece("plate", "brass plate", Plate(sort="nameplate", width=r(140), height=r(28),
                   thickness=r(1.5, "caliper"), lead_days=5)),
        ),
        Options(jersey_box=JerseyOptions(mat=SHEETS[15], inner_mat=SHEETS[17])),
        "boat hall, over the trophy shelf",
    )  # fmt: skip


def lifeboat_badges() -> Job:
    """Service badges of four coxswains and two medals; their clasps stand back."""

    def badge(n: int, name: str, mm: float, pin: float) -> Piece:
        detail = Badge(width=r(mm), height=r(mm), relief=r(4.5, "caliper"), back_relief=r(7, "caliper"),
                       pin_off=r(pin, "caliper"))  # fmt: skip
        return _piece(f"badge-{n}", name, detail)

    def medal(n: int, name: str) -> Piece:
        detail = Badge(sort="medal", width=r(38), height=r(92), relief=r(5, "caliper"), back_relief=r(6, "caliper"),
                       pin_off=r(40, "caliper"))  # fmt: skip
        return _piece(f"medal-{n}", name, detail, worth="irreplaceable")

    first = badge(1, "cox 1951", 44, 8).model_copy(update={"id": "piece"})
    return _job(
        "Four coxswains, badges and medals",
        ("Skerrow lifeboat crew", "the boathouse"),
        ((11, 18), (12, 12)),
        "shadow box",
        (
            first,
            badge(2, "cox 1968", 44, 8),
            badge(3, "cox 1985", 40, 7),
            badge(4, "cox 2004", 40, 7),
            medal(1, "gale medal"),
            medal(2, "long service"),
            _piece("plate", "name plate", Plate(sort="nameplate", width=r(120), height=r(22),
                   thickness=r(1, "caliper"))),
        ),
        Options(shadow_box=BoxOptions(layout=Layout(rule="grid", columns=4, gap=at(34)), lining="lined walls",
                                      liner=SHEETS[14])),
        "crew room, by the door",
    )  # fmt: skip


def quilters_banner() -> Job:
    """The circle's banner in a sash from the old sail loft."""
    banner = Flag(
        sort="banner",
        width=r(496),
        height=r(662),
        flat_width=r(880),
        flat_height=r(1210),
        cloth=r(0.9, "caliper"),
    )
    sash = Sash(
        daylight_width=r(486),
        daylight_height=r(652),
        outside_width=r(588),
        outside_height=r(772),
        thickness=r(40),
        rebate=r(15),
        glass=r(3, "caliper"),
    )
    return _job(
        "Banner of the quilting circle",
        ("Skerrow quilting circle", "Maren Oy"),
        ((11, 19), (12, 22)),
        "sash",
        (_piece("piece", "circle banner", banner, worth="irreplaceable", condition="faded along one fold"),),
        Options(sash=SashOptions(sash=sash)),
        "parish room",
    )


def shipwrights_plane() -> Job:
    """A jack plane that its owner is content to have drilled."""
    plane = Keepsake(width=r(420), height=r(130), depth=r(66), centre_up=r(52))
    return _job(
        "Shipwright's jack plane",
        ("Odd Farrow", "Slip lane 3"),
        ((11, 20), (12, 10)),
        "open frame",
        (_piece("piece", "jack plane", plane, worth="everyday", weight_kg=1.9, facts=Facts(may_be_pierced=True)),),
        Options(pegs=PegOptions(gap=at(28), drill=r(12, "caliper"), peg_read=r(11.9, "caliper"))),
        "workshop, over the bench",
    )


def _pennants() -> Artwork:
    """Seven pennants on no string: each hangs in the board by itself, so nothing falls out."""
    return Artwork(
        name="pennants", rings=tuple(((12.0 * n, 0.0), (12.0 * n + 8, 0.0), (12.0 * n + 4, -9.0)) for n in range(7))
    )


def harbour_light() -> Job:
    """A model of the pilot cutter before a lit board."""
    model = Keepsake(width=r(330), height=r(170), depth=r(58), base_depth=r(40), centre_up=r(62), stands=True)
    return _job(
        "Pilot cutter, lit",
        ("Skerrow school", "class 5"),
        ((11, 21), (12, 18)),
        "light box",
        (_piece("piece", "pilot cutter", model, weight_kg=0.7, worth="dear"),),
        Options(
            light_box=LightOptions(
                letters="SKERROW", letter_height=at(46), artwork=_pennants(), artwork_width=at(230)
            )
        ),
        "school corridor",
    )


def bosuns_kit() -> Job:
    """Laid out in haste: the fid lies over the needle, and nothing keeps the whistle off the frame."""

    def tool(id_: str, name: str, w: float, h: float, d: float, kg: float) -> Piece:
        return _piece(id_, name, Keepsake(width=r(w), height=r(h), depth=r(d)), weight_kg=kg)

    places = (
        Place(id="fid", left=at(120), top=at(70)),
        Place(id="whistle", left=at(4), top=at(160)),
    )
    return _job(
        "Bosun's kit",
        ("Skerrow lifeboat crew", "the boathouse"),
        ((11, 22), (12, 15)),
        "shadow box",
        (
            tool("piece", "netting needle", 240, 38, 9, 0.06),
            tool("fid", "fid", 210, 34, 34, 0.22),
            tool("whistle", "whistle", 96, 26, 22, 0.05),
        ),
        Options(shadow_box=BoxOptions(layout=Layout(rule="column", gap=at(22), places=places))),
        "crew room",
    )


def object_jobs() -> list[Job]:
    """All of them, in the order in which they came in."""
    return [rowing_shirt(), lifeboat_badges(), quilters_banner(), shipwrights_plane(), harbour_light(), bosuns_kit()]
