"""What is refused of a case: where it is, and why, written in one way wherever something is refused."""

from collections.abc import Collection, Iterable, Mapping
from typing import Any

from pydantic_core import PydanticCustomError

from amvel.case.fault_path import fault_path
from amvel.case.reasons import SAID_HERE, reason
from amvel.languages import Message


def fault(why: Message, *places: str | int) -> PydanticCustomError:
    """To be raised by a validator that looks at several fields: `places` lead from its part to the field that is wrong.

    An error of this kind keeps the message as one, also where a framework passes it on: a ValueError becomes plain text there.
    """
    return PydanticCustomError(SAID_HERE, "{text}", {"text": str(why), "why": why, "places": places})


def faults_of(errors: Iterable[Mapping[str, Any]], root: str = "$", without: Collection[object] = ()) -> list[tuple[str, Message | str]]:
    """Paths and reasons of pydantic's `errors()`; `without`: words in its paths that name no field."""
    return [
        (fault_path((*(p for p in e["loc"] if p not in without), *e.get("ctx", {}).get("places", ())), root), reason(e)) for e in errors
    ]


__all__ = ["fault", "faults_of"]
