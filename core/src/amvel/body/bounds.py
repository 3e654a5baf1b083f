"""Which of many bounds the frames of a movement break, and by how much."""

from typing import NamedTuple

import numpy as np

from amvel.body.compiled import kernel
from amvel.body.tree import Array, Rows

EVERYWHERE = -1


class Bounds(NamedTuple):
    """N bounds on rows of a table C×B: the row of each, the row that is above 0 in the frames where it looks (or EVERYWHERE),
    which way it goes (1 from above, −1 from below), and how far that way it is broken from (the bound times that sign)."""

    row: Rows
    place: Rows
    sign: Array
    beyond: Array


def broken(table: Array, bounds: Bounds) -> list[tuple[int, float]]:
    """The number of each bound that is broken and its worst value, which is infinite where one is missing."""
    number, worst = np.empty(len(bounds.row), dtype=np.int64), np.empty(len(bounds.row))
    count = _compare(np.ascontiguousarray(table), bounds, number, worst)
    return list(zip(number[:count].tolist(), worst[:count].tolist(), strict=True))


def found_at(table: Array, place: Rows) -> list[bool]:
    """Of each of these places whether any frame is there; of EVERYWHERE whether there is a frame."""
    return [table.shape[1] > 0 if row == EVERYWHERE else bool((table[row] > 0).any()) for row in place.tolist()]


@kernel
def _compare(table: Array, bounds: Bounds, number: Rows, worst: Array) -> int:
    """How many are broken: the first so many places of `number` and `worst` say which."""
    count = 0
    for k in range(len(bounds.row)):
        furthest, sign, place = -np.inf, bounds.sign[k], bounds.place[k]
        for b in range(table.shape[1]):
            if place == EVERYWHERE or table[place, b] > 0:
                value = table[bounds.row[k], b]
                furthest = max(furthest, sign * value if np.isfinite(value) else np.inf)
        if furthest > bounds.beyond[k]:
            number[count], worst[count] = k, sign * furthest
            count += 1
    return count


__all__ = ["EVERYWHERE", "Bounds", "broken", "found_at"]
