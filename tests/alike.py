"""Answers that are the same but for the last digits: which poses are solved together moves a body by less than is seen."""

import re
from functools import lru_cache
from typing import Any

import numpy as np

from amvel.movements import Profile
from amvel.quantities import quantity

NUMBER = re.compile(r"-?\d+(?:\.\d+)?")
PICTURE_UNITS = 0.5  # half a centimetre of body, a fraction of a point on paper
SHARE = 0.002


def close(a: float, b: float, within: float) -> bool:
    return abs(a - b) <= within + SHARE * max(abs(a), abs(b))


def same_picture(a: str, b: str) -> bool:
    """The same shapes, every coordinate within half a unit."""
    numbers = [[float(x) for x in NUMBER.findall(s)] for s in (a, b)]
    return (
        NUMBER.sub("#", a) == NUMBER.sub("#", b)
        and len(numbers[0]) == len(numbers[1])
        and all(close(x, y, PICTURE_UNITS) for x, y in zip(*numbers, strict=True))
    )


def alike(a: Any, b: Any, within: float = 0.05) -> bool:
    """Whether two answers agree: numbers within a hair, pictures by `same_picture`, everything else exactly."""
    if isinstance(a, dict) and isinstance(b, dict):
        return a.keys() == b.keys() and all(alike(a[k], b[k], within) for k in a)
    if isinstance(a, list | tuple) and isinstance(b, list | tuple):
        return len(a) == len(b) and all(alike(x, y, within) for x, y in zip(a, b, strict=True))
    if isinstance(a, str) and isinstance(b, str) and a.startswith("<svg"):
        return same_picture(a, b)
    if isinstance(a, int | float) and isinstance(b, int | float) and not isinstance(a, bool):
        return close(a, b, within)
    return bool(a == b)


@lru_cache(maxsize=8)
def _resolutions(names: tuple[str, ...]) -> "np.ndarray[tuple[int], np.dtype[np.float64]]":
    return np.array([quantity(name).resolution for name in names])


def unlike_columns(got: Profile, want: Profile) -> list[str]:
    """Names of the columns in which two profiles of the same frames are apart by more than a quarter of what is told apart."""
    names = tuple(want.columns)
    assert tuple(got.columns) == names
    a, b = got.columns.table, want.columns.table
    assert a.shape == b.shape
    size = np.where(np.isfinite(b), np.abs(b), 0.0).max(axis=1, initial=1.0)  # what is infinite widens no bound
    finest = np.maximum(_resolutions(names), 4e-4 * size)[:, None]
    with np.errstate(invalid="ignore"):  # infinite on both sides is the same
        same = (np.abs(a - b) <= finest / 4) | (a == b) | (np.isnan(a) & np.isnan(b))
    return [name for name, is_same in zip(names, same.all(axis=1), strict=True) if not is_same]
