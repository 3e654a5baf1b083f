"""What a picture says where nothing is seen to move."""

from enum import Enum


class Sign(Enum):
    """One thing that is done without going anywhere."""

    BREATH = "breath goes to all sides"
    NARROW = "the wall of the belly draws in"
    PRESS = "something is pressed"
    TALK = "held while talking"
    HOLD = "held for so many seconds"


__all__ = ["Sign"]
