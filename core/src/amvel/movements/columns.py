"""The columns of a demand profile: one value per frame for every quantity, kept as one table.

What is told of a whole movement is worked out when somebody asks for it: most versions that a search looks at are out by
what one of their frames has, before anybody asks how many limbs have to be led.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from amvel.body.extremes import extremes_of_each
from amvel.body.tree import Array, Flags, Rows

Work = Callable[[str], Mapping[str, float]]


class Later:
    """Columns that have one value in all frames of a movement; `work` finds one of them by its name, with what is found beside it."""

    def __init__(self, names: frozenset[str], work: Work) -> None:
        self.names = names
        self._work: Work | None = work
        self._told: dict[str, Mapping[str, float]] = {}

    def told(self, name: str) -> Mapping[str, float]:
        """The value of this column, and of those that are found with it.  Two threads that ask at once may both work them out,
        and find the same; what one of them was given changes no more."""
        work = self._work  # looked at first: it goes only once all answers are there
        if name not in self._told and work is not None:
            found = work(name)
            self._told |= dict.fromkeys(found, found)
            if self._told.keys() >= self.names:
                self._work = None  # it holds on to the whole batch
        return self._told[name]

    def exchanged(self, other: Callable[[str], str]) -> "Later":
        """The same with names exchanged, each for another of these or itself: done twice that leads back."""

        def told(name: str) -> dict[str, float]:
            return {other(known): value for known, value in self.told(other(name)).items()}

        return Later(self.names, told)


class Columns(Mapping[str, Array]):
    """Columns by name over a table C×B, whose names are shared by all profiles of a batch; read-only once they are filled."""

    def __init__(self, index: dict[str, int], table: Array, later: Later | None = None) -> None:
        self.index, self.later = index, later
        self._table = table
        self._untold = set(later.names) if later is not None else set()
        self._extremes: dict[str, Extremes | None] = {}

    @classmethod
    def of(cls, columns: Mapping[str, Array]) -> "Columns":
        return cls.named(tuple(columns), np.array(list(columns.values()), dtype=float))

    @classmethod
    def named(cls, names: tuple[str, ...], table: Array) -> "Columns":
        """The rows of a table under these names."""
        return cls(_index(names), table)

    @property
    def table(self) -> Array:
        """All columns, what is told of the whole movement as well."""
        for name in tuple(self._untold):
            self._tell(name)
        return self._table

    @property
    def of_frames(self) -> Array:
        """The same table, without what nobody has asked for yet of the whole movement."""
        return self._table

    @property
    def untold(self) -> frozenset[str]:
        """What is told of the whole movement and nobody has asked for yet."""
        return frozenset(self._untold)

    def _tell(self, name: str) -> None:
        if self.later is not None and name in self._untold:
            for known, value in self.later.told(name).items():
                self._table[self.index[known]] = value
                self._untold.discard(known)

    def __getitem__(self, name: str) -> Array:
        if name in self._untold:
            self._tell(name)
        return self._table[self.index[name]]

    def extremes(self, place: str = "") -> "Extremes | None":
        """The largest and smallest value of every column over the frames, or over those where the column `place` is above 0;
        None where there are none.  It says nothing of what is told of the whole movement when somebody asks."""
        if place not in self._extremes:
            self._extremes[place] = self._found_extremes(place)
        return self._extremes[place]

    def _found_extremes(self, place: str) -> "Extremes | None":
        if not place:
            return Extremes.of(self.index, self._table) if self._table.shape[1] else None
        whole = self.extremes()
        if whole is None or place in self._untold:
            return self._of_those_there(self[place] > 0)
        # Nearly every movement is at a place in all of its frames or in none: that is told by the least and the most there.
        if whole.least.item(self.index[place]) > 0:
            return whole
        if whole.most.item(self.index[place]) <= 0:
            return None
        return self._of_those_there(self[place] > 0)

    def _of_those_there(self, there: Flags) -> "Extremes | None":
        if there.all():
            return self.extremes()
        return Extremes.of(self.index, self._table[:, there]) if there.any() else None

    def worst(self, name: str, at_least: bool = False, place: str = "") -> float | None:
        """The value that an upper bound on this column looks at, or a lower one: infinite where it is missing, None where there
        are no frames."""
        seen = self.extremes(place)
        if seen is None:
            return None
        if self.later is None or name not in self.later.names:
            return seen.worst(name, at_least)
        told = self[name].item(0)
        return told if np.isfinite(told) else -np.inf if at_least else np.inf

    def find_extremes(self, parts: "Sequence[Columns]") -> None:
        """Find those of its `parts`, which have all of its frames one after the other, at once."""
        first = np.cumsum([0, *(p.of_frames.shape[1] for p in parts[:-1])])
        found = Extremes.of_each(self.index, self._table, first)
        for part, own in zip(parts, found, strict=True):
            part._extremes[""] = own

    def __iter__(self) -> Iterator[str]:
        return iter(self.index)

    def __len__(self) -> int:
        return len(self.index)

    def part(self, rows: slice, later: Later | None = None) -> "Columns":
        """Some of the frames: a movement, of which `later` tells what is told of the whole of it."""
        return Columns(self.index, self._table[:, rows], later)

    def with_(self, columns: Mapping[str, Array]) -> "Columns":
        """A copy with these columns replaced, or added."""
        later = self.later
        own = self._table
        if later is not None and not later.names.isdisjoint(columns):
            own, later = self.table, None
        new = [name for name in columns if name not in self.index]
        index = _index((*self.index, *new)) if new else self.index
        table = np.concatenate([own, np.zeros((len(new), own.shape[1]))]) if new else own.copy()
        for name, values in columns.items():
            table[index[name]] = values
        return Columns(index, table, later)

    def fill(self, columns: Mapping[str, float | Array]) -> None:
        """Put values into columns that there is room for, while the batch is worked out; KeyError for any other."""
        for name, values in columns.items():
            self._table[self.index[name]] = values

    def times(self, share: float, names: tuple[str, ...]) -> "Columns":
        """A copy with so many times as much in these columns, all of them such as frames have."""
        table = self._table.copy()
        table[[self.index[n] for n in names]] *= share
        return Columns(self.index, table, self.later)

    def larger_of(self, other: "Columns", names: Sequence[str]) -> "Columns":
        """A copy with the larger of both in these columns, all of them such as frames have."""
        table = self._table.copy()
        own, others = [self.index[n] for n in names], [other.index[n] for n in names]
        table[own] = np.maximum(table[own], other.of_frames[others])
        return Columns(self.index, table, self.later)

    def exchanged(self, other: Callable[[str], str]) -> "Columns":
        """The same values with names exchanged, each for another of these or itself: done twice that leads back."""
        return Columns(self.index, self._table[_order(self.index, other)], self.later and self.later.exchanged(other))


_orders: dict[tuple[int, Callable[[str], str]], tuple[dict[str, int], Rows]] = {}


def _order(index: dict[str, int], other: Callable[[str], str]) -> Rows:
    """The row of each column's other one; kept with the index, of which there are few, so that its number stays its own."""
    key = (id(index), other)
    if key not in _orders:
        _orders[key] = index, np.array([index[other(name)] for name in index], dtype=np.int64)
    return _orders[key][1]


@lru_cache(maxsize=64)
def _index(names: tuple[str, ...]) -> dict[str, int]:
    """The rows of these columns: one object for all profiles that have the same, so that what is looked up in it is kept."""
    return {name: k for k, name in enumerate(names)}


@dataclass(frozen=True)
class Extremes:
    """The largest and smallest value of every column; infinite on both sides where a value is missing."""

    index: dict[str, int]
    most: Array
    least: Array

    def worst(self, name: str, at_least: bool) -> float:
        """What an upper bound on a column looks at, or a lower one."""
        return (self.least if at_least else self.most).item(self.index[name])

    @classmethod
    def of(cls, index: dict[str, int], table: Array) -> "Extremes":
        [found] = cls.of_each(index, table, np.zeros(1, dtype=np.int64))
        return found

    @classmethod
    def of_each(cls, index: dict[str, int], table: Array, first: Rows) -> "list[Extremes]":
        """Those of several movements, which begin at these frames."""
        return [cls(index, *pair) for pair in zip(*extremes_of_each(table, first), strict=True)]


__all__ = ["Columns", "Extremes", "Later"]
