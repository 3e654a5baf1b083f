"""What clinicians of an organisation said of the lines of the rule-book, and the figures that are others there."""

import uuid
from enum import StrEnum

from django.conf import settings
from django.db import models
from django.utils import timezone

from accounts.models import Organisation
from clients.models import AppendOnly
from config.said_json import SaidJSONField


class LineSignature(AppendOnly):
    """One person's word on one line as it stood then; the newest of a line counts, the older ones stay."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT, related_name="signatures")
    owner = models.CharField(max_length=80)
    number = models.CharField(max_length=80, blank=True)
    digest = models.CharField(max_length=16)
    agrees = models.BooleanField()
    remark = models.CharField(max_length=500, blank=True)
    name = models.CharField(max_length=120)
    profession = models.CharField(max_length=80)
    entered_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = [models.Index(fields=["organisation", "owner", "number", "at"])]


class NumberChange(AppendOnly):
    """Figures of the rule-book that somebody wants to be others in this house: lines of rule, number, value, and what it was."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT, related_name="number_changes")
    lines = models.JSONField()
    reason = models.CharField(max_length=300)
    asked_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT)
    at = models.DateTimeField(default=timezone.now)

    class Meta:
        indexes = [models.Index(fields=["organisation", "at"], name="number_change_of_house")]


class StepKind(StrEnum):
    """What became of a change."""

    IN_FORCE = "in_force"
    DECLINED = "declined"
    ROLLED_BACK = "rolled_back"


class ChangeStep(AppendOnly):
    """One thing that became of a change; `found` is what it did to each client when it was put in force, by their ids alone."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    change = models.ForeignKey(NumberChange, on_delete=models.PROTECT, related_name="steps")
    kind = models.CharField(max_length=12, choices=[(k.value, k.value) for k in StepKind])
    reason = models.CharField(max_length=300, blank=True)
    found = SaidJSONField(null=True)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT)
    at = models.DateTimeField(default=timezone.now)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["change", "kind"], name="one_step_of_a_kind")]
