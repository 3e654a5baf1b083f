"""Reminders by mail, a little before each session, to who asked for them.

Mail goes through Django; here it lands in a folder that ships with the application, until a real server is configured.
A reminder names no condition and no limit.
"""

from datetime import datetime, timedelta
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

import structlog
from django.core.mail import EmailMessage
from django.db import IntegrityError, transaction
from django.utils import timezone

from accounts.mail_address import mail_address
from amvel.languages import said, said_together
from amvel.planning import ProgrammeBlocked
from clients.models import Client
from papers.hand_out import opened
from papers.models import ReminderWish, SentReminder
from papers.schedule import week_of
from programmes.building import NotAllowed

log = structlog.get_logger(__name__)
AHEAD = timedelta(minutes=60)
_WHOLE = (said("Your exercises at {at}"), said("Your exercises at {at}, about {minutes} minutes."))
_LIGHT = (said("Your short practice at {at}"), said("Your short practice at {at}, about {minutes} minutes."))
_END = said("Your sheet shows how.\n\nAnswer nothing to this message; ring us when something is new or worse.")


def wish_of(client: Client) -> dict[str, str]:
    found = ReminderWish.objects.filter(client=client).first()
    return {"address": found.address, "zone": found.zone} if found else {"address": "", "zone": ""}


def keep_wish(client: Client, address: str, zone: str) -> None:
    """Keep or end the reminders of a client; raises ValueError naming the field that is wrong."""
    if not address:
        ReminderWish.objects.filter(client=client).delete()
        return
    try:
        mail_address(address)
    except ValueError as error:
        raise ValueError(said("address: {why}", why=error.args[0])) from error
    zone = zone or timezone.get_default_timezone_name()
    try:
        ZoneInfo(zone)
    except (ZoneInfoNotFoundError, ValueError) as error:
        raise ValueError(said("zone: there is no time zone '{name}'", name=zone)) from error
    ReminderWish.objects.update_or_create(
        client=client, defaults={"address": address, "zone": zone, "since": timezone.localdate()}
    )


def send_due(now: datetime) -> tuple[int, list[str]]:
    """Send what is due within the hour after `now`; returns how many went and why others did not."""
    sent, left = 0, []
    for wish in ReminderWish.objects.select_related("client").order_by("client_id"):
        try:
            sent += _send_for(wish, now)
        except (ProgrammeBlocked, NotAllowed) as error:
            left.append(f"{wish.client_id}: {error}")
        except Exception as error:  # a mail server, a damaged case: whatever it is, everybody else is reminded
            log.exception("a reminder did not go", client=str(wish.client_id))
            left.append(f"{wish.client_id}: {type(error).__name__}")
    return sent, left


def _send_for(wish: ReminderWish, now: datetime) -> int:
    if not wish.client.programmes.exists():
        return 0
    engine, programme = opened(wish.client)
    local = now.astimezone(ZoneInfo(wish.zone))
    if any(a.first <= local.date() <= a.last for a in engine.case.wishes.away):
        return 0
    sent = 0
    for session in week_of(engine, programme).sessions:
        at = datetime.combine(local.date(), session.at, local.tzinfo)
        if session.day == local.weekday() and local <= at < local + AHEAD:
            words = _LIGHT if session.light else _WHOLE
            title, text = (said(w, at=f"{at:%H:%M}", minutes=round(session.minutes)) for w in words)
            language = engine.case.understanding.language
            sent += _once(wish, at, title.in_language(language), said_together((text, _END), " ").in_language(language))
    return sent


def _once(wish: ReminderWish, at: datetime, title: str, text: str) -> int:
    """Send one reminder unless it went before; the record and the mail stand or fall together."""
    try:
        with transaction.atomic():
            SentReminder.objects.create(client=wish.client, day=at.date(), at=at.time())
            EmailMessage(title, text, to=[wish.address]).send()
    except IntegrityError:
        return 0
    return 1
