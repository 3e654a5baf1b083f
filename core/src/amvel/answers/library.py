"""What never depends on a client, as plain data: movements, tests, conditions, quantities, professions."""

from typing import Literal, get_args

from pydantic import JsonValue
from typing_extensions import TypedDict

from amvel.case import CLEARING_PROFESSIONS, CONDITIONS, ClinicianProfession, Field, form_of
from amvel.case.purposes import PURPOSES
from amvel.case.result import Takes
from amvel.case.schools import QUESTIONS
from amvel.languages import said, said_together
from amvel.movements import Position, all_steps, library
from amvel.movements.schools import do_lines
from amvel.planning import words
from amvel.planning.tasks import TASKS
from amvel.quantities import REGISTRY
from amvel.screening import test_library
from amvel.screening.real_change import band_told


class ParameterData(TypedDict):
    """What may change of a step."""

    id: str
    title: str
    unit: str
    low: float
    high: float
    grid: float
    easier: str
    choices: list[str]
    choice_titles: dict[str, str]


class FaultData(TypedDict):
    """A fault by name: what is seen, what it means, the cue that corrects it, and whether there is a picture of it."""

    name: str
    seen: str
    means: str
    cue: str
    drawn: bool


class DoseData(TypedDict):
    """The usual first dose."""

    repetitions: int
    sets: int
    hold_s: float
    note: str


class MovementData(TypedDict):
    """One step of the library."""

    family: str
    step: str
    title: str
    family_title: str
    asked_for: bool
    step_title: str
    about: str
    position: Position
    purposes: dict[str, float]
    below: str
    above: str
    after: list[str]
    sides: bool
    effort: float
    props: list[str]
    setup: list[str]
    cues: list[str]
    felt: str
    not_felt: str
    breath: str
    do: list[str]
    faults: list[FaultData]
    dose: DoseData
    parameters: list[ParameterData]


class ChoiceData(TypedDict):
    """One of the values that a field may have."""

    value: str
    title: str


class FieldData(TypedDict):
    """One question of a form."""

    name: str
    title: str
    unit: str
    kind: str
    low: float | None
    high: float | None
    optional: bool
    first: JsonValue
    choices: list[ChoiceData]


class TestData(TypedDict):
    """One screening test."""

    id: str
    title: str
    group: str
    measures: str
    protocol: list[str]
    safety: str
    position: str
    per_side: bool
    timer: Literal["", "stopwatch", "counter"]
    trials: Takes
    gate: bool
    validity_days: int
    unlocks: str
    ages: list[float]
    change_band: str | None  # with its unit
    source: str
    fields: list[FieldData]


class QuantityData(TypedDict):
    """What a limit may speak of."""

    id: str
    title: str
    unit: str
    sentence: str
    sided: bool


class ProfessionData(TypedDict):
    """Whose word can be recorded, and whether it may loosen."""

    id: ClinicianProfession
    may_clear: bool


class TaskData(TypedDict):
    """A task of daily life that a goal can mean, with what it asks of the body and where its ladder ends."""

    id: str
    title: str
    asks: list[str]
    ends: list[str]


class PurposeData(TypedDict):
    """Something that a task can ask of the body."""

    id: str
    title: str


class ConditionData(TypedDict):
    """What can be known of a client, with the questions it opens."""

    kind: str
    title: str
    group: str
    about: str
    asks: list[FieldData]


def movements() -> list[MovementData]:
    """The library as data."""
    out: list[MovementData] = []
    for family, step in all_steps():
        out.append(
            {
                "family": family.id,
                "step": step.id,
                "title": said_together((family.title, step.title), ": "),
                "family_title": family.title,
                "asked_for": family.asked_for,
                "step_title": step.title,
                "about": family.about,
                "position": family.position,
                "purposes": step.purposes,
                "below": family.neighbours(step)[0],
                "above": family.neighbours(step)[1],
                "after": list(step.after),
                "sides": step.sides,
                "effort": step.effort,
                "props": [need.says for need in step.props],
                "setup": list(step.setup),
                "cues": list(step.cues),
                "felt": step.felt,
                "not_felt": step.not_felt,
                "breath": step.breath.says(),
                "do": list(do_lines(step, QUESTIONS["breath"].default)),
                "faults": [
                    {"name": x.name, "seen": x.seen, "means": x.means, "cue": x.cue, "drawn": x.looks is not None} for x in step.faults
                ],
                "dose": {
                    "repetitions": step.dose.repetitions,
                    "sets": step.dose.sets,
                    "hold_s": step.dose.hold_s,
                    "note": step.dose.note,
                },
                "parameters": [
                    {
                        "id": p.id,
                        "title": p.title,
                        "unit": p.unit,
                        "low": p.low,
                        "high": p.high,
                        "grid": p.grid,
                        "easier": p.easier,
                        "choices": list(p.choices),
                        "choice_titles": {c: said(c) for c in p.choices},
                    }
                    for p in step.parameters
                ],
            }
        )
    return out


def field_data(x: Field) -> FieldData:
    return {
        "name": x.name,
        "title": x.title,
        "unit": x.unit,
        "kind": x.kind,
        "low": x.low,
        "high": x.high,
        "optional": x.optional,
        "first": x.first,
        "choices": [{"value": v, "title": w} for v, w in x.choices],
    }


def tests() -> list[TestData]:
    """The screening tests as data."""
    return [
        {
            "id": t.id,
            "title": t.title,
            "group": t.group,
            "measures": t.measures,
            "protocol": list(t.protocol),
            "safety": t.safety,
            "position": t.position,
            "per_side": t.per_side,
            "timer": t.timer,
            "trials": t.trials,
            "gate": t.gate,
            "validity_days": t.validity_days,
            "unlocks": t.unlocks,
            "ages": list(t.ages),
            "change_band": band_told(t.change) if t.change else None,
            "source": t.source.told,
            "fields": [field_data(x) for x in t.fields],
        }
        for t in test_library().values()
    ]


def quantities() -> list[QuantityData]:
    """What a limit may speak of."""
    return [
        {"id": q.id, "title": q.title, "unit": q.unit, "sentence": q.sentence, "sided": q.sided}
        for q in REGISTRY.values()
    ]


def professions() -> list[ProfessionData]:
    """Whose word can be recorded, and whose may loosen."""
    return [{"id": p, "may_clear": p in CLEARING_PROFESSIONS} for p in get_args(ClinicianProfession)]


def tasks() -> list[TaskData]:
    """What a goal can mean, in the order of the list."""
    return [
        {
            "id": task.value,
            "title": asked.title,
            "asks": [words(p) for p in asked.asks],
            "ends": [library()[f].title for f in asked.ends],
        }
        for task, asked in TASKS.items()
    ]


def purposes() -> list[PurposeData]:
    """What a task of one's own can be mapped to."""
    return [{"id": p, "title": words(p)} for p in PURPOSES]


_NOT_ASKED = frozenset(("kind", "noted_on"))


def conditions() -> list[ConditionData]:
    """What can be known of a client, with the questions each opens."""
    return [
        {
            "kind": kind,
            "title": said(model.TITLE),
            "group": said(model.GROUP),
            "about": said((model.__doc__ or "").strip().splitlines()[0] if model.__doc__ else ""),
            "asks": [field_data(x) for x in form_of(model, _NOT_ASKED)],
        }
        for kind, model in CONDITIONS.items()
    ]
