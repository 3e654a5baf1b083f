"""What the declaration of a step says of a frame and geometry cannot show, as quantities."""

from collections.abc import Callable
from dataclasses import dataclass, fields
from functools import lru_cache
from operator import attrgetter
from typing import Any

import numpy as np

from amvel.body.tree import Array
from amvel.quantities import base_id

UPRIGHT_DEG = 90.0  # what is not lying on the back is raised as far as can be
STRAINS_FROM = 6  # effort of 0 to 10 from which a hold is a strained one
# A limb rests up to so many times its own weight where something else carries the trunk (our reading): a foot under a
# seat or a leg face down has nearly the whole leg on it, a foot in crook lying not even half.
RESTS_SITTING, RESTS_LYING, RESTS_ROLLING = 1.05, 0.6, 1.3
_LYING = frozenset(("on the back", "on the side", "face down"))
_LIES = frozenset(("on the back", "on the side"))
_CARRIED_BY_LIMBS = frozenset(("hands and knees", "kneeling", "standing", "at the wall"))


@dataclass(frozen=True)
class FrameFacts:
    """What the declaration of a step says of a frame and geometry cannot show."""

    hold_s: float = 0.0
    breath_held: bool = False
    hand_support_level: int = 0
    standing: bool = False
    seated: bool = False
    on_floor: bool = False
    lying_flat: bool = False
    back_raised_deg: float = 0.0  # of who lies on the back
    rises: int = 0
    position: str = ""
    side_down: str = ""
    minutes: float = 0.0
    minutes_at_once: float = 0.0  # of one round; between rounds one may turn over
    effort: float = 0.0
    unstable: bool = False
    rolls: bool = False
    jolt: bool = False
    band: bool = False
    band_on_foot: bool = False
    hard_prop: bool = False
    legs_lifted: int = 0
    legs_in_the_hands: int = 0
    sits_unsupported: bool = False
    daily_task: bool = False
    way_in: bool = False  # how the start is reached: judged like every other frame, and no part of the repetition

    @property
    def on_the_back(self) -> bool:
        return self.position == "on the back"

    def rests_up_to(self) -> float:
        """How many times its own weight a leg may press and still only rest; 0 where nothing but limbs carries."""
        if self.position in _CARRIED_BY_LIMBS:
            return 0.0
        if self.seated:
            return RESTS_SITTING
        if self.daily_task:  # rolling over, the whole leg lies on its edge
            return RESTS_ROLLING
        return RESTS_LYING if self.position in _LIES else RESTS_SITTING


_Read = Callable[[FrameFacts], float]
# Quantities that are just what is declared, by column.
_QUANTITIES: dict[str, _Read] = {
    "hold_s": attrgetter("hold_s"),
    "strained_hold_s": lambda f: f.hold_s if f.effort >= STRAINS_FROM else 0.0,
    "breath_held": attrgetter("breath_held"),
    "hand_support_level": attrgetter("hand_support_level"),
    "rises": attrgetter("rises"),
    "floor_transfer": attrgetter("on_floor"),
    "bed_transfer": lambda f: f.position in _LYING and not f.on_floor,
    # On the side the head lies on its pad: that is not what "flat" closes.
    "lying_flat": lambda f: f.lying_flat and f.position != "on the side",
    "back_raised_deg": lambda f: f.back_raised_deg if f.on_the_back else UPRIGHT_DEG,
    "unstable_surface": attrgetter("unstable"),
    "rolls_on_spine": attrgetter("rolls"),
    "uses_band": attrgetter("band"),
    "performed": lambda f: 1.0,
    "on_the_back": attrgetter("on_the_back"),
    "face_down": lambda f: f.position == "face down",
    "on_hands_and_knees": lambda f: f.position == "hands and knees",
    "sitting": attrgetter("seated"),
    "standing": attrgetter("standing"),
    "lying": lambda f: f.position in _LYING,
    "left.lying_on": lambda f: f.side_down == "left",
    "right.lying_on": lambda f: f.side_down == "right",
    "jolt": attrgetter("jolt"),
    "band_on_foot": attrgetter("band_on_foot"),
    "hard_prop": attrgetter("hard_prop"),
    "time_flat_min": lambda f: f.minutes_at_once if f.on_the_back and f.lying_flat else 0.0,
    "time_sitting_min": lambda f: f.minutes_at_once if f.seated else 0.0,
    "time_standing_min": lambda f: f.minutes_at_once if f.standing else 0.0,
    "effort_0_to_10": attrgetter("effort"),
    "legs_lifted": attrgetter("legs_lifted"),
    "legs_in_the_hands": attrgetter("legs_in_the_hands"),
    "sitting_unsupported": attrgetter("sits_unsupported"),
}
_READ: tuple[_Read, ...] = (*_QUANTITIES.values(), attrgetter("minutes"), FrameFacts.rests_up_to)

# Quantities that the declaration of a step gives: the same for every body and whatever its ranges.
DECLARED_COLUMNS = tuple(_QUANTITIES)
DECLARED = frozenset(map(base_id, DECLARED_COLUMNS))


# All that facts say, in the order in which they take it: quicker to look up than they are themselves.
said_of: Callable[[FrameFacts], tuple[Any, ...]] = attrgetter(*(f.name for f in fields(FrameFacts)))


@lru_cache(maxsize=4096)
def _read(said: tuple[Any, ...]) -> list[float]:
    """What is read off the facts that say this; many frames of many movements say the same."""
    facts = FrameFacts(*said)
    return [read(facts) for read in _READ]


@dataclass(frozen=True)
class Told:
    """What the declarations say of B frames: `quantities` in the order of `DECLARED_COLUMNS` (C×B), for how many minutes
    somebody stays so, and how many times its own weight a leg may press and still only rest."""

    quantities: Array
    minutes: Array
    rests_up_to: Array

    @classmethod
    def of(cls, facts: list[FrameFacts]) -> "Told":
        """A frame in between shares its facts with a declared one, and they are read once."""
        own = {id(f): f for f in facts}
        row = {key: i for i, key in enumerate(own)}
        at = np.array([row[id(f)] for f in facts], dtype=np.int64)
        read = np.array([_read(said_of(f)) for f in own.values()], dtype=float).reshape(len(own), len(_READ))
        told = read.T[:, at]
        return cls(told[:-2], told[-2], told[-1])


__all__ = ["DECLARED", "DECLARED_COLUMNS", "FrameFacts", "Told", "said_of"]
