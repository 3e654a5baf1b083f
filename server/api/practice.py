"""Practice: an invented case to judge, then what the rule-book says; what is due again."""

from collections import Counter

from django.http import HttpRequest
from ninja import Schema
from pydantic import Field

from accounts.models import User
from accounts.roles import Action
from amvel.answers.first_session import BuiltData, OfferData, SessionTruthData, built
from amvel.answers.practice import ExerciseData, TruthData, titles
from amvel.case import CONDITIONS
from amvel.languages import said
from amvel.practice import ErrorKind, Result
from amvel.practice.exercise import Judgement
from amvel.practice.invented import LEVELS
from amvel.practice.scoring import Answers, Practised, due, scored_against
from api.access import Needs
from api.problems import UNDER_WAY
from api.spoken import Router
from clients.engines import today
from config.problem import problem
from practice.asking import asked_of, session_asked_of
from practice.models import Attempt

router = Router(tags=["practice"])
MOST_SEEDS = 1_000_000


class DueCondition(Schema):
    """A condition that is due for practice."""

    kind: str
    title: str
    seen: int
    right_percent: int | None


class Standing(Schema):
    """Where a trainee stands: what is due, and errors by kind."""

    attempts: int
    due: list[DueCondition]
    errors: dict[ErrorKind, int]


@router.get("/practice", response=Standing, auth=Needs(Action.PRACTISE))
def standing(request: HttpRequest):
    """Of whoever asks."""
    own = list(Attempt.objects.filter(user=request.user).order_by("on", "at"))
    practised = [Practised(a.on, tuple(a.conditions), a.right / max(1, a.asked)) for a in own]
    names = titles()
    known = [k for k in CONDITIONS if CONDITIONS[k].EXAMPLES]
    errors: Counter[str] = Counter()
    for a in own:
        errors.update(a.errors)
    return {
        "attempts": len(own),
        "due": [_due(k, names[k], own) for k in due(practised, known, today())[:SHOWN] if k in names],
        "errors": dict(errors),
    }


SHOWN = 8


def _due(kind: str, title: str, own: list[Attempt]) -> DueCondition:
    mine = [a for a in own if kind in a.conditions]
    right, asked = sum(a.right for a in mine), sum(a.asked for a in mine)
    return DueCondition.model_construct(kind=kind, title=title, seen=len(mine), right_percent=round(100 * right / asked) if asked else None)


class InventedCase(Schema):
    """A case and what is asked about it."""

    exercise: ExerciseData


@router.get("/practice/{level}/{seed}", response={200: InventedCase, **UNDER_WAY}, auth=Needs(Action.PRACTISE))
def invented_case(request: HttpRequest, level: int, seed: int, about: str = ""):
    """The same for the same seed on the same day; the answers stay here."""
    refused = _refused(level, seed, about)
    return refused or {"exercise": asked_of(request.user, seed, level, about)["shown"]}


def _refused(level: int, seed: int, about: str):
    if level not in LEVELS or not 0 <= seed < MOST_SEEDS or (about and about not in CONDITIONS):
        return problem(422, said("The request is refused"), said("level: one of {levels}; seed: below {most}; about: a condition", levels=", ".join(map(str, LEVELS)), most=MOST_SEEDS))
    return None


class Judged(Schema):
    """What a trainee says: of each step, which test is next, which referrals."""

    about: str = ""
    steps: dict[str, Judgement]
    test: str = Field(default="", max_length=80)
    referrals: list[int] = Field(default=[], max_length=20, description="by their place among those offered")


class Scored(Schema):
    """How much of an attempt was right, and how it was wrong where it was."""

    right: int
    asked: int
    errors: dict[ErrorKind, int]


class Compared(Scored):
    """The same beside what the rule-book says."""

    truth: TruthData


@router.post("/practice/{level}/{seed}", response={200: Compared, **UNDER_WAY}, auth=Needs(Action.PRACTISE))
def judge(request: HttpRequest, level: int, seed: int, body: Judged):
    """The answers against the rule-book; the attempt is kept for what comes next."""
    refused = _refused(level, seed, body.about)
    if refused:
        return refused
    whole = asked_of(request.user, seed, level, body.about)
    truth, shown = whole["truth"], whole["shown"]
    answers = Answers(
        {s["ref"]: Judgement(s["answer"]) for s in truth["steps"]},
        tuple(truth["best_tests"]),
        bool(shown["tests"]),
        frozenset(map(str, truth["referrals"])),
        frozenset(map(str, shown["referrals"])),
    )
    offered = list(map(str, shown["referrals"]))
    told = frozenset(offered[i] for i in body.referrals if 0 <= i < len(offered))
    result = scored_against(answers, body.steps, body.test, told)
    _keep(request.user, seed, level, truth["conditions"], result)
    return {"right": result.right, "asked": result.asked, "errors": result.errors, "truth": truth}


def _keep(user: User, seed: int, level: int, conditions: list[str], result: Result) -> None:
    errors = {str(k): n for k, n in result.errors.items()}
    Attempt.objects.create(
        user=user, on=today(), seed=seed, level=level, conditions=conditions, right=result.right, asked=result.asked, errors=errors
    )


class SessionOffer(Schema):
    """What is on offer for the first session of an invented case."""

    offer: OfferData


@router.get("/practice/{level}/{seed}/session", response={200: SessionOffer, **UNDER_WAY}, auth=Needs(Action.PRACTISE))
def session_offer(request: HttpRequest, level: int, seed: int, about: str = ""):
    """Steps to build a first session at home from; which of them are closed stays here."""
    refused = _refused(level, seed, about)
    return refused or {"offer": session_asked_of(request.user, seed, level, about)["shown"]}


class BuiltSession(Schema):
    """What a trainee has chosen, in order."""

    about: str = ""
    chosen: list[str] = Field(max_length=30)


class SessionCompared(Scored):
    """What became of it, and the rule-book's own session."""

    built: BuiltData
    truth: SessionTruthData


@router.post("/practice/{level}/{seed}/session", response={200: SessionCompared, **UNDER_WAY}, auth=Needs(Action.PRACTISE))
def compare_session(request: HttpRequest, level: int, seed: int, body: BuiltSession):
    """A chosen session against the duties of the case; the attempt is kept for what comes next."""
    refused = _refused(level, seed, body.about)
    if refused:
        return refused
    whole = session_asked_of(request.user, seed, level, body.about)
    found = built(whole, body.chosen)
    _keep(request.user, seed, level, whole["truth"]["conditions"], found.result)
    return {
        "right": found.result.right,
        "asked": found.result.asked,
        "errors": found.result.errors,
        "built": {"met": dict(found.met), "minutes": found.minutes, "in_order": found.in_order},
        "truth": whole["truth"],
    }
