"""What a parameter promises, and whether a placed movement keeps it.

A number that somebody sets must be what the pose has: within a degree in one of its declared frames, or the pose is a
fault.  Heights, distances and gaps are contacts and are held by the pose solver; angles are held here.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from amvel.body import Capacities, ShortOfAsked
from amvel.movements.shown_angles import Angle, HeadEnd, JointAngle, Lean, Reading, ThighRoll, TrunkAngle

TOLERANCE_DEG = 1.0


@dataclass(frozen=True)
class Shown:
    """Where a parameter can be read off: `sums` are alternatives, each a sum of angles."""

    sums: tuple[tuple[Angle, ...], ...]

    def turned(self) -> "Shown":
        """The same the other way round."""
        return Shown(tuple(tuple(a.turned() for a in one) for one in self.sums))


def joint(*names: str) -> Shown:
    """Any one of these joints shows the parameter."""
    return Shown(tuple((JointAngle(n),) for n in names))


def hip_bend() -> Shown:
    """The bend of a hip; where the hip ends, the low back takes the rest, and shows it."""
    hip = JointAngle("left.hip.flexion")
    return Shown(((hip,), (hip, TrunkAngle("flexion"))))


def _alone(angle: Angle) -> Shown:
    return Shown(((angle,),))


_TURN = TrunkAngle("rotation")
TRUNK_BEND, TRUNK_SIDE, TRUNK_TURN = _alone(TrunkAngle("flexion")), _alone(TrunkAngle("side_bend")), Shown(((_TURN,), (_TURN.turned(),)))
LEAN, HEAD_END, THIGH_ROLL = _alone(Lean()), _alone(HeadEnd()), _alone(ThighRoll("left"))


def reach_deg(shown: Shown, capacities: Capacities) -> float:
    """How far the joints of this person let the parameter go, on both sides (deg); infinite where something else takes over."""
    return max((sum(angle.reach_deg(capacities) for angle in one) for one in shown.sums), default=np.inf)


def kept(shown: Shown, value_deg: float, side: str, read: Reading, frames: Sequence[int]) -> float:
    """How far the movement is from showing the value, in degrees, in the one of these frames that shows it best."""
    return min((abs(deg - value_deg) for deg in _shown_deg(shown, side, read, frames)), default=np.inf)


def _shows(shown: Shown, value_deg: float, side: str, read: Reading, frames: Sequence[int]) -> bool:
    """Whether one of these frames shows the value."""
    return any(abs(deg - value_deg) <= TOLERANCE_DEG for deg in _shown_deg(shown, side, read, frames))


def _shown_deg(shown: Shown, side: str, read: Reading, frames: Sequence[int]) -> Iterator[float]:
    """What these frames show, by each alternative."""
    for one in (_on_the_right(shown) if side == "right" else shown).sums:
        first, *others = [read.of(angle) for angle in one]
        for i in frames:
            deg = first[i]
            for other in others:
                deg += other[i]
            yield deg


@lru_cache(maxsize=256)
def _on_the_right(shown: Shown) -> Shown:
    """Where the right version of a step shows it."""
    return Shown(tuple(tuple(a.on_the_right() for a in one) for one in shown.sums))


def broken(
    step_shows: Mapping[str, tuple[str, Shown]],
    values: Mapping[str, float | str],
    side: str,
    read: Reading,
    frames: Sequence[int],
    pose: str,
) -> ShortOfAsked | None:
    """The fault of the first parameter whose promise is not kept by `pose` in these frames; None when all are.  `step_shows`
    gives the title of each parameter that shows, and where."""
    for name, (title, shown) in step_shows.items():
        value_deg = float(values[name])
        if not _shows(shown, value_deg, side, read, frames):
            return ShortOfAsked(pose, title, value_deg, kept(shown, value_deg, side, read, frames))
    return None


__all__ = ["HEAD_END", "LEAN", "THIGH_ROLL", "TOLERANCE_DEG", "TRUNK_BEND", "TRUNK_SIDE", "TRUNK_TURN", "Shown", "broken", "hip_bend", "joint", "kept", "reach_deg"]
