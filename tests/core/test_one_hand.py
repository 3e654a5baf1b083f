"""Where one hand may carry nothing, standing work with a hold goes on with the other one (common practice, no source)."""

import pytest

from amvel.movements import Request, find
from tests.conftest import demo
from tests.engines import engine_of

WITH_A_HOLD = ("heel_raise/firm_hand", "heel_raise/fingertips", "standing_foot/heel_to_ball", "standing_leg_to_the_side/firm_hand", "standing_reach/leg_back")
OTHER = {"left": "right", "right": "left"}


def verdicts(side: str):
    """Of somebody fit whose wrist on this side can carry nothing and bends back no further."""
    data = demo("fit-seventy")
    wrist = {"kind": "wrist_trouble", "noted_on": data["as_of"], "side": side, "tolerated_load_percent_bw": 0.5, "tolerated_extension_deg": 5}
    return engine_of({**data, "conditions": [*data["conditions"], wrist]}).verdicts


@pytest.mark.parametrize("side", ["left", "right"])
def test_what_one_hand_may_not_hold_the_other_holds(side: str) -> None:
    found = [v for v in verdicts(side) if v.ref in WITH_A_HOLD and v.context == "home"]
    assert {v.ref for v in found} == set(WITH_A_HOLD)
    for v in found:
        assert v.allowed, (v.ref, v.side, v.reasons)
        assert v.profile.peak(f"{side}.hand_support_percent_bw") <= 0.5, (v.ref, v.side)
        assert v.profile.peak(f"{OTHER[side]}.hand_support_percent_bw") > 0.5, (v.ref, v.side)


@pytest.mark.parametrize("side", ["left", "right"])
def test_the_hand_that_holds_on_is_named_as_a_hand_of_that_person(side: str) -> None:
    [v] = [v for v in verdicts(side) if v.ref == "heel_raise/firm_hand" and v.context == "home"]
    [change] = [c for c in v.changes if c.parameter.id == "hands"]
    assert (change.before, change.after) == ("both hands", f"{OTHER[side]} hand")


def test_with_two_sound_hands_nothing_is_changed() -> None:
    sound = engine_of(demo("fit-seventy")).verdicts
    assert not [v for v in sound if any(c.parameter.id == "hands" for c in v.changes)]


def test_an_arm_that_hangs_carries_nothing() -> None:
    engine = engine_of(demo("fit-seventy"))
    family, step = find("heel_raise/firm_hand")
    values = {**step.defaults(engine.profiler.body), "hands": "right hand"}
    profile = engine.profiler.profile(Request(family, step, "both", values))
    assert not profile.fault
    assert profile.peak("left.hand_support_percent_bw") == 0.0
