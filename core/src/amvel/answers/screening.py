"""What a case comes to before any movement is looked at, as plain data."""

from typing import Literal

from typing_extensions import TypedDict

from amvel.answers.limits import LimitData, limit_data
from amvel.engine import Engine
from amvel.safety import rulebook
from amvel.safety.rulebook import numbers_of_later
from amvel.screening import contradictions, test_library
from amvel.screening.stop_signs import asked_of


class StopSignData(TypedDict):
    """A stop sign that stands, and what to do; `missing` where only a question was not asked."""

    id: str
    title: str
    emergency: bool
    missing: bool
    next_step: str
    source: str


class BoneData(TypedDict):
    """How bone counts, and why."""

    tier: str
    assumed: bool
    reasons: list[str]


class ReadingData(TypedDict):
    """One test result with what it means."""

    index: int
    test: str
    on: str
    side: Literal["left", "right"] | None
    text: str
    level: str
    source: str


class FindingsData(TypedDict):
    """What was found."""

    age_years: int
    bone: BoneData
    fall_signs: list[str]
    pressure_raised: bool | None
    pressure_drops: bool | None
    floor_rise: str | None
    ranges_deg: dict[str, float]
    readings: list[ReadingData]


class ObligationData(TypedDict):
    """Something that the programme must contain."""

    id: str
    title: str
    days_per_week: float
    reason: str
    source: str


class ReferralData(TypedDict):
    """Something to ask somebody else."""

    id: str
    text: str
    source: str


class AssumptionData(TypedDict):
    """What was not tested and counts as the cautious value, with the test that would show it."""

    id: str
    text: str
    test: str
    is_range: bool


class ContradictionData(TypedDict):
    """Two entries that do not go together."""

    path: str
    text: str


class SignOffData(TypedDict):
    """What waits for a clinician, of one rule."""

    clears: str
    title: str
    limits: list[str]


class ScreenData(TypedDict):
    """Stop signs, findings, limits, obligations, referrals, assumptions."""

    stop_signs: list[StopSignData]
    findings: FindingsData
    limits: list[LimitData]
    obligations: list[ObligationData]
    referrals: list[ReferralData]
    assumptions: list[AssumptionData]
    aged: list[str]
    contradictions: list[ContradictionData]
    sign_offs: list[SignOffData]
    stop_questions: list[str]


def screen(engine: Engine) -> ScreenData:
    """Stop signs, findings, limits, obligations, referrals, assumptions."""
    f = engine.findings
    return {
        "stop_signs": [
            {
                "id": s.id,
                "title": s.title,
                "emergency": s.emergency,
                "missing": s.missing,
                "next_step": s.next_step,
                "source": s.source.told,
            }
            for s in engine.stop_signs
        ],
        "findings": {
            "age_years": f.age,
            "bone": {"tier": f.bone.tier, "assumed": f.bone.assumed, "reasons": [t for t, _ in f.bone.reasons]},
            "fall_signs": [t for t, _ in f.fall_signs],
            "pressure_raised": f.pressure_raised,
            "pressure_drops": f.pressure_drops,
            "floor_rise": f.floor_rise,
            "ranges_deg": f.capacities.range_deg,
            "readings": readings(engine),
        },
        "limits": [limit_data(x) for x in engine.envelope.limits],
        "obligations": [
            {
                "id": o.id,
                "title": o.title,
                "days_per_week": o.days_per_week,
                "reason": o.reason,
                "source": o.source.told,
            }
            for o in engine.envelope.obligations
        ],
        "referrals": [{"id": r.id, "text": r.text, "source": r.source.told} for r in engine.envelope.referrals],
        "assumptions": [{"id": a.id, "text": a.text, "test": a.test, "is_range": a.is_range} for a in f.assumptions],
        "aged": [*f.aged, *numbers_of_later(engine.case.as_of)],
        "contradictions": [{"path": c.path, "text": c.text} for c in contradictions(engine.case)],
        "sign_offs": sign_offs(engine),
        "stop_questions": asked_of(engine.case),
    }


def sign_offs(engine: Engine) -> list[SignOffData]:
    """What waits for a clinician, one line per rule."""
    waiting: dict[str, list[str]] = {}
    for x in engine.envelope.limits:
        if x.waits_for:
            waiting.setdefault(x.rule, []).append(x.says())
    return [
        {"clears": rule, "title": rulebook()[rule].title, "limits": lines} for rule, lines in waiting.items()
    ]


def readings(engine: Engine) -> list[ReadingData]:
    """Every test result with what it means."""
    out: list[ReadingData] = []
    for i, t in enumerate(engine.case.tests):
        reading = test_library()[t.test].reading(t, engine.case)
        out.append(
            {
                "index": i,
                "test": t.test,
                "on": t.on.isoformat(),
                "side": getattr(t, "side", None),
                "text": reading.text,
                "level": reading.level,
                "source": reading.source.told,
            }
        )
    return out
