"""Where somebody is logged in: listed, and ended one by one or all but this one."""

import uuid
from datetime import timedelta

from django.contrib.auth import logout
from django.http import HttpRequest
from django.utils import timezone

from accounts.models import OpenSession, User

_ID = "open_session"
_EVERY = timedelta(minutes=1)  # how often the last moment is written down


def begun(sender: type[User], request: HttpRequest, user: User, **more: object) -> None:
    """Django tells of a log-in (`apps.py`)."""
    device = _device(request.headers.get("User-Agent", "")[:300])
    request.session[_ID] = str(OpenSession.objects.create(user=user, device=device).pk)


def _device(said: str) -> str:
    """What a browser says of itself, as somebody would name it; '' where nobody could."""
    from user_agents import parse  # a third of a second to read, for processes at which nobody logs in

    found = parse(said)
    parts = [p for p in (found.get_device(), found.get_os(), found.get_browser()) if p != "Other"]
    return ", ".join(dict.fromkeys(parts))[:200]


def ended(sender: type[User], request: HttpRequest, user: User | None, **more: object) -> None:
    """Django tells of a log-out."""
    OpenSession.objects.filter(pk=request.session.get(_ID), user=user).delete()


def id_of(request: HttpRequest) -> str:
    """Of the session that asks; '' for one without."""
    return str(request.session.get(_ID, ""))


def still_open(request: HttpRequest) -> bool:
    """Whether nobody has ended the session that asks; an ended one is logged out here."""
    found = OpenSession.objects.filter(pk=id_of(request) or uuid.UUID(int=0), user=request.user).first()
    if found is None:
        logout(request)
        return False
    now = timezone.now()
    if now - found.seen_at > _EVERY:
        OpenSession.objects.filter(pk=found.pk).update(seen_at=now)
    return True


def sessions_of(user: User, longest: timedelta) -> list[OpenSession]:
    """The newest first; what nobody has used for longer than a session lasts is over."""
    OpenSession.objects.filter(user=user, seen_at__lt=timezone.now() - longest).delete()
    return list(OpenSession.objects.filter(user=user).order_by("-seen_at"))


def end(user: User, session_id: str) -> bool:
    """Whether there was such a session of this person."""
    return OpenSession.objects.filter(user=user, pk=session_id).delete()[0] > 0


def end_others(request: HttpRequest) -> None:
    OpenSession.objects.filter(user=request.user).exclude(pk=id_of(request) or uuid.UUID(int=0)).delete()
