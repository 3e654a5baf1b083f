"""A limb that nobody has measured may end where it is assumed to, or go on: both have to be allowed for.

Taken as a stop, the cautious assumption would be lax: a knee pulled up to 111° would read 90°, and hold a limit of 90°.
"""

from functools import lru_cache

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.body import Capacities, cautious
from amvel.body.capacities import DAILY_DEG, HEALTHY_DEG
from amvel.case import read_case
from amvel.engine import Engine
from amvel.movements import Profile, Profiler, Request, all_steps
from amvel.quantities import base_id
from amvel.safety import sides_of
from tests.bodies import body

LIMBS = sorted(k for k in DAILY_DEG if "ankle" not in k)
# Steps in which some limb of an untested body comes to its stop.
REACHING = {
    "knee_hug/one_knee",
    "knees_to_the_chest/pulled_in",
    "hamstring_ease/strap",
    "clam/larger_opening",
    "side_leg_raise/lower_knee_bent",
    "seated_leg_reach/leg_long",
    "long_sit/legs_apart",
    "sit_to_stand/two_legs",
    "rock_back/further",
    "belly_lift/with_the_breath",
    "wall_arm_slide/higher",
    "standing_reach/leg_back",
}


@lru_cache(maxsize=1)
def requests() -> tuple[Request, ...]:
    own = body()
    found = [
        Request(f, s, sides_of(s)[0], s.defaults(own)) for f, s in all_steps() if f"{f.id}/{s.id}" in REACHING
    ]
    assert len(found) >= 8
    return tuple(found)


def profiles(capacities: Capacities) -> list[Profile]:
    return Profiler(body(), capacities).profiles(list(requests()))


@lru_cache(maxsize=1)
def untested() -> tuple[Profile, ...]:
    return tuple(profiles(cautious({})))


def angles_of(profile: Profile, name: str) -> dict[str, float]:
    """What limits of this joint read; a straight leg raised is read as hip bend."""
    read = "hip_flexion" if name == "straight_leg_raise" else name
    return {k: v.max() for k, v in profile.columns.items() if base_id(k) == f"{read}_deg"}


@settings(max_examples=12, deadline=None)
@given(name=st.sampled_from(LIMBS), share=st.floats(0.0, 1.0))
def test_no_limb_that_is_measured_goes_further_than_one_that_is_not(name: str, share: float) -> None:
    """Any outcome from the assumed value to the healthy one: this joint had been counted at least as far.

    All other untested joints stay untested; which of several ends first is not tried in every combination.
    """
    measured = DAILY_DEG[name] + share * (HEALTHY_DEG[name] - DAILY_DEG[name])
    known = profiles(cautious({f"{side}.{name}": measured for side in ("left", "right")}))
    for before, after in zip(untested(), known, strict=True):
        if before.fault or after.fault:
            continue
        far, less = angles_of(before, name), angles_of(after, name)
        assert len(less) == 2  # left and right
        over = {k: (v, far[k]) for k, v in less.items() if v > far[k] + 1.0}
        assert not over, (before.request.label, over)


def test_an_assumed_stop_is_passed_somewhere_and_a_measured_one_never() -> None:
    hips = {f"{side}.hip_flexion": DAILY_DEG["hip_flexion"] for side in ("left", "right")}
    hug = [r.label for r in requests()].index("knees_to_the_chest/pulled_in")
    assert untested()[hug].peak("left.hip_flexion_deg") > DAILY_DEG["hip_flexion"] + 10
    assert profiles(cautious(hips))[hug].peak("left.hip_flexion_deg") <= DAILY_DEG["hip_flexion"] + 0.1


def test_the_stiff_way_still_counts_for_the_trunk() -> None:
    """A hip that ends early rounds the low back: that is not forgotten because it might go on."""
    hug = [r.label for r in requests()].index("knee_hug/one_knee")
    loose = profiles(cautious({}).loosened())[hug]
    assert untested()[hug].peak("lumbar_flexion_deg") > loose.peak("lumbar_flexion_deg") + 5


def test_loosened_frees_untested_limbs_only() -> None:
    some = cautious({"left.hip_flexion": 70.0})
    loose = some.loosened()
    assert loose.of("left.hip_flexion") == 70.0
    assert loose.of("right.hip_flexion") == HEALTHY_DEG["hip_flexion"]
    assert loose.of("trunk_flexion") == some.of("trunk_flexion")
    assert loose.digest() != some.digest()


def test_the_same_ranges_differ_when_one_was_measured_and_the_other_assumed() -> None:
    """Or a profile kept for the one would be shown for the other."""
    assumed = cautious({})
    measured = cautious(dict(assumed.range_deg))
    assert assumed.range_deg == measured.range_deg and assumed.digest() != measured.digest()


def case_of(*conditions: dict, tests: tuple = ()) -> Engine:
    person = {"birth_date": "1950-01-01", "sex": "female", "stature_cm": 165, "mass_kg": 64}
    return Engine(
        read_case(
            {"as_of": "2026-11-24", "person": person, "conditions": list(conditions), "tests": list(tests)}
        )
    )


POSTERIOR = {"kind": "hip_replacement", "side": "left", "approach": "posterior", "on": "2026-11-04"}


def bends(engine: Engine, ref: str) -> list[float]:
    """By how much the left hip is named as bending too far."""
    found = engine.judge(*ref.split("/"), contexts=("visit",))
    return [
        b.value for v in found if v.side != "right" for b in v.reasons if b.quantity == "left.hip_bend_deg"
    ]


@pytest.mark.parametrize("ref", ["knee_hug/one_knee", "knees_to_the_chest/pulled_in", "rock_back/further"])
def test_an_untested_new_hip_is_not_taken_past_its_limit(ref: str) -> None:
    """Posterior approach: less than 90°, 5° kept free (surgeons' protocols)."""
    found = bends(case_of(POSTERIOR), ref)
    assert found and min(found) > 85


def test_a_hip_measured_stiff_is_what_it_was_measured() -> None:
    """80° measured: the joint goes no further, the pelvis tucks, and the thigh still comes to the trunk: that counts."""
    stiff = {"test": "hip_flexion", "side": "left", "on": "2026-11-24", "deg": 80}
    engine = case_of(POSTERIOR, tests=(stiff,))
    assert min(bends(engine, "knee_hug/one_knee")) > 85
    left = next(v for v in engine.judge("knee_hug", "one_knee", ("visit",)) if v.side == "left")
    assert left.original.peak("left.hip_flexion_deg") <= 80.1


def test_profiles_of_the_loosened_body_have_the_frames_of_the_stiff_one() -> None:
    stiff, loose = untested(), profiles(cautious({}).loosened())
    for a, b in zip(stiff, loose, strict=True):
        if not (a.fault or b.fault):
            assert a.frame_names == b.frame_names
            assert np.isfinite(np.concatenate(list(a.columns.values()))).all()
