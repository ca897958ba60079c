import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.displays.floating.floater.options import HOME as FLOATER
from shadbo.core.job.edits import apply, as_typed, clashes, read_job
from shadbo.core.job.job import Job
from tests.making import job, length


def test_edits_name_places_by_id_and_can_be_undone():
    start = job()
    edits = [
        Edit(at="title", to="Herring boats"),
        Edit(at="pieces/piece/detail/depth", to={"mm": 19, "typed": "19", "tool": "caliper"}),
        Edit(at="pieces/piece/detail/braces/brace", to={"at": {"mm": 200}}),
        length("options/floater/gap", 8),
    ]
    after, inverse = apply(start, edits)
    assert after.pieces[0].detail.depth.mm == 19
    assert after.pieces[0].detail.braces[0].id == "brace"
    assert FLOATER.of(after).gap.mm == 8
    assert apply(after, inverse)[0] == start
    assert start.title == "a test", "the job that was given is not touched"


def test_taking_a_value_away_lets_the_plan_decide():
    with_gap, _ = apply(job(), [length("options/floater/gap", 8)])
    without, inverse = apply(with_gap, [Edit(at="options/floater/gap")])
    assert FLOATER.of(without).gap is None
    assert inverse[0].to["mm"] == 8
    assert "gap" not in str(without.as_written())


@pytest.mark.parametrize(
    ("edit", "at", "says"),
    [
        (Edit(at="colour", to="red"), "job", "not a field here"),
        (Edit(at="pieces/other/name", to="x"), "pieces/other/name", "no.*id “other”"),
        (Edit(at="title/deeper", to="x"), "title/deeper", "single value"),
        (Edit(at="version", to=2), "version", "do not change"),
        (Edit(at="pieces/piece", to=None), "pieces", "1 or more"),
        (Edit(at="pieces/piece/weight_kg", to=-1), "pieces/piece/weight_kg", "more than 0"),
        (Edit(at="pieces/piece/weight_kg", to=float("inf")), "pieces/piece/weight_kg", "an end|or less"),
        (Edit(at="title", to="a\x00b"), "title", "cannot be kept"),
        (Edit(at="pieces/piece/detail/braces/b", to="x"), "pieces/piece/detail/braces/b", "expected the fields"),
        (Edit(at="pins/Bad Key".replace(" ", ""), to={"mm": 1}), "pins", "other letters"),
        (Edit(at="due", to="soon"), "due", "a day"),
    ],
)
def test_a_bad_edit_says_where_and_why(edit: Edit, at: str, says: str):
    with pytest.raises(BadEdit, match=says) as bad:
        apply(job(), [edit])
    assert bad.value.at.startswith(at)


def test_typed_lengths_are_read_here_and_nowhere_else():
    raw = [
        Edit(at="options/floater/gap", to={"typed": "1/4"}),
        Edit(at="options/floater/face_by", to={"typed": "1", "system": "in"}),
        Edit(at="pieces/piece/detail/braces/b", to={"at": {"typed": "30 cm"}}),
        Edit(at="title", to="30 cm"),
    ]
    read = as_typed(raw, "mm")
    assert read[0].to == {"typed": "1/4", "mm": pytest.approx(6.35)}
    assert read[1].to == {"typed": "1", "mm": pytest.approx(25.4)}
    assert read[2].to["at"]["mm"] == 300
    assert read[3].to == "30 cm"
    with pytest.raises(BadEdit, match="not a length") as bad:
        as_typed([Edit(at="pieces/piece/detail/braces/b", to={"at": {"typed": "here"}})], "mm")
    assert bad.value.at == "pieces/piece/detail/braces/b/at"


def test_clashes_are_places_inside_each_other():
    ours = [Edit(at="a/b", to=1), Edit(at="c", to=1), Edit(at="ab", to=1)]
    theirs = [Edit(at="a", to=2), Edit(at="c/d", to=2)]
    assert clashes(ours, theirs) == ["a/b", "c"]


def test_the_path_of_a_bad_job_names_ids():
    data = job().as_written()
    data["pieces"][0]["detail"]["depth"]["mm"] = "deep"
    with pytest.raises(BadEdit) as bad:
        read_job(data)
    assert bad.value.at == "pieces/piece/detail/depth/mm"
    assert bad.value.found == "deep"


def test_ids_stand_once():
    data = Job().as_written()
    data["pieces"] = [data["pieces"][0]] * 2
    with pytest.raises(BadEdit, match="only once"):
        read_job(data)


places = st.sampled_from(
    ["title", "note", "owner/name", "options/floater/screws_apart", "hanging/eye", "pins/rail.width"]
)


@given(st.lists(st.tuples(places, st.one_of(st.none(), st.integers(300, 900))), max_size=8))
def test_any_list_of_edits_is_undone_by_its_inverse(raw):
    def value(at: str, n: int | None):
        if n is None:
            return None
        return str(n) if at in ("title", "note", "owner/name") else {"mm": float(n), "typed": str(n)}

    start = job()
    after, inverse = apply(start, [Edit(at=at, to=value(at, n)) for at, n in raw])
    assert apply(after, inverse)[0] == start


@pytest.mark.parametrize(
    ("typed", "system", "kg"), [("1,5", "mm", 1.5), ("14 lb", "mm", 6.350293), ("2", "in", 0.907185)]
)
def test_a_weight_is_read_as_a_scale_says_it(typed, system, kg):
    (edit,) = as_typed([Edit(at="pieces/piece/weight_kg", to=typed)], system)
    assert edit.to == pytest.approx(kg)
    with pytest.raises(BadEdit, match="no number"):
        as_typed([Edit(at="pieces/piece/weight_kg", to="heavy")], system)
