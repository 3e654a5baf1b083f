"""Organisations and the people who work in them."""

import uuid

from django.contrib.auth.models import AbstractUser
from django.db import models


class Organisation(models.Model):
    """A practice; every table of health data is reached through one."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    name = models.CharField(max_length=120)

    def __str__(self) -> str:
        return self.name


class User(AbstractUser):
    """A specialist of one organisation."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    organisation = models.ForeignKey(Organisation, on_delete=models.PROTECT, related_name="users", null=True)
