"""What a step takes from the room it is done in: measures of what stands there, and what is fitted to the person."""

from enum import Enum, StrEnum


class Measured(Enum):
    """What a parameter is the measure of, where it is something that stands in the room."""

    SEAT = "the seat that is sat on"
    SEAT_AS_SUPPORT = "a seat that carries hands, forearms or the pelvis"
    CALF_SUPPORT = "what carries the calves"
    WORKTOP = "a worktop or rail"
    HAND_REST = "what a hand presses on"
    WALL = "how far the toes are from the wall"


class FitId(StrEnum):
    """What is fitted to a person before a step; the value is its id in every answer."""

    SEAT = "seat"
    SEAT_RAISE = "seat_raise"
    FOOT_REST = "foot_rest"
    HIP_SEAT = "hip_seat"
    RISING_SEAT = "rising_seat"
    CALF_SUPPORT = "calf_support"
    HEAD_SIDE = "head_side"
    HEAD_BACK = "head_back"
    CHEST = "chest"
    WAIST_ROLL = "waist_roll"
    HANDS_LEVEL = "hands_level"
    WALL = "wall"
    GRIP = "grip"
    SPACER = "spacer"
    BELT = "belt"
    BAND_ANCHOR = "band_anchor"
    OVER_CHAIR = "over_chair"
    FREE_FLOOR = "free_floor"
