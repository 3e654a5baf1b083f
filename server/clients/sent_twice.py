"""A request that carries an Idempotency-Key is done once: sent again, it gets the answer that it got before.

Devices that lose the network send again; a double tap sends twice.  Keys count per person; a week later they are forgotten.
"""

import hashlib
from datetime import timedelta

from django.db import IntegrityError, transaction
from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from amvel.languages import said
from clients.models import Answered
from config.problem import problem

HEADER = "Idempotency-Key"
KEPT_FOR = timedelta(days=7)
UNDER_WAY_AT_MOST = timedelta(minutes=10)  # whoever was killed in between is asked anew then
_JSON = "application/json"


class SentTwice:
    """For POST requests of somebody who is logged in."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        key = request.headers.get(HEADER, "")
        if request.method != "POST" or not key or not request.user.is_authenticated:
            return self.get_response(request)
        if len(key) > 80:
            return problem(422, said("The request is refused"), said("{header}: at most 80 characters", header=HEADER))
        asked = hashlib.sha256(f"{request.path}?{request.META['QUERY_STRING']}".encode() + b"\0" + request.body).hexdigest()
        mine, known = _claimed(request, key, asked)
        if known is not None:
            return known
        response = self.get_response(request)
        # What is only under way is no answer: the same request comes again for it.
        if response.status_code == 202 or response.status_code >= 500 or not response.headers.get("Content-Type", "").startswith("application/"):
            mine.delete()
        else:
            mine.status, mine.body = response.status_code, response.content.decode()
            mine.save()
        return response


def _claimed(request: HttpRequest, key: str, asked: str) -> tuple[Answered, HttpResponse | None]:
    """The place that this request takes, or what was answered to it before."""
    now = timezone.now()
    Answered.objects.filter(user=request.user, at__lt=now - KEPT_FOR).delete()
    Answered.objects.filter(user=request.user, status=None, at__lt=now - UNDER_WAY_AT_MOST).delete()
    try:
        with transaction.atomic():
            return Answered.objects.create(user=request.user, key=key, asked=asked), None
    except IntegrityError:
        found = Answered.objects.filter(user=request.user, key=key).first()
    if found is None:
        return Answered(), problem(409, said("Sent twice"), said("it was taken back meanwhile: send it again"))
    if found.asked != asked:
        return found, problem(422, said("The request is refused"), said("{header}: another request has used it", header=HEADER))
    if found.status is None:
        return found, problem(409, said("Sent twice"), said("the same request is under way; its answer comes there"))
    kind = "application/problem+json" if found.status >= 400 else _JSON
    return found, HttpResponse(found.body, status=found.status, content_type=kind)
