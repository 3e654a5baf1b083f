"""Lying propped: the head end raised by 15, 30 or 45°, for who cannot lie flat."""

import math

import pytest

from amvel.case import Room
from amvel.fitting.needs import check_room
from amvel.movements import Profile, Request, all_steps, find
from amvel.movements.propped import HEAD_END_UP, NOT_FLAT_DEG
from amvel.safety import EXCLUDED, MODIFIED
from tests.bodies import profiler
from tests.engines import engine_of
from tests.generated import base

RAISED = (15.0, 30.0, 45.0)
PROPPED = [(f, s) for f, s in all_steps() if any(p.id == HEAD_END_UP.id for p in s.parameters)]
# A leg that is lowered almost to the level part would end under it once the pelvis has come up so far.
TOO_LOW_AT_45 = {"opposite_arm_and_leg_supine/full_reach", "leg_reach/lower"}


def lying(ref: str, raised_deg: float, size: str = "middle") -> Profile:
    p = profiler(size)
    family, step = find(ref)
    side = "left" if step.sides else "both"
    return p.profile(Request(family, step, side, {**step.defaults(p.body), HEAD_END_UP.id: raised_deg}))


def at(profile: Profile, landmark: str):
    return profile.posed.points[0, profiler().skeleton.landmarks.index[landmark]]


@pytest.mark.parametrize("size", ["middle", "small", "heavy"])
@pytest.mark.parametrize("raised", RAISED)
def test_whatever_lies_flat_lies_propped_too(size: str, raised: float) -> None:
    p = profiler(size)
    requests = [
        Request(f, s, "left" if s.sides else "both", {**s.defaults(p.body), HEAD_END_UP.id: raised})
        for f, s in PROPPED
        if raised >= next(x.low for x in s.parameters if x.id == HEAD_END_UP.id)
    ]
    faults = {q.request.label: str(q.fault) for q in p.profiles(requests) if q.fault}
    assert faults.keys() <= (TOO_LOW_AT_45 if raised == 45 else set()), faults


def test_the_whole_of_supine_work_can_be_raised_and_nothing_else() -> None:
    families = {f.id for f, _ in PROPPED}
    assert {"breathing_rest", "deep_abdominal_set", "toe_float", "knee_fold", "squeeze_and_push", "pelvic_tilt_clock"} <= families
    assert not families & {"bridge", "roll_to_the_side", "rolling_back", "sit_up"}  # their back leaves what it lies on
    assert {f.position for f, _ in PROPPED} == {"on the back"}


@pytest.mark.parametrize("raised", RAISED)
def test_the_back_lies_at_the_angle_that_was_asked(raised: float) -> None:
    """By the landmarks alone: sacrum, back of the ribs and head on one line that rises by the angle."""
    q = lying("breathing_rest/knees_bent", raised)
    low, ribs, head = (at(q, n) for n in ("sacrum", "upper_back", "occiput"))
    for point in (ribs, head):
        assert math.degrees(math.atan2(point[2] - low[2], low[0] - point[0])) == pytest.approx(raised, abs=0.5)
    assert at(q, "left.buttock")[2] == pytest.approx(0.0, abs=0.005)
    assert at(q, "left.heel")[2] == pytest.approx(0.0, abs=0.005)


def test_what_the_legs_stand_on_stays_level_so_that_the_hips_bend_more() -> None:
    """Plane geometry: with feet and thighs where they were, the thigh-pelvis angle grows by the slope, less what the hip rises."""
    flat = lying("breathing_rest/knees_bent", 0.0).peak("left.hip_flexion_deg")
    for raised in RAISED:
        assert lying("breathing_rest/knees_bent", raised).peak("left.hip_flexion_deg") == pytest.approx(flat + raised, abs=9.0)


def test_a_lifted_leg_keeps_its_declared_bend() -> None:
    for raised in (15.0, 30.0):
        assert lying("knee_fold/both_held", raised).peak("left.hip_flexion_deg") == pytest.approx(90.0, abs=1.0)


def test_the_head_comes_above_the_heart_and_weighs_less_on_the_slope() -> None:
    """The pad's share of a head that rests falls with the cosine of the slope (hand statics)."""
    flat = lying("breathing_rest/knees_bent", 0.0).peak("head_support_percent_bw")
    before = 0.0
    for raised in RAISED:
        q = lying("breathing_rest/knees_bent", raised)
        assert q.lowest("head_above_heart_cm") > before
        before = q.lowest("head_above_heart_cm")
        assert q.peak("head_support_percent_bw") <= flat * math.cos(math.radians(raised)) + 0.5


def test_flat_ends_at_the_first_step_of_the_head_end() -> None:
    assert lying("breathing_rest/knees_bent", 0.0).peak("lying_flat") == 1
    assert lying("breathing_rest/knees_bent", NOT_FLAT_DEG).peak("lying_flat") == 0
    assert lying("breathing_rest/knees_bent", 0.0).peak("time_flat_min") > 0
    assert lying("breathing_rest/knees_bent", 30.0).peak("time_flat_min") == 0
    assert lying("breathing_rest/knees_bent", 30.0).lowest("back_raised_deg") == 30


def test_only_who_lies_on_the_back_needs_a_head_end() -> None:
    family, step = find("standing_breath/free_standing")
    p = profiler()
    upright = p.profile(Request(family, step, "both", step.defaults(p.body)))
    assert upright.lowest("back_raised_deg") == 90


def case(**more):
    return engine_of(base("1975-05-01", "female", more.pop("conditions", []), [], **more))


def test_who_does_not_bear_lying_flat_keeps_the_lying_work() -> None:
    tolerates = {"floor": "yes", "lying_flat": "no", "face_down": "yes", "kneeling": "yes"}
    verdict = case(tolerates=tolerates).judge("toe_float", "finger_high", contexts=("visit",))[0]
    assert verdict.verdict == MODIFIED
    assert verdict.profile.request.values[HEAD_END_UP.id] == 15.0
    assert any("head end" in c.parameter.title for c in verdict.changes)


@pytest.mark.parametrize(("condition", "least"), [("breathless_lying", 30.0)])
def test_who_is_breathless_lying_comes_up_as_far_as_the_guideline_says(condition: str, least: float) -> None:
    """30–45° (safety.md §3, common practice): 15° is not enough."""
    for v in case(conditions=[{"kind": condition}]).judge("breathing_rest", contexts=("visit", "home")):
        assert v.verdict != EXCLUDED and v.verdict == MODIFIED, (v.ref, v.reasons)
        assert float(v.profile.request.values[HEAD_END_UP.id]) >= least


def test_a_raised_head_end_is_asked_of_the_room() -> None:
    family, step = find("toe_float/finger_high")
    flat, up = (check_room(profiler().body, Room(), family, step, [{HEAD_END_UP.id: d}]) for d in (0.0, 30.0))
    assert len(up.uses) == len(flat.uses) + 1
    assert any("chair" in s and "wedge" in s for s in up.stand_ins)


@pytest.mark.parametrize(("ref", "came_later"), [("toe_float/finger_high", HEAD_END_UP.id), ("tandem_stand/fingertips", "base"), ("sit_to_stand/two_legs", "heel_wedge_cm")])
def test_what_was_stored_before_a_measure_came_has_it_at_its_usual_value(ref: str, came_later: str) -> None:
    p = profiler()
    family, step = find(ref)
    whole = step.defaults(p.body)
    side = "left" if step.sides else "both"
    old = p.profile(Request(family, step, side, {k: v for k, v in whole.items() if k != came_later}))
    assert old.request.values == whole
    assert (old.columns.table == p.profile(Request(family, step, side, whole)).columns.table).all()
