"""Left and right of names: 'left.hip.flexion', 'right.foot', and the few marks of the head that have a side."""

from functools import lru_cache

_HEAD = {"head_side_left": "head_side_right", "head_side_right": "head_side_left"}


@lru_cache(maxsize=1024)
def other_side(name: str) -> str:
    """'left.foot' ↔ 'right.foot'; midline names stay."""
    if name.startswith("left."):
        return "right." + name[5:]
    if name.startswith("right."):
        return "left." + name[6:]
    return _HEAD.get(name, name)


__all__ = ["other_side"]
