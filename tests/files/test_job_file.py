import json
from pathlib import Path

import jsonschema
import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.displays.floating.floater.options import HOME as FLOATER
from shadbo.core.job.job import Job
from shadbo.demo.jobs import demo_jobs
from shadbo.files import job_file
from tests.making import job

GOLDEN = Path(__file__).parent / "golden"


@pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)
def test_a_job_comes_back_as_it_went(the_job: Job):
    assert job_file.read(job_file.write(the_job)) == the_job


def test_the_golden_file_of_version_1_is_still_read():
    """Written once by version 1 and never changed: if this fails, a migration is missing."""
    golden = job_file.read((GOLDEN / "job-1.json").read_text())
    assert golden.pieces[0].detail.depth.mm == 38
    assert golden.pins["rail.width"].mm == 948.5
    assert FLOATER.of(golden).gap.typed == "5/16"


def test_the_committed_schema_is_the_one_that_is_printed():
    committed = json.loads((Path(__file__).parents[2] / "docs" / "job.schema.json").read_text())
    assert committed == job_file.schema(), "run: shadbo schema > docs/job.schema.json"


VALIDATOR = jsonschema.Draft202012Validator(job_file.schema())


@pytest.mark.parametrize("the_job", [*demo_jobs(), job(), Job()], ids=lambda j: j.title or "blank")
def test_the_schema_accepts_what_is_written(the_job: Job):
    VALIDATOR.validate(the_job.as_written())


def test_the_schema_is_one():
    VALIDATOR.check_schema(job_file.schema())


BAD = {
    "no json": ("{", "line 1, column 2", "“the end of the file”|expecting", None),
    "a list": ("[]", "the file", "an object", None),
    "no format": ('{"version": 1}', "format", "shadbo-job", {"version": 1}),
    "another version": ('{"format": "shadbo-job", "version": 99}', "version", "from 1 to 1", {}),
    "version is true": ('{"format": "shadbo-job", "version": true}', "version", "from 1 to 1", {}),
    "unknown field": (
        '{"format": "shadbo-job", "version": 1, "tittle": "x"}',
        "job",
        "not a field",
        {"format": "shadbo-job", "version": 1, "tittle": "x"},
    ),
    "wrong type": (
        '{"format": "shadbo-job", "version": 1, "pieces": [{"id": "p", "detail": {"depth": {"mm": "x"}}}]}',
        "pieces/p/detail/depth/mm",
        "a number",
        {"format": "shadbo-job", "version": 1, "pieces": [{"id": "p", "detail": {"depth": {"mm": "x"}}}]},
    ),
    "not finite": ('{"format": "shadbo-job", "version": 1, "pins": {"a": {"mm": NaN}}}', "a number", "finite", None),
    "nothing thick": (
        '{"format": "shadbo-job", "version": 1, "pieces": [{"id": "p", "detail": {"depth": {"mm": 0}}}]}',
        "pieces/p/detail/depth/mm",
        "more than 0",
        {"format": "shadbo-job", "version": 1, "pieces": [{"id": "p", "detail": {"depth": {"mm": 0}}}]},
    ),
}


@pytest.mark.parametrize("name", BAD)
def test_a_bad_file_says_where_what_and_what_was_expected(name: str):
    text, where, expected, data = BAD[name]
    with pytest.raises(job_file.BadFile) as bad:
        job_file.read(text)
    assert where in bad.value.where
    assert any(word.lower() in bad.value.expected.lower() + bad.value.found.lower() for word in expected.split("|"))
    if data:
        assert not VALIDATOR.is_valid(data), "the schema refuses it too"


def test_deep_nesting_is_no_crash():
    with pytest.raises(job_file.BadFile):
        job_file.read('{"format": "shadbo-job", "version": 1, "pieces": ' + "[" * 100_000)


@pytest.mark.parametrize("text", [
    '{"format": "\\ud800", "version": 1}',
    '{"format": "shadbo-job", "version": 1, "received": "\\ud800"}',
    '{"format": "shadbo-job", "version": 1, "owner": {"\\ud800": ""}}',
    '{"format": "shadbo-job", "version": ' + "9" * 5000 + "}",
])  # fmt: skip
def test_what_no_file_can_hold_is_refused(text: str):
    with pytest.raises(job_file.BadFile):
        job_file.read(text)


def test_fields_of_ones_own_are_kept():
    text = '{"format": "shadbo-job", "version": 1, "x_shelf": "B 4", "title": "Net mender"}'
    kept = job_file.read(text)
    VALIDATOR.validate(json.loads(text))
    assert kept.title == "Net mender"
    assert json.loads(job_file.write(kept))["x_shelf"] == "B 4"


json_values = st.recursive(
    st.none() | st.booleans() | st.floats() | st.text(max_size=8),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3),
    max_leaves=8,
)


@given(st.sampled_from(["title", "pieces", "options", "pins", "hanging", "due", "practice"]), json_values)
def test_any_damage_is_refused_with_a_place(field: str, value):
    text = json.dumps({"format": "shadbo-job", "version": 1, field: value})
    problem = refusal(text)
    assert problem is None or (problem.where and problem.expected)


def refusal(text: str) -> job_file.BadFile | None:
    try:
        job_file.read(text)
    except job_file.BadFile as bad:
        return bad
    return None
