"""Tables taken in: every wrong cell by line and column, nothing saved unless all of it is right."""

import io

import pytest
from PIL import Image

from shadbo.core.job.edits import apply
from shadbo.files.colours import difference, main_colours, nearest, sample
from shadbo.files.pieces_table import pieces_table
from shadbo.files.stock_table import stock_csv, stock_table
from tests.core.test_box_slips import BADGE
from tests.flat import SHOP, gathered, plan, value

JOB = gathered("shadow box", {"detail": BADGE})
GOOD = """kind,name,width,height,relief,back_relief,weight_kg
badge,cox 1951,44,44,4.5,7,
badge,"cox, 1968",1 3/4 in,44 mm,4.5,7,0.03
keepsake,whistle,9.6 cm,26,,,0.05
"""


def test_pieces_come_in_with_their_lengths_as_typed():
    good = GOOD.replace("keepsake,whistle,9.6 cm,26,,,0.05\n", "")
    taken = pieces_table(good, JOB, "mm")
    assert taken.wrong == ()
    assert [r.line for r in taken.rows] == [2, 3]
    after, _ = apply(JOB, list(taken.edits))
    assert [p.id for p in after.pieces] == ["piece", "badge", "badge-2"]
    second = after.pieces[2]
    assert second.name == "cox, 1968"
    assert second.detail.width.mm == pytest.approx(44.45)
    assert second.detail.width.typed == "1 3/4 in"
    assert second.weight_kg == 0.03
    assert value(plan(after), "item.badge-2.width") == pytest.approx(44.45)


def test_a_semicolon_or_a_tab_serves_as_well_and_a_bom_is_passed_over():
    for sign in (";", "\t"):
        text = "\ufeff" + "kind,width,height,relief\nbadge,44,44,4".replace(",", sign)
        assert pieces_table(text, JOB, "mm").wrong == ()


def wrong(text: str) -> list[tuple[int, str]]:
    found = pieces_table(text, JOB, "mm")
    assert found.edits == (), "nothing of it is saved"
    return [(w.line, w.column) for w in found.wrong]


def test_everything_wrong_is_named_by_line_and_column():
    text = "kind,width,height,relief,cloth\nbadge,44,forty,4,\nteapot,1,1,1,\nbadge,44,44,4,2\nbadge,-3,44,4,\n"
    assert wrong(text) == [(2, "height"), (3, "kind"), (4, "cloth"), (5, "width")]


@pytest.mark.parametrize(
    ("text", "where"),
    [
        ("", (1, "kind")),
        ("kind,width\nbadge,44\n", (1, "height")),
        ("kind,width,height,colour\nbadge,44,44,red\n", (1, "colour")),
        ("kind,kind,width,height\n", (1, "kind")),
        ("kind,width,height\n", (2, "the file")),
        ('kind,width,height\n"badge,44,44\n', (2, "the line")),
        ("kind,width,height\nbadge,44,44,9,9\n", (2, "the line")),
        ("kind,width,height\nbadge,\x0044,44\n", (1, "the file")),
        ("kind,width,height,weight_kg\nbadge,44,44,heavy\n", (2, "weight_kg")),
        ("kind,width,height,sort\nbadge,44,44,teacup\n", (2, "sort")),
    ],
)
def test_a_table_that_is_none_says_where(text: str, where: tuple[int, str]):
    assert where in wrong(text)


def test_too_many_pieces_are_refused_as_a_whole():
    many = "kind,width,height\n" + "badge,20,20\n" * 60
    assert pieces_table(many, JOB, "mm").wrong[-1].expected == "at most 60"
    assert pieces_table("kind,width,height\n" + "badge,20,20\n" * 600, JOB, "mm").wrong


def test_stock_goes_out_and_comes_in_unchanged():
    taken, after = stock_table(stock_csv(SHOP.stock), SHOP.stock)
    assert taken.wrong == ()
    assert all("replaces" in r.says for r in taken.rows)
    kept = {x.id: (x.thick_mm, x.width_mm, x.colour) for x in after.sheets}
    assert kept == {x.id: (x.thick_mm, x.width_mm, x.colour) for x in SHOP.stock.sheets}
    assert {f.id: f.species for f in after.frames} == {f.id: f.species for f in SHOP.stock.frames}


def test_a_new_moulding_is_added_and_a_bad_one_leaves_the_stock_alone():
    head = "type,id,name,face_mm,height_mm,rabbet_mm,lip_mm,price_per_m\n"
    taken, after = stock_table(head + "moulding,quoin-50,Quoin 50,50,70,60,9,12.5\n", SHOP.stock)
    assert taken.rows[0].says.endswith("new")
    assert after.frames[-1].rabbet_mm == 60
    bad, same = stock_table(head + "moulding,quoin-50,Quoin 50,50,70,60,49,12.5\nshelf,a,b,,,,,\n", SHOP.stock)
    assert [(w.line, w.column) for w in bad.wrong] == [(2, "the line"), (3, "type")]
    assert "at most 47 mm" in bad.wrong[0].expected
    assert same is SHOP.stock


def test_colours_of_a_photograph_and_the_nearest_mats():
    picture = Image.new("RGB", (400, 300), "#a98a5e")
    picture.paste("#22304f", (80, 50, 320, 250))
    picture.paste("#9c3a33", (80, 140, 320, 190))
    kept = io.BytesIO()
    picture.save(kept, "JPEG", quality=95)
    pixels = kept.getvalue()
    first, second = main_colours(pixels)
    assert difference(first, "#22304f") < 3
    assert "buoy red" in nearest(second, SHOP.stock.sheets_of("mat"))[0].name, "the bench round it does not count"
    assert difference(sample(pixels, 0.5, 0.55), "#9c3a33") < 3
    mats = SHOP.stock.sheets_of("mat")
    best = nearest(first, mats)
    assert [n.difference for n in best] == sorted(n.difference for n in best)
    assert "night watch blue" in best[0].name
    assert nearest("#ffffff", []) == []
