"""The questions on which practitioners disagree, as plain data."""

from typing_extensions import TypedDict

from amvel.case.schools import QUESTIONS
from amvel.safety.schools import Schools


class OptionData(TypedDict):
    """One answer, and why it was refused for this client where it was."""

    id: str
    title: str
    why: str
    refused: str


class SchoolData(TypedDict):
    """One question with its answers, what stands and why."""

    id: str
    title: str
    chosen: str
    because: str
    changes: list[str]
    options: list[OptionData]
    by_family: dict[str, str]


def schools_data(s: Schools) -> list[SchoolData]:
    """Every question with its answers, what stands, why, and what was refused."""
    refused = {(r.question, r.option): r.reason for r in s.refused}
    return [
        {
            "id": q.id,
            "title": q.title,
            "chosen": s.choices[q.id],
            "because": s.because.get(q.id, ""),
            "changes": list(q.changes),
            "options": [
                {"id": o.id, "title": o.title, "why": o.why, "refused": refused.get((q.id, o.id), "")}
                for o in q.options
            ],
            "by_family": {f: own[q.id] for f, own in s.by_family.items() if q.id in own},
        }
        for q in QUESTIONS.values()
    ]
