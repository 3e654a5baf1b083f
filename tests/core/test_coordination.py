"""Limbs moved on purpose at once (common practice, no source): what stands or lies and only gives is not one of them."""

import gc
from weakref import ref

import pytest

from amvel.body import but, healthy
from amvel.movements import Request, find
from amvel.movements.coordination import LIMBS, Asking
from amvel.movements.declared_frames import declared_frames
from tests.bodies import library_profiles, profiler

COUNTS = {
    "breathing_rest/knees_bent": 0,
    "knee_fold/single_fold": 1,
    "knee_hug/one_knee": 2,  # a leg, and both arms that hold one knee
    "opposite_arm_and_leg_supine/arms_only": 1,
    "opposite_arm_and_leg_supine/full_reach": 2,
    "bridge/small_lift": 1,
    "side_bridge/knees_bent": 1,  # the upper leg lies on the lower one
    "arm_or_leg_slide/arm_reach": 1,
    "arm_or_leg_slide/leg_slide": 1,
    "round_and_lengthen/larger": 0,  # the trunk moves, hands and knees stay
    "table_lean_rest/forearms": 0,
    "seated_weight_shift/shift": 1,
    "tall_hinge/arms_raised": 0,
    "sit_to_stand/two_legs": 1,  # both legs alike; the arms stay ahead
    "heel_raise/firm_hand": 0,
    "sit_to_stand/heel_ahead": 2,  # the leg that pushes, and both arms
}


def profile(ref: str, side: str):
    family, step = find(ref)
    p = profiler()
    return p.profile(Request(family, step, side if step.sides else "both", step.defaults(p.body)))


@pytest.mark.parametrize("ref", COUNTS)
def test_limbs_are_counted_as_somebody_would_who_teaches_it(ref: str) -> None:
    for side in ("left", "right"):
        assert profile(ref, side).peak("coordination") == COUNTS[ref], (ref, side)


def test_both_sides_of_a_step_ask_the_same() -> None:
    counts: dict[str, set[float]] = {}
    for q in library_profiles("middle"):
        if not q.fault:
            counts.setdefault(q.request.label, set()).add(q.peak("coordination"))
    assert {k: v for k, v in counts.items() if len(v) > 1} == {}


def test_nobody_has_more_than_four_limbs() -> None:
    assert all(0 <= q.peak("coordination") <= 4 for q in library_profiles("middle") if not q.fault)


@pytest.mark.parametrize(
    ("less", "more"),
    [
        ("arm_or_leg_slide/arm_reach", "arm_or_leg_slide/opposite_slide"),
        ("opposite_arm_and_leg_supine/arms_only", "opposite_arm_and_leg_supine/short_reach"),
        ("knee_fold/single_fold", "knee_fold/marching"),
        ("standing_reach/leg_back", "standing_reach/opposite_arm"),
    ],
)
def test_a_limb_more_counts_more(less: str, more: str) -> None:
    assert profile(less, "left").peak("coordination") < profile(more, "left").peak("coordination")


def test_what_frames_ask_is_read_once_and_outlives_none_of_them() -> None:
    family, step = find("knee_fold/marching")
    start, *_, end = declared_frames(family, step, "left", profiler().body, healthy(), step.defaults(profiler().body))
    start, end = but(start, name="start"), but(end, name="end")  # of these nobody else holds on to any
    asks = Asking.by(start)
    assert Asking.by(start) is asks and Asking.by(end) is not asks
    assert asks.only_gives_until(Asking.by(end)) is asks.only_gives_until(Asking.by(end))
    assert asks.only_gives_until(asks) == {limb: bool(asks.of[limb].lies_on) for limb in LIMBS}
    gone = [ref(start), ref(end), ref(asks)]
    gc.disable()  # counting alone must do: cycles are looked for seldom
    try:
        del start, end, asks
        assert [r() for r in gone] == [None] * 3
    finally:
        gc.enable()
