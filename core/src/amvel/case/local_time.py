"""An hour of the day as the clock on the wall shows it: without a zone, since the room has only one."""

from datetime import time
from typing import Annotated

from pydantic import AfterValidator, WithJsonSchema
from pydantic_core import PydanticCustomError


def _of_the_wall(at: time) -> time:
    if at.tzinfo is not None:
        raise PydanticCustomError("time_parsing", "a time without a zone is wanted")
    return at


# RFC 3339's "time" always has a zone; "time-local" is the format of one that has none (OpenAPI Format Registry).
LocalTime = Annotated[time, AfterValidator(_of_the_wall), WithJsonSchema({"type": "string", "format": "time-local"})]

__all__ = ["LocalTime"]
