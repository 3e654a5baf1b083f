"""Properties of the whole library: equilibrium on every body, loads that scale with mass and length, no limb below the floor."""

import numpy as np
import pytest

from amvel.body import GRAVITY_M_S2, Measures, healthy, measure, react
from amvel.body.overlap import overlaps
from amvel.movements import Profile, Profiler, Request, find
from amvel.movements.scenery import LOW_SEAT_CM
from tests.bodies import SIZES, library_profiles, profiler

# From 1.40 m and 38 kg to 1.98 m and 140 kg: the corners of the job's range (see tests/bodies.py).
EXTREMES = ("smallest", "largest")
FLOOR_CM = (
    -1.7
)  # contact patches are as soft as flesh: toes and fingertips of resting limbs may sink so far (our choice)


@pytest.mark.parametrize("size", EXTREMES)
def test_the_corners_of_the_range_take_every_step(size: str) -> None:
    faults = {p.request.label: p.fault for p in library_profiles(size) if p.fault}
    assert faults == {}


@pytest.mark.parametrize("size", EXTREMES)
def test_reactions_balance_the_weight_to_a_tenth_of_a_newton(size: str) -> None:
    p = profiler(size)
    for profile in library_profiles(size):
        assert profile.posed is not None
        reactions = react(p.skeleton, list(profile.specs), profile.posed)
        for i, spec in enumerate(profile.specs):
            outside = sum(
                load.force_at(profile.posed.points[i], p.skeleton.landmarks.index)[2] for load in spec.loads
            )
            weight = p.skeleton.mass_kg.sum() * GRAVITY_M_S2
            assert reactions.carried_n(i)[2] == pytest.approx(weight - outside, abs=0.1), spec.name


@pytest.mark.parametrize("size", ["middle", *EXTREMES])
def test_no_hand_foot_or_knee_passes_through_the_floor(size: str) -> None:
    p = profiler(size)
    rows = {n: i for n, i in p.skeleton.landmarks.index.items() if not n.startswith("com.")}
    for profile in library_profiles(size):
        if profile.fault:
            continue
        assert profile.posed is not None
        lowest = 100 * profile.posed.points[:, list(rows.values()), 2].min()
        bound = FLOOR_CM * p.body.stature_m / 1.65
        assert lowest > bound, (profile.request.label, round(float(lowest), 1))


@pytest.mark.parametrize("size", ["middle", *EXTREMES])
def test_nothing_passes_through_the_wall(size: str) -> None:
    p = profiler(size)
    index = p.skeleton.landmarks.index
    for profile in library_profiles(size):
        if profile.fault:
            continue
        assert profile.posed is not None
        for i, frame in enumerate(profile.frames):
            for s in frame.surfaces.values():
                if s.kind == "wall" and any(t.surface == s.name for t in frame.touches):
                    points = [
                        profile.posed.points[i, index[f"{x}.{n}"], 0]
                        for x in ("left", "right")
                        for n in ("palm", "elbow", "toe_tip", "knee_front")
                    ]
                    assert 100 * max(points) < s.at_cm + 2.0, (profile.request.label, frame.name)


@pytest.mark.parametrize("size", ["middle", "heavy", *EXTREMES])
def test_no_limb_passes_through_the_trunk_or_another_limb(size: str) -> None:
    p = profiler(size)
    for profile in library_profiles(size):
        if profile.fault:
            continue
        assert profile.posed is not None
        found = overlaps(p.skeleton, profile.posed.points)
        assert found == [], (profile.request.label, found[:2])


@pytest.mark.parametrize("size", ["middle", *EXTREMES])
def test_no_shin_passes_through_the_seat(size: str) -> None:
    """At the seat's height the shin is in front of it: its front edge, as drawn, 15 cm ahead of the sit bones at the start."""
    p = profiler(size)
    for profile in library_profiles(size):
        first = profile.frames[0]
        seated = any(t.surface == "seat" and "sit_bone" in t.landmark for t in first.touches)
        if seated and first.surfaces["seat"].at_cm >= LOW_SEAT_CM:
            level = first.surfaces["seat"].at_cm - 3.0
            ahead = _shins_ahead_cm(p, profile, level)
            assert ahead > 15.0 * p.body.stature_m / 1.65, profile.request.label


def _shins_ahead_cm(p: Profiler, profile: Profile, level_cm: float) -> float:
    """How far every shin stays ahead of where the sit bones were, seen from the standing foot, at this height."""
    assert profile.posed is not None
    at = {n: 100 * profile.posed.points[:, i] for n, i in p.skeleton.landmarks.index.items()}
    standing = at["left.ankle" if profile.request.side == "right" else "right.ankle"]  # the other one moves
    sit = at["right.sit_bone"][0, 0] - standing[0, 0]
    least = np.inf
    for side in ("left", "right"):
        knee, ankle = at[f"{side}.knee"], at[f"{side}.ankle"]
        crosses = (ankle[:, 2] < level_cm) & (level_cm < knee[:, 2])
        share = np.where(crosses, (knee[:, 2] - level_cm) / np.maximum(knee[:, 2] - ankle[:, 2], 1e-6), 0.0)
        there = (1 - share) * knee[:, 0] + share * ankle[:, 0] - standing[:, 0] - sit
        least = min(least, float(np.where(crosses, there, np.inf).min()))
    return least


def test_nobody_arches_where_nothing_was_declared() -> None:
    """A free hip gives the low back only into a tuck: an arch of a tenth of a degree would be the solver's own."""
    for profile in library_profiles("middle"):
        if not profile.fault:
            arch = profile.peak("trunk_extension_deg")
            assert arch == 0.0 or arch > 1.0, (profile.request.label, arch)


@pytest.mark.parametrize(
    "ref",
    [
        "knee_fold/single_fold",
        "knee_fold/both_held",
        "opposite_arm_and_leg_supine/full_reach",
        "leg_reach/long_and_back",
    ],
)
def test_moments_scale_with_mass_times_length(ref: str) -> None:
    """A body of the same shape, k times as tall and k² times as heavy (same girth): its moments are k³ times as large."""
    k = 1.15
    small, large = (Profiler(measure(Measures(1.6 * f, 60 * f * f, "female")), healthy()) for f in (1.0, k))
    family, step = find(ref)
    a, b = (
        p.profile(Request(family, step, "left" if step.sides else "both", step.defaults(p.body)))
        for p in (small, large)
    )
    for name in ("pelvic_flexion_moment_nm", "pelvic_rotation_moment_nm"):
        assert b.peak(name) == pytest.approx(k**3 * a.peak(name), rel=0.03, abs=0.3), name


def test_sizes_span_the_range_that_is_promised() -> None:
    assert SIZES["smallest"][:2] == (1.40, 38)
    assert SIZES["largest"][:2] == (1.98, 140)
    assert np.all([len(s) == 3 for s in SIZES.values()])
