"""People of a practice: invited, given a role, ended; a forgotten password."""

import structlog
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import Http404, HttpRequest
from django.utils import timezone
from ninja import Schema, Status
from ninja.throttling import AnonRateThrottle
from ninja.utils import check_csrf
from pydantic import Field

from accounts.mail_address import MailAddress
from accounts.models import User
from accounts.passwords import choose, mail_link, of_link
from accounts.roles import Action, Role
from accounts.second_factor import has_second_factor, take_away
from amvel.languages import said
from api.access import Needs
from api.problems import Done
from api.spoken import Router
from clients.casework import audit
from config.problem import problem

log = structlog.get_logger(__name__)
router = Router(tags=["people"])


class Colleague(Schema):
    """Somebody who works here."""

    id: str
    username: str
    name: str
    email: str
    role: Role
    active: bool
    invited: bool
    second_factor: bool
    last_seen: str


class People(Schema):
    """Everybody, and the roles there are."""

    people: list[Colleague]
    roles: list[Role]


def _person(user: User) -> Colleague:
    return Colleague(
        id=str(user.pk),
        username=user.username,
        name=user.get_full_name(),
        email=user.email,
        role=Role(user.role),
        active=user.is_active,
        invited=not user.has_usable_password(),
        second_factor=has_second_factor(user),
        last_seen=timezone.localdate(user.last_login).isoformat() if user.last_login else "",
    )


@router.get("/people", response=People, auth=Needs(Action.MANAGE_PEOPLE))
def people(request: HttpRequest):
    """Everybody of the own organisation."""
    found = User.objects.filter(organisation_id=request.user.organisation_id).order_by("username")
    return {"people": [_person(u) for u in found], "roles": list(Role)}


class Invitation(Schema):
    """A new log-in; the password is chosen by whoever gets the mail."""

    username: str = Field(min_length=2, max_length=150, pattern=r"^[\w.@+-]+$")
    email: MailAddress
    first_name: str = Field(default="", max_length=150)
    last_name: str = Field(default="", max_length=150)
    role: Role


@router.post("/people", response={201: Colleague}, auth=Needs(Action.MANAGE_PEOPLE))
def invite(request: HttpRequest, body: Invitation):
    """Invite somebody by mail."""
    try:
        with transaction.atomic():
            user = User(**body.dict(exclude={"role"}), role=body.role.value, organisation=request.user.organisation)
            user.set_unusable_password()
            user.save()
            mail_link(user, _site(request), invited=True)
    except IntegrityError:
        return problem(409, said("This log-in is taken"), said("username: choose another than {username}", username=body.username))
    except OSError:  # whatever keeps a mail from going: nobody is invited who does not hear of it
        log.exception("an invitation did not go")
        return problem(503, said("The invitation could not be mailed"), said("nobody was invited: try again, or ask whoever looks after the mail server"))
    audit(request.user, None, "person invited", f"{user.username}, {user.role}")
    return Status(201, _person(user))


class PersonChange(Schema):
    """`forget_device` takes a second factor away whose device is lost."""

    role: Role | None = None
    active: bool | None = None
    forget_device: bool = False


@router.patch("/people/{person_id}", response=Colleague, auth=Needs(Action.MANAGE_PEOPLE))
def change_person(request: HttpRequest, person_id: str, body: PersonChange):
    """Another role, or the end of a log-in; nobody changes the own, so that somebody is always left."""
    user = _of_the_house(request, person_id)
    if user.pk == request.user.pk:
        return problem(409, said("Not your own"), said("somebody else changes your role or ends your log-in"))
    if body.role is not None:
        user.role = body.role.value
    if body.active is not None:
        user.is_active = body.active
    if body.forget_device:
        take_away(user)
        audit(request.user, None, "second factor taken away", user.username)
    user.session_round += 1
    user.save(update_fields=["role", "is_active", "session_round"])
    audit(request.user, None, "person changed", f"{user.username}, {user.role}, {'active' if user.is_active else 'ended'}")
    return _person(user)


def _of_the_house(request: HttpRequest, person_id: str) -> User:
    try:
        return User.objects.get(pk=person_id, organisation_id=request.user.organisation_id)
    except (User.DoesNotExist, ValidationError) as error:  # the latter: no UUID
        raise Http404 from error


def _site(request: HttpRequest) -> str:
    return request.build_absolute_uri("/").rstrip("/")


class Forgotten(Schema):
    username: str = Field(max_length=150)


@router.post("/password/forgotten", auth=None, response=Done, throttle=[AnonRateThrottle("10/m")])
def forgotten(request: HttpRequest, body: Forgotten):
    """Mail a link, if there is such a log-in; the answer does not say whether."""
    if check_csrf(request) is not None:
        return problem(403, said("Reload the page"), said("the page is too old"))
    user = User.objects.filter(username=body.username, is_active=True).first()
    try:
        if user is not None and mail_link(user, _site(request), invited=False):
            audit(user, None, "password link mailed")
    except OSError:  # said to nobody here: it would tell that there is such a log-in
        log.exception("a password link did not go")
    return {"done": True}


class Chosen(Schema):
    who: str = Field(max_length=100)
    token: str = Field(max_length=100)
    password: str = Field(max_length=200)


@router.post("/password/new", auth=None, response=Done, throttle=[AnonRateThrottle("10/m")])
def new_password(request: HttpRequest, body: Chosen):
    """Choose a password by the link of a mail; the link is used up by it."""
    if check_csrf(request) is not None:
        return problem(403, said("Reload the page"), said("the page is too old"))
    user = of_link(body.who, body.token)
    choose(user, body.password)
    audit(user, None, "password chosen by link")
    return {"done": True}
