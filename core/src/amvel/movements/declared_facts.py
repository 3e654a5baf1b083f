"""What a step declares of each of its frames, beside what the frame itself says."""

from collections.abc import Iterable

from amvel.body import but
from amvel.movements.declaration import Family, Step
from amvel.movements.frames import Frame
from amvel.movements.lifted import legs_in_the_hands, legs_lifted, sits_unsupported


def with_declared_facts(frames: Iterable[Frame], family: Family, step: Step) -> list[Frame]:
    """The frames with what the step declares added to what they say."""
    dose, needs = step.dose, step.props
    round_the_foot = any(need.round_the_foot for need in needs)
    unstable = any(need.unstable for need in needs)
    of_the_step = {
        "position": family.position,
        "minutes": dose.minutes(1),
        "minutes_at_once": dose.repetitions * dose.seconds / 60,
        "effort": step.effort,
        "band": any(need.pulls for need in needs),
        "hard_prop": any(need.hard for need in needs),
        "daily_task": family.daily_task,
    }
    return [
        but(
            frame,
            facts=but(
                frame.facts,
                **of_the_step,
                hold_s=max(frame.facts.hold_s, dose.hold_s),
                band_on_foot=frame.facts.band_on_foot or round_the_foot,
                unstable=frame.facts.unstable or unstable,
                legs_lifted=len(legs_lifted(frame)),
                legs_in_the_hands=len(legs_in_the_hands(frame)),
                sits_unsupported=sits_unsupported(frame),
            ),
        )
        for frame in frames
    ]


__all__ = ["with_declared_facts"]
