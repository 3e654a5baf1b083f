"""Measured ranges stop every pose: hamstring, shoulder, knee, fused levels.  What cannot be taken rounds, bends or fails visibly."""

import numpy as np
import pytest

from amvel.body import Capacities, cautious, healthy
from amvel.fitting import within_reach
from amvel.movements import Profile, Profiler, Request, all_steps, find
from amvel.safety import sides_of
from amvel.screening.fused_levels import mobile_shares
from tests.bodies import body
from tests.conftest import demo
from tests.engines import engine_of


def measured(**deg: float) -> Capacities:
    """Healthy but for these, on both sides."""
    ranges = dict(healthy().range_deg)
    for name, value in deg.items():
        ranges |= {k: value for k in ranges if k.split(".")[-1] == name}
    return cautious(ranges)


def library_of(capacities: Capacities) -> list[Profile]:
    p = Profiler(body(), capacities)
    return p.profiles(
        [
            Request(f, s, side, within_reach(s, s.defaults(p.body), capacities))
            for f, s in all_steps()
            for side in sides_of(s)[:1]
        ]
    )


def test_a_short_hamstring_rounds_the_back_in_long_sitting() -> None:
    """Straight-leg raise 40°: with a straight knee the hip goes no further, the low back gives."""
    p = Profiler(body(), measured(straight_leg_raise=40.0))
    family, step = find("long_sit/legs_apart")
    profile = p.profile(Request(family, step, "both", step.defaults(p.body)))
    assert not profile.fault
    hip, knee = profile.columns["left.hip_flexion_deg"], profile.columns["left.knee_flexion_deg"]
    assert (hip <= 40.0 + knee + 0.1).all()
    assert profile.peak("trunk_flexion_deg") > 10


@pytest.mark.parametrize("deg", [40.0, 60.0])
def test_no_hip_of_the_library_bends_beyond_its_hamstring(deg: float) -> None:
    for profile in library_of(measured(straight_leg_raise=deg)):
        if profile.fault:
            continue
        for side in ("left", "right"):
            over = profile.columns[f"{side}.hip_flexion_deg"] - profile.columns[f"{side}.knee_flexion_deg"] - deg
            assert over.max() < 1.0, (profile.request.label, side)


@pytest.mark.parametrize(("name", "column", "deg"), [("shoulder_elevation", "shoulder_elevation_deg", 80.0), ("knee_flexion", "knee_flexion_deg", 100.0)])
def test_no_pose_of_the_library_takes_a_joint_beyond_what_was_measured(name: str, column: str, deg: float) -> None:
    for profile in library_of(measured(**{name: deg})):
        if not profile.fault and name != "shoulder_elevation":
            assert max(profile.peak(f"{s}.{column}") for s in ("left", "right")) <= deg + 0.1, profile.request.label
        if not profile.fault and name == "shoulder_elevation":
            flexion = [np.degrees(profile.posed.angles[:, j]).max() for j in _shoulders()]
            assert max(flexion) <= deg + 0.1, profile.request.label


def _shoulders() -> list[int]:
    from amvel.body import JOINT_INDEX

    return [JOINT_INDEX[f"{s}.shoulder.flexion"] for s in ("left", "right")]


def test_fused_levels_do_not_move_and_break_no_limit_of_their_own() -> None:
    data = demo("fused-spine")
    data["conditions"] = [{"kind": "spinal_fusion", "from_level": "L1", "to_level": "S1", "on": "2020-01-01", "noted_on": "2026-11-24"}]
    engine = engine_of(data)
    assert mobile_shares(engine.case) == {"lumbar": 0.0}
    own = [x for x in engine.envelope.limits if x.id.startswith("spinal_fusion.lumbar_")]
    assert own and all(x.bound == 0 for x in own)
    for profile in engine.table.profiles:
        if not profile.fault:
            for kind in ("flexion", "extension"):
                assert profile.peak(f"lumbar_{kind}_deg") <= 0.05, profile.request.label
    for verdict in engine.judge(contexts=("visit",)):
        assert not [b for b in verdict.reasons if b.limit.id.startswith("spinal_fusion.lumbar_")], verdict.ref


def test_what_fused_levels_do_not_give_the_others_give_as_far_as_they_go() -> None:
    free = healthy()
    stiff = Capacities(free.range_deg, free.assumed, {"lower_thoracic": 0.0})
    p = Profiler(body(), stiff)
    family, step = find("tall_turn/hands_on_ribs")
    profile = p.profile(Request(family, step, "left", {**step.defaults(p.body), "turn_deg": 15.0}))
    assert not profile.fault
    turned = [max(profile.peak(f"{s}.{r}_rotation_deg") for s in ("left", "right")) for r in ("lumbar", "lower_thoracic", "upper_thoracic")]
    assert turned[1] == pytest.approx(0.0, abs=0.05)
    assert turned[0] + turned[2] == pytest.approx(15.0, abs=0.5)
