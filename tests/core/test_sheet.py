import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.sheet.sheet import AsBuilt, Sheet
from shadbo.core.sheet.units import KG, MM, MM2, ONE, N, unit_name
from shadbo.core.words.lengths import Mark
from shadbo.core.words.working import line, working

MARK = Mark.named("0.5 mm")
sizes = st.floats(1, 3000)


def words(tokens) -> str:
    return " ".join(t.text.mm for t in tokens)


def test_the_working_is_what_was_worked_out():
    s = Sheet()
    a = s.read("a", "canvas", 412, MM, 0.5, "rule")
    g = s.choose("g", "gap", 6, MM, "practice")
    inside = s.let("inside", "inside", a + 2 * g)
    assert inside.value == 424
    assert words(working(inside, MARK)) == "412 + ( 2 × 6 )"
    assert [t.key for t in working(inside, MARK) if t.key] == ["a", "g"]


def test_units_are_checked():
    s = Sheet()
    mm, kg = s.number(3, MM), s.number(2, KG)
    with pytest.raises(TypeError, match="units differ"):
        _ = mm + kg
    with pytest.raises(TypeError, match="units differ"):
        _ = mm - 1
    assert (mm * mm).unit == MM2
    assert (mm / mm).unit == ONE
    assert unit_name((s.number(1, N) / kg).unit) == "N/kg"


def test_an_unrecorded_branch_is_refused():
    s = Sheet()
    a, b = s.number(1, MM), s.number(2, MM)
    for branch in (lambda: a < b, lambda: a >= b, lambda: bool(a), lambda: max(a, b)):
        with pytest.raises(TypeError, match="unrecorded branch"):
            branch()


def test_a_key_stands_once():
    s = Sheet()
    s.let("a", "first", s.number(1, MM))
    with pytest.raises(KeyError, match="already"):
        s.let("a", "second", s.number(1, MM))


def test_reading_error_stops_at_the_cut_and_the_cutters_begins():
    s = Sheet(grid=0.5)
    width = s.read("w", "width", 412.2, MM, 1.0, "tape")
    rail = s.cut("rail", "rail", width + s.number(30, MM), "up", 0.3)
    inside = s.made("inside", "inside", rail - s.number(18, MM), 0.2)
    gap = s.let("gap", "gap", (inside - width) / 2)
    assert rail.value == 442.5
    assert rail.worst == pytest.approx(0.3)
    assert inside.worst == pytest.approx(0.5)
    assert gap.worst == pytest.approx((0.5 + 1.0) / 2), "the true width comes back in where frame and canvas meet"


def test_a_pin_replaces_the_value_keeps_the_plan_and_is_compared_with_it():
    s = Sheet(as_built={"rail": AsBuilt(440, 0.5, "rule"), "ghost": AsBuilt(1, 0.5, "rule")})
    width = s.read("w", "width", 412, MM, 0.5, "rule")
    rail = s.cut("rail", "rail", width + s.number(30, MM), "up", 0.3)
    after = s.made("inside", "inside", rail - s.number(18, MM))
    assert (rail.value, rail.planned.value, after.value) == (440, 442, 422)
    assert [q.key for q in s.disagreements()] == ["rail"]
    assert s.unanswered_pins() == ["ghost"]
    shown = line(rail, MARK)
    assert shown.pinned
    assert shown.planned.mm == "442 mm"
    assert words(shown.working) == "up to the mark ( 412 + 30 )"


def test_a_pin_within_its_tolerance_is_no_disagreement():
    s = Sheet(as_built={"rail": AsBuilt(442.5, 0.5, "rule")})
    s.cut("rail", "rail", s.number(442, MM), "up", 0.3)
    assert list(s.disagreements()) == []


def test_uncertainty_never_stops_it_asks_for_the_tape():
    s = Sheet()
    sure, unsure = s.read("a", "sure", 10, MM, 0.1, "caliper"), s.read("b", "unsure", 7.5, MM, 1.0, "tape")
    left = s.let("left", "left", sure - unsure)
    verdict = left.judge(stop=2.0)
    assert verdict.severity == "measure"
    assert verdict.read_again is unsure
    assert left.judge(stop=3.0).severity == "stop"
    assert left.judge(stop=0.5, caution=2.6).severity == "caution"
    assert left.judge(stop=0.5, caution=2.0).severity == "fine"


def test_the_runner_up_counts_as_far_as_it_can_overtake():
    s = Sheet()
    a, b = s.read("a", "a", 100, MM, 0.1, "caliper"), s.read("b", "b", 99.5, MM, 3.0, "eye")
    top = s.pick("largest", a, b)
    assert top.value == 100
    assert top.worst == pytest.approx(0.1 + (3.0 - 0.5 - 0.1))


def test_steps_and_counts_are_decisions():
    s = Sheet()
    side = s.read("side", "side", 613, MM, 5, "eye")
    gap = s.step(side, [(400, 5), (900, 6), (20_000, 10)], MM)
    assert (gap.value, gap.worst) == (6, 0)
    assert s.step(s.number(99_999, MM), [(400, 5), (900, 6)], MM).value == 6
    assert s.count(s.number(3.0000000001)).value == 3
    assert s.count(s.number(0.2), at_least=2).value == 2
    with pytest.raises(TypeError, match="no unit"):
        s.count(side)


def test_a_line_that_is_among_the_picked_twice_counts_once():
    s = Sheet()
    a, b = s.read("a", "a", 100, MM, 0.5, "rule"), s.read("b", "b", 90, MM, 0.5, "rule")
    top = s.pick("largest", a, b, a)
    assert (top.worst, top.reach()) == (0.5, 0.5)


READ = st.tuples(st.integers(0, 8), st.sampled_from((0.0, 0.25, 0.5, 2.0, 6.0)), st.booleans())


@given(READ, st.lists(READ, min_size=1, max_size=5), st.sampled_from(("largest", "smallest")))
def test_a_runner_up_counts_by_what_it_can_overtake_at_its_worst(first, others, word):
    """Each reading may be told by way of another whose error it gives back, so that its limit is beyond its worst."""
    s = Sheet()
    aside = s.read("aside", "aside", 7, MM, 3.0, "tape")
    read = [
        q + aside - aside if round_about else q
        for n, (mm, half, round_about) in enumerate((first, *others))
        for q in [s.read(f"q{n}", f"reading {n}", mm, MM, half, "rule")]
    ]
    picked = s.pick(word, *read)
    best = (max if word == "largest" else min)(read, key=lambda q: q.value)
    halves = {id(q): half for q, (_, half, _) in zip(read, (first, *others), strict=True)}
    past = [
        halves[id(q)] - abs(q.value - best.value) - halves[id(best)] for q in read if q is not best and halves[id(q)]
    ]
    assert picked.own_half_width() == pytest.approx(max(0.0, *past, 0.0))
    assert picked.worst == pytest.approx(halves[id(best)] + picked.own_half_width())


@given(sizes, sizes, sizes)
def test_slopes_of_an_opaque_call_agree_with_recorded_arithmetic(x: float, y: float, h: float):
    s = Sheet()
    a, b = s.read("a", "a", x, MM, 0.5, "rule"), s.read("b", "b", y, MM, 0.25, "rule")
    recorded = (a * b) / (a + b)
    opaque = s.call("x·y/(x+y)", lambda p, q: p * q / (p + q), a, b, u=MM)
    assert opaque.value == pytest.approx(recorded.value)
    assert opaque.worst == pytest.approx(recorded.worst, rel=1e-4)
    assert opaque.likely <= opaque.worst + 1e-12


@given(sizes, st.floats(0.01, 5))
def test_one_source_used_twice_cancels_or_doubles(x: float, pm: float):
    s = Sheet()
    a = s.read("a", "a", x, MM, pm, "rule")
    assert (a - a).worst == pytest.approx(0, abs=1e-9)
    assert (a + a).worst == pytest.approx(2 * pm)


@given(st.lists(st.tuples(sizes, st.floats(0, 3), st.sampled_from("+−×÷lst")), min_size=2, max_size=12))
def test_what_is_reached_at_most_is_never_less_than_the_worst_and_judges_alike(steps):
    s = Sheet()
    total = s.read("x", "x", 100, MM, 1, "tape")
    for n, (value, half, sign) in enumerate(steps):
        other = s.read(f"x{n}", "x", value, MM, half, "tape")
        both = {
            "+": lambda a, b: a + b,
            "−": lambda a, b: a - b + a / 2,
            "×": lambda a, b: a * (b / a),
            "÷": lambda a, b: a - a * (b / s.number(500, MM)),
            "l": lambda a, b: s.pick("largest", a, b),
            "s": lambda a, b: s.pick("smallest", a, b + b, a + b),
            "t": lambda a, b: s.pick("largest", a, b, a) - b,
        }[sign]
        total = both(total, other)
    assert total.reach() >= total.worst - 1e-9
    for least in (
        total.value - total.likely - 1,
        total.value - total.likely * 0.9,
        total.value - total.reach() * 1.01,
    ):
        asked = total.value - total.likely < least - 1e-6 and total.value >= least - 1e-6
        assert (total.judge(least).severity == "measure") == asked
