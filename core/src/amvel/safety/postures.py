"""How somebody may be when exercising: which postures the limits of today leave open, on the floor, in bed and on what gives way, and what holds there."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import Enum

from amvel.languages import said
from amvel.movements.stance import FIRM_HOLD_EASES, ONE_LEG
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
    """A posture: how it reads, the quantities that are 1 in it, what it can be on, and the step whose start shows it, with its
    side and measures; for one on one leg also the stance that it asks at the gentlest, with a firm hold."""

    STANDING = ("standing", ("standing",), _UPRIGHT, "standing_breath/free_standing")
    ON_ONE_LEG = ("on one leg", ("standing", "one_leg_stance"), _UPRIGHT, "standing_leg_to_the_side/firm_hand", "left", 0.0, ONE_LEG - FIRM_HOLD_EASES)
    SITTING = ("sitting", ("sitting",), _UPRIGHT, "tall_sitting/back_supported")
    KNEELING = ("kneeling", ("kneeling",), _KNEELS, "band_press_out_kneeling/knees_wide")
    HANDS_AND_KNEES = ("hands and knees", ("kneeling", "on_hands_and_knees"), _KNEELS, "rock_back/a_little")
    FLAT_ON_THE_BACK = ("flat on the back", ("lying", "on_the_back", "lying_flat"), _LYING, "breathing_rest/knees_bent")
    PROPPED = ("on the back, propped up", ("lying", "on_the_back"), (On.BED,), "breathing_rest/knees_bent", "both", 30.0)
    ON_THE_LEFT_SIDE = ("on the left side", ("lying", "left.lying_on"), _LYING, "clam/small_opening", "right")
    ON_THE_RIGHT_SIDE = ("on the right side", ("lying", "right.lying_on"), _LYING, "clam/small_opening", "left")
    FACE_DOWN = ("face down", ("lying", "face_down"), _LYING, "prone_breathing/hands_beside")

    def __init__(self, says: str, columns: tuple[str, ...], on: tuple[On, ...], ref: str, side: str = "both", head_end_deg: float = 0.0, stance: float | None = None) -> None:
        self.says, self.on = said(says), on
        self.facts = {**dict.fromkeys(columns, 1.0), **({} if stance is None else {"stance_level": stance})}
        self.ref, self.side, self.head_end_deg = ref, side, head_end_deg


_NAMED = {base_id(c) for p in Posture for c in p.facts} | {o.column for o in On if o.column}
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
    binds = [x for x in envelope.limits if not x.only_step and x.binds_in(context)]
    return tuple(_left(binds, p, on) for p in Posture for on in p.on)


def _left(limits: Sequence[Limit], posture: Posture, on: On) -> Left:
    facts = {**posture.facts, Place.EXERCISES.column: 1.0, **({on.column: 1.0} if on.column else {})}
    closed = tuple(x for x in limits if _closes(x, facts))
    there = tuple(x for x in limits if x.when.column in posture.facts and x not in closed)
    return Left(posture, on, closed, there)


def _closes(limit: Limit, facts: Mapping[str, float]) -> bool:
    """A limit that one of the facts themselves breaks, where it holds; a caution closes nothing."""
    there = not limit.when.column or limit.when.column in facts
    return limit.strength != "caution" and there and any(
        limit.quantity in (name, base_id(name)) and quantity(name).breaks(value, limit.bound, limit.at_least) for name, value in facts.items()
    )


__all__ = ["Left", "On", "Posture", "postures"]
