"""Limits and what breaks them, as plain data."""

from typing import Literal

from typing_extensions import TypedDict

from amvel.engine import finite
from amvel.quantities import quantity
from amvel.safety import Breach, Limit, rulebook
from amvel.screening import test_library

OriginData = Literal["rule", "not_shown", "clinician", "specialist"]


class OpenerData(TypedDict):
    """A test that could show what is missing."""

    test: str
    title: str


class LimitData(TypedDict):
    """One limit with its reason and source, in numbers and in words."""

    id: str
    rule: str
    because_of: str
    quantity: str
    title: str
    bound: float
    at_least: bool
    unit: str
    condition: str
    at_home: bool
    strength: Literal["forbidden", "limit", "caution"]
    reason: str
    source: str
    set_by: str
    says: str
    bound_in_words: str
    measure: str
    review_on: str | None
    valid_until: str | None
    next_grade: str
    grade: int
    grades: int
    waits_for: str
    only_step: str
    origin: OriginData
    opened_by: list[OpenerData]


class BreachData(TypedDict):
    """A limit that a movement breaks, with the value here."""

    limit: str
    quantity: str
    title: str
    value: float | None
    bound: float
    unit: str
    says: str
    reason: str
    source: str
    measure: str
    here: str
    origin: OriginData
    opened_by: list[OpenerData]





def limit_data(limit: Limit) -> LimitData:
    return {
        "id": limit.id,
        "rule": limit.rule,
        "because_of": _because_of(limit),
        "quantity": limit.quantity,
        "title": quantity(limit.quantity).title,
        "bound": limit.bound,
        "at_least": limit.at_least,
        "unit": limit.unit,
        "condition": limit.condition,
        "at_home": limit.at_home,
        "strength": limit.strength,
        "reason": limit.reason,
        "source": limit.source.told,
        "set_by": limit.set_by,
        "says": limit.says(),
        "bound_in_words": limit.bound_in_words,
        "measure": limit.measure,
        "review_on": limit.review_on.isoformat() if limit.review_on else None,
        "valid_until": limit.valid_until.isoformat() if limit.valid_until else None,
        "next_grade": limit.next_grade,
        "grade": limit.grade,
        "grades": limit.grades,
        "waits_for": limit.waits_for,
        "only_step": limit.only_step,
        "origin": limit.origin.value,
        "opened_by": _openers(limit),
    }


def _because_of(limit: Limit) -> str:
    """The title of the rule that a limit is of; of a person's word, who said it."""
    rule = rulebook().get(limit.rule)
    return rule.title if rule is not None else limit.set_by


def _openers(limit: Limit) -> list[OpenerData]:
    """Which tests could show what is missing."""
    return [{"test": t, "title": test_library()[t].title} for t in limit.opened_by]


def breach_data(b: Breach) -> BreachData:
    return {
        "limit": b.limit.id,
        "quantity": b.quantity,
        "title": quantity(b.quantity).title,
        "value": finite(b.value),
        "bound": b.limit.bound,
        "unit": b.limit.unit,
        "says": b.limit.says(),
        "reason": b.limit.reason,
        "source": b.limit.source.told,
        "measure": b.limit.measure,
        "here": b.here(),
        "origin": b.limit.origin.value,
        "opened_by": _openers(b.limit),
    }
