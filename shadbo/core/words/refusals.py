"""What is wrong with a value, in our own words: the checking library's reasons, told as a colleague would."""

from collections.abc import Mapping
from typing import Any

KINDS = {
    "int": "a whole number",
    "float": "a number",
    "bool": "yes or no",
    "date": "a day",
    "datetime": "a time",
    "string": "words",
    "tuple": "a list",
    "list": "a list",
    "dict": "fields with their values",
    "model": "fields with their values",
    "model_attributes": "fields with their values",
}


def refusal(error: Mapping[str, Any]) -> str:
    """One sentence for one error of the library.

    >>> refusal({"type": "greater_than", "ctx": {"gt": 0}, "msg": "Input should be greater than 0"})
    'expected more than 0'
    >>> refusal({"type": "value_error", "msg": "Value error, the lip is too wide"})
    'the lip is too wide'
    """
    kind, limits, said = str(error["type"]), error.get("ctx") or {}, str(error["msg"])
    limit = next((limits[k] for k in ("gt", "ge", "lt", "le", "max_length", "min_length") if k in limits), None)
    told = f"{limit:g}" if isinstance(limit, int | float) else str(limit)
    match kind:
        case "value_error" | "assertion_error":
            return said.removeprefix("Value error, ").removeprefix("Assertion failed, ")
        case "greater_than":
            return f"expected more than {told}"
        case "greater_than_equal":
            return f"expected {told} or more"
        case "less_than":
            return f"expected less than {told}"
        case "less_than_equal":
            return f"expected {told} or less"
        case "finite_number":
            return "expected a number that has an end"
        case "missing":
            return "is needed"
        case "extra_forbidden":
            return "is not a field here"
        case "string_too_long":
            return f"at most {told} letters are kept"
        case "string_too_short":
            return f"expected {told} letters or more" if limit != 1 else "cannot be left empty"
        case "too_long":
            return f"at most {told} are kept"
        case "too_short":
            return f"expected {told} or more"
        case "literal_error" | "enum":
            return f"expected one of {limits.get('expected', '')}".replace("'", "")
        case "union_tag_invalid":
            return f"expected one of {limits.get('expected_tags', '')}".replace("'", "")
        case "union_tag_not_found":
            return "expected its kind to be told"
        case "string_pattern_mismatch":
            return "expected other letters: small ones, figures, - and _, as names of things have"
        case "json_invalid":
            return "expected JSON"
    wanted = kind.removesuffix("_type").removesuffix("_parsing").removesuffix("_from_float").split("_from_")[0]
    return f"expected {KINDS.get(wanted, 'something else')}"
