"""Which level values are of, against ceilings that rise with it, for many poses at once."""

from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel, kernel
from amvel.body.tree import Array, Flags, Rows

_NOTHING = 1e-6  # N or N·m: less is rounding, where the lowest ceiling itself is nothing
_LEAST = 1e-9


class Graded(NamedTuple):
    """M quantities: the row of each in a table C×B, its ceilings (M×6, rising), the kind of work that it tells of (0 to K − 1),
    whether how long that is held counts by it, and what it is in quiet standing (NaN: it counts for nothing)."""

    row: Rows
    most: Array
    work: Rows
    held: Flags
    standing: Array


def graded(table: Array, quantities: Graded, kinds: int) -> tuple[Array, Array, Array]:
    """Of B poses the level of each of K kinds of work (K×B; 2.5 lies half-way from the second to the third), the share of the
    hardest level that counts for holding it (K×B), and the most of what is told against quiet standing (B)."""
    level, share, against_standing = np.zeros((kinds, table.shape[1])), np.zeros((kinds, table.shape[1])), np.zeros(table.shape[1])
    _grade_all(table, quantities, level, share, against_standing)
    return level, share, against_standing


@kernel
def _grade_all(table: Array, q: Graded, level: Array, share: Array, against_standing: Array) -> None:
    for m in range(len(q.row)):
        highest = max(q.most[m, q.most.shape[1] - 1], _LEAST)
        for b in range(table.shape[1]):
            value = table[q.row[m], b]
            level[q.work[m], b] = np.maximum(level[q.work[m], b], _level(value, q.most[m]))
            if q.held[m]:
                share[q.work[m], b] = np.maximum(share[q.work[m], b], value / highest)
            if q.standing[m] == q.standing[m]:
                against_standing[b] = np.maximum(against_standing[b], value / q.standing[m])


@inner_kernel
def _level(value: float, most: Array) -> float:
    """Of a value against the ceilings of its quantity; beyond the last as many more as it is longer than that."""
    value, at = 0.0 if value < _NOTHING else value, 0
    while at < len(most) and most[at] < value:
        at += 1
    floor = 0.0 if at == 0 else most[at - 1]
    width = most[at] - floor if at < len(most) else max(floor, 1.0)
    return at + (value - floor) / max(width, _LEAST)


__all__ = ["Graded", "graded"]
