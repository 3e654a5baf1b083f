"""The rules that always hold, on generated cases.

Profiles of one body are solved once; findings are generated, so that thousands of envelopes meet the same poses.
"""

import copy
from datetime import date, timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.case import CaseError, read_case
from amvel.engine import Engine, case_digest
from amvel.planning import Item, violations
from amvel.safety import CONTEXTS, check, envelope
from amvel.safety.verdict import adverse, valid_overrides
from amvel.screening import find_out
from tests import bodies
from tests.conftest import demo

TODAY = date(2026, 11, 24)
EXAMPLES = settings(max_examples=500, deadline=None, derandomize=True)
days_ago = st.integers(0, 900).map(lambda n: (TODAY - timedelta(days=n)).isoformat())
side = st.sampled_from(["left", "right"])

conditions = st.one_of(
    st.builds(
        lambda s, on, low: {"kind": "fracture", "site": s, "on": on, "from_standing_height_or_less": low},
        st.sampled_from(["spine", "hip", "wrist", "rib", "ankle"]),
        days_ago,
        st.sampled_from([True, False, None]),
    ),
    st.builds(
        lambda mg, m: {"kind": "glucocorticoid", "mg_per_day": mg, "months": m},
        st.floats(0.5, 30),
        st.floats(1, 30),
    ),
    st.builds(lambda on, i: {"kind": "fall", "on": on, "injury": i}, days_ago, st.booleans()),
    st.builds(lambda c: {"kind": "fear_of_falling", "confidence_0_to_10": c}, st.integers(0, 10)),
    st.builds(
        lambda s, a, w: {
            "kind": "wrist_trouble",
            "side": s,
            "tolerated_extension_deg": a,
            "tolerated_load_percent_bw": w,
        },
        side,
        st.none() | st.floats(0, 90),
        st.none() | st.floats(0, 60),
    ),
    st.builds(
        lambda s, d, k: {"kind": "knee_trouble", "side": s, "tolerated_loaded_flexion_deg": d, "kneeling": k},
        side,
        st.none() | st.floats(20, 140),
        st.sampled_from(["tolerated", "padded", "not_tolerated", "unknown"]),
    ),
    st.builds(
        lambda s, d: {"kind": "shoulder_trouble", "side": s, "tolerated_elevation_deg": d},
        side,
        st.none() | st.floats(30, 180),
    ),
    st.builds(
        lambda s, on, d: {"kind": "flexion_sciatica", "side": s, "since": on, "provoking_neural_line_deg": d},
        side,
        days_ago,
        st.none() | st.floats(20, 100),
    ),
    st.just({"kind": "early_menopause"}),
)
tests = st.one_of(
    st.builds(
        lambda on, t: {"test": "bone_density", "on": on, "site": "total_hip", "t_score": t},
        days_ago,
        st.floats(-4, 2),
    ),
    st.builds(lambda s: {"test": "timed_up_and_go", "on": TODAY.isoformat(), "seconds": s}, st.floats(5, 40)),
    st.builds(lambda n: {"test": "chair_stand_30s", "on": TODAY.isoformat(), "count": n}, st.integers(0, 25)),
    st.builds(
        lambda s: {
            "test": "four_stage_balance",
            "on": TODAY.isoformat(),
            "side_by_side_s": 10,
            "semi_tandem_s": 10,
            "tandem_s": s,
        },
        st.floats(0, 10),
    ),
    st.builds(
        lambda s, d: {
            "test": "blood_pressure",
            "on": TODAY.isoformat(),
            "systolic_lying_mmhg": s,
            "diastolic_lying_mmhg": d,
        },
        st.integers(100, 175),
        st.integers(50, 95),
    ),
    st.builds(
        lambda r: {"test": "floor_rise", "on": TODAY.isoformat(), "result": r},
        st.sampled_from(["alone", "with_furniture", "with_help", "unable"]),
    ),
)
cases = st.builds(
    lambda birth, sex, c, t: base(birth_date=birth, sex=sex, conditions=c, tests=t),
    st.sampled_from(["1990-05-01", "1965-05-01", "1955-05-01", "1942-05-01"]),
    st.sampled_from(["female", "male"]),
    st.lists(conditions, max_size=4),
    st.lists(tests, max_size=4),
)


def library_profiles():
    """A third of the library, every family with it: the rules do not know movements, so that these stand for all."""
    return bodies.library_profiles()[::3]


def base(birth_date: str, sex: str, conditions: list, tests: list) -> dict:
    return {
        "as_of": TODAY.isoformat(),
        "person": {"birth_date": birth_date, "sex": sex, "stature_cm": 165, "mass_kg": 62},
        "conditions": conditions,
        "tests": tests,
        "consent": {"on": TODAY.isoformat(), "given_by": "client", "capacity_confirmed": True},
        "stop_signs": {"asked_on": TODAY.isoformat(), "present": []},
    }


def envelope_of(data: dict):
    return envelope(find_out(read_case(data)))


def allowed(data: dict) -> set[tuple[str, str, str]]:
    bounds = envelope_of(data)
    return {
        (p.request.label, p.request.side, c)
        for p in library_profiles()
        for c in CONTEXTS
        if check(p, bounds, c).allowed
    }


@EXAMPLES
@given(cases)
def test_1_the_strictest_limit_decides_and_every_one_that_breaks_is_named(data: dict) -> None:
    bounds = envelope_of(data)
    for p in library_profiles():
        answer = check(p, bounds, "home")
        named = {b.limit.id for b in answer.breaches}
        for limit in bounds.limits:
            if limit.when != "always" or limit.strength == "caution" or limit.at_least:
                continue
            names = [n for n in p.columns if n == limit.quantity or n.split(".")[-1] == limit.quantity]
            worst = max(adverse(p.peak(n), n, False) for n in names)
            assert (worst > limit.bound) == (limit.id in named)


@EXAMPLES
@given(cases, conditions)
def test_2_an_added_adverse_finding_never_allows_more(data: dict, extra: dict) -> None:
    more = copy.deepcopy(data)
    more["conditions"] = [*data["conditions"], extra]
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
    for p in library_profiles():
        if not check(p, bounds, "visit").allowed:
            continue
        for limit in bounds.limits:
            if limit.when != "always" or limit.strength == "caution":
                continue
            for name in (n for n in p.columns if n == limit.quantity or n.split(".")[-1] == limit.quantity):
                assert p.columns[name].max() <= limit.bound + 1e-6


@EXAMPLES
@given(cases, st.lists(st.integers(0, 200), min_size=1, max_size=6))
def test_5_a_programme_made_anyhow_is_found_out(data: dict, picks: list[int]) -> None:
    engine = Engine(read_case(data))
    profiles = library_profiles()
    chosen = [profiles[i % len(profiles)] for i in picks]
    items = [
        Item(p.request.label, p.request.family.position, (p.request.side,), p.request.values) for p in chosen
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
