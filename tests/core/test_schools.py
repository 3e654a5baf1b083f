"""Schools: what a choice changes, what stands for whom, and what is refused with a reason."""

import pytest

from amvel.case import CaseError, read_case
from amvel.case.schools import QUESTIONS
from amvel.engine import Engine
from amvel.movements import Request, all_steps, find
from amvel.movements.schools import breath_words, concerns, do_lines, school_lines, switching_on
from amvel.planning.curve_side import curve_side
from amvel.planning.dose import doses_of, minutes_of
from amvel.safety.schools import SIGN_OFF, schools_for
from tests.engines import engine_of
from tests.generated import TODAY, base

ON = TODAY.isoformat()


def adult(**case) -> dict:
    conditions = case.pop("conditions", [])
    return base("1975-05-01", "female", conditions, [], **case)


def engine(schools: dict | None = None, **case) -> Engine:
    return engine_of(adult(**{"schools": schools or {}, **case}))


def test_every_question_has_at_least_two_answers_each_with_a_reason() -> None:
    for q in QUESTIONS.values():
        assert len(q.options) >= 2
        assert all(o.title and o.why for o in q.options)
        assert q.default == q.options[0].id


@pytest.mark.parametrize("wrong", [{"no_such": "flat"}, {"low_back": "hollow"}])
def test_unknown_answers_are_refused_by_name(wrong: dict) -> None:
    with pytest.raises(CaseError, match="schools"):
        read_case(adult(schools=wrong))


def test_the_flat_back_changes_the_pose_of_leg_work_lying_and_nothing_else() -> None:
    natural, flat = engine(), engine({"low_back": "flat"})
    for ref, changes in (("knee_fold/single_fold", True), ("tall_hinge/hands_on_thighs", False)):
        family, step = find(ref)
        side = "left" if step.sides else "both"
        a, b = (
            e.profiler.profile(Request(family, step, side, e.values(family, step))) for e in (natural, flat)
        )
        more = b.peak("lumbar_flexion_deg") - a.peak("lumbar_flexion_deg")
        assert (more > 5) == changes, ref


def test_the_side_crunch_bends_where_the_long_waist_does_not() -> None:
    family, step = find("both_legs_lift/hand_in_front")
    a, b = (
        e.profiler.profile(Request(family, step, "left", e.values(family, step)))
        for e in (engine(), engine({"side_lift": "side_crunch"}))
    )
    assert b.peak("left.trunk_side_bend_deg") > a.peak("left.trunk_side_bend_deg") + 3


@pytest.mark.parametrize("kind", ["abdominal_separation", "pelvic_floor"])
def test_flattening_is_refused_where_pressure_goes_down(kind: str) -> None:
    from amvel.case import CONDITIONS

    condition = {"kind": kind, "noted_on": ON, **CONDITIONS[kind].EXAMPLES[0]}
    found = schools_for(read_case(adult(schools={"low_back": "flat"}, conditions=[condition])))
    assert found.choices["low_back"] == "natural_curve"
    assert "pressure down" in found.refused[0].reason


def test_the_breath_leads_with_pelvic_floor_trouble_unless_chosen_otherwise() -> None:
    from amvel.case import CONDITIONS

    condition = {"kind": "pelvic_floor", "noted_on": ON, **CONDITIONS["pelvic_floor"].EXAMPLES[0]}
    assert schools_for(read_case(adult(conditions=[condition]))).choices["switching_on"] == "breath"
    own = schools_for(read_case(adult(conditions=[condition], schools={"switching_on": "gentle_draw"})))
    assert own.choices["switching_on"] == "gentle_draw"


def test_one_sided_work_for_a_curve_needs_a_sign_off() -> None:
    wish = {"scoliosis": "curve_specific"}
    assert schools_for(read_case(adult(schools=wish))).choices["scoliosis"] == "symmetrical"
    word = {"kind": "clears", "name": "Dr Aldous Fenn", "role": "orthopaedist", "profession": "surgeon", "on": ON, "clears": SIGN_OFF}
    signed = schools_for(read_case(adult(schools=wish, clinician_words=[word])))
    assert signed.choices["scoliosis"] == "curve_specific"


def curved(signed: bool, *bulges: str) -> Engine:
    """An adult with curves of these bulges who asked for one-sided work, with or without the sign-off."""
    word = {"kind": "clears", "name": "Dr Aldous Fenn", "role": "orthopaedist", "profession": "surgeon", "on": ON, "clears": SIGN_OFF}
    conditions = [
        {"kind": "scoliosis", "noted_on": ON, "convexity": b, "region": r, "cobb_deg": 22}
        for b, r in zip(bulges, ("lumbar", "thoracic"), strict=False)
    ]
    more = {"clinician_words": [word]} if signed else {}
    return engine_of(adult(conditions=conditions, schools={"scoliosis": "curve_specific"}, **more))


@pytest.mark.parametrize("bulge", ["left", "right"])
def test_signed_one_sided_work_adds_a_round_with_the_bulge_down(bulge: str) -> None:
    """Fishman, Groessl & Sherman 2014 (from memory): the side bridge with the bulge down."""
    e = curved(True, bulge)
    group = e.judge("side_bridge", "light_hip", ("visit",))
    side, why = curve_side(e.case, group)
    down = next(v for v in group if v.side == side)
    assert down.profile.peak(f"{bulge}.lying_on") > 0
    assert "signed for" in why
    step = find("side_bridge/light_hip")[1]
    more, alike = (doses_of(e.case, step, {"left": {}, "right": {}}, {}, x) for x in ((side, why), ("", "")))
    assert [d.side for d in more if d.sets > step.dose.sets] == [side]
    assert minutes_of(step, more) > minutes_of(step, alike)


def test_without_a_sign_off_or_with_opposite_curves_no_side_is_preferred() -> None:
    for e in (curved(False, "left"), curved(True, "left", "right"), curved(True)):
        assert curve_side(e.case, e.judge("side_bridge", "light_hip", ("visit",))) == ("", "")


def test_sides_are_owed_alike_until_one_sided_work_is_signed_for() -> None:
    assert "Equal dose on both sides" in {o.title for o in curved(False, "left").envelope.obligations}
    assert "Equal dose on both sides" not in {o.title for o in curved(True, "left").envelope.obligations}


def test_a_family_may_have_its_own_answer() -> None:
    e = engine({"breath": "continuous"}, family_schools={"knee_fold": {"breath": "in_on_the_lift"}})
    assert e.schools.of("knee_fold")["breath"] == "in_on_the_lift"
    assert e.schools.of("bridge")["breath"] == "continuous"


def test_in_on_the_lift_swaps_the_phases_and_a_custom_breath_stays() -> None:
    fold = find("knee_fold/single_fold")[1]
    assert fold.breath.says() == "out to lift, in at the top, out to lower"
    assert breath_words(fold, "in_on_the_lift") == "in to lift, out at the top, in to lower"
    raise_ = find("side_leg_raise/both_legs_long")[1]
    assert breath_words(raise_, "in_on_the_lift") == raise_.breath.says()
    assert "both phases" in breath_words(fold, "continuous")


def test_what_to_do_says_the_breath_of_the_school() -> None:
    bridge, raise_ = find("bridge/small_lift")[1], find("side_leg_raise/both_legs_long")[1]
    usual, turned, thin = (" ".join(do_lines(bridge, o)) for o in ("out_on_effort", "in_on_the_lift", "continuous"))
    assert "Breathe out, press both heels" in usual
    assert "Breathe in, press both heels" in turned
    assert "reathe in" not in thin and "breath in" not in thin
    assert do_lines(raise_, "in_on_the_lift") == do_lines(raise_, "out_on_effort")


def test_switching_on_follows_load_and_position() -> None:
    words = {
        ref: switching_on(*find(ref), "by_load")
        for ref in ("toe_float/finger_high", "one_side_carry/stand_tall")
    }
    assert "draw" in words["toe_float/finger_high"]
    assert "Firm all round" in words["one_side_carry/stand_tall"]


def test_every_step_has_breath_and_switching_on_for_every_school() -> None:
    for family, step in all_steps():
        for question in ("breath", "switching_on"):
            for option in QUESTIONS[question].options:
                choices = {**{q.id: q.default for q in QUESTIONS.values()}, question: option.id}
                lines = school_lines(family, step, choices)
                assert lines["breath"] and lines["switching_on"], (family.id, step.id)


def test_the_flat_back_never_concerns_steps_that_move_the_low_back() -> None:
    for ref in ("pelvic_tilt_clock/find_the_middle", "bridge/small_lift", "curl_family/one_knee_bent"):
        assert not concerns(*find(ref), "low_back")
