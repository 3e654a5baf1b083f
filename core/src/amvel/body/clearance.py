"""Nothing passes through the floor: a hand or foot that would, is turned or lifted until it does not.

Contacts are placed by the pose solver; a limb that is free in the air is declared by its angles, and on some bodies its
toes or fingers would end below the floor.  Only such poses are solved again, with the small joints of that limb given.
"""

import numpy as np

from amvel.body.pose import PoseSpec, Row
from amvel.body.posing import Posed, Stops, put_back, solve
from amvel.body.skeleton import JOINTS, Skeleton

TOLERANCE_M = 0.004
_PASSES = 3
_WEIGHT = 0.5
_STAYS = 30.0  # the rest of the pose is right already and is not to move for a toe
_FOOT = ("toe_tip", "toe_under", "ball", "heel", "foot_outer", "foot_inner", "instep")
_HAND = ("fingertips", "palm", "knuckles")
# The nearer to the end of the limb, the easier it gives.
_GIVE = {
    "foot": {"toes.extension": 0.2, "ankle.dorsiflexion": 0.3, "ankle.inversion": 0.3, "knee.flexion": 3.0},
    "hand": {"wrist.extension": 0.3, "elbow.flexion": 0.6, "shoulder.flexion": 3.0},
}


def clear_of_floor(
    skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, stops_rad: list[Stops], floor_m: list[float]
) -> tuple[list[PoseSpec], Posed]:
    """Specs and poses in which no hand or foot is below the floor by more than 4 mm, where the joints allow it.

    `floor_m` is the height of the floor for each pose.  Poses that were clear are returned as they were.
    """
    specs = list(specs)
    for _ in range(_PASSES):
        low = {
            i: found
            for i in _candidates(skeleton, posed, floor_m)
            if not posed.faults[i] and (found := _below(skeleton, specs[i], posed, i, floor_m[i]))
        }
        if not low:
            break
        again = [_raised(specs[i], posed, i, found, floor_m[i]) for i, found in low.items()]
        put_back(posed, list(low), solve(skeleton, again, [stops_rad[i] for i in low]))
        for i, spec in zip(low, again, strict=True):
            specs[i] = spec
    return specs, posed


def _candidates(skeleton: Skeleton, posed: Posed, floor_m: list[float]) -> list[int]:
    """Poses with any landmark of a hand or foot under the floor."""
    marks = [skeleton.landmarks.index[f"{s}.{p}"] for s in ("left", "right") for p in (*_FOOT, *_HAND)]
    lowest = posed.points[:, marks, 2].min(axis=1)
    found: list[int] = np.flatnonzero(lowest < np.array(floor_m) - TOLERANCE_M).tolist()
    return found


def _below(skeleton: Skeleton, spec: PoseSpec, posed: Posed, i: int, floor_m: float) -> list[str]:
    """Landmarks of hands and feet under the floor, the lowest of each limb.

    A hand that carries on palm or knuckles is left as its contact has placed it: a fist has no fingertips to lift.
    """
    found = []
    carrying = {c.point for c in spec.contacts}
    for side in ("left", "right"):
        for points in (_FOOT, _HAND):
            if points is _HAND and carrying & {f"{side}.palm", f"{side}.knuckles"}:
                continue
            heights = {p: posed.points[i, skeleton.landmarks.index[f"{side}.{p}"], 2] for p in points}
            lowest = min(heights, key=lambda p: heights[p])
            if heights[lowest] < floor_m - TOLERANCE_M:
                found.append(f"{side}.{lowest}")
    return found


def _raised(spec: PoseSpec, posed: Posed, i: int, low: list[str], floor_m: float) -> PoseSpec:
    free = {joint: max(_STAYS, stiffness) for joint, stiffness in spec.free.items()}
    rows = []
    for name in low:
        side, _, point = name.partition(".")
        for joint, stiffness in _GIVE["hand" if point in _HAND else "foot"].items():
            free[f"{side}.{joint}"] = stiffness
        rows.append(Row(f"{name} clear of the floor", name, (0.0, 0.0, 1.0), floor_m, None, _WEIGHT, False))
    known = {r.name for r in rows}
    return spec.changed(
        rows=(*(r for r in spec.rows if r.name not in known), *rows),
        free=free,
        angles_rad={name: float(v) for (name, _, _), v in zip(JOINTS, posed.angles[i], strict=True)},
        root_position_m=tuple(posed.root_position[i]),
        root_rotation=posed.root_rotation[i].copy(),
    )


__all__ = ["TOLERANCE_M", "clear_of_floor"]
