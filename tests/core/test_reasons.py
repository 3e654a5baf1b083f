"""Why a field is refused is said in our words, with the bound that was passed, and is a message of its own in every language."""

from datetime import date
from typing import Any, Literal

import pytest
from pydantic import BaseModel, ConfigDict, Field, ValidationError, field_validator

from amvel.case.reasons import reason
from amvel.languages import Message, in_language


class Entry(BaseModel):
    model_config = ConfigDict(extra="forbid")
    count: int = Field(default=1, ge=0, le=30)
    share: float = Field(default=0.5, gt=0, lt=1)
    day: date = date(2026, 11, 27)
    name: str = Field(default="abc", min_length=2, max_length=5)
    side: Literal["left", "right"] = "left"
    sure: bool = True
    several: list[int] = Field(default=[1], min_length=1, max_length=2)

    @field_validator("name")
    @classmethod
    def _no_digit(cls, value: str) -> str:
        if any(c.isdigit() for c in value):
            raise ValueError("a name has no digits")
        return value


def why(**entry: Any) -> str:
    with pytest.raises(ValidationError) as refused:
        Entry.model_validate(entry)
    [error] = refused.value.errors()
    return reason(error)


@pytest.mark.parametrize(
    ("entry", "says", "german"),
    [
        ({"count": 31}, "at most 30", "höchstens 30"),
        ({"count": -1}, "at least 0", "mindestens 0"),
        ({"count": "many"}, "a whole number is wanted", "hier steht eine ganze Zahl"),
        ({"count": 1.5}, "a whole number is wanted", "hier steht eine ganze Zahl"),
        ({"share": 1}, "less than 1", "weniger als 1"),
        ({"share": 0}, "more than 0", "mehr als 0"),
        ({"share": "half"}, "a number is wanted", "hier steht eine Zahl"),
        ({"day": "soon"}, "a day is wanted, as in 2026-11-27", "hier steht ein Tag, wie 2026-11-27"),
        ({"name": "a"}, "at least 2 letters", "mindestens 2 Zeichen"),
        ({"name": "abcdef"}, "at most 5 letters", "höchstens 5 Zeichen"),
        ({"name": 3}, "a text is wanted", "hier steht ein Text"),
        ({"side": "both"}, "one of 'left', 'right'", "eines von 'left', 'right'"),
        ({"sure": "perhaps"}, "yes or no is wanted", "hier steht ja oder nein"),
        ({"several": []}, "at least 1 entries", "mindestens 1 Einträge"),
        ({"several": [1, 2, 3]}, "at most 2 entries", "höchstens 2 Einträge"),
        ({"several": "x"}, "a list is wanted", "hier steht eine Liste"),
        ({"colour": 1}, "there is no such field", "ein solches Feld gibt es nicht"),
    ],
)
def test_each_kind_of_fault_has_its_words(entry: dict, says: str, german: str) -> None:
    found = why(**entry)
    assert isinstance(found, Message)
    assert (found, in_language(found, "de")) == (says, german)


def test_what_a_model_raises_itself_is_said_as_it_is() -> None:
    assert why(name="ab1") == "a name has no digits"


def test_an_error_that_has_become_plain_text_is_said_as_it_is() -> None:
    assert reason({"type": "value_error", "msg": "Value error, x", "ctx": {"error": "remark: say why"}}) == "remark: say why"
