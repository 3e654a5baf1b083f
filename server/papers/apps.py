"""The papers of a client: hand-out, fridge sheet, letter, calendar, and the texts an organisation puts into them."""

from django.apps import AppConfig


class PapersConfig(AppConfig):
    name = "papers"
    default_auto_field = "django.db.models.BigAutoField"
