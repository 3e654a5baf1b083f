"""How the shape of a back lies: what fills under a head or a chest, and what a very round back holds off the floor."""

import math
from dataclasses import replace
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body import JOINT_INDEX, JOINTS, Anthropometry, Measures, Skeleton, measure
from amvel.body.tree import Array

FLESH_GIVES_CM = 2.0  # of a back that lies on its roundest place (our estimate)
LEAST_PAD_CM = 1.5  # a smaller gap is filled by the mat


def own_head_pad_cm(body: Anthropometry) -> float:
    """What carries the head of this body lying on its back with the neck straight: more for a rounded back, nothing where it
    comes to the mat by itself."""
    pad_cm = _back_of(body.measures).head_cm
    return pad_cm if pad_cm >= LEAST_PAD_CM else 0.0


class _Back(NamedTuple):
    """How a back lies, in cm: how high the head is with the neck straight, and how far off the upper back is, which a very
    round back holds up over its middle."""

    head_cm: float
    upper_back_cm: float
    sacrum_to_upper_back_cm: float


@lru_cache(maxsize=64)
def _back_of(measures: Measures) -> _Back:
    """From the line on which the body lies, from the sacrum to the upper back; what bulges behind it, flesh gives."""
    at = _in_profile(measures)
    along, off = _along_and_off(at, "sacrum", "upper_back")
    raised = max(0.0, -off["mid_back"] - FLESH_GIVES_CM) / along["mid_back"]  # over each cm of the way from the sacrum
    return _Back(off["occiput"] + raised * along["occiput"], raised * along["upper_back"], along["upper_back"])


@lru_cache(maxsize=64)
def _in_profile(measures: Measures) -> dict[str, Array]:
    """Where each landmark of this body is, standing (cm; forward and up)."""
    skeleton = Skeleton(measure(measures))
    angles = np.zeros((1, len(JOINTS)))
    angles[0, JOINT_INDEX["upper_thoracic.flexion"]] = measures.kyphosis_extra_rad
    points = 100 * skeleton.points(skeleton.place(np.zeros((1, 3)), np.eye(3)[None], angles))[0]
    return {name: points[row][[0, 2]] for name, row in skeleton.landmarks.index.items()}


def _along_and_off(at: dict[str, Array], start: str, end: str) -> tuple[dict[str, float], dict[str, float]]:
    """Of each landmark how far it is along the line between two of them, and how far in front of it."""
    ahead, up = (at[end] - at[start]) / np.linalg.norm(at[end] - at[start])
    way = {name: point - at[start] for name, point in at.items()}
    return {n: float(w @ (ahead, up)) for n, w in way.items()}, {n: float(w @ (up, -ahead)) for n, w in way.items()}


def upper_back_off_cm(body: Anthropometry) -> float:
    """How far off the floor the upper back of this body is, lying flat: nothing for all but very round backs."""
    return _back_of(body.measures).upper_back_cm


def back_lies_raised_deg(body: Anthropometry) -> float:
    """How far the line from sacrum to upper back comes up where a very round back lies flat on its middle."""
    back = _back_of(body.measures)
    return math.degrees(math.atan2(back.upper_back_cm, back.sacrum_to_upper_back_cm))


def rounded_deg(body: Anthropometry) -> float:
    """How much rounder than usual the upper back of this body is: by so much less do arms reach that are raised as far from it."""
    return math.degrees(body.measures.kyphosis_extra_rad)


def own_chest_pad_cm(body: Anthropometry) -> float:
    """What fills the hollow of a rounded chest that lies face down, so that the head need not hang back; nothing for a straight one."""
    straight, own = (_along_and_off(_in_profile(m), "pubis", "forehead")[1]["breastbone"] for m in (replace(body.measures, kyphosis_extra_rad=0.0), body.measures))
    hollow_cm = straight - own
    return hollow_cm if hollow_cm >= LEAST_PAD_CM else 0.0


__all__ = ["back_lies_raised_deg", "own_chest_pad_cm", "own_head_pad_cm", "rounded_deg", "upper_back_off_cm"]
