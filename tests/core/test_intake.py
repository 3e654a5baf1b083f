"""What practitioners know can be said, and each of it binds what it is about: both sides of every new answer."""

from dataclasses import replace

import pytest

from amvel.case import CaseError, Room, read_case
from amvel.engine import Engine
from amvel.fitting import start_values
from amvel.fitting.needs import check_room
from amvel.movements import find
from amvel.planning.curve_side import curve_side
from amvel.safety import envelope, rulebook
from amvel.screening import find_out
from tests.generated import TODAY, base

ON = TODAY.isoformat()
BRACE = {"kind": "worn_support", "what": "trunk_brace"}


def case(*conditions: dict, tests: tuple = (), birth: str = "1960-05-01", **more):
    return read_case(base(birth, "female", list(conditions), [{"on": ON, **t} for t in tests], **more))


def said(*conditions: dict, **more):
    return envelope(find_out(case(*conditions, **more)))


def opened(e: Engine, ref: str, context: str = "visit") -> bool:
    return any(v.allowed for v in e.judge(*ref.split("/"), contexts=(context,)))


def test_a_brace_that_stays_on_closes_turning_and_one_that_may_come_off_does_not() -> None:
    on, off = (Engine(case({**BRACE, "off_for_exercise": x})) for x in ("no", "yes"))
    turned = {b.limit.id.partition(".")[0] for v in on.judge("seated_twist", contexts=("visit",)) for b in v.reasons}
    assert "worn_support" in turned
    worn = on.envelope.by_id
    assert worn["worn_support.rotation_0_left"].bound == 10
    assert not [i for i in off.envelope.by_id if i.startswith("worn_support.")]


@pytest.mark.parametrize("what", ["wrist_splint", "knee_brace", "foot_splint"])
def test_a_splint_is_worn_on_a_side(what: str) -> None:
    with pytest.raises(CaseError, match="side"):
        case({**BRACE, "what": what})
    assert [i for i in said({**BRACE, "what": what, "side": "left"}).by_id if i.startswith("worn_support.")]


def test_a_collar_keeps_the_neck_still_on_both_sides() -> None:
    found = said({**BRACE, "what": "collar"}).by_id
    assert {found[f"worn_support.rotation_0_{s}"].quantity for s in ("left", "right")} == {
        "left.neck_rotation_deg",
        "right.neck_rotation_deg",
    }


def test_whether_it_may_come_off_is_asked_only_while_nobody_knows() -> None:
    asked = {r.id for r in said(BRACE).referrals}
    known = {r.id for r in said({**BRACE, "off_for_exercise": "no"}).referrals}
    assert "worn_support.off_0" in asked - known


def test_standing_is_open_in_a_foot_splint() -> None:
    e = Engine(case({**BRACE, "what": "foot_splint", "side": "left", "off_for_exercise": "no"}, birth="1985-05-01"))
    verdicts = e.judge("standing_breath", contexts=("visit",))
    assert any(v.allowed for v in verdicts)
    assert not {b.limit.id for v in verdicts for b in v.reasons if b.limit.id.startswith("worn_support.")}


def test_five_minutes_of_sitting_are_said_and_a_long_round_of_it_is_closed() -> None:
    five, one = (said(tolerates={"sitting_minutes": m}).by_id for m in (5, 1))
    assert five["reachable_positions.sitting_minutes"].bound == 5
    assert five["reachable_positions.sitting_pauses"].strength == "caution"
    longest = max(v.profile.peak("time_sitting_min") for v in Engine(case(tolerates={"sitting_minutes": 1})).verdicts if v.allowed)
    assert longest <= one["reachable_positions.sitting_minutes"].bound + 1e-6


def test_lying_with_the_head_end_up_stays_open_where_only_flat_is_refused() -> None:
    assert "reachable_positions.on_the_back" not in said(tolerates={"lying_flat": "no", "lying_propped": "yes"}).by_id
    assert "reachable_positions.on_the_back" not in said(tolerates={"lying_flat": "no"}).by_id
    assert "reachable_positions.on_the_back" in said(tolerates={"lying_flat": "no", "lying_propped": "no"}).by_id


@pytest.mark.parametrize(("helper", "closed"), [("nobody", True), ("somebody", True), ("shown_how", False)])
def test_who_gets_up_with_help_has_the_floor_at_home_only_with_a_helper_who_was_shown(helper: str, closed: bool) -> None:
    found = said(tests=({"test": "floor_rise", "result": "with_help"},), tolerates={"helper_at_home": helper}).by_id
    assert ("reachable_positions.floor_home" in found) == closed


@pytest.mark.parametrize(("helper", "closed"), [("nobody", True), ("somebody", False)])
def test_standing_with_moderate_dementia_needs_somebody_in_the_room(helper: str, closed: bool) -> None:
    found = said({"kind": "cognitive_impairment", "severity": "moderate"}, tolerates={"helper_at_home": helper}).by_id
    assert ("cognitive_impairment.alone_0" in found) == closed
    assert "cognitive_impairment.coordination_0" in found


def test_a_rail_serves_where_a_hand_wants_a_hold_and_at_its_own_height() -> None:
    family, step = find("sit_to_stand/one_hand")
    e = Engine(case())
    bare = Room(seats=({"name": "stool", "height_cm": 46, "firmness": "firm"},))
    railed = bare.model_copy(update={"rail": True, "rail_height_cm": 78.0})
    assert check_room(e.profiler.body, bare, family, step, [step.defaults(e.profiler.body)]).lacking
    assert not check_room(e.profiler.body, railed, family, step, [step.defaults(e.profiler.body)]).lacking
    assert start_values(e.profiler, railed, family, step)["hand_cm"] == 78.0


def test_a_vertebra_belongs_to_a_broken_spine() -> None:
    broken = {"kind": "fracture", "on": "2026-06-01", "level": "T8"}
    with pytest.raises(CaseError, match="level"):
        case({**broken, "site": "wrist"})
    found = case({**broken, "site": "spine"}).conditions[0]
    assert found.where == "spine (T8)"


def test_a_broken_vertebra_is_named_in_what_bone_stands_on() -> None:
    told = {"kind": "fracture", "site": "spine", "on": "2026-06-01", "level": "T8", "from_standing_height_or_less": True}
    reasons = [text for text, _ in find_out(case(told)).bone.reasons]
    assert any("T8" in text for text in reasons)


@pytest.mark.parametrize("region", ["thoracic", "lumbar"])
def test_a_curve_of_unknown_side_binds_what_either_side_would(region: str) -> None:
    curve = {"kind": "scoliosis", "region": region, "cobb_deg": 22}
    both = {(x.quantity, x.bound) for x in said({**curve, "convexity": "unknown"}, birth="2011-05-01").limits if x.id.startswith("scoliosis.")}
    for side in ("left", "right"):
        one = {(x.quantity, x.bound) for x in said({**curve, "convexity": side}, birth="2011-05-01").limits if x.id.startswith("scoliosis.")}
        assert one <= both


def test_a_curve_of_unknown_side_prefers_no_side() -> None:
    c = case({"kind": "scoliosis", "region": "thoracic", "cobb_deg": 22, "convexity": "unknown"}, birth="2011-05-01")
    group = [v for v in Engine(c).judge("side_bridge", "knees_bent", contexts=("visit",))]
    assert curve_side(c, group) == ("", "")


@pytest.mark.parametrize(
    ("stage", "hand_home", "hand", "standing"), [(2, False, False, False), (3, True, False, False), (4, True, True, False), (5, True, True, True)]
)
def test_the_stage_of_parkinsons_disease_asks_for_a_hand_and_then_for_a_seat(stage: int, hand_home: bool, hand: bool, standing: bool) -> None:
    found = said({"kind": "parkinson", "stage": stage}).by_id
    assert ("parkinson.hand_home" in found, "parkinson.hand" in found, "parkinson.standing" in found) == (hand_home, hand, standing)


@pytest.mark.parametrize("kind", ["multiple_sclerosis", "muscle_disease"])
def test_who_walks_a_few_steps_does_not_stand_alone(kind: str) -> None:
    freely, aided, few = (said({"kind": kind, "walks": w}).by_id for w in ("freely", "with_an_aid", "a_few_steps"))
    assert f"{kind}.hand_home" not in freely
    assert f"{kind}.hand_home" in aided and f"{kind}.standing_home" not in aided
    assert {f"{kind}.hand_home", f"{kind}.hand", f"{kind}.standing_home"} <= set(few)


@pytest.mark.parametrize(("age", "rise", "counts"), [(15, 39, False), (15, 40, True), (40, 29, False), (40, 30, True)])
def test_a_pulse_that_climbs_on_standing_is_referred(age: int, rise: int, counts: bool) -> None:
    """Freeman et al. 2011: 30 beats a minute, 40 in the young (figures from memory)."""
    taken = {
        "test": "blood_pressure",
        "systolic_lying_mmhg": 112,
        "diastolic_lying_mmhg": 70,
        "systolic_standing_3min_mmhg": 110,
        "diastolic_standing_3min_mmhg": 70,
        "resting_pulse_per_min": 70,
        "standing_pulse_per_min": 70 + rise,
    }
    found = said(tests=(taken,), birth=f"{TODAY.year - age}-01-01")
    assert ("blood_pressure.pulse" in {r.id for r in found.referrals}) == counts


def test_pressure_that_falls_on_sitting_up_counts_for_who_does_not_stand() -> None:
    taken = {"test": "blood_pressure", "systolic_lying_mmhg": 120, "diastolic_lying_mmhg": 75, "systolic_sitting_mmhg": 96}
    assert find_out(case({"kind": "does_not_walk"}, tests=(taken,))).pressure_drops
    assert not find_out(case({"kind": "does_not_walk"}, tests=({**taken, "systolic_sitting_mmhg": 112},))).pressure_drops


def test_every_duty_to_refer_is_listed_by_its_rule_and_says_when() -> None:
    for rule in rulebook().values():
        assert len({d.id for d in rule.duties}) == len(rule.duties)
        assert all(d.when.strip() for d in rule.duties)


def test_a_referral_that_no_duty_lists_is_a_fault_of_the_rule() -> None:
    lists_none = replace(rulebook()["weight_loss"], duties=())
    with pytest.raises(ValueError, match=r"weight_loss: refers for .*reason"):
        lists_none.remembered.of(find_out(case({"kind": "weight_loss"})), lists_none.in_force(TODAY, {}))
