"""How many limbs somebody has to move on purpose at once.

A limb counts when it travels and somebody moves it: a leg that stands, or a hand that lies on something, and only gives
while the trunk goes over it is not one more thing to think of.  A pair that moves alike, or holds one thing, counts one.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from itertools import pairwise

import numpy as np

from amvel.body import JOINTS
from amvel.body.tree import Array
from amvel.movements.frames import Frame

_MOVED_DEG = 8.0
_MOVED_RAD = np.radians(_MOVED_DEG)
_ALIKE_RAD = np.radians(3.0)
_SIDES = ("left", "right")
_JOINTS = {"arm": ("shoulder", "elbow"), "leg": ("hip", "knee")}
_COLUMNS = {
    (limb, side): [i for i, (name, _, _) in enumerate(JOINTS) if name.startswith(tuple(f"{side}.{j}." for j in joints))]
    for limb, joints in _JOINTS.items()
    for side in _SIDES
}
PARTS = {"arm": ("scapula", "shoulder", "elbow", "forearm", "wrist"), "leg": ("hip", "knee", "ankle", "toes")}
FOOT = frozenset(["heel", "ball", "heel_back", "foot_outer", "foot_inner", "toe_tip", "toe_under", "instep"])
ENDS = {
    "arm": frozenset(["palm", "knuckles", "fingertips", "wrist", "elbow", "elbow_tip", "forearm_side", "forearm_under"]),
    "leg": FOOT | {"knee_front", "knee_side", "calf_under"},
}
_END_OF = {mark: limb for limb, marks in ENDS.items() for mark in marks}
_JOINT_OF = {
    name: (limb, side)
    for name, _, _ in JOINTS
    for limb, parts in PARTS.items()
    for side in _SIDES
    if name.startswith(tuple(f"{side}.{part}." for part in parts))
}

_JOINT_NAME = {name: name.partition(".")[2] for name in _JOINT_OF}


@dataclass(frozen=True)
class Part:
    """The way from one declared frame, at row `start`, to the next, at `end`: the angles on it (N×J, rad), how far each joint travels (J), its ends."""

    start: int
    end: int
    angles_rad: Array
    travelled_rad: Array
    before: Frame
    after: Frame
    asked_before: "dict[_Limb, _Asked]"
    asked_after: "dict[_Limb, _Asked]"


def parts_of(angles_rad: Array, rows: Sequence[int], frames: Sequence[Frame]) -> list[Part]:
    """The ways between the declared `frames`, which stand at `rows` of all frames (N×J, rad)."""
    asked = [_read(f) for f in frames]
    parts = []
    for i, (start, end) in enumerate(pairwise(rows)):
        way = angles_rad[start : end + 1]
        parts.append(Part(start, end, way, way.max(axis=0) - way.min(axis=0), frames[i], frames[i + 1], asked[i], asked[i + 1]))
    return parts


def moving_limbs(angles_rad: Array, parts: Sequence[Part]) -> int:
    """Limbs that are moved on purpose and independently in one movement of these parts."""
    whole = np.ptp(angles_rad, axis=0)
    if not parts or whole.max() <= _MOVED_RAD:
        return 0
    return sum(_of_a_pair(limb, whole, parts) for limb in _JOINTS)


def led_limbs(parts: Sequence[Part], least_rad: float) -> "set[_Limb]":
    """Limbs that travel by more than `least_rad` at some time because they are asked to."""
    return {(limb, side) for part in parts for limb in _JOINTS for side in _SIDES if _led(limb, side, part, least_rad)}


def _of_a_pair(limb: str, whole_rad: Array, parts: Sequence[Part]) -> int:
    """One for a pair that does the same, at once or one after the other; two where one does what the other does not."""
    whole = {s: whole_rad[_COLUMNS[limb, s]] for s in _SIDES}
    moving = [s for s in _SIDES if whole[s].max() > _MOVED_RAD and any(_led(limb, s, p, _ALIKE_RAD) for p in parts)]
    if len(moving) < 2:
        return len(moving)
    at_once = [p for p in parts if all(_led(limb, s, p, _MOVED_RAD) for s in _SIDES)]
    if any(not _as_one(limb, p) for p in at_once):
        return 2
    same = bool(np.abs(whole["left"] - whole["right"]).max() < _ALIKE_RAD)
    return 1 if same or all(_as_one(limb, p) for p in parts) else 2


def _led(limb: str, side: str, part: Part, least_rad: float) -> bool:
    """Whether the limb travels here because it is asked to."""
    travelled = part.travelled_rad[_COLUMNS[limb, side]].max()
    return bool(travelled > least_rad) and not _only_gives(limb, side, part)


def _as_one(limb: str, part: Part) -> bool:
    """Whether both of the pair do the same here, are asked the same or hold one thing."""
    left, right = (np.abs(_way(limb, s, part.angles_rad)) for s in _SIDES)
    near = bool(np.abs(left - right).max() < _ALIKE_RAD)  # swinging to one side, one goes out as the other comes in
    return near or _asked_alike(limb, part) or any(_joined(limb, f) for f in (part.before, part.after))


def _asked_alike(limb: str, part: Part) -> bool:
    """Whether both of the pair are asked the same in these frames, whatever the solver finds for each."""
    return all(asked[limb, "left"] == asked[limb, "right"] for asked in (part.asked_before, part.asked_after))


def _way(limb: str, side: str, angles_rad: Array) -> Array:
    """How far each joint of the limb has come from where it began, frame by frame (N×joints, rad)."""
    columns = _COLUMNS[limb, side]
    found: Array = angles_rad[:, columns] - angles_rad[0, columns]
    return found


def _only_gives(limb: str, side: str, part: Part) -> bool:
    """Whether the limb is carried or planted and nothing about it is declared to change."""
    before, after = part.asked_before[limb, side], part.asked_after[limb, side]
    return bool(before.lies_on) and bool(after.lies_on) and not _changed(before, after)


@dataclass
class _Asked:
    """What a frame asks of a limb: its angles and which of them it leaves free, where its end goes and what
    it lies on."""

    angles_deg: dict[str, float] = field(default_factory=dict)
    free: set[str] = field(default_factory=set)
    goals: dict[tuple[str, str, str], float] = field(default_factory=dict)
    lies_on: set[str] = field(default_factory=set)


_Limb = tuple[str, str]  # arm or leg, left or right


def _read(frame: Frame) -> dict[_Limb, _Asked]:
    """What a frame asks of each of the four limbs."""
    out = {(limb, side): _Asked() for limb in _JOINTS for side in _SIDES}
    for name, value in frame.angles.items():
        if limb := _JOINT_OF.get(name):
            out[limb].angles_deg[_JOINT_NAME[name]] = value
    for name in frame.free:
        if limb := _JOINT_OF.get(name):
            out[limb].free.add(_JOINT_NAME[name])
    for a in frame.aims:
        side, _, mark = a.landmark.partition(".")
        if mark in _END_OF:
            origin = (a.origin or "").removeprefix(f"{side}.")
            out[_END_OF[mark], side].goals[mark, a.axis, origin] = a.value_cm
    for t in frame.touches:
        side, _, mark = t.landmark.partition(".")
        if t.bears and mark in _END_OF:
            out[_END_OF[mark], side].lies_on.add(t.surface)
    return out


def _changed(before: _Asked, after: _Asked) -> bool:
    """Whether something is asked of the limb that was not.

    A goal that only pins what is there already is nothing new, nor is an angle that both frames leave to the solver.
    """
    led = any(after.goals[k] != v for k, v in before.goals.items() if k in after.goals)
    held = (before.angles_deg.keys() | after.angles_deg.keys()) - (before.free & after.free)
    bent = any(abs(after.angles_deg.get(k, 0.0) - before.angles_deg.get(k, 0.0)) > _MOVED_DEG for k in held)
    return led or bent or before.lies_on != after.lies_on


def _is_end(limb: str, side: str, landmark: str) -> bool:
    own, _, mark = landmark.partition(".")
    return own == side and mark in ENDS[limb]


def _joined(limb: str, frame: Frame) -> bool:
    """Whether both of the pair hold one thing: a part of the body, or what is pressed between them."""
    pressed = any(p.pressed and all(_is_end(limb, s, m) for s, m in zip(_SIDES, p.at, strict=False)) for p in frame.props)
    held = [{a.origin for a in frame.aims if _is_end(limb, s, a.landmark) and a.origin} for s in _SIDES]
    on_the_body = {mark for t in frame.touches if t.on for mark in (t.landmark, t.on)}
    return pressed or bool(held[0] & held[1] & on_the_body)


__all__ = ["ENDS", "FOOT", "PARTS", "Part", "led_limbs", "moving_limbs", "parts_of"]
