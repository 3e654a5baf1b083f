"""How a step is paced: every frame's time in one repetition, with the breath that goes with it.

Read from the step's own breath in the chosen school, so that picture, print and pacer never differ.
"""

from dataclasses import dataclass, replace

from amvel.movements.breath import Air
from amvel.movements.declaration import Step
from amvel.movements.schools import CONTINUOUS, breath_of

IN, OUT, ON = Air.IN, Air.OUT, Air.ON
_SHARES = {"start": 0.12, "there": 0.38, "end": 0.12, "back": 0.38}
_LONGER_OUT = 1.35  # the breath out lasts longer than the breath in (our choice)
_HELD_IN_S, _HELD_OUT_S = 2.5, 4.0


@dataclass(frozen=True)
class Beat:
    """One picture of the pacer: which frame, for how long, and the breath at it."""

    frame: int
    seconds: float
    breath: Air


def phases(step: Step, option: str) -> dict[str, tuple[Air, ...]]:
    """Breath at the start, on the way there, at its end and on the way back."""
    own = breath_of(step, option)
    if own is CONTINUOUS:
        return {"start": (IN,), "there": (OUT,), "end": (OUT,), "back": (OUT,)}
    there = tuple(a for p in own.there for a in p.airs)
    if own.end is None and own.back is None and own.ready is None:  # it goes on by itself, or in and out in place
        return dict.fromkeys(_SHARES, (ON,))
    return {
        "start": own.ready.airs if own.ready is not None else (ON,),
        "there": there,
        "end": own.end.airs if own.end is not None else (ON,),
        "back": own.back.airs if own.back is not None else (there[-1].other,),
    }


def beats(step: Step, frames: int, option: str) -> list[Beat]:
    """One repetition as beats that add up to the step's own seconds; a held pose breathes in and out in place."""
    if frames < 2:
        return [Beat(0, _HELD_IN_S, IN), Beat(0, _HELD_OUT_S, OUT)]
    parts = phases(step, option)
    rows = {
        "start": [0],
        "there": list(range(1, frames)),
        "end": [frames - 1],
        "back": list(range(frames - 2, 0, -1)) or [0],
    }
    weight = {p: _SHARES[p] * (_LONGER_OUT if OUT in parts[p] else 1.0) for p in parts}
    scale = step.dose.seconds / sum(weight.values())
    return [b for part in parts for b in _spread(rows[part], weight[part] * scale, parts[part])]


SETTLING_BREATHS, LAG_S = 2, 1.0  # two breaths first; the movement about a second after the contraction (common practice, no source)
_WEAKER_OUT = 1.3  # the less stable side gets a longer breath out (our choice of how much)


def settling() -> list[Beat]:
    """Two breaths in the start pose, and the second between contraction and movement."""
    return [*([Beat(0, _HELD_IN_S, IN), Beat(0, _HELD_OUT_S, OUT)] * SETTLING_BREATHS), Beat(0, LAG_S, ON)]


def for_the_weaker_side(paced: list[Beat]) -> list[Beat]:
    """The same repetition with longer breaths out."""
    return [replace(b, seconds=round(b.seconds * _WEAKER_OUT, 3)) if b.breath is OUT else b for b in paced]


def _spread(rows: list[int], seconds: float, breaths: tuple[Air, ...]) -> list[Beat]:
    """The frames of one part in time, its breaths one after the other."""
    rows = rows if len(rows) >= len(breaths) else rows * len(breaths)
    return [Beat(r, seconds / len(rows), breaths[i * len(breaths) // len(rows)]) for i, r in enumerate(rows)]


__all__ = ["IN", "ON", "OUT", "Beat", "beats", "for_the_weaker_side", "phases", "settling"]
