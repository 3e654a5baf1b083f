"""What a fault does to the pose of a movement, in degrees: so that the wrong version can be drawn beside the right one."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from amvel.body import JOINTS


@dataclass(frozen=True)
class Wrong:
    """What goes further than it should: degrees added to joints, for the left version of the step.

    `turn_deg` turns the whole body about its long axis, to the left.  `lifts` are landmarks that leave what they touched.
    `domes` draws a ridge on the belly.
    """

    angles: Mapping[str, float] = field(default_factory=dict)
    lifts: tuple[str, ...] = ()
    turn_deg: float = 0.0
    domes: bool = False

    def __post_init__(self) -> None:
        known = {name for name, _, _ in JOINTS}
        if unknown := sorted(set(self.angles) - known):
            raise ValueError(f"movements/wrong.py: there is no joint {unknown}")

    def __hash__(self) -> int:
        return hash((tuple(sorted(self.angles.items())), self.lifts, self.turn_deg, self.domes))


__all__ = ["Wrong"]
