"""The registry sweep: every declaration, on several bodies."""

from itertools import pairwise

import numpy as np
import pytest

from amvel.body import GRAVITY_M_S2, healthy, other_side, react
from amvel.movements import POSITIONS, Family, Request, Step, all_steps, find, library
from amvel.movements.declaration import Setting
from amvel.movements.lifted import legs_lifted
from amvel.quantities import REGISTRY, base_id
from tests.bodies import families_under_test, library_profiles, profiler, steps_under_test


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
    assert len(all_steps()) >= 180
    assert {f.position for f in library().values()} == set(POSITIONS)


@pytest.mark.parametrize("size", ["middle", "heavy"])
def test_every_step_stands_on_every_body(size: str) -> None:
    faults = {(size, p.request.label): p.fault for p in library_profiles(size) if p.fault}
    assert faults == {}


@pytest.mark.parametrize("size", ["middle"])
def test_reactions_balance_the_weight_in_every_frame(size: str) -> None:
    p = profiler(size)
    for profile in library_profiles(size):
        if profile.fault:
            continue
        reactions = react(p.skeleton, list(profile.specs), profile.posed)
        up = [reactions.carried_n(i)[2] for i in range(len(profile.specs))]
        index = p.skeleton.landmarks.index
        carried = [
            sum(load.force_at(points, index)[2] for load in spec.loads)
            for spec, points in zip(profile.specs, profile.posed.points, strict=True)
        ]
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


def test_a_harder_parameter_value_is_never_a_candidate_for_easing() -> None:
    for _, step in all_steps():
        for p in step.parameters:
            start = p.default_for(profiler("middle").body)
            for value in p.candidates(start):
                if not p.choices:
                    assert (float(value) > float(start)) == (p.easier == "up"), (step.id, p.id)


def differs(a, b) -> bool:
    """Whether two neighbours ask measurably different things: a quantity by 2 %, a prop, a hold, or another picture."""
    if set(a.request.step.props) != set(b.request.step.props):
        return True
    return any(
        abs(a.peak(name) - b.peak(name)) > max(0.5, 0.02 * abs(a.peak(name)))
        or abs(a.lowest(name) - b.lowest(name)) > 2.0
        for name in a.columns
        if name not in ("effort_0_to_10", "speed_deg_s", "time_flat_min")
    )


def test_neighbours_on_a_ladder_are_measurably_different() -> None:
    """No padding: each rung asks something else than the one before it, beyond what is said of it."""
    found = {p.request.label: p for p in library_profiles("middle") if p.request.side != "right"}
    same = []
    for family in families_under_test():
        for a, b in zip(family.steps, family.steps[1:], strict=False):
            if not differs(found[f"{family.id}/{a.id}"], found[f"{family.id}/{b.id}"]):
                same.append(f"{family.id}: {a.id} and {b.id}")
    # These three train attention to one pose: the breath, or talking, is the step.
    spoken = [s for s in same if s.startswith(("deep_abdominal_set", "belly_lift"))]
    assert set(same) == set(spoken), same


def test_every_function_has_a_version_lying_sitting_and_standing() -> None:
    lying = {"on the back", "on the side", "face down"}
    standing = {"standing", "at the wall"}
    wanted = [
        "breath",
        "deep_control",
        "resist_extension",
        "turning",
        "side_bend",
        "hip_out",
        "hip_back",
        "upper_back",
        "balance",
        "foot",
        "position_change",
    ]
    lacking = []
    for purpose in wanted:
        places = {
            f.position
            for f in library().values()
            if not f.asked_for and any(s.purposes.get(purpose, 0) >= 0.3 for s in f.steps)
        }
        for name, where in (("lying", lying), ("sitting", {"sitting"}), ("standing", standing)):
            if not places & where:
                lacking.append(f"{purpose} {name}")
    # Nobody balances lying; a change of position from standing is the step to the floor, from sitting the rise.
    assert set(lacking) <= {"position_change standing", "position_change sitting"}, lacking


def _pose(q, row: int):
    """Joint angles in degrees and landmarks in centimetres."""
    return np.concatenate([np.degrees(q.posed.angles[row]), 100 * q.posed.points[row].ravel()])


@pytest.mark.parametrize("size", ["middle", "small", "heavy"])
def test_every_declared_frame_is_a_pose_of_its_own(size: str) -> None:
    """Where nothing moves there is one frame; a start that looks like the end teaches nobody what to do.

    Two frames of one pose stay only where other parts carry: the moment at which a seat or a floor is left.
    """
    same = []
    for q in library_profiles(size):
        if q.fault:
            continue
        poses = [(_pose(q, i), {t.landmark for t in q.frames[i].touches if t.bears}) for i in q.rows]
        alike = [np.abs(a - b).max() < 0.5 and on == under for (a, on), (b, under) in pairwise(poses)]
        first, last = (poses[i][0] for i in (q.request.step.shown[0], q.request.step.shown[-1]))
        unseen = len(poses) > 1 and np.abs(first - last).max() < 0.5
        same += [q.request.label] if any(alike) or unseen else []
    assert same == []


@pytest.mark.parametrize("size", ["middle", "small", "heavy"])
def test_a_prop_that_is_pressed_is_as_thick_as_the_way_between_what_presses_it(size: str) -> None:
    index = profiler(size).skeleton.landmarks.index
    seen = set()
    for q in library_profiles(size):
        for i in [] if q.fault else q.rows:
            for prop in (p for p in q.frames[i].props if p.pressed):
                a, b = (q.posed.points[i, index[n]] for n in prop.at)
                assert 100 * np.linalg.norm(a - b) == pytest.approx(prop.size_cm, abs=1.0), (q.request.label, i)
                seen.add(q.request.label)
    assert len(seen) >= 5 or len({q.request.family.id for q in library_profiles(size)}) == 1  # one family swept alone


def test_solid_props_lie_between_two_parts_in_a_hand_or_under_the_body() -> None:
    """A ball, cushion, roller or weight hangs nowhere in the air: who holds it is part of its declaration."""
    for q in library_profiles("middle"):
        for prop in (p for f in q.frames for p in f.props if p.kind in ("ball", "cushion", "roller", "weight", "bag")):
            held = len(prop.at) == 1 and prop.at[0].endswith((".knuckles", ".palm"))
            on_the_back = prop.at == ("waist_back",) and q.request.family.position == "face down"
            assert prop.pressed or prop.below or held or on_the_back, (q.request.label, prop)


@pytest.mark.parametrize("size", ["middle", "small", "heavy"])
def test_a_cloth_lies_on_the_floor_and_a_roller_reaches_the_back(size: str) -> None:
    index = profiler(size).skeleton.landmarks.index
    for q in library_profiles(size):
        for i in [] if q.fault else q.rows:
            for prop in q.frames[i].props:
                height = 100 * q.posed.points[i, index[prop.at[0]], 2]
                if prop.kind == "cloth":
                    assert height < 3.0, (q.request.label, i, height)
                if prop.below:
                    assert height == pytest.approx(prop.size_cm, abs=0.6), (q.request.label, i, height)


# Nobody gets to these from the soles: the strap lifts the leg; they begin sitting, or are asked for and never planned.
NOT_FROM_THE_SOLES = ("hamstring_ease", "rolling_back", "legs_overhead")


@pytest.mark.parametrize(("family", "step"), [(f, s) for f, s in steps_under_test() if f.position == "on the back"], ids=lambda x: x.id)
def test_legs_that_start_in_the_air_come_up_from_the_floor(family: Family, step: Step) -> None:
    """How the start is reached is judged with the rest: nobody is given a leg in the air who may not lift it."""
    body = profiler().body
    frames = step.frames(Setting(body, healthy(), step.defaults(body)))
    assert family.id in NOT_FROM_THE_SOLES or not legs_lifted(frames[0].touches, frames[0].facts.seated)


def test_the_way_to_the_start_is_judged_and_not_counted() -> None:
    """Of a march with the legs in the air: coordination and speed are those of the march, the rows those of its pictures."""
    marching = profiler().profile(Request(*find("knee_fold/marching"), "both", find("knee_fold/marching")[1].defaults(profiler().body)))
    assert marching.frames[0].facts.way_in and marching.frame_names[0] == "knees bent"
    assert marching.frame_names[marching.rows[0]] == "left leg folded"
    assert marching.columns["legs_lifted"][0] == 0
    pulses = profiler().profile(Request(*find("clam/pulses"), "left", find("clam/pulses")[1].defaults(profiler().body)))
    assert pulses.peak("speed_deg_s") < 10  # six degrees in a second, not the thirty of the way up


def test_a_limb_that_comes_up_before_the_repetition_has_to_act() -> None:
    """Both arms go to the ceiling before one of them moves, and a foot turns on the other before the pulses begin."""
    arms = [p for p in library_profiles() if p.request.label == "opposite_arm_and_leg_supine/arms_only"]
    assert all(p.peak(f"{side}.arm_acts") > 0 for p in arms for side in ("left", "right"))
    pulses = [p for p in library_profiles() if p.request.label == "clam/pulses"]
    assert all(p.peak(f"{p.request.side}.foot_rubs") > 0 for p in pulses)
