"""A bend that the arms pull the back into is no rest (job.md: the hug is itself a bend, one knee at a time, out under
flexion limits; common practice, no source)."""

import pytest

from amvel.engine import Engine
from tests.engines import engine_of
from tests.generated import TODAY, base

T_MINUS_2_8 = {"test": "bone_density", "site": "lumbar_spine", "t_score": -2.8, "on": TODAY.isoformat()}


def engine(birth: str, *tests: dict) -> Engine:
    return engine_of(base(birth, "female", [], list(tests)))


@pytest.fixture(scope="module")
def thin() -> Engine:
    return engine("1956-05-01", T_MINUS_2_8)


def test_held_legs_make_a_bend_a_loaded_one(thin: Engine) -> None:
    for v in thin.judge("knees_to_the_chest", None, ("visit",)):
        p = v.original
        assert p.peak("legs_in_the_hands") == 2
        assert p.peak("loaded_trunk_flexion_deg") == pytest.approx(p.peak("trunk_flexion_deg"))
        assert p.peak("unloaded_trunk_flexion_deg") < 2


def test_both_knees_to_the_chest_is_out_with_thin_bones_and_not_offered_smaller(thin: Engine) -> None:
    for v in thin.judge("knees_to_the_chest", None, ("visit", "home")):
        assert not v.allowed and "low_bone_mass.loaded_flexion" in {b.limit.id for b in v.reasons}


def test_one_knee_stays_within_the_bend_that_is_left(thin: Engine) -> None:
    for v in thin.judge("knee_hug", None, ("home",)):
        assert not v.allowed or v.profile.peak("loaded_trunk_flexion_deg") <= 10


def test_a_hand_that_lies_on_the_thigh_pulls_nothing() -> None:
    for v in engine("1990-05-01").judge("tall_hinge", "hands_on_thighs", ("visit",)):
        assert v.original.peak("legs_in_the_hands") == 0
