"""An invented case with its questions as plain data, and what the rule-book says to them."""

import random
from collections.abc import Iterator
from datetime import date
from typing import Any

from typing_extensions import TypedDict

from amvel.answers.limits import BreachData, breach_data
from amvel.answers.screening import readings
from amvel.case import CONDITIONS, form_of
from amvel.engine import Engine
from amvel.languages import Message, said, said_together
from amvel.movements import Position, Profile, find
from amvel.movements.figure import figure
from amvel.movements.schools import do_lines
from amvel.practice.exercise import Asked, Exercise, Judgement
from amvel.safety import describe


class AskedStepData(TypedDict):
    """A step that is to be judged."""

    ref: str
    family_title: str
    title: str
    position: Position
    do: list[str]
    picture: str


class AskedTestData(TypedDict):
    """A test that could be next."""

    id: str
    title: str
    measures: str


class ExerciseData(TypedDict):
    """What a trainee sees: the case, and what is asked about it."""

    seed: int
    level: int
    about: str
    age: int
    sex: str
    facts: list[str]
    results: list[str]
    steps: list[AskedStepData]
    tests: list[AskedTestData]
    referrals: list[str]


class AnswerData(TypedDict):
    """What the rule-book says of one step, and why."""

    ref: str
    answer: Judgement
    reasons: list[BreachData]
    changes: list[str]


class TruthData(TypedDict):
    """What the rule-book says."""

    conditions: list[str]
    steps: list[AnswerData]
    best_tests: list[str]
    decides: dict[str, float]
    referrals: list[str]


class WholeData(TypedDict):
    """Both: what is shown, and what is kept back until the trainee has answered."""

    shown: ExerciseData
    truth: TruthData


def practice(e: Exercise) -> WholeData:
    shuffled = [*e.referrals, *e.other_referrals]
    random.Random(f"{e.seed} {e.level} order").shuffle(shuffled)
    return {
        "shown": {
            "seed": e.seed,
            "level": e.level,
            "about": e.about,
            "age": e.engine.findings.age,
            "sex": e.engine.case.person.sex,
            "facts": list(_facts(e)),
            "results": _results(e),
            "steps": [asked_step(e.engine, a.verdict.ref, a.verdict.original) for a in e.steps],
            "tests": [{"id": d.test.id, "title": d.test.title, "measures": d.test.measures} for d in e.tests],
            "referrals": shuffled,
        },
        "truth": {
            "conditions": list(e.conditions),
            "steps": [_answer(a) for a in e.steps],
            "best_tests": list(e.best_tests),
            "decides": {d.test.id: round(d.expected, 1) for d in e.tests},
            "referrals": list(e.referrals),
        },
    }


def _facts(e: Exercise) -> Iterator[Message]:
    """Each condition with what is known of it, as it would be entered."""
    for c in e.engine.case.conditions:
        parts: list[str] = [said(c.TITLE)]
        for field in form_of(type(c), frozenset(("noted_on",))):
            value = getattr(c, field.name)
            if value not in (None, "", (), False):
                parts.append(said_together((x for x in (field.title, _value(value, dict(field.choices)), field.unit) if x), " "))
        yield said_together(parts, "; ")
    if e.engine.case.tolerates.floor == "no":
        yield said("does not get down to the floor and up again")


def _value(value: Any, titles: dict[str, str]) -> str:
    if isinstance(value, tuple):
        return said_together((_value(v, titles) for v in value), ", ")
    if isinstance(value, bool):
        return said("yes") if value else said("no")
    if isinstance(value, date):
        return value.isoformat()
    return titles.get(str(value), str(value))


def _results(e: Exercise) -> list[str]:
    """What was measured and is not as it should be, first; the rest is normal and needs no line."""
    found = [r for r in readings(e.engine) if r["level"] != "ok"]
    return [r["text"] for r in found] or [said("All that was tested is normal.")]


def asked_step(engine: Engine, ref: str, profile: Profile) -> AskedStepData:
    """A step in words and as it is drawn on the body of the invented person."""
    family, step = find(ref)
    return {
        "ref": ref,
        "family_title": family.title,
        "title": step.title,
        "position": family.position,
        "do": list(do_lines(step, engine.schools.of(family.id)["breath"])),
        "picture": "" if profile.fault else figure(engine.profiler, profile),
    }


def _answer(asked: Asked) -> AnswerData:
    v = asked.verdict
    return {
        "ref": v.ref,
        "answer": asked.answer,
        "reasons": [breach_data(b) for b in v.reasons],
        "changes": [describe(c) for c in v.changes],
    }


def titles() -> dict[str, str]:
    """How each condition is called, for what is due."""
    return {kind: said(model.TITLE) for kind, model in CONDITIONS.items()}


__all__ = ["AskedStepData", "ExerciseData", "TruthData", "WholeData", "asked_step", "practice", "titles"]
