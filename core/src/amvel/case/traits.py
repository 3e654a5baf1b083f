"""What other rooms have to know of a condition, said by the condition itself instead of listed by name elsewhere.

A trait's value goes on after the condition's title: "Pelvic-floor trouble: flattening the low back drives pressure down".
"""

from enum import Enum


class Trait(Enum):
    """One thing that holds for a person with the condition."""

    PARESIS = "one side is weaker because it is driven less: each side goes its own way"
    CAREFUL_BACK = "the low back takes less of a session"
    NEEDS_RESTS = "rests are planned"
    PRESSES_DOWN = "flattening the low back drives pressure down"
    BREATH_LEADS = "the breath leads"
    BENDING_PROVOKES = "bending provokes it"
    LONG_LEG_PROVOKES = "lengthening the leg provokes it"
    NO_EXHAUSTION = "nothing is held to exhaustion"
    BELLY_MAY_DOME = "the wall of the belly may dome"
    DOES_NOT_STAND = "standing is not tested"
    HIP_BY_PROTOCOL = "keep to the surgeon’s protocol"
    NECK_KEPT_FROM_ITS_END = "the neck is not taken to its end"
    SUGAR_MAY_FALL = "sugar is measured first"
    SPINE_DENSITY_MISLEADS = "a good value of the spine clears nobody"
    LEGS_LOSE_BONE = "legs that do not carry weight lose bone"
    BRITTLE_BONE = "brittle bone from birth"


def having(*traits: Trait) -> frozenset[Trait]:
    return frozenset(traits)


__all__ = ["Trait", "having"]
