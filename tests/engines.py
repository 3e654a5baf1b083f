"""One engine for a case in a test process: whoever asks about the same person again finds him judged and planned."""

import json
from functools import lru_cache
from typing import Any

from amvel.case import read_case
from amvel.engine import Engine
from amvel.planning import Programme, plan


def engine_of(data: dict[str, Any]) -> Engine:
    """The engine of a case as plain data; engines know only their case, so that they can be shared."""
    return _engine(json.dumps(data, sort_keys=True, default=str))


@lru_cache(maxsize=48)
def _engine(text: str) -> Engine:
    return Engine(read_case(json.loads(text)))


@lru_cache(maxsize=128)
def planned(engine: Engine, context: str = "home", minutes: int | None = None) -> Programme:
    """The programme that is planned for this engine's client."""
    return plan(engine, context) if minutes is None else plan(engine, context, minutes)


__all__ = ["engine_of", "planned"]
