"""Bodies with the ranges that are assumed of untested limbs: what they take is a pose that people take.

Unrestricted bodies are swept in test_library_scaling; stiff joints are where a solver finds contacts that all hold on
a body that hangs under the floor or has tipped to the side.
"""

from dataclasses import replace
from functools import lru_cache

import numpy as np
import pytest

from amvel.body import (
    JOINTS,
    PelvisTips,
    Posed,
    PoseFault,
    UnderTheFloor,
    cautious,
    flatten,
    plain_fault,
    sunk,
    tipped,
)
from amvel.body.contorted import SUNK_M, TIPPED_DEG
from amvel.body.overlap import overlaps
from amvel.fitting import within_reach
from amvel.movements import Profile, Profiler, Request, find
from amvel.safety import sides_of
from tests.bodies import body, posed, profiler, steps_under_test

# Deep hip or knee bends, or a leg across the other one, that nobody is assumed to have untested.
NEEDS_MORE = {
    "curl_family/legs_straight",
    "curl_family/one_knee_bent",
    "floor_by_a_chair/all_the_way_up",
    "floor_by_a_chair/knee_lifts",
    "legs_overhead/onto_the_shoulders",
    "rise_and_carry/rise_and_put_down",
    "rise_and_carry/rise_with_a_cup",
    "side_bridge/full_length",
    "side_bridge/on_the_shoulder",
    "sit_back_rest/forearms_on_a_seat",
    "sit_back_rest/on_the_floor",
    "sit_to_stand/heel_ahead",
    "sit_to_stand/one_hand",
    "sit_to_stand/one_leg",
    "sit_to_stand/staggered",
    "sit_to_stand/two_legs",
    "sit_to_stand/with_hands",
}
UNTESTED = ("small", "middle", "tall", "heavy")
_LOWEST_CM = -2.3  # of a body of 1.65 m: a back, a heel or the toes give by so much (our estimate)

_BRUSH_M = 0.03  # one foot may brush the other on its way


@lru_cache(maxsize=4)
def untested(size: str) -> tuple[Profiler, list[Profile]]:
    own = body(size)
    p = Profiler(own, cautious({}))
    return p, posed(
        p,
        [
            Request(f, s, side, within_reach(s, s.defaults(own), p.capacities))
            for f, s in steps_under_test()
            for side in sides_of(s)
        ],
    )


@pytest.mark.parametrize("size", UNTESTED)
def test_untested_limbs_close_only_what_needs_more_than_daily_life_shows(size: str) -> None:
    closed = {p.request.label: p.fault for p in untested(size)[1] if p.fault}
    assert set(closed) <= NEEDS_MORE, {k: v for k, v in closed.items() if k not in NEEDS_MORE}


@pytest.mark.parametrize("size", UNTESTED)
def test_nothing_of_an_untested_body_is_under_the_floor(size: str) -> None:
    p, profiles = untested(size)
    rows = [i for n, i in p.skeleton.landmarks.index.items() if not n.startswith("com.")]
    for profile in profiles:
        if not profile.fault:
            assert profile.posed is not None
            lowest = 100 * profile.posed.points[:, rows, 2].min()
            assert lowest > _LOWEST_CM * p.body.stature_m / 1.65, profile.request.label


@pytest.mark.parametrize("size", UNTESTED)
def test_no_limb_of_an_untested_body_lies_in_another(size: str) -> None:
    """A foot that became light once swung onto the standing one: nothing had said where it stays."""
    p, profiles = untested(size)
    for profile in profiles:
        if not profile.fault:
            assert profile.posed is not None
            found = [o for o in overlaps(p.skeleton, profile.posed.points) if o.apart_m < _BRUSH_M]
            assert found == [], (profile.request.label, found[:2])


@pytest.mark.parametrize("size", UNTESTED)
def test_a_joint_that_gives_stays_inside_what_a_person_can(size: str) -> None:
    """An ankle was once found turned by 200°: nothing had stopped it."""
    p, profiles = untested(size)
    stops = p.capacities.stops_rad()
    for profile in profiles:
        if profile.fault or profile.posed is None:
            continue
        for k, (name, _, _) in enumerate(JOINTS):
            angles = profile.posed.angles[:, k]
            given = [name in spec.free for spec in profile.specs]
            if name in stops and any(given):
                low, high = stops[name]
                assert angles[given].min() >= low - 1e-6, (profile.request.label, name)
                assert angles[given].max() <= high + 1e-6, (profile.request.label, name)


def test_the_wall_plank_with_a_foot_off_keeps_the_pelvis_level() -> None:
    """Common practice, no source: pelvis level (a stripe on the waistband shows it)."""
    p, _ = untested("middle")
    for ref in ("wall_plank/one_foot_light", "wall_plank/one_foot_lifted"):
        family, step = find(ref)
        profile = p.profile(Request(family, step, "left", step.defaults(p.body)))
        assert profile.posed is not None and not profile.fault
        assert abs(profile.posed.root_rotation[:, 2, 1]).max() < np.sin(np.radians(2.0))


@pytest.mark.parametrize("feet", ["in front", "stacked"])
def test_the_side_bridge_hangs_above_its_arm(feet: str) -> None:
    p = profiler("middle")
    family, step = find("side_bridge/full_length")
    profile = p.profile(Request(family, step, "left", {**step.defaults(p.body), "feet": feet}))
    assert profile.posed is not None and not profile.fault
    at = {n: profile.posed.points[-1, i] for n, i in p.skeleton.landmarks.index.items()}
    assert at["right.shoulder"][2] > at["right.elbow"][2] + 0.2
    line = [at[f"right.{n}"][2] for n in ("ankle", "hip", "shoulder")]
    assert line == sorted(line)


def test_an_untested_hip_stacks_the_feet_instead() -> None:
    p, _ = untested("middle")
    family, step = find("side_bridge/full_length")
    front, stacked = (
        p.profile(Request(family, step, "left", {**step.defaults(p.body), "feet": feet}))
        for feet in ("in front", "stacked")
    )
    assert isinstance(front.fault, UnderTheFloor)
    assert stacked.fault is None


def _posed(turn_deg: float = 0.0, drop_m: float = 0.0) -> tuple[Posed, Posed]:
    """Standing as declared; then turned about the line ahead and dropped."""
    p = profiler("middle")
    family, step = find("standing_breath/free_standing")
    profile = p.profile(Request(family, step, "both", step.defaults(p.body)))
    assert profile.posed is not None
    meant = profile.posed.part([0])
    a = np.radians(turn_deg)
    turn = np.array([[1.0, 0, 0], [0, np.cos(a), -np.sin(a)], [0, np.sin(a), np.cos(a)]])
    points = meant.points - np.array([0.0, 0.0, drop_m])
    return meant, replace(meant, root_rotation=turn @ meant.root_rotation, points=points)


def _sunk(posed: Posed, floor_m: float = 0.0) -> PoseFault | None:
    p = profiler("middle")
    family, step = find("standing_breath/free_standing")
    spec = p.profile(Request(family, step, "both", step.defaults(p.body))).specs[0]
    return sunk(p.skeleton, flatten(p.skeleton, [spec], [{}]), [spec.name], posed, np.array([floor_m]))[0]


@pytest.mark.parametrize(("by", "out"), [(-1.0, False), (1.0, True)])
def test_a_level_pelvis_may_tip_only_so_far(by: float, out: bool) -> None:
    for sign in (1, -1):
        meant, posed = _posed(turn_deg=sign * (TIPPED_DEG + by))
        found = tipped(["standing"], meant.root_rotation, posed)[0]
        assert isinstance(found, PelvisTips) == out
        if out:
            assert plain_fault(found).startswith("the joints do not let the pelvis stay level here")


@pytest.mark.parametrize(("by_mm", "out"), [(-2.0, False), (2.0, True)])
def test_flesh_gives_only_so_far(by_mm: float, out: bool) -> None:
    _, posed = _posed()
    lowest = min(
        posed.points[0, i, 2]
        for n, i in profiler().skeleton.landmarks.index.items()
        if not n.startswith("com.")
    )
    found = _sunk(_posed(drop_m=float(lowest) + SUNK_M + by_mm / 1000)[1])
    assert isinstance(found, UnderTheFloor) == out
    assert not out or "would end under it" in plain_fault(found)


def test_the_floor_of_a_raised_surface_counts() -> None:
    _, posed = _posed()
    assert _sunk(posed) is None
    assert isinstance(_sunk(posed, 0.10), UnderTheFloor)
