"""What each limit closes, and what one more grade of a temporary one would open."""

from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from amvel.case import amended
from amvel.engine import Engine
from amvel.safety import CONTEXTS, Limit
from amvel.safety.table import Flags


class EffectData(TypedDict):
    """What one limit does to the library."""

    closes: list[str]
    alone: list[str]
    next_grade_opens: list[str]


class MovedLimit(TypedDict):
    """A limit that came, went or moved between two states of one client."""

    id: str
    change: Literal["new", "gone", "moved"]
    says: str
    was: str


def effects(engine: Engine) -> dict[str, EffectData]:
    """Per limit id: steps it closes, steps that only it closes, and steps that the next grade opens."""
    broken = {
        (x.id, c): engine.table.breaks(x, c)
        for x in engine.envelope.limits
        if x.strength != "caution"
        for c in CONTEXTS
    }
    nothing = np.zeros(len(engine.table.labels), dtype=bool)
    count = {c: np.sum([nothing, *(b for (_, k), b in broken.items() if k == c)], axis=0) for c in CONTEXTS}
    out: dict[str, EffectData] = {}
    for x in engine.envelope.limits:
        if x.strength == "caution":
            continue
        closes: Flags = np.logical_or.reduce([broken[x.id, c] for c in CONTEXTS])
        alone: Flags = np.logical_or.reduce([broken[x.id, c] & (count[c] == 1) for c in CONTEXTS])
        out[x.id] = {
            "closes": _labels(engine, closes),
            "alone": _labels(engine, alone),
            "next_grade_opens": next_grade_opens(engine, x) if x.grades else [],
        }
    return out


def _labels(engine: Engine, flags: Flags) -> list[str]:
    return sorted({label for label, flag in zip(engine.table.labels, flags, strict=True) if flag})


def next_grade_opens(engine: Engine, limit: Limit) -> list[str]:
    """Steps that would be admissible as they are if a review of this limit passed today."""
    rule = limit.rule
    review = {
        "rule": rule,
        "on": engine.case.as_of.isoformat(),
        "done_strongly": True,
        "confidence_0_to_10": 10,
        "next_day_flare": False,
    }
    trial = Engine(amended(engine.case, {"reviews": [*engine.case.reviews, review]}))
    opened = np.zeros(len(engine.table.labels), dtype=bool)
    for c in CONTEXTS:
        opened |= engine.table.allowed(trial.envelope, c) & ~engine.table.allowed(engine.envelope, c)
    return _labels(engine, opened)


def compare_limits(before: Engine, now: Engine) -> list[MovedLimit]:
    """Limits that came, went or moved between two states of one client."""
    old, new = before.envelope.by_id, now.envelope.by_id
    out: list[MovedLimit] = [{"id": i, "change": "new", "says": x.says(), "was": ""} for i, x in new.items() if i not in old]
    out += [{"id": i, "change": "gone", "says": "", "was": x.says()} for i, x in old.items() if i not in new]
    out += [
        {"id": i, "change": "moved", "says": x.says(), "was": old[i].says()}
        for i, x in new.items()
        if i in old and (old[i].bound, old[i].strength) != (x.bound, x.strength)
    ]
    return out


def moved_steps(before: Engine, now: Engine) -> tuple[list[str], list[str]]:
    """Steps that open and steps that close, as they are, between two states of one body, ways to the floor and to bed included."""
    opened, closed = set(), set()
    for c in CONTEXTS:
        was, is_now = (before.table.allowed(e.envelope_in(c), c) for e in (before, now))
        opened |= set(_labels(before, is_now & ~was))
        closed |= set(_labels(before, was & ~is_now))
    return sorted(opened), sorted(closed)


__all__ = ["EffectData", "MovedLimit", "compare_limits", "effects", "moved_steps", "next_grade_opens"]
