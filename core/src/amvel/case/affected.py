"""What a condition touches: of that by which the trunk is held, so that one begins a level lower, or of the legs that carry."""

from enum import StrEnum


class Affected(StrEnum):
    """A part of what holds the trunk, or the legs."""

    TRUNK = "trunk"
    PELVIS = "pelvis"
    BELLY = "belly"
    BONE = "bone"
    NERVES = "nerves"
    LEGS = "legs"


# What holds the trunk, and what carries in standing and rising.
HOLDS_THE_TRUNK = frozenset((Affected.TRUNK, Affected.PELVIS, Affected.BELLY, Affected.BONE, Affected.NERVES))
CARRIES = frozenset((Affected.NERVES, Affected.LEGS))
NOTHING: frozenset[Affected] = frozenset()


def of(*parts: Affected) -> frozenset[Affected]:
    return frozenset(parts)


__all__ = ["CARRIES", "HOLDS_THE_TRUNK", "NOTHING", "Affected", "of"]
