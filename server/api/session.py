"""Logging in and out."""

from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Schema
from ninja.utils import check_csrf
from pydantic import Field

from accounts.guessing import too_many
from accounts.idle import asked_by_itself
from accounts.roles import Action, Role
from accounts.second_factor import has_second_factor, pass_with
from accounts.session_cookie import take_away
from amvel import answers
from amvel.answers.library import (
    ConditionData,
    MovementData,
    ProfessionData,
    PurposeData,
    QuantityData,
    TaskData,
    TestData,
)
from amvel.answers.rules import RuleData
from amvel.case import LONGEST_OVERRIDE
from amvel.languages import said
from amvel.safety import RULEBOOK_VERSION
from amvel.screening.stop_signs import QUESTIONS
from api.access import Needs
from api.spoken import Router
from clients.casework import audit
from config.problem import problem

router = Router(tags=["session"])


class Session(Schema):
    """Who is logged in; `user` is empty when nobody is."""

    user: str = ""
    login: str = ""
    role: Role | None = None
    may: list[Action] = []
    organisation: str = ""
    needs_code: bool = False
    csrf_token: str


class Credentials(Schema):
    """`code` is of the second factor, for who has one."""

    username: str = Field(max_length=150)
    password: str = Field(max_length=200)
    code: str = Field(default="", max_length=40)


@router.get("/session", auth=None, response=Session)
def session(request: HttpRequest):
    """The current session; also hands out the CSRF token."""
    asked_by_itself(request)
    user = request.user
    known = user.is_authenticated
    return Session(
        user=user.called if known else "",
        login=user.username if known else "",
        role=Role(user.role) if known else None,
        may=[a for a in Action if user.may(a)] if known else [],
        organisation=str(user.organisation) if known and user.organisation else "",
        csrf_token=get_token(request),
    )


@router.post("/login", auth=None, response=Session)
def log_in(request: HttpRequest, credentials: Credentials):
    """Log in; five failures lock the pair of name and address for a quarter of an hour, more of them the name or the address.

    Who has a second factor and gives no code is not logged in: `needs_code` says so.
    """
    if check_csrf(request) is not None:
        return problem(403, said("Reload the page"), said("the page is too old to log in from"))
    locked = too_many(request, credentials.username)
    user = None if locked else authenticate(request, username=credentials.username, password=credentials.password)
    if user is None:
        locked = locked or getattr(request, "axes_locked_out", False)
        return problem(
            429 if locked else 401,
            said("Locked for a while" if locked else "Not logged in"),
            said("too many attempts; try again in a quarter of an hour" if locked else "name or password is wrong"),
        )
    if has_second_factor(user):
        if not credentials.code:
            return Session(needs_code=True, csrf_token=get_token(request))
        pass_with(user, credentials.code)
    login(request, user)
    audit(user, None, "logged in")
    return session(request)


@router.post("/logout", response=Session)
def log_out(request: HttpRequest):
    """Log out."""
    audit(request.user, None, "logged out")
    logout(request)
    take_away(request)
    return session(request)


class SignQuestion(Schema):
    """One stop sign to ask for."""

    id: str
    title: str
    emergency: bool


class Reference(Schema):
    """What never depends on a client: questions, tests, movements, rules."""

    stop_signs: list[SignQuestion]
    conditions: list[ConditionData]
    quantities: list[QuantityData]
    professions: list[ProfessionData]
    tasks: list[TaskData]
    purposes: list[PurposeData]
    tests: list[TestData]
    movements: list[MovementData]
    rules: list[RuleData]
    rulebook_version: str
    longest_override_days: int


@router.get("/reference", response=Reference, auth=Needs(Action.READ_RULES))
def reference(request: HttpRequest):
    """Texts and forms for the stations."""
    signs = [{"id": k, "title": q.title, "emergency": q.emergency} for k, q in QUESTIONS.items()]
    return {
        "stop_signs": signs,
        "conditions": answers.conditions(),
        "quantities": answers.quantities(),
        "professions": answers.professions(),
        "tasks": answers.tasks(),
        "purposes": answers.purposes(),
        "tests": answers.tests(),
        "movements": answers.movements(),
        "rules": answers.rules(),
        "rulebook_version": RULEBOOK_VERSION,
        "longest_override_days": LONGEST_OVERRIDE.days,
    }
