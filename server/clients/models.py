"""Clients, the revisions of their cases, what the core answered, and who looked."""

import uuid

from django.conf import settings
from django.contrib.postgres.indexes import GinIndex
from django.db import models
from django.utils import timezone

from accounts.models import Organisation
from clients.name_words import name_words
from config.said_json import SaidJSONField


class Client(models.Model):
    """One person in the care of one organisation.

    What the day shows of it is a summary, written with every revision and programme, and once more on the first look of
    another day (`summed_up_on`): lists are searched and paged in the database and open no case.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT, related_name="clients")
    created_at = models.DateTimeField(auto_now_add=True)
    visit_on = models.DateField(null=True)  # the visit that is planned; none once it has been logged
    visit_at = models.TimeField(null=True)
    name = models.CharField(max_length=200, blank=True)
    birth_date = models.DateField(null=True)
    conditions = SaidJSONField(default=list)
    station = models.CharField(max_length=20, blank=True)
    action = SaidJSONField(default=str)
    tone = models.CharField(max_length=10, blank=True)
    summed_up_on = models.DateField(null=True)
    summed_up_by = models.CharField(max_length=20, blank=True)  # the rule-book that it was read under

    class Meta:
        indexes = [
            models.Index(fields=["organisation", "visit_on", "visit_at", "created_at", "id"], name="client_day"),
            GinIndex(name_words(), name="client_name_words"),
        ]

    def latest(self) -> "CaseRevision":
        return self.revisions.order_by("-number")[0]


class AppendOnly(models.Model):
    """What was recorded is never edited; a correction is a new record. The database refuses updates as well."""

    class Meta:
        abstract = True

    def save(self, *args, **kwargs):
        if not self._state.adding:
            raise TypeError(f"{type(self).__name__} is append-only")
        super().save(*args, **kwargs)

    def delete(self, *args, **kwargs):
        raise TypeError(f"{type(self).__name__} is append-only")


class CaseRevision(AppendOnly):
    """The case of a client at one moment, without its day: the day is always today."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    client = models.ForeignKey(Client, on_delete=models.PROTECT, related_name="revisions")
    number = models.PositiveIntegerField()
    data = models.JSONField()
    reason = models.CharField(max_length=300)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, null=True)
    created_at = models.DateTimeField(default=timezone.now)  # of records that were brought in, when they came about elsewhere

    class Meta:
        constraints = [models.UniqueConstraint(fields=["client", "number"], name="one_revision_per_number")]


class AuditEntry(AppendOnly):
    """Who did or saw what, when."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT)
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, null=True)
    client = models.ForeignKey(Client, on_delete=models.PROTECT, null=True)
    action = models.CharField(max_length=60)
    detail = models.CharField(max_length=300, blank=True)
    at = models.DateTimeField(auto_now_add=True)


class Answered(models.Model):
    """What was answered to a request that may be sent twice, under the key that its sender gave it."""

    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    key = models.CharField(max_length=80)
    asked = models.CharField(max_length=64)  # fingerprint of method, address and body
    status = models.PositiveSmallIntegerField(null=True)  # none while it is under way
    body = models.TextField(blank=True)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["user", "key"], name="one_answer_per_key")]
        indexes = [models.Index(fields=["at"], name="answered_at")]
