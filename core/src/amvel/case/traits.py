"""What planning has to know of a condition, said by the condition itself instead of listed by name elsewhere."""

from enum import Enum


class Trait(Enum):
    """One thing that holds for a person with the condition."""

    PARESIS = "one side is weaker because it is driven less: each side goes its own way"
    CAREFUL_BACK = "the low back takes less of a session"
    NEEDS_RESTS = "rests are planned"


__all__ = ["Trait"]
