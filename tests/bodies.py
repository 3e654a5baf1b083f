"""Bodies and poses that several tests use."""

import os
from functools import lru_cache
from math import radians

import numpy as np

from amvel.body import Anthropometry, Contact, Measures, PoseSpec, Row, Skeleton, healthy, measure
from amvel.movements import Family, Profile, Profiler, Request, Step, library
from amvel.safety import sides_of

SIZES = {
    "middle": (1.65, 62, "female"),
    "small": (1.52, 48, "female"),
    "tall": (1.86, 82, "male"),
    "heavy": (1.70, 105, "male"),
    "smallest": (1.40, 38, "female"),
    "largest": (1.98, 140, "male"),
}


def body(size: str = "middle") -> Anthropometry:
    h, m, sex = SIZES[size]
    return measure(Measures(h, m, sex))


@lru_cache(maxsize=8)
def profiler(size: str = "middle") -> Profiler:
    return Profiler(body(size), healthy())


def families_under_test() -> list[Family]:
    """The whole library, or the one family that `./test --family` named."""
    only = os.environ.get("AMVEL_ONLY_FAMILY")
    if only and only not in library():
        raise SystemExit(f"test: no family '{only}'; see ./amvel movements")
    return [f for f in library().values() if only in (None, "", f.id)]


def steps_under_test() -> list[tuple[Family, Step]]:
    return [(f, s) for f in families_under_test() for s in f.steps]


@lru_cache(maxsize=8)
def library_profiles(size: str = "middle"):
    """Every step and side at its defaults."""
    p = profiler(size)
    return posed(p, [Request(f, s, side, s.defaults(p.body)) for f, s in steps_under_test() for side in sides_of(s)])


def posed(p: Profiler, requests: list[Request]) -> list[Profile]:
    """Profiles with their poses, those of right versions found by solving them and not by turning the left ones round."""
    return [p.posed(q) for q in p.profiles(requests)]


def press_up(skeleton: Skeleton, knees: bool = False, hands_cm: float = 0.0, feet_cm: float = 0.0) -> PoseSpec:
    """A press-up position, arms at right angles to the trunk, on hands and feet or hands and knees."""
    angles, free, rows, contacts = {}, {}, [], []
    for s in ("left", "right"):
        angles |= {
            f"{s}.shoulder.flexion": radians(90),
            f"{s}.forearm.pronation": radians(90),
            f"{s}.wrist.extension": radians(70),
            f"{s}.toes.extension": radians(60),
            f"{s}.knee.flexion": radians(60) if knees else 0.0,
        }
        free |= {f"{s}.wrist.extension": 0.3, f"{s}.ankle.dorsiflexion": 0.3}
        lower = f"{s}.knee_front" if knees else f"{s}.ball"
        rows += [
            Row(f"{s} hand", f"{s}.palm", (0, 0, 1), hands_cm / 100),
            Row(f"{s} lower", lower, (0, 0, 1), feet_cm / 100),
        ]
        contacts += [
            Contact(
                f"{s}.palm",
                "floor",
                half_size_m=(0.04, 0.03),
                friction=0.45,
                strategy="pushes",
                part=f"{s}.hand",
            ),
            Contact(lower, "floor", half_size_m=(0.02, 0.04), part=f"{s}.foot"),
        ]
    face_down = np.array([[0, 0, 1], [0, 1, 0], [-1, 0, 0]], dtype=float)
    return PoseSpec("press-up", face_down, (0, 0, 0.5), angles, free, tuple(rows), tuple(contacts))
