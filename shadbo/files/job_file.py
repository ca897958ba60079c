"""The job file: JSON, described by a JSON Schema, read with errors that say where and what."""

import json
from typing import Any

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.job.edits import read_job
from shadbo.core.job.job import FORMAT, VERSION, Job
from shadbo.core.job_versions import upgrade
from shadbo.core.words.signs import is_whole


class BadFile(ValueError):
    """A file that is no job: where it is wrong, what was found, what was expected."""

    def __init__(self, where: str, found: str, expected: str) -> None:
        super().__init__(f"{where}: found {found}; expected {expected}")
        self.where, self.found, self.expected = where, found, expected


def read(text: str) -> Job:
    """A job from the text of a file. Raises BadFile."""
    try:
        data = json.loads(text, parse_constant=_no_constant)
    except json.JSONDecodeError as bad:
        near = text[bad.pos : bad.pos + 20].split("\n")[0] or "the end of the file"
        raise BadFile(f"line {bad.lineno}, column {bad.colno}", f"“{near}”", bad.msg) from None
    except RecursionError:
        raise BadFile("the file", "brackets nested thousands deep", "a job") from None
    except ValueError:
        raise BadFile("a number", "thousands of digits", "a finite number") from None
    if not is_whole(json.dumps(data, ensure_ascii=False)):
        raise BadFile("the file", "half of a pair of signs (a lone surrogate)", "whole signs")
    if not isinstance(data, dict):
        raise BadFile("the file", f"a {type(data).__name__}", "an object with format, version and pieces")
    if data.get("format") != FORMAT:
        raise BadFile("format", _shown(data.get("format")), f"“{FORMAT}”")
    version = data.get("version")
    if not isinstance(version, int) or isinstance(version, bool) or not 1 <= version <= VERSION:
        raise BadFile("version", _shown(version), f"a whole number from 1 to {VERSION}")
    try:
        return read_job(upgrade(data))
    except BadEdit as bad:
        raise BadFile(bad.at, _shown(bad.found), bad.message.removeprefix("expected ")) from None


def _no_constant(name: str) -> None:
    raise BadFile("a number", name, "a finite number")


def _shown(found: object) -> str:
    return "nothing" if found is None else json.dumps(found, ensure_ascii=False)[:80]


def write(job: Job) -> str:
    """The text of a job file: what the framer decided, no defaults."""
    return json.dumps(job.as_written(), ensure_ascii=False, indent=2) + "\n"


def schema() -> dict[str, Any]:
    """The JSON Schema (draft 2020-12) of the job file; fields that start with ``x_`` are free."""
    out = Job.model_json_schema(mode="validation")
    out["$schema"] = "https://json-schema.org/draft/2020-12/schema"
    _close(out)
    out["required"] = ["format", "version"]
    return out


def _close(node: Any) -> None:  # noqa: ANN401
    if isinstance(node, dict):
        if "properties" in node and node.get("type") == "object":
            node["additionalProperties"] = False
            node["patternProperties"] = {"^x_": {}}
        for child in node.values():
            _close(child)
    elif isinstance(node, list):
        for child in node:
            _close(child)
