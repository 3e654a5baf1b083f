"""Left and right of names: 'left.hip.flexion', 'right.foot', and the few marks of the head that have a side."""

from functools import lru_cache
from typing import Literal

_HEAD = {"head_side_left": "head_side_right", "head_side_right": "head_side_left"}


@lru_cache(maxsize=1024)
def other_side(name: str) -> str:
    """'left.foot' ↔ 'right.foot'; midline names stay."""
    match side_of(name):
        case "left":
            return "right." + name.removeprefix("left.")
        case "right":
            return "left." + name.removeprefix("right.")
        case _:
            return _HEAD.get(name, name)


def side_of(name: str) -> Literal["left", "right", ""]:
    """On which side of the body the name is; empty for the middle."""
    match name.partition("."):
        case ["left", ".", _]:
            return "left"
        case ["right", ".", _]:
            return "right"
        case _:
            return ""


__all__ = ["other_side", "side_of"]
