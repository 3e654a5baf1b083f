"""The frames that a step declares for one body, kept: nearly all steps ask for the same whatever the ranges of its joints."""

from collections.abc import Mapping
from functools import lru_cache

from amvel.body import Anthropometry, Capacities
from amvel.movements.declaration import Frames, RangesWanted, Setting
from amvel.movements.frames import Frame
from amvel.movements.propped import with_head_end
from amvel.movements.schools import with_school

_Values = tuple[tuple[str, float | str], ...]
_KEPT = 2048  # a library of one body is some 400 of them


def declared_frames(
    frames: Frames, body: Anthropometry, ranges: Capacities, values: Mapping[str, float | str]
) -> tuple[Frame, ...]:
    """What `frames` of a step give for this body, these ranges and values, as its school and a raised head end change it."""
    measures = tuple(values.items())
    found = None if frames in _WANT_RANGES else _for_any_ranges(frames, body, measures)
    return _for_ranges(frames, body, ranges, measures) if found is None else found


# What has asked once how far a body goes is given its ranges from then on: the frames are the same, sooner.
_WANT_RANGES: set[Frames] = set()


@lru_cache(maxsize=_KEPT)
def _for_any_ranges(frames: Frames, body: Anthropometry, values: _Values) -> tuple[Frame, ...] | None:
    """None where the step asks how far this body goes."""
    try:
        return _declared(frames, body, None, values)
    except RangesWanted:
        _WANT_RANGES.add(frames)
        return None


@lru_cache(maxsize=_KEPT)
def _for_ranges(frames: Frames, body: Anthropometry, ranges: Capacities, values: _Values) -> tuple[Frame, ...]:
    return _declared(frames, body, ranges, values)


def _declared(frames: Frames, body: Anthropometry, ranges: Capacities | None, values: _Values) -> tuple[Frame, ...]:
    told = dict(values)
    return tuple(with_head_end(with_school(frames(Setting(body, ranges, told)), told), told))


__all__ = ["declared_frames"]
