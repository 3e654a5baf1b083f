"""Guessing at passwords: beside the pair of name and address, which locks soonest, no name and no address is tried without end."""

from datetime import timedelta

from axes.models import AccessAttempt
from django.conf import settings
from django.db.models import Sum
from django.http import HttpRequest
from django.utils import timezone


def too_many(request: HttpRequest, username: str) -> bool:
    """Whether this name, from wherever, or this address, with whatever name, has failed too often of late."""
    since = timezone.now() - timedelta(hours=settings.AXES_COOLOFF_TIME)
    late = AccessAttempt.objects.filter(attempt_time__gte=since)
    address = request.META.get("REMOTE_ADDR", "")
    return _failures(late.filter(username=username)) >= settings.FAILURES_A_NAME or _failures(late.filter(ip_address=address)) >= settings.FAILURES_AN_ADDRESS


def _failures(attempts) -> int:
    return attempts.aggregate(n=Sum("failures_since_start"))["n"] or 0
