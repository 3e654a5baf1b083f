"""Verdicts as plain data."""

from typing_extensions import TypedDict

from amvel.answers.limits import BreachData, breach_data
from amvel.body import plain_fault
from amvel.engine import Engine
from amvel.safety import Verdict, VerdictKind, describe

Values = dict[str, float | str]


class FromTo(TypedDict("FromTo", {"from": float, "to": float})):
    """An angle before and after a change, in degrees."""


class ChangeData(TypedDict("ChangeData", {"from": float | str, "to": float | str})):
    """One measure that was moved, and what it does to the limit that asked for it."""

    what: str
    parameter: str
    unit: str
    limit: str
    says: str
    hip_flexion_deg: FromTo


class VerdictData(TypedDict):
    """What is allowed of one step on one side in one context, and why."""

    family: str
    step: str
    side: str
    context: str
    verdict: VerdictKind
    values: Values
    original_values: Values
    cautions: list[BreachData]
    assumed: list[str]
    changes: list[ChangeData]
    reasons: list[BreachData]
    fault: str
    instead: list[str]


def verdict_data(v: Verdict) -> VerdictData:
    return {
        "family": v.family,
        "step": v.step,
        "side": v.side,
        "context": v.context,
        "verdict": v.verdict,
        "values": v.profile.request.values,
        "original_values": v.original.request.values,
        "cautions": [breach_data(b) for b in v.cautions],
        "assumed": list(v.assumed),
        "changes": [
            {
                "what": c.parameter.title,
                "parameter": c.parameter.id,
                "from": c.before,
                "to": c.after,
                "unit": c.parameter.unit,
                "limit": c.limit_id,
                "says": describe(c),
                "hip_flexion_deg": {"from": round(c.hip_before_deg, 1), "to": round(c.hip_after_deg, 1)},
            }
            for c in v.changes
        ],
        "reasons": [breach_data(b) for b in v.reasons],
        "fault": plain_fault(v.fault),
        "instead": list(v.instead),
    }


def verdicts(engine: Engine) -> list[VerdictData]:
    """Every verdict of the library."""
    return [verdict_data(v) for v in engine.verdicts]
