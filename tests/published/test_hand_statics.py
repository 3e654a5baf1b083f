"""Supports and loads against statics worked by hand from positions and masses, and against published ratios.

Only what the public door returns is used: where contacts and landmarks are, what they carry, what muscles must hold.
The lever rules are first-year mechanics; whatever is from print says so beside it.
"""

from functools import lru_cache

import numpy as np
import pytest

from amvel.body import GRAVITY_M_S2, Measures, measure
from amvel.movements import Profile, Request, find
from tests.bodies import profiler


@lru_cache(maxsize=64)
def shown(ref: str, side: str = "left", **values: float) -> Profile:
    p = profiler("middle")
    family, step = find(ref)
    own = side if step.sides else "both"
    profile = p.profile(Request(family, step, own, {**step.defaults(p.body), **values}))
    assert not profile.fault, profile.fault
    return profile


def at(profile: Profile, landmark: str, row: int) -> np.ndarray:
    assert profile.posed is not None
    return profile.posed.points[row, profiler("middle").skeleton.landmarks.index[landmark]]


def centre(profile: Profile, row: int, without: tuple[str, ...] = ()) -> tuple[float, np.ndarray]:
    """Mass (kg) and centre of mass (m) of the body, or of it without some segments."""
    p = profiler("middle")
    kept = [s.name for s in p.body.segments if s.name not in without]
    mass = np.array([s.mass_kg for s in p.body.segments if s.name in kept])
    points = np.array([at(profile, f"com.{n}", row) for n in kept])
    return float(mass.sum()), mass @ points / mass.sum()


def percent(profile: Profile, name: str, row: int) -> float:
    return float(profile.columns[name][row])


FOOT = tuple(f"{s}.{n}" for s in ("left", "right") for n in ("foot", "toes"))


def test_on_hands_and_knees_the_lever_rule_shares_hands_and_knees() -> None:
    """The toes carry the feet alone, so that two supports are left: hands : knees as the levers of the weight."""
    profile = shown("belly_lift/with_the_breath")
    mass, com = centre(profile, 0, FOOT)
    knees, hands = at(profile, "left.knee_front", 0)[0], at(profile, "left.palm", 0)[0]
    by_hand = 100 * mass / profiler("middle").body.mass_kg * (com[0] - knees) / (hands - knees)
    found = sum(percent(profile, f"{s}.hand_support_percent_bw", 0) for s in ("left", "right"))
    assert found == pytest.approx(by_hand, abs=1.0)
    assert 37 <= found <= 41


@pytest.mark.parametrize("ref", ["breathing_rest/knees_bent", "bridge/three_quarters", "clam/small_opening"])
def test_a_resting_head_weighs_what_a_head_weighs(ref: str) -> None:
    """Head and neck are 6.7 % of a woman's mass (de Leva 1996, table 4, from memory)."""
    assert 4.0 <= shown(ref).peak("head_support_percent_bw") <= 7.0


def test_in_the_bridge_feet_and_upper_back_share_by_the_lever_rule() -> None:
    """What head and hands carry is taken off on both sides of the balance."""
    profile = shown("bridge/three_quarters")
    row = len(profile.frames) - 1
    mass, com = centre(profile, row)
    weight = mass * GRAVITY_M_S2
    back = at(profile, "upper_back", row)[0]
    moment = weight * (com[0] - back)
    for part, landmark in (("head", "occiput"), ("left.hand", "left.palm"), ("right.hand", "right.palm")):
        force = percent(profile, f"{part}_support_percent_bw", row) / 100 * weight
        moment -= force * (at(profile, landmark, row)[0] - back)
    feet = np.mean([at(profile, f"left.{n}", row)[0] for n in ("heel", "ball")])
    by_hand = 100 * moment / (feet - back) / weight
    found = sum(percent(profile, f"{s}.foot_support_percent_bw", row) for s in ("left", "right"))
    assert found == pytest.approx(by_hand, rel=0.15)  # where within the sole the force acts is the sole's own affair


def test_leaning_on_a_wall_the_push_times_its_height_holds_the_weight_ahead_of_the_feet() -> None:
    profile = shown("wall_plank/forearms")
    mass, com = centre(profile, 0)
    weight = mass * GRAVITY_M_S2
    wall, height = at(profile, "left.elbow_tip", 0)[0], at(profile, "left.forearm_side", 0)[2]
    push = sum(percent(profile, f"{s}.forearm_support_percent_bw", 0) for s in ("left", "right")) / 100 * weight
    heel, ball = (at(profile, f"left.{n}", 0)[0] for n in ("heel", "ball"))
    # The sole presses somewhere between heel and ball, the forearms rub upwards by no more than their friction.
    least = weight * (com[0] - ball) / (height + 0.5 * (wall - ball))
    most = weight * (com[0] - heel) / height
    assert least - 5 <= push <= most * 1.12


def test_standing_on_one_leg_the_side_of_the_hip_holds_everything_beside_it() -> None:
    """Weight of all but the standing leg times its lever from that hip."""
    profile = shown("standing_leg_to_the_side/hands_hover")
    row = len(profile.frames) - 1
    leg = tuple(f"right.{n}" for n in ("thigh", "shank", "foot", "toes"))
    mass, com = centre(profile, row, leg)
    by_hand = mass * GRAVITY_M_S2 * abs(com[1] - at(profile, "right.hip", row)[1])
    assert percent(profile, "right.hip_side_moment_nm", row) == pytest.approx(by_hand, rel=0.08)
    assert by_hand > 30


def test_thigh_against_trunk_is_the_angle_of_the_two_lines() -> None:
    """Tall sitting with level thighs: about 88°, whatever the pelvis does (the angle in the plane of both lines)."""
    profile = shown("tall_sitting/unsupported", seat_cm=39.0)
    thigh = at(profile, "left.knee", 0) - at(profile, "left.hip", 0)
    trunk = at(profile, "left.shoulder", 0) - at(profile, "left.hip", 0)
    flat = [np.array([v[0], v[2]]) for v in (thigh, trunk)]
    between = np.degrees(np.arccos(flat[0] @ flat[1] / np.linalg.norm(flat[0]) / np.linalg.norm(flat[1])))
    assert profile.columns["left.thigh_trunk_deg"][0] == pytest.approx(180 - between, abs=0.5)
    assert 84 <= profile.columns["left.thigh_trunk_deg"][0] <= 94
    assert profile.columns["left.hip_bend_deg"][0] >= profile.columns["left.hip_flexion_deg"][0]


def test_where_a_hip_stops_the_thigh_still_comes_nearer_to_the_trunk() -> None:
    """The low back rounds instead; a surgeon's 90° is broken all the same."""
    from amvel.body import cautious, healthy
    from amvel.movements import Profiler

    stiff = cautious({**healthy().range_deg, "left.hip_flexion": 85.0, "right.hip_flexion": 85.0})
    p = Profiler(measure(Measures(1.65, 62, "female")), stiff)
    family, step = find("tall_hinge/hands_on_thighs")
    profile = p.profile(Request(family, step, "both", {**step.defaults(p.body), "lean_deg": 40.0}))
    assert profile.peak("left.hip_flexion_deg") <= 85.1
    assert profile.peak("left.hip_bend_deg") > 100


def test_lifted_arms_arch_the_ribs_by_their_weight_times_their_lever() -> None:
    """Lying, both arms over the head: about the joint at T7/8, nothing else of the ribs being lifted."""
    profile = shown("opposite_arm_and_leg_supine/arms_only")
    p = profiler("middle")
    row = len(profile.frames) - 1
    assert profile.posed is not None
    joint = profile.posed.placement.origin[row, p.skeleton.segment_index["upper_thorax"]]
    arm = [s for s in p.body.segments if s.name.split(".")[-1] in ("upper_arm", "forearm", "hand")]
    overhead = sum(
        s.mass_kg * GRAVITY_M_S2 * max(0.0, joint[0] - at(profile, f"com.{s.name}", row)[0])
        for s in arm
        if s.name.startswith("left")
    )
    assert overhead > 3.0
    assert profile.columns["arching_moment_t7_t8_nm"][row] >= 0.8 * overhead


def test_a_weight_in_a_lifted_hand_never_lightens_the_trunk() -> None:
    light, heavy = (shown("leg_reach/both_from_vertical", weight_kg=w) for w in (0.5, 4.0))
    for level in ("t7_t8", "t12_l1", "l4_l5"):
        assert heavy.peak(f"compression_{level}_n") >= 0.99 * light.peak(f"compression_{level}_n")
        assert heavy.peak("left.hand_pull_n") == pytest.approx(4.0 * GRAVITY_M_S2 / 2, rel=0.02)


def test_what_leans_on_a_table_is_carried_by_it() -> None:
    """The forearms press so much that nothing is left for the back at L4/5: weight above times lever over their lever."""
    profile = shown("table_lean_rest/forearms")
    row = len(profile.frames) - 1
    p = profiler("middle")
    lower = tuple(s.name for s in p.body.segments if s.name == "pelvis" or s.name.split(".")[-1] in ("thigh", "shank", "foot", "toes"))
    mass, com = centre(profile, row, lower)
    assert profile.posed is not None
    joint = profile.posed.placement.origin[row, p.skeleton.segment_index["lumbar"]]
    touch = np.mean([at(profile, f"{s}.{n}", row)[0] for s in ("left", "right") for n in ("elbow_tip", "forearm_side")])
    by_hand = 100 * mass / p.body.mass_kg * (com[0] - joint[0]) / (touch - joint[0])
    found = sum(percent(profile, f"{s}.forearm_support_percent_bw", row) for s in ("left", "right"))
    assert found == pytest.approx(by_hand, rel=0.05)
    assert profile.columns["moment_l4_l5_nm"][row] < 2.0
    assert profile.peak("compression_l4_l5_percent_bw") < shown("tall_hinge/hands_on_thighs").peak(
        "compression_l4_l5_percent_bw"
    )


@pytest.mark.parametrize("ref", ["standing_breath/back_to_the_wall", "wall_sit/both_feet"])
def test_a_wall_behind_does_not_take_the_weight_of_the_trunk(ref: str) -> None:
    """What is above a level passes through it: head, arms and trunk above L4/5 are more than two fifths of the body."""
    profile = shown(ref)
    assert profile.lowest("compression_l4_l5_percent_bw") > 45
    feet = sum(percent(profile, f"{s}.foot_support_percent_bw", 0) for s in ("left", "right"))
    assert feet > 97


def test_upright_sitting_presses_about_as_much_as_standing() -> None:
    """Wilke et al. 1999 (from memory): 0.46–0.55 MPa sitting without a rest against 0.50 MPa standing, 0.9 to 1.1."""
    sitting = shown("tall_sitting/unsupported").columns["compression_l4_l5_n"][0]
    standing = shown("standing_breath/free_standing").columns["compression_l4_l5_n"][0]
    assert 0.9 <= sitting / standing <= 1.15


def test_leaning_back_on_a_rest_does_not_count_as_loaded_and_sitting_free_does() -> None:
    """Wilke et al. 1999: 0.27 MPa slouched against a rest; free sitting and standing are about twice that."""
    assert shown("tall_sitting/back_supported").peak("loaded") == 0
    assert shown("table_lean_rest/forearms").peak("loaded") == 0
    assert shown("tall_sitting/unsupported").peak("loaded") == 1
    assert shown("standing_breath/free_standing").peak("loaded") == 1


def test_a_higher_seat_and_a_push_of_the_arms_ease_the_knees() -> None:
    """Rodosky et al. 1989 (from memory): the knee moment of a rise falls by about half from the lowest to the highest seat."""
    knees = [shown("sit_to_stand/two_legs", seat_cm=h).peak("left.knee_moment_nm") for h in (42.0, 47.0, 52.0, 57.0)]
    assert knees == sorted(knees, reverse=True)
    assert knees[0] > 1.2 * knees[-1]
    one = [shown("sit_to_stand/one_leg", seat_cm=h).peak("right.knee_moment_nm") for h in (42.0, 57.0)]
    assert one[0] > 1.25 * one[1]
    for h in (42.0, 50.0, 57.0):
        pushed = shown("sit_to_stand/with_hands", seat_cm=h).peak("left.knee_moment_nm")
        assert pushed < shown("sit_to_stand/two_legs", seat_cm=h).peak("left.knee_moment_nm")


def test_hands_and_knees_work_rises_as_published() -> None:
    """Callaghan et al. 1998, in McGill (from memory): opposite arm and leg above one leg; an arm alone is the least."""
    arm, leg, both = (
        shown(f"arm_or_leg_slide/{s}").peak("compression_l4_l5_n") for s in ("arm_reach", "leg_lift", "opposite_lift")
    )
    assert arm < leg < both


def test_a_firm_hand_does_not_make_a_heel_raise_heavier() -> None:
    firm, free = (
        shown(f"heel_raise/{s}").peak("compression_l4_l5_n") for s in ("firm_hand", "hands_hover")
    )
    assert firm <= free * 1.01


def test_the_steps_of_the_standing_reach_differ() -> None:
    found = {round(shown(f"standing_reach/{s}").peak("compression_l4_l5_n")) for s in ("leg_back", "opposite_arm", "hinge_as_one")}
    assert len(found) == 3
