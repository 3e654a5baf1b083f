"""The columns of a demand profile: one value per frame for every quantity, kept as one table."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from amvel.body.tree import Array


class Columns(Mapping[str, Array]):
    """Columns by name over a table C×B, whose names are shared by all profiles of a batch; read-only once they are filled."""

    def __init__(self, index: dict[str, int], table: Array) -> None:
        self.index, self.table = index, table

    @classmethod
    def of(cls, columns: Mapping[str, Array]) -> "Columns":
        return cls(_index(tuple(columns)), np.array(list(columns.values()), dtype=float))

    def __getitem__(self, name: str) -> Array:
        return self.table[self.index[name]]

    def __iter__(self) -> Iterator[str]:
        return iter(self.index)

    def __len__(self) -> int:
        return len(self.index)

    def part(self, rows: slice) -> "Columns":
        """Some of the frames."""
        return Columns(self.index, self.table[:, rows])

    def with_(self, columns: Mapping[str, Array]) -> "Columns":
        """A copy with these columns replaced, or added."""
        new = [name for name in columns if name not in self.index]
        index = _index((*self.index, *new)) if new else self.index
        table = np.concatenate([self.table, np.zeros((len(new), self.table.shape[1]))]) if new else self.table.copy()
        for name, values in columns.items():
            table[index[name]] = values
        return Columns(index, table)

    def fill(self, columns: Mapping[str, float | Array]) -> None:
        """Put values into columns that there is room for, while the batch is worked out; KeyError for any other."""
        for name, values in columns.items():
            self.table[self.index[name]] = values

    def larger_of(self, other: "Columns", names: Sequence[str]) -> "Columns":
        """A copy with the larger of both in these columns."""
        table = self.table.copy()
        own, others = [self.index[n] for n in names], [other.index[n] for n in names]
        table[own] = np.maximum(table[own], other.table[others])
        return Columns(self.index, table)


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

    @classmethod
    def of(cls, index: dict[str, int], table: Array) -> "Extremes":
        most, least = table.max(axis=1), table.min(axis=1)
        missing = ~(np.isfinite(most) & np.isfinite(least))  # what is missing in one frame is so in the most or the least of all
        return cls(index, np.where(missing, np.inf, most), np.where(missing, -np.inf, least))

    def worst(self, name: str, at_least: bool) -> float:
        """The value that an upper bound looks at, or a lower one."""
        return float((self.least if at_least else self.most)[self.index[name]])


__all__ = ["Columns", "Extremes"]
