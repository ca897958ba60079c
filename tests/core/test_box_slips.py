"""Every slip that boxes, mats of several openings, pegs, sashes and lamps can meet: found, said, mended."""

import pytest

from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from tests.flat import SHOP, gathered, job, plan, sashed, sized
from tests.making import length
from tests.slips import Slip, found_and_mended

BADGE = sized("badge", 44, 44, relief=4.5, back_relief=7, pin_off=8)
TOOL = sized("keepsake", 240, 60, depth=30)
SHIRT = sized("garment", 620, 720, body_width=480, thickness=14)
PHOTO = sized("plate", 180, 130, thickness=0.3)
MODEL = sized("keepsake", 330, 170, depth=58, base_depth=40, centre_up=62, stands=True)
LAMP = SHOP.stock.lamps[0]
FRAMES = {f.id: f.model_dump(mode="json") for f in SHOP.stock.frames}


def pair(**layout: object) -> Job:
    return gathered("shadow box", {"detail": TOOL}, {"detail": TOOL}, options={"shadow_box": {"layout": layout}})


def put(left: float, top: float, id_: str = "piece-2") -> dict:
    return {"id": id_, "left": {"mm": left}, "top": {"mm": top}}


def jersey(*more: dict, **options: object) -> Job:
    return gathered("jersey box", {"detail": SHIRT}, *more, options={"jersey_box": options})


def lit(**options: object) -> Job:
    options = {"letters": "QUAY", **options}
    return job("light box", MODEL, {"light_box": options}, weight_kg=0.7)


def pegged(detail: dict = TOOL, kg: float = 0.4, **options: object) -> Job:
    return job(
        "open frame", detail, {"pegs": options}, worth="everyday", weight_kg=kg, facts={"may_be_pierced": True}
    )


SMALL_SUPPLY = {"id": "s", "name": "small supply", "watts": 2, "volts": LAMP.volts}
OTHER_VOLTS = {"id": "s", "name": "other supply", "watts": 200, "volts": LAMP.volts + 12}
LOW = {"id": "low", "name": "low board", "face_mm": 30, "height_mm": 80}
THIN = {"id": "thin", "name": "thin board", "face_mm": 22, "height_mm": 250}
DOWELS = {d.diameter_mm: d.model_dump(mode="json") for d in SHOP.stock.dowels}
WIDE_PHOTOS = ({"detail": PHOTO}, {"detail": PHOTO})
ZONE = {"id": "z", "what": "autograph", "left": {"mm": 40}, "top": {"mm": 40}, "width": {"mm": 200},
        "height": {"mm": 60}}  # fmt: skip
SAIL = {"name": "sail", "rings": [[[0, 0], [40, 0], [0, 60]]]}
RING = {"rings": [[[0, 0], [40, 0], [40, 40], [0, 40]], [[10, 10], [30, 10], [30, 30], [10, 30]]]}
SLIPS = {
    "one piece over another": Slip("layout.overlap", "stop", pair(rule="column", places=[put(60, 50)])),
    "pieces too close": Slip("layout.close", "caution", pair(rule="row", gap={"mm": 2})),
    "a piece under the lip": Slip("layout.outside", "stop", pair(rule="column", places=[put(180, 122)])),
    "a piece at the frame": Slip("layout.margin", "caution", pair(rule="column", places=[put(3, 122)])),
    "a piece deeper than every moulding": Slip(
        "depth.deep", "stop", gathered("shadow box", {"detail": sized("keepsake", 200, 150, depth=200)})
    ),
    "pieces that no sheet takes": Slip(
        "sheet.small",
        "stop",
        gathered("shadow box", *[{"detail": sized("plate", 900, 700, thickness=1)}] * 3),
        mended=False,
    ),
    "windows into each other": Slip(
        "window.overlap",
        "stop",
        jersey(*WIDE_PHOTOS, layout={"places": [put(780, 330), put(790, 400, "piece-3")]}),
    ),
    "a strip that curls": Slip("window.strip", "caution", jersey(*WIDE_PHOTOS, strip={"mm": 8})),
    "a border too mean": Slip("window.edge", "caution", jersey(border={"mm": 24})),
    "notches that meet": Slip(
        "notch.crowded",
        "stop",
        gathered(
            "jersey box",
            {"detail": sized("garment", 240, 300, body_width=240, thickness=12)},
            {"detail": sized("badge", 160, 160, shape="rectangle", relief=2)},
            {"detail": sized("badge", 160, 160, shape="rectangle", relief=2)},
        ),
    ),
    "a notch over the shirt": Slip(
        "notch.covers",
        "caution",
        gathered(
            "jersey box",
            {"detail": sized("garment", 500, 700, body_width=500, thickness=14, sleeves="none")},
            {"detail": sized("badge", 90, 90, shape="rectangle", relief=2)},
        ),
    ),
    "pins in an autograph": Slip(
        "zone.pins",
        "note",
        gathered("jersey box", {"detail": SHIRT, "zones": [{**ZONE, "left": {"mm": 60}, "top": {"mm": 0}}]}),
        mended=False,
    ),
    "steam near ink": Slip(
        "zone.steam",
        "note",
        gathered("jersey box", {"detail": SHIRT, "zones": [{**ZONE, "left": {"mm": 200}, "top": {"mm": 300}}],
                                "facts": {"may_be_steamed": True}}),
        mended=False,
    ),
    "ink that no steam can go round": Slip(
        "zone.steam",
        "caution",
        gathered("jersey box", {"detail": SHIRT, "zones": [{**ZONE, "width": {"mm": 540}, "height": {"mm": 640}}],
                                "facts": {"may_be_steamed": True}}),
        mended=False,
    ),
    "a figure that tips": Slip(
        "object.tips",
        "caution",
        gathered("shadow box", {"detail": sized("keepsake", 90, 260, depth=60, base_depth=30, centre_up=150,
                                                stands=True)}),
        mended=False,
    ),
    "a dowel too thick": Slip("peg.thick", "stop", pegged(dowel=DOWELS[max(DOWELS)])),
    "an object behind its rails": Slip(
        "peg.behind",
        "stop",
        pegged(stock={"id": "s", "name": "slight stock", "face_mm": 20, "height_mm": 24}),
    ),
    "a dowel that bends": Slip("peg.bends", "stop", pegged(kg=2.5, dowel=DOWELS[min(DOWELS)])),
    "a drill too small": Slip(
        "peg.drill",
        "stop",
        pegged(drill={"mm": 9.5, "typed": "9.5", "tool": "caliper"},
               peg_read={"mm": 10, "typed": "10", "tool": "caliper"}),
        mended=False,
    ),
    "a drill too large": Slip(
        "peg.drill",
        "caution",
        pegged(drill={"mm": 10.6, "typed": "10.6", "tool": "caliper"},
               peg_read={"mm": 10, "typed": "10", "tool": "caliper"}),
        mended=False,
    ),
    "two dowels that it turns on": Slip("peg.turns", "caution", pegged(pegs=2)),
    "a card that lands on the cloth": Slip("card.lands", "stop", sashed(card_over={"mm": 3})),
    "a screw at the glass": Slip("screw.glass", "stop", sashed(screw_mm=20)),
    "a plate that is ordered": Slip(
        "order.lead",
        "note",
        gathered("shadow box", {"detail": BADGE}, {"detail": sized("plate", 90, 20, sort="nameplate", thickness=1,
                                                                  lead_days="10")}),
        mended=False,
    ),
    "letters that fall out": Slip("letters.islands", "stop", lit(islands="left as they are")),
    "a bridge that breaks": Slip("letters.bridge", "caution", lit(bridge={"mm": 1.5})),
    "letters too wide": Slip("letters.wide", "stop", lit(letters="HARBOUR OFFICE", letter_height={"mm": 50})),
    "a shape loose in the artwork": Slip("artwork.islands", "stop", lit(letters="", artwork=RING)),
    "too wide artwork": Slip("artwork.wide", "stop", lit(letters="", artwork=SAIL, artwork_width={"mm": 700})),
    "signs that are not there": Slip("letters.unknown", "caution", lit(letters="QUAY?"), mended=False),
    "lamps that show as spots": Slip("lamps.spots", "caution", lit(light_void={"mm": 15})),
    "a supply too small": Slip("supply.small", "stop", lit(supply=SMALL_SUPPLY)),
    "a supply of another voltage": Slip("supply.small", "stop", lit(supply=OTHER_VOLTS)),
    "a board too low for all layers": Slip("stock.low", "stop", lit(stock=LOW)),
    "a step too narrow": Slip("step.narrow", "caution", lit(step={"mm": 3})),
    "no wall behind the last step": Slip("step.wall", "stop", lit(stock=THIN)),
    "glue alone on a heavy box": Slip(
        "joint.weak",
        "caution",
        gathered("shadow box", {"detail": sized("keepsake", 400, 300, depth=30), "weight_kg": 4},
                 options={"shadow_box": {"joint": "glue"}}),
    ),
    "a biscuit through the face": Slip(
        "joint.breaks",
        "stop",
        gathered("shadow box", {"detail": BADGE}, options={"shadow_box": {"joint": "biscuits",
                                                                          "profile": FRAMES["cleat-25"]}}),
    ),
}  # fmt: skip


@pytest.mark.parametrize("name", SLIPS)
def test_the_slip_is_found_and_mended(name: str):
    found_and_mended(SLIPS[name])


CLEAN = {
    "two tools": pair(),
    "a badge": gathered("shadow box", {"detail": BADGE}),
    "a shirt": gathered("jersey box", {"detail": sized("garment", 420, 520, body_width=420, thickness=14)}),
    "a banner": sashed(),
    "a tool on pegs": pegged(),
    "a model before lamps": lit(),
}


@pytest.mark.parametrize("name", CLEAN)
def test_no_slip_is_found_where_none_was_made(name: str):
    assert [(f.code, f.title.mm) for f in plan(CLEAN[name]).findings if f.severity in ("stop", "caution")] == []


def test_a_refused_outline_of_a_traced_zone_names_its_place():
    from shadbo.core.decisions.edit import BadEdit
    from shadbo.core.job.edits import apply

    trace = {"photo": 1, "corners": [[0, 0], [1, 0], [1, 1]], "points": [[0.2, 0.2], [0.4, 0.2], [0.4, 0.4]]}
    with pytest.raises(BadEdit) as bad:
        apply(jersey(), [Edit(at="pieces/piece/zones/z", to={"what": "ink", "trace": trace})])
    assert "corners" in bad.value.at
    with pytest.raises(BadEdit, match="possible here: 1 to 12000 mm"):
        apply(jersey(), [Edit(at="pieces/piece/zones/z", to={"width": {"mm": 0}}), length("due", 3)][:1])
