"""Poses that meet every contact and are still none that anybody takes.

With stiff joints the solver can find a body whose contacts all hold while its trunk hangs under the floor or its pelvis
has tipped to the side.  Such a pose is not one to judge: it gets a fault, like a contact that stays open.
"""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.flat import Flat
from amvel.body.pose_fault import PelvisTips, PoseFault, UnderTheFloor
from amvel.body.posing import Posed
from amvel.body.skeleton import Skeleton
from amvel.body.tree import Array, Rows

SUNK_M = 0.030  # a finger bends back, a buttock or a heel gives by about so much: our estimate
# How far a pelvis that is declared level may tip: our estimate, a little more than any step of the library needs on
# unrestricted joints (15°, half-way up by a chair); and up to where a pelvis counts as declared level, our choice.
TIPPED_DEG = 18.0
_LEVEL_DEG = 10.0


def sunk(skeleton: Skeleton, flat: Flat, names: list[str], posed: Posed, floor_m: Array) -> list[PoseFault | None]:
    """Per pose the fault of what is deeper under the floor than flesh and fingers give, None when nothing is.

    `floor_m` is the height of the floor for each pose.  A fist has no fingertips that could be there.
    """
    marks = _on_the_skin(skeleton)
    depth = floor_m[:, None] - posed.points[:, marks.row, 2]
    pose = np.repeat(np.arange(flat.poses), np.diff(flat.contacts.first))
    for knuckles, fingertips in marks.fists:
        depth[pose[flat.contacts.point == knuckles], fingertips] = 0.0
    out: list[PoseFault | None] = [None] * flat.poses
    for i in np.flatnonzero(depth.max(axis=1) > SUNK_M):
        k = int(depth[i].argmax())
        out[i] = UnderTheFloor(names[i], marks.name[k], float(depth[i, k]))
    return out


class _Skin(NamedTuple):
    """Landmarks that can touch something: names, their rows, and of each hand the row of its knuckles and the place here of
    its fingertips."""

    name: list[str]
    row: Rows
    fists: list[tuple[int, int]]


@lru_cache(maxsize=64)
def _on_the_skin(skeleton: Skeleton) -> _Skin:
    index = skeleton.landmarks.index
    names = [n for n in index if not n.startswith("com.")]
    fists = [(index[f"{side}.knuckles"], names.index(f"{side}.fingertips")) for side in ("left", "right")]
    return _Skin(names, np.array([index[n] for n in names]), fists)


def tipped(names: list[str], meant: Array, posed: Posed) -> list[PoseFault | None]:
    """Per pose the fault of a pelvis that was declared level and has tipped to the side, None when it has not.

    `meant` (B×3×3) are the orientations of the pelvis as declared.
    """
    before, now = (np.degrees(np.arcsin(np.clip(r[:, 2, 1], -1.0, 1.0))) for r in (meant, posed.root_rotation))
    tip = np.abs(now - before)
    out: list[PoseFault | None] = [None] * len(names)
    for i in np.flatnonzero((np.abs(before) <= _LEVEL_DEG) & (tip > TIPPED_DEG)):
        out[i] = PelvisTips(names[i], float(tip[i]))
    return out


__all__ = ["SUNK_M", "TIPPED_DEG", "sunk", "tipped"]
