"""How somebody may be when exercising: which postures the limits of today leave open, on the floor, in bed and on what gives way, and what holds there."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import Enum

from amvel.languages import said
from amvel.quantities import REGISTRY, base_id, quantity
from amvel.safety.limits import Envelope, Limit, Place


class On(Enum):
    """What one is on: how it reads, and the quantity that is 1 there ('' for what nothing is asked of)."""

    ANYTHING = ("", "")
    FLOOR = ("on the floor", "floor_transfer")
    BED = ("in bed", "bed_transfer")
    GIVES_WAY = ("on a cushion or a wobbling base", "unstable_surface")

    def __init__(self, says: str, column: str) -> None:
        self.says, self.column = said(says) if says else "", column


_UPRIGHT, _LYING, _KNEELS = (On.ANYTHING, On.GIVES_WAY), (On.FLOOR, On.BED), (On.FLOOR,)


class Posture(Enum):
    """A posture: how it reads, the quantities that are 1 in it, the places of limits that it is, what it can be on, and the step
    whose start shows it, with its side and measures."""

    STANDING = ("standing", ("standing",), (Place.STANDING,), _UPRIGHT, "standing_breath/free_standing")
    ON_ONE_LEG = ("on one leg", ("standing", "one_leg_stance"), (Place.ON_ONE_LEG,), _UPRIGHT, "standing_leg_to_the_side/firm_hand", "left")
    SITTING = ("sitting", ("sitting",), (Place.SITTING,), _UPRIGHT, "tall_sitting/back_supported")
    KNEELING = ("kneeling", ("kneeling",), (Place.KNEELING,), _KNEELS, "band_press_out_kneeling/knees_wide")
    HANDS_AND_KNEES = ("hands and knees", ("kneeling", "on_hands_and_knees"), (Place.HANDS_AND_KNEES,), _KNEELS, "rock_back/a_little")
    FLAT_ON_THE_BACK = ("flat on the back", ("lying", "on_the_back", "lying_flat"), (Place.ON_THE_BACK, Place.LYING_FLAT), _LYING, "breathing_rest/knees_bent")
    PROPPED = ("on the back, propped up", ("lying", "on_the_back"), (Place.ON_THE_BACK,), (On.BED,), "breathing_rest/knees_bent", "both", 30.0)
    ON_THE_LEFT_SIDE = ("on the left side", ("lying", "left.lying_on"), (), _LYING, "clam/small_opening", "right")
    ON_THE_RIGHT_SIDE = ("on the right side", ("lying", "right.lying_on"), (), _LYING, "clam/small_opening", "left")
    FACE_DOWN = ("face down", ("lying", "face_down"), (Place.FACE_DOWN,), _LYING, "prone_breathing/hands_beside")

    def __init__(self, says: str, columns: tuple[str, ...], places: tuple[Place, ...], on: tuple[On, ...], ref: str, side: str = "both", head_end_deg: float = 0.0) -> None:
        self.says, self.columns, self.places, self.on = said(says), columns, places, on
        self.ref, self.side, self.head_end_deg = ref, side, head_end_deg


_NAMED = {base_id(c) for p in Posture for c in p.columns} | {o.column for o in On if o.column}
if unknown := _NAMED - set(REGISTRY):
    raise ValueError(f"postures: nothing computes {sorted(unknown)}")


@dataclass(frozen=True)
class Left:
    """One posture on one thing: what closes it, and what holds there besides (limits and cautions)."""

    posture: Posture
    on: On
    closed_by: tuple[Limit, ...]
    holds: tuple[Limit, ...]

    @property
    def open(self) -> bool:
        return not self.closed_by


def postures(envelope: Envelope, context: str) -> tuple[Left, ...]:
    """Every posture on everything it can be on, by what binds in one context, 'visit' or 'home' (`Engine.envelope_in`)."""
    binds = [x for x in envelope.limits if not x.only_step and (context == "home" or not x.at_home)]
    return tuple(_left(binds, p, on) for p in Posture for on in p.on)


def _left(limits: Sequence[Limit], posture: Posture, on: On) -> Left:
    facts = {*posture.columns, Place.EXERCISES.column, *([on.column] if on.column else [])}
    closed = tuple(x for x in limits if _closes(x, facts))
    there = tuple(x for x in limits if x.when in posture.places and x not in closed)
    return Left(posture, on, closed, there)


def _closes(limit: Limit, facts: set[str]) -> bool:
    """A limit on one of the facts themselves, where it holds; a caution closes nothing."""
    mine = limit.quantity in facts or any(base_id(f) == limit.quantity for f in facts)
    there = not limit.when.column or limit.when.column in facts
    return limit.strength != "caution" and mine and there and quantity(limit.quantity).breaks(1.0, limit.bound, limit.at_least)


__all__ = ["Left", "On", "Posture", "postures"]
