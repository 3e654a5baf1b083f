"""Whose muscles a movement needs: limbs that move, are held up, carry or press, and a trunk that bends or turns; and
feet that rub on what they lie on.

None of this depends on how far: whoever has no muscle for it cannot do a little of it either.
"""

from collections.abc import Sequence

import numpy as np

from amvel.body import JOINTS, Posed, Skeleton
from amvel.body.tree import Array
from amvel.movements.columns import Columns
from amvel.movements.coordination import ENDS, FOOT, PARTS, Part, led_limbs
from amvel.movements.frames import Frame
from amvel.movements.lifted import legs_lifted

Limb = tuple[str, str]  # 'arm' or 'leg', left or right
_SIDES = ("left", "right")
_LEAST_RAD = np.radians(0.5)  # the resolution of an angle
_TRUNK_LEAST_RAD = np.radians(1.5)  # beyond what the trunk gives by itself while a limb moves
_LEG = {side: [i for i, (name, _, _) in enumerate(JOINTS) if name.startswith(tuple(f"{side}.{p}." for p in PARTS["leg"]))] for side in _SIDES}
_TOES = {side: [i for i, (name, _, _) in enumerate(JOINTS) if name.startswith(f"{side}.toes.")] for side in _SIDES}
_FOOT_LINES = (("heel", "ball"), ("foot_outer", "foot_inner"))
_ROLLS_RAD = np.radians(3.0)  # a planted foot gives so much by itself (our reading)
_SLIDES_M = 0.01
_STAYS_M = 0.005
_TRUNK_PARTS = ("lumbar", "lower_thoracic", "upper_thoracic")
_TRUNK_BY_AXIS = [
    [i for i, (name, _, _) in enumerate(JOINTS) if name in tuple(f"{part}.{axis}" for part in _TRUNK_PARTS)]
    for axis in sorted({name.partition(".")[2] for name, _, _ in JOINTS if name.startswith(_TRUNK_PARTS)})
]
_HANGS_WITHIN_DEG = 30.0  # an upper arm nearer to the plumb line hangs by itself (our reading)
_UP_CM = 3.0  # lying, an elbow this far above the shoulder is held there (our reading)
_UPRIGHT = 0.5  # the trunk's share along the vertical from which somebody sits or stands

# The quantities that `acts` gives.
ACTING = frozenset((*(f"{limb}_acts" for limb in PARTS), "trunk_acts", "foot_rubs"))


def acts(
    posed: Posed, skeleton: Skeleton, rows: Sequence[int], frames: Sequence[Frame], parts: Sequence[Part], measured: Columns
) -> dict[str, float]:
    """1 for every limb, and the trunk, that needs muscles of its own in this movement.

    `rows` are those of the declared `frames` among the posed ones, `parts` the ways between them.
    """
    planted = [{s: _under_the_foot(s, p.before) & _under_the_foot(s, p.after) for s in _SIDES} for p in parts]
    acting = _moved(posed, skeleton, parts, planted)
    for i, frame in zip(rows, frames, strict=True):
        acting |= {("leg", side) for side in legs_lifted(frame)}
        acting |= {("arm", side) for side in _SIDES if _holds_itself_up(side, frame, posed.points[i], skeleton)}
        if _presses_with_the_legs(frame):
            acting |= {("leg", side) for side in _SIDES}
    out = {}
    for limb in PARTS:
        for side in _SIDES:
            carries = bool(measured[f"{side}.{limb}_carries_percent_bw"].any())
            out[f"{side}.{limb}_acts"] = float((limb, side) in acting or carries)
    whole = [np.ptp(posed.angles[:, joints].sum(axis=1)) for joints in _TRUNK_BY_AXIS]
    out["trunk_acts"] = float(max(whole) > _TRUNK_LEAST_RAD)
    rolled = _rolled_rad(posed, skeleton, parts)
    out |= {
        f"{side}.foot_rubs": float(_rubs(posed, skeleton, parts, [p[side] for p in planted], side, rolled[:, k]))
        for k, side in enumerate(_SIDES)
    }
    return out


def _rubs(posed: Posed, skeleton: Skeleton, parts: Sequence[Part], planted: Sequence[set[str]], side: str, rolled_rad: Array) -> bool:
    """Whether the foot rolls, curls or slides on a surface at some time."""
    for k, (part, there) in enumerate(zip(parts, planted, strict=True)):
        if not there:
            continue
        if rolled_rad[k] > _ROLLS_RAD or part.travelled_rad[_TOES[side]].max() > _ROLLS_RAD or _slides(posed, skeleton, part, there):
            return True
    return False


def _rolled_rad(posed: Posed, skeleton: Skeleton, parts: Sequence[Part]) -> Array:
    """How far each sole turned or tipped on the ground in each part (P×2); a shank that leans over a foot that lies flat rolls nothing."""
    a, b = (
        np.array([[skeleton.landmarks.index[f"{side}.{line[end]}"] for line in _FOOT_LINES] for side in _SIDES]) for end in (0, 1)
    )
    rows = np.array([[p.start, p.end] for p in parts], dtype=int).reshape(-1, 2)
    lines = posed.points[rows][:, :, b] - posed.points[rows][:, :, a]  # P×before and after×side×line×3
    lines = lines / np.linalg.norm(lines, axis=-1, keepdims=True)
    turned: Array = np.arccos(np.clip((lines[:, 0] * lines[:, 1]).sum(axis=-1).min(axis=-1), -1.0, 1.0))
    return turned


def _slides(posed: Posed, skeleton: Skeleton, part: Part, there: set[str]) -> bool:
    """Whether one of these marks of a foot goes along what it stands on.

    A level surface has no place of its own, so that a body is put on it anywhere: what most of its planted marks went
    together is no sliding.  Hands are left out of them, since they may go along a worktop.
    """
    index = skeleton.landmarks.index
    own = _ways(posed, part, [index[mark] for mark in there])
    if (own * own).sum(axis=-1).max() <= _SLIDES_M**2:
        return False
    down = _planted(part.before) & _planted(part.after) | there
    left = own - np.median(_ways(posed, part, [index[mark] for mark in down]), axis=0)
    return bool((left * left).sum(axis=-1).max() > _SLIDES_M**2)


def _ways(posed: Posed, part: Part, marks: list[int]) -> Array:
    """How far these landmarks are from where they were, in m."""
    way: Array = posed.points[part.end, marks] - posed.points[part.start, marks]
    return way


def _planted(frame: Frame) -> set[str]:
    return {t.landmark for t in frame.touches if t.on is None and t.gap_cm <= 0 and t.landmark not in _ALL_HANDS}


_SOLES = {side: frozenset(f"{side}.{mark}" for mark in FOOT) for side in _SIDES}


def _under_the_foot(side: str, frame: Frame) -> set[str]:
    return {t.landmark for t in frame.touches if t.landmark in _SOLES[side] and t.on is None and t.gap_cm <= 0}


def _moved(posed: Posed, skeleton: Skeleton, parts: Sequence[Part], planted: Sequence[dict[str, set[str]]]) -> set[Limb]:
    """Limbs that are moved at some time: asked to, or a leg that leans, rolls or curls on its foot while the pelvis stays."""
    out = led_limbs(parts, _LEAST_RAD)
    for part, there in zip(parts, planted, strict=True):
        leaning = [s for s in _SIDES if there[s] and ("leg", s) not in out and part.travelled_rad[_LEG[s]].max() > _ROLLS_RAD]
        if not leaning:
            continue
        # The trace of the turn between two attitudes is the sum of the products of their entries.
        turned = float((posed.root_rotation[part.start] * posed.root_rotation[part.end]).sum())
        if turned <= 1 + 2 * np.cos(_ROLLS_RAD):
            continue
        for side in leaning:
            hip = skeleton.landmarks.index[f"{side}.hip"]
            way = posed.points[part.end, hip] - posed.points[part.start, hip]
            if float(way @ way) < _STAYS_M**2:
                out.add(("leg", side))
    return out


def _presses_with_the_legs(frame: Frame) -> bool:
    """Whether the legs press on something between them, or against a band or belt round both."""
    leg = ENDS["leg"] | {"knee_inside"}
    between = ({mark.partition(".")[2] for mark in p.at} for p in frame.props if p.pressed)
    round_both = (p.at for p in frame.props if p.kind in ("band", "belt") and len(p.at) > 1)
    marks = [{mark.partition(".")[2] for mark in at} for at in round_both]
    return any(m <= leg for m in (*between, *marks))


_HANDS_AND_ARMS = {side: frozenset(f"{side}.{mark}" for mark in ENDS["arm"]) for side in _SIDES}
_ALL_HANDS = _HANDS_AND_ARMS["left"] | _HANDS_AND_ARMS["right"]


def _holds_itself_up(side: str, frame: Frame, points: Array, skeleton: Skeleton) -> bool:
    """Whether this arm neither hangs nor lies on something under it: in the air, or against a wall."""
    own = [t for t in frame.touches if t.landmark in _HANDS_AND_ARMS[side]]
    if any(t.on is None and t.bears and frame.surfaces[t.surface].kind == "wall" for t in own):
        return True
    if any(t.gap_cm <= 0 for t in own):
        return False
    at = {n: points[skeleton.landmarks.index[f"{side}.{n}"]] for n in ("shoulder", "elbow", "hip")}
    upper = at["elbow"] - at["shoulder"]
    trunk = at["shoulder"] - at["hip"]
    if trunk[2] < _UPRIGHT * float(np.linalg.norm(trunk)):
        return bool(upper[2] > _UP_CM / 100)
    return bool(-upper[2] < np.cos(np.radians(_HANGS_WITHIN_DEG)) * float(np.linalg.norm(upper)))


__all__ = ["acts"]
