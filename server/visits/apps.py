"""Visits as they were logged, private links for home, and what was decided on proposals."""

from django.apps import AppConfig


class VisitsConfig(AppConfig):
    name = "visits"
    default_auto_field = "django.db.models.BigAutoField"
