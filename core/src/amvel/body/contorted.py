"""Poses that meet every contact and are still none that anybody takes.

With stiff joints the solver can find a body whose contacts all hold while its trunk hangs under the floor or its pelvis
has tipped to the side.  Such a pose is not one to judge: it gets a fault, like a contact that stays open.
"""

import numpy as np

from amvel.body.pose import PoseSpec
from amvel.body.posing import Posed
from amvel.body.skeleton import Skeleton

SUNK_M = 0.030  # a finger bends back, a buttock or a heel gives by about so much: our estimate
# How far a pelvis that is declared level may tip: our estimate, a little more than any step of the library needs on
# unrestricted joints (15°, half-way up by a chair); and up to where a pelvis counts as declared level, our choice.
TIPPED_DEG = 18.0
_LEVEL_DEG = 10.0


def sunk(skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, floor_m: list[float]) -> list[str]:
    """Per pose the fault of what is deeper under the floor than flesh and fingers give, '' when nothing is.

    `floor_m` is the height of the floor for each pose.  A fist has no fingertips that could be there.
    """
    names = [n for n in skeleton.landmarks.index if not n.startswith("com.")]
    depth = np.array(floor_m)[:, None] - posed.points[:, [skeleton.landmarks.index[n] for n in names], 2]
    for i, spec in enumerate(specs):
        for side in {c.point.split(".")[0] for c in spec.contacts if c.point.endswith(".knuckles")}:
            depth[i, names.index(f"{side}.fingertips")] = 0.0
    out = []
    for i, spec in enumerate(specs):
        k = int(depth[i].argmax())
        mm = 1000 * depth[i, k]
        out.append(
            f"{spec.name}: '{names[k]}' would be {mm:.0f} mm under the floor" if mm > 1000 * SUNK_M else ""
        )
    return out


def tipped(specs: list[PoseSpec], posed: Posed) -> list[str]:
    """Per pose the fault of a pelvis that was declared level and has tipped to the side, '' when it has not.

    `specs` are as declared: their root rotations are what was meant.
    """
    out = []
    for spec, solved in zip(specs, posed.root_rotation, strict=True):
        meant, now = (np.degrees(np.arcsin(np.clip(r[2, 1], -1.0, 1.0))) for r in (spec.root_rotation, solved))
        tip = abs(now - meant)
        level = abs(meant) <= _LEVEL_DEG
        out.append(
            f"{spec.name}: the pelvis would tip {tip:.0f}° to the side" if level and tip > TIPPED_DEG else ""
        )
    return out


__all__ = ["SUNK_M", "TIPPED_DEG", "sunk", "tipped"]
