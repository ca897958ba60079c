"""Sums and limits reckoned anew beside the plan, at the number where a slight error would change the answer."""

import math
from itertools import pairwise

import pytest

from shadbo.core.build.mount_table import MOUNTS
from shadbo.core.build.mounts import weigh
from shadbo.core.decisions.edit import Edit
from shadbo.core.layout.snap import Box, snap
from shadbo.core.pieces.pieces import Piece
from shadbo.core.season import seasons
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.shop.materials import Screw
from shadbo.core.shop.shop import Shop
from shadbo.core.sums.fit import allowance_of
from shadbo.core.sums.order import order_mm
from shadbo.core.words.lengths import Mark
from tests.flat import PIECES, SHOP, detail, gathered, job, plan, sized, value
from tests.making import HANGERS, WORKED, codes
from tests.making import job as floater
from tests.making import plan as floated
from tests.making import shop as floater_shop

TOOL = sized("keepsake", 240, 160, depth=60)
MARK = Mark.named("0.5 mm")


def racked(*frames: FrameProfile, **practice: float) -> Shop:
    """The shop with only these rabbeted mouldings."""
    return SHOP.model_copy(
        update={
            "stock": SHOP.stock.model_copy(update={"frames": frames}),
            "practice": SHOP.practice.model_copy(update=practice),
        }
    )


def test_a_package_read_loosely_gets_room_for_its_readings():
    s = Sheet()
    base = s.choose("fit.allowance", "allowance", 2, MM, "practice")
    board = s.read("a", "board", 300, MM, 1.5, "tape") + s.read("b", "border", 100, MM, 1.5, "tape")
    allowed, _ = allowance_of(s, "width", board, base, False, 1.5, 10, 25)
    assert allowed.value == 3, "1.5 and 1.5 of reading, more than the shop's 2"
    close = s.read("c", "board", 300, MM, 0.5, "rule") + s.read("d", "border", 100, MM, 0.5, "rule")
    assert allowance_of(s, "height", close, base, False, 1.5, 10, 25)[0].value == 2


def test_a_softwood_rail_bends_by_the_usual_modulus():
    """5·w·L⁴ / 384·E·I, E of pine 9000 MPa along the grain: common practice, no source.

    I of the section as it is, by the general formula for polygons (Green's theorem), the rabbet taken out.
    """
    p = plan(job("window mat", detail("paper", 900, 600, 0.3), worth="everyday"))
    long, load = value(p, "frame.outside_width"), value(p, "package.load")
    face, high = value(p, "profile.face"), value(p, "frame.depth")
    lip, rabbet = value(p, "profile.lip"), value(p, "profile.rabbet")
    ring = [(0, 0), (high, 0), (high, face - lip), (high - rabbet, face - lip), (high - rabbet, face), (0, face)]
    sides = list(zip(ring, ring[1:] + ring[:1], strict=True))
    cross = [a[0] * b[1] - b[0] * a[1] for a, b in sides]
    area = sum(cross) / 2
    middle = sum((a[1] + b[1]) * c for (a, b), c in zip(sides, cross, strict=True)) / (6 * area)
    about_edge = sum((a[1] ** 2 + a[1] * b[1] + b[1] ** 2) * c for (a, b), c in zip(sides, cross, strict=True)) / 12
    inertia = about_edge - area * middle**2
    assert value(p, "rail.sag") == pytest.approx(5 * load * long**3 / (384 * 9000 * inertia), rel=1e-6)


def test_a_hangers_screw_stays_inside_its_wood():
    for the_job in (
        job("window mat", "paper"),
        job("canvas frame", "canvas"),
        gathered("shadow box", {"detail": TOOL}),
    ):
        p = plan(the_job)
        rail, hanger = p.assembly.back_rail, p.hang.hanger
        wood = max(rail.thick_at_wall.value, rail.thick_at_ledge.value)
        sold = {x.length_mm for x in p.desk.stock.screws} | {hanger.screw_mm}
        assert p.hang.screw_mm in sold, "a screw that lies in a drawer"
        assert p.hang.screw_mm <= wood - p.desk.practice.screw_short_mm


@pytest.mark.parametrize(("ledge_mm", "screw_mm"), [(14.5, 12), (16, 14), (40, 16)])
def test_a_hangers_screw_is_one_of_the_drawers_that_the_ledge_takes(ledge_mm: float, screw_mm: float):
    """The far side keeps 2 mm of wood; the screw itself is 16 long, and the drawers have others of its diameter."""
    thick = WORKED.model_copy(update={"ledge_thick_mm": ledge_mm})
    long = tuple(h.model_copy(update={"screw_mm": 16}) for h in HANGERS)
    sold = tuple(Screw(id=f"s-{n}", name=f"screw {n}", length_mm=n, diameter_mm=3) for n in (12, 14, 20))
    kept = floater_shop(thick)
    kept = kept.model_copy(update={"stock": kept.stock.model_copy(update={"hangers": long, "screws": sold})})
    p = floated(floater(), kept)
    assert p.hang.screw_mm == pytest.approx(screw_mm)


def test_a_deep_box_pulls_at_a_lever_down_to_its_bumpers():
    """Moments about the bumpers, 9 mm above the lower edge: pull · lever = weight · centre."""
    p = plan(gathered("shadow box", {"detail": TOOL, "weight_kg": 2}))
    lever = value(p, "frame.outside_height") - value(p, "hang.down") - 9
    assert value(p, "hang.lever") == lever
    assert value(p, "hang.pull_out") * lever == pytest.approx(value(p, "hang.load") * value(p, "hang.centre"))


def test_wood_left_beside_a_slot_is_measured_square_to_the_face():
    wide = FrameProfile(id="w", name="w", face_mm=70, height_mm=40, rabbet_mm=24, lip_mm=7, price_per_m=3)
    start = job("window mat", "paper", {"window_mat": {"joint": "biscuits"}})
    p = plan(start, shop=racked(wide))
    along = value(p, "joint.from_point") - value(p, "joint.slot")
    assert value(p, "joint.left") == pytest.approx(along * math.cos(math.pi / 4))


@pytest.mark.parametrize(("share", "stops"), [(0.98, False), (1.0, True), (1.5, True)])
def test_a_single_plate_is_refused_from_its_limit_on(share: float, stops: bool):
    start = floater().model_copy(update={"hanging": floater().hanging.model_copy(update={"kind": "plate"})})
    light = floated(start)
    frame = value(light, "weight.total") - value(light, "canvas.mass")
    limit = light.desk.practice.plate_most_kg
    heavy = floated(start, None, Edit(at="pieces/piece/weight_kg", to=max(limit * share - frame, 0.01)))
    assert value(heavy, "weight.total") == pytest.approx(limit * share)
    assert ("hang.kind" in codes(heavy)) == stops


@pytest.mark.parametrize(
    ("at", "expected"),
    [(281, 280), (12, 10), (109, 110)],
    ids=["after both", "before both", "between"],
)
def test_equal_gaps_are_equal(at: float, expected: float):
    """Two pieces 40 wide: a third comes to rest as far beyond them as they stand apart, or midway between."""
    apart = 190 if expected != 110 else 200
    others = [Box(100 if expected != 110 else 20, 10, 40, 50), Box(apart, 70, 40, 50)]
    done = snap(Box(at, 40, 40, 30), others, (900, 300), 3, MARK)
    assert done.left == expected
    edges = sorted([(b.left, b.left + b.width) for b in others] + [(done.left, done.left + 40)])
    gaps = {round(b[0] - a[1], 3) for a, b in pairwise(edges)}
    assert "equal gaps" in done.why
    assert len(gaps) == 1, edges


def test_the_lip_holds_least_when_the_sheet_is_smallest():
    large = detail("paper", 800, 600, 0.3)
    acrylic = next(x for x in SHOP.stock.sheets if x.kind == "acrylic")
    p = plan(job("window mat", large, {"window_mat": {"glazing": acrylic.model_dump(mode="json")}}))
    stops = {stop.name: stop for stop in seasons(p.desk, "softwood")}
    dry, made, damp = stops["dry winter"], stops["as made"], stops["damp summer"]
    assert dry.hold_mm < made.hold_mm < damp.hold_mm
    assert dry.left_mm > made.left_mm > damp.left_mm
    slack = max(value(p, f"fit.rabbet_{a}") - value(p, f"package.{a}") for a in ("width", "height"))
    assert made.hold_mm == pytest.approx(value(p, "profile.lip") - slack)


@pytest.mark.parametrize("mount", [m for m in MOUNTS.values() if m.most_kg < 100], ids=lambda m: m.id)
def test_a_mount_is_refused_above_its_limit(mount):
    piece = Piece.model_validate({"id": "piece", "detail": PIECES["paper"]})
    told = piece.told

    def said(kg: float) -> bool:
        return any(text.startswith("for up to") for text in weigh(mount, told, piece, kg).against)

    assert not said(mount.most_kg)
    assert said(mount.most_kg * 1.01)


@pytest.mark.parametrize(("saved", "takes"), [(4.0, "near"), (6.0, "deep")])
def test_a_rabbet_too_deep_costs_half_a_unit_a_millimetre_beyond_three(saved: float, takes: str):
    """10 mm more than the 3 that are borne: 5 of the currency, so saving 4 is not worth it and saving 6 is."""
    start = job("window mat", "paper", worth="everyday")
    needed = value(plan(start), "profile.rabbet") - value(plan(start), "depth.spare")
    near = FrameProfile(id="near", name="near", face_mm=20, height_mm=60, rabbet_mm=needed, lip_mm=7, price_per_m=30)
    one = plan(start, shop=racked(near))
    order = order_mm(value(one, "rail.width"), value(one, "rail.height"), 20) / 1000
    deep = near.model_copy(
        update={"id": "deep", "name": "deep", "rabbet_mm": needed + 13, "price_per_m": 30 - saved / order}
    )
    assert plan(start, shop=racked(near, deep)).assembly.moulding.id == takes
