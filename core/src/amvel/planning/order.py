"""In which order a session goes: by position, and inside one from breath to load.

Lying comes first and standing last, so that nothing cold is loaded upright; whoever loses pressure on standing goes the
other way round and ends lying, with one rise fewer.  Inside a position comes first what settles, then what loads it,
lighter before heavier, then a rest, last the task of daily life (common practice, no source).
"""

from collections.abc import Sequence

from amvel.movements import Family, Position
from amvel.movements.session_part import SessionPart
from amvel.planning.choices import Choice
from amvel.planning.item import way_through

_FIRST_ON_HANDS_AND_KNEES = {"leg": ("leg_slide", "leg_lift"), "arm": ("arm_reach",)}
_PARTS = {SessionPart.SETTLES: 0, SessionPart.WORKS: 1, SessionPart.RESTS: 2, SessionPart.CARRIES_OVER: 3}


def ordered(chosen: Sequence[Choice], pressure_drops: bool, schools: dict[str, str]) -> list[Choice]:
    """The same choices in the order of the session."""
    way = way_through(pressure_drops)
    return sorted(
        chosen,
        key=lambda c: (*_place(c.family, way), _lies_late(c), _school(c, schools), c.ref),
    )


def place_in_session(family: Family, pressure_drops: bool) -> tuple[int, int]:
    """Where in a session a family stands: its position on the way through, and its part inside that position."""
    return _place(family, way_through(pressure_drops))


def _place(family: Family, way: Sequence[Position]) -> tuple[int, int]:
    return way.index(family.position), _PARTS[family.part]


def _lies_late(c: Choice) -> float:
    """Breath first, then the deep set, then what loads it."""
    first = c.step.purposes.get("breath", 0) + 0.5 * c.step.purposes.get("deep_control", 0)
    return c.step.effort - 3 * first


def _school(c: Choice, schools: dict[str, str]) -> int:
    first = _FIRST_ON_HANDS_AND_KNEES.get(schools.get("hands_and_knees_first", ""), ())
    return 0 if c.step.id in first else 1


__all__ = ["ordered", "place_in_session"]
