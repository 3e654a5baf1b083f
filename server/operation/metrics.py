"""Figures for whoever watches over the server, as Prometheus reads them: the same whichever process answers, and nothing of anybody's data.

Requests and their times are not among them: those are in the structured logs, one line a request.
"""

import hmac
from collections.abc import Iterator

from django.conf import settings
from django.db import connection
from django.db.models import Count, Min, Q
from django.http import Http404, HttpRequest, HttpResponse
from django.utils import timezone
from prometheus_client import CONTENT_TYPE_LATEST, CollectorRegistry, generate_latest
from prometheus_client.core import GaugeMetricFamily, Metric
from prometheus_client.registry import Collector

from clients.models import Client
from jobs.models import LOST_AFTER, LongAnswer, SolvedBody

# Rows are estimated by the database itself: counting millions would cost more than it tells.
_TABLES = ("clients_caserevision", "clients_auditentry", "visits_loggedvisit", "programmes_programme")

_ROWS = """
    SELECT t.relname, sum(greatest(coalesce(part.reltuples, t.reltuples), 0))
    FROM pg_class t LEFT JOIN pg_inherits ON inhparent = t.oid LEFT JOIN pg_class part ON part.oid = inhrelid
    WHERE t.relname = ANY(%s) GROUP BY t.relname
"""


class _Database(Collector):
    """What the database knows of the work that waits and of what is kept."""

    def collect(self) -> Iterator[Metric]:
        waits = LongAnswer.objects.filter(done_at=None, failed="").values("work").annotate(n=Count("pk"), since=Min("asked_at"))
        waiting = GaugeMetricFamily("amvel_questions_waiting", "Questions that no worker has answered yet", labels=["work"])
        oldest = GaugeMetricFamily("amvel_questions_oldest_seconds", "How long the oldest of them waits", labels=["work"])
        for row in waits:
            waiting.add_metric([row["work"]], row["n"])
            oldest.add_metric([row["work"]], (timezone.now() - row["since"]).total_seconds())
        yield waiting
        yield oldest
        lost = Q(done_at=None, beat_at__lt=timezone.now() - LOST_AFTER)
        counts = LongAnswer.objects.aggregate(failed=Count("pk", ~Q(failed="")), lost=Count("pk", lost), kept=Count("pk", ~Q(done_at=None)))
        yield GaugeMetricFamily("amvel_questions_failed", "Questions that could not be worked out", counts["failed"])
        yield GaugeMetricFamily("amvel_questions_lost", "Questions whose worker gives no sign of life", counts["lost"])
        yield GaugeMetricFamily("amvel_answers_kept", "Answers that nobody has to work out again", counts["kept"])
        yield GaugeMetricFamily("amvel_bodies_kept", "Solved bodies", SolvedBody.objects.count())
        yield GaugeMetricFamily("amvel_clients", "Clients of all organisations", Client.objects.count())
        yield from _sizes()


def _sizes() -> Iterator[Metric]:
    rows = GaugeMetricFamily("amvel_rows_estimated", "Rows of a table, as the database estimates them", labels=["table"])
    with connection.cursor() as cursor:
        cursor.execute(_ROWS, [list(_TABLES)])
        for name, estimate in cursor.fetchall():
            rows.add_metric([name], estimate)
        cursor.execute("SELECT pg_database_size(current_database())")
        (size,) = cursor.fetchone()
    yield rows
    yield GaugeMetricFamily("amvel_database_bytes", "Size of the database on disk", size)


def metrics(request: HttpRequest) -> HttpResponse:
    """For whoever carries the token; without one in the settings there is no such page."""
    carried = request.headers.get("Authorization", "").removeprefix("Bearer ")
    if not settings.METRICS_TOKEN or not hmac.compare_digest(carried.encode(), settings.METRICS_TOKEN.encode()):
        raise Http404
    registry = CollectorRegistry()
    registry.register(_Database())
    return HttpResponse(generate_latest(registry), content_type=CONTENT_TYPE_LATEST)


__all__ = ["metrics"]
