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
from amvel.body.sides import other_side
from amvel.body.tree import Array, Rows, Tree, place_all

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
SEGMENT_OF = {name: segment for name, segment, _ in JOINTS}  # what a joint moves
# What a left-right mirror makes of an angle: joints of a limb are declared mirrored, those of the middle turn about an axis that is.
MIRROR_SIGN = {name: 1.0 if axis[1] or other_side(name) != name else -1.0 for name, _, axis in JOINTS}


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
    def tree(self) -> Tree:
        """This body as flat arrays."""
        own = {n: [j for j, (_, moved, _) in enumerate(JOINTS) if moved == n] for n in self.names}
        parent = [-1 if s.parent is None else self.segment_index[s.parent] for s in self.body.segments]
        axes = np.array([axis for _, _, axis in JOINTS])
        about = np.abs(axes).argmax(1)
        return Tree(
            np.array(parent),
            np.array([s.joint for s in self.body.segments], dtype=float),
            np.cumsum([0, *(len(own[n]) for n in self.names)]),
            np.array([j for n in self.names for j in own[n]]),
            about,
            axes[np.arange(len(axes)), about],
            self.landmarks.segment,
            self.landmarks.local_m,
            self.mass_kg,
            self.com_rows,
            self.moves,
        )

    @cached_property
    def moves(self) -> NDArray[np.bool_]:
        """S×J: whether joint j moves segment s."""
        table = np.zeros((len(self.names), len(JOINTS)), dtype=bool)
        for i, segment in enumerate(self.body.segments):
            if segment.parent is not None:
                table[i] = table[self.segment_index[segment.parent]]
            for j, (_, moved, _) in enumerate(JOINTS):
                table[i, j] |= moved == segment.name
        return table

    def rows(self, marks: tuple[str, ...]) -> Rows:
        """The rows of these landmarks, looked up once."""
        if marks not in self._rows:
            self._rows[marks] = np.array([self.landmarks.index[m] for m in marks])
        return self._rows[marks]

    @cached_property
    def _rows(self) -> dict[tuple[str, ...], Rows]:
        return {}

    def place(self, root_position: Array, root_rotation: Array, angles: Array) -> Placement:
        """Place B poses: root_position B×3 (m), root_rotation B×3×3, angles B×J (rad)."""
        return self.place_with_points(root_position, root_rotation, angles)[0]

    def place_with_points(self, root_position: Array, root_rotation: Array, angles: Array) -> tuple[Placement, Array]:
        """The same, and all landmarks in the world (B×N×3, m)."""
        count, segments = len(angles), len(self.names)
        placed = Placement(
            np.zeros((count, segments, 3)),
            np.zeros((count, segments, 3, 3)),
            np.zeros((count, len(JOINTS), 3)),
            np.zeros((count, len(JOINTS), 3)),
        )
        points = np.empty((count, len(self.landmarks.index), 3))
        place_all(
            self.tree,
            np.ascontiguousarray(root_position, dtype=float),
            np.ascontiguousarray(root_rotation, dtype=float),
            np.ascontiguousarray(angles, dtype=float),
            placed.origin,
            placed.rotation,
            placed.axis,
            placed.centre,
            points,
        )
        return placed, points

    def points(self, placed: Placement) -> Array:
        """All landmarks in the world, B×N×3 (m)."""
        seg = self.landmarks.segment
        return placed.origin[:, seg] + np.einsum(
            "bnij,nj->bni", placed.rotation[:, seg], self.landmarks.local_m
        )

    def centre_of_mass(self, points: Array) -> Array:
        """Centre of mass of the whole body, B×3 (m)."""
        return np.einsum("s,bsi->bi", self.mass_kg, points[:, self.com_rows]) / self.mass_kg.sum()
