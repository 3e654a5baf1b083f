"""Why a field is refused, in our words: pydantic names the kind of fault and its bounds, and says it in English only."""

from collections.abc import Mapping
from typing import Any

from amvel.languages import Message, said

SAID_HERE = "said_here"  # the kind of fault whose message stands in its context
TEST = "test"  # the field that says which test a result is of
_A_NUMBER = said("a number is wanted")
_WHOLE = said("a whole number is wanted")
_A_DAY = said("a day is wanted, as in 2026-11-27")
_A_TIME = said("a time is wanted, as in 14:30")
_A_TEXT = said("a text is wanted")
_YES_OR_NO = said("yes or no is wanted")
_PLAIN: Mapping[str, Message] = {
    "missing": said("is missing"),
    "extra_forbidden": said("there is no such field"),
    "float_type": _A_NUMBER,
    "float_parsing": _A_NUMBER,
    "finite_number": _A_NUMBER,
    "int_type": _WHOLE,
    "int_parsing": _WHOLE,
    "int_parsing_size": _WHOLE,
    "int_from_float": _WHOLE,
    "date_type": _A_DAY,
    "date_parsing": _A_DAY,
    "date_from_datetime_parsing": _A_DAY,
    "date_from_datetime_inexact": _A_DAY,
    "time_type": _A_TIME,
    "time_parsing": _A_TIME,
    "string_type": _A_TEXT,
    "string_pattern_mismatch": said("is not written as it has to be"),
    "bool_type": _YES_OR_NO,
    "bool_parsing": _YES_OR_NO,
    "model_type": said("a group of fields is wanted"),
    "model_attributes_type": said("a group of fields is wanted"),
    "dict_type": said("a group of fields is wanted"),
    "list_type": said("a list is wanted"),
    "tuple_type": said("a list is wanted"),
}


def reason(error: Mapping[str, Any]) -> Message | str:
    """One fault of pydantic's `errors()` in our words; what is not among ours keeps pydantic's."""
    kind, about = error["type"], error.get("ctx", {})
    if kind == SAID_HERE:
        return about["why"]
    if kind in _PLAIN:
        return _PLAIN[kind]
    bounded = _bounded(kind, about)
    if bounded is not None:
        return bounded
    if kind == "union_tag_invalid":
        a_test = about["discriminator"] == repr(TEST)  # as pydantic writes the name of the field
        return said("there is no test '{name}'", name=about["tag"]) if a_test else said("there is no condition '{name}'", name=about["tag"])
    return str(about["error"] if kind == "value_error" else error["msg"])


def _bounded(kind: str, about: Mapping[str, Any]) -> Message | None:
    """What passes a bound, or is none of a few."""
    match kind:
        case "less_than_equal":
            return said("at most {bound}", bound=about["le"])
        case "greater_than_equal":
            return said("at least {bound}", bound=about["ge"])
        case "less_than":
            return said("less than {bound}", bound=about["lt"])
        case "greater_than":
            return said("more than {bound}", bound=about["gt"])
        case "string_too_long":
            return said("at most {count} letters", count=about["max_length"])
        case "string_too_short":
            return said("at least {count} letters", count=about["min_length"])
        case "too_long":
            return said("at most {count} entries", count=about["max_length"])
        case "too_short":
            return said("at least {count} entries", count=about["min_length"])
        case "literal_error" | "enum":
            return said("one of {choices}", choices=str(about["expected"]).replace(" or ", ", "))
        case _:
            return None
