"""What carries a limb or the trunk in a frame, read from what the frame says touches what.

A leg is lifted when nothing of it lies on anything: not on a surface, not on the other leg, not in the hands.  Sitting, a
leg is lifted when its foot and shank are, since the thigh lies on the seat as long as one sits.
"""

from functools import lru_cache

from amvel.movements.coordination import ENDS
from amvel.movements.frames import Touch

_SIDES = ("left", "right")
_FOOT_AND_SHANK = ENDS["leg"] | {"shin", "knee_inside"}
_LEG = _FOOT_AND_SHANK | {"thigh_under"}
_PALMS = frozenset(f"{s}.palm" for s in _SIDES)
_BACK = frozenset(("upper_back", "mid_back"))


@lru_cache(maxsize=4096)
def legs_lifted(touches: tuple[Touch, ...], seated: bool) -> tuple[str, ...]:
    """The sides whose leg is in the air."""
    own = _FOOT_AND_SHANK if seated else _LEG
    carried = {side for t in touches if t.gap_cm <= 0 for side, mark in _ends(t) if mark in own}
    return tuple(s for s in _SIDES if s not in carried)


def legs_in_the_hands(touches: tuple[Touch, ...]) -> tuple[str, ...]:
    """The sides whose foot or shank lies in a hand; a hand that lies on a leg is another thing."""
    held = {side for t in touches if t.on in _PALMS for side, mark in _ends(t) if mark in _FOOT_AND_SHANK}
    return tuple(s for s in _SIDES if s in held)


def sits_unsupported(touches: tuple[Touch, ...], seated: bool) -> bool:
    """Whether somebody sits with neither a back to lean on nor a hand or forearm on something that carries."""
    return seated and not any(t.landmark in _BACK or (t.on is None and mark in ENDS["arm"]) for t in touches for _, mark in _ends(t))


def _ends(t: Touch) -> tuple[tuple[str, str], ...]:
    """Side and landmark of what touches and of what it lies on."""
    return _ends_of(t.landmark, t.on)


@lru_cache(maxsize=2048)
def _ends_of(landmark: str, on: str | None) -> tuple[tuple[str, str], ...]:
    found = []
    for name in (landmark, on or ""):
        side, dot, mark = name.partition(".")
        found.append((side, mark) if dot else ("", name))
    return tuple((side, mark) for side, mark in found if side in _SIDES or mark in _BACK)


__all__ = ["legs_in_the_hands", "legs_lifted", "sits_unsupported"]
