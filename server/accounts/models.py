"""Organisations and the people who work in them."""

import uuid

from django.contrib.auth.models import AbstractUser
from django.db import models
from django.utils.crypto import salted_hmac

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

    session_round = models.PositiveIntegerField(default=0)  # raised, every open session of this person ends

    def get_session_auth_hash(self) -> str:
        """Sessions end when the password changes, and when all of them are ended."""
        return salted_hmac("accounts.session", f"{self.password}{self.session_round}", algorithm="sha256").hexdigest()

    def may(self, action: Action) -> bool:
        """Whether this person may do it in the own organisation."""
        return self.is_active and self.organisation_id is not None and may(self.role, action)

    @property
    def called(self) -> str:
        """The name that stands under what this person did."""
        return self.get_full_name() or self.username


class OpenSession(models.Model):
    """One log-in that is open: on what, since when, last used when."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    user = models.ForeignKey(User, on_delete=models.CASCADE)
    device = models.CharField(max_length=200, blank=True)
    began_at = models.DateTimeField(auto_now_add=True)
    seen_at = models.DateTimeField(auto_now_add=True)
