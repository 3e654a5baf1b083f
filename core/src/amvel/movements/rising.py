"""How people get ready to rise: where the feet go and how far the trunk leans, for this body on this seat.

The weight comes over the feet; the lean is kept comfortable, and where it does not bring the weight there
the feet go further back, as far as the ankles let them.  On a high seat both are easy, so that the knees have less to
hold (the finding of chair-rise studies, e.g. Rodosky et al. 1989, from memory; the numbers here are our reading).
"""

import math
from bisect import bisect_left
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from amvel.body import Anthropometry, Capacities
from amvel.body.anthropometry import SHOULDER

OVER_FEET_CM = 1.0  # ahead of the ankle
_LEAST_OVER_CM = -4.0  # the heel still carries
_ARMS_CARRY_CM = -12.0  # so far behind the ankles arms that push still bring a weight up (our estimate)
_COMFORTABLE_LEAN_DEG = 38.0
_TALL_SITTING_DEG = 72.0  # bend of the hips with level thighs: the pelvis takes the rest (the model's own)
_EASY_BACK_CM, _MOST_BACK_CM = 4.0, 18.0
_LEGS = ("thigh", "shank", "foot", "toes")
_ARMS = ("upper_arm", "forearm", "hand")


@dataclass(frozen=True)
class Ready:
    """Heels behind the knees, and how far ahead of the ankles the weight comes (cm)."""

    heel_back_cm: float
    over_cm: float


def ready_to_rise(
    body: Anthropometry,
    capacities: Capacities,
    seat_cm: float,
    arms_deg: float,
    held_back_cm: float = 0.0,
    heels_tipped_deg: float = 0.0,
    heel_back_cm: float | None = None,
) -> Ready:
    """Feet and weight before the seat is left; hands that push let the weight stay `held_back_cm` further back.

    Soles that a wedge tips by `heels_tipped_deg` let the shins come forward by as much more.  Feet that stand already are
    `heel_back_cm` behind the knees and stay there.
    """
    ankle_rad = min(capacities.stops_rad()[f"{s}.ankle.dorsiflexion"][1] for s in ("left", "right"))
    ankle_rad += math.radians(heels_tipped_deg)
    hip_deg = min(capacities.range_deg[f"{s}.hip_flexion"] for s in ("left", "right"))
    return _ready(body, ankle_rad, hip_deg, seat_cm, arms_deg, held_back_cm, heel_back_cm)


@lru_cache(maxsize=4096)
def _ready(
    body: Anthropometry,
    stop: float,
    hip_deg: float,
    seat_cm: float,
    arms_deg: float,
    held_back_cm: float,
    heel_back_cm: float | None,
) -> Ready:
    least = _ARMS_CARRY_CM if held_back_cm else _LEAST_OVER_CM
    wanted = OVER_FEET_CM - held_back_cm
    most_back = min(_MOST_BACK_CM, 100 * body.lengths_m["shank"] * math.sin(stop - math.radians(1.0)))
    tried = np.arange(min(_EASY_BACK_CM, most_back), most_back + 0.01, 1.0).tolist() if heel_back_cm is None else [heel_back_cm]
    # The further back the feet, the further ahead of them the weight: the first of these that brings it there is found by halving.
    first = bisect_left(tried, wanted, key=lambda back: _reached_cm(body, hip_deg, seat_cm, back, arms_deg))
    if first < len(tried):
        return Ready(tried[first], wanted)
    last = most_back if heel_back_cm is None else heel_back_cm
    reached = _reached_cm(body, hip_deg, seat_cm, last, arms_deg)
    return Ready(last, min(wanted, max(least, reached)))


def _reached_cm(
    body: Anthropometry, stop_deg: float, seat_cm: float, heel_back_cm: float, arms_deg: float
) -> float:
    """Where the weight comes with the lean that is comfortable, or with the last one that the hips have."""
    knee_z = body.lengths_m["ankle_height"] + math.sqrt(max(0.0, body.lengths_m["shank"] ** 2 - (heel_back_cm / 100) ** 2))
    rise = knee_z - _hip_height_m(body, seat_cm)
    thigh_deg = math.degrees(math.asin(max(-1.0, min(1.0, rise / body.lengths_m["thigh"]))))
    lean_deg = max(0.0, min(_COMFORTABLE_LEAN_DEG, stop_deg - _TALL_SITTING_DEG - thigh_deg))
    return weight_over_cm(body, seat_cm, heel_back_cm, lean_deg, arms_deg)


def _hip_height_m(body: Anthropometry, seat_cm: float) -> float:
    return seat_cm / 100 + 0.052 * body.stature_m * body.girth


@dataclass(frozen=True)
class _Masses:
    """What sits on a seat: of trunk and head the mass (kg) and its moments about the hips ahead and up (kg m), of arms,
    thighs, shanks and feet the mass of both sides (kg)."""

    trunk_kg: float
    ahead_kg_m: float
    up_kg_m: float
    arms_kg: float
    thighs_kg: float
    shanks_kg: float
    feet_kg: float


@lru_cache(maxsize=64)
def _masses(body: Anthropometry) -> _Masses:
    at: dict[str, tuple[float, float]] = {"pelvis": (0.0, 0.0)}
    trunk = ahead = up = 0.0
    for segment in body.segments:
        part = segment.name.partition(".")[2]
        if part in _LEGS or part in _ARMS or part == "scapula":
            continue
        x, z = at.get(segment.parent or "", (0.0, 0.0))
        at[segment.name] = x, z = x + float(segment.joint[0]), z + float(segment.joint[2])
        trunk += segment.mass_kg
        ahead += segment.mass_kg * (x + float(segment.com[0]))
        up += segment.mass_kg * (z + float(segment.com[2]))
    mass = {s.name: s.mass_kg for s in body.segments}
    arms, thighs, shanks, feet = (
        sum(mass[f"{s}.{p}"] for s in ("left", "right") for p in parts) for parts in (_ARMS, ("thigh",), ("shank",), ("foot", "toes"))
    )
    return _Masses(trunk, ahead, up, arms, thighs, shanks, feet)


def weight_over_cm(
    body: Anthropometry, seat_cm: float, heel_back_cm: float, lean_deg: float, arms_deg: float
) -> float:
    """How far ahead of the ankles the centre of mass is, sitting on the edge with this lean; in the sagittal plane."""
    lengths, own = body.lengths_m, _masses(body)
    knee_x = heel_back_cm / 100
    knee_z = lengths["ankle_height"] + math.sqrt(max(0.0, lengths["shank"] ** 2 - knee_x**2))
    hip_z = _hip_height_m(body, seat_cm)
    hip_x = knee_x - math.sqrt(max(0.0, lengths["thigh"] ** 2 - (hip_z - knee_z) ** 2))
    lean = math.radians(lean_deg)
    moment = own.trunk_kg * hip_x + math.cos(lean) * own.ahead_kg_m + math.sin(lean) * own.up_kg_m
    shoulder_x = hip_x + (math.cos(lean) * SHOULDER[0] + math.sin(lean) * SHOULDER[1]) * body.stature_m
    arm_m = lengths["upper_arm"] + lengths["forearm"] + lengths["hand"]
    moment += own.arms_kg * (shoulder_x + 0.42 * arm_m * math.sin(math.radians(arms_deg) - lean))
    moment += own.thighs_kg * (hip_x + 0.38 * (knee_x - hip_x)) + own.shanks_kg * 0.56 * knee_x + own.feet_kg * 0.03
    return 100 * moment / body.mass_kg


__all__ = ["OVER_FEET_CM", "Ready", "ready_to_rise", "weight_over_cm"]
