"""The frames that a step declares for one body, kept: nearly all steps ask for the same whatever the ranges of its joints."""

from collections.abc import Mapping
from functools import lru_cache

from amvel.body import Anthropometry, Capacities
from amvel.movements.declaration import Family, Frames, RangesWanted, Setting, Step
from amvel.movements.declared_facts import with_declared_facts
from amvel.movements.frames import Frame, mirrored
from amvel.movements.propped import with_head_end
from amvel.movements.schools import with_school

_Values = tuple[tuple[str, float | str], ...]
_KEPT = 2048  # a library of one body is some 400 of them
# What has asked once how far a body goes is given its ranges from then on: the frames are the same, sooner.
_WANT_RANGES: set[Frames] = set()


def declared_frames(
    family: Family, step: Step, side: str, body: Anthropometry, ranges: Capacities, values: Mapping[str, float | str]
) -> tuple[Frame, ...]:
    """What a step asks of this body on one side with these values, as its school and a raised head end change it, with what
    the step declares of each frame.  The right side is the left one mirrored: `ranges` are those that the left one asks for."""
    measures, right = tuple(values.items()), side == "right"
    found = None if step.frames in _WANT_RANGES else _for_any_ranges(family, step, right, body, measures)
    return _for_ranges(family, step, right, body, ranges, measures) if found is None else found


@lru_cache(maxsize=_KEPT)
def _for_any_ranges(family: Family, step: Step, right: bool, body: Anthropometry, values: _Values) -> tuple[Frame, ...] | None:
    """None where the step asks how far this body goes."""
    try:
        return _declared(family, step, right, body, None, values)
    except RangesWanted:
        _WANT_RANGES.add(step.frames)
        return None


@lru_cache(maxsize=_KEPT)
def _for_ranges(
    family: Family, step: Step, right: bool, body: Anthropometry, ranges: Capacities, values: _Values
) -> tuple[Frame, ...]:
    return _declared(family, step, right, body, ranges, values)


def _declared(
    family: Family, step: Step, right: bool, body: Anthropometry, ranges: Capacities | None, values: _Values
) -> tuple[Frame, ...]:
    frames = _on_the_left(step, body, ranges, values)
    return tuple(with_declared_facts(map(mirrored, frames) if right else frames, family, step))


@lru_cache(maxsize=_KEPT)
def _on_the_left(step: Step, body: Anthropometry, ranges: Capacities | None, values: _Values) -> tuple[Frame, ...]:
    """The left version, or the only one: of the right one it is the mirror image."""
    told = dict(values)
    return tuple(with_head_end(with_school(step.frames(Setting(body, ranges, told)), told), told))


__all__ = ["declared_frames"]
