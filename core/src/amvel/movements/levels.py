"""How hard a pose is for the trunk, in levels 1 to 6, each the demand that its reference poses make on this body.

A level is counted for each way of working by itself: what somebody can do against a load that arches says nothing of
one that bends.  Reference body: the size of this person with healthy joints and an upright back, so that neither a
contracture nor a rounded back makes a level easier.  All of this is our reading of common practice.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property, lru_cache

import numpy as np

from amvel.body import other_side
from amvel.body.endurance import as_long_at_full
from amvel.body.grading import Graded, graded
from amvel.body.tree import Array
from amvel.languages import said
from amvel.movements.columns import Columns
from amvel.movements.library import UnknownMovement, find

HIGHEST = 6
MORE_THAN_REFERENCE = 1.05  # how far a pose may go beyond its reference and still be of its level
STIFFER_BODY = 1.15  # how far the reference pose itself may, on a body that bends less than the reference body
_CUTS = ("t7_t8", "t12_l1", "l4_l5")
_SIDES = ("left", "right")


class Way(StrEnum):
    """What the load does to the trunk, or that it presses it together."""

    ARCHING = "arching"
    BENDING = "bending"
    SIDE = "side"
    TURNING = "turning"
    PRESS = "press"

    @property
    def quantity(self) -> str:
        """The quantity that counts its level."""
        return f"{self.value}_level"

    @property
    def hold_quantity(self) -> str:
        """The quantity that counts a hold in seconds of the hardest reference pose of this way."""
        return f"{self.value}_hold_s"


BELLY_WORK = (Way.ARCHING, Way.SIDE, Way.TURNING, Way.PRESS)
EVERY_WAY = tuple(Way)
HELD_WAYS = (Way.ARCHING, Way.BENDING, Way.SIDE)  # what a timed test shows how long it is held
# The quantities that levels are told in.
LEVEL_COLUMNS = frozenset(("press_against_standing", *(w.quantity for w in Way), *(w.hold_quantity for w in HELD_WAYS)))

# What each way is measured by; the moments of lifted legs stand beside those of the trunk that holds against them.
_OF_THE_LEGS = {
    Way.ARCHING: "pelvic_flexion_moment_nm",
    Way.SIDE: "pelvic_side_moment_nm",
    Way.TURNING: "pelvic_rotation_moment_nm",
}
_MEASURED_BY: dict[Way, tuple[str, ...]] = {
    Way.ARCHING: (*(f"arching_moment_{c}_nm" for c in _CUTS), _OF_THE_LEGS[Way.ARCHING]),
    Way.BENDING: tuple(f"bending_moment_{c}_nm" for c in _CUTS),
    Way.SIDE: (*(f"{s}.side_moment_{c}_nm" for c in _CUTS for s in _SIDES), _OF_THE_LEGS[Way.SIDE]),
    Way.TURNING: (*(f"{s}.turning_moment_{c}_nm" for c in _CUTS for s in _SIDES), _OF_THE_LEGS[Way.TURNING]),
    Way.PRESS: tuple(f"compression_{c}_n" for c in _CUTS),
}

_MEASURED = tuple(n for measured in _MEASURED_BY.values() for n in measured)
_WORK = np.array([k for k, measured in enumerate(_MEASURED_BY.values()) for _ in measured])
# What is held is held at the cuts: the pelvic control moment is of the legs.
_HELD = np.array([way in HELD_WAYS and n != _OF_THE_LEGS.get(way) for way, measured in _MEASURED_BY.items() for n in measured])
_NUMBER = {way: k for k, way in enumerate(_MEASURED_BY)}
_HOLDS = tuple(way.hold_quantity for way in HELD_WAYS)
LEVEL_OF_EACH_WAY = tuple(way.quantity for way in _MEASURED_BY)  # the quantities that count them
_PRESS = frozenset(_MEASURED_BY[Way.PRESS])
_HELD_WORK = [k for k, way in enumerate(_MEASURED_BY) if way in HELD_WAYS]

# In words, since nobody on a screen reads a number of ours.
SAYS = {
    0: said("nothing beyond resting"),
    1: said("breath and tilt, legs carried"),
    2: said("one leg or arm off the ground"),
    3: said("marching, a small bridge, a hinge"),
    4: said("arm and leg long"),
    5: said("hovers, planks on the knees"),
    6: said("full planks, both legs straight"),
}


# Lying on the back: the level of no leg in the air, of one, of both, however short their lever is.
_LEGS_LIFTED = np.array([0.0, 2.0, 3.0])


@dataclass(frozen=True)
class Reference:
    """A pose that stands for a level.  With `of` its step, and the harder rungs of its ladder, are of that level at
    least in these ways, whatever the model finds; without, it only says how much a body of that level can hold."""

    level: int
    ref: str
    of: tuple[Way, ...] = ()


def _all(level: int, refs: str, *of: Way) -> tuple[Reference, ...]:
    return tuple(Reference(level, r, of) for r in refs.split())


REFERENCES: tuple[Reference, ...] = (
    *_all(1, "breathing_rest/knees_bent breathing_rest/calves_on_seat pelvic_tilt_clock/find_the_middle"),
    *_all(1, "pelvic_tilt_clock/tuck_held deep_abdominal_set/draw_on_breath_out knee_tip/one_side knee_tip/alternating"),
    *_all(1, "bent_knee_fall_out/small bent_knee_fall_out/larger supported_heel_slide/on_a_box"),
    *_all(1, "foot_gather/draw_in_a_cloth foot_gather/lift_the_ball foot_gather/lift_the_heel"),
    *_all(1, "floor_arm_slide/arms_slide shoulder_blade_draw/hands_on_thighs"),
    # Quiet standing, and a heel raise with a firm hand: whoever stands does as much all day.
    *_all(1, "standing_breath/free_standing heel_raise/firm_hand"),
    *_all(2, "toe_float/finger_high knee_fold/single_fold", Way.ARCHING, Way.TURNING),
    *_all(2, "seated_march/foot_lifts seated_march/knee_high", Way.ARCHING),
    *_all(2, "arm_or_leg_slide/arm_reach", Way.TURNING),
    *_all(2, "side_bridge/light_hip", Way.SIDE, Way.PRESS),
    # Leaning on the forearms, as over a table: a rest, and yet the chest hangs between arms and pelvis.
    *_all(2, "sit_back_rest/forearms_on_a_seat"),
    # One leg or arm off the ground upright, a step, small turns and rocking, an ankle laid over the other knee.
    *_all(2, "standing_leg_to_the_side/firm_hand standing_reach/leg_back reach_to_a_shelf/empty_hand"),
    *_all(2, "step_and_reach/fingertips tall_turn/hands_on_ribs two_knee_roll/arms_wide"),
    *_all(2, "rock_back/a_little hamstring_ease/figure_four"),
    *_all(3, "knee_fold/marching knee_fold/both_held opposite_arm_and_leg_supine/short_reach", Way.ARCHING),
    *_all(3, "arm_or_leg_slide/leg_slide", Way.TURNING, Way.BENDING),
    *_all(3, "bridge/small_lift tall_hinge/hands_on_thighs", Way.BENDING),
    *_all(3, "wall_plank/forearms", Way.ARCHING),
    # What the test of this level asks for, a leg lifted to the side, and a light band that is pressed out.
    *_all(3, "arm_or_leg_slide/leg_lift side_leg_raise/lower_knee_bent band_press_out_seated/press"),
    *_all(4, "arm_or_leg_slide/opposite_lift", Way.TURNING, Way.BENDING),
    *_all(4, "bridge/one_leg_level", Way.BENDING),
    *_all(4, "counter_plank/short leg_reach/lower opposite_arm_and_leg_supine/full_reach", Way.ARCHING),
    *_all(4, "both_legs_lift/hand_in_front loaded_side_bend/with_bag", Way.SIDE),
    *_all(4, "balanced_lean_back/one_leg_long", Way.ARCHING),
    *_all(4, "tall_hinge/arms_raised"),
    *_all(4, "bag_from_the_floor/from_the_floor", Way.BENDING),
    *_all(5, "hover/for_a_breath floor_plank/on_knees balanced_lean_back/both_legs_long", Way.ARCHING),
    *_all(5, "side_bridge/knees_bent", Way.SIDE),
    *_all(5, "over_chair_lift/less_hand", Way.BENDING),
    *_all(5, "arm_or_leg_slide/draw_in_and_out", Way.TURNING),
    *_all(6, "floor_plank/full_length floor_plank/one_foot_light hover/one_hand", Way.ARCHING),
    *_all(6, "side_bridge/full_length", Way.SIDE),
    *_all(6, "double_leg_raise/lower_both double_leg_circles/full_range leg_reach/both_from_vertical", Way.ARCHING),
    *_all(6, "curl_family/one_knee_bent curl_with_twist/elbow_to_knee sit_up/half_way", Way.ARCHING),
    *_all(6, "over_chair_lift/both_legs", Way.BENDING),
    *_all(6, "seated_twist/with_weight", Way.TURNING),
)


@lru_cache(maxsize=1)
def named_levels() -> dict[str, dict[Way, int]]:
    """Levels by name of every step that a reference names, or that is a harder rung of one; raises UnknownMovement."""
    out: dict[str, dict[Way, int]] = {}
    for reference in REFERENCES:
        family, step = find(reference.ref)
        at = family.steps.index(step)
        for harder in family.steps[at:]:
            ways = out.setdefault(family.ref(harder), {})
            for way in reference.of:
                ways[way] = max(reference.level, ways.get(way, 0))
    return out


@dataclass(frozen=True)
class Ceilings:
    """The most that the poses of each level ask of one body: by quantity six rising values; and its quiet standing (N)."""

    most: Mapping[str, Array]
    standing_n: Mapping[str, float]

    @classmethod
    def of(cls, references: Iterable[tuple[Reference, Columns]]) -> "Ceilings":
        """From the profiles of the reference poses, as columns; a pose that a body cannot take adds nothing."""
        most, standing = np.zeros((len(_MEASURED), HIGHEST)), {}
        for reference, columns in references:
            seen = columns.extremes()
            if seen is None:
                continue
            of_level = most[:, reference.level - 1]
            for side in _BOTH_SIDES:
                np.maximum(of_level, MORE_THAN_REFERENCE * seen.most[[columns.index[n] for n in side]], out=of_level)
            if reference.ref == QUIET_STANDING:
                standing = {n: seen.most.item(columns.index[n]) for n in _MEASURED_BY[Way.PRESS]}
        return cls(dict(zip(_MEASURED, np.maximum.accumulate(most, axis=1), strict=True)), standing)

    @cached_property
    def of_stiffer_bodies(self) -> Array:
        """By way and level the most that a pose of this level may ask of a body that bends less than the reference body (W×6×M);
        infinite of what a way is not measured by."""
        most = np.array([self.most[n] for n in _MEASURED]).T
        return np.where(np.arange(len(_MEASURED_BY))[:, None, None] == _WORK, STIFFER_BODY * most, np.inf)

    def graded(self, index: dict[str, int]) -> Graded:
        """What is measured, in the rows of such columns."""
        if id(index) not in self._graded_in:
            rows = np.array([index[n] for n in _MEASURED], dtype=np.int64)
            # Of a body that cannot stand quietly every press is beyond bounds.
            standing = np.array([self.standing_n.get(n, 0.0) if n in _PRESS else np.nan for n in _MEASURED])
            self._graded_in[id(index)] = index, Graded(rows, np.array([self.most[n] for n in _MEASURED]), _WORK, _HELD, standing)
        return self._graded_in[id(index)][1]

    @cached_property
    def _graded_in(self) -> dict[int, tuple[dict[str, int], Graded]]:
        """By index of the columns, which is kept, so that its number stays its own."""
        return {}

    def columns(self, profile: Columns) -> dict[str, Array]:
        """The level of every frame in every way by what is asked of this body, and its press against quiet standing."""
        levels, share, press = graded(profile.of_frames, self.graded(profile.index), len(_MEASURED_BY))
        lifted = np.where(profile["on_the_back"] > 0, profile["legs_lifted"], 0.0).astype(int)
        levels[_NUMBER[Way.ARCHING]] = np.maximum(levels[_NUMBER[Way.ARCHING]], _LEGS_LIFTED[lifted])
        held_s = as_long_at_full(1.0, share[_HELD_WORK]) * profile["hold_s"]
        return {"press_against_standing": press, **dict(zip(LEVEL_OF_EACH_WAY, levels, strict=True)), **dict(zip(_HOLDS, held_s, strict=True))}


@lru_cache(maxsize=1)
def stands_for() -> frozenset[tuple[str, Way, int]]:
    """Steps, ways and levels of the poses that stand for a level themselves."""
    return frozenset((r.ref, way, r.level) for r in REFERENCES for way in r.of)


@lru_cache(maxsize=1024)
def _named(label: str) -> tuple[tuple[int, int, bool], ...]:
    """Of a step the numbers of the ways and the levels that it is of by name, and whether it stands for them itself."""
    return tuple((_NUMBER[way], level, (label, way, level) in stands_for()) for way, level in named_levels().get(label, {}).items())


def count_as_named(columns: Columns, labels: Sequence[str], spans: Sequence[range], ceilings: Ceilings) -> None:
    """The levels of steps that are named as one, each with its frames: never less than that, and just that for the pose that
    stands for it.

    A body that bends less than the reference body may need a little more for such a pose, and it is still that pose.
    """
    named = np.array([(m, *each) for m, label in enumerate(labels) for each in _named(label)], dtype=np.int64)
    if not len(named):
        return
    m, way, level, of_its_own = named.T
    starts, frames = [span.start for span in spans], [len(span) for span in spans]
    asked = np.maximum.reduceat(columns.of_frames[ceilings.graded(columns.index).row], starts, axis=1).T
    least, just = np.zeros((len(_MEASURED_BY), len(spans))), np.zeros((len(_MEASURED_BY), len(spans)), dtype=bool)
    least[way, m] = level
    just[way, m] = (of_its_own > 0) & (asked[m] <= ceilings.of_stiffer_bodies[way, level - 1]).all(axis=1)
    least, just = np.repeat(least, frames, axis=1), np.repeat(just, frames, axis=1)
    counted = columns.of_frames[[columns.index[name] for name in LEVEL_OF_EACH_WAY]]
    columns.fill(dict(zip(LEVEL_OF_EACH_WAY, np.where(just, least, np.maximum(counted, least)), strict=True)))


QUIET_STANDING = "standing_breath/free_standing"


# A reference says the same of both sides: it is taken once, on one of them.
_BOTH_SIDES = (_MEASURED, tuple(map(other_side, _MEASURED)))


__all__ = ["BELLY_WORK", "EVERY_WAY", "HELD_WAYS", "HIGHEST", "LEVEL_OF_EACH_WAY", "REFERENCES", "SAYS", "Ceilings", "Reference", "UnknownMovement", "Way", "count_as_named", "named_levels"]
