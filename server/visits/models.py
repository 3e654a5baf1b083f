"""What was logged: visits and sessions at home, each as often as it was completed, and the private links for home."""

import uuid
from datetime import date

from django.conf import settings
from django.db import models
from django.utils import timezone

from clients.models import AppendOnly, Client


class LoggedVisit(AppendOnly):
    """One version of one visit.  `key` is the id that the device gave it: sent again it is the same visit; what is told later, such as
    how the day after was, is another version of it."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    client = models.ForeignKey(Client, on_delete=models.PROTECT, related_name="visits")
    key = models.CharField(max_length=64)
    version = models.PositiveIntegerField()
    on = models.DateField()
    data = models.JSONField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, null=True)  # none: through the private link
    created_at = models.DateTimeField(default=timezone.now)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["client", "key", "version"], name="one_visit_per_version")]
        indexes = [models.Index(fields=["client", "created_at"], name="visit_of_client")]


class HomeLink(models.Model):
    """A private address for one client: it opens today's session and nothing else, until a day or until it is taken back.

    Only a fingerprint of it is kept; who has the database cannot open it.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    client = models.ForeignKey(Client, on_delete=models.CASCADE, related_name="home_links")
    fingerprint = models.CharField(max_length=64, unique=True)
    made_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT)
    made_at = models.DateTimeField(auto_now_add=True)
    expires_on = models.DateField()
    revoked_at = models.DateTimeField(null=True)

    def is_open(self, today: date) -> bool:
        return self.revoked_at is None and today <= self.expires_on
