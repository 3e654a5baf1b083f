"""The rules that always hold, on generated cases.

Profiles of one body are solved once; findings are generated, so that thousands of envelopes meet the same poses.
"""

import copy
from collections import defaultdict
from datetime import date, timedelta
from functools import lru_cache

import pytest
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st

from amvel.case import CaseError, read_case
from amvel.engine import Engine, case_digest
from amvel.movements import Profile
from amvel.planning import Item, SetUp, violations
from amvel.quantities import quantity
from amvel.safety import CONTEXTS, Table, check, envelope
from amvel.safety.limits import Place
from amvel.safety.verdict import valid_overrides
from amvel.screening import find_out
from tests import bodies
from tests.conftest import demo
from tests.generated import TODAY, accepted, base, cases, conditions, outcomes

EXAMPLES = settings(
    max_examples=200,
    deadline=None,
    derandomize=True,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much, HealthCheck.data_too_large],
)
MANY = settings(EXAMPLES, max_examples=350)


def library_profiles():
    """A third of the library, every family with it: the rules do not know movements, so that these stand for all."""
    return bodies.library_profiles()[::3]


@lru_cache(maxsize=1)
def highest() -> list[tuple[Profile, dict[str, list[tuple[str, float]]]]]:
    """Each profile with its columns by what a limit may call them, with their side or without: name and peak."""
    found = []
    for p in library_profiles():
        columns = defaultdict(list)
        for name in p.columns:
            for called in {name, name.split(".")[-1]}:
                columns[called].append((name, p.peak(name)))
        found.append((p, dict(columns)))
    return found


def envelope_of(data: dict):
    return envelope(find_out(read_case(data)))


@lru_cache(maxsize=1)
def table() -> Table:
    return Table(library_profiles())


def allowed(data: dict) -> set[tuple[str, str, str]]:
    bounds = envelope_of(data)
    found = set()
    for context in CONTEXTS:
        flags = table().allowed(bounds, context)
        found |= {
            (p.request.label, p.request.side, context)
            for p, flag in zip(table().profiles, flags, strict=True)
            if flag
        }
    return found


@EXAMPLES
@given(cases, st.sampled_from(CONTEXTS))
def test_the_table_says_what_the_verdict_says(data: dict, context: str) -> None:
    bounds = envelope_of(data)
    flags = table().allowed(bounds, context)
    assert [bool(f) for f in flags] == [check(p, bounds, context).allowed for p in table().profiles]


@EXAMPLES
@given(cases)
def test_1_the_strictest_limit_decides_and_every_one_that_breaks_is_named(data: dict) -> None:
    bounds = envelope_of(data)
    for p, columns in highest():
        answer = check(p, bounds, "home")
        named = {b.limit.id for b in answer.breaches}
        for limit in bounds.limits:
            if limit.when is not Place.ANYWHERE or limit.at_home or limit.strength == "caution" or limit.at_least or limit.only_step:
                continue
            beyond = any(quantity(n).breaks(peak, limit.bound) for n, peak in columns.get(limit.quantity, ()))
            assert beyond == (limit.id in named)


@MANY
@given(cases, conditions())
def test_2_an_added_adverse_finding_never_allows_more(data: dict, extra: dict) -> None:
    more = copy.deepcopy(data)
    more["conditions"] = [*data["conditions"], extra]
    assume(accepted(more))
    assert allowed(more) <= allowed(data)


@EXAMPLES
@given(cases, st.floats(-4, 2), st.floats(0, 3))
def test_2_a_worse_bone_density_never_allows_more(data: dict, better: float, drop: float) -> None:
    def with_t(t: float) -> dict:
        return {
            **data,
            "tests": [
                *data["tests"],
                {"test": "bone_density", "on": TODAY.isoformat(), "site": "femoral_neck", "t_score": t},
            ],
        }

    assert allowed(with_t(max(-7, better - drop))) <= allowed(with_t(better))


@EXAMPLES
@given(cases, st.floats(6, 30), st.floats(0, 20))
def test_2_a_slower_walk_never_allows_more(data: dict, fast: float, more: float) -> None:
    others = [t for t in data["tests"] if t["test"] != "timed_up_and_go"]
    slow_case, fast_case = (
        {**data, "tests": [*others, {"test": "timed_up_and_go", "on": TODAY.isoformat(), "seconds": s}]}
        for s in (fast + more, fast)
    )
    assert allowed(slow_case) <= allowed(fast_case)


@EXAMPLES
@given(cases)
def test_3_not_tested_is_never_laxer_than_the_same_tests_passed(data: dict) -> None:
    good = [
        {"test": "timed_up_and_go", "on": TODAY.isoformat(), "seconds": 7},
        {"test": "chair_stand_30s", "on": TODAY.isoformat(), "count": 25},
        {
            "test": "four_stage_balance",
            "on": TODAY.isoformat(),
            "side_by_side_s": 10,
            "semi_tandem_s": 10,
            "tandem_s": 10,
        },
    ]
    without = {**data, "tests": [t for t in data["tests"] if t["test"] not in {g["test"] for g in good}]}
    assert allowed(without) <= allowed({**without, "tests": [*without["tests"], *good]})


@EXAMPLES
@given(cases)
def test_4_every_frame_of_an_allowed_pose_is_inside_every_limit(data: dict) -> None:
    bounds = envelope_of(data)
    for p, columns in highest():
        if not check(p, bounds, "visit").allowed:
            continue
        for limit in bounds.limits:
            if limit.when is not Place.ANYWHERE or limit.at_home or limit.strength == "caution" or limit.at_least or limit.only_step:
                continue
            for name, peak in columns.get(limit.quantity, ()):
                assert peak <= limit.bound + 0.5 * quantity(name).resolution + 1e-6


@EXAMPLES
@given(cases, st.lists(st.integers(0, 200), min_size=1, max_size=6))
def test_5_a_programme_made_anyhow_is_found_out(data: dict, picks: list[int]) -> None:
    engine = Engine(read_case(data))
    profiles = library_profiles()
    chosen = [profiles[i % len(profiles)] for i in picks]
    items = [
        Item(p.request.label, p.request.family.position, (SetUp(p.request.side, p.request.values, 0),)) for p in chosen
    ]

    class Kept:
        """The solved profiles of the property tests instead of this case's own."""

        def profile(self, request):
            return next(
                p for p in profiles if p.request.label == request.label and p.request.side == request.side
            )

    found = {(v.ref, v.side) for v in violations(engine.case, engine.envelope, Kept(), items, "home")}
    assert found == {
        (p.request.label, p.request.side) for p in chosen if not check(p, engine.envelope, "home").allowed
    }


@EXAMPLES
@given(cases, st.sampled_from(["specialist", "clinician"]), st.integers(-3, 3), st.integers(0, 50))
def test_6_an_override_opens_one_limit_of_one_step_for_its_time(
    data: dict, role: str, expires: int, pick: int
) -> None:
    bounds = envelope_of(data)
    if not bounds.limits:
        return
    limit = bounds.limits[pick % len(bounds.limits)]
    p = library_profiles()[pick % len(library_profiles())]
    given_on = TODAY - timedelta(days=10)
    override = {
        "limit_id": limit.id,
        "step": p.request.label,
        "side": p.request.side,
        "by": "Dr. Wend",
        "role": role,
        "reason": "seen and agreed",
        "on": given_on.isoformat(),
        "expires_on": (TODAY + timedelta(days=expires)).isoformat(),
    }
    case = read_case({**data, "overrides": [override]})
    lifted = valid_overrides(case.overrides, bounds, TODAY, p.request.label, p.request.side)
    right = role == "clinician" or limit.strength != "forbidden"
    assert lifted == (frozenset({limit.id}) if right and expires >= 0 else frozenset())
    assert valid_overrides(case.overrides, bounds, TODAY, "other/step", p.request.side) == frozenset()
    remaining = {b.limit.id for b in check(p, bounds, "home", lifted).breaches}
    assert remaining == {b.limit.id for b in check(p, bounds, "home").breaches} - lifted


@EXAMPLES
@given(cases, st.randoms(use_true_random=False))
def test_7_the_same_findings_in_any_order_give_the_same_answer(data: dict, random) -> None:
    shuffled = copy.deepcopy(data)
    random.shuffle(shuffled["conditions"])
    random.shuffle(shuffled["tests"])
    assert allowed(shuffled) == allowed(data)
    assert case_digest(read_case(data)) == case_digest(read_case(copy.deepcopy(data)))


@EXAMPLES
@given(cases, st.integers(91, 900))
def test_8_findings_age_into_caution(data: dict, days: int) -> None:
    """The same good balance tests, done too long ago, count as not done."""

    def tests_on(day: date) -> list:
        return [
            {"test": "timed_up_and_go", "on": day.isoformat(), "seconds": 7},
            {"test": "chair_stand_30s", "on": day.isoformat(), "count": 25},
            {
                "test": "four_stage_balance",
                "on": day.isoformat(),
                "side_by_side_s": 10,
                "semi_tandem_s": 10,
                "tandem_s": 10,
            },
        ]

    rest = [
        t
        for t in data["tests"]
        if t["test"] not in ("timed_up_and_go", "chair_stand_30s", "four_stage_balance")
    ]
    aged = {**data, "tests": [*rest, *tests_on(TODAY - timedelta(days=days))]}
    assert allowed(aged) == allowed({**data, "tests": rest})
    assert find_out(read_case(aged)).aged


@pytest.mark.parametrize(("age", "holds"), [(89, True), (90, True), (91, False)])
def test_8_balance_holds_ninety_days(age: int, holds: bool) -> None:
    data = base(
        "1950-01-01",
        "female",
        [],
        [{"test": "timed_up_and_go", "on": (TODAY - timedelta(days=age)).isoformat(), "seconds": 15}],
    )
    assert any("timed up and go 15" in text for text, _ in find_out(read_case(data)).fall_signs) == holds


@MANY
@given(cases, outcomes())
def test_3_a_result_never_lifts_a_limit_that_has_another_reason(data: dict, extra: dict) -> None:
    """A benign result may lift an assumption; limits that a condition gave stay, unless the rule reads that very test."""
    more = {**data, "tests": [*data["tests"], extra]}
    assume(accepted(more))
    before, after = envelope_of(data), envelope_of(more)
    told = {c["kind"] for c in data["conditions"]}
    reads_tests = {
        "low_bone_mass",
        "falls_and_balance",
        "blood_pressure",
        "reachable_positions",
        "quiet_core",
        "posture",
        "scoliosis",
        "abdominal_separation",
        "flexion_sciatica",
        "multiple_sclerosis",
        "spinal_fusion",
        "hypermobility",
    }
    for limit in before.limits:
        rule = limit.id.split(".")[0]
        if rule in told and rule not in reads_tests:
            assert limit.id in after.by_id
            assert after.by_id[limit.id].bound == limit.bound


@EXAMPLES
@given(cases)
def test_units_do_not_change_the_answer(data: dict) -> None:
    person = data["person"]
    metric = {**data, "person": {**person, "stature_cm": 65 * 2.54, "mass_kg": 140 * 0.45359237}}
    inches = {k: v for k, v in person.items() if k not in ("stature_cm", "mass_kg")}
    imperial = {**data, "person": {**inches, "stature_in": 65, "mass_lb": 140}}
    assert allowed(metric) == allowed(imperial)
    assert read_case(imperial).person.mass_kg == pytest.approx(read_case(metric).person.mass_kg)


@EXAMPLES
@given(cases, st.sampled_from(["specialist", "clinician"]), st.floats(0, 40))
def test_a_stricter_word_never_allows_more(data: dict, who: str, bound: float) -> None:
    if who == "clinician":
        word = {
            "kind": "limits",
            "name": "Dr. Wend",
            "role": "physician", "profession": "physician",
            "on": TODAY.isoformat(),
            "quantity": "trunk_rotation_deg",
            "bound": bound,
        }
        more = {**data, "clinician_words": [word]}
    else:
        own = {
            "quantity": "trunk_rotation_deg",
            "bound": bound,
            "reason": "looked unsure today",
            "by": "I. Falk",
            "on": TODAY.isoformat(),
        }
        more = {**data, "own_limits": [own]}
    assert allowed(more) <= allowed(data)


def test_a_wrong_side_of_an_override_is_refused() -> None:
    with pytest.raises(CaseError):
        read_case(
            {
                **demo("low-bone-mass"),
                "overrides": [
                    {
                        "limit_id": "x",
                        "step": "a/b",
                        "side": "up",
                        "by": "Me",
                        "role": "clinician",
                        "reason": "because so",
                        "on": "2026-01-01",
                        "expires_on": "2026-02-01",
                    }
                ],
            }
        )
