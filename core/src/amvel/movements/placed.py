"""Placed frames with what each asks of the body by itself, kept for whoever asks for the same pose again.

Most movements begin like many others and end where they began, and a change of one measure leaves most of their frames as
they were.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

import numpy as np

from amvel.body import Asked, Capacities, Posed, PoseFault, PoseSpec, Skeleton, but
from amvel.body.tree import Array, Flags, Rows
from amvel.movements.frames import Frame
from amvel.movements.reshaped import Sent


class Content:
    """All of a frame that decides how a body is placed in it: everything but its name, what is only drawn and what the step
    declares of it.  A band is as long as it was at the start of its movement; of frames with bands this says too little."""

    __slots__ = ("_hash", "_parts")

    def __init__(self, frame: Frame) -> None:
        # Not the frame itself, which keeps this: none of the two would go by counting.
        tables = (frame.angles, frame.free, frame.neutral, frame.surfaces)
        self._parts = (*tables, frame.root_at_cm, frame.touches, frame.aims, frame.loads, frame.root.tobytes())
        named = (tuple(table.values()) for table in tables)
        self._hash = hash((*named, frame.root_at_cm, frame.touches, frame.aims, frame.loads))  # few frames agree in these alone

    @classmethod
    def of(cls, frame: Frame) -> "Content":
        """Worked out once for each frame."""
        return frame.read_once(cls, cls)

    def __hash__(self) -> int:
        return self._hash

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Content) and self._hash == other._hash and self._parts == other._parts


class Met(NamedTuple):
    """How B poses meet their contacts, before anything is raised off the floor: angles (B×J), position and rotation of the
    pelvis, and how far joints were sent on the way there, `least` and `most` (B×(J+2), see `Posed`)."""

    angles: Array
    position: Array
    rotation: Array
    least: Array
    most: Array


class _How(NamedTuple):
    """How B bodies are placed, apart from where that puts each part of them (see `Posed`)."""

    angles: Array
    position: Array
    rotation: Array
    gap_m: Array
    give: Array
    least: Array
    most: Array


@dataclass(frozen=True)
class PlacedFrames:
    """B placed frames with what each asks of the body by itself, and whether its supports balance it."""

    how: _How
    met: Met
    asked: Asked
    stands: Flags
    faults: list[PoseFault | None]

    @classmethod
    def of(cls, posed: Posed, met: Met, asked: Asked, stands: Flags) -> "PlacedFrames":
        where = (posed.angles, posed.root_position, posed.root_rotation)
        return cls(_How(*where, posed.worst_gap_m, posed.give, posed.least, posed.most), met, asked, stands, posed.faults)

    def posed(self, skeleton: Skeleton) -> Posed:
        """The placed bodies."""
        how = self.how
        placement, points = skeleton.place_with_points(how.position, how.rotation, how.angles)
        where = (how.angles, how.position, how.rotation, placement, points)
        return Posed(*where, how.gap_m, how.give, self.faults, how.least, how.most)

    def sent_from(self, starts: Sequence[int]) -> list[Sent]:
        """How far the joints of frames that belong together were sent, which begin at these rows."""
        return Sent.of_each(self.how.angles, self.how.least, self.how.most, starts)

    def arrays(self) -> tuple[Array, ...]:
        """All of it but the faults, with one row for each frame."""
        *numbers, back_rests, pulled = self.asked
        return (*self.how, *self.met, *numbers, *(flags.astype(float) for flags in (back_rests, pulled, self.stands)))

    @classmethod
    def from_arrays(cls, arrays: Sequence[Array], faults: list[PoseFault | None]) -> "PlacedFrames":
        """The inverse."""
        a, b = len(_How._fields), len(_How._fields) + len(Met._fields)
        neutral, lines, loads, carried_n, *flags = arrays[b:]
        back_rests, pulled, stands = (f.astype(bool) for f in flags)
        asked = Asked(neutral, lines, loads, carried_n, back_rests, pulled)
        return cls(_How(*arrays[:a]), Met(*arrays[a:b]), asked, stands, faults)

    def merged(self, others: "PlacedFrames", own: Rows, theirs: Rows) -> "PlacedFrames":
        """These at the places `own`, and the others at the places `theirs`."""
        arrays = [_put_together(a, b, own, theirs) for a, b in zip(self.arrays(), others.arrays(), strict=True)]
        faults = dict(zip((*own.tolist(), *theirs.tolist()), (*self.faults, *others.faults), strict=True))
        return self.from_arrays(arrays, [faults[i] for i in range(len(faults))])


def _put_together(a: Array, b: Array, at_a: Rows, at_b: Rows) -> Array:
    found = np.empty((len(a) + len(b), *a.shape[1:]), dtype=a.dtype)
    found[at_a], found[at_b] = a, b
    return found


class Packed:
    """The arrays of some placed frames side by side in one table, so that a frame is taken from it at once."""

    def __init__(self, frames: PlacedFrames) -> None:
        arrays = frames.arrays()
        self.table = np.concatenate([a.reshape(len(a), -1) for a in arrays], axis=1)
        ends = np.cumsum([0, *(a.size // len(a) for a in arrays)]).tolist()
        self._places: list[tuple[slice, tuple[int, ...]]] = [(slice(*ends[k : k + 2]), a.shape[1:]) for k, a in enumerate(arrays)]

    def unpacked(self, table: Array) -> list[Array]:
        """The arrays of other rows of such a table."""
        return [np.ascontiguousarray(table[:, place]).reshape(len(table), *shape) for place, shape in self._places]

    @cached_property
    def sent(self) -> list[Sent]:
        """How far the joints of each were sent."""
        return PlacedFrames.from_arrays(self.unpacked(self.table), []).sent_from(range(len(self.table)))


@dataclass(frozen=True, eq=False)
class Placed:
    """One of the kept frames: how it was declared to the pose solver, and its row among those that it was placed with.

    `fault` is why this body cannot be in it, named by who asked first; `out_of_reach` whether its contacts are not met.
    """

    frame: Frame
    spec: PoseSpec
    fault: PoseFault | None
    out_of_reach: bool
    packed: Packed
    row: int

    def otherwise(self, old: Capacities, new: Capacities) -> bool:
        """Whether other ranges than those it was placed with would place it otherwise."""
        return self.packed.sent[self.row].otherwise(old, new)

    @property
    def lies(self) -> tuple[int, int]:
        """The numbers of what it was placed with and of its row there: the same for every set of ranges that places it alike."""
        return id(self.packed), self.row


@dataclass(frozen=True, eq=False)
class PlacedWay:
    """The frames on the way from one kept frame to the next, in their order: so many rows of those that they were placed with.

    `ends` are what both ends were placed with, kept so that their numbers stay their own (see `Placed.lies`).
    """

    packed: Packed
    rows: slice
    faults: list[PoseFault | None]
    sent: Sent
    ends: tuple[Packed, Packed]


def kept_frames(frames: Sequence[Frame], specs: Sequence[PoseSpec], placed: PlacedFrames, out_of_reach: Sequence[bool]) -> list[Placed]:
    """Each of these by itself."""
    packed = Packed(placed)
    each = zip(frames, specs, placed.faults, out_of_reach, strict=True)
    return [Placed(frame, spec, fault, out, packed, row) for row, (frame, spec, fault, out) in enumerate(each)]


def gathered(kept: Sequence[Placed], names: Sequence[str]) -> PlacedFrames:
    """Kept frames as one batch, under these names."""
    packed = kept[0].packed
    table = np.concatenate([k.packed.table[k.row] for k in kept]).reshape(len(kept), -1)
    faults = [named(k.fault, name) for k, name in zip(kept, names, strict=True)]
    return PlacedFrames.from_arrays(packed.unpacked(table), faults)


def named(fault: PoseFault | None, pose: str) -> PoseFault | None:
    """The same fault of a pose of this name."""
    return but(fault, pose=pose) if fault is not None and fault.pose != pose else fault


__all__ = ["Content", "Met", "Packed", "Placed", "PlacedFrames", "PlacedWay", "gathered", "kept_frames", "named"]
