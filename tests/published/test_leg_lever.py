"""The lever of a lifted leg, worked by hand, and the facts of the trade that follow from it."""

import numpy as np
import pytest

from amvel.body import GRAVITY_M_S2, Measures, measure
from amvel.movements import Profile, Request, find
from tests.bodies import profiler


def profile_of(ref: str, **values: float) -> Profile:
    p = profiler()
    family, step = find(ref)
    side = "left" if step.sides else "both"
    return p.profile(Request(family, step, side, {**step.defaults(p.body), **values}))


def peak(ref: str, name: str, **values: float) -> float:
    return profile_of(ref, **values).peak(name)


def test_the_pelvic_moment_of_a_leg_at_square_is_the_hand_calculation() -> None:
    """2-D by hand: thigh upright over the hip, shank level; only shank and foot have a lever."""
    body = measure(Measures(1.65, 62, "female"))
    thigh, shank, foot, toes = (
        next(s for s in body.segments if s.name == f"left.{n}") for n in ("thigh", "shank", "foot", "toes")
    )
    p = profiler()
    family, step = find("knee_fold/single_fold")
    profile = p.profile(Request(family, step, "left", step.defaults(body)))
    lever_shank = -shank.com[2]
    drop = np.radians(12.0)  # the ankle hangs 12° down
    toe = np.array(toes.joint) + np.array(toes.com)
    lever_foot = body.lengths_m["shank"] + (-foot.com[2] * np.cos(drop) + foot.com[0] * np.sin(drop))
    lever_toes = body.lengths_m["shank"] + (-toe[2] * np.cos(drop) + toe[0] * np.sin(drop))
    by_hand = GRAVITY_M_S2 * (
        shank.mass_kg * lever_shank + foot.mass_kg * lever_foot + toes.mass_kg * lever_toes
    )
    assert thigh.com[0] == 0
    assert profile.columns["pelvic_flexion_moment_nm"][-1] == pytest.approx(
        by_hand, rel=0.05
    )  # the pelvis lies half a degree off level


# Common practice, no source: the orderings below (job page, section 9).
def test_a_straighter_leg_is_harder_than_a_bent_one() -> None:
    assert peak("opposite_arm_and_leg_supine/full_reach", "pelvic_flexion_moment_nm") > 1.1 * peak(
        "opposite_arm_and_leg_supine/short_reach", "pelvic_flexion_moment_nm"
    )


def test_two_legs_are_harder_than_one() -> None:
    assert peak("knee_fold/both_held", "pelvic_flexion_moment_nm") > 1.3 * peak(
        "knee_fold/single_fold", "pelvic_flexion_moment_nm"
    )


def test_one_sided_load_calls_in_the_turning_control() -> None:
    """Once both legs are up: on the way there one leg is up alone."""
    lowered = profile_of("knee_fold/both_lowered")
    in_the_repetition = lowered.columns["pelvic_rotation_moment_nm"][lowered.rows[0] :]
    assert peak("knee_fold/single_fold", "pelvic_rotation_moment_nm") > 3 * max(in_the_repetition)


def test_a_higher_seat_means_less_hip_bend() -> None:
    low, high = (peak("tall_hinge/hands_on_thighs", "left.hip_flexion_deg", seat_cm=s) for s in (40, 50))
    assert high < low - 5


def test_farther_from_the_wall_is_harder() -> None:
    near, far = (peak("wall_plank/forearms", "left.forearm_support_percent_bw", wall_cm=w) for w in (45, 70))
    assert far > 1.3 * near
