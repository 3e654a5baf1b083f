"""What a step declares of each of its frames, beside what the frame itself says."""

from dataclasses import replace

from amvel.body import FrameFacts
from amvel.movements.declaration import Family, Step
from amvel.movements.frames import Frame
from amvel.movements.lifted import legs_in_the_hands, legs_lifted, sits_unsupported


def declared_facts(frame: Frame, family: Family, step: Step) -> FrameFacts:
    """What the step declares, added to what its frames say."""
    band = any(need.pulls for need in step.props)
    round_the_foot = any(need.round_the_foot for need in step.props)
    return replace(
        frame.facts,
        hold_s=max(frame.facts.hold_s, step.dose.hold_s),
        position=family.position,
        minutes=step.dose.minutes(1),
        minutes_at_once=step.dose.repetitions * step.dose.seconds / 60,
        effort=step.effort,
        band=band,
        band_on_foot=frame.facts.band_on_foot or round_the_foot,
        hard_prop=any(need.hard for need in step.props),
        unstable=frame.facts.unstable or any(need.unstable for need in step.props),
        legs_lifted=len(legs_lifted(frame)),
        legs_in_the_hands=len(legs_in_the_hands(frame)),
        sits_unsupported=sits_unsupported(frame),
        daily_task=family.daily_task,
    )
