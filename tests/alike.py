"""Answers that are the same but for the last digits: which poses are solved together moves a body by less than is seen."""

import re
from typing import Any

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
