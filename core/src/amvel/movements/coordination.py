"""How many limbs somebody has to move on purpose at once.

A limb counts when it travels and somebody moves it: a leg that stands, or a hand that lies on something, and only gives
while the trunk goes over it is not one more thing to think of.  A pair that moves alike, or holds one thing, counts one.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from weakref import ref

import numpy as np

from amvel.body import JOINTS
from amvel.body.tree import Array
from amvel.movements.frames import Frame, Touch
from amvel.movements.travel import LIMB_JOINTS, PARTS, Travel, Traveller

_MOVED_DEG = 8.0
_MOVED_RAD = np.radians(_MOVED_DEG)
_ALIKE_RAD = np.radians(3.0)
_SIDES = ("left", "right")
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
_Limb = Traveller
LIMBS: tuple[_Limb, ...] = tuple(LIMB_JOINTS)


class Part:
    """The way from one declared frame to the next: number `at` of a batch, and what its ends ask."""

    def __init__(self, travel: Travel, at: int, before: "Asking", after: "Asking") -> None:
        self.travel, self.at, self.before, self.after = travel, at, before, after

    def travelled_rad(self, traveller: Traveller) -> float:
        """The joint that goes furthest."""
        return self.travel.furthest_rad(self.at, traveller)

    @property
    def angles_rad(self) -> Array:
        """The angles on the way, ends and all (N×J)."""
        start, end = self.travel.pairs[self.at]
        return self.travel.posed.angles[start : end + 1]


def moving_limbs(whole_rad: Array, parts: Sequence[Part]) -> int:
    """Limbs that are moved on purpose and independently in one movement of these parts; `whole_rad` (J) is how far each joint
    goes in all of it."""
    if not parts or whole_rad.max() <= _MOVED_RAD:
        return 0
    return sum(_of_a_pair(limb, whole_rad, parts) for limb in PARTS)


def led_limbs(parts: Sequence[Part], least_rad: float) -> "set[_Limb]":
    """Limbs that travel by more than `least_rad` at some time because they are asked to."""
    return {limb for part in parts for limb in LIMBS if _led(*limb, part, least_rad)}


def _of_a_pair(limb: str, whole_rad: Array, parts: Sequence[Part]) -> int:
    """One for a pair that does the same, at once or one after the other; two where one does what the other does not."""
    whole = {s: whole_rad[LIMB_JOINTS[limb, s]] for s in _SIDES}
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
    return part.travelled_rad((limb, side)) > least_rad and not part.before.only_gives_until(part.after)[limb, side]


def _as_one(limb: str, part: Part) -> bool:
    """Whether both of the pair do the same here, are asked the same or hold one thing."""
    left, right = (np.abs(_way(limb, s, part.angles_rad)) for s in _SIDES)
    near = bool(np.abs(left - right).max() < _ALIKE_RAD)  # swinging to one side, one goes out as the other comes in
    return near or _asked_alike(limb, part) or any(_joined(limb, a) for a in (part.before, part.after))


def _asked_alike(limb: str, part: Part) -> bool:
    """Whether both of the pair are asked the same in these frames, whatever the solver finds for each."""
    return all(asks.of[limb, "left"] == asks.of[limb, "right"] for asks in (part.before, part.after))


def _way(limb: str, side: str, angles_rad: Array) -> Array:
    """How far each joint of the limb has come from where it began, frame by frame (N×joints, rad)."""
    columns = LIMB_JOINTS[limb, side]
    found: Array = angles_rad[:, columns] - angles_rad[0, columns]
    return found


@dataclass
class _Asked:
    """What a frame asks of a limb: its angles and which of them it leaves free, where its end goes and what
    it lies on."""

    angles_deg: dict[str, float] = field(default_factory=dict)
    free: set[str] = field(default_factory=set)
    goals: dict[tuple[str, str, str], float] = field(default_factory=dict)
    lies_on: frozenset[str] = frozenset()


class Asking:
    """What a frame asks of each of the four limbs; read when somebody wants to know.

    The same frame serves many movements: one that is worked out for other ranges asks for the same.  Neither the frame nor
    another asking is held on to, so that none of them outlives its use.
    """

    def __init__(self, frame: Frame) -> None:
        self.touches, self.aims, self.props = frame.touches, frame.aims, frame.props
        self._angles_deg, self._free = frame.angles, frame.free
        self._until: dict[int, tuple[ref[Asking], dict[_Limb, bool]]] = {}

    @classmethod
    def by(cls, frame: Frame) -> "Asking":
        """What this frame asks, read once for it."""
        return frame.read_once(cls, cls)

    @cached_property
    def of(self) -> "dict[_Limb, _Asked]":
        lying = _lying_on(self.touches)
        out = {limb: _Asked(lies_on=lying[limb]) for limb in LIMBS}
        for name, value in self._angles_deg.items():
            if limb := _JOINT_OF.get(name):
                out[limb].angles_deg[_JOINT_NAME[name]] = value
        for name in self._free:
            if limb := _JOINT_OF.get(name):
                out[limb].free.add(_JOINT_NAME[name])
        for a in self.aims:
            side, _, mark = a.landmark.partition(".")
            if mark in _END_OF:
                origin = (a.origin or "").removeprefix(f"{side}.")
                out[_END_OF[mark], side].goals[mark, a.axis, origin] = a.value_cm
        return out

    def only_gives_until(self, after: "Asking") -> "dict[_Limb, bool]":
        """Of each limb whether it is carried or planted from here to the other frame, and nothing about it is declared to change."""
        known = self._until.get(id(after))
        if known is None or known[0]() is not after:
            known = ref(after), {limb: _only_gives(self.of[limb], after.of[limb]) for limb in LIMBS}
            self._until[id(after)] = known
        return known[1]


@lru_cache(maxsize=4096)
def _lying_on(touches: tuple[Touch, ...]) -> Mapping[_Limb, frozenset[str]]:
    """The surfaces that carry each limb."""
    out: dict[_Limb, set[str]] = {limb: set() for limb in LIMBS}
    for t in touches:
        side, _, mark = t.landmark.partition(".")
        if t.bears and mark in _END_OF:
            out[_END_OF[mark], side].add(t.surface)
    return {limb: frozenset(on) for limb, on in out.items()}


def _only_gives(before: _Asked, after: _Asked) -> bool:
    return bool(before.lies_on) and before.lies_on == after.lies_on and not _changed(before, after)


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


def _joined(limb: str, asking: Asking) -> bool:
    """Whether both of the pair hold one thing: a part of the body, or what is pressed between them."""
    pressed = any(p.pressed and all(_is_end(limb, s, m) for s, m in zip(_SIDES, p.at, strict=False)) for p in asking.props)
    held = [{a.origin for a in asking.aims if _is_end(limb, s, a.landmark) and a.origin} for s in _SIDES]
    on_the_body = {mark for t in asking.touches if t.on for mark in (t.landmark, t.on)}
    return pressed or bool(held[0] & held[1] & on_the_body)


__all__ = ["ENDS", "FOOT", "LIMBS", "Asking", "Part", "led_limbs", "moving_limbs"]
