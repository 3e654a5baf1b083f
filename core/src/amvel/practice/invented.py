"""Cases that nobody lives in, of graded difficulty, from the rule-book's own examples; the same seed gives the same case."""

import random
from datetime import date
from typing import Any

from amvel.case import CONDITIONS, CaseError, read_case
from amvel.engine import Engine
from amvel.planning.reach import healthy_case

LEVELS = (1, 2, 3)
_TRIES = 60
_LEFT_OUT = {1: 2, 2: 4, 3: 6}  # tests that nobody has done yet


def invented(seed: int, level: int, on: date, about: str = "") -> Engine:
    """A client with as many conditions as the level says, `about` among them, whose stop signs were asked and are quiet.

    Raises ValueError for a level or a condition that does not exist.
    """
    if level not in LEVELS:
        raise ValueError(f"level: one of {', '.join(map(str, LEVELS))}")
    if about and about not in CONDITIONS:
        raise ValueError(f"about: there is no condition '{about}'")
    rng = random.Random(f"{seed} {level} {about}")
    for _ in range(_TRIES):
        engine = _drawn(rng, level, on, about)
        if engine is not None:
            return engine
    raise ValueError(f"about: '{about}' always ends with a stop sign, so that nothing is judged")


def _drawn(rng: random.Random, level: int, on: date, about: str) -> Engine | None:
    kinds = [about] if about else []
    kinds += rng.sample([k for k in sorted(CONDITIONS) if k not in kinds and CONDITIONS[k].EXAMPLES], level - len(kinds))
    conditions = [{"kind": k, "noted_on": on.isoformat(), **rng.choice(CONDITIONS[k].EXAMPLES)} for k in kinds]
    data = healthy_case(on, date(on.year - rng.randint(20, 85), rng.randint(1, 12), 3), conditions)
    data["person"] |= rng.choice(_BODIES)
    data["tests"] = _some(rng, data["tests"], _LEFT_OUT[level])
    data["tolerates"] |= {"floor": rng.choice(("yes", "yes", "no")), "kneeling": "yes", "hands_and_knees": "yes"}
    try:
        engine = Engine(read_case(data))
    except CaseError:
        return None
    return None if engine.stop_signs else engine


# Two bodies, so that poses are solved once and only judged again.
_BODIES = ({"stature_cm": 165, "mass_kg": 63, "sex": "female"}, {"stature_cm": 178, "mass_kg": 84, "sex": "male"})


def _some(rng: random.Random, tests: list[dict[str, Any]], fewer: int) -> list[dict[str, Any]]:
    """All but a few kinds of tests."""
    kinds = sorted({t["test"] for t in tests})
    left_out = set(rng.sample(kinds, min(fewer, len(kinds))))
    return [t for t in tests if t["test"] not in left_out]


__all__ = ["LEVELS", "invented"]
