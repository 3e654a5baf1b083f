"""How much of the library each single condition leaves, and whether every function keeps two admissible steps."""

from collections import Counter
from dataclasses import dataclass
from datetime import date
from typing import Any

from amvel.case import CONDITIONS, read_case
from amvel.engine import Engine
from amvel.languages import said, term
from amvel.movements import PURPOSES, find
from amvel.safety import AS_IS, EXCLUDED, MODIFIED, Verdict
from amvel.safety.limits import Origin
from amvel.screening import test_library

ENOUGH = 2  # admissible steps per function
SERVES = 0.3  # purpose weight from which a step serves a function
# The functions that every condition should keep (job, § 1); those without a purpose yet are listed as such.
FUNCTIONS = (
    "breath",
    "deep_control",
    "resist_extension",
    "turning",
    "side_bend",
    "hip_out",
    "hip_back",
    "upper_back",
    "balance",
    "foot",
    "hip_bend",
    "position_change",
)


@dataclass(frozen=True)
class Reached:
    """One condition: steps as is, changed and out in the visit, and functions with fewer than two steps, with why.

    `not_shown` are those of the out that no rule closes: they only wait for a test, an observation or the log.
    """

    title: str
    as_is: int
    modified: int
    out: int
    not_shown: int
    thin: dict[str, str]


def healthy_case(as_of: date, birth: date, conditions: list[dict[str, Any]]) -> dict[str, Any]:
    """A person with a full, normal screen: every test at its first, benign outcome, daily positions reached."""
    tests = []
    for t in test_library().values():
        for side in ("left", "right") if t.per_side else (None,):
            tests.append(
                {
                    "test": t.id,
                    "on": as_of.isoformat(),
                    **({"side": side} if side else {}),
                    **t.outcomes[0].result,
                }
            )
    healthy = {"deg"}
    for entry in tests:
        if healthy & set(entry):
            entry["deg"] = _full_range(entry["test"], entry["deg"])
    return {
        "as_of": as_of.isoformat(),
        "person": {"birth_date": birth.isoformat(), "sex": "female", "stature_cm": 165, "mass_kg": 63},
        "consent": {"on": as_of.isoformat(), "given_by": "client", "capacity_confirmed": True},
        "stop_signs": {"asked_on": as_of.isoformat()},
        "conditions": conditions,
        "tests": tests,
        "room": {
            "seats": [{"name": "chair", "height_cm": 43, "arms": True}],
            "worktop": True,
            "floor_mat": True,
        },
        "tolerates": {"floor": "yes", "lying_flat": "yes", "face_down": "yes"},
    }


def _full_range(test: str, deg: float) -> float:
    from amvel.body import HEALTHY_DEG

    return HEALTHY_DEG.get(test, deg)


def reach(as_of: date) -> dict[str, Reached]:
    """Every condition by its own first example, in a woman of 60 with a normal screen; 'none' is nobody's condition."""
    birth = date(as_of.year - 60, 3, 1)
    rows = {"none": _row("No condition", Engine(read_case(healthy_case(as_of, birth, []))))}
    for kind, model in CONDITIONS.items():
        condition = {"kind": kind, "noted_on": as_of.isoformat(), **model.EXAMPLES[0]}
        engine = Engine(read_case(healthy_case(as_of, _birth(kind, as_of, birth), [condition])))
        rows[kind] = _row(model.TITLE, engine)
    return rows


def _birth(kind: str, as_of: date, usual: date) -> date:
    years = CONDITIONS[kind].EXAMPLE_YEARS
    return usual if years is None else date(as_of.year - years, 3, 1)


def _row(title: str, engine: Engine) -> Reached:
    verdicts = engine.judge(contexts=("visit",))
    worst: dict[str, str] = {}
    order = (AS_IS, MODIFIED, EXCLUDED)
    for v in verdicts:
        kind = v.verdict if v.verdict in order else EXCLUDED  # what cannot be judged is not offered either
        worst[v.ref] = max(worst.get(v.ref, AS_IS), kind, key=order.index)
    count = Counter(worst.values())
    waits = {ref for ref, kind in worst.items() if kind == EXCLUDED and _only_waits([v for v in verdicts if v.ref == ref])}
    return Reached(title, count[AS_IS], count[MODIFIED], count[EXCLUDED], len(waits), _thin(verdicts, worst))


def _only_waits(of_one_step: list[Verdict]) -> bool:
    """Whether every side that is closed is closed by nothing but what has not been shown."""
    closed = [v for v in of_one_step if not v.allowed]
    return bool(closed) and all(v.reasons and all(b.limit.origin is Origin.NOT_SHOWN for b in v.reasons) for v in closed)


def _thin(verdicts: list[Verdict], worst: dict[str, str]) -> dict[str, str]:
    out = {}
    for function in FUNCTIONS:
        if function not in PURPOSES:
            out[function] = "the library has no step for it yet"
            continue
        serving = [r for r in worst if find(r)[1].purposes.get(function, 0) >= SERVES]
        left = [r for r in serving if worst[r] != EXCLUDED]
        if len(left) < ENOUGH:
            limits = sorted(
                {b.limit.says() for v in verdicts if v.ref in serving and not v.allowed for b in v.reasons}
            )
            out[function] = "; ".join(limits) if limits else said("the library has {what} step(s) for it", what=term(len(serving)))
    return out


def report(as_of: date) -> str:
    """The table as Markdown."""
    lines = [
        "# Reach of the rule-book",
        "",
        "How many steps of the library each single condition leaves as they are, changed or out, in a supervised visit: a woman of 60",
        "(32 for pregnancy and birth) with a full, normal screen and the condition's own first example. Functions with fewer than two",
        "admissible steps stand with the limits in the way. The fifth column counts those of the out that only wait to be shown.",
        "Made by `./amvel reach`.",
        "",
        "| condition | as is | changed | out | closed only because not shown | functions with fewer than two steps |",
        "|---|--:|--:|--:|--:|---|",
    ]
    for r in reach(as_of).values():
        thin = "; ".join(f"**{k.replace('_', ' ')}**: {v}" for k, v in r.thin.items()) or "—"
        lines.append(f"| {r.title} | {r.as_is} | {r.modified} | {r.out} | {r.not_shown} | {thin} |")
    return "\n".join(lines) + "\n"
