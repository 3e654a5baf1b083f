"""What a condition touches of that by which the trunk is held: such a person begins a level lower until more is shown."""

from enum import StrEnum


class Affected(StrEnum):
    """A part of what holds the trunk."""

    TRUNK = "trunk"
    PELVIS = "pelvis"
    BELLY = "belly"
    BONE = "bone"
    NERVES = "nerves"


NOTHING: frozenset[Affected] = frozenset()


def of(*parts: Affected) -> frozenset[Affected]:
    return frozenset(parts)


__all__ = ["NOTHING", "Affected", "of"]
