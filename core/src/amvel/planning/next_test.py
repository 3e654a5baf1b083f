"""Which test to do next: the one whose result would change most verdicts.

Each test that is due is tried with a plausible good and a plausible adverse result; the count is the
larger number of steps whose verdict would change.  Gates come first whatever they decide.
"""

from typing import Any

from amvel.case import Case, CaseError, read_case
from amvel.engine import Engine
from amvel.movements import Request, all_steps
from amvel.safety import CONTEXTS, check, sides_of
from amvel.screening import ScreenTest, test_library
from amvel.screening.declaration import current


def next_tests(engine: Engine) -> list[dict[str, Any]]:
    """Due tests, gates first, then by the number of steps they decide."""
    baseline = _admissible(engine, engine)
    out = []
    for test in test_library().values():
        if _fresh(engine.case, test):
            continue
        decides = max(
            (
                _differs(baseline, engine, test, result)
                for result in (test.benign, test.adverse)
                if result is not None
            ),
            default=0,
        )
        out.append(
            {
                "test": test.id,
                "title": test.title,
                "gate": test.gate,
                "decides": decides,
                "why": f"decides {decides} movement{'s' if decides != 1 else ''}"
                if not test.gate
                else "first, always: a gate",
            }
        )
    return sorted(out, key=lambda t: (not t["gate"], -t["decides"], t["test"]))


def _fresh(case: Case, test: ScreenTest) -> bool:
    """Done and still valid (both sides where it has sides)."""
    results = current(case, test.id, test.validity_days)
    if test.id == "joint_range":
        return len(results) >= 2
    return {r.side for r in results} >= {"left", "right"} if test.per_side else bool(results)


def _admissible(engine: Engine, of: Engine) -> frozenset[tuple[str, str, str]]:
    """Steps that pass as they are.  Profiles stay those of `of`, so that only limits differ."""
    requests = [Request(f, s, side, of.values(f, s)) for f, s in all_steps() for side in sides_of(s)]
    profiles = of.profiler.profiles(requests)
    return frozenset(
        (p.request.label, p.request.side, c)
        for p in profiles
        for c in CONTEXTS
        if check(p, engine.envelope, c).allowed
    )


def _differs(
    baseline: frozenset[tuple[str, str, str]], engine: Engine, test: ScreenTest, result: dict[str, Any]
) -> int:
    sides = ("left", "right") if test.per_side and result.get("joint", "").split("_")[0] != "trunk" else (None,)
    added = [
        {"test": test.id, "on": engine.case.as_of.isoformat(), **({"side": s} if s else {}), **result}
        for s in sides
    ]
    data = engine.case.model_dump(mode="json")
    try:
        trial = Engine(read_case({**data, "tests": [*data["tests"], *added]}))
    except CaseError:
        return 0
    changed = baseline ^ _admissible(trial, engine)
    return len({ref for ref, _, _ in changed})


__all__ = ["next_tests"]
