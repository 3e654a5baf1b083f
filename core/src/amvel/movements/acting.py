"""Whose muscles a movement needs: limbs that move, are held up, carry or press, and a trunk that bends or turns; and
feet that rub on what they lie on.

None of this depends on how far: whoever has no muscle for it cannot do a little of it either.
"""

from collections.abc import Mapping, Sequence
from functools import lru_cache

import numpy as np

from amvel.movements.columns import Columns
from amvel.movements.coordination import ENDS, FOOT, Part, led_limbs
from amvel.movements.frames import Frame, Prop, Touch
from amvel.movements.lifted import legs_lifted
from amvel.movements.travel import PARTS, Travel

Limb = tuple[str, str]  # 'arm' or 'leg', left or right
_SIDES = ("left", "right")
_LEAST_RAD = np.radians(0.5)  # the resolution of an angle
_TRUNK_LEAST_RAD = np.radians(1.5)  # beyond what the trunk gives by itself while a limb moves
_ROLLS_RAD = np.radians(3.0)  # a planted foot gives so much by itself (our reading)
_SLIDES_M = 0.01
_STAYS_M = 0.005

# The columns that `acts` gives.
ACTING = (*(f"{side}.{limb}_acts" for limb in PARTS for side in _SIDES), "trunk_acts", *(f"{side}.foot_rubs" for side in _SIDES))


def acts(travel: Travel, movement: int, rows: Sequence[int], frames: Sequence[Frame], parts: Sequence[Part], measured: Columns) -> dict[str, float]:
    """1 for every limb, and the trunk, that needs muscles of its own in this movement of a batch.

    `rows` are those of the declared `frames` in the batch, `parts` the ways between them.
    """
    planted = [_stays_planted(p.before.touches, p.after.touches) for p in parts]
    acting = _moved(parts, planted)
    for row, frame in zip(rows, frames, strict=True):
        acting |= {("leg", side) for side in legs_lifted(frame.touches, frame.facts.seated)}
        acting |= {("arm", side) for k, side in enumerate(_SIDES) if _holds_itself_up(side, frame, travel.arm_is_up[row][k])}
        if _presses_with_the_legs(frame.props):
            acting |= {("leg", side) for side in _SIDES}
    out = {}
    for limb in PARTS:
        for side in _SIDES:
            acting_here = (limb, side) in acting or bool(measured[f"{side}.{limb}_carries_percent_bw"].any())
            out[f"{side}.{limb}_acts"] = float(acting_here)
    out["trunk_acts"] = float(travel.trunk_rad[movement] > _TRUNK_LEAST_RAD)
    return out | {f"{side}.foot_rubs": float(_rubs(parts, [p[side] for p in planted], side)) for side in _SIDES}


def _rubs(parts: Sequence[Part], planted: "Sequence[frozenset[str]]", side: str) -> bool:
    """Whether the foot rolls, curls or slides on a surface at some time."""
    for part, there in zip(parts, planted, strict=True):
        if not there:
            continue
        rolled = part.travel.sole_rolled_rad[part.at][_SIDES.index(side)]
        if rolled > _ROLLS_RAD or part.travelled_rad(("toes", side)) > _ROLLS_RAD or _slides(part, there):
            return True
    return False


def _slides(part: Part, there: frozenset[str]) -> bool:
    """Whether one of these marks of a foot goes along what it stands on.

    A level surface has no place of its own, so that a body is put on it anywhere: what most of its planted marks went
    together is no sliding.  Hands are left out of them, since they may go along a worktop.
    """
    index, travel = part.travel.skeleton.landmarks.index, part.travel
    own = [index[mark] for mark in there]
    if travel.went_m2[part.at, own].max() <= _SLIDES_M**2:
        return False
    down = _planted(part.before.touches) & _planted(part.after.touches) | there
    went = travel.went_m[part.at]
    left = went[own] - np.median(went[[index[mark] for mark in down]], axis=0)
    return bool((left * left).sum(axis=-1).max() > _SLIDES_M**2)


_Feet = Mapping[str, frozenset[str]]  # by side the marks of a foot
_SOLES = {side: frozenset(f"{side}.{mark}" for mark in FOOT) for side in _SIDES}
_HANDS_AND_ARMS = {side: frozenset(f"{side}.{mark}" for mark in ENDS["arm"]) for side in _SIDES}
_ALL_HANDS = _HANDS_AND_ARMS["left"] | _HANDS_AND_ARMS["right"]


@lru_cache(maxsize=4096)
def _planted(touches: tuple[Touch, ...]) -> frozenset[str]:
    return frozenset(t.landmark for t in touches if t.on is None and t.gap_cm <= 0 and t.landmark not in _ALL_HANDS)


@lru_cache(maxsize=4096)
def _stays_planted(before: tuple[Touch, ...], after: tuple[Touch, ...]) -> _Feet:
    """The marks of each foot that are on something at both ends."""
    there = _planted(before) & _planted(after)
    return {side: there & _SOLES[side] for side in _SIDES}


def _moved(parts: Sequence[Part], planted: Sequence[_Feet]) -> set[Limb]:
    """Limbs that are moved at some time: asked to, or a leg that leans, rolls or curls on its foot while the pelvis stays."""
    out = led_limbs(parts, _LEAST_RAD)
    for part, there in zip(parts, planted, strict=True):
        leaning = [s for s in _SIDES if there[s] and ("leg", s) not in out and part.travelled_rad(("leg and foot", s)) > _ROLLS_RAD]
        if not leaning or part.travel.turned_rad[part.at] >= _ROLLS_RAD:
            continue
        for side in leaning:
            hip = part.travel.skeleton.landmarks.index[f"{side}.hip"]
            if part.travel.went_m2[part.at, hip] < _STAYS_M**2:
                out.add(("leg", side))
    return out


_LEG_ENDS = ENDS["leg"] | {"knee_inside"}


@lru_cache(maxsize=1024)
def _presses_with_the_legs(props: tuple[Prop, ...]) -> bool:
    """Whether the legs press on something between them, or against a band or belt round both."""
    between = ({mark.partition(".")[2] for mark in p.at} for p in props if p.pressed)
    round_both = (p.at for p in props if p.kind in ("band", "belt") and len(p.at) > 1)
    marks = [{mark.partition(".")[2] for mark in at} for at in round_both]
    return any(m <= _LEG_ENDS for m in (*between, *marks))


def _holds_itself_up(side: str, frame: Frame, is_up: bool) -> bool:
    """Whether this arm neither hangs nor lies on something under it: in the air, or against a wall."""
    bearing, rests = _arm_on(frame.touches, side)
    return any(frame.surfaces[name].kind == "wall" for name in bearing) or (is_up and not rests)


@lru_cache(maxsize=4096)
def _arm_on(touches: tuple[Touch, ...], side: str) -> tuple[tuple[str, ...], bool]:
    """The surfaces that this arm bears on, and whether it touches anything."""
    own = [t for t in touches if t.landmark in _HANDS_AND_ARMS[side]]
    return tuple(t.surface for t in own if t.on is None and t.bears), any(t.gap_cm <= 0 for t in own)


__all__ = ["acts"]
