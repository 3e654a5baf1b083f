"""One's own log-in: password, second factor, and where it is open."""

from datetime import timedelta

from django.conf import settings
from django.contrib.auth import update_session_auth_hash
from django.core.exceptions import ValidationError
from django.http import Http404, HttpRequest
from ninja import Schema
from pydantic import Field

from accounts import models, open_sessions, second_factor
from accounts.passwords import PasswordRefused, choose
from amvel.languages import said
from api.problems import Done
from api.spoken import Router
from clients.casework import audit

router = Router(tags=["own log-in"])


class OpenSession(Schema):
    """Where somebody is logged in; `here` is the one that asks."""

    id: str
    device: str
    began_at: str
    seen_at: str
    here: bool


class Own(Schema):
    """What belongs to the log-in of whoever asks."""

    second_factor: bool
    codes_left: int
    sessions: list[OpenSession]


@router.get("/own", response=Own)
def own(request: HttpRequest):
    """Second factor and open sessions."""
    here = open_sessions.id_of(request)
    found = open_sessions.sessions_of(request.user, timedelta(seconds=settings.SESSION_COOKIE_AGE))
    return {
        "second_factor": second_factor.has_second_factor(request.user),
        "codes_left": second_factor.codes_left(request.user),
        "sessions": [_session(s, here) for s in found],
    }


def _session(s: models.OpenSession, here: str) -> OpenSession:
    began_at, seen_at = (at.isoformat(timespec="minutes") for at in (s.began_at, s.seen_at))
    return OpenSession(id=str(s.pk), device=s.device, here=str(s.pk) == here, began_at=began_at, seen_at=seen_at)


class OwnPassword(Schema):
    old: str = Field(max_length=200)
    new: str = Field(max_length=200)


@router.post("/password", response=Done)
def own_password(request: HttpRequest, body: OwnPassword):
    """Another password of one's own; every other session ends."""
    _known(request, body.old, "old")
    choose(request.user, body.new)
    open_sessions.end_others(request)
    update_session_auth_hash(request, request.user)
    audit(request.user, None, "password changed")
    return {"done": True}


def _known(request: HttpRequest, password: str, field: str) -> None:
    if not request.user.check_password(password):
        raise PasswordRefused(said("{field}: this is not your password", field=field))


@router.post("/sessions/end-others", response=Done)
def end_others(request: HttpRequest):
    """Log out everywhere else."""
    request.user.session_round += 1
    request.user.save(update_fields=["session_round"])
    open_sessions.end_others(request)
    update_session_auth_hash(request, request.user)
    audit(request.user, None, "other sessions ended")
    return {"done": True}


@router.post("/sessions/{session_id}/end", response=Done)
def end_session(request: HttpRequest, session_id: str):
    """Log out on one other device."""
    try:
        there = open_sessions.end(request.user, session_id)
    except ValidationError as error:  # no UUID
        raise Http404 from error
    if not there:
        raise Http404
    audit(request.user, None, "session ended")
    return {"done": True}


class Password(Schema):
    """Asked once more before the second factor is touched."""

    password: str = Field(max_length=200)


class Begun(Schema):
    """The secret for the device, as text and as a picture (SVG)."""

    secret: str
    picture: str


@router.post("/second-factor", response=Begun)
def begin(request: HttpRequest, body: Password):
    """Begin with a second factor; it counts once a code of it was given."""
    _known(request, body.password, "password")
    begun = second_factor.begin(request.user)
    return {"secret": begun.secret, "picture": begun.picture}


class Code(Schema):
    code: str = Field(max_length=40)


class Codes(Schema):
    """To be written down: each lets in once when the device is lost."""

    codes: list[str]


@router.post("/second-factor/confirm", response=Codes)
def confirm(request: HttpRequest, body: Code):
    """The first right code: from now on it is asked for."""
    codes = second_factor.confirm(request.user, body.code)
    audit(request.user, None, "second factor set up")
    return {"codes": codes}


@router.post("/second-factor/remove", response=Done)
def remove(request: HttpRequest, body: Password):
    """Without a second factor again."""
    _known(request, body.password, "password")
    second_factor.take_away(request.user)
    audit(request.user, None, "second factor taken away", request.user.username)
    return {"done": True}
