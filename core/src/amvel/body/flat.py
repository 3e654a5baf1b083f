"""Many poses as flat arrays, for the kernels: names become rows of the body's tables, once."""

from typing import NamedTuple

import numpy as np

from amvel.body.pose import COM, BandPull, ExternalLoad, PoseSpec
from amvel.body.skeleton import JOINT_INDEX, JOINTS, Skeleton
from amvel.body.tree import Array, Rows

Stops = dict[str, tuple[float, float]]
NOWHERE, CENTRE = -1, -2  # of a row: the origin of the world; the centre of mass
BEARS, RESTS, PUSHES, LEANS = 0, 1, 2, 3
STRATEGY = {"bears": BEARS, "rests": RESTS, "pushes": PUSHES, "leans": LEANS}


class RowTable(NamedTuple):
    """What is wanted of points: those of pose b are rows `first[b]` to `first[b + 1]`."""

    first: Rows
    id: Rows
    a: Rows
    b: Rows
    normal: Array
    offset: Array
    weight: Array
    must: Array


class ContactTable(NamedTuple):
    """What touches what: the contacts of pose b are rows `first[b]` to `first[b + 1]`."""

    first: Rows
    point: Rows
    normal: Array
    half: Array
    stiffness: Array
    friction: Array
    strategy: Rows
    part: Rows
    plane: Array
    on: Rows
    shear: Array


class LoadTable(NamedTuple):
    """Loads from outside: those of pose b are rows `first[b]` to `first[b + 1]`.

    `force` is a force in newtons, or the anchor of a band in metres; `to` the landmark at a band's other end, `pull` its pull
    at the start in newtons (NaN: no band), `start` its length there in metres.
    """

    first: Rows
    point: Rows
    force: Array
    to: Rows
    pull: Array
    start: Array


class Flat(NamedTuple):
    """B poses.

    `angles` are declared or already solved angles, `give` how hard each joint gives (0: not at all), `floor` how far a
    joint may go down (NaN: as far as its stop): B×J, in radians.
    """

    position: Array
    rotation: Array
    angles: Array
    give: Array
    floor: Array
    low: Array
    high: Array
    neutral: Array
    hamstring: Array  # B×2
    rows: RowTable
    contacts: ContactTable
    loads: LoadTable

    @property
    def poses(self) -> int:
        return len(self.angles)


# The parts whose load is reported.
PARTS = (
    "head",
    *(f"{s}.{p}" for s in ("left", "right") for p in ("hand", "forearm", "shoulder", "knee", "sit_bone", "foot")),
)
KNEES = tuple(PARTS.index(f"{s}.knee") for s in ("left", "right"))
_PART = {name: k for k, name in enumerate(PARTS)}
_row_names: list[str] = []
_row_ids: dict[str, int] = {}


def row_name(id: int) -> str:
    """The name of a row by the number that it has in this process."""
    return _row_names[id]


def _row_id(name: str) -> int:
    found = _row_ids.get(name)
    if found is None:
        found = _row_ids[name] = len(_row_names)
        _row_names.append(name)
    return found


def stops_arrays(stops: Stops) -> tuple[Array, Array]:
    """Lower and upper stop of every joint (J each, rad); infinite where it has none."""
    low, high = np.full(len(JOINTS), -np.inf), np.full(len(JOINTS), np.inf)
    for name, (least, most) in stops.items():
        low[JOINT_INDEX[name]], high[JOINT_INDEX[name]] = least, most
    return low, high


def flatten(skeleton: Skeleton, specs: list[PoseSpec], stops: list[Stops]) -> Flat:
    """The poses as arrays; `stops` are those of each pose."""
    count, index = len(specs), {**skeleton.landmarks.index, COM: CENTRE}
    shape = (count, len(JOINTS))
    angles, give, floor, neutral = np.zeros(shape), np.zeros(shape), np.full(shape, np.nan), np.zeros(shape)
    low, high = np.empty(shape), np.empty(shape)
    known: dict[int, tuple[Array, Array]] = {}
    rows, contacts, loads = _Rows(index), _Contacts(index), _Loads(index)
    for i, spec in enumerate(specs):
        for into, values in ((angles, spec.angles_rad), (give, spec.free), (floor, spec.floor_rad), (neutral, spec.neutral_rad)):
            for name, value in values.items():
                into[i, JOINT_INDEX[name]] = value
        if id(stops[i]) not in known:
            known[id(stops[i])] = stops_arrays(stops[i])
        low[i], high[i] = known[id(stops[i])]
        for name, value in spec.ceiling_rad.items():
            high[i, JOINT_INDEX[name]] = min(high[i, JOINT_INDEX[name]], value)
        rows.add(spec)
        contacts.add(spec)
        loads.add(spec)
    return Flat(
        np.array([s.root_position_m for s in specs], dtype=float).reshape(count, 3),
        np.array([s.root_rotation for s in specs], dtype=float).reshape(count, 3, 3),
        angles,
        give,
        floor,
        low,
        high,
        neutral,
        np.array([s.hamstring_rad for s in specs], dtype=float).reshape(count, 2),
        rows.table(),
        contacts.table(),
        loads.table(),
    )


def _whole(values: list[int]) -> Rows:
    return np.array(values, dtype=np.int64)


def _real(values: list[float]) -> Array:
    return np.array(values, dtype=float)


def _triples(values: list[tuple[float, float, float]]) -> Array:
    return np.array(values, dtype=float).reshape(len(values), 3)


class _Rows:
    def __init__(self, index: dict[str, int]) -> None:
        self.index, self.first = index, [0]
        self.id: list[int] = []
        self.a: list[int] = []
        self.b: list[int] = []
        self.normal: list[tuple[float, float, float]] = []
        self.offset: list[float] = []
        self.weight: list[float] = []
        self.must: list[float] = []

    def add(self, spec: PoseSpec) -> None:
        for r in spec.rows:
            self.id.append(_row_id(r.name))
            self.a.append(self.index[r.point])
            self.b.append(NOWHERE if r.origin is None else self.index[r.origin])
            self.normal.append(r.normal)
            self.offset.append(r.offset_m)
            self.weight.append(r.weight)
            self.must.append(float(r.must_hold))
        self.first.append(len(self.a))

    def table(self) -> RowTable:
        return RowTable(
            _whole(self.first),
            _whole(self.id),
            _whole(self.a),
            _whole(self.b),
            _triples(self.normal),
            _real(self.offset),
            _real(self.weight),
            _real(self.must),
        )


class _Contacts:
    def __init__(self, index: dict[str, int]) -> None:
        self.index, self.first = index, [0]
        self.point: list[int] = []
        self.normal: list[tuple[float, float, float]] = []
        self.half: list[tuple[float, float]] = []
        self.stiffness: list[float] = []
        self.friction: list[float] = []
        self.strategy: list[int] = []
        self.part: list[int] = []
        self.plane: list[float] = []
        self.on: list[int] = []
        self.shear: list[float] = []

    def add(self, spec: PoseSpec) -> None:
        for c in spec.contacts:
            self.point.append(self.index[c.point])
            self.normal.append(c.normal)
            self.half.append(c.half_size_m)
            self.stiffness.append(c.stiffness_n_per_m)
            self.friction.append(c.friction)
            self.strategy.append(STRATEGY[c.strategy])
            self.part.append(_PART.get(c.part, NOWHERE))
            self.plane.append(np.nan if c.plane_m is None else c.plane_m)
            self.on.append(NOWHERE if c.on is None else self.index[c.on])
            self.shear.append(c.shear)
        self.first.append(len(self.point))

    def table(self) -> ContactTable:
        return ContactTable(
            _whole(self.first),
            _whole(self.point),
            _triples(self.normal),
            np.array(self.half, dtype=float).reshape(len(self.half), 2),
            _real(self.stiffness),
            _real(self.friction),
            _whole(self.strategy),
            _whole(self.part),
            _real(self.plane),
            _whole(self.on),
            _real(self.shear),
        )


class _Loads:
    def __init__(self, index: dict[str, int]) -> None:
        self.index, self.first = index, [0]
        self.point: list[int] = []
        self.force: list[tuple[float, float, float]] = []
        self.to: list[int] = []
        self.pull: list[float] = []
        self.start: list[float] = []

    def add(self, spec: PoseSpec) -> None:
        for load in spec.loads:
            self.point.append(self.index[load.point])
            if isinstance(load, ExternalLoad):
                self._keep(load.force_n, NOWHERE, np.nan, np.nan)
            else:
                self._band(load)
        self.first.append(len(self.point))

    def _band(self, band: BandPull) -> None:
        to = NOWHERE if band.to is None else self.index[band.to]
        start = np.nan if band.start_m is None else band.start_m
        self._keep(band.anchor_m or (0.0, 0.0, 0.0), to, band.pull_n, start)

    def _keep(self, force: tuple[float, float, float], to: int, pull: float, start: float) -> None:
        self.force.append(force)
        self.to.append(to)
        self.pull.append(pull)
        self.start.append(start)

    def table(self) -> LoadTable:
        return LoadTable(
            _whole(self.first),
            _whole(self.point),
            _triples(self.force),
            _whole(self.to),
            _real(self.pull),
            _real(self.start),
        )


__all__ = ["BEARS", "CENTRE", "KNEES", "LEANS", "NOWHERE", "PARTS", "PUSHES", "RESTS", "Flat", "Stops", "flatten", "row_name", "stops_arrays"]
