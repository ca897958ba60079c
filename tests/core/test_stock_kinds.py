"""Every kind of stock: written down, read back, drawn, laid in, retired."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.drawing.profile import profile_picture
from shadbo.core.shop.stock_kinds import BY_RUN, LABELS, STOCK_KINDS, laid_in, new_id
from shadbo.core.shop.writing import BadItem, blanks, item_of
from shadbo.core.words.lengths import Mark
from shadbo.files.stock_table import stock_csv, stock_table
from tests.flat import SHOP, job

MM, INCH = Mark.named("0.5 mm"), Mark.named("1/16 in")
THINGS = [(d, x) for d in STOCK_KINDS for x in getattr(SHOP.stock, d.home)]


@pytest.mark.parametrize("drawer", STOCK_KINDS, ids=lambda d: d.home)
def test_every_field_has_a_label(drawer):
    fields = set(drawer.model.model_fields) - {"id"}
    assert fields <= {*LABELS, *BY_RUN}


@pytest.mark.parametrize(("drawer", "thing"), THINGS, ids=lambda x: getattr(x, "id", ""))
@pytest.mark.parametrize("system", ["mm", "in"])
def test_what_is_said_of_a_thing_is_read_back(drawer, thing, system):
    mark = MM if system == "mm" else INCH
    typed = {b.name: b.value.pick(system) for b in blanks(drawer, thing, mark)}
    again = item_of(drawer, thing.id, typed, system)
    for name in drawer.model.model_fields:
        was, now = getattr(thing, name), getattr(again, name)
        if isinstance(was, int | float) and not isinstance(was, bool):
            off = 0.8 if was > 400 else 0.21 if system == "in" else 1e-6
            assert now == pytest.approx(was, abs=off, rel=0.005), name
        else:
            assert now == was, name


@settings(max_examples=60, deadline=None)
@given(st.sampled_from(THINGS), st.sampled_from(["mm", "in"]))
def test_what_was_not_typed_stays_to_the_digit(pair, system):
    drawer, thing = pair
    changed = item_of(drawer, thing.id, {"name": "another name"}, system, thing)
    assert changed == thing.model_copy(update={"name": "another name"})


def test_mistakes_stand_at_their_fields_in_our_own_words():
    frames = STOCK_KINDS[0]
    with pytest.raises(BadItem) as bad:
        item_of(frames, "x", {"name": "X", "face_mm": "wide", "lip_mm": "5"}, "mm")
    assert set(bad.value.wrong) == {"face_mm", "height_mm", "rabbet_mm"}
    assert bad.value.wrong["height_mm"] == "is needed"
    good = {"name": "X", "face_mm": "20", "height_mm": "30", "rabbet_mm": "20", "lip_mm": "5"}
    slips = {"lip_mm": ("19", "no wall"), "rabbet_mm": ("40", "deep as"), "price_per_m": ("-3", "number"),
             "colour": ("reddish", "#22304f"), "species": ("cheese", "one of"), "face_mm": ("0", "more")}  # fmt: skip
    for name, (text, word) in slips.items():
        with pytest.raises(BadItem) as bad:
            item_of(frames, "x", good | {name: text}, "mm")
        assert word in " ".join(bad.value.wrong.values()), name


def test_a_moulding_is_drawn_by_its_section():
    for home, words in ((0, ("face", "rabbet", "lip")), (1, ("wall", "inside", "ledge")), (2, ("face", "height"))):
        drawer = STOCK_KINDS[home]
        svg = profile_picture(getattr(SHOP.stock, drawer.home)[0], INCH, "in")
        assert all(word in svg for word in words)
        assert " mm" not in svg
    assert profile_picture(SHOP.stock.screws[0], MM, "mm") == ""


def test_what_is_retired_is_offered_no_more_and_kept_by_who_has_it():
    the_job = job("window mat", "paper")
    first = assess(the_job, SHOP).assembly.moulding
    stock = SHOP.stock.model_copy(update={"retired": (f"frames/{first.id}", "frames/unheard-of", "nowhere/x")})
    shop = SHOP.model_copy(update={"stock": stock})
    plan = assess(the_job, shop)
    assert plan.assembly.moulding.id != first.id
    assert first.id not in {h.profile.id for h in plan.assembly.mouldings}
    decided = job("window mat", "paper", {"window_mat": {"profile": first.model_dump(mode="json")}})
    assert assess(decided, shop).assembly.moulding == first


def test_a_thing_takes_the_place_of_the_one_with_its_id_or_is_added():
    frames = STOCK_KINDS[0]
    buoy = SHOP.stock.frames[0].model_copy(update={"name": "other"})
    assert laid_in(SHOP, frames.home, buoy).stock.frames[0].name == "other"
    new = buoy.model_copy(update={"id": new_id("Buoy 16", {x.id for x in SHOP.stock.frames})})
    assert new.id == "buoy-16-2"
    assert len(laid_in(SHOP, frames.home, new).stock.frames) == len(SHOP.stock.frames) + 1


def test_all_kinds_go_out_as_a_table_and_come_in_again():
    text = stock_csv(SHOP.stock)
    assert {line.split(",")[0] for line in text.splitlines()[1:]} == {
        d.one for d in STOCK_KINDS if getattr(SHOP.stock, d.home)
    }
    taken, again = stock_table(text, type(SHOP.stock)())
    assert taken.wrong == ()
    assert again == SHOP.stock
