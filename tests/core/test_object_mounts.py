"""How objects are held: the mount by the facts, the fixings that carry, their load by rating and factor."""

import pytest

from shadbo.core.build.mount_table import MOUNTS
from shadbo.core.decisions.edit import Edit
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.plan import Plan
from shadbo.core.shop.boards import TapeKind
from tests.core.test_box_slips import BADGE, PHOTO, SHIRT, TOOL, jersey
from tests.flat import SHOP, gathered, plan, sashed, sized, value

G = 9.80665


def held(p: Plan, id_: str = "piece") -> str:
    return next(m.taken.mount.id for m in p.assembly.mounts if m.of == id_)


def rating_n(kind: TapeKind) -> float:
    return SHOP.stock.tapes_of(kind)[0].rating_kg * G


@pytest.mark.parametrize(("kind", "ids"), [(kind, k.mounts) for kind, k in KINDS.items()], ids=lambda x: str(x)[:20])
def test_every_kind_of_piece_has_mounts_that_there_are(kind: str, ids: tuple[str, ...]):
    assert ids
    assert set(ids) <= set(MOUNTS), kind


@pytest.mark.parametrize(
    ("detail", "mount"),
    [
        (BADGE, "clasp through the board"),
        (sized("badge", 60, 60, sort="patch", relief=2), "top tape"),
        (sized("badge", 44, 44, relief=4), "sink"),
        (TOOL, "ties"),
        (PHOTO, "corners"),
        (sized("plate", 90, 20, sort="nameplate", thickness=1), "top tape"),
        (sized("garment", 420, 520, thickness=14), "stainless pins"),
    ],
)
def test_the_plan_takes_what_serves_the_piece(detail: dict, mount: str):
    p = plan(gathered("shadow box", {"detail": detail, "worth": "everyday"}))
    assert held(p) == mount


def test_what_is_decided_for_one_piece_is_its_own():
    options = {"shadow_box": {"mounts": {"piece": "padded brackets"}}}
    p = plan(gathered("shadow box", {"detail": TOOL}, {"detail": TOOL}, options=options))
    assert (held(p), held(p, "piece-2")) == ("padded brackets", "ties")
    gone = plan(p.desk.job, Edit(at="options/shadow_box/mounts/piece", to=None))
    assert held(gone) == "ties"


def test_a_shirt_hangs_from_its_shoulders_and_neck_alone():
    p = plan(gathered("jersey box", {"detail": SHIRT, "weight_kg": 0.4}))
    carrying = [x for x in p.assembly.spots if x.id.startswith("carries")]
    assert 0 < len(carrying) < value(p, "item.piece.pins")
    assert value(p, "item.piece.mount.demand") == pytest.approx(0.4 * G / len(carrying))
    assert value(p, "item.piece.mount.factor") == 3
    assert value(p, "item.piece.mount.rating") == pytest.approx(rating_n("pin"))
    margin = rating_n("pin") - 3 * 0.4 * G / len(carrying)
    assert value(p, "item.piece.mount.margin") == pytest.approx(margin)


def test_a_coat_too_heavy_for_its_pins_is_stopped():
    p = plan(gathered("jersey box", {"detail": SHIRT, "weight_kg": 60}))
    found = [f for f in p.findings if f.code == "mount.weak"]
    assert found
    assert found[0].place == "piece"
    assert "garment: each fixing carries" in found[0].title.mm


def test_a_tie_carries_half_the_weight_or_what_tips_it_forward():
    flat = plan(gathered("shadow box", {"detail": sized("keepsake", 300, 200, depth=20), "weight_kg": 1}))
    assert value(flat, "item.piece.mount.demand") == pytest.approx(0.5 * G)
    deep = plan(gathered("shadow box", {"detail": sized("keepsake", 200, 60, depth=120), "weight_kg": 1}))
    pull = G * 60 / value(deep, "item.piece.supports_apart")
    assert pull > 0.5 * G
    assert value(deep, "item.piece.mount.demand") == pytest.approx(pull)
    assert value(deep, "item.piece.mount.factor") == 4


def test_a_heavy_tool_is_told_and_brackets_help():
    heavy = gathered("shadow box", {"detail": sized("keepsake", 300, 200, depth=40), "weight_kg": 20})
    p = plan(heavy)
    assert any(f.code == "mount.weak" for f in p.findings)
    brackets = plan(heavy, Edit(at="options/shadow_box/mounts/piece", to="padded brackets"))
    assert value(brackets, "item.piece.mount.rating") > value(p, "item.piece.mount.rating")


def test_tape_of_a_dear_plate_counts_its_higher_factor():
    plate = sized("plate", 90, 20, sort="nameplate", thickness=1)
    dear = plan(gathered("shadow box", {"detail": plate, "worth": "dear"}))
    common = plan(gathered("shadow box", {"detail": plate, "worth": "everyday"}))
    assert value(dear, "item.piece.mount.factor") == 2 * value(common, "item.piece.mount.factor") == 10


def test_cloth_on_a_core_is_carried_by_its_runs_of_tape():
    p = plan(sashed())
    assert value(p, "mount.count") == 2
    expected = SHOP.stock.tapes_of("textile tape")[0].rating_kg * G * value(p, "core.width") / 100
    assert value(p, "mount.rating") == pytest.approx(expected)


def test_pieces_that_sit_on_the_mat_have_their_marks_there():
    patch = sized("badge", 70, 80, shape="rectangle", relief=4, back_relief=6)
    p = plan(jersey({"detail": patch, "name": "patch"}, {"detail": PHOTO}))
    planes = {x.of: x.plane for x in p.assembly.spots}
    assert planes["piece"] == "board"
    assert planes["piece-2"] == "mat"


def test_weights_are_estimated_by_what_a_thing_is_and_weighing_wins():
    brass = plan(gathered("shadow box", {"detail": sized("plate", 100, 40, sort="nameplate", thickness=2)}))
    assert value(brass, "item.piece.mass") == pytest.approx(0.1 * 0.04 * 0.002 * 8500)
    cloth = plan(gathered("jersey box", {"detail": SHIRT}))
    assert value(cloth, "item.piece.mass") == pytest.approx(0.62 * 0.72 * 2 * 0.3)
    weighed = plan(gathered("jersey box", {"detail": SHIRT, "weight_kg": 0.33}))
    assert value(weighed, "item.piece.mass") == 0.33
    all_of_it = plan(gathered("shadow box", {"detail": BADGE, "weight_kg": 0.1}, {"detail": TOOL, "weight_kg": 0.9}))
    assert value(all_of_it, "package.mass") > 1.0


def test_hinges_of_a_paper_among_objects_stand_below_its_top_edge():
    from tests.flat import detail

    p = plan(gathered("shadow box", {"detail": BADGE}, {"detail": detail("paper", 300, 200, 0.3)}))
    slits = [x for x in p.assembly.spots if x.kind == "slit"]
    top = max(y for _, y in next(s.ring for s in p.assembly.shown if s.id == "piece-2"))
    assert len(slits) == 2
    assert all(top - x.at[1] == pytest.approx(40) for x in slits)
