"""A public door for checks: a body and frames in, angles, contact forces, moments, compression and gaps out.

`report` takes frames as families declare them; `read_poses` reads them from plain data (`./amvel pose FILE`).  Nothing
here knows of steps, clients or limits.
"""

from dataclasses import dataclass
from typing import Any, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field, ValidationError

from amvel.body import (
    GRAVITY_M_S2,
    HEALTHY_DEG,
    JOINTS,
    Anthropometry,
    Capacities,
    Measures,
    Skeleton,
    bands_started,
    cautious,
    flatten,
    healthy,
    joint_torques,
    measure,
    react_flat,
    solve_flat,
)
from amvel.body.loads import LEVELS, inner_loads
from amvel.movements.frames import Aim, Band, Frame, Surface, Touch
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.positions import FACE_DOWN, FACE_UP, LEFT_SIDE_UP, UPRIGHT

FACING = {"up": FACE_UP, "down": FACE_DOWN, "left side up": LEFT_SIDE_UP, "upright": UPRIGHT}


class PoseFileError(ValueError):
    """A file of poses is refused; `faults` holds one 'path: reason' per fault."""

    def __init__(self, faults: list[str]) -> None:
        super().__init__("; ".join(faults))
        self.faults = faults


@dataclass(frozen=True)
class ContactReport:
    """What one contact carries: where it is (cm) and with what force it presses on the body (N, world frame)."""

    landmark: str
    surface: str
    at_cm: tuple[float, float, float]
    force_n: tuple[float, float, float]


@dataclass(frozen=True)
class PoseReport:
    """One frame on one body.

    `angles_deg` by joint. `moments_nm` by level and direction: what the load does there and muscles must hold ('bending' forward,
    'arching', 'side' and 'turning' positive to the left). `compression_n` by level. `joints_nm` by side and joint, sizes.
    `pelvic_nm` are the control moments tilting, turning, sideways; `torques_nm` the
    moment of all forces about every joint's axis. `gap_mm` is the widest open contact, `unbalanced_n` what no
    admissible reaction balances. `fault` says why the body cannot take the pose, '' when it can.
    """

    name: str
    fault: str
    angles_deg: dict[str, float]
    contacts: tuple[ContactReport, ...]
    moments_nm: dict[str, dict[str, float]]
    compression_n: dict[str, float]
    joints_nm: dict[str, float]
    pelvic_nm: dict[str, float]
    torques_nm: dict[str, float]
    gap_mm: float
    unbalanced_n: float


def report(body: Anthropometry, frames: list[Frame], capacities: Capacities | None = None) -> list[PoseReport]:
    """Place the frames of one movement on a body (healthy ranges by default) and say what each asks of it."""
    skeleton, own = Skeleton(body), capacities or healthy()
    specs = [compile_frame(f, "pose", body, own) for f in frames]
    names = [f.name for f in frames]
    flat = flatten(skeleton, specs, [own.stops_rad()] * len(specs))
    posed = solve_flat(skeleton, flat, names)
    flat = bands_started(flat, posed.points, np.array([0, len(frames)]))
    reactions = react_flat(skeleton, flat, posed)
    loads = inner_loads(skeleton, flat, posed, reactions)
    torques = joint_torques(skeleton, flat, posed, reactions)
    weight_n = float(skeleton.mass_kg.sum()) * GRAVITY_M_S2
    return [
        PoseReport(
            names[b],
            str(posed.faults[b] or ""),
            {n: float(v) for (n, _, _), v in zip(JOINTS, np.degrees(posed.angles[b]), strict=True)},
            tuple(
                ContactReport(c.point, c.surface, _triple(100 * at), _triple(force))
                for c, at, force in zip(specs[b].contacts, reactions.at[own_], reactions.force[own_], strict=True)
            ),
            {level: {way: float(v[b]) for way, v in loads.direction[level].items()} for level in LEVELS},
            {level: float(loads.compression[level][b]) for level in LEVELS},
            {name: float(v[b]) for name, v in loads.joint_moment.items()},
            {
                "tilting": float(loads.pelvic_flexion[b]),
                "turning": float(loads.pelvic_rotation[b]),
                "sideways": float(loads.pelvic_side[b]),
            },
            {n: float(v) for (n, _, _), v in zip(JOINTS, torques[b], strict=True)},
            1000 * float(posed.worst_gap_m[b]),
            weight_n * float(reactions.unbalanced[b]),
        )
        for b in range(len(frames))
        for own_ in (reactions.of(b),)
    ]


def _triple(values: np.ndarray) -> tuple[float, float, float]:
    x, y, z = (float(v) for v in values)
    return x, y, z


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


Triple = tuple[float, float, float]


class BodyData(_Strict):
    """Whose body; `ranges_deg` as measured ('left.hip_flexion': 95), healthy ones elsewhere."""

    stature_cm: float = Field(gt=0)
    mass_kg: float = Field(gt=0)
    sex: Literal["female", "male"]
    popliteal_height_cm: float | None = None
    arm_span_cm: float | None = None
    age_years: int | None = Field(None, description="of a growing body, below 18")
    ranges_deg: dict[str, float] = {}


class SurfaceData(_Strict):
    kind: Literal["level", "wall", "back"]
    at_cm: float
    friction: float = Field(0.5, ge=0)
    stiffness_n_per_m: float = Field(2.0e4, gt=0)


class TouchData(_Strict):
    landmark: str
    surface: str
    strategy: Literal["bears", "rests", "pushes", "leans"] | None = None
    bears: bool = True
    places: bool = True
    gap_cm: float = 0.0
    on: str | None = None


class AimData(_Strict):
    landmark: str
    axis: Literal["x", "y", "z"]
    value_cm: float
    origin: str | None = None
    weight: float = 1.0
    must_hold: bool = True


class LoadData(_Strict):
    landmark: str
    force_n: Triple


class BandData(_Strict):
    at: str
    pull_n: float
    to: str | None = None
    anchor_cm: Triple | None = None


class FrameData(_Strict):
    """One moment: joints in degrees ('left.hip.flexion': 90), which of them may give and how hard, and what touches what."""

    name: str
    facing: Literal["up", "down", "left side up", "upright"]
    root_at_cm: Triple = (0.0, 0.0, 90.0)
    angles_deg: dict[str, float] = {}
    free: dict[str, float] = {}
    neutral_deg: dict[str, float] = {}
    surfaces: dict[str, SurfaceData] = {}
    touches: list[TouchData] = []
    aims: list[AimData] = []
    loads: list[LoadData] = []
    bands: list[BandData] = []

    def frame(self) -> Frame:
        surfaces = {n: Surface(n, s.kind, s.at_cm, s.friction, s.stiffness_n_per_m) for n, s in self.surfaces.items()}
        return Frame(
            self.name,
            FACING[self.facing],
            self.root_at_cm,
            self.angles_deg,
            self.free,
            tuple(Touch(t.landmark, t.surface, t.strategy, t.bears, t.places, t.gap_cm, None, t.on) for t in self.touches),
            tuple(Aim(a.landmark, a.axis, a.value_cm, a.origin, a.weight, a.must_hold) for a in self.aims),
            tuple((x.landmark, x.force_n) for x in self.loads),
            tuple(Band(b.at, b.pull_n, b.to, b.anchor_cm) for b in self.bands),
            surfaces,
            self.neutral_deg,
        )


class PoseFile(_Strict):
    """A body and the frames of one movement."""

    body: BodyData
    frames: list[FrameData] = Field(min_length=1)


def read_poses(data: Any) -> tuple[Anthropometry, Capacities, list[Frame]]:
    """Check plain data and turn it into a body, its ranges and frames; raises PoseFileError naming every fault."""
    try:
        poses = PoseFile.model_validate(data)
    except ValidationError as error:
        raise PoseFileError([f"{'.'.join(str(p) for p in e['loc'])}: {e['msg']}" for e in error.errors()]) from error
    b = poses.body
    body = measure(
        Measures(b.stature_cm / 100, b.mass_kg, b.sex, _metres(b.popliteal_height_cm), _metres(b.arm_span_cm), 0.0, b.age_years)
    )
    faults = [f"body.ranges_deg.{n}: no such range" for n in b.ranges_deg if n.split(".")[-1] not in HEALTHY_DEG]
    faults += _unknown_names(Skeleton(body), poses.frames)
    if faults:
        raise PoseFileError(faults)
    return body, cautious({**healthy().range_deg, **b.ranges_deg}), [f.frame() for f in poses.frames]


def _metres(value_cm: float | None) -> float | None:
    return None if value_cm is None else value_cm / 100


def _unknown_names(skeleton: Skeleton, frames: list[FrameData]) -> list[str]:
    joints, marks = {n for n, _, _ in JOINTS}, {*skeleton.landmarks.index, "centre_of_mass"}
    faults = []
    for i, f in enumerate(frames):
        for part in ("angles_deg", "free", "neutral_deg"):
            faults += [f"frames.{i}.{part}.{n}: no such joint" for n in getattr(f, part) if n not in joints]
        for k, t in enumerate(f.touches):
            faults += [f"frames.{i}.touches.{k}.landmark: no landmark '{t.landmark}'"] if t.landmark not in marks else []
            faults += [f"frames.{i}.touches.{k}.surface: no surface '{t.surface}'"] if t.surface not in f.surfaces else []
        named = [("aims", k, n) for k, a in enumerate(f.aims) for n in (a.landmark, a.origin) if n]
        named += [("loads", k, x.landmark) for k, x in enumerate(f.loads)]
        named += [("bands", k, n) for k, b in enumerate(f.bands) for n in (b.at, b.to) if n]
        faults += [f"frames.{i}.{part}.{k}: no landmark '{n}'" for part, k, n in named if n not in marks]
    return faults


__all__ = ["FACING", "ContactReport", "PoseFile", "PoseFileError", "PoseReport", "read_poses", "report"]
