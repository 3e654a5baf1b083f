"""Rising with a new hip: one leg ahead, the arms push; and what is only practised for a rise."""

import pytest

from amvel.body import Measures, healthy, measure
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
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
