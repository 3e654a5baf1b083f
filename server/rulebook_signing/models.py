"""What clinicians of an organisation said of the lines of the rule-book."""

import uuid

from django.conf import settings
from django.db import models

from accounts.models import Organisation
from clients.models import AppendOnly


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
