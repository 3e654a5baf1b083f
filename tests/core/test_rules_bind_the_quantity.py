"""Rules bind what is asked of the body, in whatever position: the known gaps, each on both sides."""

import pytest

from amvel.engine import Engine
from tests.engines import engine_of
from tests.generated import TODAY, base

_ENGINES: dict[str, Engine] = {}


def engine(*conditions: dict, birth: str = "1980-05-01", tests: tuple[dict, ...] = (), **more) -> Engine:
    noted = [{"noted_on": TODAY.isoformat(), **c} for c in conditions]
    data = base(birth, "female", noted, [{"on": TODAY.isoformat(), **t} for t in tests], **more)
    key = repr(data)
    if key not in _ENGINES:
        _ENGINES[key] = engine_of(data)
    return _ENGINES[key]


def opened(e: Engine, ref: str, context: str = "visit") -> bool:
    return any(v.allowed for v in e.judge(*ref.split("/"), contexts=(context,)))


def binds(e: Engine, ref: str, context: str = "visit") -> set[str]:
    return {b.limit.id.partition(".")[0] for v in e.judge(*ref.split("/"), contexts=(context,)) for b in v.reasons}


FRACTURE = {"kind": "fracture", "site": "spine", "on": "2026-06-01", "from_standing_height_or_less": True, "healed": False, "painful": True}
SUSPECTED = {"test": "wall_to_occiput", "cm": 4}
PAIN = {"kind": "flexion_sciatica", "side": "left", "since": "2026-11-01", "at_rest": True}
SLIP = {"kind": "spondylolisthesis", "grade": 1, "fresh": "yes"}
FUSION = {"kind": "spinal_fusion", "from_level": "L4", "to_level": "S1", "on": "2026-03-01"}
DOMES = {"kind": "abdominal_separation", "gap_finger_breadths": 3, "doming": True}
SCREENED = (
    {"test": "plank_hold", "seconds": 40},
    {"test": "back_extensor_hold", "seconds": 40},
    *({"test": "side_bridge_hold", "side": s, "seconds": 40} for s in ("left", "right")),
    {"test": "chair_stand_30s", "count": 16},
)
HARD = ("floor_plank/on_knees", "hover/for_a_breath", "over_chair_lift/less_hand", "double_leg_raise/lower_both", "seated_twist/with_weight", "loaded_side_bend/with_bag")


@pytest.mark.parametrize("ref", HARD)
@pytest.mark.parametrize("condition", [FRACTURE, PAIN, SLIP, FUSION], ids=lambda c: c["kind"])
def test_planks_hovers_lifts_and_weighted_turns_are_out_however_well_one_was_tested(condition: dict, ref: str) -> None:
    e = engine(condition, tests=SCREENED)
    assert not opened(e, ref)
    assert condition["kind"] in binds(e, ref) or "low_bone_mass" in binds(e, ref)


@pytest.mark.parametrize("ref", ["floor_plank/on_knees", "hover/for_a_breath", "side_bridge/knees_bent"])
def test_with_doming_the_belly_works_little_until_it_is_cleared(ref: str) -> None:
    assert not opened(engine(DOMES, tests=SCREENED), ref)
    word = {"kind": "clears", "clears": "abdominal_separation", "name": "M. Oda", "role": "midwife", "profession": "midwife", "on": TODAY.isoformat()}
    assert "abdominal_separation" not in binds(engine(DOMES, tests=SCREENED, clinician_words=[word]), ref)


def test_the_pose_in_which_it_domes_sets_the_level_below() -> None:
    seen = {"test": "doming", "gap_finger_breadths": 3, "seen_in": ["knee_fold"]}
    e = engine(DOMES, tests=(seen,))
    assert not opened(e, "toe_float/finger_high")
    assert opened(e, "bent_knee_fall_out/small") and opened(e, "clam/small_opening")


def test_a_suspected_fracture_keeps_to_lying_and_supported() -> None:
    e = engine(tests=(SUSPECTED, *SCREENED), birth="1955-05-01")
    assert not opened(e, "tall_sitting/unsupported") and opened(e, "tall_sitting/back_supported")
    assert not opened(e, "standing_breath/free_standing") and opened(e, "heel_raise/firm_hand")
    assert not opened(e, "bridge/small_lift") and opened(e, "breathing_rest/knees_bent")


def test_a_painful_fracture_keeps_its_limit_after_its_usual_weeks() -> None:
    """Twelve weeks after 1 June are over; it still hurts."""
    assert not opened(engine(FRACTURE), "bridge/small_lift")
    healed = {**FRACTURE, "healed": True, "painful": False}
    assert "low_bone_mass" not in binds(engine(healed), "bridge/small_lift")


def test_a_foot_that_may_carry_little_carries_little_in_every_position_and_still_rests() -> None:
    e = engine({"kind": "weight_bearing", "side": "right", "status": "touch", "since": "2026-11-01"}, tests=SCREENED)
    for ref in ("hover/one_foot", "bridge/small_lift", "floor_plank/full_length", "belly_lift/with_the_breath", "standing_breath/free_standing"):
        assert "weight_bearing" in binds(e, ref), ref
    for ref in ("tall_sitting/unsupported", "foot_gather/spread_and_press", "breathing_rest/knees_bent", "seated_leg_reach/heel_slides"):
        assert opened(e, ref), ref


def test_an_irritable_pelvis_lifts_and_carries_on_no_single_leg_in_any_position() -> None:
    e = engine({"kind": "sacroiliac_pain", "side": "right", "since": "2026-10-15", "stands_on_one_leg": "hurts"}, tests=SCREENED)
    for ref in ("bridge/one_leg_level", "bridge/march", "knee_fold/both_held", "toe_float/finger_high", "seated_march/foot_lifts", "standing_leg_to_the_side/firm_hand"):
        assert not opened(e, ref) and "sacroiliac_pain" in binds(e, ref), ref
    for ref in ("squeeze_and_push/squeeze", "bridge/small_lift", "seated_march/heel_lifts", "sit_to_stand/two_legs"):
        assert opened(e, ref), ref
    free = engine({"kind": "sacroiliac_pain", "side": "right", "since": "2026-10-15", "stands_on_one_leg": "yes"}, tests=SCREENED)
    assert opened(free, "toe_float/finger_high")


def test_paralysed_legs_and_trunk_are_positioned_and_not_trained() -> None:
    told = {"lying_flat": "yes", "bed_transfer": "alone", "sitting_unsupported": "yes"}
    e = engine({"kind": "spinal_cord_injury", "level": "T4"}, tolerates=told)
    for ref in ("knee_fold/single_fold", "bridge/small_lift", "squeeze_and_push/squeeze", "seated_march/foot_lifts", "tall_turn/hands_on_ribs"):
        assert not opened(e, ref) and "spinal_cord_injury" in binds(e, ref), ref
    for ref in ("breathing_rest/knees_bent", "floor_arm_slide/arms_slide", "tall_sitting/unsupported", "shoulder_blade_draw/hands_on_thighs"):
        assert opened(e, ref), ref
    assert not opened(engine({"kind": "spinal_cord_injury", "level": "T4"}, tolerates={**told, "sitting_unsupported": "no"}), "tall_sitting/unsupported")
    incomplete = engine({"kind": "spinal_cord_injury", "level": "T4", "complete": False}, tolerates=told)
    assert "spinal_cord_injury" not in binds(incomplete, "knee_fold/single_fold")


def test_a_limp_arm_neither_pulls_nor_carries_nor_acts_but_rests() -> None:
    e = engine({"kind": "stroke", "side": "left", "shoulder": "uncontrolled"}, tests=SCREENED)
    for ref in ("shoulder_blade_draw/band_row", "band_press_out_seated/press", "belly_lift/with_the_breath", "floor_arm_slide/arms_slide"):
        assert not opened(e, ref) and "stroke" in binds(e, ref), ref
    assert opened(e, "tall_sitting/unsupported") and opened(e, "breathing_rest/knees_bent")


def test_a_broken_arm_rests_and_carries_nothing_side_not_known_means_both() -> None:
    arm = {"kind": "fracture", "site": "forearm", "on": "2026-11-01", "from_standing_height_or_less": False, "healed": False}
    for given in (arm, {**arm, "side": "left"}):
        e = engine(given, tests=SCREENED, tolerates={"bed_transfer": "alone"})
        assert not opened(e, "belly_lift/with_the_breath") and opened(e, "breathing_rest/knees_bent")
    assert "broken_arm" not in binds(engine({**arm, "healed": True}), "belly_lift/with_the_breath")


def test_a_hip_at_risk_is_neither_opened_far_nor_turned_and_is_referred() -> None:
    palsy = {"kind": "cerebral_palsy", "gross_motor_level": 3, "hip_migration_left_percent": 45}
    limits = engine(palsy, birth="2014-05-01").envelope
    assert {"cerebral_palsy.hip_open_left_0", "cerebral_palsy.hip_turned_left_0"} <= set(limits.by_id)
    assert "cerebral_palsy.hip_left_0" in {r.id for r in limits.referrals}
    painful = engine({**palsy, "hip_migration_left_percent": 10, "opening_hurts": "left"}, birth="2014-05-01").envelope
    assert painful.by_id["cerebral_palsy.hip_open_left_0"].bound == 15


def test_a_new_hip_keeps_off_floor_knees_and_its_side_until_told_and_as_long_as_the_surgeon_asks() -> None:
    hip = {"kind": "hip_replacement", "side": "right", "approach": "lateral", "on": "2026-10-20"}
    found = engine(hip).envelope.by_id
    assert {"hip_replacement.floor_0", "hip_replacement.kneeling_0", "hip_replacement.lying_on_0"} <= set(found)
    old = {**hip, "on": "2025-05-01"}
    assert "hip_replacement.kneeling_0" not in engine(old).envelope.by_id
    assert engine({**old, "still_restricted": True}).envelope.by_id["hip_replacement.kneeling_0"].strength == "limit"


def test_rolling_and_rising_are_one_well_learnt_thing() -> None:
    memory = {"kind": "cognitive_impairment", "severity": "moderate"}
    e = engine(memory, tests=SCREENED)
    for ref in ("roll_to_the_side/to_the_side", "side_to_sitting/all_the_way", "sit_to_stand/two_legs"):
        assert "cognitive_impairment" not in binds(e, ref), ref
    assert "cognitive_impairment" in binds(e, "opposite_arm_and_leg_supine/short_reach", "home")
    mild = engine({**memory, "severity": "mild"}, tests=SCREENED)
    assert "cognitive_impairment" not in binds(mild, "opposite_arm_and_leg_supine/short_reach", "home")


def test_not_flat_closes_the_flat_back_and_not_the_side() -> None:
    e = engine(tolerates={"lying_flat": "no", "floor": "yes"})
    assert "reachable_positions" not in binds(e, "clam/small_opening")
    assert "reachable_positions" in binds(e, "breathing_rest/knees_bent")


def test_a_long_dose_is_split_not_closed() -> None:
    """24 weeks pregnant: a few minutes flat at a time; a bridge is two rounds with a turn between."""
    e = engine({"kind": "pregnancy", "weeks": 24}, birth="1994-05-01", tests=SCREENED)
    assert "pregnancy" not in binds(e, "bridge/small_lift")


def test_a_curve_that_grows_keeps_off_the_hardest_and_off_loaded_end_ranges() -> None:
    curve = {"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 28}
    grows = engine({**curve, "change_deg": 7}, birth="2010-05-01").envelope.by_id
    assert grows["scoliosis.level_0_arching"].bound == 5
    assert "scoliosis.loaded_side_bend_left_0" in grows
    assert "scoliosis.level_0_arching" not in engine({**curve, "change_deg": 5}, birth="2010-05-01").envelope.by_id


REFERRALS = [
    ("steroids and a low score", ({"kind": "glucocorticoid", "mg_per_day": 5, "months": 6},), ({"test": "bone_density", "site": "total_hip", "t_score": -1.5},), "low_bone_mass.spine_picture"),
    ("a deep thoracic curve", ({"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 62},), (), "scoliosis.lungs_0"),
    ("a first vertebral fracture", (FRACTURE,), (), "low_bone_mass.first_vertebral"),
    ("broken, no treatment", (FRACTURE,), (), "low_bone_mass.treatment"),
    ("weight goes", ({"kind": "weight_loss"},), (), "weight_loss.reason"),
    ("hearing goes", ({"kind": "hearing_loss", "sudden": True},), (), "hearing_loss.sudden"),
    ("new vertigo", ({"kind": "vertigo", "sudden": True},), (), "vertigo.sudden"),
    ("mood blocks", ({"kind": "low_mood", "blocks": True},), (), "low_mood.blocks_0"),
    ("fear blocks", ({"kind": "fear_of_falling", "confidence_0_to_10": 2},), (), "falls_and_balance.fear"),
    ("heaviness", ({"kind": "pelvic_floor", "symptoms": ["heaviness"]},), (), "pelvic_floor.floor"),
    (
        "pressure falls",
        (),
        ({"test": "blood_pressure", "systolic_lying_mmhg": 130, "diastolic_lying_mmhg": 80, "systolic_standing_1min_mmhg": 105, "diastolic_standing_1min_mmhg": 75},),
        "blood_pressure.drop",
    ),
]


@pytest.mark.parametrize(("says", "conditions", "tests", "referral"), REFERRALS, ids=lambda x: x if isinstance(x, str) and " " in x else "")
def test_what_a_clinician_must_be_asked_is_asked(says, conditions, tests, referral) -> None:
    assert referral in {r.id for r in engine(*conditions, tests=tests, birth="1955-05-01").envelope.referrals}
    assert referral not in {r.id for r in engine(birth="1955-05-01").envelope.referrals}


def test_treated_bone_is_not_asked_about_again() -> None:
    treated = engine({**FRACTURE, "bone_medicine": "yes"}, birth="1955-05-01").envelope.referrals
    assert "low_bone_mass.treatment" not in {r.id for r in treated}


@pytest.mark.parametrize(
    ("condition", "limit"),
    [
        ({"kind": "stenosis"}, "stenosis.arching"),
        ({"kind": "shoulder_trouble", "side": "left"}, "shoulder_trouble.elevation_left_0"),
        ({"kind": "weight_bearing", "side": "left", "status": "touch", "since": "2026-11-01"}, "weight_bearing.carries_0"),
        (DOMES, "abdominal_separation.curl"),
        ({"kind": "pelvic_floor", "symptoms": ["leaking"]}, "pelvic_floor.lever"),
        ({"kind": "pregnancy", "weeks": 24}, "pregnancy.flat_0"),
    ],
    ids=lambda x: x["kind"] if isinstance(x, dict) else "",
)
def test_what_is_temporary_is_looked_at_again(condition: dict, limit: str) -> None:
    assert engine(condition).envelope.by_id[limit].review_on is not None


COUNTS_LIMBS = (
    {"kind": "coordination_disorder"},
    {"kind": "autism"},
    {"kind": "parkinson", "freezing": True},
    {"kind": "cognitive_impairment", "severity": "mild"},
    {"kind": "learning_disability", "severity": "moderate"},
)


@pytest.mark.parametrize("condition", COUNTS_LIMBS, ids=lambda c: c["kind"])
def test_who_follows_few_limbs_at_once_still_rolls_over_and_lies_down_as_one_unit(condition: dict) -> None:
    e = engine(condition, tests=SCREENED)
    bounds = [limit.bound for limit in e.envelope.limits if limit.quantity == "coordination"]
    assert bounds
    for ref in ("roll_to_the_side/to_the_side", "floor_by_a_chair/all_the_way_up", "breathing_rest/knees_bent"):
        assert not any(b.limit.quantity == "coordination" for v in e.judge(*ref.split("/")) for b in v.reasons), ref
    assert opened(e, "breathing_rest/knees_bent")
    closed = {v.ref for v in e.judge(contexts=("visit",)) for b in v.reasons if b.limit.quantity == "coordination"}
    assert closed or min(bounds) >= 3, "no exercise of the library moves four limbs apart"


CORD = {"kind": "spinal_cord_injury", "level": "T4"}
IN_BED = {"tolerates": {"floor": "no", "lying_flat": "yes", "bed_transfer": "alone", "sitting_unsupported": "no", "standing": "no"}}


@pytest.mark.parametrize(
    "ref",
    [
        "knee_tip/one_side",
        "supported_heel_slide/on_the_floor",
        "squeeze_and_push/push",
        "lying_foot/toes_spread",
        "pelvic_tilt_clock/tuck_held",
        "lying_side_reach/hand_to_heel",
        "light_seat/without_hands",
    ],
)
def test_a_muscle_that_does_not_act_does_not_do_a_little_of_it_either(ref: str) -> None:
    e = engine(CORD, **IN_BED, room={"bed_height_cm": 50, "bed_firmness": "firm"})
    assert not opened(e, ref)


def test_above_a_cord_lesion_breath_and_arms_stay_open_in_bed() -> None:
    e = engine(CORD, **IN_BED, room={"bed_height_cm": 50, "bed_firmness": "firm"})
    for ref in ("breathing_rest/knees_bent", "floor_arm_slide/arms_slide", "prone_breathing/hands_beside"):
        assert opened(e, ref), ref


LIMP = {"kind": "stroke", "side": "left", "shoulder": "uncontrolled"}


@pytest.mark.parametrize("ref", ["tall_hinge/arms_raised", "balanced_lean_back/arms_forward", "wall_plank/forearms", "tall_turn/arms_forward"])
def test_a_limp_arm_is_neither_held_out_nor_set_against_a_wall(ref: str) -> None:
    assert not opened(engine(LIMP, tests=SCREENED), ref)


def test_with_a_limp_arm_the_legs_and_a_lean_with_the_arms_at_rest_stay() -> None:
    e = engine(LIMP, tests=SCREENED)
    for ref in ("balanced_lean_back/lean", "seated_march/foot_lifts", "bent_knee_fall_out/small"):
        assert opened(e, ref), ref


SORE = {"kind": "open_sore", "place": "foot", "side": "right"}


def test_on_a_sore_foot_nothing_carries_rubs_or_rolls_but_it_may_rest() -> None:
    e = engine(SORE, tests=SCREENED)
    for ref in ("heel_raise/firm_hand", "sit_to_stand/two_legs", "standing_foot/heel_to_ball", "bridge/small_lift"):
        assert not opened(e, ref), ref
    for ref in ("tall_sitting/unsupported", "tall_turn/hands_on_ribs", "toe_float/finger_high"):
        assert opened(e, ref), ref
    gathers = {v.side: v.allowed for v in e.judge("foot_gather", "draw_in_a_cloth", contexts=("visit",))}
    assert gathers == {"left": True, "right": False}


def test_over_legs_that_do_not_stand_no_seat_is_made_light() -> None:
    child = {"kind": "cerebral_palsy", "gross_motor_level": 5}
    e = engine(child, birth="2015-05-01", tolerates={**IN_BED["tolerates"], "bed_transfer": "hoist"})
    assert not opened(e, "light_seat/without_hands")
    assert opened(e, "tall_sitting/back_supported")
