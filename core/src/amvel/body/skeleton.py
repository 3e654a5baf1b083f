"""Forward kinematics of the whole body, for many poses at once.

World frame: x forward, y left, z up.  Every segment frame coincides with the world's in relaxed
standing, so that a joint angle of zero is anatomical neutral.  Angles are radians, positive in the
direction that the joint's name says (flexion, abduction, side bend to the left, …).
"""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from amvel.body.anthropometry import Anthropometry
from amvel.body.landmarks import Landmarks

Array = NDArray[np.float64]

_SPINE_SEGMENT = {
    "lumbar": "lumbar",
    "lower_thoracic": "lower_thorax",
    "upper_thoracic": "upper_thorax",
    "neck": "neck",
}
_X, _Y, _Z = (1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)


def _neg(v: tuple[float, float, float]) -> tuple[float, float, float]:
    return (-v[0], -v[1], -v[2])


def _joints() -> list[tuple[str, str, tuple[float, float, float]]]:
    """(name, segment moved, axis) in the order in which the rotations of one joint follow each other."""
    joints: list[tuple[str, str, tuple[float, float, float]]] = []
    for region, segment in _SPINE_SEGMENT.items():
        joints += [
            (f"{region}.flexion", segment, _Y),
            (f"{region}.side_bend", segment, _neg(_X)),
            (f"{region}.rotation", segment, _Z),
        ]
    joints += [("head.nod", "head", _Y)]
    for side, s in (("left", 1), ("right", -1)):
        out = _X if s > 0 else _neg(_X)
        turn_in = _neg(_Z) if s > 0 else _Z
        joints += [
            (f"{side}.scapula.elevation", f"{side}.scapula", out),
            (f"{side}.scapula.protraction", f"{side}.scapula", turn_in),
            (f"{side}.shoulder.flexion", f"{side}.upper_arm", _neg(_Y)),
            (f"{side}.shoulder.abduction", f"{side}.upper_arm", out),
            (f"{side}.shoulder.rotation", f"{side}.upper_arm", turn_in),
            (f"{side}.elbow.flexion", f"{side}.forearm", _neg(_Y)),
            (f"{side}.forearm.pronation", f"{side}.forearm", turn_in),
            (f"{side}.wrist.extension", f"{side}.hand", out),
            (f"{side}.hip.flexion", f"{side}.thigh", _neg(_Y)),
            (f"{side}.hip.abduction", f"{side}.thigh", out),
            (f"{side}.hip.rotation", f"{side}.thigh", turn_in),
            (f"{side}.knee.flexion", f"{side}.shank", _Y),
            (f"{side}.ankle.dorsiflexion", f"{side}.foot", _neg(_Y)),
            (f"{side}.ankle.inversion", f"{side}.foot", _neg(out)),
            (f"{side}.toes.extension", f"{side}.toes", _neg(_Y)),
        ]
    return joints


JOINTS = tuple(_joints())
JOINT_INDEX = {name: i for i, (name, _, _) in enumerate(JOINTS)}
ROOT_DOF = 6


@dataclass
class Placement:
    """Where every segment of B poses lies: origins B×S×3, orientations B×S×3×3, joint axes and centres B×J×3."""

    origin: Array
    rotation: Array
    axis: Array
    centre: Array


class Skeleton:
    """One body's tree of segments."""

    def __init__(self, body: Anthropometry) -> None:
        self.body = body
        self.names = [s.name for s in body.segments]
        self.segment_index = {n: i for i, n in enumerate(self.names)}
        self.landmarks = Landmarks(body, self.segment_index)
        self.mass_kg = np.array([s.mass_kg for s in body.segments])
        self.com_rows = np.array([self.landmarks.index[f"com.{n}"] for n in self.names])

    @cached_property
    def plan(self) -> list[tuple[int, int, Array, list[tuple[int, Array]]]]:
        """Per segment: own row, parent row, joint offset, and its joint axes in order."""
        plan = []
        for i, segment in enumerate(self.body.segments):
            parent = -1 if segment.parent is None else self.segment_index[segment.parent]
            axes = [(j, np.array(axis)) for j, (_, moved, axis) in enumerate(JOINTS) if moved == segment.name]
            plan.append((i, parent, np.array(segment.joint), axes))
        return plan

    @cached_property
    def moves(self) -> NDArray[np.bool_]:
        """S×J: whether joint j moves segment s."""
        table = np.zeros((len(self.names), len(JOINTS)), dtype=bool)
        for i, parent, _, axes in self.plan:
            if parent >= 0:
                table[i] = table[parent]
            for j, _ in axes:
                table[i, j] = True
        return table

    def place(self, root_position: Array, root_rotation: Array, angles: Array) -> Placement:
        """Place B poses: root_position B×3 (m), root_rotation B×3×3, angles B×J (rad)."""
        count = len(angles)
        origin = np.zeros((count, len(self.names), 3))
        rotation = np.zeros((count, len(self.names), 3, 3))
        axis = np.zeros((count, len(JOINTS), 3))
        centre = np.zeros((count, len(JOINTS), 3))
        turns = rotations_of(angles)
        for i, parent, offset, axes in self.plan:
            if parent < 0:
                origin[:, i], rotation[:, i] = root_position, root_rotation
                continue
            origin[:, i] = origin[:, parent] + rotation[:, parent] @ offset
            turned = rotation[:, parent]
            for j, local in axes:
                axis[:, j] = turned @ local
                centre[:, j] = origin[:, i]
                turned = turned @ turns[:, j]
            rotation[:, i] = turned
        return Placement(origin, rotation, axis, centre)

    def points(self, placed: Placement) -> Array:
        """All landmarks in the world, B×N×3 (m)."""
        seg = self.landmarks.segment
        return placed.origin[:, seg] + np.einsum(
            "bnij,nj->bni", placed.rotation[:, seg], self.landmarks.local_m
        )

    def centre_of_mass(self, points: Array) -> Array:
        """Centre of mass of the whole body, B×3 (m)."""
        return np.einsum("s,bsi->bi", self.mass_kg, points[:, self.com_rows]) / self.mass_kg.sum()


def _cross_matrix(axis: Array) -> Array:
    return np.array([[0, -axis[2], axis[1]], [axis[2], 0, -axis[0]], [-axis[1], axis[0], 0]])


_K = np.array([_cross_matrix(np.array(axis)) for _, _, axis in JOINTS])
_K2 = _K @ _K


def rotations_of(angles: Array, joints: NDArray[np.int64] | slice = slice(None)) -> Array:
    """Rotation matrices B×J×3×3 of these joints (all of them by default), each about its own axis (Rodrigues)."""
    s, c = np.sin(angles)[..., None, None], np.cos(angles)[..., None, None]
    return np.eye(3) + s * _K[joints] + (1 - c) * _K2[joints]


def rotation_from_vector(vector: Array) -> Array:
    """Rotation matrices B×3×3 from rotation vectors B×3 (rad)."""
    angle = np.linalg.norm(vector, axis=-1)
    unit = vector / np.where(angle > 1e-12, angle, 1.0)[:, None]
    k = np.zeros((len(vector), 3, 3))
    k[:, 0, 1], k[:, 0, 2], k[:, 1, 2] = -unit[:, 2], unit[:, 1], -unit[:, 0]
    k -= k.transpose(0, 2, 1)
    s, c = np.sin(angle)[:, None, None], np.cos(angle)[:, None, None]
    return np.eye(3) + s * k + (1 - c) * (k @ k)
