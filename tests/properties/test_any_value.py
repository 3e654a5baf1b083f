"""Whatever somebody sets on any slider of any step, on any body: a typed fault, or a pose that is what it says.

Drawn by hypothesis over the whole library, not only at defaults and ends.
"""

from functools import lru_cache

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.body import GRAVITY_M_S2, Measures, PoseFault, healthy, measure, plain_fault, react
from amvel.movements import Parameter, Profile, Profiler, Request, all_steps
from amvel.movements.promise import TOLERANCE_DEG, kept
from amvel.movements.shown_angles import Reading
from amvel.quantities import REGISTRY, base_id
from tests.bodies import SIZES

STEPS = list(all_steps())
LONG = settings(deadline=None, max_examples=120)


@lru_cache(maxsize=16)
def profiler_of(size: str) -> Profiler:
    h, m, sex = SIZES[size]
    return Profiler(measure(Measures(h, m, sex)), healthy())


def value_at(p: Parameter, share: float) -> float | str:
    """A value of this parameter, by its place in the range: on the grid, as a slider gives it."""
    if p.choices:
        return p.choices[min(int(share * len(p.choices)), len(p.choices) - 1)]
    stops = round((p.high - p.low) / p.grid)
    return round(p.low + round(share * stops) * p.grid, 6)


@st.composite
def tried(draw) -> tuple[str, Request]:
    size = draw(st.sampled_from(sorted(SIZES)))
    family, step = STEPS[draw(st.integers(0, len(STEPS) - 1))]
    shares = draw(st.lists(st.floats(0, 1), min_size=len(step.parameters), max_size=len(step.parameters)))
    values = {p.id: value_at(p, share) for p, share in zip(step.parameters, shares, strict=True)}
    side = draw(st.sampled_from(("left", "right"))) if step.sides else "both"
    return size, Request(family, step, side, values)


def profile_of(case: tuple[str, Request]) -> Profile:
    size, request = case
    p = profiler_of(size)
    return p.posed(p.profile(request))


@LONG
@given(tried())
def test_what_cannot_be_taken_says_why_in_plain_words(case: tuple[str, Request]) -> None:
    fault = profile_of(case).fault
    if fault is not None:
        assert isinstance(fault, PoseFault)
        words = plain_fault(fault)
        assert words and "_" not in words and words != str(fault)


@LONG
@given(tried())
def test_contacts_hold_forces_balance_and_numbers_are_numbers(case: tuple[str, Request]) -> None:
    size, _ = case
    found, p = profile_of(case), profiler_of(size)
    if found.fault:
        return
    assert found.posed.worst_gap_m.max() < 0.005
    unbalanced = react(p.skeleton, list(found.specs), found.posed).unbalanced
    assert p.skeleton.mass_kg.sum() * GRAVITY_M_S2 * unbalanced.max() < 0.1
    for name, values in found.columns.items():
        assert base_id(name) in REGISTRY
        assert np.isfinite(values).all(), name


@LONG
@given(tried())
def test_every_angle_is_what_was_set(case: tuple[str, Request]) -> None:
    size, request = case
    found, p = profile_of(case), profiler_of(size)
    if found.fault:
        return
    neutral = found.declared.neutral
    read = Reading(p.skeleton, found.posed, np.degrees(found.posed.angles - neutral))
    for parameter in request.step.parameters:
        if parameter.shows:
            asked = float(request.values[parameter.id])
            off = kept(parameter.shows, asked, request.side, read, found.rows)
            assert off <= TOLERANCE_DEG, parameter.id


@LONG
@given(tried())
def test_supports_carry_the_body_and_no_more_than_the_loads_add(case: tuple[str, Request]) -> None:
    """Vertical equilibrium, summed apart from the engine: what all contacts push up is the weight and what hangs on it."""
    size, _ = case
    found, p = profile_of(case), profiler_of(size)
    if found.fault:
        return
    weight = p.skeleton.mass_kg.sum() * GRAVITY_M_S2
    index = p.skeleton.landmarks.index
    reactions = react(p.skeleton, list(found.specs), found.posed)
    for b, spec in enumerate(found.specs):
        own = reactions.of(b)
        up = float(reactions.force[own][reactions.outside[own], 2].sum())
        loads = sum(float(load.force_at(found.posed.points[b], index)[2]) for load in spec.loads)
        assert up + loads == pytest.approx(weight, abs=0.5)


@LONG
@given(tried())
def test_the_other_side_is_the_mirror_image(case: tuple[str, Request]) -> None:
    size, request = case
    if not request.step.sides:
        return
    other = "left" if request.side == "right" else "right"
    a = profile_of(case)
    b = profile_of((size, Request(request.family, request.step, other, request.values)))
    assert (a.fault is None) == (b.fault is None)
    if a.fault is None:
        for name in ("trunk_flexion_deg", "compression_l4_l5_percent_bw", "pelvic_moment_nm_per_kg_m", "coordination"):
            assert a.peak(name) == pytest.approx(b.peak(name), abs=0.02 * max(1.0, abs(a.peak(name)))), name


@LONG
@given(tried())
def test_a_sketch_never_knows_better_than_the_whole(case: tuple[str, Request]) -> None:
    """What fails in its declared frames fails; what the whole allows, its sketch allowed (the search relies on it)."""
    size, request = case
    sketch, whole = profiler_of(size).sketches([request])[0], profile_of(case)
    if sketch.fault is not None:
        assert whole.fault is not None
    elif whole.fault is None:
        for name in ("left.hip_bend_deg", "trunk_flexion_deg", "left.hand_support_percent_bw"):
            assert sketch.peak(name) <= whole.peak(name) + 1e-6 + 0.02 * abs(whole.peak(name))
