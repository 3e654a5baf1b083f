"""How people get ready to rise: where the feet go and how far the trunk leans, for this body on this seat.

The weight comes over the feet; the lean is kept comfortable, and where it does not bring the weight there
the feet go further back, as far as the ankles let them.  On a high seat both are easy, so that the knees have less to
hold (the finding of chair-rise studies, e.g. Rodosky et al. 1989, from memory; the numbers here are our reading).
"""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from amvel.body import Anthropometry, Capacities, Measures, measure
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
    return _ready(body.measures, ankle_rad, hip_deg, seat_cm, arms_deg, held_back_cm, heel_back_cm)


@lru_cache(maxsize=4096)
def _ready(
    measures: Measures,
    stop: float,
    hip_deg: float,
    seat_cm: float,
    arms_deg: float,
    held_back_cm: float,
    heel_back_cm: float | None,
) -> Ready:
    least = _ARMS_CARRY_CM if held_back_cm else _LEAST_OVER_CM
    body, wanted = measure(measures), OVER_FEET_CM - held_back_cm
    most_back = min(_MOST_BACK_CM, 100 * body.lengths_m["shank"] * math.sin(stop - math.radians(1.0)))
    tried = np.arange(min(_EASY_BACK_CM, most_back), most_back + 0.01, 1.0) if heel_back_cm is None else np.array([heel_back_cm])
    for back in tried:
        if _reached_cm(body, hip_deg, seat_cm, float(back), arms_deg) >= wanted:
            return Ready(float(back), wanted)
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


def weight_over_cm(
    body: Anthropometry, seat_cm: float, heel_back_cm: float, lean_deg: float, arms_deg: float
) -> float:
    """How far ahead of the ankles the centre of mass is, sitting on the edge with this lean; in the sagittal plane."""
    height, lengths = body.stature_m, body.lengths_m
    knee = np.array([heel_back_cm / 100, lengths["ankle_height"]])
    knee[1] += math.sqrt(max(0.0, lengths["shank"] ** 2 - knee[0] ** 2))
    hip_z = _hip_height_m(body, seat_cm)
    hip = np.array([knee[0] - math.sqrt(max(0.0, lengths["thigh"] ** 2 - (hip_z - knee[1]) ** 2)), hip_z])
    lean = math.radians(lean_deg)
    turn = np.array([[math.cos(lean), math.sin(lean)], [-math.sin(lean), math.cos(lean)]])
    at: dict[str, np.ndarray] = {"pelvis": np.zeros(2)}
    moment = 0.0
    for segment in body.segments:
        part = segment.name.partition(".")[2]
        if part in _LEGS or part in _ARMS or part == "scapula":
            continue
        base = at.get(segment.parent or "", np.zeros(2)) + np.array([segment.joint[0], segment.joint[2]])
        at[segment.name] = base
        moment += segment.mass_kg * float((hip + turn @ (base + np.array([segment.com[0], segment.com[2]])))[0])
    mass = {s.name: s.mass_kg for s in body.segments}
    shoulder = hip + turn @ (np.array(SHOULDER) * height)
    reach = math.sin(math.radians(arms_deg) - lean)
    arm = sum(mass[f"{s}.{p}"] for s in ("left", "right") for p in _ARMS)
    moment += arm * float(shoulder[0] + 0.42 * (lengths["upper_arm"] + lengths["forearm"] + lengths["hand"]) * reach)
    thigh, shank, foot = (2 * sum(mass[f"left.{p}"] for p in parts) for parts in (("thigh",), ("shank",), ("foot", "toes")))
    moment += thigh * float(hip[0] + 0.38 * (knee[0] - hip[0])) + shank * float(0.56 * knee[0]) + foot * 0.03
    return 100 * moment / body.mass_kg


__all__ = ["OVER_FEET_CM", "Ready", "ready_to_rise", "weight_over_cm"]
