"""Ladders: a harder rung asks no less of the quantity that it is meant to train.

The quantity of a rung is that of the purpose which it shares most with the rung below.  Where a ladder means something else
by harder, it stands below with the reason.
"""

import pytest

from amvel.movements import Family, Step, library
from tests.bodies import families_under_test, library_profiles

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
    ("tall_turn", "with_a_hinge"): "two things at once; the arms are down again",
    ("balanced_lean_back", "arms_forward"): "the arms ahead balance the lean: what is trained is the time",
    ("bag_from_the_floor", "one_hand"): "one-sided load; not as deep",
    ("standing_reach", "opposite_arm"): "less hand and an arm more; the leg is the same",
    ("step_and_reach", "fingertips"): "less hand: balance is what gets harder",
    ("step_and_reach", "hands_hover"): "less hand: balance is what gets harder",
    ("one_leg_hinge", "one_leg"): "one leg less to stand on; the bend is the same",
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
