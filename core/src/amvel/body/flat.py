"""Many poses as flat arrays, for the kernels: names become rows of the body's tables, once."""

from collections.abc import Iterable, Sequence
from functools import lru_cache
from itertools import accumulate, chain
from typing import Any, NamedTuple

import numpy as np

from amvel.body.pose import COM, BandPull, Contact, ExternalLoad, PoseSpec, Row
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
    joint may go down and `ceiling` how far up (NaN: as far as its stop; `high` is the lower of both): B×J, in radians.
    """

    position: Array
    rotation: Array
    angles: Array
    give: Array
    floor: Array
    ceiling: Array
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
    """Lower and upper stop of every joint (J each, rad); infinite where it has none.  Not to be written into."""
    return _stops_arrays(tuple(stops.items()))


@lru_cache(maxsize=256)
def _stops_arrays(stops: tuple[tuple[str, tuple[float, float]], ...]) -> tuple[Array, Array]:
    low, high = np.full(len(JOINTS), -np.inf), np.full(len(JOINTS), np.inf)
    for name, (least, most) in stops:
        low[JOINT_INDEX[name]], high[JOINT_INDEX[name]] = least, most
    return low, high


def flatten(skeleton: Skeleton, specs: list[PoseSpec], stops: list[Stops]) -> Flat:
    """The poses as arrays; `stops` are those of each pose."""
    count, index = len(specs), {**skeleton.landmarks.index, COM: CENTRE}
    shape = (count, len(JOINTS))
    angles = _by_joint([s.angles_rad for s in specs])
    give, neutral = _by_joint([s.free for s in specs]), _by_joint([s.neutral_rad for s in specs])
    floor, ceiling = _by_joint([s.floor_rad for s in specs], np.nan), _by_joint([s.ceiling_rad for s in specs], np.nan)
    low, high = np.empty(shape), np.empty(shape)
    known: dict[int, tuple[Array, Array]] = {}
    for i in range(count):
        if id(stops[i]) not in known:
            known[id(stops[i])] = stops_arrays(stops[i])
        low[i], high[i] = known[id(stops[i])]
    return Flat(
        np.array([s.root_position_m for s in specs], dtype=float).reshape(count, 3),
        np.array([s.root_rotation for s in specs], dtype=float).reshape(count, 3, 3),
        angles,
        give,
        floor,
        ceiling,
        low,
        np.fmin(high, ceiling),
        neutral,
        np.array([s.hamstring_rad for s in specs], dtype=float).reshape(count, 2),
        _rows(specs, index),
        _contacts(specs, index),
        _loads(specs, index),
    )


def _by_joint(tables: list[dict[str, float]], otherwise: float = 0.0) -> Array:
    """B×J values from those that are named."""
    found = np.full((len(tables), len(JOINTS)), otherwise)
    if not any(tables):
        return found
    joints = _whole(map(JOINT_INDEX.__getitem__, chain.from_iterable(tables)))
    rows = np.repeat(np.arange(len(tables)), _whole(map(len, tables)))
    found[rows, joints] = _real(chain.from_iterable(t.values() for t in tables))
    return found


def _whole(values: Iterable[int]) -> Rows:
    return np.fromiter(values, dtype=np.int64)


def _real(values: Iterable[float]) -> Array:
    return np.fromiter(values, dtype=float)


def _vectors(values: Iterable[tuple[float, ...]], size: int) -> Array:
    """One row for each; read number by number, which takes a third of the time of reading tuple by tuple."""
    return _real(chain.from_iterable(values)).reshape(-1, size)


def _firsts(counts: Iterable[int]) -> Rows:
    """Where the part of each pose begins, and where the last one ends."""
    return _whole(accumulate(counts, initial=0))


def _by_field(items: Sequence[tuple[Any, ...]], kind: type[Any]) -> list[Sequence[Any]]:
    """What each field is in all of these named tuples."""
    return list(zip(*items, strict=True)) if items else [()] * len(kind._fields)


def _places(names: Iterable[str | None], index: dict[str, int]) -> Rows:
    return _whole(NOWHERE if name is None else index[name] for name in names)


def _rows(specs: list[PoseSpec], index: dict[str, int]) -> RowTable:
    rows = list(chain.from_iterable(s.rows for s in specs))
    name, point, normal, offset_m, origin, weight, must_hold = _by_field(rows, Row)
    return RowTable(
        _firsts(len(s.rows) for s in specs),
        _whole(map(_row_id, name)),
        _whole(map(index.__getitem__, point)),
        _places(origin, index),
        _vectors(normal, 3),
        _real(offset_m),
        _real(weight),
        _real(must_hold),
    )


def _contacts(specs: list[PoseSpec], index: dict[str, int]) -> ContactTable:
    contacts = list(chain.from_iterable(s.contacts for s in specs))
    point, _, normal, half_size_m, stiffness, friction, strategy, part, plane_m, on, shear = _by_field(contacts, Contact)
    return ContactTable(
        _firsts(len(s.contacts) for s in specs),
        _whole(map(index.__getitem__, point)),
        _vectors(normal, 3),
        _vectors(half_size_m, 2),
        _real(stiffness),
        _real(friction),
        _whole(map(STRATEGY.__getitem__, strategy)),
        _whole(_PART.get(name, NOWHERE) for name in part),
        _real(np.nan if plane is None else plane for plane in plane_m),
        _places(on, index),
        _real(shear),
    )


def _loads(specs: list[PoseSpec], index: dict[str, int]) -> LoadTable:
    loads = [load for s in specs for load in s.loads]
    told = [_load(load, index) for load in loads]
    return LoadTable(
        _firsts(len(s.loads) for s in specs),
        _whole([index[load.point] for load in loads]),
        _vectors([force for force, _, _, _ in told], 3),
        _whole([to for _, to, _, _ in told]),
        _real([pull for _, _, pull, _ in told]),
        _real([start for _, _, _, start in told]),
    )


def _load(load: ExternalLoad | BandPull, index: dict[str, int]) -> tuple[tuple[float, float, float], int, float, float]:
    """Force or anchor, the landmark at the other end, pull and length at the start."""
    if isinstance(load, ExternalLoad):
        return load.force_n, NOWHERE, np.nan, np.nan
    to = NOWHERE if load.to is None else index[load.to]
    start = np.nan if load.start_m is None else load.start_m
    return load.anchor_m or (0.0, 0.0, 0.0), to, load.pull_n, start


__all__ = ["BEARS", "CENTRE", "KNEES", "LEANS", "NOWHERE", "PARTS", "PUSHES", "RESTS", "Flat", "Stops", "flatten", "row_name", "stops_arrays"]
