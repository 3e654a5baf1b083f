"""What a step declares of each of its frames, beside what the frame itself says."""

from collections.abc import Iterable
from functools import lru_cache
from typing import Any

from amvel.body import FrameFacts, but
from amvel.body.frame_facts import said_of
from amvel.movements.declaration import Family, Step
from amvel.movements.frames import Frame, Touch
from amvel.movements.lifted import legs_in_the_hands, legs_lifted, sits_unsupported


def with_declared_facts(frames: Iterable[Frame], family: Family, step: Step) -> list[Frame]:
    """The frames with what the step declares added to what they say."""
    return [but(frame, facts=_facts(family, step, said_of(frame.facts), frame.touches)) for frame in frames]


@lru_cache(maxsize=8192)
def _facts(family: Family, step: Step, said: tuple[Any, ...], touches: tuple[Touch, ...]) -> FrameFacts:
    """Of a frame that says this and touches that: the versions of a step that differ in a measure mostly agree in both."""
    own, dose, needs = FrameFacts(*said), step.dose, step.props
    return but(
        own,
        position=family.position,
        minutes=dose.minutes(1),
        minutes_at_once=dose.repetitions * dose.seconds / 60,
        effort=step.effort,
        band=any(need.pulls for need in needs),
        hard_prop=any(need.hard for need in needs),
        daily_task=family.daily_task,
        hold_s=max(own.hold_s, dose.hold_s),
        band_on_foot=own.band_on_foot or any(need.round_the_foot for need in needs),
        unstable=own.unstable or any(need.unstable for need in needs),
        legs_lifted=len(legs_lifted(touches, own.seated)),
        legs_in_the_hands=len(legs_in_the_hands(touches)),
        sits_unsupported=sits_unsupported(touches, own.seated),
    )


__all__ = ["with_declared_facts"]
