"""Forces and moments inside the body: at the trunk cuts, hips, knees and shoulders.

Compression is an estimate: weight along the spine, an equivalent muscle for the bending moment, the
hip flexor's pull when a hip is flexed against load, and a floor of co-contraction.  It is always taken
on absolute geometry.  Lever arms and shares are our estimates and compare poses with each other; they
are not a diagnosis of a vertebra.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from amvel.body.pose import PoseSpec
from amvel.body.posing import Posed
from amvel.body.skeleton import JOINT_INDEX, Array, Skeleton
from amvel.body.statics import GRAVITY_M_S2, Reactions
from amvel.sources import Source

COMPRESSION_MODEL = Source(
    "single equivalent muscle with hip-flexor share; lever arms after McGill, Low Back Disorders", reading=True
)
LYING_REFERENCE = Source("Wilke et al. 1999: 0.10–0.12 MPa lying, times a disc of 18 cm²", reading=True)

LEVELS = {"t7_t8": "upper_thoracic", "t12_l1": "lower_thoracic", "l4_l5": "lumbar"}
MUSCLE_LEVER_M = {"sagittal": 0.060, "frontal": 0.070, "axial": 0.055}
LEVER_STATURE_M = 1.70
HIP_FLEXOR_LEVER_M = 0.045
HIP_FLEXOR_SHARE = {"t7_t8": 0.0, "t12_l1": 0.25, "l4_l5": 0.5}
# The abdominal wall that holds the pelvis spans ribs to pelvis; above its upper attachment it fades.
WALL_SHARE = {"t7_t8": 0.4, "t12_l1": 1.0, "l4_l5": 1.0}
# Bending the spine without gravity's help stretches the back: N·m per degree of rounding (our estimate).
PASSIVE_NM_PER_DEG = 0.6
COCONTRACTION_BW = 0.15
LYING_REFERENCE_BW = 0.36  # 0.12 MPa × 18 cm² on the fixed reference body of 60 kg

_TRUNK_ABOVE = {
    "t7_t8": ("upper_thorax", "neck", "head"),
    "t12_l1": ("lower_thorax", "upper_thorax", "neck", "head"),
    "l4_l5": ("lumbar", "lower_thorax", "upper_thorax", "neck", "head"),
}
_TRUNK_BELOW = {
    "t7_t8": ("lower_thorax", "lumbar", "pelvis"),
    "t12_l1": ("lumbar", "pelvis"),
    "l4_l5": ("pelvis",),
}
LIMB_SEGMENTS = {"leg": ("thigh", "shank", "foot", "toes"), "arm": ("upper_arm", "forearm", "hand")}


@dataclass
class InnerLoads:
    """Per pose: trunk moments and compressions by level, joint moments by name, pelvic control moments (N, N·m)."""

    moment: dict[str, Array]
    compression: dict[str, Array]
    joint_moment: dict[str, Array]
    pelvic_flexion: Array
    pelvic_rotation: Array
    in_contact: dict[str, Array]


def inner_loads(skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, reactions: Reactions) -> InnerLoads:
    """Cut the body and balance each side.  All arrays have length B."""
    return _Cuts(skeleton, specs, posed, reactions).all()


class _Cuts:
    def __init__(self, skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, reactions: Reactions) -> None:
        self.s, self.posed = skeleton, posed
        self.count = len(specs)
        self.neutral = {
            d: np.array([s.neutral_rad.get(d, 0.0) for s in specs])
            for d in ("lumbar.flexion", "lower_thoracic.flexion", "upper_thoracic.flexion")
        }
        weights = np.zeros((self.count, len(skeleton.names), 3))
        weights[..., 2] = -skeleton.mass_kg * GRAVITY_M_S2
        where = [posed.points[:, skeleton.com_rows], reactions.where]
        force = [weights, reactions.force]
        segment = [
            np.broadcast_to(np.arange(len(skeleton.names)), (self.count, len(skeleton.names))),
            reactions.segment,
        ]
        loads = self._loads(specs)
        self.where = np.concatenate([*where, loads[0]], axis=1)
        self.force = np.concatenate([*force, loads[1]], axis=1)
        self.segment = np.concatenate([*segment, loads[2]], axis=1)
        self.pressing = np.zeros((self.count, len(skeleton.names)))
        size = np.linalg.norm(reactions.force, axis=-1)
        rows = np.broadcast_to(np.arange(self.count)[:, None], reactions.segment.shape)
        np.add.at(self.pressing, (rows, reactions.segment), size)
        self.weight_n = float(skeleton.mass_kg.sum()) * GRAVITY_M_S2
        self.lever = skeleton.body.stature_m / LEVER_STATURE_M

    def _loads(self, specs: list[PoseSpec]) -> tuple[Array, Array, NDArray[np.int64]]:
        most = max((len(s.loads) for s in specs), default=0)
        where, force = np.zeros((self.count, most, 3)), np.zeros((self.count, most, 3))
        segment = np.zeros((self.count, most), dtype=np.int64)
        for b, spec in enumerate(specs):
            for i, load in enumerate(spec.loads):
                row = self.s.landmarks.index[load.point]
                where[b, i] = self.posed.points[b, row]
                force[b, i] = load.force_at(self.posed.points[b], self.s.landmarks.index)
                segment[b, i] = self.s.landmarks.segment[row]
        return where, force, segment

    def beyond(self, joint: str) -> tuple[Array, Array]:
        """Force (B×3) and moment (B×3) that everything moved by this joint exerts on it."""
        j = JOINT_INDEX[joint]
        mine = self.s.moves[:, j][self.segment][..., None]
        force = (self.force * mine).sum(1)
        arm = self.where - self.posed.placement.centre[:, None, j]
        return force, np.cross(arm, self.force * mine).sum(1)

    def pressed(self, names: tuple[str, ...]) -> Array:
        rows = [self.s.segment_index[n] for n in names]
        return self.pressing[:, rows].sum(1)

    def all(self) -> InnerLoads:
        limbs = {
            f"{side}.{limb}": self.pressed(tuple(f"{side}.{p}" for p in parts))
            for side in ("left", "right")
            for limb, parts in LIMB_SEGMENTS.items()
        }
        flexion, rotation = self._pelvic(limbs)
        joints = self._joint_moments()
        moment, compression = self._trunk(flexion, rotation, joints)
        return InnerLoads(moment, compression, joints, np.abs(flexion), np.abs(rotation), limbs)

    def _lifted(self, limbs: dict[str, Array], limb: str) -> NDArray[np.bool_]:
        return limbs[limb] < 0.005 * self.weight_n

    def _pelvic(self, limbs: dict[str, Array]) -> tuple[Array, Array]:
        pelvis = self.posed.placement.rotation[:, self.s.segment_index["pelvis"]]
        flexion, rotation = np.zeros(self.count), np.zeros(self.count)
        for side in ("left", "right"):
            for limb, joint in (("leg", "hip.flexion"), ("arm", "shoulder.flexion")):
                lifted = self._lifted(limbs, f"{side}.{limb}")
                _, moment = self._about_hip_axis(f"{side}.{joint}")
                if limb == "leg":
                    flexion += np.where(lifted, np.einsum("bi,bi->b", moment, pelvis[:, :, 1]), 0.0)
                rotation += np.where(lifted, np.einsum("bi,bi->b", moment, pelvis[:, :, 2]), 0.0)
        return flexion, rotation

    def _about_hip_axis(self, joint: str) -> tuple[Array, Array]:
        j = JOINT_INDEX[joint]
        mine = self.s.moves[:, j][self.segment][..., None]
        force = self.force * mine
        arm = self.where - self.posed.placement.origin[:, None, self.s.segment_index["pelvis"]]
        return force.sum(1), np.cross(arm, force).sum(1)

    def _joint_moments(self) -> dict[str, Array]:
        found = {}
        for side in ("left", "right"):
            for joint, dof in (
                ("hip", "hip.flexion"),
                ("knee", "knee.flexion"),
                ("shoulder", "shoulder.flexion"),
            ):
                _, moment = self.beyond(f"{side}.{dof}")
                found[f"{side}.{joint}"] = np.linalg.norm(moment, axis=1)
                if joint == "hip":
                    out = self.posed.placement.axis[:, JOINT_INDEX[f"{side}.hip.abduction"]]
                    found[f"{side}.hip_abductor"] = np.maximum(0.0, -np.einsum("bi,bi->b", moment, out))
                    axis = self.posed.placement.axis[:, JOINT_INDEX[f"{side}.{dof}"]]
                    # Gravity extends the hip when its moment is against the flexion axis: the hip flexor holds it.
                    found[f"{side}.hip_flexor"] = np.maximum(0.0, -np.einsum("bi,bi->b", moment, axis))
        return found

    def _trunk(
        self, pelvic_flexion: Array, pelvic_rotation: Array, joints: dict[str, Array]
    ) -> tuple[dict[str, Array], dict[str, Array]]:
        moments, compressions = {}, {}
        carried = np.zeros(self.count)
        flexor_n = sum(self._psoas_n(side, joints[f"{side}.hip_flexor"]) for side in ("left", "right"))
        for level, region in LEVELS.items():
            force, moment = self.beyond(f"{region}.flexion")
            parts = self._by_plane(region, moment)
            axial = np.maximum(0.0, -np.einsum("bi,bi->b", force, self._axis(region)))
            lying = (self.pressed(_TRUNK_ABOVE[level]) > 0.01 * self.weight_n) & (
                self.pressed(_TRUNK_BELOW[level]) > 0.01 * self.weight_n
            )
            wall = WALL_SHARE[level]
            sagittal = np.where(lying, np.maximum(wall * np.abs(pelvic_flexion), carried), parts[0])
            frontal = np.where(lying, 0.0, parts[1])
            turning = np.where(lying, wall * np.abs(pelvic_rotation), parts[2])
            axial = np.where(lying, 0.0, axial)
            sagittal = sagittal + self._against_stiffness(region, moment)
            carried = np.where(lying, carried, np.maximum(carried, sagittal))
            moments[level] = np.sqrt(sagittal**2 + frontal**2 + turning**2)
            muscle = sum(
                m / (MUSCLE_LEVER_M[p] * self.lever)
                for m, p in ((sagittal, "sagittal"), (frontal, "frontal"), (turning, "axial"))
            )
            compressions[level] = (
                axial + muscle + HIP_FLEXOR_SHARE[level] * flexor_n + COCONTRACTION_BW * self.weight_n
            )
        return moments, compressions

    def _psoas_n(self, side: str, moment: Array) -> Array:
        """Pull of the hip flexor of one side.  A leg that rests on knee or calf is carried there, not by it.

        How such a leg shares the shear between knees and hands is not determined by statics (our reading).
        """
        rests = self.pressed((f"{side}.shank",)) > 0.01 * self.weight_n
        return np.where(rests, 0.0, moment / HIP_FLEXOR_LEVER_M)

    def _against_stiffness(self, region: str, moment: Array) -> Array:
        """What it takes to hold the trunk round where gravity does not do it: lying on the back."""
        rounding = sum(
            np.degrees(self.posed.angles[:, JOINT_INDEX[f"{r}.flexion"]] - self.neutral[f"{r}.flexion"])
            for r in ("lumbar", "lower_thoracic", "upper_thoracic")
        )
        axis = self.posed.placement.axis[:, JOINT_INDEX[f"{region}.flexion"]]
        by_gravity = np.einsum("bi,bi->b", moment, axis) > 1.0
        return np.where(by_gravity, 0.0, PASSIVE_NM_PER_DEG * np.maximum(0.0, rounding))

    def _axis(self, region: str) -> Array:
        nxt = {"lumbar": "lower_thoracic", "lower_thoracic": "upper_thoracic", "upper_thoracic": "neck"}[region]
        centre = self.posed.placement.centre
        along = centre[:, JOINT_INDEX[f"{nxt}.flexion"]] - centre[:, JOINT_INDEX[f"{region}.flexion"]]
        return along / np.linalg.norm(along, axis=1, keepdims=True)

    def _by_plane(self, region: str, moment: Array) -> tuple[Array, Array, Array]:
        segment = {"lumbar": "lumbar", "lower_thoracic": "lower_thorax", "upper_thoracic": "upper_thorax"}[
            region
        ]
        frame = self.posed.placement.rotation[:, self.s.segment_index[segment]]
        x, y, z = (np.abs(np.einsum("bi,bi->b", moment, frame[:, :, k])) for k in range(3))
        return y, x, z
