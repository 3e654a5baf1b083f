"""Cases generated from the forms themselves: a new condition or test is covered as soon as its file is there."""

from datetime import date, timedelta
from typing import Any

from hypothesis import strategies as st

from amvel.case import CONDITIONS, RESULTS, CaseError, Field, form_of, read_case
from amvel.screening import test_library

TODAY = date(2026, 11, 24)
days_ago = st.integers(0, 900).map(lambda n: (TODAY - timedelta(days=n)).isoformat())
BIRTHS = st.sampled_from(["2011-05-01", "1990-05-01", "1965-05-01", "1955-05-01", "1942-05-01"])


def base(birth_date: str, sex: str, conditions: list, tests: list, **more: Any) -> dict:
    """A whole case round a few findings."""
    return {
        "as_of": TODAY.isoformat(),
        "person": {"birth_date": birth_date, "sex": sex, "stature_cm": 165, "mass_kg": 62},
        "conditions": conditions,
        "tests": tests,
        "consent": {"on": TODAY.isoformat(), "given_by": "client", "capacity_confirmed": True},
        "stop_signs": {"asked_on": TODAY.isoformat(), "present": []},
        **more,
    }


def accepted(data: dict) -> bool:
    try:
        read_case(data)
    except CaseError:
        return False
    return True


def _values(x: Field) -> st.SearchStrategy[Any]:
    if x.kind == "choice":
        own: st.SearchStrategy[Any] = st.sampled_from([v for v, _ in x.choices])
    elif x.kind == "choices":
        own = st.lists(st.sampled_from([v for v, _ in x.choices]), unique=True, max_size=3)
    elif x.kind == "yes_no":
        own = st.booleans()
    elif x.kind == "date":
        own = days_ago
    elif x.kind == "count":
        own = st.integers(int(x.low), int(x.high))
    else:
        own = st.floats(x.low + 0.01, x.high - 0.01).map(lambda v: round(v, 2))
    return own if not x.optional or x.kind == "choices" else st.none() | own


def part(model: type, tag: str, fixed: dict[str, Any]) -> st.SearchStrategy[dict]:
    """Dictionaries of one condition or result."""
    hidden = frozenset((tag, "trials", *fixed))
    fields = form_of(model, hidden)
    return st.fixed_dictionaries({x.name: _values(x) for x in fields}).map(lambda d: _pruned({**d, **fixed}))


def _pruned(data: dict) -> dict:
    return {k: v for k, v in data.items() if v is not None}


def _alone(data: dict) -> bool:
    key = "conditions" if "kind" in data else "tests"
    return accepted(base("1955-05-01", "female", [], []) | {key: [data]})


def conditions(*kinds: str) -> st.SearchStrategy[dict]:
    """Any condition, or one of these kinds."""
    return st.one_of(
        [
            part(model, "kind", {"kind": kind, "noted_on": TODAY.isoformat()}).filter(_alone)
            for kind, model in CONDITIONS.items()
            if not kinds or kind in kinds
        ]
    )


def results(*tests: str) -> st.SearchStrategy[dict]:
    """Any result of today, or one of these tests."""
    return st.one_of(
        [
            part(model, "test", {"test": test, "on": TODAY.isoformat()}).filter(_alone)
            for test, model in RESULTS.items()
            if not tests or test in tests
        ]
    )


def outcomes() -> st.SearchStrategy[dict]:
    """Results that the tests themselves state as possible."""
    found = []
    for t in test_library().values():
        for o in t.outcomes:
            for side in ("left", "right") if t.per_side else (None,):
                found.append(
                    {"test": t.id, "on": TODAY.isoformat(), **({"side": side} if side else {}), **o.result}
                )
    return st.sampled_from(found)


cases = st.builds(
    lambda birth, sex, c, t: base(birth_date=birth, sex=sex, conditions=c, tests=t),
    BIRTHS,
    st.sampled_from(["female", "male"]),
    st.lists(conditions(), max_size=4),
    st.lists(outcomes() | results("bone_density", "blood_pressure", "timed_up_and_go"), max_size=4),
).filter(accepted)

# People with one to five conditions and any results at all.
people = st.builds(
    base,
    BIRTHS,
    st.sampled_from(["female", "male"]),
    st.lists(conditions(), min_size=1, max_size=5),
    st.lists(results(), max_size=4),
).filter(accepted)
