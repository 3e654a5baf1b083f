"""What is out, what is not judged, what is no longer itself, and what stands in for it."""

import pytest

from amvel.case import CaseError, read_case
from amvel.engine import Engine
from amvel.movements import find, library
from amvel.movements.levels import Way
from amvel.safety import EXCLUDED, MODIFIED, NOT_JUDGED, envelope
from amvel.safety.limits import Limit, Place, in_words
from amvel.safety.verdict import check, known_of_any_body
from amvel.screening import find_out
from amvel.sources import COMMON_PRACTICE
from tests.conftest import demo
from tests.engines import engine_of
from tests.generated import TODAY, base


def engine(*conditions: dict, birth: str = "1975-05-01", tests: tuple[dict, ...] = (), **more) -> Engine:
    noted = [{"noted_on": TODAY.isoformat(), **c} for c in conditions]
    return engine_of(base(birth, "female", noted, [{"on": TODAY.isoformat(), **t} for t in tests], **more))


WEAK = {"test": "bone_density", "site": "total_hip", "t_score": -2.8}
# A back raised so far that few poses can be taken: the model gives up, nobody is told that it is safe or not.
STIFF = tuple({"test": "hip_flexion", "side": s, "deg": 30} for s in ("left", "right"))


def test_what_the_model_cannot_pose_is_not_judged_and_never_offered() -> None:
    e = engine(tests=STIFF)
    judged = e.judge(contexts=("visit",))
    unknown = [v for v in judged if v.verdict == NOT_JUDGED]
    assert unknown
    for v in unknown:
        assert v.fault and not v.reasons and not v.allowed
    offered = {ref for v in judged for ref in v.instead}
    assert not offered & {v.ref for v in unknown if all(not w.allowed for w in judged if w.ref == v.ref)}


def test_no_exclusion_rests_on_a_pose_that_failed() -> None:
    for v in engine(tests=STIFF).judge():
        if v.verdict == EXCLUDED:
            assert v.reasons, v.ref


def test_where_this_body_ends_early_the_nearest_version_that_it_can_take_is_judged() -> None:
    """Knees that nobody measured end before the hips come so far back; what closes the step is a limit, not our failing."""
    for conditions in ((), ({"kind": "spondylolisthesis", "grade": 1, "fresh": "yes"},)):
        e = engine(*conditions, birth="2009-05-01")
        for v in e.judge("sit_back_rest", "on_the_floor"):
            assert v.original.fault  # as it is declared it goes too far for these knees
            assert v.verdict in (MODIFIED, EXCLUDED), v.context
            assert v.verdict == MODIFIED or (v.reasons and not v.fault)


def test_what_a_step_declares_closes_it_even_where_the_model_fails() -> None:
    """Legs overhead are out by rule: rolling on the spine is declared, whatever this body can be posed in."""
    e = engine(tests=(*STIFF, WEAK))
    (v,) = e.judge("legs_overhead", contexts=("visit",))
    assert v.verdict == EXCLUDED
    assert "low_bone_mass.rolling" in {b.limit.id for b in v.reasons}


def test_of_a_failed_pose_only_declared_limits_and_named_levels_speak() -> None:
    e = engine()
    family, step = find("floor_plank/full_length")
    from amvel.movements import Request

    profile = e.profiler.profile(Request(family, step, "both", step.defaults(e.profiler.body)))

    def says(quantity: str, bound: float, when: Place = Place.ANYWHERE) -> bool:
        return known_of_any_body(Limit("x.y", quantity, bound, "r", COMMON_PRACTICE, when=when), profile)

    assert says("floor_transfer", 0) and says("arching_level", 5)
    assert not says("arching_level", 6) and not says("trunk_flexion_deg", 0)
    assert not says("floor_transfer", 0, Place.SPINE_LOADED)


@pytest.mark.parametrize("step", ["curl_with_twist/elbow_to_knee", "seated_twist/with_weight", "loaded_side_bend/with_bag", "sit_up/half_way"])
def test_no_sliver_of_what_is_often_asked_for_is_offered_to_weak_bone(step: str) -> None:
    for v in engine(birth="1955-05-01", tests=(WEAK,)).judge(*step.split("/")):
        assert v.verdict == EXCLUDED, (v.side, v.context)


def test_a_changed_movement_keeps_a_third_of_its_range_at_least() -> None:
    for name in ("low-bone-mass", "sciatica", "knee-and-shoulder"):
        e = engine_of(demo(name))
        for v in e.judge(contexts=("visit",)):
            if v.verdict != MODIFIED:
                continue
            for c in v.changes:
                p = c.parameter
                if not p.choices and p.shows is not None and p.easier == "down":
                    assert float(c.after) >= float(c.before) / 3 - 1e-6, (v.ref, p.id, c.before, c.after)


def test_nothing_harder_stands_in_for_what_is_closed() -> None:
    for name in ("low-bone-mass", "two-falls-high-pressure", "after-birth"):
        e = engine_of(demo(name))
        level = {}
        for v in e.verdicts:
            if not v.profile.fault:
                key = (v.ref, v.context)
                level[key] = max(level.get(key, 0.0), *(v.profile.peak(w.quantity) for w in Way))
        for v in e.verdicts:
            for ref in v.instead:
                assert find(ref)[1].effort <= find(v.ref)[1].effort, (v.ref, ref)
                assert not library()[ref.partition("/")[0]].asked_for
                if (v.ref, v.context) in level:
                    assert level[ref, v.context] <= max(level[v.ref, v.context], 1.0) + 0.05, (v.ref, ref)


@pytest.mark.parametrize(
    ("value", "unit", "says"),
    [
        (96.0, "deg", "here 96°"),
        (1.0, "0/1", ""),
        (2.0, "level", "here: one leg or arm off the ground"),
        (2.3, "level", "here: marching, a small bridge, a hinge"),
        (7.2, "level", "here: more than full planks, both legs straight"),
        (3.0, "stance", "here: one leg, hands free"),
        (5.0, "rise", "here: one leg"),
        (22.5, "% of body weight", "here 22.5 % of body weight"),
    ],
)
def test_what_a_pose_has_is_said_in_words_or_with_a_unit(value: float, unit: str, says: str) -> None:
    assert in_words(value, unit) == says


# What a clinician says, and an override.

WORD = {"name": "Dr. Wend", "role": "surgeon", "profession": "surgeon", "on": "2026-11-20"}


def words(*said: dict, **more):
    return envelope(find_out(engine(clinician_words=[{**WORD, **w} for w in said], **more).case)).by_id


def test_forbidden_without_a_number_is_no_deliberate_movement_that_way() -> None:
    """5° (our reading); a clinician's number is that number."""
    assert words({"kind": "forbids", "quantity": "trunk_flexion_deg"})["clinician.forbids_0"].bound == 5
    assert words({"kind": "forbids", "quantity": "trunk_flexion_deg", "bound": 0})["clinician.forbids_0"].bound == 0
    assert words({"kind": "forbids", "quantity": "face_down"})["clinician.forbids_0"].bound == 0


def test_a_word_may_name_a_step_a_load_or_gentle_only() -> None:
    e = engine(clinician_words=[{**WORD, "kind": "forbids", "step": "bridge"}])
    assert all(v.verdict == EXCLUDED for v in e.judge("bridge"))
    assert words({"kind": "limits", "load_kg": 2})["clinician.limits_0_load"].bound == pytest.approx(19.62)
    assert words({"kind": "limits", "gentle_only": True})["clinician.limits_0_gentle"].quantity == "effort_0_to_10"
    with pytest.raises(CaseError, match="quantity"):
        engine(clinician_words=[{**WORD, "kind": "limits"}])


def test_a_clearing_may_go_as_far_as_a_number() -> None:
    leg = {"kind": "weight_bearing", "side": "left", "status": "partial", "percent": 20, "since": "2026-11-01"}
    limit = "weight_bearing.carries_0"

    def after(**word) -> float | None:
        said = {"kind": "clears", "clears": limit, "role": "surgeon", "profession": "surgeon", "name": "Dr. Wend", "on": "2026-11-20", **word}
        noted = {"noted_on": TODAY.isoformat(), **leg}
        found = envelope(find_out(read_case(base("1975-05-01", "female", [noted], [], clinician_words=[said])))).by_id
        return found[limit].bound if limit in found else None

    assert after() is None
    assert after(bound=50) == 50
    assert after(bound=10) == 20  # a number below what binds opens nothing


@pytest.mark.parametrize(
    ("change", "fault"),
    [({"reason": "     x   "}, "reason"), ({"expires_on": "9999-12-31"}, "expires_on"), ({"by": "  "}, "by")],
)
def test_an_override_says_why_and_ends(change: dict, fault: str) -> None:
    given = {
        "limit_id": "low_bone_mass.unstable",
        "step": "bent_knee_fall_out/on_a_long_roller",
        "side": "both",
        "by": "J. Marsh",
        "role": "specialist",
        "reason": "seen for a year, steady",
        "on": TODAY.isoformat(),
        "expires_on": "2027-02-01",
    }
    engine(overrides=[given])
    with pytest.raises(CaseError, match=fault):
        engine(overrides=[{**given, **change}])


def test_a_failed_profile_breaks_what_is_declared_of_it() -> None:
    e = engine(tests=(*STIFF, WEAK))
    failed = [p for p in e.table.profiles if p.fault and p.peak("rolls_on_spine") > 0]
    for p in failed:
        assert "low_bone_mass.rolling" in {b.limit.id for b in check(p, e.envelope, "visit").breaches}


@pytest.mark.parametrize(("sign", "said"), [("chest_pain", "chest"), ("saddle_numbness", "numbness")])
def test_a_stop_sign_closes_judging_on_the_command_line_with_the_sign(
    sign: str, said: str, tmp_path, capsys
) -> None:
    import json

    from amvel.cli import main

    data = base("1975-05-01", "female", [], []) | {"stop_signs": {"asked_on": TODAY.isoformat(), "present": [sign]}}
    path = tmp_path / "case.json"
    path.write_text(json.dumps(data))
    for command in ("judge", "plan"):
        assert main([command, str(path)]) == 2
        assert said in capsys.readouterr().err.lower()
    path.write_text(json.dumps(base("1975-05-01", "female", [], []) | {"stop_signs": None}))
    assert main(["judge", str(path), "--family", "toe_float"]) == 0  # not asked yet is no sign
