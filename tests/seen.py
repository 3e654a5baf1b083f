"""A step as somebody sees it who watches: landmarks in centimetres, joints in degrees, frame by frame."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from amvel.body import JOINT_INDEX
from amvel.movements import Profile, Request, find
from tests.bodies import profiler


@dataclass(frozen=True)
class Seen:
    """A placed movement; `row` counts declared frames: 0 is the start, -1 the end."""

    profile: Profile
    size: str

    def cm(self, landmark: str, row: int = -1) -> np.ndarray:
        """Where a landmark is: ahead, left, up."""
        index = profiler(self.size).skeleton.landmarks.index[landmark]
        return 100 * self.profile.posed.points[self.profile.rows[row], index]

    def up(self, landmark: str, row: int = -1) -> float:
        return float(self.cm(landmark, row)[2])

    def moved_cm(self, landmark: str) -> float:
        """How far it is from where it was, at the end."""
        return float(np.linalg.norm(self.cm(landmark) - self.cm(landmark, 0)))

    def travelled_cm(self, landmark: str) -> float:
        """The furthest that it comes from its start in any frame, those in between too."""
        index = profiler(self.size).skeleton.landmarks.index[landmark]
        way = 100 * self.profile.posed.points[:, index]
        return float(np.linalg.norm(way - way[0], axis=1).max())

    def deg(self, joint: str, row: int = -1) -> float:
        return float(np.degrees(self.profile.posed.angles[self.profile.rows[row], JOINT_INDEX[joint]]))

    def changed_deg(self, joint: str) -> float:
        """The widest span of a joint over all frames."""
        way = np.degrees(self.profile.posed.angles[:, JOINT_INDEX[joint]])
        return float(np.ptp(way))

    def of(self, quantity: str, row: int = -1) -> float:
        return float(self.profile.columns[quantity][self.profile.rows[row]])

    def peak(self, quantity: str) -> float:
        return self.profile.peak(quantity)

    def lowest_margin(self) -> float:
        """How far inside its base the weight stays, at the least (cm)."""
        return self.profile.lowest("support_margin_cm")

    @property
    def stature_cm(self) -> float:
        return 100 * profiler(self.size).body.stature_m


@lru_cache(maxsize=512)
def see(ref: str, size: str = "middle", side: str = "left", **values: float | str) -> Seen:
    """A step at its defaults, or with some values changed; a pose that cannot be taken fails here."""
    p = profiler(size)
    family, step = find(ref)
    profile = p.posed(p.profile(Request(family, step, side if step.sides else "both", {**step.defaults(p.body), **values})))
    assert not profile.fault, profile.fault
    return Seen(profile, size)
