"""The largest and the smallest of every column over the frames of each movement of a batch."""

import numpy as np

from amvel.body.compiled import kernel
from amvel.body.tree import Array, Rows


def extremes_of_each(table: Array, first: Rows) -> tuple[Array, Array]:
    """Of a table C×B, whose movements begin at the columns `first` (S), the most and the least of each (S×C).  Where a value is
    missing or beyond all bounds in one frame, infinite on both sides: that breaks every bound."""
    most, least = np.empty((len(first), len(table))), np.empty((len(first), len(table)))
    _find(np.ascontiguousarray(table), first, most, least)
    return most, least


@kernel
def _find(table: Array, first: Rows, most: Array, least: Array) -> None:
    for c in range(len(table)):
        for s in range(len(first)):
            end = first[s + 1] if s + 1 < len(first) else table.shape[1]
            highest, lowest = -np.inf, np.inf
            for b in range(first[s], end):
                value = table[c, b]
                if not np.isfinite(value):
                    highest, lowest = np.inf, -np.inf
                    break
                highest, lowest = max(highest, value), min(lowest, value)
            most[s, c], least[s, c] = highest, lowest


__all__ = ["extremes_of_each"]
