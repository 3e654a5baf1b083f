"""Attempts of trainees; nothing of any client is in them."""

import uuid

from django.conf import settings
from django.db import models


class Attempt(models.Model):
    """One invented case that somebody judged, and how it went."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="attempts")
    on = models.DateField()
    at = models.DateTimeField(auto_now_add=True)
    seed = models.PositiveIntegerField()
    level = models.PositiveSmallIntegerField()
    conditions = models.JSONField(default=list)
    right = models.PositiveSmallIntegerField()
    asked = models.PositiveSmallIntegerField()
    errors = models.JSONField(default=dict)

    class Meta:
        indexes = [models.Index(fields=["user", "on"], name="attempt_of_user")]
