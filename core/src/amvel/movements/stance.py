"""How hard a stance or a rise is, whatever step it belongs to: read from what the feet and hands carry and where they stand.

Stance: 0 on both feet, 1 a half step (semi-tandem), 2 heel to toe, 3 on one leg; fingertips that carry take 1 off, a firm
hold 2.  Rise from a seat: 1 with both hands, 2 with one, 3 without, 4 with one foot ahead, 5 on one leg; 0 where nobody
rises; a foot ahead counts for nothing while both hands push, unless one leg takes nearly all.  The orders are those
of the four-stage balance test and of the chair-stand tests; the numbers are ours.
"""

from collections.abc import Mapping, Sequence

import numpy as np

from amvel.body import Skeleton
from amvel.body.lines import HEELS_ACROSS, HEELS_ALONG, foot_cm
from amvel.body.tree import Array
from amvel.languages import said

BOTH_FEET, HALF_STEP, TANDEM, ONE_LEG = range(4)
WITH_BOTH_HANDS, WITH_ONE_HAND, WITHOUT_HANDS, FOOT_AHEAD, RISE_ON_ONE_LEG = range(1, 6)
# In words, since nobody on a screen reads a number of ours.
STANCE_SAYS = {
    -2: said("both feet with a firm hold"),
    -1: said("both feet with fingertips, a half step with a firm hold"),
    0: said("both feet free, heel to toe with a firm hold"),
    1: said("a half step free, one leg with a firm hold"),
    2: said("heel to toe free, one leg with fingertips"),
    3: said("one leg, hands free"),
}
RISE_SAYS = {
    0: said("no rise from a seat"),
    1: said("both hands"),
    2: said("one hand"),
    3: said("both feet, no hands"),
    4: said("one foot ahead"),
    5: said("one leg"),
}
CHAIR_CM = 43.0  # the chair of the chair-stand tests (Rikli & Jones; from memory)
_HELP = np.array([0.0, 0.0, 1.0, 2.0])  # by hand support: none, hovering, fingertips, firm
FIRM_HOLD_EASES = float(_HELP[-1])  # by so many levels
_SIDES = ("left", "right")
_STANDS_PERCENT_BW = 85.0  # on the feet: the seat is left behind
_UNEVEN_PERCENT_BW = 40.0
_IN_LINE_CM, _CLOSE_CM = 5.0, 9.0  # heels beside each other: of tandem, of a half step
_A_FOOT_AHEAD, _HALF_A_FOOT_AHEAD = 0.85, 0.35  # of the foot's length
_AHEAD_CM = 5.0


def stance_level(skeleton: Skeleton, lines: Array, columns: Mapping[str, Array]) -> Array:
    """One value per frame; as easy as can be where nobody stands."""
    across, ahead, foot = lines[:, HEELS_ACROSS], lines[:, HEELS_ALONG], foot_cm(skeleton)
    base = np.where((across < _CLOSE_CM) & (ahead > _HALF_A_FOOT_AHEAD * foot), float(HALF_STEP), float(BOTH_FEET))
    base = np.where((across < _IN_LINE_CM) & (ahead > _A_FOOT_AHEAD * foot), float(TANDEM), base)
    base = np.where(columns["one_leg_stance"] > 0, float(ONE_LEG), base)
    level = base - _HELP[columns["hand_support_level"].astype(int)]
    return np.where(columns["standing"] > 0, level, -_HELP[-1])


def rise_level(lines: Array, columns: Mapping[str, Array]) -> float:
    """Of the whole movement: 0 unless it leads from a seat onto the feet."""
    feet = {s: columns[f"{s}.leg_support_percent_bw"] for s in _SIDES}
    up = feet["left"] + feet["right"] >= _STANDS_PERCENT_BW
    if not (columns["sitting"] > 0).any() or not up.any():
        return 0.0
    rising = columns["standing"] < 1  # standing at the end, one may lift a foot without rising on one leg
    if (columns["legs_lifted"][rising] > 0).any():
        return float(RISE_ON_ONE_LEG)
    ahead = lines[:, HEELS_ALONG]
    uneven = np.abs(feet["left"] - feet["right"])[up].max() > _UNEVEN_PERCENT_BW
    hands = sum(bool((columns[f"{s}.arm_carries_percent_bw"] > 0).any()) for s in _SIDES)  # not those that lie on the thighs
    if uneven or ahead[rising].max() > _AHEAD_CM:
        return float(WITH_BOTH_HANDS if hands == 2 and not uneven else FOOT_AHEAD)
    return float((WITHOUT_HANDS, WITH_ONE_HAND, WITH_BOTH_HANDS)[int(hands)])


def low_seat_cm(rise: float, seats_cm: Sequence[float]) -> float:
    """How much lower than the chair of the tests the lowest of these seats is; 0 when nobody rises or nothing is sat on."""
    return max(0.0, CHAIR_CM - min(seats_cm)) if rise > 0 and seats_cm else 0.0


__all__ = ["BOTH_FEET", "FIRM_HOLD_EASES", "FOOT_AHEAD", "HALF_STEP", "ONE_LEG", "RISE_ON_ONE_LEG", "RISE_SAYS", "STANCE_SAYS", "TANDEM", "WITHOUT_HANDS", "WITH_BOTH_HANDS", "WITH_ONE_HAND", "rise_level", "stance_level"]
