"""Each rule on both sides of its thresholds; the sources stand in the rules and are named again here."""

from datetime import date, timedelta

import pytest

from amvel.case import CONDITIONS, read_case
from amvel.safety import envelope, rulebook
from amvel.safety.verdict import check
from amvel.screening import find_out, stop_signs
from tests.bodies import library_profiles

TODAY = date(2026, 11, 24)
OK_BALANCE = (
    {"test": "timed_up_and_go", "on": str(TODAY), "seconds": 8},
    {"test": "chair_stand_30s", "on": str(TODAY), "count": 20},
    {"test": "four_stage_balance", "on": str(TODAY), "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10},
)


def case(birth: str = "1950-01-01", conditions: tuple = (), tests: tuple = (), **more: object):
    return read_case(
        {
            "as_of": str(TODAY),
            "person": {"birth_date": birth, "sex": "female", "stature_cm": 165, "mass_kg": 64},
            "conditions": list(conditions),
            "tests": list(tests),
            **more,
        }
    )


def limits(*args: object, **kwargs: object) -> dict:
    return envelope(find_out(case(*args, **kwargs))).by_id


def obligations(*args: object, **kwargs: object) -> set[str]:
    return {o.id for o in envelope(find_out(case(*args, **kwargs))).obligations}


def bone(t: float, on: date = TODAY) -> dict:
    return {"test": "bone_density", "on": str(on), "site": "femoral_neck", "t_score": t}


@pytest.mark.parametrize(("t", "strength"), [(-2.5, "forbidden"), (-2.4, "caution"), (-1.0, None)])
def test_loaded_flexion_by_bone_tier(t: float, strength: str | None) -> None:
    """Brooke-Wavell et al. 2022; WHO classes."""
    found = [x for x in limits(tests=(bone(t),)).values() if x.quantity == "loaded_trunk_flexion_deg"]
    assert [x.strength for x in found] == ([strength] if strength else [])


def test_osteoporosis_limits_rotation_to_half_of_the_measured_range() -> None:
    turn = {"test": "trunk_rotation", "side": "left", "on": str(TODAY), "deg": 40}
    assert limits(tests=(bone(-3), turn))["low_bone_mass.rotation_left"].bound == 20
    assert (
        limits(tests=(bone(-3),))["low_bone_mass.rotation_left"].bound == 11.2
    )  # half of the half that is assumed


@pytest.mark.parametrize(("days", "fresh"), [(83, True), (84, True), (85, False)])
def test_a_painful_vertebral_fracture_unloads_for_twelve_weeks(days: int, fresh: bool) -> None:
    """Giangregorio et al. 2014."""
    broken = {
        "kind": "fracture",
        "site": "spine",
        "on": str(TODAY - timedelta(days=days)),
        "painful": True,
        "from_standing_height_or_less": True,
    }
    found = limits(conditions=(broken,))
    assert ("low_bone_mass.fresh_vertebral_0" in found) == fresh
    assert found["low_bone_mass.vertebral_rotation"].bound == 10


def test_osteoporosis_owes_extensors_balance_loading_and_a_way_up() -> None:
    assert obligations(tests=(bone(-2.6),)) >= {
        f"low_bone_mass.{n}" for n in ("back_extensors", "balance", "loading", "rise")
    }
    assert not {o for o in obligations(tests=(bone(-1.5),)) if o.startswith("low_bone_mass")}


@pytest.mark.parametrize(
    ("mg", "months", "tier"), [(2.5, 4, "osteoporosis"), (2.4, 4, "caution"), (2.5, 3, "caution")]
)
def test_glucocorticoids_by_dose_and_time(mg: float, months: float, tier: str) -> None:
    """ACR 2022: 2.5 mg a day or more for more than three months."""
    steroid = {"kind": "glucocorticoid", "mg_per_day": mg, "months": months}
    assert find_out(case(conditions=(steroid,))).bone.tier == tier


@pytest.mark.parametrize(("days", "refer"), [(213, False), (214, True)])
def test_denosumab_more_than_seven_months_ago_refers(days: int, refer: bool) -> None:
    dose = {"kind": "denosumab", "last_dose_on": str(TODAY - timedelta(days=days))}
    found = envelope(find_out(case(conditions=(dose,), tests=(bone(-1.5),)))).referrals
    assert bool(found) == refer


def test_one_sign_of_falling_asks_for_a_hand_and_two_close_more() -> None:
    """CDC STEADI; World Falls Guidelines 2022."""
    slow = {**OK_BALANCE[0], "seconds": 12}
    one = limits(tests=(slow, *OK_BALANCE[1:]))
    assert one["falls_and_balance.hand_at_home"].bound == 3
    assert one["falls_and_balance.hand_in_visit"].bound == 1
    assert "falls_and_balance.one_leg" not in one
    weak = {**OK_BALANCE[1], "count": 9}
    two = limits(tests=(slow, weak, OK_BALANCE[2]))
    assert {"falls_and_balance.one_leg_hand", "falls_and_balance.floor"} <= set(two)
    rise = {"test": "floor_rise", "on": str(TODAY), "result": "with_furniture"}
    assert "falls_and_balance.floor" not in limits(tests=(slow, weak, OK_BALANCE[2], rise))


def test_good_balance_leaves_no_fall_limit_and_no_test_leaves_caution() -> None:
    assert not [x for x in limits(tests=OK_BALANCE) if x.startswith("falls")]
    assert "falls_and_balance.hand_at_home" in limits()
    assert not [x for x in limits("1980-01-01") if x.startswith("falls")]


@pytest.mark.parametrize(("falls", "injury", "sign"), [(1, False, False), (1, True, True), (2, False, True)])
def test_falls_of_the_last_year(falls: int, injury: bool, sign: bool) -> None:
    events = tuple(
        {"kind": "fall", "on": str(TODAY - timedelta(days=30 + i)), "injury": injury} for i in range(falls)
    )
    found = find_out(case(conditions=events, tests=OK_BALANCE)).fall_signs
    assert bool(found) == sign


@pytest.mark.parametrize(("confidence", "sign"), [(5, True), (6, False)])
def test_little_confidence_counts_as_a_sign(confidence: int, sign: bool) -> None:
    fear = {"kind": "fear_of_falling", "confidence_0_to_10": confidence}
    assert bool(find_out(case(conditions=(fear,), tests=OK_BALANCE)).fall_signs) == sign


def pressure(systolic: int, diastolic: int, standing: int | None = None, **more: object) -> dict:
    out = {
        "test": "blood_pressure",
        "on": str(TODAY),
        "systolic_lying_mmhg": systolic,
        "diastolic_lying_mmhg": diastolic,
        **more,
    }
    return (
        out
        if standing is None
        else {**out, "systolic_standing_3min_mmhg": standing, "diastolic_standing_3min_mmhg": diastolic}
    )


def test_blood_pressure_limits() -> None:
    assert limits(tests=(pressure(140, 80),))["blood_pressure.hold"].bound == 10
    assert not [x for x in limits(tests=(pressure(139, 89),)) if x.startswith("blood_pressure")]
    assert limits(tests=(pressure(130, 80, 110),))["blood_pressure.drop"].strength == "caution"
    assert "blood_pressure.hold" in limits()  # not taken, 76 years


def test_yesterdays_pressure_no_longer_holds() -> None:
    yesterday = {**pressure(120, 70), "on": str(TODAY - timedelta(days=1))}
    assert "blood_pressure.hold" in limits(tests=(yesterday,))


def test_the_worst_of_two_results_of_one_day_counts_in_either_order() -> None:
    slow, fast = ({**OK_BALANCE[0], "seconds": s} for s in (15, 8))
    for pair in ((slow, fast), (fast, slow)):
        assert "falls_and_balance.hand_at_home" in limits(tests=(*pair, *OK_BALANCE[1:]))


def test_untested_painful_joints_get_the_cautious_value_and_tested_ones_their_own() -> None:
    wrist = {"kind": "wrist_trouble", "side": "left"}
    knee = {"kind": "knee_trouble", "side": "right", "kneeling": "padded", "tolerated_loaded_flexion_deg": 95}
    shoulder = {"kind": "shoulder_trouble", "side": "left", "tolerated_elevation_deg": 110}
    found = limits("1980-01-01", (wrist, knee, shoulder))
    assert (found["wrist_trouble.angle_left_0"].bound, found["wrist_trouble.load_left_0"].bound) == (20, 15)
    assert found["knee_trouble.bend_right_0"].bound == 95
    assert found["knee_trouble.kneeling_right_0"].strength == "caution"
    assert found["knee_trouble.kneeling_right_0"].measure
    assert found["shoulder_trouble.elevation_left_0"].bound == 110


def test_sciatica_stays_ten_degrees_short_of_the_pain_and_has_a_review() -> None:
    pain = {
        "kind": "flexion_sciatica",
        "side": "left",
        "since": "2026-10-01",
        "provoking_neural_line_deg": 60,
        "noted_on": "2026-11-01",
    }
    raised = {"test": "straight_leg_raise", "on": str(TODAY), "side": "left", "deg": 48, "response": "leg_pain"}
    found = limits("1980-01-01", (pain,), (raised,))
    assert found["flexion_sciatica.nerve_line_left_0"].bound == 38
    assert found["flexion_sciatica.loaded_flexion_0"].bound == 10
    assert found["flexion_sciatica.loaded_flexion_0"].review_on == date(2026, 11, 29)
    assert "Review is due" not in found["flexion_sciatica.loaded_flexion_0"].reason
    early = {**pain, "noted_on": "2026-10-20"}
    assert "Review is due" in limits("1980-01-01", (early,))["flexion_sciatica.loaded_flexion_0"].reason


def test_who_cannot_reach_the_floor_gets_no_floor() -> None:
    assert "reachable_positions.floor" in limits("1980-01-01", tolerates={"floor": "no"})
    help_only = {"test": "floor_rise", "on": str(TODAY), "result": "with_help"}
    assert limits("1980-01-01", tests=(help_only,))["reachable_positions.floor_home"].at_home


def asked(*present: str, on: date = TODAY) -> dict:
    return {"asked_on": str(on), "present": list(present)}


CONSENT = {"on": str(TODAY), "given_by": "client", "capacity_confirmed": True}


@pytest.mark.parametrize(
    ("sign", "emergency"),
    [("saddle_numbness", True), ("chest_pain", True), ("swollen_calf", False), ("acute_fever", False)],
)
def test_stop_signs_by_urgency(sign: str, emergency: bool) -> None:
    """Finucane et al. 2020."""
    found = stop_signs(case(consent=CONSENT, stop_signs=asked(sign)))
    assert [(s.id, s.emergency) for s in found] == [(sign, emergency)]


def test_asked_yesterday_is_not_asked_today_but_a_sign_stands_until_it_is_asked_again() -> None:
    yesterday = TODAY - timedelta(days=1)
    assert [s.id for s in stop_signs(case(consent=CONSENT, stop_signs=asked(on=yesterday)))] == ["not_asked"]
    assert [s.id for s in stop_signs(case(consent=CONSENT, stop_signs=asked("fainting", on=yesterday)))] == [
        "fainting"
    ]
    assert stop_signs(case(consent=CONSENT, stop_signs=asked())) == []


def test_pressure_and_pulse_stop_a_visit_whatever_was_answered() -> None:
    high = stop_signs(case(consent=CONSENT, stop_signs=asked(), tests=(pressure(180, 90),)))
    assert [s.id for s in high] == ["pressure_beyond_limit"]
    symptoms = stop_signs(case(consent=CONSENT, stop_signs=asked(), tests=(pressure(180, 90, symptoms=True),)))
    assert symptoms[0].emergency
    pulse = stop_signs(
        case(consent=CONSENT, stop_signs=asked(), tests=(pressure(130, 80, resting_pulse_per_min=121),))
    )
    assert [s.id for s in pulse] == ["resting_pulse"]


def test_without_consent_nothing_begins() -> None:
    assert "no_consent" in {s.id for s in stop_signs(case(stop_signs=asked()))}


def test_every_rule_is_in_date_and_sourced() -> None:
    for rule in rulebook().values():
        assert rule.sources
        assert rule.since <= rule.read_on < rule.check_again_on


JOINT_ANGLES = ("hip_flexion_deg", "hip_extension_deg", "hip_bend_deg", "knee_flexion_deg", "loaded_knee_flexion_deg", "ankle_dorsiflexion_deg", "ankle_plantarflexion_deg")
STANDS_STILL_DEG = 10.0  # nobody means less than this by a bound on a leg's joint: quiet standing has 3° to 6°


@pytest.mark.parametrize("kind", sorted(CONDITIONS))
def test_no_bound_on_a_joint_closes_quiet_standing(kind: str) -> None:
    """Zero is the relaxed standing of the skeleton; a person who stands bends hips, knees and ankles a little."""
    standing = next(p for p in library_profiles() if p.request.label == "standing_breath/free_standing")
    for example in CONDITIONS[kind].EXAMPLES:
        given = {"on": str(TODAY - timedelta(days=20)), **example} if "on" in CONDITIONS[kind].model_fields else dict(example)
        bounds = envelope(find_out(case(conditions=({"kind": kind, **given},))))
        for context in ("visit", "home"):
            for b in check(standing, bounds, context).breaches:
                assert not (b.limit.quantity.endswith(JOINT_ANGLES) and b.value < STANDS_STILL_DEG), (kind, b.limit.id, b.value)
