"""Practice: what is asked can be worked out of what is given, and each slip is told by its name."""

import pytest

from shadbo.core.asking.rows import exact
from shadbo.core.assess import assess
from shadbo.core.cutting.mat_lines import cut_lines, mats_of
from shadbo.core.exercises.choices import choosing
from shadbo.core.exercises.exercise import INTO, LEVELS, STEPS, Asks, NoExercise, asked, exercise, laid_out, made_up
from shadbo.core.exercises.marking import mark, mark_choice
from shadbo.core.exercises.slips import called, can_be_asked, depth, formula, given, slips, with_given
from shadbo.core.settings.examples import EXAMPLES, example
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.words.lengths import parse
from shadbo.core.words.words import value_text
from shadbo.demo.shop import demo_shop

SHOP = demo_shop()
SEEDS = range(8)


def frame() -> tuple[Sheet, Quantity]:
    """An outside that is cut: opening and two faces, less two lips, to the mark."""
    s = Sheet(0.5)
    opening = s.read("opening", "opening", 300, MM, 0.5, "rule")
    face, lip = s.choose("face", "face", 30, MM, "stock"), s.choose("lip", "lip", 6, MM, "stock")
    inside = s.let("inside", "inside", opening + s.choose("allowance", "allowance", 3, MM, "practice"))
    return s, s.cut("outside", "outside", inside + 2 * (face - lip), "nearest", 0.3)


def test_each_slip_of_a_sum_comes_to_what_a_hand_would_get():
    """Worked by hand: opening 300, allowance 3, face 30, lip 6; right is 303 + 2 · 24 = 351."""
    _, outside = frame()
    found = {s.says: s.value for s in slips(outside, 0.5)}
    assert outside.value == 351
    assert found["took “face” and “lip” once: there are two of it"] == 327
    assert found["forgot “lip”"] == 363
    assert found["“lip”: added, where it is taken off"] == 375
    assert found["took “lip” twice"] == 339
    assert found["forgot “allowance”"] == 348
    assert found["took “allowance” twice"] == 354
    assert found["forgot “face” and “lip”"] == 303
    assert all(abs(v - 351) >= 0.5 for v in found.values())
    assert len(set(found.values())) == len(found)


def test_halves_readings_and_rounding_have_slips_of_their_own():
    s = Sheet(0.5)
    a, b = s.read("a", "top", 400, MM, 0.5, "rule"), s.read("b", "bottom", 398, MM, 0.5, "rule")
    inside = s.made("inside", "inside", s.number(420, MM))
    gap = s.let("gap", "gap", (inside - s.pick("largest", a, b)) / 2)
    found = {(x.kind, x.value) for x in slips(gap, 0.5)}
    assert gap.value == 10
    assert found >= {("not halved", 20), ("halved twice", 5), ("smaller", 11), ("smaller", -189)}
    up = s.cut("up", "up", s.let("x", "x", a + s.number(0.2, MM)) + b, "up", 0.3)
    assert {x.kind: x.value for x in slips(up, 0.5)}["unrounded"] == pytest.approx(797.9, abs=0.5)


@pytest.mark.parametrize("level", LEVELS)
def test_an_exercise_can_be_worked_out_and_holds_no_answer(level):
    worked = 0
    for seed in SEEDS:
        job = made_up(seed)
        try:
            found = exercise(job, SHOP, Asks(level, seed), "mm")
        except NoExercise:
            continue
        plan, mirrored = laid_out(job, SHOP)
        sums = [t for t in found.tasks if not t.options]
        assert [q.key for q in asked(plan, mirrored, Asks(level, seed))] == [t.key for t in sums]
        for task in sums:
            q = plan.desk.sheet[task.key]
            assert can_be_asked(q)
            told = given(q, INTO[level])
            assert {g.label for g in task.given} == {g.label for g in told if g.key}
            assert all(other.key not in {g.key for g in told} for other in found.tasks)
            shown = f"{formula(q).value:.2f}".rstrip("0").rstrip(".")
            assert f">{shown}<" not in found.front + found.edge
            worked += 1
    assert worked > len(SEEDS)


@pytest.mark.parametrize("seed", SEEDS)
def test_right_answers_are_right_and_slips_are_named(seed):
    job = made_up(seed)
    plan, mirrored = laid_out(job, SHOP)
    try:
        lines = asked(plan, mirrored, Asks(2, seed))
    except NoExercise:
        return
    for q in lines:
        assert mark(job, SHOP, q.key, formula(q).value, "mm").right
        assert mark(job, SHOP, q.key, formula(q).value + 0.2, "mm").right, "within a mark"
        for slip in slips(q, plan.desk.mark.mm)[:3]:
            if slip.value <= 0:
                continue
            marked = mark(job, SHOP, q.key, slip.value, "mm")
            assert not marked.right
            assert marked.kind is not None
            assert marked.working
        lost = mark(job, SHOP, q.key, formula(q).value + 7777.7, "mm")
        assert (lost.right, lost.kind) == (False, None)


def test_a_wrong_cut_shows_what_would_happen():
    job = made_up(1)
    plan = assess(job, SHOP)
    rails = [q for q in plan.desk.sheet.named.values() if q.key.startswith("rail.") and q.kind == "cut"]
    marked = mark(job, SHOP, rails[0].key, rails[0].value / 2, "mm")
    assert marked.happens
    assert marked.picture.startswith("<svg")


def test_another_size_of_the_frame_is_told_as_that():
    _, outside = frame()
    assert called(outside) == "“outside”"
    job = made_up(1)
    plan = assess(job, SHOP)
    q = plan.desk.sheet["frame.outside_width"]
    marked = mark(job, SHOP, q.key, plan.desk.sheet["weight.total"].value + 12345.0, "mm")
    assert marked.kind is None


def test_levels_ask_for_more_steps():
    _, outside = frame()
    assert (depth(outside), depth(outside, 1)) == (3, 4)
    assert [g.key for g in given(outside, 1)] == ["opening", "allowance", "face", "lip"]
    for seed in SEEDS:
        plan, mirrored = laid_out(made_up(seed), SHOP)
        for level, (least, most) in STEPS.items():
            try:
                assert all(least <= depth(q, INTO[level]) <= most for q in asked(plan, mirrored, Asks(level, seed)))
            except NoExercise:
                continue


def test_what_went_wrong_is_asked_again():
    plan, mirrored = laid_out(made_up(3), SHOP)
    mark_mm = plan.desk.mark.mm
    for kind in ("one side", "not halved"):
        able = [q for q in plan.desk.sheet.named.values() if can_be_asked(q) and 2 <= depth(q) <= 3
                and len(slips(q, mark_mm)) > 1 and kind in {s.kind for s in slips(q, mark_mm)}]  # fmt: skip
        if not able:
            continue
        lines = asked(plan, mirrored, Asks(2, 5, (kind,)))
        assert any(kind in {s.kind for s in slips(q, mark_mm)} for q in lines)


@pytest.mark.parametrize(
    ("shop_mark", "system"), [("0.5 mm", "mm"), ("0.5 mm", "in"), ("1/16 in", "in"), ("1/32 in", "in")]
)
def test_what_is_worked_out_of_the_given_as_it_is_told_is_right(shop_mark, system):
    """In either system, though each given line is rounded to a rule's marks, and so is the answer."""
    shop = SHOP.model_copy(update={"mark": shop_mark})
    for seed in SEEDS:
        plan, mirrored = laid_out(made_up(seed), shop)
        for level in LEVELS:
            try:
                lines = asked(plan, mirrored, Asks(level, seed))
            except NoExercise:
                continue
            for q in lines:
                told = {
                    g.key: parse(exact(g.value).pick(system), system) for g in given(q, INTO[level]) if g.unit == MM
                }
                by_hand = with_given(q, told)
                assert mark(made_up(seed), shop, q.key, by_hand, system, level).right, (q.key, by_hand)
                shown = value_text(q, plan.desk.mark).pick(system)
                assert mark(made_up(seed), shop, q.key, parse(shown, system), system, level).right, (q.key, shown)


def test_what_stands_in_the_middle_has_nothing_to_be_mirrored():
    assert laid_out(example("pastel"), SHOP)[1] == {}


@pytest.mark.parametrize("name", ["shirt", "badges"])
def test_a_mark_on_the_back_is_mirrored_or_told_by_that_name(name):
    job = example(name)
    plan, mirrored = laid_out(job, SHOP)
    assert mirrored
    mats = {p.id: p.length.value for p in plan.assembly.parts if p.role in ("mat", "board") and p.length is not None}
    told = 0
    for key, slip in mirrored.items():
        q = plan.desk.sheet[key]
        assert any(q.value + slip.value == pytest.approx(w, abs=1) for w in mats.values()), (
            "both edges make the whole"
        )
        assert mark(job, SHOP, key, q.value, "mm").right
        wrong = mark(job, SHOP, key, slip.value, "mm")
        assert (wrong.right, wrong.kind) == (False, "mirrored")
        assert "face down" in wrong.says
        told += 1
    assert told > 3


def test_marks_at_the_bench_are_asked_and_agree_with_the_lines_of_the_cutting_sheet():
    job = example("shirt")
    plan, mirrored = laid_out(job, SHOP)
    keys = {q.key for seed in range(60) for q in asked(plan, mirrored, Asks(1, seed, ("mirrored",)))}
    assert keys & set(mirrored)
    drawn = {round(line.first_edge, 1) for m in mats_of(plan) for line in cut_lines(m) if line.upright}
    for key in (k for k in mirrored if "spot" not in k):
        assert min(abs(plan.desk.sheet[key].value - x) for x in drawn) <= plan.desk.mark.mm


@pytest.mark.parametrize("name", EXAMPLES)
def test_a_choice_has_what_serves_and_what_does_not_and_says_why(name):
    plan, _ = laid_out(example(name), SHOP)
    for seed in SEEDS:
        choice = choosing(plan, seed)
        if choice is None:
            assert not plan.assembly.mouldings or all(m.fits for m in plan.assembly.mouldings) or plan.assembly.hangs
            continue
        assert choice == choosing(plan, seed)
        assert {o.right for o in choice.offers} == {True, False}
        assert len({o.id for o in choice.offers}) == len(choice.offers) <= 4
        for offer in choice.offers:
            for system in ("mm", "in"):
                marked = mark_choice(choice, offer.id, system)
                assert marked.right is offer.right
                assert marked.answer.pick(system)
                assert offer.right or marked.says != "it does not serve: "
        by_id = {m.profile.id: m for m in plan.assembly.mouldings}
        if choice.key == "choice.moulding":
            assert all(o.right == by_id[o.id].fits for o in choice.offers)
        with pytest.raises(LookupError):
            mark_choice(choice, "a rope", "mm")
