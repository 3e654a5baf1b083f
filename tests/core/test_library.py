"""The registry sweep: every declaration, on several bodies."""

import numpy as np
import pytest

from amvel.body import GRAVITY_M_S2, react
from amvel.movements import POSITIONS, all_steps, library
from amvel.movements.figure import figure
from amvel.movements.frames import other_side
from amvel.quantities import REGISTRY, base_id
from tests.bodies import SIZES, library_profiles, profiler

# This body's hips are too wide for the wide clam: it is offered the smaller opening instead.
CANNOT = {("heavy", "clam/larger_opening")}


def test_the_library_has_its_families_and_steps() -> None:
    named = {
        "breathing_rest",
        "deep_abdominal_set",
        "knee_fold",
        "bent_knee_fall_out",
        "opposite_arm_and_leg_supine",
        "clam",
        "arm_or_leg_slide",
        "shoulder_blade_slide",
        "seated_march",
        "tall_hinge",
        "sit_to_stand",
        "wall_plank",
        "curl_family",
    }
    assert named <= set(library())
    assert len(library()) >= 50
    assert len(all_steps()) >= 140
    assert {f.position for f in library().values()} == set(POSITIONS)


@pytest.mark.parametrize("size", SIZES)
def test_every_step_stands_on_every_body(size: str) -> None:
    faults = {(size, p.request.label): p.fault for p in library_profiles(size) if p.fault}
    assert set(faults) <= CANNOT, faults


@pytest.mark.parametrize("size", ["middle", "tall"])
def test_reactions_balance_the_weight_in_every_frame(size: str) -> None:
    p = profiler(size)
    for profile in library_profiles(size):
        if profile.fault:
            continue
        reactions = react(p.skeleton, list(profile.specs), profile.posed)
        up = reactions.force[..., 2].sum(1)
        carried = [sum(load.force_n[2] for load in spec.loads) for spec in profile.specs]
        weight = p.skeleton.mass_kg.sum() * GRAVITY_M_S2 - np.array(carried)
        assert up == pytest.approx(weight, abs=0.1), profile.request.label


def test_no_placed_contact_floats_or_sinks() -> None:
    for profile in library_profiles("middle"):
        assert profile.posed.worst_gap_m.max() < 0.005, profile.request.label


def test_every_column_is_a_known_quantity_and_finite() -> None:
    for profile in library_profiles("middle"):
        for name, values in profile.columns.items():
            assert base_id(name) in REGISTRY
            assert np.isfinite(values).all(), (profile.request.label, name)


def test_left_and_right_are_mirror_images() -> None:
    found = {(p.request.label, p.request.side): p for p in library_profiles("middle")}
    for (label, side), left in found.items():
        if side != "left":
            continue
        right = found[label, "right"]
        for name, values in left.columns.items():
            assert right.columns[other_side(name)] == pytest.approx(values, abs=0.6, rel=0.01), (label, name)


def test_the_peaks_are_settled_between_frames() -> None:
    """Twice as many frames in between move no trunk angle by more than half a degree."""
    from amvel.movements import Profiler, Request, find

    coarse = profiler("middle")
    fine = Profiler(coarse.body, coarse.capacities, between=2 * coarse.between + 1)
    for ref in (
        "knee_fold/single_fold",
        "curl_family/one_knee_bent",
        "sit_to_stand/two_legs",
        "tall_hinge/hands_on_thighs",
    ):
        family, step = find(ref)
        request = Request(family, step, "left" if step.sides else "both", step.defaults(coarse.body))
        a, b = coarse.profile(request), fine.profile(request)
        for name in ("trunk_flexion_deg", "left.hip_flexion_deg", "trunk_inclination_deg"):
            assert b.peak(name) == pytest.approx(a.peak(name), abs=0.5), (ref, name)


def test_every_step_is_drawn_with_its_title() -> None:
    p = profiler("middle")
    for profile in library_profiles("middle"):
        drawing = figure(p, profile)
        assert drawing.startswith("<svg")
        assert profile.request.step.title.replace("&", "&amp;") in drawing
        assert "nan" not in drawing.lower().replace("font", "")


def test_a_harder_parameter_value_is_never_a_candidate_for_easing() -> None:
    for _, step in all_steps():
        for p in step.parameters:
            start = p.default_for(profiler("middle").body)
            for value in p.candidates(start):
                if not p.choices:
                    assert (float(value) > float(start)) == (p.easier == "up"), (step.id, p.id)
