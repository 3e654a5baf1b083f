"""How a step is paced: every frame's time in one repetition, with the breath that goes with it.

Read from the step's own breath line in the words of the chosen school, so that picture, print and pacer never differ.
"""

import re
from dataclasses import dataclass

from amvel.movements.declaration import Step
from amvel.movements.schools import breath_words

IN, OUT, ON = "in", "out", "on"
_SHARES = {"start": 0.12, "there": 0.38, "end": 0.12, "back": 0.38}
_LONGER_OUT = 1.35  # the breath out lasts longer than the breath in (our choice)
_HELD_IN_S, _HELD_OUT_S = 2.5, 4.0
# A first clause with one of these gets ready or comes half-way: the second one still belongs to the way there.
_HALF_WAY = ("get ready", "lean", "draw together", "step", "draw up")


@dataclass(frozen=True)
class Beat:
    """One picture of the pacer: which frame, for how long, and the breath at it ('in', 'out' or 'on')."""

    frame: int
    seconds: float
    breath: str


def clauses(words: str) -> list[tuple[str, str]]:
    """The clauses of a breath line, each with its breath: 'out to lift, in to lower' → out, in."""
    found = []
    for clause in re.split(r"[,;]\s*", words):
        both = re.match(r"in and out\b", clause)
        first = re.match(r"(?:long |one thin breath )?(in|out)\b", clause)
        if both:
            found += [(IN, clause), (OUT, clause)]
        elif first:
            found.append((first.group(1), clause))
        else:
            found.append((ON, clause))
    return found


def phases(step: Step, option: str) -> dict[str, tuple[str, ...]]:
    """Breath at the start, on the way there, at its end and on the way back."""
    if option == "continuous" and not step.breath_custom:
        return {"start": (IN,), "there": (OUT,), "end": (OUT,), "back": (OUT,)}
    said = clauses(breath_words(step, option))
    breaths = [b for b, _ in said]
    if len(said) == 1:
        return dict.fromkeys(_SHARES, (breaths[0] if breaths[0] == ON else ON,))
    if any(w in said[0][1] for w in _HALF_WAY):
        back = breaths[2] if len(breaths) > 2 else IN if breaths[1] == OUT else OUT
        ready = "get ready" in said[0][1]
        return {
            "start": (breaths[0],),
            "there": (breaths[1],) if ready else (breaths[0], breaths[1]),
            "end": (ON,),
            "back": (back,),
        }
    middle = tuple(breaths[1:-1]) or (ON,)
    return {"start": (ON,), "there": (breaths[0],), "end": middle, "back": (breaths[-1],)}


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


def _spread(rows: list[int], seconds: float, breaths: tuple[str, ...]) -> list[Beat]:
    """The frames of one part in time, its breaths one after the other."""
    rows = rows if len(rows) >= len(breaths) else rows * len(breaths)
    return [Beat(r, seconds / len(rows), breaths[i * len(breaths) // len(rows)]) for i, r in enumerate(rows)]


__all__ = ["IN", "ON", "OUT", "Beat", "beats", "clauses", "phases"]
