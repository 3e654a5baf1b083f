"""Ladders: a harder rung asks no less of the quantity that it is meant to train.

The quantity of a rung is that of the purpose which it shares most with the rung below.  Where a ladder means something else
by harder, it stands below with the reason.
"""

from functools import cache

import pytest
from hypothesis import HealthCheck, given, settings

from amvel.case import read_case
from amvel.movements import Family, Profile, Step, library
from amvel.quantities import quantity
from amvel.safety import check, envelope
from amvel.screening import find_out
from tests.bodies import families_under_test, library_profiles
from tests.generated import people

TRAINS = {
    "deep_control": ("pelvic_moment_nm_per_kg_m",),
    "resist_extension": ("arching_moment_l4_l5_nm",),
    "turning": ("left.turning_moment_l4_l5_nm", "right.turning_moment_l4_l5_nm", "pelvic_rotation_moment_nm"),
    "side_bend": ("left.side_moment_l4_l5_nm", "right.side_moment_l4_l5_nm"),
    "hip_back": ("left.hip_moment_nm", "right.hip_moment_nm"),
    "hip_out": ("left.hip_side_moment_nm", "right.hip_side_moment_nm"),
    "upper_back": ("moment_t7_t8_nm",),
    "leg_loading": ("left.knee_moment_nm", "right.knee_moment_nm"),
    "sit_to_stand": ("left.knee_moment_nm", "right.knee_moment_nm"),
    "flexion_strength": ("arching_moment_l4_l5_nm",),
    "hip_bend": ("left.hip_bend_deg", "right.hip_bend_deg"),
}
SHARE, RESOLUTION = 0.97, 0.3  # what the model tells apart
OTHERWISE = {
    ("roll_to_the_side", "to_the_side"): "the whole way is more to do, not more to hold",
    ("bridge", "band_round_thighs"): "two legs again: the band asks the side of the hips",
    ("knee_fold", "both_lowered"): "both legs at once and held, a few centimetres; the tap before it goes to the floor",
    ("double_leg_raise", "flutter"): "one leg is always higher; asked for, never planned",
    ("clam", "pulses"): "ten small ones at the top: time under load",
    ("arm_or_leg_slide", "leg_slide"): "arm or leg first is by what holds cleaner (schools)",
    ("hover", "kicks_in_pairs"): "longer, not heavier: the hand stays down",
    ("over_chair_lift", "one_leg"): "from here on the legs lift, the upper back rests",
    ("balanced_lean_back", "arms_forward"): "the arms ahead balance the lean: what is trained is the time",
    ("bag_from_the_floor", "one_hand"): "one-sided load; not as deep",
    ("standing_reach", "opposite_arm"): "less hand and an arm more; the leg is the same",
    ("step_and_reach", "fingertips"): "less hand: balance is what gets harder",
    ("step_and_reach", "hands_hover"): "less hand: balance is what gets harder",
    ("one_leg_hinge", "one_leg"): "one leg less to stand on; the bend is the same",
    ("sit_to_stand", "leg_ahead"): "from a higher seat with both arms: for a hip that must not bend, not for more strength",
    ("sit_to_stand", "two_legs"): "one hand on one side leaves the other leg more; without hands both share",
}


def trained(family: Family, step: Step, purpose: str) -> float:
    own = [p for p in library_profiles("middle") if p.request.label == family.ref(step)]
    return max(p.peak(q) for p in own for q in TRAINS[purpose])


def pairs() -> list[tuple[Family, Step, Step]]:
    return [(f, a, b) for f in families_under_test() for a, b in zip(f.steps, f.steps[1:], strict=False)]


@pytest.mark.parametrize(("family", "easier", "harder"), pairs(), ids=lambda x: getattr(x, "id", ""))
def test_a_harder_rung_asks_no_less(family: Family, easier: Step, harder: Step) -> None:
    shared = {p: min(w, harder.purposes[p]) for p, w in easier.purposes.items() if p in harder.purposes and p in TRAINS}
    if not shared or (family.id, harder.id) in OTHERWISE:
        return
    purpose = max(shared, key=lambda p: shared[p])
    before, after = (trained(family, s, purpose) for s in (easier, harder))
    assert after >= SHARE * before - RESOLUTION, (purpose, before, after)


def test_every_exception_is_a_rung_of_the_library() -> None:
    known = {(f.id, s.id) for f in library().values() for s in f.steps}
    assert set(OTHERWISE) <= known
    assert all(OTHERWISE.values())


DOSE = ("s", "min", "deg/s", "count")
# Where the easier rung asks more of one thing, so that a limit on it closes that rung and leaves the harder one open.
MORE_OF_ONE_THING = {
    ("seated_pelvic_rock", "kept_tall"): "only behind the sit bones: the tilt the other way is left out",
    ("standing_leg_to_the_side", "hands_hover"): "without the touch the arms hang nearer, and arch the trunk a hundredth of a level less",
    ("pelvic_tilt_clock", "tuck_held"): "only a tuck: the tilt the other way is left out",
    ("long_sit", "arms_overhead"): "legs less wide",
    ("side_bridge", "full_length"): "with bent knees the shins lie behind, and the load arches a little; at full length it does not",
    ("balanced_lean_back", "one_leg_long"): "the thigh lies on the seat, so that no lifted leg pulls at the pelvis",
    ("floor_by_a_chair", "knee_lifts"): "the knee comes up beside the hand, not under it",
    ("sit_to_stand", "one_hand"): "both arms that push one down low rests round the back by a degree or two",
    ("sit_to_stand", "heel_ahead"): "from a higher seat, so that the trunk leans less",
    ("sit_to_stand", "two_legs"): "the arms ahead save some of the lean",
    ("sit_to_stand", "staggered"): "no arms that push: from a low rest they round the back by a degree or two",
    ("sit_to_stand", "one_leg"): "no arms that push: from a low rest they round the back by a degree or two",
    ("light_seat", "without_hands"): "hands that push down load the belly a little",
}


@cache
def harder_on_the_same_side() -> list[tuple[Profile, Profile]]:
    """Every rung with each one above it that takes more effort, side by side."""
    by_ref = {(p.request.label, p.request.side): p for p in library_profiles()}
    return [
        (easier, by_ref[family.ref(step), easier.request.side])
        for easier in library_profiles()
        for family in (easier.request.family,)
        for step in family.steps[family.steps.index(easier.request.step) + 1 :]
        if step.effort > easier.request.step.effort and (family.ref(step), easier.request.side) in by_ref and not easier.fault
    ]


@settings(max_examples=120, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
@given(people)
def test_a_harder_rung_is_not_open_while_an_easier_one_is_closed(data: dict) -> None:
    """Unless the easier one leans on a limb, or moves one, that may not do so: then the limit names a side or a limb.

    Time, speed and what goes on at once belong to the dose of each rung; they are no measure of how hard it is.
    """
    bounds = envelope(find_out(read_case(data)))
    answers = {(p.request.label, p.request.side): check(p, bounds, "visit") for p in library_profiles()}
    for lower, higher in harder_on_the_same_side():
        easier, harder = (answers[p.request.label, p.request.side] for p in (lower, higher))
        if easier.allowed or not harder.allowed:
            continue
        of_a_limb = any(quantity(b.limit.quantity).sided or quantity(b.limit.quantity).unit in DOSE for b in easier.breaches)
        step = higher.request
        assert of_a_limb or (step.family.id, step.step.id) in MORE_OF_ONE_THING, (lower.request.label, step.label, [b.limit.id for b in easier.breaches])


def test_everything_that_asks_more_of_one_thing_is_a_rung_of_the_library() -> None:
    assert set(MORE_OF_ONE_THING) <= {(f.id, s.id) for f in library().values() for s in f.steps}
