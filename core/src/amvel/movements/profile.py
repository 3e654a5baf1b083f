"""The demand profile of one movement: what was asked, and its columns, frame by frame."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import NamedTuple

import numpy as np

from amvel.body import (
    JOINTS,
    Capacities,
    Posed,
    PoseFault,
    PoseSpec,
)
from amvel.body.tree import Array, Rows
from amvel.movements.bed import FLOOR, LYING_ON, lies_on_bed
from amvel.movements.columns import Columns
from amvel.movements.declaration import Family, Step
from amvel.movements.dosing import in_its_dose, names_a_dose, without_dose
from amvel.movements.frames import Frame
from amvel.movements.placed import Met
from amvel.movements.reshaped import Sent, any_stop_moves


@dataclass(frozen=True)
class Request:
    """One step, side ('left', 'right' or 'both') and set of parameter values to be profiled."""

    family: Family
    step: Step
    side: str
    values: dict[str, float | str] = field(hash=False)

    @cached_property
    def label(self) -> str:
        return f"{self.family.id}/{self.step.id}"

    @cached_property
    def key(self) -> str:
        """What it asks for, in words that are the same in every process and whatever order the values are in."""
        values = sorted((name, value if isinstance(value, str) else float(value)) for name, value in self.values.items())
        return f"{self.label} {self.side} {values}"


@dataclass(frozen=True)
class Profile:
    """Columns by quantity, one value per frame; `fault` is why this body cannot take the pose, if it cannot."""

    request: Request
    frame_names: tuple[str, ...]
    columns: "Columns" = field(compare=False)
    fault: PoseFault | None = None
    frames: tuple[Frame, ...] = field(default=(), compare=False)
    posed: Posed | None = field(default=None, compare=False)  # none where it was taken over, see Profiler.posed
    rows: tuple[int, ...] = ()
    declared: "Declared | None" = field(default=None, compare=False, repr=False)
    sent: Sent | None = field(default=None, compare=False, repr=False)  # how far its joints were sent; none where it was taken over
    freer: Sent | None = field(default=None, compare=False, repr=False)  # with limbs that nobody tested as far as they may go
    left_twin: "Profile | None" = field(default=None, compare=False, repr=False)  # what it was turned round from, if it was

    @cached_property
    def specs(self) -> tuple[PoseSpec, ...]:
        """Every frame as it was declared to the pose solver."""
        assert self.declared is not None and self.posed is not None
        return self.declared.specs(self.posed.give)

    def peak(self, name: str) -> float:
        return float(self.columns[name].max())

    def lowest(self, name: str) -> float:
        return float(self.columns[name].min())

    def placed_otherwise(self, old: Capacities, new: Capacities) -> bool:
        """Whether other ranges than those it was solved for would change it."""
        if self.left_twin is not None:
            return self.left_twin.placed_otherwise(old.swapped(), new.swapped())
        return any_stop_moves(old, new) if self.sent is None else self.sent.otherwise(old, new)


class Declared(NamedTuple):
    """What the frames of one movement were solved from; kept as it came out of the batch, of which they are `rows`."""

    names: Sequence[str]
    specs_of_batch: Sequence[PoseSpec]
    key: Rows
    share: Array
    met: Met
    neutral_of_batch: Array
    rows: slice

    @property
    def neutral(self) -> Array:
        """The angles from which each frame counts, B×J."""
        return self.neutral_of_batch[self.rows]

    def specs(self, give: Array) -> tuple[PoseSpec, ...]:
        """The frames as pose declarations; `give` is what gave in the end."""
        return tuple(self._spec(i, give[i]) for i in range(len(self.key)))

    def _spec(self, i: int, give: Array) -> PoseSpec:
        k, b = int(self.key[i]), self.rows.start + i
        own = self.specs_of_batch[k]
        there = self.specs_of_batch[k + 1] if self.share[i] else own
        points, names = {c.point for c in there.contacts}, {r.name for r in there.rows}
        bearing = {c.point for c in (*own.contacts, *there.contacts) if c.strategy == "bears"}
        return own.changed(
            name=self.names[i],
            contacts=tuple(
                c._replace(strategy="bears") if c.point in bearing else c for c in own.contacts if c.point in points
            ),
            rows=tuple(r for r in own.rows if r.name in names),
            free={name: float(g) for (name, _, _), g in zip(JOINTS, give, strict=True) if g > 0},
            angles_rad={name: float(a) for (name, _, _), a in zip(JOINTS, self.met.angles[b], strict=True)},
            root_position_m=tuple(self.met.position[b]),
            root_rotation=self.met.rotation[b],
        )


def as_posed(request: Request) -> Request:
    """The same request on the floor and in its first dose: the pose is the same, so that it is solved only once."""
    if not names_a_dose(request.values) and not lies_on_bed(request.values):
        return request
    values = without_dose(request.values)
    if lies_on_bed(values):
        values = {**values, LYING_ON.id: FLOOR}
    return Request(request.family, request.step, request.side, values)


def as_asked(request: Request, solved: Profile) -> Profile:
    """The profile as asked for: in its dose; on a bed, nobody has to get to the floor."""
    solved = in_its_dose(request.values, solved)
    if not lies_on_bed(request.values):
        return solved if request.values == solved.request.values else replace(solved, request=request)
    nobody = np.zeros_like(solved.columns["floor_transfer"])
    there = {"floor_transfer": nobody, "bed_transfer": solved.columns["lying"]}
    return replace(solved, request=request, columns=solved.columns.with_(there))
