"""Texts of an organisation, reminders that were asked for, and the mail that went out."""

import uuid

from django.conf import settings
from django.db import models

from accounts.models import Organisation
from clients.models import AppendOnly, Client


class OrganisationText(AppendOnly):
    """One version of one text; the newest counts."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT, related_name="texts")
    key = models.CharField(max_length=40)
    number = models.PositiveIntegerField()
    text = models.TextField(max_length=2000)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, null=True)
    created_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["organisation", "key", "number"], name="one_text_per_number")
        ]


class ReminderWish(models.Model):
    """Where a client wants to be reminded; nothing is sent without it."""

    client = models.OneToOneField(Client, on_delete=models.CASCADE, related_name="reminder")
    address = models.EmailField()
    zone = models.CharField(max_length=60)
    since = models.DateField()


class SentReminder(models.Model):
    """One reminder that went out, so that none goes twice."""

    client = models.ForeignKey(Client, on_delete=models.CASCADE, related_name="sent_reminders")
    day = models.DateField()
    at = models.TimeField()
    sent_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["client", "day", "at"], name="one_reminder_per_session")]
