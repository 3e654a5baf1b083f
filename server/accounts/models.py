"""Organisations and the people who work in them."""

import uuid

from django.contrib.auth.models import AbstractUser
from django.db import models

from accounts.roles import Action, Role, may


class Organisation(models.Model):
    """A practice; every table of health data is reached through one."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    name = models.CharField(max_length=120)

    def __str__(self) -> str:
        return self.name


class User(AbstractUser):
    """Somebody who works in one organisation, in one role."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT, related_name="users", null=True)
    role = models.CharField(max_length=20, choices=[(r.value, r.value) for r in Role], default=Role.ASSISTANT.value)

    def may(self, action: Action) -> bool:
        """Whether this person may do it in the own organisation."""
        return self.is_active and self.organisation_id is not None and may(self.role, action)

    @property
    def called(self) -> str:
        """The name that stands under what this person did."""
        return self.get_full_name() or self.username
