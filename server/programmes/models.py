"""Stored programmes, with what made them."""

import uuid

from django.conf import settings
from django.db import models
from django.utils import timezone

from clients.models import AppendOnly, Client
from config.said_json import SaidJSONField


class Programme(AppendOnly):
    """One version of a client's programme: the solver's answer, a hand edit of it, or an earlier one taken up again.

    `shows` is the number of the version whose content this one has (its own unless it undoes or redoes), `before` the
    version that it was edited from: following both, undo and redo never change what was stored.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    client = models.ForeignKey(Client, on_delete=models.PROTECT, related_name="programmes")
    number = models.PositiveIntegerField()
    context = models.CharField(max_length=10)
    answer = SaidJSONField()
    made_by = models.CharField(max_length=40)
    case_digest = models.CharField(max_length=40)
    rulebook_version = models.CharField(max_length=20)
    model_version = models.CharField(max_length=20)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, null=True)
    created_at = models.DateTimeField(default=timezone.now)
    shows = models.PositiveIntegerField(null=True)
    before = models.PositiveIntegerField(null=True)
    undone = models.PositiveIntegerField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["client", "number"], name="one_programme_per_number")]

    @property
    def content(self) -> int:
        """The number of the version whose content this is."""
        return self.shows if self.shows is not None else self.number
