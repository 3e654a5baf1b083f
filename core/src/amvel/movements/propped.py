"""Lying propped: the head end of what one lies on is raised, for who cannot lie flat.

The buttocks stay on the level part, pelvis and trunk lie on the slope; what the legs touch stays where it is, so that their
hips bend by so much more.  A leg that is held in the air keeps its declared bend.
"""

import math
from dataclasses import replace
from functools import lru_cache

import numpy as np

from amvel.body import Measures, but, healthy, measure, side_of
from amvel.body.tree import Array
from amvel.languages import said
from amvel.movements.declaration import Family, Parameter, Setting, Step
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.needs import BACK_WEDGE
from amvel.movements.positions import FACE_UP
from amvel.movements.promise import HEAD_END

HEAD_END_UP = Parameter(
    "head_end_deg", "head end raised", "deg", 0, low=0, high=45, grid=15, easier="up", shows=HEAD_END, nothing_at=0, need=BACK_WEDGE,
    changed=said("head end raised {after}°, head and trunk on the slope: nobody has to lie flat"),
    moves=frozenset(["lying_flat", "back_raised_deg", "time_flat_min"]),
)
NOT_FLAT_DEG = 15.0  # from here on nobody calls it flat: the lowest step of a bed's head end (our reading)
_SLOPE = "slope"
_LEG = frozenset(
    ["heel", "heel_back", "ball", "toe_under", "toe_tip", "foot_outer", "foot_inner", "calf_under", "shin", "knee_side", "knee_inside", "thigh_under"]
)
_SIDES = ("left", "right")
_HIP_GIVES = 0.3


def propped_too(family: Family) -> Family:
    """The family, with the raised head end added to every step that can be done so."""
    if family.position != "on the back" or family.asked_for:
        return family
    return replace(family, steps=tuple(_with_head_end(s) for s in family.steps))


def _with_head_end(step: Step) -> Step:
    if any(p.id == HEAD_END_UP.id for p in step.parameters):
        return step  # it is of that kind from the start
    if any(need.unstable for need in step.props) or not all(_lies(f) for f in step.frames(_somebody(step))):
        return step
    return replace(step, parameters=(*step.parameters, HEAD_END_UP))


def _somebody(step: Step) -> Setting:
    """A person of middle size; what touches what does not depend on the body."""
    body = measure(Measures(1.70, 70.0, "female"))
    return Setting(body, healthy(), step.defaults(body))


def _lies(frame: Frame) -> bool:
    """Whether the whole back stays down, facing up, on nothing but what can be raised or stays level under the legs."""
    down = {t.landmark for t in frame.touches if t.surface == "floor" and t.places}
    level = frame.surfaces.keys() <= {"floor", "head pad", "calf support"}
    return level and down >= {"upper_back", "sacrum"} and np.array_equal(frame.root, FACE_UP) and not frame.facts.rolls


def with_head_end(frames: list[Frame], values: dict[str, float | str]) -> list[Frame]:
    """Frames that are declared lying flat, as they are with the head end raised."""
    raised = float(values.get(HEAD_END_UP.id, 0.0))
    return [_raised(f, raised) for f in frames] if raised else frames


def risen(root: Array, by_deg: float) -> Array:
    """The way a body lies, with its head end so much higher."""
    a = math.radians(by_deg)
    turned: Array = np.array([[math.cos(a), 0.0, math.sin(a)], [0.0, 1.0, 0.0], [-math.sin(a), 0.0, math.cos(a)]]) @ root
    return turned


def _raised(frame: Frame, raised_deg: float) -> Frame:
    slope = Surface(_SLOPE, "slope", 0.0, frame.surfaces["floor"].friction, title="wedge", tilt_deg=raised_deg)
    surfaces = {**frame.surfaces, _SLOPE: slope}
    if "head pad" in surfaces:
        pad = surfaces["head pad"]
        surfaces["head pad"] = pad._replace(kind="slope", tilt_deg=raised_deg)
    free, angles = dict(frame.free), dict(frame.angles)
    touches, legs_down = _touches(frame.touches, raised_deg)
    for side in legs_down:
        # The hip of a leg that lies or stands gives by what the trunk has come up; one in the air is where it was declared.
        angles[f"{side}.hip.flexion"] = angles.get(f"{side}.hip.flexion", 0.0) + raised_deg
        free.setdefault(f"{side}.hip.flexion", _HIP_GIVES)
    return but(
        frame,
        root=risen(frame.root, raised_deg),
        angles=angles,
        free=free,
        touches=touches,
        aims=(*frame.aims, Aim("left.buttock", "x", 0.0, must_hold=False)),
        surfaces=surfaces,
        facts=but(frame.facts, lying_flat=frame.facts.lying_flat and raised_deg < NOT_FLAT_DEG, back_raised_deg=raised_deg),
    )


_ON_THE_LEVEL = ("left.buttock", "right.buttock")
# The steeper, the more the body sits: sit bones carry as soon as they come near the level part.
_SIT_BONES = frozenset(f"{s}.sit_bone" for s in _SIDES)
_SEAT = (*(Touch(p, "floor") for p in _ON_THE_LEVEL), *(Touch(p, "floor", places=False) for p in sorted(_SIT_BONES)))
_UPRIGHT_SEAT = (*(Touch(p, "floor", places=False) for p in _ON_THE_LEVEL), *(Touch(p, "floor") for p in sorted(_SIT_BONES)))
_SITS_FROM_DEG = 50.0  # steeper than this the sit bones are the lowest part of the pelvis (of our own body model)


@lru_cache(maxsize=2048)
def _touches(lying: tuple[Touch, ...], raised_deg: float) -> tuple[tuple[Touch, ...], tuple[str, ...]]:
    """On the slope what lay on the floor, and the sides whose leg lies or stands; a frame that sits up on its sit bones says
    itself what carries on the level part."""
    legs_down = tuple(side for side in _SIDES if any(_of_a_leg(t) and side_of(t.landmark) == side for t in lying))
    if any(t.landmark in _SIT_BONES and t.places for t in lying):
        return tuple(map(_moved, lying)), legs_down
    seat = _UPRIGHT_SEAT if raised_deg > _SITS_FROM_DEG else _SEAT
    return (*(_moved(t) for t in lying if t.landmark not in _ON_THE_LEVEL), *seat), legs_down


def _of_a_leg(touch: Touch) -> bool:
    """Whether a leg lies or stands here, on the level part."""
    return touch.on is None and touch.landmark.partition(".")[2] in _LEG


def _moved(touch: Touch) -> Touch:
    level = touch.surface != "floor" or _of_a_leg(touch) or touch.landmark in _SIT_BONES or touch.landmark in _ON_THE_LEVEL
    return touch if level else touch._replace(surface=_SLOPE)


__all__ = ["HEAD_END_UP", "NOT_FLAT_DEG", "propped_too", "risen", "with_head_end"]
