"""Rising with a new hip: one leg ahead, the arms push; and what is only practised for a rise."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body import Measures, healthy, measure
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
from amvel.movements.rising import OVER_FEET_CM, _reached_cm, ready_to_rise
from amvel.movements.stance import FOOT_AHEAD, WITH_BOTH_HANDS
from amvel.safety import MODIFIED
from tests.engines import engine_of
from tests.generated import TODAY, base

NEW_HIP = {"kind": "hip_replacement", "side": "right", "approach": "posterior", "on": "2026-10-20"}
CHAIR = {"room": {"seats": [{"name": "chair", "height_cm": 45, "arms": True}]}}


def engine(*conditions: dict, birth: str = "1968-05-01", tests: tuple[dict, ...] = ()) -> Engine:
    noted = [{"noted_on": TODAY.isoformat(), **c} for c in conditions]
    return engine_of(base(birth, "female", noted, [{"on": TODAY.isoformat(), **t} for t in tests], **CHAIR))


def profile(e: Engine, ref: str, side: str, **values: float):
    family, step = find(ref)
    return e.profiler.profile(Request(family, step, side, {**e.values(family, step), **values}))


def test_after_a_new_posterior_hip_there_is_a_rise_on_a_raised_seat_with_that_leg_ahead() -> None:
    """85° = the surgeon's 90° (common practice after a posterior approach) less 5° of margin."""
    for v in engine(NEW_HIP).judge("sit_to_stand", "leg_ahead"):
        if v.side == "right":
            assert v.verdict == MODIFIED, [b.limit.id for b in v.reasons]
            assert v.profile.request.values["seat_cm"] > 45
        if v.allowed:  # the other leg ahead folds the new hip more: from a higher seat, if at all
            assert v.profile.peak("right.hip_bend_deg") < 85.5  # angles are compared with half a degree


def test_the_leg_ahead_carries_less_than_the_one_under_the_seat_and_the_arms_most_of_the_rest() -> None:
    found = profile(engine(), "sit_to_stand/leg_ahead", "left", seat_cm=50).columns
    off = int((found["sitting"] < 1).argmax())  # the first frame without the seat
    arms = sum(found[f"{s}.arm_carries_percent_bw"][off] for s in ("left", "right"))
    assert found["left.leg_support_percent_bw"][off] < found["right.leg_support_percent_bw"][off]
    assert arms > 25


@pytest.mark.parametrize(("ref", "level"), [("sit_to_stand/leg_ahead", WITH_BOTH_HANDS), ("sit_to_stand/heel_ahead", FOOT_AHEAD)])
def test_hands_that_push_take_a_foot_ahead_back(ref: str, level: int) -> None:
    assert profile(engine(), ref, "left", seat_cm=50).peak("rise_level") == level


@pytest.mark.parametrize("seat_cm", [44, 48, 52, 56])
def test_the_hip_bends_less_the_higher_the_seat(seat_cm: int) -> None:
    e = engine()
    lower, higher = (profile(e, "sit_to_stand/leg_ahead", "left", seat_cm=cm).peak("left.hip_bend_deg") for cm in (seat_cm, seat_cm + 4))
    assert higher < lower


def test_a_lightened_seat_is_an_exercise_and_a_painful_fracture_sits_supported() -> None:
    fresh = {"kind": "fracture", "site": "spine", "on": "2026-10-30", "from_standing_height_or_less": True, "healed": False, "painful": True}
    for v in engine(fresh, birth="1944-05-01").judge("light_seat", "without_hands"):
        assert not v.allowed
    assert all(v.allowed for v in engine(birth="1990-05-01").judge("light_seat", "with_hands"))


BODIES = [(1.45, 45, "female"), (1.55, 70, "female"), (1.65, 63, "female"), (1.75, 80, "male"), (1.85, 85, "male"), (1.95, 95, "male")]


@pytest.mark.parametrize("step", ["one_hand", "with_hands", "two_legs", "leg_ahead"])
@pytest.mark.parametrize("measures", BODIES)
def test_nobody_rounds_to_rise_from_a_seat_of_the_own_height(step: str, measures: tuple[float, float, str]) -> None:
    """A rise is a hinge: the trunk stays as it is (common practice, no source), whatever the stature."""
    found = profile_of(Measures(*measures), f"sit_to_stand/{step}")
    assert not found.fault
    assert found.peak("trunk_flexion_deg") < 3


@pytest.mark.parametrize("measures", BODIES)
def test_arms_that_push_beside_the_hips_take_load_off_the_back(measures: tuple[float, float, str]) -> None:
    """What the arms carry the low back does not (common practice, no source); nor does their push fold the upper back."""
    pushed, free = (profile_of(Measures(*measures), f"sit_to_stand/{step}") for step in ("leg_ahead", "two_legs"))
    assert pushed.peak("compression_l4_l5_percent_bw") < free.peak("compression_l4_l5_percent_bw")
    assert pushed.peak("compression_t7_t8_percent_bw") < free.peak("compression_l4_l5_percent_bw")


def profile_of(measures: Measures, ref: str) -> Profile:
    family, step = find(ref)
    body = measure(measures)
    return Profiler(body, healthy()).profile(Request(family, step, "left" if step.sides else "both", step.defaults(body)))


@given(st.floats(1.05, 2.05), st.floats(22.0, 140.0), st.floats(24.0, 66.0), st.floats(-15.0, 140.0), st.floats(80.0, 140.0), st.floats(4.0, 17.0))
def test_the_further_back_the_feet_the_further_ahead_of_them_is_the_weight(
    stature_m: float, mass_kg: float, seat_cm: float, arms_deg: float, hip_deg: float, back_cm: float
) -> None:
    """So that the first place of the feet that brings the weight over them may be found by halving."""
    somebody = measure(Measures(stature_m, mass_kg, "female"))
    near, far = (_reached_cm(somebody, hip_deg, seat_cm, back, arms_deg) for back in (back_cm, back_cm + 1.0))
    assert far > near


@pytest.mark.parametrize("seat_cm", [40.0, 46.0, 55.0])
def test_feet_go_no_further_back_than_the_weight_asks(seat_cm: float) -> None:
    """Every centimetre looked at by itself: a centimetre less far back the weight does not come over the feet yet."""
    somebody = measure(Measures(1.68, 66.0, "female"))
    ready = ready_to_rise(somebody, healthy(), seat_cm, 95.0)
    tried = [back for back in np.arange(4.0, 18.01, 1.0) if _reached_cm(somebody, 120.0, seat_cm, float(back), 95.0) >= OVER_FEET_CM]
    if tried:
        assert ready.heel_back_cm == tried[0] and ready.over_cm == OVER_FEET_CM
    else:  # a low seat: as far back as they go, and the weight stays behind
        assert ready.heel_back_cm > 14.0 and ready.over_cm < OVER_FEET_CM
    assert bool(tried) == (seat_cm > 50)
