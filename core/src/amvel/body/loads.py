"""Forces and moments inside the body: at the trunk cuts, hips, knees and shoulders.

Compression is an estimate: weight along the spine, an equivalent muscle for the bending moment, the
hip flexor's pull when a hip is flexed against load, and a floor of co-contraction.  It is always taken
on absolute geometry.  Lever arms and shares are our estimates and compare poses with each other; they
are not a diagnosis of a vertebra.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel, kernel
from amvel.body.flat import NOWHERE, ContactTable, Flat, LoadTable
from amvel.body.posing import Posed
from amvel.body.pushes import GRAVITY_M_S2, Borne, Pushes, beyond, dot, gathered, norm, room_for_pushes
from amvel.body.skeleton import JOINT_INDEX, Skeleton
from amvel.body.statics import Reactions
from amvel.body.tree import Array, Flags, Rows, Tree, most_of
from amvel.literature import MCGILL, WILKE

COMPRESSION_MODEL = MCGILL.says("lever arms of a single equivalent muscle with a share of the hip flexors", reading=True)
LYING_REFERENCE = WILKE.says("0.10–0.12 MPa lying, times a disc of 18 cm²", reading=True)

LEVELS = {"t7_t8": "upper_thoracic", "t12_l1": "lower_thoracic", "l4_l5": "lumbar"}
MUSCLE_LEVER_SAGITTAL_M, MUSCLE_LEVER_FRONTAL_M, MUSCLE_LEVER_AXIAL_M = 0.060, 0.070, 0.055
LEVER_STATURE_M = 1.70
HIP_FLEXOR_LEVER_M = 0.045
# A hip that is nearly straight is held by its ligaments against a little extension (after Riener & Edrich 1999, from
# memory: about 10 N·m at the straight hip of 70 kg and 1.70 m, fading as it bends).
LIGAMENT_NM, _LIGAMENT_OF_N = 10.0, 70.0 * GRAVITY_M_S2
_LIGAMENT_FULL_DEG, _LIGAMENT_FADES_DEG = 5.0, 20.0
HIP_FLEXOR_SHARE = {"t7_t8": 0.0, "t12_l1": 0.25, "l4_l5": 0.5}
# The abdominal wall that holds the pelvis spans ribs to pelvis; above its upper attachment it fades.
WALL_SHARE = {"t7_t8": 0.4, "t12_l1": 1.0, "l4_l5": 1.0}
# Arms held overhead arch the ribs; the same wall holds them, whole at the ribs and less below (our reading).
ARMS_SHARE = {"t7_t8": 1.0, "t12_l1": 1.0, "l4_l5": 0.5}
# Bending the spine without gravity's help stretches the back: N·m per degree of rounding (our estimate).
PASSIVE_NM_PER_DEG = 0.6
COCONTRACTION_BW = 0.15
LYING_REFERENCE_BW = 0.36  # 0.12 MPa × 18 cm² on the fixed reference body of 60 kg
# A trunk that leans on a rest or a table: 0.27 MPa slouched against a back rest (Wilke et al. 1999), on the same disc and body.
LEANING_REFERENCE_BW = 0.82

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
    """Per pose: trunk moments and compressions by level, joint moments by name, pelvic control moments (N, N·m).

    `direction` holds what the load does to the trunk at each level, and so what must be held: it bends it forward (the
    back holds), arches it (the belly holds), bends it to a side or turns it (signed, positive to the left).
    """

    moment: dict[str, Array]
    compression: dict[str, Array]
    direction: dict[str, dict[str, Array]]
    joint_moment: dict[str, Array]
    pelvic_flexion: Array
    pelvic_rotation: Array
    pelvic_side: Array
    hand_pull: dict[str, Array]
    margin_m: Array


_DIRECTIONS = 72
_ALL_ROUND = np.array([(np.cos(a), np.sin(a)) for a in 2 * np.pi * np.arange(_DIRECTIONS) / _DIRECTIONS])


class Cuts(NamedTuple):
    """Where the body is cut: for each level its joint, the next one above, the segment in whose planes it is told, what lies
    above and below (3×S), and the shares of wall and hip flexor; for each side its joints and limbs."""

    joint: Rows
    above_joint: Rows
    segment: Rows
    above: Flags
    below: Flags
    wall: Array
    arms: Array
    flexor: Array
    hip: Rows
    hip_out: Rows
    knee: Rows
    shoulder: Rows
    leg: Flags
    arm: Flags
    shank: Rows
    thigh: Rows
    hand: Rows
    spine: Rows


_NEXT = {"lumbar": "lower_thoracic", "lower_thoracic": "upper_thoracic", "upper_thoracic": "neck"}
_SEGMENT = {"lumbar": "lumbar", "lower_thoracic": "lower_thorax", "upper_thoracic": "upper_thorax"}
_SIDES = ("left", "right")
_JOINT_MOMENTS = ("hip", "knee", "shoulder", "hip_side", "hip_flexor")
# Columns of the kernel's answer.
_COLUMNS = (
    *(f"moment.{level}" for level in LEVELS),
    *(f"compression.{level}" for level in LEVELS),
    *(f"{d}.{level}" for level in LEVELS for d in ("sagittal", "side", "turning")),
    *(f"{s}.{j}" for s in _SIDES for j in _JOINT_MOMENTS),
    "pelvic_flexion",
    "pelvic_rotation",
    "pelvic_side",
    "left.hand_pull",
    "right.hand_pull",
    "margin",
)


def load_column(name: str) -> int:
    """The column of the kernel's answer that holds this."""
    return _COLUMNS.index(name)


@lru_cache(maxsize=4)
def _cuts_of(names: tuple[str, ...]) -> Cuts:
    def flags(parts: tuple[str, ...]) -> Flags:
        return np.array([n in parts for n in names])

    def joints(name: str) -> Rows:
        return np.array([JOINT_INDEX[f"{s}.{name}"] for s in _SIDES])

    def limbs(limb: str) -> Flags:
        return np.array([flags(tuple(f"{s}.{p}" for p in LIMB_SEGMENTS[limb])) for s in _SIDES])

    regions = list(LEVELS.values())
    return Cuts(
        np.array([JOINT_INDEX[f"{r}.flexion"] for r in regions]),
        np.array([JOINT_INDEX[f"{_NEXT[r]}.flexion"] for r in regions]),
        np.array([names.index(_SEGMENT[r]) for r in regions]),
        np.array([flags(_TRUNK_ABOVE[level]) for level in LEVELS]),
        np.array([flags(_TRUNK_BELOW[level]) for level in LEVELS]),
        np.array([WALL_SHARE[level] for level in LEVELS]),
        np.array([ARMS_SHARE[level] for level in LEVELS]),
        np.array([HIP_FLEXOR_SHARE[level] for level in LEVELS]),
        joints("hip.flexion"),
        joints("hip.abduction"),
        joints("knee.flexion"),
        joints("shoulder.flexion"),
        limbs("leg"),
        limbs("arm"),
        np.array([names.index(f"{s}.shank") for s in _SIDES]),
        np.array([names.index(f"{s}.thigh") for s in _SIDES]),
        np.array([names.index(f"{s}.hand") for s in _SIDES]),
        np.array([JOINT_INDEX[f"{r}.flexion"] for r in ("lumbar", "lower_thoracic", "upper_thoracic")]),
    )


def inner_loads(skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions) -> InnerLoads:
    """Cut the body and balance each side.  All arrays have length B."""
    return loads_of_table(inner_loads_table(skeleton, flat, posed, reactions))


def inner_loads_table(skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions) -> Array:
    """The same with one row for each pose."""
    out = np.zeros((flat.poses, len(_COLUMNS)))
    _cut_all(
        skeleton.tree,
        _cuts_of(tuple(skeleton.names)),
        flat.contacts,
        flat.loads,
        flat.neutral,
        posed.angles,
        posed.placement.origin,
        posed.placement.rotation,
        posed.placement.axis,
        posed.placement.centre,
        posed.points,
        reactions.borne,
        skeleton.body.stature_m / LEVER_STATURE_M,
        _room_for(flat, len(skeleton.tree.com)),
        out,
    )
    return out


def loads_of_table(table: Array) -> InnerLoads:
    """By name what the rows of such a table hold."""
    column = dict(zip(_COLUMNS, table.T, strict=True))
    bent = {level: column[f"sagittal.{level}"] for level in LEVELS}
    return InnerLoads(
        {level: column[f"moment.{level}"] for level in LEVELS},
        {level: column[f"compression.{level}"] for level in LEVELS},
        {
            level: {
                "bending": np.maximum(bent[level], 0.0),
                "arching": np.maximum(-bent[level], 0.0),
                "side": column[f"side.{level}"],
                "turning": column[f"turning.{level}"],
            }
            for level in LEVELS
        },
        {f"{s}.{j}": column[f"{s}.{j}"] for s in _SIDES for j in _JOINT_MOMENTS},
        column["pelvic_flexion"],
        column["pelvic_rotation"],
        column["pelvic_side"],
        {s: column[f"{s}.hand_pull"] for s in _SIDES},
        column["margin"],
    )


def joint_torques(skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions) -> Array:
    """B×J (N·m): the moment about every joint's axis of all forces on what that joint moves; muscles hold the opposite."""
    out = np.zeros(posed.angles.shape)
    _torques_all(
        skeleton.tree,
        flat.contacts,
        flat.loads,
        posed.placement.axis,
        posed.placement.centre,
        posed.points,
        reactions.borne,
        _room_for(flat, len(skeleton.tree.com)),
        out,
    )
    return out


class _Room(NamedTuple):
    """What one body is cut in, made once for many: its pushes, a force and a moment (3), what presses on each segment (S),
    and the corners of all contacts seen from above (4C×2)."""

    pushes: Pushes
    force: Array
    moment: Array
    pressing: Array
    corners: Array


def _room_for(flat: Flat, segments: int) -> _Room:
    return _room(segments, most_of(flat.contacts.first), most_of(flat.loads.first))


@lru_cache(maxsize=64)
def _room(segments: int, contacts: int, loads: int) -> _Room:
    """Shared, see `compiled`."""
    pushes = room_for_pushes(segments, contacts, loads)
    return _Room(pushes, np.zeros(3), np.zeros(3), np.zeros(segments), np.zeros((4 * contacts, 2)))


@kernel
def _torques_all(
    tree: Tree,
    contacts: ContactTable,
    loads: LoadTable,
    axis: Array,
    centre: Array,
    points: Array,
    borne: Borne,
    room: _Room,
    out: Array,
) -> None:
    for b in range(len(out)):
        p = gathered(tree, contacts, loads, b, points[b], borne, room.pushes)
        for j in range(out.shape[1]):
            beyond(tree, p, j, centre[b, j], room.force, room.moment)
            out[b, j] = dot(room.moment, axis[b, j])


@inner_kernel
def _pressed(pressing: Array, wanted: Flags) -> float:
    total = 0.0
    for s in range(len(wanted)):
        if wanted[s]:
            total += pressing[s]
    return total


@kernel
def _cut_all(
    tree: Tree,
    cuts: Cuts,
    contacts: ContactTable,
    loads: LoadTable,
    neutral: Array,
    angles: Array,
    origin: Array,
    turned: Array,
    axis: Array,
    centre: Array,
    points: Array,
    borne: Borne,
    size: float,
    room: _Room,
    out: Array,
) -> None:
    weight_n = _weight_n(tree)
    for b in range(len(angles)):
        p = gathered(tree, contacts, loads, b, points[b], borne, room.pushes)
        room.pressing[:] = 0.0
        for c in range(contacts.first[b], contacts.first[b + 1]):
            room.pressing[borne.segment[c]] += norm(borne.force[c])
        rounding = 0.0
        for j in cuts.spine:
            rounding += np.degrees(angles[b, j] - neutral[b, j])
        _pulls(tree, cuts, p, len(p.segment) - (loads.first[b + 1] - loads.first[b]), out[b])
        out[b, _LIMB_COLUMNS + 15] = _margin_m(tree, contacts, b, points[b], borne.force, weight_n, room.corners)
        _cut(tree, cuts, p, weight_n, rounding, angles[b], origin[b], turned[b], axis[b], centre[b], size, room, out[b])


@inner_kernel
def _weight_n(tree: Tree) -> float:
    mass = 0.0
    for s in range(len(tree.mass_kg)):
        mass += tree.mass_kg[s]
    return mass * GRAVITY_M_S2


@inner_kernel
def _pulls(tree: Tree, cuts: Cuts, p: Pushes, first: int, out: Array) -> None:
    """What outside loads pull on each hand (N): the pushes from row `first` on."""
    for s in range(2):
        x, y, z = 0.0, 0.0, 0.0
        for n in range(first, len(p.segment)):
            if p.segment[n] == cuts.hand[s]:
                x, y, z = x + p.force[n, 0], y + p.force[n, 1], z + p.force[n, 2]
        out[_LIMB_COLUMNS + 13 + s] = np.sqrt(x**2 + y**2 + z**2)


@inner_kernel
def _margin_m(
    tree: Tree, contacts: ContactTable, b: int, points: Array, force: Array, weight_n: float, corners: Array
) -> float:
    """How far the centre of mass is inside the base of what carries upwards, seen from above (m)."""
    x, y, mass = 0.0, 0.0, weight_n / GRAVITY_M_S2
    for s in range(len(tree.com)):
        x += tree.mass_kg[s] * points[tree.com[s], 0]
        y += tree.mass_kg[s] * points[tree.com[s], 1]
    x, y = x / mass, y / mass
    count = 0
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.on[c] == NOWHERE and force[c, 2] > 0.005 * weight_n:
            at = contacts.point[c]
            for u in (-1.0, 1.0):
                for v in (-1.0, 1.0):
                    corners[count, 0] = points[at, 0] + u * contacts.half[c, 0] - x
                    corners[count, 1] = points[at, 1] + v * contacts.half[c, 1] - y
                    count += 1
    if count == 0:
        return np.nan
    # Seen from the centre of mass, the base reaches this far in the direction in which it reaches least.
    least = np.inf
    for k in range(_DIRECTIONS):
        reach, c, s = -np.inf, _ALL_ROUND[k, 0], _ALL_ROUND[k, 1]
        for n in range(count):
            reach = max(reach, corners[n, 0] * c + corners[n, 1] * s)
        least = min(least, reach)
    return least


@inner_kernel
def _along(moment: Array, turned: Array, segment: int, column: int) -> float:
    total = 0.0
    for i in range(3):
        total += moment[i] * turned[segment, i, column]
    return total


@inner_kernel
def _limbs(
    tree: Tree,
    cuts: Cuts,
    p: Pushes,
    weight_n: float,
    angles: Array,
    turned: Array,
    origin: Array,
    axis: Array,
    centre: Array,
    size: float,
    room: _Room,
    out: Array,
) -> tuple[float, float, float, float]:
    """Joint moments of the limbs; returns the pelvic control moments (signed: tilting, turning, sideways) and the pull of
    the hip flexors."""
    f, m, pressing = room.force, room.moment, room.pressing
    tilting, turning, sideways, flexor_n = 0.0, 0.0, 0.0, 0.0
    for s in range(2):
        if _pressed(pressing, cuts.leg[s]) < 0.005 * weight_n:
            beyond(tree, p, cuts.hip[s], origin[0], f, m)
            tilting += _along(m, turned, 0, 1)
            turning += _along(m, turned, 0, 2)
            sideways += _along(m, turned, 0, 0)
        if _pressed(pressing, cuts.arm[s]) < 0.005 * weight_n:
            beyond(tree, p, cuts.shoulder[s], origin[0], f, m)
            turning += _along(m, turned, 0, 2)
        at = _LIMB_COLUMNS + 5 * s
        beyond(tree, p, cuts.hip[s], centre[cuts.hip[s]], f, m)
        out[at] = norm(m)
        out[at + 3] = max(0.0, -dot(m, axis[cuts.hip_out[s]]))
        # Gravity extends the hip when its moment is against the flexion axis: the hip flexor holds it.
        extending = max(0.0, -dot(m, axis[cuts.hip[s]]))
        bent = min(1.0, max(0.0, (np.degrees(angles[cuts.hip[s]]) - _LIGAMENT_FULL_DEG) / _LIGAMENT_FADES_DEG))
        out[at + 4] = max(0.0, extending - (1.0 - bent) * LIGAMENT_NM * weight_n * size / _LIGAMENT_OF_N)
        # How a leg that rests on thigh, knee or calf shares the shear with the other supports is not determined by statics
        # (our reading): it is carried there, not by the hip flexor.
        if pressing[cuts.shank[s]] + pressing[cuts.thigh[s]] <= 0.01 * weight_n:
            flexor_n += out[at + 4] / HIP_FLEXOR_LEVER_M
        beyond(tree, p, cuts.knee[s], centre[cuts.knee[s]], f, m)
        out[at + 1] = norm(m)
        beyond(tree, p, cuts.shoulder[s], centre[cuts.shoulder[s]], f, m)
        out[at + 2] = norm(m)
    return tilting, turning, sideways, flexor_n


@inner_kernel
def _raised_arms(
    tree: Tree, cuts: Cuts, p: Pushes, weight_n: float, turned: Array, centre: Array, room: _Room
) -> float:
    """Moment of lifted arms about T7/8 on ribs that lie on something: face up it arches them (negative; the belly holds
    it), face down it bends them (positive; the back holds it).  On the side arms turn the trunk instead."""
    faces, bending = turned[cuts.segment[0], 2, 0], 0.0
    for s in range(2):
        if _pressed(room.pressing, cuts.arm[s]) < 0.005 * weight_n:
            beyond(tree, p, cuts.shoulder[s], centre[cuts.joint[0]], room.force, room.moment)
            bending += _along(room.moment, turned, cuts.segment[0], 1)
    if faces > _FACING:
        return min(0.0, bending)
    return max(0.0, bending) if faces < -_FACING else 0.0


@inner_kernel
def _cut(
    tree: Tree,
    cuts: Cuts,
    p: Pushes,
    weight_n: float,
    rounding: float,
    angles: Array,
    origin: Array,
    turned: Array,
    axis: Array,
    centre: Array,
    size: float,
    room: _Room,
    out: Array,
) -> None:
    f, m, pressing = room.force, room.moment, room.pressing
    tilting, pelvic_turning, sideways, flexor_n = _limbs(
        tree, cuts, p, weight_n, angles, turned, origin, axis, centre, size, room, out
    )
    out[_LIMB_COLUMNS + 10], out[_LIMB_COLUMNS + 11], out[_LIMB_COLUMNS + 12] = abs(tilting), abs(pelvic_turning), abs(sideways)
    arms = _raised_arms(tree, cuts, p, weight_n, turned, centre, room)
    carried = 0.0
    for k in range(3):
        j = cuts.joint[k]
        beyond(tree, p, j, centre[j], f, m)
        side, sagittal, turning = (
            -_along(m, turned, cuts.segment[k], 0),
            _along(m, turned, cuts.segment[k], 1),
            _along(m, turned, cuts.segment[k], 2),
        )
        up = cuts.above_joint[k]
        x, y, z = centre[up, 0] - centre[j, 0], centre[up, 1] - centre[j, 1], centre[up, 2] - centre[j, 2]
        length = np.sqrt(x**2 + y**2 + z**2)
        axial = max(0.0, -(f[0] * x + f[1] * y + f[2] * z) / length)
        supported = _pressed(pressing, cuts.above[k]) > 0.01 * weight_n and _pressed(pressing, cuts.below[k]) > 0.01 * weight_n
        if supported:
            # What a back on a floor or at a wall presses where is not determined; what lifted limbs ask of it is.
            axial = max(0.0, z / length) * max(0.0, -f[2])
            turning, side = cuts.wall[k] * pelvic_turning, cuts.wall[k] * sideways
            tilt, hang = -cuts.wall[k] * tilting, cuts.arms[k] * arms
            sagittal = tilt if abs(tilt) >= abs(hang) else hang
            if carried > abs(sagittal):
                sagittal = -carried
        if sagittal <= 1.0 and rounding > 0.0:  # what it takes to hold the trunk round where gravity does not do it
            sagittal = -(abs(sagittal) + PASSIVE_NM_PER_DEG * rounding)
        if not supported:
            carried = max(carried, abs(sagittal))
        out[k] = np.sqrt(sagittal**2 + side**2 + turning**2)
        muscle = (
            abs(sagittal) / MUSCLE_LEVER_SAGITTAL_M + abs(side) / MUSCLE_LEVER_FRONTAL_M + abs(turning) / MUSCLE_LEVER_AXIAL_M
        ) / size
        out[3 + k] = axial + muscle + cuts.flexor[k] * flexor_n + COCONTRACTION_BW * weight_n
        out[6 + 3 * k], out[7 + 3 * k], out[8 + 3 * k] = sagittal, side, turning


_FACING = 0.5  # the breastbone up or down by more than 30°
_LIMB_COLUMNS = 15  # three levels, each with moment, compression and three directions

__all__ = ["COMPRESSION_MODEL", "LEANING_REFERENCE_BW", "LEVELS", "LYING_REFERENCE", "LYING_REFERENCE_BW", "InnerLoads", "inner_loads", "joint_torques"]
