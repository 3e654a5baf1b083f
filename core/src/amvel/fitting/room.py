"""Fitting a step to the furniture that is there: which seat, how much to put on it, how far from the wall."""

import math
from dataclasses import dataclass
from functools import lru_cache

from amvel.body import Anthropometry
from amvel.case import Room, Seat
from amvel.movements import Family, Profiler, Request, Step, library
from amvel.movements.families.breathing_rest import calf_support_cm
from amvel.movements.seats import own_seat_cm
from amvel.sources import COMMON_PRACTICE, Source

BOOK_CM = 3.0
ARM_LOAD_PERCENT_BW = 20.0
ARM_LOAD = Source(
    "first wall plank at about a fifth of body weight on the arms: our choice", from_memory=False, reading=True
)
SAFE_SEAT = COMMON_PRACTICE
_TOO_LOW_SHARE = 0.75


@dataclass(frozen=True)
class Fit:
    """One thing to set up: what, at which height or distance, and what to add."""

    what: str
    value_cm: float
    says: str


@dataclass(frozen=True)
class Refused:
    """Furniture that is not used, and why."""

    what: str
    reason: str


def refused_seats(room: Room) -> list[Refused]:
    """Seats that roll are never used."""
    return [Refused(s.name, "has castors: it can roll away when rising") for s in room.seats if s.castors]


def seat_for(body: Anthropometry, room: Room, arms: bool = False) -> Seat | None:
    """The usable seat whose height is nearest to this person's own; with arms when asked and there."""
    usable = [s for s in room.seats if not s.castors]
    with_arms = [s for s in usable if s.arms]
    pool = with_arms if arms and with_arms else usable
    return min(pool, key=lambda s: abs(s.height_cm - own_seat_cm(body)), default=None)


def start_values(profiler: Profiler, room: Room, family: Family, step: Step) -> dict[str, float | str]:
    """A step's parameters as this person would meet them in this room."""
    values = step.defaults(profiler.body)
    if "seat_cm" in values:
        seat = seat_for(profiler.body, room, arms=any("arms" in p for p in step.props))
        if seat is not None:
            p = next(p for p in step.parameters if p.id == "seat_cm")
            values["seat_cm"] = min(p.high, max(p.low, float(math.floor(seat.height_cm))))
    if "wall_cm" in values:
        values["wall_cm"] = wall_distance_cm(profiler, ARM_LOAD_PERCENT_BW)
    return values


def wall_distance_cm(profiler: Profiler, arm_load_percent_bw: float) -> float:
    """Toes from the wall so that both forearms together carry the chosen share of body weight.

    Found on the 1-cm grid of the wall plank; the nearer, easier distance is taken.
    """
    return _wall_distance(profiler, arm_load_percent_bw)


@lru_cache(maxsize=64)
def _wall_distance(profiler: Profiler, target: float) -> float:
    family = library()["wall_plank"]
    step = family.index["forearms"]
    p = step.parameters[0]
    low, high = p.low, p.high
    while high - low > 1:
        middle = round((low + high) / 2)
        profile = profiler.profile(Request(family, step, "both", {p.id: float(middle)}))
        load = sum(profile.peak(f"{s}.forearm_support_percent_bw") for s in ("left", "right"))
        if not profile.fault and load <= target:
            low = middle
        else:
            high = middle
    return float(low)


def fits(body: Anthropometry, room: Room) -> list[Fit]:
    """Seat and calf support for this person with what is in the room."""
    own = own_seat_cm(body)
    out = [Fit("seat", round(own), f"Seat of {own:.0f} cm: thighs level, feet flat.")]
    seat = seat_for(body, room)
    calf = calf_support_cm(body)
    if seat is not None:
        out.append(Fit("seat raise", max(0.0, round(own - seat.height_cm)), _raise_words(seat, own)))
        gap = calf - seat.height_cm
        words = f"Calves at {calf:.0f} cm: " + (
            f"{seat.name} and {books(gap)} (+{gap:.0f} cm)"
            if gap >= 1
            else f"{seat.name}, a folded blanket {-gap:.0f} cm thick under the pelvis"
            if gap <= -2
            else f"{seat.name} as it is"
        )
        out.append(Fit("calf support", round(calf), words + "."))
    else:
        out.append(Fit("calf support", round(calf), f"Calves at {calf:.0f} cm on a chair or box."))
    return out


def books(gap_cm: float) -> str:
    """How many books of about 3 cm make up a height."""
    count = max(1, round(gap_cm / BOOK_CM))
    return f"{count} book{'s' if count > 1 else ''} of {BOOK_CM:g} cm"


def _raise_words(seat: Seat, own_cm: float) -> str:
    gap = own_cm - seat.height_cm
    if seat.height_cm < _TOO_LOW_SHARE * own_cm:
        return f"{seat.name} ({seat.height_cm:g} cm) is too low to rise from; use a higher one."
    return (
        f"{seat.name} ({seat.height_cm:g} cm): raise it by {gap:.0f} cm with a firm block or a folded towel."
        if gap >= 1
        else f"{seat.name} ({seat.height_cm:g} cm) fits."
    )
